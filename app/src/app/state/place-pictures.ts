import { inject, Injectable } from '@angular/core';
import { Sights } from '../data/sights';
import { FrameQuestions } from './frame-questions';

/** Places stand among the pictures of frames, under a log that is none. */
const PLACE_LOG = 'places';

export const placeSightId = (stopId: string): string => `${PLACE_LOG}/${stopId}`;

/** What a place looked like when it was found: a small picture by its stop. */
@Injectable({ providedIn: 'root' })
export class PlacePictures {
  private readonly sights = inject(Sights);
  private readonly questions = inject(FrameQuestions);

  /** A full disk, or a file that cannot be opened, leaves a place without its picture. */
  async keep(stopId: string, file: File): Promise<void> {
    await this.put(stopId, await this.questions.smallPicture(file));
  }

  /** Of a stop that stands for another one now. */
  async copy(fromId: string, toId: string): Promise<void> {
    await this.put(toId, (await this.sights.get(placeSightId(fromId)))?.thumb ?? null);
  }

  private async put(stopId: string, thumb: Blob | null): Promise<void> {
    if (thumb === null) return;
    await this.sights.put({ id: placeSightId(stopId), logId: PLACE_LOG, thumb, reading: null }).catch(() => undefined);
  }
}
