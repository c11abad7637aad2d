import { Injectable, inject } from '@angular/core';
import { type LogCamera, type LogFrame, newGear, type PictureSpot, type Verdict, type WalkLog } from '@roam-dial/core/log';
import { counted } from '../../words/counted';
import { VERDICT_WORDS } from '../../words/log';
import { changeFrames, changeLog, removeFrames, withGear } from './edits';
import { LogOfWalk } from './log-of-walk';
import { LogStore } from './log.store';
import { SelectionStore } from '../selection/selection.store';
import type { RatherOn } from './which-walk';
import { WorkspaceStore } from '../workspace/workspace.store';

const framesWord = (count: number): string => counted(count, 'frame', 'frames');

/** What a person does with the frames of a walk. */
@Injectable({ providedIn: 'root' })
export class LogActions {
  private readonly store = inject(WorkspaceStore);
  private readonly ofWalk = inject(LogOfWalk);
  private readonly logs = inject(LogStore);
  private readonly selection = inject(SelectionStore);

  judge(ids: readonly string[], verdict: Verdict | null): void {
    const word = verdict === null ? 'undecided' : VERDICT_WORDS[verdict];
    this.store.edit({ label: `mark ${framesWord(ids.length)} as ${word}` }, this.all(ids, { verdict }));
  }

  /** To a stop of the log, or between them. */
  move(ids: readonly string[], stopId: string | null, name: string): void {
    this.store.edit({ label: `move ${framesWord(ids.length)} to ${name}` }, this.all(ids, { placedByHand: { stopId } }));
    this.store.announce(`${framesWord(ids.length)} moved to ${name}`);
  }

  /** Back to where they were found to belong. */
  letBelong(ids: readonly string[]): void {
    this.store.edit({ label: `put ${framesWord(ids.length)} back where they were matched` }, this.all(ids, { placedByHand: null }));
  }

  /** To the log of another walk, or of another day, and there with them; a clock that is known goes along. */
  async moveToWalk({ walk, frameIds: ids, isClockKnown }: RatherOn, from: WalkLog, name: string): Promise<void> {
    const to = await this.ofWalk.of(walk);
    const { logs, frames } = await this.store.snapshot();
    const wanted = new Set(ids);
    const moving = frames.filter(({ id }) => wanted.has(id));
    const gear = newGear(to, moving, logs);
    const known = isClockKnown ? from.cameras : [];
    const cameras = gear.cameras.map((camera) => {
      const { shiftS, shiftBy } = known.find((one) => one.name === camera.name) ?? camera;
      return { ...camera, shiftS, shiftBy };
    });
    this.store.edit({ label: `move ${framesWord(ids.length)} to ${name}` }, (workspace) =>
      changeLog(to.id, withGear({ ...gear, cameras }))(this.all(ids, { logId: to.id, placedByHand: null })(workspace)),
    );
    this.logs.show(to.id);
    this.selection.selectWalk(walk.id);
    this.store.announce(`${framesWord(ids.length)} moved to ${name}`);
  }

  remove(ids: readonly string[]): void {
    this.store.edit({ label: `remove ${framesWord(ids.length)}` }, removeFrames(new Set(ids)));
    this.store.announce(`${framesWord(ids.length)} removed from the log`);
  }

  /** Where the subject is, and what the picture then looks like. */
  showSubject(id: string, subjectAt: PictureSpot, sight: LogFrame['sight']): void {
    this.store.edit({ label: 'show where the subject is', mergeKey: `subject/${id}` }, this.all([id], { subjectAt, sight }));
  }

  setClock(log: WalkLog, cameraName: string, shiftS: number, shiftBy: LogCamera['shiftBy']): void {
    this.changeCamera(log, cameraName, `the clock of ${cameraName || 'the camera'}`, { shiftS, shiftBy });
  }

  setBody(log: WalkLog, cameraName: string, bodyId: string | null): void {
    this.changeCamera(log, cameraName, `which body ${cameraName || 'the camera'} is`, { bodyId });
  }

  setLens(log: WalkLog, lensName: string, lensId: string | null): void {
    this.store.edit(
      { label: `say which lens ${lensName || 'the lens'} is` },
      changeLog(log.id, (one) => ({
        ...one,
        lenses: one.lenses.map((lens) => (lens.name === lensName ? { ...lens, lensId } : lens)),
      })),
    );
  }

  private changeCamera(log: WalkLog, cameraName: string, part: string, change: Partial<WalkLog['cameras'][number]>): void {
    this.store.edit(
      { label: `change ${part}`, mergeKey: `camera/${part}` },
      changeLog(log.id, (one) => ({
        ...one,
        cameras: one.cameras.map((camera) => (camera.name === cameraName ? { ...camera, ...change } : camera)),
      })),
    );
  }

  private all(ids: readonly string[], change: Partial<LogFrame>): ReturnType<typeof changeFrames> {
    return changeFrames(new Set(ids), (frame) => ({ ...frame, ...change }));
  }
}
