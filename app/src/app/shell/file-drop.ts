import { inject, Injectable, Injector } from '@angular/core';
import { Router } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { droppedFiles, refusalOf, sorted } from '../reading/dropped-files';
import { FocusStore } from '../state/selection/focus.store';
import { MapDrop } from '../reading/map-drop';
import { WorkspaceStore } from '../state/workspace/workspace.store';
import { fetched } from '../base/fetched';

/** Which files were not read, and why: nothing vanishes without a word. */
function leftWords([first, ...others]: readonly [File, ...File[]]): string {
  const more =
    others.length === 0 ? '' : ` ${others.length} more ${others.length === 1 ? 'file was' : 'files were'} not read either.`;
  return `${first.name} ${refusalOf(first)}${more}`;
}

/** Files dropped anywhere on the window: pictures go to the log of the walk, all else to the reader of maps. */
@Injectable({ providedIn: 'root' })
export class FileDrop {
  private readonly router = inject(Router);
  private readonly maps = inject(MapDrop);
  private readonly injector = inject(Injector);
  private readonly store = inject(WorkspaceStore);
  private readonly focus$ = inject(FocusStore).focus$;

  isWanted({ dataTransfer }: DragEvent): boolean {
    return dataTransfer?.types.includes('Files') === true;
  }

  async drop({ dataTransfer }: DragEvent): Promise<void> {
    const files = dataTransfer === null ? [] : await droppedFiles(dataTransfer);
    const { pictures, maps, others } = sorted(files);
    const { walk } = await firstValueFrom(this.focus$);
    const [map] = maps;
    if (pictures.length > 0 && walk === null) {
      this.store.notify('Photos are compared with a walk: plan one first, or restore the demo, then drop them again.');
      return;
    }
    if (pictures.length > 0 && walk !== null) {
      const refused = [...maps, ...others].map((file) => `${file.name} ${refusalOf(file)}`);
      await this.router.navigate(['/log/frames'], { queryParamsHandling: 'preserve' });
      // What reads frames is a chunk of its own, loaded when the first come.
      const { FramesReading } = await fetched('The photo reader', () => import('../state/log/frames-reading'));
      await this.injector.get(FramesReading).read(walk, pictures, refused);
      return;
    }
    const [left, ...more] = [...maps.slice(1), ...others];
    if (left !== undefined) this.store.notify(leftWords([left, ...more]));
    if (map !== undefined) await this.maps.take(map);
  }
}
