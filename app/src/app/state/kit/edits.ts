import type { Settings } from '@roam-dial/core/formats/archive';
import type { KitItem, Standard } from '@roam-dial/core/kit';
import { isDemoId } from '../../storage/demo/demo-id';
import { copyName, duplicated, replaced, type WorkspaceChange } from '../workspace/lists';

export const addKitItem =
  (item: KitItem): WorkspaceChange =>
  (workspace) => ({ ...workspace, kit: [...workspace.kit, item] });

export const changeKitItem =
  (id: string, change: (item: KitItem) => KitItem): WorkspaceChange =>
  (workspace) => ({ ...workspace, kit: replaced(workspace.kit, id, change) });

/**
 * The kit with what somebody goes out with in the bag, before all others of its kind; the demo's stays at home when that is
 * their own.
 */
export function packed(kit: readonly KitItem[], ids: readonly (string | null)[]): readonly KitItem[] {
  const going = kit.filter(({ id }) => ids.includes(id)).map((item): KitItem => ({ ...item, inBag: true }));
  const isOwn = going.some(({ id }) => !isDemoId(id));
  const rest = kit.filter(({ id }) => !ids.includes(id));
  return [...going, ...rest.map((item) => (isOwn && isDemoId(item.id) && item.inBag ? { ...item, inBag: false } : item))];
}

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
