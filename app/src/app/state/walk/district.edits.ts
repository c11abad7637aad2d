import type { District } from '@roam-dial/core/streets';
import { replaced, type WorkspaceChange } from '../workspace/lists';

const changeDistrict =
  (districtId: string, change: (district: District) => District): WorkspaceChange =>
  (workspace) => ({ ...workspace, districts: replaced(workspace.districts, districtId, change) });

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
