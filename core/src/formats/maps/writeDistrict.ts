import type { Feature, FeatureCollection, Position } from 'geojson';
import { type District, type Outline, placeAt, type WayKind } from '../../streets/index.js';

/** A tenth of a millimetre: reading rounds to millimetres, and so comes back to the same metres. */
const DEGREE_DIGITS = 1e9;

/** What a street is called in a map's tags; a square is a street here. */
const HIGHWAYS: Readonly<Record<WayKind, string>> = { street: 'pedestrian', path: 'footway', steps: 'steps' };

/** A district as GeoJSON text, its origin and name beside the features; reads back to the same. */
export function writeDistrict({ name, origin, buildings, trees, waters, ways = [] }: District): string {
  const position = (eastM: number, northM: number): Position => {
    const { latitude, longitude } = placeAt(origin, { eastM, northM });
    const rounded = (degrees: number): number => Math.round(degrees * DEGREE_DIGITS) / DEGREE_DIGITS;
    return [rounded(longitude), rounded(latitude)];
  };
  const ring = (outline: Outline): Position[] => {
    const points = outline.map(([eastM, northM]) => position(eastM, northM));
    return [...points, points[0] as Position];
  };
  const features: Feature[] = [
    ...buildings.map(({ id, name: own, footprint, courtyards = [], heightM, baseM, heightSource }): Feature => ({
      type: 'Feature',
      id,
      properties: {
        building: 'yes',
        ...(own === undefined ? {} : { name: own }),
        height: heightM,
        ...(baseM === undefined ? {} : { min_height: baseM }),
        height_source: heightSource,
      },
      geometry: { type: 'Polygon', coordinates: [footprint, ...courtyards].map(ring) },
    })),
    ...trees.map(({ eastM, northM, radiusM, heightM, baseM }): Feature => ({
      type: 'Feature',
      properties: {
        natural: 'tree',
        height: heightM,
        diameter_crown: 2 * radiusM,
        ...(baseM === undefined ? {} : { min_height: baseM }),
      },
      geometry: { type: 'Point', coordinates: position(eastM, northM) },
    })),
    ...waters.map((outline): Feature => ({
      type: 'Feature',
      properties: { natural: 'water' },
      geometry: { type: 'Polygon', coordinates: [ring(outline)] },
    })),
    ...ways.map(({ id, name: own, kind, widthM, isCovered, points }): Feature => ({
      type: 'Feature',
      id,
      properties: {
        highway: HIGHWAYS[kind],
        ...(own === undefined ? {} : { name: own }),
        ...(widthM === undefined ? {} : { width: widthM }),
        ...(isCovered === true ? { covered: 'yes' } : {}),
      },
      geometry: { type: 'LineString', coordinates: points.map(([eastM, northM]) => position(eastM, northM)) },
    })),
  ];
  const collection: FeatureCollection & { name: string; origin: Position } = {
    type: 'FeatureCollection',
    name,
    origin: [origin.longitude, origin.latitude],
    features,
  };
  return `${JSON.stringify(collection)}\n`;
}
