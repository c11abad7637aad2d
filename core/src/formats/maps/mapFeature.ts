/** What every kind of map comes to before it becomes a district: tagged shapes in degrees, checked. */

export type Degrees = readonly [longitude: number, latitude: number];

export type Tags = ReadonlyMap<string, string | number | boolean>;

export interface MapFeature {
  readonly id: string;
  readonly tags: Tags;
  readonly shape:
    | { readonly kind: 'point'; readonly at: Degrees }
    /** Outer ring and holes of each polygon. */
    | { readonly kind: 'polygons'; readonly polygons: readonly (readonly (readonly Degrees[])[])[] }
    /** Runs of corners that hang together. */
    | { readonly kind: 'lines'; readonly lines: readonly (readonly Degrees[])[] };
}

/** Only what matters here is kept, and only values that a person could have written: the rest is weight. */
const LONGEST_VALUE = 400;
const MATTERS = new Set([
  'building',
  'building:part',
  'building:levels',
  'building:min_level',
  'height',
  'height_source',
  'min_height',
  'name',
  'natural',
  'water',
  'waterway',
  'diameter_crown',
  'landuse',
  'leisure',
  'highway',
  'amenity',
  'barrier',
  'type',
  'width',
  'est_width',
  'covered',
  'tunnel',
  'foot',
  'access',
]);

/** The tags that matter, of whatever there is. */
export function tagsOf(entries: Iterable<readonly [string, unknown]>): Tags {
  const tags = new Map<string, string | number | boolean>();
  for (const [key, value] of entries) {
    if (!MATTERS.has(key)) continue;
    const isShort = typeof value === 'string' && value.length <= LONGEST_VALUE;
    if (isShort || typeof value === 'number' || typeof value === 'boolean') tags.set(key, value);
  }
  return tags;
}

export const isSet = (value: unknown): boolean => value !== undefined && value !== '' && value !== 'no' && value !== false;

export const isPart = (tags: Tags): boolean => isSet(tags.get('building:part'));

/** Tagged as a building or a part of one. */
export const isTaggedBuilding = (tags: Tags): boolean => isSet(tags.get('building')) || isPart(tags);

export const isWater = (tags: Tags): boolean =>
  tags.get('natural') === 'water' || isSet(tags.get('water')) || tags.get('waterway') === 'riverbank';

const OTHER_KINDS = ['natural', 'water', 'waterway', 'landuse', 'leisure', 'highway', 'amenity', 'barrier'] as const;

/** A survey's file of footprints may say heights or levels and nothing else: what is not said to be another thing is one. */
export const isFootprint = (tags: Tags): boolean =>
  isTaggedBuilding(tags) ||
  ((isSet(tags.get('height')) || isSet(tags.get('building:levels'))) && !OTHER_KINDS.some((key) => tags.has(key)));

export const isTree = (tags: Tags): boolean => tags.get('natural') === 'tree';
