import { inject, Injectable } from '@angular/core';
import { PLACES, placeThumbnailId, Thumbnails } from '../../storage/thumbnails';
import { FrameQuestions } from '../../reading/frame-questions';

/** What a place looked like when it was found: a small picture by its stop. */
@Injectable({ providedIn: 'root' })
export class PlacePictures {
  private readonly sights = inject(Thumbnails);
  private readonly questions = inject(FrameQuestions);

  /** A full disk, or a file that cannot be opened, leaves a place without its picture. */
  async keep(stopId: string, file: File): Promise<void> {
    const thumb = await this.questions.smallPicture(file);
    if (thumb === null) return;
    await this.sights.put({ id: placeThumbnailId(stopId), logId: PLACES, thumb, reading: null }).catch(() => undefined);
  }
}
