import Flatbush from 'flatbush';
import type { Feature, Position } from 'geojson';
import { isStrictlyInside, type Place, readPrism } from '../light/index.js';
import { type District, type DistrictBuilding, type HeightSource, metresFrom, type Outline, type Tree } from '../streets/index.js';

/** How a map's data become buildings. */
export interface DistrictOptions {
  readonly id: string;
  readonly name: string;
  /** For a building that says neither its height nor its levels. */
  readonly defaultHeightM: number;
  readonly levelM: number;
  /** Null: the middle of what the file holds. */
  readonly origin: Place | null;
}

export const DEFAULT_DISTRICT_OPTIONS = { defaultHeightM: 9, levelM: 3.2 } as const;

/** What became of a file's features. */
export interface DistrictReport {
  readonly givenHeights: number;
  readonly levelHeights: number;
  readonly assumedHeights: number;
  /** Outlines that stand aside for the parts inside them. */
  readonly replacedByParts: number;
  /** Shapes that enclose nothing, or whose height is not above their base. */
  readonly leftOut: number;
}

const FEET_M = 0.3048;

/** `12`, `12.5 m`, `40 ft`, `40'`; null for what is no length above 0. */
export function parseHeightM(value: unknown): number | null {
  const hit = /^\s*(\d+(?:[.,]\d+)?)\s*(m|metres|meters|ft|feet|')?\s*$/i.exec(String(value ?? ''));
  if (hit === null) return null;
  const number = Number((hit[1] as string).replace(',', '.'));
  const metres = /^(ft|feet|')$/i.test(hit[2] ?? '') ? number * FEET_M : number;
  return metres > 0 ? metres : null;
}

type Tags = Readonly<Record<string, unknown>>;

function tagsOf({ properties }: Feature): Tags {
  const { tags, ...own } = (properties ?? {}) as Record<string, unknown>;
  return typeof tags === 'object' && tags !== null ? { ...own, ...(tags as Tags) } : own;
}

const isSet = (value: unknown): boolean =>
  value !== undefined && value !== null && value !== '' && value !== 'no' && value !== false;
const isPart = (tags: Tags): boolean => isSet(tags['building:part']);
const isBuilding = (tags: Tags): boolean =>
  isSet(tags['building']) || isPart(tags) || isSet(tags['building:levels']) || isSet(tags['height']);
const isWater = (tags: Tags): boolean => tags['natural'] === 'water' || isSet(tags['water']) || tags['waterway'] === 'riverbank';

/** Outer ring and holes of every polygon of a feature; a closed line counts as one. */
function polygonsOf({ geometry }: Feature): Position[][][] {
  switch (geometry?.type) {
    case 'Polygon':
      return [geometry.coordinates];
    case 'MultiPolygon':
      return geometry.coordinates;
    case 'LineString': {
      const [first, last] = [geometry.coordinates[0], geometry.coordinates.at(-1)];
      const isClosed = geometry.coordinates.length > 3 && first?.[0] === last?.[0] && first?.[1] === last?.[1];
      return isClosed ? [[geometry.coordinates]] : [];
    }
    default:
      return [];
  }
}

const toMillimetres = (metres: number): number => Math.round(metres * 1000) / 1000;

function ringOf(ring: readonly Position[], origin: Place): [number, number][] {
  const points = ring.map(([longitude = 0, latitude = 0]): [number, number] => {
    const { eastM, northM } = metresFrom(origin, { latitude, longitude });
    return [toMillimetres(eastM), toMillimetres(northM)];
  });
  const [first, last] = [points[0], points.at(-1)];
  if (points.length > 1 && first?.[0] === last?.[0] && first?.[1] === last?.[1]) points.pop();
  return points;
}

function areaM2(ring: Outline): number {
  return Math.abs(
    ring.reduce((sum, [x, y], k) => {
      const [nextX, nextY] = ring[(k + 1) % ring.length] as readonly [number, number];
      return sum + x * nextY - nextX * y;
    }, 0) / 2,
  );
}

const LEAST_AREA_M2 = 0.5;

function heightOf(tags: Tags, options: DistrictOptions): { heightM: number; heightSource: HeightSource } {
  const given = parseHeightM(tags['height']);
  const stated = tags['height_source'];
  const isKept = stated === 'levels' || stated === 'assumed' || stated === 'set';
  if (given !== null) return { heightM: given, heightSource: isKept ? stated : 'given' };
  const levels = parseHeightM(tags['building:levels']);
  if (levels !== null) return { heightM: toMillimetres(levels * options.levelM), heightSource: 'levels' };
  return { heightM: options.defaultHeightM, heightSource: 'assumed' };
}

function baseOf(tags: Tags, { levelM }: DistrictOptions): number {
  return parseHeightM(tags['min_height']) ?? toMillimetres((parseHeightM(tags['building:min_level']) ?? 0) * levelM);
}

interface Found {
  readonly building: DistrictBuilding;
  readonly isPart: boolean;
}

function foundIn(feature: Feature, number: number, origin: Place, options: DistrictOptions): (Found | null)[] {
  const tags = tagsOf(feature);
  const polygons = polygonsOf(feature);
  return polygons.map((rings, k) => {
    const [footprint = [], ...holes] = rings.map((ring) => ringOf(ring, origin));
    const { heightM, heightSource } = heightOf(tags, options);
    const baseM = baseOf(tags, options);
    if (footprint.length < 3 || areaM2(footprint) < LEAST_AREA_M2 || heightM <= baseM) return null;
    const courtyards = holes.filter((hole) => hole.length >= 3 && areaM2(hole) >= LEAST_AREA_M2);
    const id = `${String(feature.id ?? number + 1)}${polygons.length > 1 ? `-${k + 1}` : ''}`;
    const name = typeof tags['name'] === 'string' ? { name: tags['name'].slice(0, 200) } : {};
    const building: DistrictBuilding = {
      id,
      ...name,
      footprint,
      ...(courtyards.length > 0 ? { courtyards } : {}),
      heightM,
      ...(baseM > 0 ? { baseM } : {}),
      heightSource,
    };
    return { building, isPart: isPart(tags) };
  });
}

/** Outlines without those that contain the middle of a part: the parts say it better. */
function withoutReplaced(found: readonly Found[]): Found[] {
  const parts = found.filter(({ isPart }) => isPart);
  if (parts.length === 0) return [...found];
  const index = new Flatbush(parts.length);
  const middles = parts.map(({ building: { footprint } }) => {
    const [x, y] = footprint.reduce(([sumX, sumY], [px, py]) => [sumX + px, sumY + py], [0, 0]);
    return [x / footprint.length, y / footprint.length] as const;
  });
  for (const [x, y] of middles) index.add(x, y, x, y);
  index.finish();
  return found.filter((one) => {
    if (one.isPart) return true;
    const prism = readPrism(one.building, one.building.id);
    const inside = index.search(prism.minX, prism.minY, prism.maxX, prism.maxY);
    return !inside.some((k) => isStrictlyInside(prism, ...(middles[k] as readonly [number, number])));
  });
}

function treeOf(feature: Feature, origin: Place): Tree | null {
  const tags = tagsOf(feature);
  if (tags['natural'] !== 'tree' || feature.geometry?.type !== 'Point') return null;
  const [longitude = 0, latitude = 0] = feature.geometry.coordinates;
  const { eastM, northM } = metresFrom(origin, { latitude, longitude });
  const base = parseHeightM(tags['min_height']);
  return {
    eastM: toMillimetres(eastM),
    northM: toMillimetres(northM),
    radiusM: toMillimetres((parseHeightM(tags['diameter_crown']) ?? 6) / 2),
    heightM: parseHeightM(tags['height']) ?? 9,
    ...(base === null ? {} : { baseM: base }),
  };
}

function middleOf(features: readonly Feature[]): Place {
  const box = [Infinity, Infinity, -Infinity, -Infinity];
  for (const feature of features) {
    for (const [longitude = 0, latitude = 0] of polygonsOf(feature).flat(2)) {
      box[0] = Math.min(box[0] as number, longitude);
      box[1] = Math.min(box[1] as number, latitude);
      box[2] = Math.max(box[2] as number, longitude);
      box[3] = Math.max(box[3] as number, latitude);
    }
  }
  const middle = (a = 0, b = 0): number => Math.round(((a + b) / 2) * 1e5) / 1e5;
  return box[0] === Infinity
    ? { latitude: 0, longitude: 0 }
    : { latitude: middle(box[1], box[3]), longitude: middle(box[0], box[2]) };
}

function uniqueIds(buildings: readonly DistrictBuilding[]): DistrictBuilding[] {
  const seen = new Map<string, number>();
  return buildings.map((building) => {
    const count = (seen.get(building.id) ?? 0) + 1;
    seen.set(building.id, count);
    return count === 1 ? building : { ...building, id: `${building.id}~${count}` };
  });
}

export interface DistrictFound {
  readonly district: District;
  readonly report: DistrictReport;
}

/** Features a step takes before it reports. */
const AT_ONCE = 500;

/** Buildings, trees and water out of map features in degrees, in steps: yields the share that is done. */
export function* districtOfSteps(features: readonly Feature[], options: DistrictOptions): Generator<number, DistrictFound> {
  const hasTags = features.some((feature) => isBuilding(tagsOf(feature)));
  const solid = features.filter((feature) => polygonsOf(feature).length > 0 && !isWater(tagsOf(feature)));
  const buildingFeatures = hasTags ? solid.filter((feature) => isBuilding(tagsOf(feature))) : solid;
  const origin = options.origin ?? middleOf(buildingFeatures.length > 0 ? buildingFeatures : features);
  const found: Found[] = [];
  let leftOut = 0;
  for (let k = 0; k < buildingFeatures.length; k++) {
    for (const one of foundIn(buildingFeatures[k] as Feature, k, origin, options)) {
      if (one === null) leftOut++;
      else found.push(one);
    }
    if (k % AT_ONCE === AT_ONCE - 1) yield k / buildingFeatures.length;
  }
  const kept = withoutReplaced(found);
  const buildings = uniqueIds(kept.map(({ building }) => building));
  const trees = features.flatMap((feature) => treeOf(feature, origin) ?? []);
  const waters = features
    .filter((feature) => isWater(tagsOf(feature)))
    .flatMap((feature) => polygonsOf(feature).map(([outer = []]) => ringOf(outer, origin)))
    .filter((ring) => ring.length >= 3 && areaM2(ring) >= LEAST_AREA_M2);
  const countOf = (source: HeightSource): number => buildings.filter(({ heightSource }) => heightSource === source).length;
  return {
    district: { id: options.id, name: options.name, origin, buildings, trees, waters },
    report: {
      givenHeights: countOf('given') + countOf('set'),
      levelHeights: countOf('levels'),
      assumedHeights: countOf('assumed'),
      replacedByParts: found.length - kept.length,
      leftOut,
    },
  };
}
