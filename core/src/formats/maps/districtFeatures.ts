import Flatbush from 'flatbush';
import { isStrictlyInside, type Place, type Prism, readPrism } from '../../light/index.js';
import {
  type District,
  type DistrictBuilding,
  type HeightSource,
  metresFrom,
  type Outline,
  type Tree,
  type Way,
} from '../../streets/index.js';
import { buildingSchema, treeSchema, waterSchema, waySchema } from '../reading/districtSchema.js';
import { LONGEST_ID, LONGEST_NAME, MOST_BUILDINGS, MOST_WAYS, NEAREST_POLE_DEG } from '../archive/limits.js';
import { crossesItself } from './crossesItself.js';
import type { LeftOut, LeftOutCounter } from './leftOut.js';
import { parseHeightM, toMillimetres } from './lengths.js';
import { type Degrees, isFootprint, isPart, isTree, isWater, type MapFeature, type Tags } from './mapFeature.js';
import { MapRefusal } from './refusal.js';
import { isCoveredWay, isWay, wayKindOf, wayWidthM } from './wayTags.js';

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
  /** What did not become anything, by reason. */
  readonly leftOut: readonly LeftOut[];
}

function metresOf(corners: readonly Degrees[], origin: Place): [number, number][] {
  return corners.map(([longitude, latitude]): [number, number] => {
    const { eastM, northM } = metresFrom(origin, { latitude, longitude });
    return [toMillimetres(eastM), toMillimetres(northM)];
  });
}

function ringOf(ring: readonly Degrees[], origin: Place): [number, number][] {
  const points = metresOf(ring, origin);
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
const encloses = (ring: Outline): boolean => ring.length >= 3 && areaM2(ring) >= LEAST_AREA_M2;

function heightOf(tags: Tags, options: DistrictOptions): { heightM: number; heightSource: HeightSource } {
  const given = parseHeightM(tags.get('height'));
  const stated = tags.get('height_source');
  const isKept = stated === 'levels' || stated === 'assumed' || stated === 'set';
  if (given !== null) return { heightM: given, heightSource: isKept ? stated : 'given' };
  const levels = parseHeightM(tags.get('building:levels'));
  if (levels !== null) return { heightM: toMillimetres(levels * options.levelM), heightSource: 'levels' };
  return { heightM: options.defaultHeightM, heightSource: 'assumed' };
}

function baseOf(tags: Tags, { levelM }: DistrictOptions): number {
  return parseHeightM(tags.get('min_height')) ?? toMillimetres((parseHeightM(tags.get('building:min_level')) ?? 0) * levelM);
}

/** Room for what tells apart those of one name. */
const LONGEST_STEM = LONGEST_ID - 10;

/** The first free one of `id`, `id~2`, `id~3`, …, none longer than an id may be. */
class Ids {
  private readonly taken = new Set<string>();
  private readonly counts = new Map<string, number>();

  of(wanted: string): string {
    const stem = wanted.slice(0, LONGEST_STEM) || 'outline';
    let count = this.counts.get(stem) ?? 0;
    let id: string;
    do {
      count++;
      id = count === 1 ? stem : `${stem}~${count}`;
    } while (this.taken.has(id));
    this.counts.set(stem, count);
    this.taken.add(id);
    return id;
  }
}

interface Raised {
  readonly building: DistrictBuilding;
  readonly isPart: boolean;
}

/** Collects a district piece by piece; what its own schema would not read again is left out with its reason. */
class Builder {
  readonly raised: Raised[] = [];
  readonly trees: Tree[] = [];
  readonly waters: Outline[] = [];
  readonly ways: Way[] = [];
  private readonly ids = new Ids();

  constructor(
    private readonly origin: Place,
    private readonly options: DistrictOptions,
    private readonly leftOut: LeftOutCounter,
  ) {}

  add({ id, tags, shape }: MapFeature): void {
    if (shape.kind === 'point') {
      if (isTree(tags)) this.tree(id, tags, shape.at);
      return;
    }
    if (shape.kind === 'lines') {
      shape.lines.forEach((line, k) => this.way(shape.lines.length > 1 ? `${id}-${k + 1}` : id, tags, line));
      return;
    }
    if (isWay(tags) && !isFootprint(tags)) {
      // A square that one may cross is walked round here: its edge is all that a line can say.
      shape.polygons.forEach(([outer = []], k) => this.way(shape.polygons.length > 1 ? `${id}-${k + 1}` : id, tags, outer));
      return;
    }
    shape.polygons.forEach((rings, k) => {
      const outlines = rings.map((ring) => ringOf(ring, this.origin));
      if (isWater(tags)) this.water(id, outlines[0] ?? []);
      else if (isFootprint(tags)) this.building(shape.polygons.length > 1 ? `${id}-${k + 1}` : id, tags, outlines);
    });
  }

  private building(id: string, tags: Tags, [footprint = [], ...holes]: readonly [number, number][][]): void {
    const { heightM, heightSource } = heightOf(tags, this.options);
    const baseM = baseOf(tags, this.options);
    if (!encloses(footprint)) return this.leftOut.add('noArea', id);
    if (heightM <= baseM) return this.leftOut.add('underItsBase', id);
    if (crossesItself(footprint)) return this.leftOut.add('crossesItself', id);
    const courtyards = holes.filter((hole) => encloses(hole) && !crossesItself(hole));
    const name = tags.get('name');
    const building: DistrictBuilding = {
      id: this.ids.of(id),
      ...(typeof name === 'string' ? { name: name.slice(0, LONGEST_NAME) } : {}),
      footprint,
      ...(courtyards.length > 0 ? { courtyards } : {}),
      heightM,
      ...(baseM > 0 ? { baseM } : {}),
      heightSource,
    };
    if (buildingSchema.validate(building, { convert: false }).error === undefined)
      this.raised.push({ building, isPart: isPart(tags) });
    else this.leftOut.add('outOfRange', id);
  }

  private tree(id: string, tags: Tags, [longitude, latitude]: Degrees): void {
    const { eastM, northM } = metresFrom(this.origin, { latitude, longitude });
    const base = parseHeightM(tags.get('min_height'));
    const tree: Tree = {
      eastM: toMillimetres(eastM),
      northM: toMillimetres(northM),
      radiusM: toMillimetres((parseHeightM(tags.get('diameter_crown')) ?? 6) / 2),
      heightM: parseHeightM(tags.get('height')) ?? 9,
      ...(base === null ? {} : { baseM: base }),
    };
    if (base !== null && base >= tree.heightM) this.leftOut.add('underItsBase', id);
    else if (treeSchema.validate(tree, { convert: false }).error !== undefined) this.leftOut.add('outOfRange', id);
    else this.trees.push(tree);
  }

  private way(id: string, tags: Tags, line: readonly Degrees[]): void {
    const points = metresOf(line, this.origin).filter(
      ([x, y], k, all) => k === 0 || x !== all[k - 1]?.[0] || y !== all[k - 1]?.[1],
    );
    const [name, widthM] = [tags.get('name'), wayWidthM(tags)];
    const way: Way = {
      id: id.slice(0, LONGEST_ID) || 'way',
      ...(typeof name === 'string' && name.trim() !== '' ? { name: name.slice(0, LONGEST_NAME) } : {}),
      kind: wayKindOf(tags),
      ...(widthM === null ? {} : { widthM }),
      ...(isCoveredWay(tags) ? { isCovered: true } : {}),
      points,
    };
    if (points.length < 2) this.leftOut.add('noLength', id);
    else if (waySchema.validate(way, { convert: false }).error !== undefined) this.leftOut.add('outOfRange', id);
    else this.ways.push(way);
  }

  private water(id: string, outline: [number, number][]): void {
    if (!encloses(outline)) this.leftOut.add('noArea', id);
    else if (crossesItself(outline)) this.leftOut.add('crossesItself', id);
    else if (waterSchema.validate(outline, { convert: false }).error !== undefined) this.leftOut.add('outOfRange', id);
    else this.waters.push(outline);
  }
}

/** Edges looked at for parts inside outlines; a file whose outlines all lie on one another asks for more than this. */
const MOST_LOOKS = 32_000_000;

/** Outlines without those that contain the middle of a part: the parts say it better. */
function* withoutReplaced(raised: readonly Raised[]): Generator<number, Raised[]> {
  const parts = raised.filter((one) => one.isPart);
  if (parts.length === 0) return [...raised];
  const index = new Flatbush(parts.length);
  const middles = parts.map(({ building: { footprint } }) => {
    const [x, y] = footprint.reduce(([sumX, sumY], [px, py]) => [sumX + px, sumY + py], [0, 0]);
    return [x / footprint.length, y / footprint.length] as const;
  });
  for (const [x, y] of middles) index.add(x, y, x, y);
  index.finish();
  let looks = 0;
  const holdsPart = (prism: Prism): boolean => {
    let holds = false;
    index.search(prism.minX, prism.minY, prism.maxX, prism.maxY, (k) => {
      looks += holds ? 1 : 1 + (prism.rings[0]?.length ?? 0);
      if (looks > MOST_LOOKS) throw new MapRefusal('The outlines of this file lie on one another, thousands of times over.');
      holds ||= isStrictlyInside(prism, ...(middles[k] as readonly [number, number]));
      return false;
    });
    return holds;
  };
  const kept: Raised[] = [];
  for (const [k, one] of raised.entries()) {
    if (one.isPart || !holdsPart(readPrism(one.building, one.building.id))) kept.push(one);
    if (k % AT_ONCE === AT_ONCE - 1) yield k / raised.length;
  }
  return kept;
}

function cornersOf({ shape }: MapFeature): readonly Degrees[] {
  return shape.kind !== 'polygons' ? [] : shape.polygons.flatMap((rings) => rings[0] ?? []);
}

function middleOf(features: readonly MapFeature[]): Place {
  const box = { west: Infinity, south: Infinity, east: -Infinity, north: -Infinity };
  for (const feature of features) {
    for (const [longitude, latitude] of cornersOf(feature)) {
      box.west = Math.min(box.west, longitude);
      box.south = Math.min(box.south, latitude);
      box.east = Math.max(box.east, longitude);
      box.north = Math.max(box.north, latitude);
    }
  }
  const middle = (a: number, b: number): number => Math.round(((a + b) / 2) * 1e5) / 1e5;
  if (box.west === Infinity) return { latitude: 0, longitude: 0 };
  return { latitude: middle(box.south, box.north), longitude: middle(box.west, box.east) };
}

function withinPoles({ latitude, longitude }: Place): Place {
  if (Math.abs(latitude) <= NEAREST_POLE_DEG) return { latitude, longitude };
  throw new MapRefusal(`This map lies at a pole (latitude ${latitude.toFixed(2)}): metres east and north have no meaning there.`);
}

export interface DistrictFound {
  readonly district: District;
  readonly report: DistrictReport;
}

/** Features a step takes before it reports. */
const AT_ONCE = 200;

/** Buildings, trees, water and streets out of map features in degrees, in steps: yields the share that is done. @throws MapRefusal */
export function* districtOfSteps(
  features: readonly MapFeature[],
  options: DistrictOptions,
  leftOut: LeftOutCounter,
): Generator<number, DistrictFound> {
  const standing = features.filter(({ tags }) => isFootprint(tags) && !isWater(tags));
  if (standing.length > 2 * MOST_BUILDINGS) {
    throw new MapRefusal(`There are ${standing.length} buildings in this file; at most ${MOST_BUILDINGS} are read.`);
  }
  const origin = withinPoles(options.origin ?? middleOf(standing.length > 0 ? standing : features));
  const builder = new Builder(origin, options, leftOut);
  for (const [k, feature] of features.entries()) {
    builder.add(feature);
    if (k % AT_ONCE === AT_ONCE - 1) yield (0.8 * k) / features.length;
  }
  const kept = yield* withoutReplaced(builder.raised);
  const buildings = kept.map(({ building }) => building);
  const countOf = (source: HeightSource): number => buildings.filter(({ heightSource }) => heightSource === source).length;
  return {
    district: {
      id: options.id,
      name: options.name.slice(0, LONGEST_NAME),
      origin,
      buildings,
      trees: builder.trees.slice(0, MOST_BUILDINGS),
      waters: builder.waters.slice(0, MOST_BUILDINGS),
      ...(builder.ways.length > 0 ? { ways: builder.ways.slice(0, MOST_WAYS) } : {}),
    },
    report: {
      givenHeights: countOf('given') + countOf('set'),
      levelHeights: countOf('levels'),
      assumedHeights: countOf('assumed'),
      replacedByParts: builder.raised.length - kept.length,
      leftOut: leftOut.list(),
    },
  };
}
