import { inject, Injectable } from '@angular/core';
import { thumbnailIdOf } from '@roam-dial/core/log';
import { firstValueFrom } from 'rxjs';
import { patchThumbnailId, placeThumbnailId, Thumbnails } from '../../storage/thumbnails';
import type { Workspace } from '../../storage/workspace';
import { WorkspaceStore } from '../workspace/workspace.store';

/** What every page of the program holds while it stands open. */
const PAGES = 'roam-dial/pages';

type Shown = Pick<Workspace, 'frames' | 'walks' | 'returns' | 'standard'>;

/** What a workspace has small pictures of: its frames, the places of its stops and returns, and its patches. */
export function sightIdsOf({ frames, walks, returns, standard }: Shown): ReadonlySet<string> {
  const stops = [...walks.flatMap((walk) => walk.stops), ...returns.map(({ stop }) => stop)];
  const patches = standard.noise?.tests ?? [];
  return new Set([
    ...frames.map(thumbnailIdOf),
    ...stops.map(({ id }) => placeThumbnailId(id)),
    ...patches.flatMap(({ bodyId, points }) => points.map(({ iso }) => patchThumbnailId(bodyId, iso))),
  ]);
}

/** Takes out the small pictures of what was removed, before anybody can want them again. */
@Injectable({ providedIn: 'root' })
export class ThumbnailCleanup {
  private readonly sights = inject(Thumbnails);
  private readonly store = inject(WorkspaceStore);

  /** Once, when a page has been opened. While another page stands open, undo may bring back there what it removed: it is left alone. */
  async begin(): Promise<void> {
    if (!('locks' in navigator)) return;
    await navigator.locks.request(PAGES, { ifAvailable: true }, async (lock) => {
      if (lock !== null) await this.sweep().catch(() => undefined);
    });
    void navigator.locks.request(PAGES, { mode: 'shared' }, () => new Promise<never>(() => undefined));
  }

  private async sweep(): Promise<void> {
    // What cannot be read may be of a newer program, and have pictures.
    if ((await firstValueFrom(this.store.aside$)).length > 0) return;
    await this.sights.keepOnly(sightIdsOf(await this.store.snapshot()));
  }
}
