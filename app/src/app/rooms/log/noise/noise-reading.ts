import { inject, Injectable } from '@angular/core';
import type { Body, NoisePoint } from '@roam-dial/core/kit';
import { BehaviorSubject, type Observable } from 'rxjs';
import { PATCHES, patchThumbnailId, Thumbnails } from '../../../storage/thumbnails';
import { KitActions } from '../../../state/kit/actions';
import { FrameQuestions } from '../../../reading/frame-questions';

export interface NoiseReadingState {
  readonly isReading: boolean;
  readonly done: number;
  readonly of: number;
  readonly problems: readonly string[];
}

const IDLE: NoiseReadingState = { isReading: false, done: 0, of: 0, problems: [] };
const MOST_PROBLEMS = 50;

/** Reads photographs of an even patch, one at each ISO, as a noise test of a body. Nothing leaves the device. */
@Injectable({ providedIn: 'root' })
export class NoiseReading {
  private readonly questions = inject(FrameQuestions);
  private readonly sights = inject(Thumbnails);
  private readonly actions = inject(KitActions);
  private readonly subject = new BehaviorSubject<NoiseReadingState>(IDLE);

  readonly state$: Observable<NoiseReadingState> = this.subject;

  async read(body: Body, files: readonly File[]): Promise<void> {
    if (files.length === 0 || this.subject.value.isReading) return;
    this.subject.next({ ...IDLE, isReading: true, of: files.length });
    const points: NoisePoint[] = [];
    for (const file of files) {
      const { patch, problem } = await this.questions.answer('patch', file);
      const now = this.subject.value;
      const told = patch === null ? [`${file.name} ${problem}.`] : [];
      if (patch !== null) {
        points.push(patch.point);
        await this.keep(patchThumbnailId(body.id, patch.point.iso), patch.picture);
      }
      this.subject.next({ ...now, done: now.done + 1, problems: [...now.problems, ...told].slice(0, MOST_PROBLEMS) });
    }
    if (points.length > 0) this.actions.addNoise(body, points);
    this.subject.next({ ...this.subject.value, isReading: false });
  }

  /** Figures count without their picture: a full disk spoils only the looking at it. */
  private async keep(id: string, thumb: Blob): Promise<void> {
    await this.sights.put({ id, logId: PATCHES, thumb, reading: null }).catch(() => undefined);
  }
}
