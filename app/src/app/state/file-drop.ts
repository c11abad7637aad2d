import { inject, Injectable, Injector } from '@angular/core';
import { Router } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { droppedFiles, isPicture } from '../data/dropped-files';
import { FocusStore } from './focus.store';
import { MapDrop } from './map-drop';
import { fetched } from '../data/fetched';

/** Files dropped anywhere on the window: pictures go to the log of the walk, all else to the reader of maps. */
@Injectable({ providedIn: 'root' })
export class FileDrop {
  private readonly router = inject(Router);
  private readonly maps = inject(MapDrop);
  private readonly injector = inject(Injector);
  private readonly focus$ = inject(FocusStore).focus$;

  isWanted({ dataTransfer }: DragEvent): boolean {
    return dataTransfer?.types.includes('Files') === true;
  }

  async drop({ dataTransfer }: DragEvent): Promise<void> {
    const files = dataTransfer === null ? [] : await droppedFiles(dataTransfer);
    const pictures = files.filter(isPicture);
    const { walk } = await firstValueFrom(this.focus$);
    const [first] = files;
    if (pictures.length > 0 && walk !== null) {
      await this.router.navigate(['/log/frames'], { queryParamsHandling: 'preserve' });
      // What reads frames is a chunk of its own, loaded when the first come.
      const { FramesReading } = await fetched('The photo reader', () => import('./frames-reading'));
      await this.injector.get(FramesReading).read(walk, pictures);
    } else if (first !== undefined) await this.maps.take(first);
  }
}
