import type { KitItem, Settings, Standard } from '@roam-dial/core';
import { copyName, duplicated, replaced, type WorkspaceChange } from './lists';

export const addKitItem =
  (item: KitItem): WorkspaceChange =>
  (workspace) => ({ ...workspace, kit: [...workspace.kit, item] });

export const changeKitItem =
  (id: string, change: (item: KitItem) => KitItem): WorkspaceChange =>
  (workspace) => ({ ...workspace, kit: replaced(workspace.kit, id, change) });

export const duplicateKitItem =
  (id: string, newId: string): WorkspaceChange =>
  (workspace) => ({
    ...workspace,
    kit: duplicated(workspace.kit, id, (item) => ({ ...item, id: newId, name: copyName(item.name) })),
  });

export const removeKitItem =
  (id: string): WorkspaceChange =>
  (workspace) => ({ ...workspace, kit: workspace.kit.filter((item) => item.id !== id) });

export const changeStandard =
  (change: (standard: Standard) => Standard): WorkspaceChange =>
  (workspace) => ({ ...workspace, standard: change(workspace.standard) });

export const changeSettings =
  (change: (settings: Settings) => Settings): WorkspaceChange =>
  (workspace) => ({ ...workspace, settings: change(workspace.settings) });
