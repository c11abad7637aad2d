import { Injectable, inject } from '@angular/core';
import { fileOfFrame, framesToScan, inCountedOrder, isScan, type LogFrame, newGear, type WalkLog } from '@roam-dial/core/log';
import type { Walk } from '@roam-dial/core/walk';
import { BehaviorSubject, type Observable } from 'rxjs';
import { keptName } from '../../reading/kept-name';
import { createId } from '../../storage/defaults';
import { Thumbnails } from '../../storage/thumbnails';
import { addFrames, changeFrames, changeLog, withGear } from './edits';
import { FrameQuestions } from '../../reading/frame-questions';
import { LogOfWalk } from './log-of-walk';
import { LogStore } from './log.store';
import { WorkspaceStore } from '../workspace/workspace.store';
import { counted } from '../../words/counted';

/** Where the reading of files has come to. */
export interface FramesReadingState {
  readonly doing: 'idle' | 'facts' | 'looking';
  readonly done: number;
  readonly of: number;
  /** What was read, what was there already, and what could not be read, in words. */
  readonly read: number;
  readonly known: number;
  readonly problems: readonly string[];
  /** What is told of files that were read all the same: raw files, by their preview. */
  readonly notes: readonly string[];
}

const IDLE: FramesReadingState = { doing: 'idle', done: 0, of: 0, read: 0, known: 0, problems: [], notes: [] };

/** So many frames, or so long, before they are put in together. */
const BATCH = 40;
const BATCH_MS = 250;
/** The more there are already, the more are put in at once: each time all of them are put to their stops anew. */
const LEAST_SHARE = 0.1;
/** What is looked at takes longer, one by one. */
const LOOKED_MS = 500;

/** A frame whose picture is still to be looked at. */
interface Taken {
  readonly id: string;
  readonly thumbnailId: string;
  readonly file: File;
}

interface Scan {
  readonly name: string;
  readonly file: File;
  readonly thumb: Blob | null;
}

const fileKey = (name: string, bytes: number): string => `${bytes}/${keptName(name)}`;

/**
 * Reads files as frames of a walk: first what all of them say, so that they are on screen at once, then what each looks like. What
 * is in stays whatever comes after it; nothing leaves the device.
 */
@Injectable({ providedIn: 'root' })
export class FramesReading {
  private readonly store = inject(WorkspaceStore);
  private readonly ofWalk = inject(LogOfWalk);
  private readonly questions = inject(FrameQuestions);
  private readonly sights = inject(Thumbnails);
  private readonly logs = inject(LogStore);
  private readonly subject = new BehaviorSubject<FramesReadingState>(IDLE);
  private run = 0;

  readonly state$: Observable<FramesReadingState> = this.subject;

  /** @param refused what came with them and is not read, each in a sentence: every file is answered. */
  async read(walk: Walk, files: readonly File[], refused: readonly string[] = []): Promise<void> {
    if (files.length === 0) return;
    const run = ++this.run;
    const isOn = (): boolean => run === this.run;
    this.subject.next({ ...IDLE, doing: 'facts', of: files.length, problems: refused });
    const log = await this.ofWalk.of(walk);
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

  private async readFacts(log: WalkLog, files: readonly File[], isOn: () => boolean): Promise<Taken[]> {
    const { frames } = await this.store.snapshot();
    const ownFiles = frames.filter(({ logId }) => logId === log.id).map(fileOfFrame);
    const known = new Set(ownFiles.flatMap((file) => (file === null ? [] : [fileKey(file.name, file.bytes)])));
    const rollIds = log.rolls.map(({ id }) => id);
    const waiting = framesToScan(frames, rollIds).length;
    const scans: Scan[] = [];
    const taken: Taken[] = [];
    let batch: LogFrame[] = [];
    let since = performance.now();
    const flush = (): void => {
      if (batch.length > 0) {
        const label = `read ${counted(taken.length, 'frame', 'frames')}`;
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
      const { facts, thumb, problem } = await this.questions.answer('facts', file);
      if (facts === null) {
        this.say({ problem: `${file.name} ${problem}.` });
        continue;
      }
      const frame: LogFrame = {
        id: createId(),
        logId: log.id,
        source: { kind: 'file', name: keptName(file.name), bytes: file.size },
        ...facts,
        placedByHand: null,
        verdict: null,
        sight: null,
        subjectAt: null,
      };
      if (scans.length < waiting && isScan(facts)) {
        scans.push({ name: file.name, file, thumb });
        this.say({ read: 1 });
        continue;
      }
      taken.push({ id: frame.id, thumbnailId: frame.id, file });
      batch.push(frame);
      if (thumb !== null) await this.keep({ id: frame.id, logId: log.id, thumb, reading: null });
      this.say({ read: 1 });
      const isDue = batch.length >= BATCH || performance.now() - since > BATCH_MS;
      if (isDue && batch.length >= LEAST_SHARE * taken.length) flush();
    }
    flush();
    return [...taken, ...(await this.putScans(log.id, rollIds, scans))];
  }

  /** Scans go to the frames of film that wait for them, in the order in which one counts both. */
  private async putScans(logId: string, rollIds: readonly string[], scans: readonly Scan[]): Promise<Taken[]> {
    if (scans.length === 0) return [];
    const { frames } = await this.store.snapshot();
    const waiting = framesToScan(frames, rollIds);
    const put = inCountedOrder(scans).flatMap(({ file, thumb }, k) => {
      const frame = waiting[k];
      return frame === undefined ? [] : [{ id: frame.id, thumbnailId: createId(), file, thumb }];
    });
    for (const { thumbnailId: id, thumb } of put) if (thumb !== null) await this.keep({ id, logId, thumb, reading: null });
    const byFrame = new Map(put.map((one) => [one.id, one]));
    this.store.edit(
      { label: `put ${put.length} scans to their frames` },
      changeFrames(new Set(byFrame.keys()), (frame) => {
        const its = byFrame.get(frame.id);
        if (its === undefined || frame.source.kind !== 'roll') return frame;
        return {
          ...frame,
          source: { ...frame.source, scan: { name: keptName(its.file.name), bytes: its.file.size, sightId: its.thumbnailId } },
        };
      }),
    );
    return put;
  }

  /** Every camera that is new is known from then on, with what its clock seems to be off by. */
  private async setClocks(logId: string): Promise<void> {
    const { logs, frames } = await this.store.snapshot();
    const log = logs.find(({ id }) => id === logId);
    if (log === undefined) return;
    const own = frames.filter((frame) => frame.logId === logId);
    const { cameras, lenses } = newGear(log, own, logs);
    if (cameras.length + lenses.length === 0) return;
    this.store.record(changeLog(logId, withGear({ cameras, lenses })));
  }

  private async look(taken: readonly Taken[], isOn: () => boolean): Promise<void> {
    this.subject.next({ ...this.subject.value, doing: 'looking', done: 0, of: taken.length });
    let seenOf = new Map<string, LogFrame['sight']>();
    let since = performance.now();
    // Put in together: each time all of a walk's frames are put to its stops anew.
    const flush = (): void => {
      const sights = seenOf;
      if (sights.size > 0) {
        this.store.record(
          changeFrames(new Set(sights.keys()), (frame) => ({ ...frame, sight: sights.get(frame.id) ?? frame.sight })),
        );
      }
      [seenOf, since] = [new Map(), performance.now()];
    };
    for (const { id, thumbnailId, file } of taken) {
      if (!isOn()) break;
      const known = (await this.store.snapshot()).frames.find((one) => one.id === id);
      const settings = { shutterS: known?.shutterS ?? null, iso: known?.iso ?? null };
      const { seen, problem } = await this.questions.answer('look', file, settings);
      const frame = (await this.store.snapshot()).frames.find((one) => one.id === id);
      if (seen === null) this.say({ problem: `${file.name} ${problem}: its camera data is kept.` });
      else this.say(problem === '' ? {} : { note: `${file.name} ${problem}.` });
      if (seen === null || frame === undefined) continue;
      const { thumb, close, reading } = seen;
      await this.keep({ id: thumbnailId, logId: frame.logId, thumb, reading, ...(close === null ? {} : { close }) });
      seenOf.set(id, seen.sight);
      if (seenOf.size >= BATCH || performance.now() - since > LOOKED_MS) flush();
    }
    flush();
  }

  /** A full disk takes no pictures any more; what frames say of themselves is small, and goes on. */
  private async keep(row: Parameters<Thumbnails['put']>[0]): Promise<void> {
    try {
      await this.sights.put(row);
    } catch {
      const told = 'There is no room for more small pictures: the browser’s storage is full. Frames are still read.';
      if (!this.subject.value.problems.includes(told))
        this.subject.next({ ...this.subject.value, problems: [told, ...this.subject.value.problems] });
    }
  }

  private say(more: { readonly read?: number; readonly known?: number; readonly problem?: string; readonly note?: string }): void {
    const now = this.subject.value;
    this.subject.next({
      ...now,
      done: now.done + 1,
      read: now.read + (more.read ?? 0),
      known: now.known + (more.known ?? 0),
      problems: more.problem === undefined ? now.problems : [...now.problems, more.problem],
      notes: more.note === undefined ? now.notes : [...now.notes, more.note],
    });
  }
}
