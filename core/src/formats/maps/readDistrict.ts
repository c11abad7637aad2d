import { MOST_BUILDINGS } from '../archive/limits.js';
import { type DistrictFound, type DistrictOptions, districtOfSteps } from './districtFeatures.js';
import { geoJsonFeatures, originOf } from './geoJson.js';
import { LeftOutCounter } from './leftOut.js';
import type { MapFeature } from './mapFeature.js';
import { type OsmMap, osmJsonSteps, osmXmlSteps } from './osmElements.js';
import { osmFeatureSteps } from './osmFeatures.js';
import { isRecord, MapRefusal } from './refusal.js';

/** What is being done, and how much of it is. */
export interface ReadingProgress {
  readonly doing: 'reading' | 'joining' | 'building';
  readonly share: number;
}

export type ReadDistrict =
  | ({ readonly ok: true } & DistrictFound)
  | {
      readonly ok: false;
      readonly message: string;
      /** Line and column from 1, or the path of the feature; null where the whole file is meant. */
      readonly where: string | null;
    };

const LARGEST_MB = 100;

function placeIn(text: string, position: number): string {
  const before = text.slice(0, position);
  const line = before.split('\n').length;
  return `line ${line}, column ${position - before.lastIndexOf('\n')}`;
}

/** JSON, or a refusal with the place of its first fault. */
function parseJson(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    const hit = /position (\d+)/.exec(error instanceof Error ? error.message : '');
    throw new MapRefusal('The file is not whole JSON.', placeIn(text, hit === null ? text.length : Number(hit[1])));
  }
}

/** Steps whose shares are reported as what they do. */
function* doing<Result>(what: ReadingProgress['doing'], steps: Generator<number, Result>): Generator<ReadingProgress, Result> {
  for (;;) {
    const { done, value } = steps.next();
    if (done === true) return value;
    yield { doing: what, share: value };
  }
}

function* raised(
  features: readonly MapFeature[],
  options: DistrictOptions,
  leftOut: LeftOutCounter,
): Generator<ReadingProgress, ReadDistrict> {
  yield { doing: 'building', share: 0 };
  const built = yield* doing('building', districtOfSteps(features, options, leftOut));
  const count = built.district.buildings.length;
  if (count === 0) throw new MapRefusal(nothingIn(leftOut));
  if (count > MOST_BUILDINGS) {
    throw new MapRefusal(`There are ${count} buildings in this file; at most ${MOST_BUILDINGS} are read.`);
  }
  return { ok: true, ...built };
}

function nothingIn(leftOut: LeftOutCounter): string {
  const lost = leftOut.list().reduce((sum, { count }) => sum + count, 0);
  const none = 'There is no building in this file: nothing in it is tagged as one';
  return lost === 0 ? `${none}.` : `${none} and whole; ${lost} had to be left out.`;
}

function* fromStreetMap(
  reading: Generator<number, OsmMap>,
  options: DistrictOptions,
  leftOut: LeftOutCounter,
): Generator<ReadingProgress, ReadDistrict> {
  const map = yield* doing('reading', reading);
  yield { doing: 'joining', share: 0 };
  const features = yield* doing('joining', osmFeatureSteps(map, leftOut));
  return yield* raised(features, options, leftOut);
}

function* fromJson(text: string, options: DistrictOptions, leftOut: LeftOutCounter): Generator<ReadingProgress, ReadDistrict> {
  const file = parseJson(text);
  if (!isRecord(file)) throw new MapRefusal('This is no map: neither GeoJSON nor OpenStreetMap.');
  const { elements } = file;
  if (Array.isArray(elements)) return yield* fromStreetMap(osmJsonSteps(elements), options, leftOut);
  if (file['type'] !== 'FeatureCollection' && file['type'] !== 'Feature') {
    throw new MapRefusal('This is no map: neither GeoJSON nor OpenStreetMap.', 'type');
  }
  const features = yield* doing('reading', geoJsonFeatures(file));
  const name = typeof file['name'] === 'string' && file['name'] !== '' ? file['name'] : options.name;
  return yield* raised(features, { ...options, name, origin: options.origin ?? originOf(file) }, leftOut);
}

/**
 * A district out of a map's file: GeoJSON, OpenStreetMap XML, or the JSON of its query service, told apart by what they
 * hold. In steps that say what is being done. What is taken in can be written to an archive and read again; what cannot is
 * left out and counted with its reason. A broken file comes back as a refusal that says where, and nothing of it is used.
 */
export function* readDistrictSteps(text: string, options: DistrictOptions): Generator<ReadingProgress, ReadDistrict> {
  try {
    if (text.length > LARGEST_MB * 1024 * 1024) throw new MapRefusal(`The file is larger than ${LARGEST_MB} MB.`);
    if (text.trim() === '') throw new MapRefusal('The file is empty.');
    yield { doing: 'reading', share: 0 };
    const leftOut = new LeftOutCounter();
    if (text.trimStart().startsWith('<')) return yield* fromStreetMap(osmXmlSteps(text), options, leftOut);
    return yield* fromJson(text, options, leftOut);
  } catch (error) {
    if (error instanceof MapRefusal) return { ok: false, message: error.message, where: error.where };
    throw error;
  }
}
