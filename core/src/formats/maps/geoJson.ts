import type { Place } from '../../light/index.js';
import { type Degrees, isFootprint, isTree, isWater, type MapFeature, type Tags, tagsOf } from './mapFeature.js';
import { isRecord, MapRefusal, said } from './refusal.js';
import { isWay } from './wayTags.js';

/** GeoJSON's features, each checked down to its last coordinate before anything is made of it. */

function degreesOf(value: unknown, where: string): Degrees {
  const [longitude, latitude] = Array.isArray(value) ? (value as unknown[]) : [];
  if (
    typeof longitude !== 'number' ||
    typeof latitude !== 'number' ||
    !(Math.abs(longitude) <= 180) ||
    !(Math.abs(latitude) <= 90)
  ) {
    const got = Array.isArray(value) ? `[${value.slice(0, 2).map(said).join(', ')}]` : said(value);
    throw new MapRefusal(
      `The file cannot be read there: must be longitude −180 to 180 and latitude −90 to 90 in degrees, got ${got}.`,
      where,
    );
  }
  return [longitude, latitude];
}

function listOf<Item>(value: unknown, where: string, item: (value: unknown, where: string) => Item): readonly Item[] {
  if (!Array.isArray(value)) throw new MapRefusal('The file cannot be read there: coordinates must be lists of numbers.', where);
  return value.map((one: unknown) => item(one, where));
}

const ringOf = (value: unknown, where: string): readonly Degrees[] => listOf(value, where, degreesOf);
const polygonOf = (value: unknown, where: string): readonly (readonly Degrees[])[] => listOf(value, where, ringOf);

function isClosed(line: readonly Degrees[]): boolean {
  const [first, last] = [line[0], line.at(-1)];
  return line.length > 3 && first?.[0] === last?.[0] && first?.[1] === last?.[1];
}

function shapeOf(geometry: Readonly<Record<string, unknown>>, tags: Tags, where: string): MapFeature['shape'] | null {
  const { coordinates } = geometry;
  switch (geometry['type']) {
    case 'Point':
      return { kind: 'point', at: degreesOf(coordinates, where) };
    case 'Polygon':
      return { kind: 'polygons', polygons: [polygonOf(coordinates, where)] };
    case 'MultiPolygon':
      return { kind: 'polygons', polygons: listOf(coordinates, where, polygonOf) };
    case 'LineString': {
      const line = ringOf(coordinates, where);
      if (isWay(tags)) return { kind: 'lines', lines: [line] };
      return isClosed(line) ? { kind: 'polygons', polygons: [[line]] } : null;
    }
    case 'MultiLineString':
      return isWay(tags) ? { kind: 'lines', lines: listOf(coordinates, where, ringOf) } : null;
    default:
      return null;
  }
}

function entriesOf(properties: unknown): [string, unknown][] {
  if (!isRecord(properties)) return [];
  const { tags, ...own } = properties;
  return [...Object.entries(own), ...(isRecord(tags) ? Object.entries(tags) : [])];
}

function idOf(value: unknown, number: number): string {
  return typeof value === 'string' || typeof value === 'number' ? String(value) : String(number + 1);
}

function featureOf(value: unknown, number: number): MapFeature | null {
  const at = `features[${number}]`;
  if (!isRecord(value) || value['type'] !== 'Feature') {
    throw new MapRefusal('The file cannot be read there: must be a Feature.', at);
  }
  const { geometry } = value;
  if (geometry === null || geometry === undefined) return null;
  if (!isRecord(geometry) || typeof geometry['type'] !== 'string') {
    throw new MapRefusal('The file cannot be read there: must be a geometry.', `${at}.geometry`);
  }
  const tags = tagsOf(entriesOf(value['properties']));
  const shape = shapeOf(geometry, tags, `${at}.geometry.coordinates`);
  return shape === null ? null : { id: idOf(value['id'], number), tags, shape };
}

const matters = (tags: Tags): boolean => isFootprint(tags) || isWater(tags) || isTree(tags) || isWay(tags);

const CHECKED_AT_ONCE = 500;

/** Of a FeatureCollection or one Feature, those that say what they are. @throws MapRefusal */
export function* geoJsonFeatures(file: Readonly<Record<string, unknown>>): Generator<number, readonly MapFeature[]> {
  const list = file['type'] === 'Feature' ? [file] : file['features'];
  if (!Array.isArray(list)) throw new MapRefusal('The file cannot be read there: must be a list.', 'features');
  const features: MapFeature[] = [];
  for (let k = 0; k < list.length; k++) {
    const feature = featureOf(list[k], k);
    if (feature !== null && matters(feature.tags)) features.push(feature);
    if (k % CHECKED_AT_ONCE === CHECKED_AT_ONCE - 1) yield k / list.length;
  }
  return features;
}

/** The origin that a written district names; null where it names none that is a place. */
export function originOf({ origin }: Readonly<Record<string, unknown>>): Place | null {
  const [longitude, latitude] = Array.isArray(origin) ? (origin as unknown[]) : [];
  const isPlace =
    typeof longitude === 'number' && typeof latitude === 'number' && Math.abs(longitude) <= 180 && Math.abs(latitude) <= 90;
  return isPlace ? { latitude, longitude } : null;
}
