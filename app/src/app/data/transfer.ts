import type { Archive, KitItem, Stop, Walk } from '@roam-dial/core';
import type { Workspace } from './workspace';

export type ImportMode = 'replace' | 'add';

function sameData(a: unknown, b: unknown): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

/** New names for incoming items whose id is taken by something else; what is the same already keeps its id. */
function newIds(
  existing: readonly { readonly id: string }[],
  incoming: readonly { readonly id: string }[],
  createId: () => string,
): ReadonlyMap<string, string> {
  const taken = new Map(existing.map((item) => [item.id, item]));
  return new Map(
    incoming.flatMap((item) => {
      const mine = taken.get(item.id);
      return mine === undefined || sameData(mine, item) ? [] : [[item.id, createId()] as const];
    }),
  );
}

function renamed(id: string | null, ids: ReadonlyMap<string, string>): string | null {
  return id === null ? null : (ids.get(id) ?? id);
}

function withIds(walk: Walk, kitIds: ReadonlyMap<string, string>, districtIds: ReadonlyMap<string, string>): Walk {
  const stops = walk.stops.map((stop): Stop => ({ ...stop, lensId: renamed(stop.lensId, kitIds) }));
  const district = walk.districtId === undefined ? {} : { districtId: renamed(walk.districtId, districtIds) };
  return { ...walk, bodyId: renamed(walk.bodyId, kitIds), stops, ...district };
}

/**
 * An archive taken into the workspace. `replace` puts it in the place of all there is; `add` keeps what there is, lets
 * identical items be, and gives new ids to those that differ under an old one, in their references too. The person's
 * own standard and settings stay when adding.
 */
export function importInto(
  workspace: Workspace,
  { kit, standard, settings, walks, districts }: Archive,
  mode: ImportMode,
  createId: () => string,
): Workspace {
  if (mode === 'replace') return { kit, standard, settings, walks, districts };
  const kitIds = newIds(workspace.kit, kit, createId);
  const inKit = new Set(workspace.kit.map((item) => item.id));
  const addedKit = kit
    .map((item): KitItem => {
      const id = kitIds.get(item.id) ?? item.id;
      if (item.kind === 'body') return { ...item, id, filmId: renamed(item.filmId, kitIds) };
      return { ...item, id };
    })
    .filter((item) => !inKit.has(item.id));
  const districtIds = newIds(workspace.districts, districts, createId);
  const inDistricts = new Set(workspace.districts.map((district) => district.id));
  const addedDistricts = districts
    .map((district) => ({ ...district, id: districtIds.get(district.id) ?? district.id }))
    .filter((district) => !inDistricts.has(district.id));
  const incoming = walks.map((walk) => withIds(walk, kitIds, districtIds));
  const walkIds = newIds(workspace.walks, incoming, createId);
  const inWalks = new Set(workspace.walks.map((walk) => walk.id));
  const addedWalks = incoming
    .map((walk) => ({ ...walk, id: walkIds.get(walk.id) ?? walk.id }))
    .filter((walk) => !inWalks.has(walk.id));
  return {
    ...workspace,
    kit: [...workspace.kit, ...addedKit],
    walks: [...workspace.walks, ...addedWalks],
    districts: [...workspace.districts, ...addedDistricts],
  };
}
