import type { Happening, Outing, Return } from '@roam-dial/core/outing';
import { replaced, type WorkspaceChange } from '../workspace/lists';

/** One walks one walk at a time: what went on until now is over. */
export const startOuting =
  (outing: Outing): WorkspaceChange =>
  (workspace) => ({
    ...workspace,
    outings: [...workspace.outings.map((one) => (one.endedMs === null ? { ...one, endedMs: outing.startedMs } : one)), outing],
  });

export const changeOuting =
  (outingId: string, change: (outing: Outing) => Outing): WorkspaceChange =>
  (workspace) => ({ ...workspace, outings: replaced(workspace.outings, outingId, change) });

export const addHappenings = (outingId: string, happenings: readonly Happening[]): WorkspaceChange =>
  changeOuting(outingId, (outing) => ({ ...outing, happenings: [...outing.happenings, ...happenings] }));

export const addReturn =
  (one: Return): WorkspaceChange =>
  (workspace) => ({ ...workspace, returns: [...workspace.returns, one] });

export const changeReturn =
  (returnId: string, change: (one: Return) => Return): WorkspaceChange =>
  (workspace) => ({ ...workspace, returns: replaced(workspace.returns, returnId, change) });

export const removeReturn =
  (returnId: string): WorkspaceChange =>
  (workspace) => ({ ...workspace, returns: workspace.returns.filter(({ id }) => id !== returnId) });
