import { inject, Injectable } from '@angular/core';
import { SwUpdate } from '@angular/service-worker';
import { filter, type Observable } from 'rxjs';

/** A newer version of the program that has been fetched behind and waits for a reload. */
@Injectable({ providedIn: 'root' })
export class Updates {
  private readonly updates = inject(SwUpdate);

  readonly ready$: Observable<unknown> = this.updates.versionUpdates.pipe(filter(({ type }) => type === 'VERSION_READY'));

  async take(): Promise<void> {
    await this.updates.activateUpdate();
    location.reload();
  }
}
