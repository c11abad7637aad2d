import type { Walk } from '@roam-dial/core/walk';
import { copyName, duplicated, replaced, type WorkspaceChange } from '../workspace/lists';

export const addWalk =
  (walk: Walk): WorkspaceChange =>
  (workspace) => ({ ...workspace, walks: [...workspace.walks, walk] });

export const changeWalk =
  (walkId: string, change: (walk: Walk) => Walk): WorkspaceChange =>
  (workspace) => ({ ...workspace, walks: replaced(workspace.walks, walkId, change) });

export const removeWalk =
  (walkId: string): WorkspaceChange =>
  (workspace) => ({ ...workspace, walks: workspace.walks.filter((walk) => walk.id !== walkId) });

export const duplicateWalk =
  (walkId: string, newId: string): WorkspaceChange =>
  (workspace) => ({
    ...workspace,
    walks: duplicated(workspace.walks, walkId, (walk) => ({ ...walk, id: newId, name: copyName(walk.name), isDemo: false })),
  });
