import { Injectable, inject } from '@angular/core';
import { type LogFrame, proposeClock, type Walk, type WalkLog } from '@roam-dial/core';
import type { SoftnessVerdict, Tones } from '@roam-dial/core/log';
import { BehaviorSubject, firstValueFrom, last, type Observable } from 'rxjs';
import { createId } from '../data/defaults';
import { Sights } from '../data/sights';
import { FrameClient } from '../workers/frame.client';
import type { FactsAnswer, FrameAnswer, FrameQuestion, LookAnswer } from '../workers/frame-desk';
import type { Step } from '../workers/steps';
import { DaysStore } from './days.store';
import { addFrames, addLog, changeFrames, changeLog } from './edits';
import { logOfDay, LogStore } from './log.store';
import { newLog } from './planned-cards';
import { WorkspaceStore } from './workspace.store';

/** Where the reading of files has come to. */
export interface FramesReadingState {
  readonly doing: 'idle' | 'facts' | 'looking';
  readonly done: number;
  readonly of: number;
  /** What was read, what was there already, and what could not be read, in words. */
  readonly read: number;
  readonly known: number;
  readonly problems: readonly string[];
}

const IDLE: FramesReadingState = { doing: 'idle', done: 0, of: 0, read: 0, known: 0, problems: [] };

/** So many frames, or so long, before they are put in together. */
const BATCH = 40;
const BATCH_MS = 250;
/** Where so much is wrong nobody reads all of it. */
const MOST_PROBLEMS = 200;

const fileKey = (name: string, bytes: number): string => `${bytes}/${name}`;

function sightOf({ looksLike, confidence }: SoftnessVerdict, { midToneEv }: Tones): LogFrame['sight'] {
  return { looksLike, confidence, midToneEv };
}

/**
 * Reads files as frames of a walk: first what all of them say, so that they are on screen at once, then what each looks like. What
 * is in stays whatever comes after it; nothing leaves the device.
 */
@Injectable({ providedIn: 'root' })
export class FramesReading {
  private readonly store = inject(WorkspaceStore);
  private readonly days$ = inject(DaysStore).days$;
  private readonly client = inject(FrameClient);
  private readonly sights = inject(Sights);
  private readonly logs = inject(LogStore);
  private readonly subject = new BehaviorSubject<FramesReadingState>(IDLE);
  private run = 0;

  readonly state$: Observable<FramesReadingState> = this.subject;

  async read(walk: Walk, files: readonly File[]): Promise<void> {
    if (files.length === 0) return;
    const run = ++this.run;
    const isOn = (): boolean => run === this.run;
    this.subject.next({ ...IDLE, doing: 'facts', of: files.length });
    const log = await this.logFor(walk);
    this.logs.show(log.id);
    const taken = await this.readFacts(log, files, isOn);
    if (isOn()) await this.setClocks(log.id);
    await this.look(taken, isOn);
    if (isOn()) this.subject.next({ ...this.subject.value, doing: 'idle' });
  }

  /** What has been read stays. */
  stop(): void {
    this.run++;
    this.subject.next({ ...this.subject.value, doing: 'idle' });
  }

  private async logFor(walk: Walk): Promise<WalkLog> {
    const workspace = await this.store.snapshot();
    const known = logOfDay(workspace, walk);
    if (known !== null) return known;
    const log = newLog(createId(), workspace, walk, await firstValueFrom(this.days$));
    this.store.record(addLog(log));
    return log;
  }

  private async readFacts(log: WalkLog, files: readonly File[], isOn: () => boolean): Promise<ReadonlyMap<string, File>> {
    const { frames } = await this.store.snapshot();
    const known = new Set(
      frames.flatMap(({ logId, source }) =>
        logId === log.id && source.kind === 'file' ? [fileKey(source.name, source.bytes)] : [],
      ),
    );
    const taken = new Map<string, File>();
    let batch: LogFrame[] = [];
    let since = performance.now();
    const flush = (): void => {
      if (batch.length > 0) {
        const label = `read ${taken.size} frames`;
        this.store.edit({ label, mergeKey: `frames/${log.id}` }, addFrames(batch));
      }
      [batch, since] = [[], performance.now()];
    };
    for (const file of files) {
      if (!isOn()) break;
      const key = fileKey(file.name, file.size);
      if (known.has(key)) {
        this.say({ known: 1 });
        continue;
      }
      known.add(key);
      const { facts, thumb, problem } = await this.ask<FactsAnswer>({ kind: 'facts', file });
      if (facts === null) {
        this.say({}, `${file.name} ${problem}.`);
        continue;
      }
      const frame: LogFrame = {
        id: createId(),
        logId: log.id,
        source: { kind: 'file', name: file.name, bytes: file.size },
        ...facts,
        placedByHand: null,
        verdict: null,
        sight: null,
        subjectAt: null,
      };
      taken.set(frame.id, file);
      batch.push(frame);
      if (thumb !== null) await this.keep({ id: frame.id, logId: log.id, thumb, reading: null });
      this.say({ read: 1 });
      if (batch.length >= BATCH || performance.now() - since > BATCH_MS) flush();
    }
    flush();
    return taken;
  }

  /** Every camera that is new is known from then on, with what its clock seems to be off by. */
  private async setClocks(logId: string): Promise<void> {
    const { logs, frames } = await this.store.snapshot();
    const log = logs.find(({ id }) => id === logId);
    if (log === undefined) return;
    const own = frames.filter((frame) => frame.logId === logId && frame.source.kind === 'file');
    const names = [...new Set(own.map(({ bodyName }) => bodyName))].filter((name) => !log.cameras.some((one) => one.name === name));
    const cameras = names.map((name) => {
      const proposal = proposeClock(
        log,
        own.filter(({ bodyName }) => bodyName === name),
      );
      return { name, bodyId: null, shiftS: proposal?.shiftS ?? 0, shiftBy: 'frames' } as const;
    });
    const lensNames = [...new Set(own.map(({ lensName }) => lensName))];
    const lenses = lensNames.filter((name) => !log.lenses.some((one) => one.name === name)).map((name) => ({ name, lensId: null }));
    if (cameras.length + lenses.length === 0) return;
    this.store.record(
      changeLog(logId, (one) => ({ ...one, cameras: [...one.cameras, ...cameras], lenses: [...one.lenses, ...lenses] })),
    );
  }

  private async look(taken: ReadonlyMap<string, File>, isOn: () => boolean): Promise<void> {
    this.subject.next({ ...this.subject.value, doing: 'looking', done: 0, of: taken.size });
    for (const [id, file] of taken) {
      if (!isOn()) return;
      const { seen, problem } = await this.ask<LookAnswer>({ kind: 'look', file });
      const { frames } = await this.store.snapshot();
      const frame = frames.find((one) => one.id === id);
      this.say({}, seen === null ? `${file.name} ${problem}: what it says of itself is kept.` : null);
      if (seen === null || frame === undefined) continue;
      await this.keep({ id, logId: frame.logId, thumb: seen.thumb, reading: seen.reading });
      this.store.record(changeFrames(new Set([id]), (one) => ({ ...one, sight: sightOf(seen.verdict, seen.reading) })));
    }
  }

  private async ask<Answer extends FrameAnswer>(question: FrameQuestion): Promise<Answer> {
    const step = (await firstValueFrom(this.client.ask(question).pipe(last()))) as Step<never, Answer>;
    if (step.kind === 'done') return step.answer;
    const problem = step.kind === 'progress' ? '' : `could not be read: ${step.message.replace(/\.$/, '')}`;
    return (question.kind === 'facts'
      ? { kind: 'facts', facts: null, thumb: null, problem }
      : { kind: 'look', seen: null, problem }) as unknown as Answer;
  }

  /** A full disk takes no pictures any more; what frames say of themselves is small, and goes on. */
  private async keep(row: Parameters<Sights['put']>[0]): Promise<void> {
    try {
      await this.sights.put(row);
    } catch {
      const told = 'There is no room for more small pictures: the browser’s storage is full. Frames are still read.';
      if (!this.subject.value.problems.includes(told))
        this.subject.next({ ...this.subject.value, problems: [told, ...this.subject.value.problems] });
    }
  }

  private say(more: { readonly read?: number; readonly known?: number }, problem: string | null = null): void {
    const now = this.subject.value;
    this.subject.next({
      ...now,
      done: now.done + 1,
      read: now.read + (more.read ?? 0),
      known: now.known + (more.known ?? 0),
      problems: problem === null || now.problems.length >= MOST_PROBLEMS ? now.problems : [...now.problems, problem],
    });
  }
}
