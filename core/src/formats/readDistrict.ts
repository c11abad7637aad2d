import type { Feature, FeatureCollection } from 'geojson';
import osm2geojson from 'osm2geojson-lite';
import type { Place } from '../light/index.js';
import { LARGEST_ARCHIVE_BYTES, MOST_BUILDINGS } from './archive.js';
import { type DistrictFound, type DistrictOptions, districtOfSteps } from './districtFeatures.js';
import { type OsmElement, osmElementSteps, PlacedError } from './osmElements.js';

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

const LARGEST_MB = (4 * LARGEST_ARCHIVE_BYTES) / 1024 / 1024;

function refuse(message: string, where: string | null = null): ReadDistrict {
  return { ok: false, message, where };
}

function placeIn(text: string, position: number): string {
  const before = text.slice(0, position).split('\n');
  return `line ${before.length}, column ${(before.at(-1) as string).length + 1}`;
}

/** JSON with the place of its first fault. */
function parseJson(text: string): { readonly value: unknown } | { readonly where: string | null } {
  try {
    return { value: JSON.parse(text) as unknown };
  } catch (error) {
    const hit = /position (\d+)/.exec(error instanceof Error ? error.message : '');
    return { where: placeIn(text, hit === null ? text.length : Number(hit[1])) };
  }
}

function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** The first coordinate that is no place on earth; null where all are. */
function wrongCoordinate(coordinates: unknown): string | null {
  if (!Array.isArray(coordinates)) return 'coordinates must be lists of numbers';
  if (typeof coordinates[0] === 'number') {
    const [longitude, latitude] = coordinates as unknown[];
    const isPlace =
      typeof longitude === 'number' && typeof latitude === 'number' && Math.abs(longitude) <= 180 && Math.abs(latitude) <= 90;
    return isPlace ? null : `must be longitude −180 to 180 and latitude −90 to 90 in degrees, got ${JSON.stringify(coordinates)}`;
  }
  for (const inner of coordinates) {
    const wrong = wrongCoordinate(inner);
    if (wrong !== null) return wrong;
  }
  return null;
}

function featuresOf(file: Record<string, unknown>): readonly Feature[] | { readonly where: string; readonly message: string } {
  const list = file['type'] === 'Feature' ? [file] : file['features'];
  if (!Array.isArray(list)) return { where: 'features', message: 'must be a list' };
  for (const [k, feature] of list.entries()) {
    const at = `features[${k}]`;
    if (!isObject(feature) || feature['type'] !== 'Feature') return { where: at, message: 'must be a Feature' };
    const { geometry } = feature;
    if (geometry === null) continue;
    if (!isObject(geometry) || typeof geometry['type'] !== 'string')
      return { where: `${at}.geometry`, message: 'must be a geometry' };
    if (geometry['type'] === 'GeometryCollection') continue;
    const wrong = wrongCoordinate(geometry['coordinates']);
    if (wrong !== null) return { where: `${at}.geometry.coordinates`, message: wrong };
  }
  return list as Feature[];
}

function originOf(file: Record<string, unknown>): Place | null {
  const { origin } = file;
  if (!Array.isArray(origin) || wrongCoordinate(origin) !== null) return null;
  const [longitude, latitude] = origin as [number, number];
  return { latitude, longitude };
}

function* built(features: readonly Feature[], options: DistrictOptions): Generator<ReadingProgress, ReadDistrict> {
  const steps = districtOfSteps(features, options);
  for (;;) {
    const { done, value } = steps.next();
    if (done !== true) {
      yield { doing: 'building', share: value };
      continue;
    }
    const count = value.district.buildings.length;
    if (count === 0) return refuse('There is no building in this file: no polygon in it says that it is one.');
    if (count > MOST_BUILDINGS) return refuse(`There are ${count} buildings in this file; at most ${MOST_BUILDINGS} are read.`);
    return { ok: true, ...value };
  }
}

function* fromElements(elements: readonly OsmElement[], options: DistrictOptions): Generator<ReadingProgress, ReadDistrict> {
  if (elements.length === 0) return refuse('There is no building in this file: it is empty.');
  yield { doing: 'joining', share: 0 };
  const joined = osm2geojson({ elements }, { completeFeature: true, renderTagged: true, excludeWay: true }) as FeatureCollection;
  return yield* built(joined.features, options);
}

/**
 * A district out of a map's file: GeoJSON, OpenStreetMap XML, or the JSON of its query service, told apart by what they
 * hold. In steps that say what is being done. A broken file comes back as a refusal that says where, and nothing of it is
 * used.
 */
export function* readDistrictSteps(text: string, options: DistrictOptions): Generator<ReadingProgress, ReadDistrict> {
  if (text.length > LARGEST_MB * 1024 * 1024) return refuse(`The file is larger than ${LARGEST_MB} MB.`);
  if (text.trim() === '') return refuse('The file is empty.');
  yield { doing: 'reading', share: 0 };
  if (text.trimStart().startsWith('<')) {
    try {
      const steps = osmElementSteps(text);
      for (;;) {
        const { done, value } = steps.next();
        if (done === true) return yield* fromElements(value, options);
        yield { doing: 'reading', share: value };
      }
    } catch (error) {
      if (!(error instanceof PlacedError)) throw error;
      return refuse(`The file is not whole OpenStreetMap XML: ${error.message}`, `line ${error.line}, column ${error.column}`);
    }
  }
  const parsed = parseJson(text);
  if ('where' in parsed) return refuse('The file is not whole JSON.', parsed.where);
  const file = parsed.value;
  if (!isObject(file)) return refuse('This is no map: neither GeoJSON nor OpenStreetMap.');
  if (Array.isArray(file['elements'])) return yield* fromElements(file['elements'] as OsmElement[], options);
  if (file['type'] !== 'FeatureCollection' && file['type'] !== 'Feature') {
    return refuse('This is no map: neither GeoJSON nor OpenStreetMap.', 'type');
  }
  const features = featuresOf(file);
  if ('where' in features) return refuse(`The file cannot be read there: ${features.message}.`, features.where);
  const name = typeof file['name'] === 'string' && file['name'] !== '' ? file['name'] : options.name;
  return yield* built(features, { ...options, name, origin: options.origin ?? originOf(file) });
}
