import { Injectable, inject } from '@angular/core';
import { type LogFrame, type PlacedFrame, Placer, type WalkedFrames, type WalkLog } from '@roam-dial/core/log';
import type { Walk } from '@roam-dial/core/walk';
import { BehaviorSubject, combineLatest, distinctUntilChanged, map, type Observable } from 'rxjs';
import type { Workspace } from '../../storage/workspace';
import { FocusStore } from '../selection/focus.store';
import { shared } from '../../base/shared';
import { WorkspaceStore } from '../workspace/workspace.store';

/** What came of a walk: its log, and the frames of it in the order of their taking. */
export interface WalkedLog {
  readonly walk: Walk;
  /** Every time that it was walked, the earliest first. */
  readonly logs: readonly WalkLog[];
  /** The one that is shown; null before the first frame. */
  readonly log: WalkLog | null;
  readonly placed: readonly PlacedFrame[];
}

const byDay = (a: WalkLog, b: WalkLog): number => a.day.localeCompare(b.day);

/** The log of a walk on its day: a walk that goes to another day has another one. */
export function logOfDay({ logs }: Pick<Workspace, 'logs'>, { id, day }: Pick<Walk, 'id' | 'day'>): WalkLog | null {
  return logs.find((log) => log.walkId === id && log.day === day) ?? null;
}

/** Frames to learn from. */
export interface Teaching {
  readonly walked: readonly WalkedFrames[];
  /** They are the demo's, invented: shown, never taken for the person's. */
  readonly isExample: boolean;
}

/** Logs of the demo's walks, or of all others; a walk that is gone was the person's. */
export function logsThatTeach({ logs, walks }: Pick<Workspace, 'logs' | 'walks'>, isExample: boolean): readonly WalkLog[] {
  const demo = new Set(walks.filter(({ isDemo }) => isDemo).map(({ id }) => id));
  return logs.filter(({ walkId }) => demo.has(walkId) === isExample);
}

const isSameList = (a: readonly WalkLog[], b: readonly WalkLog[]): boolean =>
  a.length === b.length && a.every((log, k) => log === b[k]);

const NO_FRAMES: readonly LogFrame[] = [];

/** The logs of the chosen walk: of its own day, or the latest that there is, unless another one is asked for. */
@Injectable({ providedIn: 'root' })
export class LogStore {
  private readonly placers = new WeakMap<WalkLog, Placer>();
  private readonly askedFor = new BehaviorSubject<string | null>(null);

  readonly log$: Observable<WalkedLog | null> = combineLatest([
    inject(WorkspaceStore).workspace$,
    inject(FocusStore).focus$,
    this.askedFor,
  ]).pipe(
    map(([workspace, { walk }, askedFor]) => {
      const own = walk === null ? null : logOfDay(workspace, walk);
      const logs = workspace.logs.filter(({ walkId }) => walkId === walk?.id).sort(byDay);
      const log = logs.find(({ id }) => id === askedFor) ?? own ?? logs.at(-1) ?? null;
      return { walk, all: workspace.logs, logs, log, frames: log === null ? NO_FRAMES : workspace.frames };
    }),
    distinctUntilChanged((a, b) => a.walk === b.walk && a.all === b.all && a.log === b.log && a.frames === b.frames),
    map(({ walk, logs, log, frames }) => {
      if (walk === null) return null;
      const own = frames.filter(({ logId }) => logId === log?.id);
      return { walk, logs, log, placed: log === null ? [] : this.placerOf(log).placed(own) };
    }),
    shared(),
  );

  /** What teaches: every walk that was ever walked but for the demo's, which is shown alone, as an example, on its own walk. */
  readonly teaching$: Observable<Teaching> = combineLatest([
    inject(WorkspaceStore).workspace$,
    inject(FocusStore).focus$.pipe(
      map(({ walk }) => walk?.isDemo === true),
      distinctUntilChanged(),
    ),
  ]).pipe(
    map(([{ logs, frames, walks }, isExample]) => ({ logs: logsThatTeach({ logs, walks }, isExample), frames, isExample })),
    distinctUntilChanged((a, b) => a.frames === b.frames && a.isExample === b.isExample && isSameList(a.logs, b.logs)),
    map(({ logs, frames, isExample }) => {
      const byLog = new Map<string, LogFrame[]>(logs.map(({ id }) => [id, []]));
      for (const frame of frames) byLog.get(frame.logId)?.push(frame);
      return { walked: logs.map((log) => ({ log, placed: this.placerOf(log).placed(byLog.get(log.id) ?? []) })), isExample };
    }),
    shared(),
  );

  /** A log that changes in any way places its frames anew; one that does not, only those whose place has changed. */
  private placerOf(log: WalkLog): Placer {
    const known = this.placers.get(log);
    if (known !== undefined) return known;
    const placer = new Placer(log);
    this.placers.set(log, placer);
    return placer;
  }

  show(logId: string): void {
    this.askedFor.next(logId);
  }
}
