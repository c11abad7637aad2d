import { Injectable, inject } from '@angular/core';
import { type LogFrame, type PlacedFrame, placedFrames, type Walk, type WalkLog } from '@roam-dial/core';
import { combineLatest, distinctUntilChanged, map, type Observable, shareReplay } from 'rxjs';
import type { Workspace } from '../data/workspace';
import { FocusStore } from './focus.store';
import { WorkspaceStore } from './workspace.store';

/** What came of a walk: its log, and the frames of it in the order of their taking. */
export interface WalkedLog {
  readonly walk: Walk;
  /** Null before the first frame. */
  readonly log: WalkLog | null;
  readonly placed: readonly PlacedFrame[];
}

/** The log of a walk; of several, files of other people's being read, the latest. */
export function logOf({ logs }: Pick<Workspace, 'logs'>, walkId: string): WalkLog | null {
  return logs.filter((log) => log.walkId === walkId).at(-1) ?? null;
}

const NO_FRAMES: readonly LogFrame[] = [];

/** The log of the chosen walk. */
@Injectable({ providedIn: 'root' })
export class LogStore {
  readonly log$: Observable<WalkedLog | null> = combineLatest([inject(WorkspaceStore).workspace$, inject(FocusStore).focus$]).pipe(
    map(([workspace, { walk }]) => {
      const log = walk === null ? null : logOf(workspace, walk.id);
      return { walk, log, frames: log === null ? NO_FRAMES : workspace.frames };
    }),
    distinctUntilChanged((a, b) => a.walk === b.walk && a.log === b.log && a.frames === b.frames),
    map(({ walk, log, frames }) => {
      if (walk === null) return null;
      const own = frames.filter(({ logId }) => logId === log?.id);
      return { walk, log, placed: log === null ? [] : placedFrames(log, own) };
    }),
    shareReplay({ bufferSize: 1, refCount: true }),
  );
}
