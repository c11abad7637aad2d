import type { LogFrame, WalkLog } from '@roam-dial/core/log';
import { replaced, type WorkspaceChange } from '../workspace/lists';

export const addLog =
  (log: WalkLog): WorkspaceChange =>
  (workspace) => ({ ...workspace, logs: [...workspace.logs, log] });

export const changeLog =
  (logId: string, change: (log: WalkLog) => WalkLog): WorkspaceChange =>
  (workspace) => ({ ...workspace, logs: replaced(workspace.logs, logId, change) });

export const addFrames =
  (frames: readonly LogFrame[]): WorkspaceChange =>
  (workspace) => ({ ...workspace, frames: [...workspace.frames, ...frames] });

/** Several frames changed alike. */
export const changeFrames =
  (ids: ReadonlySet<string>, change: (frame: LogFrame) => LogFrame): WorkspaceChange =>
  (workspace) => ({ ...workspace, frames: workspace.frames.map((frame) => (ids.has(frame.id) ? change(frame) : frame)) });

export const removeFrames =
  (ids: ReadonlySet<string>): WorkspaceChange =>
  (workspace) => ({ ...workspace, frames: workspace.frames.filter(({ id }) => !ids.has(id)) });

/** Cameras and lenses that a log did not know yet. */
export const withGear =
  ({ cameras, lenses }: Pick<WalkLog, 'cameras' | 'lenses'>) =>
  (log: WalkLog): WalkLog => ({ ...log, cameras: [...log.cameras, ...cameras], lenses: [...log.lenses, ...lenses] });
