import { ErrorHandler, inject, Injectable } from '@angular/core';
import { NotFetched } from '../base/fetched';
import { WorkspaceStore } from '../state/workspace/workspace.store';

/** A part that could not be fetched is said to the person, whoever asked for it; every other error is the program's own. */
@Injectable()
export class TellErrors extends ErrorHandler {
  private readonly store = inject(WorkspaceStore);

  override handleError(error: unknown): void {
    const cause = error instanceof Error && error.cause !== undefined ? error.cause : error;
    const rejection = (error as { readonly rejection?: unknown } | null)?.rejection;
    const missing = [error, cause, rejection].find((one): one is NotFetched => one instanceof NotFetched);
    if (missing !== undefined) this.store.notify(missing.message);
    else super.handleError(error);
  }
}
