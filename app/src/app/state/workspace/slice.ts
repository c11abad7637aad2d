import { distinctUntilChanged, type MonoTypeOperatorFunction } from 'rxjs';
import type { Workspace } from '../../storage/workspace';

/** The workspace, again only when one of these of its parts is another object: a verdict in the log makes no new card. */
export function slice(...names: readonly (keyof Workspace)[]): MonoTypeOperatorFunction<Workspace> {
  return distinctUntilChanged((a, b) => names.every((name) => a[name] === b[name]));
}
