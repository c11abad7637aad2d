import type { Archive, District, KitItem, Settings, Standard, Walk } from '@roam-dial/core';
import type { ProfileRow } from './database';

/** All that a person has in the program: the archive, held in memory. */
export type Workspace = Archive;

export type TableName = 'kit' | 'walks' | 'districts' | 'profile';

/** What a table holds, but for the profile's rows. */
export type Item = KitItem | Walk | District;

/** One document before and after a change; undefined where it did not or does not exist. */
export interface DocumentChange {
  readonly table: TableName;
  readonly key: string;
  readonly before: Item | ProfileRow | undefined;
  readonly after: Item | ProfileRow | undefined;
}

function listChanges<One extends Item>(
  table: Exclude<TableName, 'profile'>,
  before: readonly One[],
  after: readonly One[],
): DocumentChange[] {
  if (before === after) return [];
  const old = new Map(before.map((item) => [item.id, item]));
  const changes: DocumentChange[] = after
    .filter((item) => old.get(item.id) !== item)
    .map((item) => ({ table, key: item.id, before: old.get(item.id), after: item }));
  const kept = new Set(after.map((item) => item.id));
  const removed = before.filter((item) => !kept.has(item.id));
  return [...changes, ...removed.map((item) => ({ table, key: item.id, before: item, after: undefined }))];
}

function profileChange(before: ProfileRow, after: ProfileRow): DocumentChange[] {
  return before.value === after.value ? [] : [{ table: 'profile', key: after.key, before, after }];
}

/** The documents in which two workspaces differ, by identity: a change replaces what it touches. */
export function changesBetween(before: Workspace, after: Workspace): readonly DocumentChange[] {
  return [
    ...listChanges('kit', before.kit, after.kit),
    ...listChanges('walks', before.walks, after.walks),
    ...listChanges('districts', before.districts, after.districts),
    ...profileChange({ key: 'standard', value: before.standard }, { key: 'standard', value: after.standard }),
    ...profileChange({ key: 'settings', value: before.settings }, { key: 'settings', value: after.settings }),
  ];
}

function applyToList<One extends Item>(
  table: TableName,
  items: readonly One[],
  changes: readonly DocumentChange[],
): readonly One[] {
  const mine = new Map(changes.filter((change) => change.table === table).map((change) => [change.key, change.after]));
  if (mine.size === 0) return items;
  const kept = items.flatMap((item) => {
    if (!mine.has(item.id)) return [item];
    const after = mine.get(item.id) as One | undefined;
    mine.delete(item.id);
    return after === undefined ? [] : [after];
  });
  const added = [...mine.values()].filter((item) => item !== undefined) as One[];
  return [...kept, ...added];
}

/** The workspace with each change's `after` in place. */
export function applyChanges(workspace: Workspace, changes: readonly DocumentChange[]): Workspace {
  const profile = (key: ProfileRow['key']): Standard | Settings | undefined =>
    (changes.find((change) => change.table === 'profile' && change.key === key)?.after as ProfileRow | undefined)?.value;
  return {
    kit: applyToList('kit', workspace.kit, changes),
    walks: applyToList('walks', workspace.walks, changes),
    districts: applyToList('districts', workspace.districts, changes),
    standard: (profile('standard') as Standard | undefined) ?? workspace.standard,
    settings: (profile('settings') as Settings | undefined) ?? workspace.settings,
  };
}

/** The same changes the other way round. */
export function reversed(changes: readonly DocumentChange[]): readonly DocumentChange[] {
  return changes.map((change) => ({ ...change, before: change.after, after: change.before }));
}
