import {
  DEFAULT_INTENTS,
  type District,
  type IntentKind,
  type KitItem,
  LONGEST_NAME,
  type Settings,
  type Standard,
  type Stop,
  type Walk,
  zoneForIntent,
  LAST_MINUTE,
} from '@roam-dial/core';
import type { Workspace } from '../data/workspace';

/** Changes of the workspace, each a pure function from one to the next. */
export type WorkspaceChange = (workspace: Workspace) => Workspace;

function replaced<Item extends { readonly id: string }>(
  items: readonly Item[],
  id: string,
  change: (item: Item) => Item,
): readonly Item[] {
  return items.map((item) => (item.id === id ? change(item) : item));
}

/** The copy goes right behind its original. */
function duplicated<Item extends { readonly id: string }>(
  items: readonly Item[],
  id: string,
  copy: (item: Item) => Item,
): readonly Item[] {
  return items.flatMap((item) => (item.id === id ? [item, copy(item)] : [item]));
}

const COPY = ' (copy)';

/** As long as a name may be at most, whatever it is a copy of. */
function copyName(name: string): string {
  return `${name.slice(0, LONGEST_NAME - COPY.length)}${COPY}`;
}

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

const changeStops = (walkId: string, change: (stops: readonly Stop[]) => readonly Stop[]): WorkspaceChange =>
  changeWalk(walkId, (walk) => ({ ...walk, stops: change(walk.stops) }));

/** Behind the stop with `afterId`, or at the end. */
export const addStop = (walkId: string, stop: Stop, afterId: string | null): WorkspaceChange =>
  changeStops(walkId, (stops) => {
    const index = stops.findIndex(({ id }) => id === afterId);
    const at = index === -1 ? stops.length : index + 1;
    return [...stops.slice(0, at), stop, ...stops.slice(at)];
  });

export const changeStop = (walkId: string, stopId: string, change: (stop: Stop) => Stop): WorkspaceChange =>
  changeStops(walkId, (stops) => replaced(stops, stopId, change));

export const removeStop = (walkId: string, stopId: string): WorkspaceChange =>
  changeStops(walkId, (stops) => stops.filter(({ id }) => id !== stopId));

export const duplicateStop = (walkId: string, stopId: string, newId: string): WorkspaceChange =>
  changeStops(walkId, (stops) => duplicated(stops, stopId, (stop) => ({ ...stop, id: newId, name: copyName(stop.name) })));

export const moveStop = (walkId: string, from: number, to: number): WorkspaceChange =>
  changeStops(walkId, (stops) => {
    const moving = stops[from];
    if (moving === undefined || to < 0 || to >= stops.length) return stops;
    const rest = stops.filter((_, k) => k !== from);
    return [...rest.slice(0, to), moving, ...rest.slice(to)];
  });
const SHORTEST_STAY_MIN = 1;

/** Arrival moves the whole stay; within the day. */
export function withArrival(stop: Stop, minute: number): Stop {
  const stay = stop.leaveMin - stop.arriveMin;
  const arriveMin = Math.min(LAST_MINUTE - Math.max(0, stay), Math.max(0, Math.round(minute)));
  return { ...stop, arriveMin, leaveMin: arriveMin + stay };
}

/** Leaving stretches the stay; never before arrival. */
export function withLeaving(stop: Stop, minute: number): Stop {
  const leaveMin = Math.min(LAST_MINUTE, Math.max(stop.arriveMin + SHORTEST_STAY_MIN, Math.round(minute)));
  return { ...stop, leaveMin };
}

export function withIntent(stop: Stop, kind: IntentKind): Stop {
  if (stop.intent.kind === kind) return stop;
  return { ...stop, intent: DEFAULT_INTENTS[kind], subject: zoneForIntent(stop.subject, stop.intent.kind, kind) };
}

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

/** A district in the place of one with its id, or beside the others. */
export const putDistrict =
  (district: District): WorkspaceChange =>
  (workspace) => ({
    ...workspace,
    districts: [...workspace.districts.filter(({ id }) => id !== district.id), district],
  });

/** Without the district; walks through it lose it too. */
export const removeDistrict =
  (districtId: string): WorkspaceChange =>
  (workspace) => ({
    ...workspace,
    districts: workspace.districts.filter(({ id }) => id !== districtId),
    walks: workspace.walks.map((walk) => (walk.districtId === districtId ? { ...walk, districtId: null } : walk)),
  });

/** Heights that somebody has looked at and set. */
export const setHeights = (districtId: string, buildingIds: ReadonlySet<string>, heightM: number): WorkspaceChange =>
  changeDistrict(districtId, (district) => ({
    ...district,
    buildings: district.buildings.map((building) => {
      if (!buildingIds.has(building.id)) return building;
      const baseM = building.baseM === undefined || building.baseM < heightM ? building.baseM : undefined;
      const { baseM: _, ...rest } = building;
      return { ...rest, ...(baseM === undefined ? {} : { baseM }), heightM, heightSource: 'set' };
    }),
  }));

const changeDistrict =
  (districtId: string, change: (district: District) => District): WorkspaceChange =>
  (workspace) => ({ ...workspace, districts: replaced(workspace.districts, districtId, change) });
