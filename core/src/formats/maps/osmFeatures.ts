import type { FeatureCollection, Position } from 'geojson';
import osm2geojson from 'osm2geojson-lite';
import type { LeftOutCounter } from './leftOut.js';
import { type Degrees, isPart, isTaggedBuilding, isTree, isWater, type MapFeature, type Tags } from './mapFeature.js';
import type { OsmMap, OsmRelation, OsmWay } from './osmElements.js';
import { isWay } from './wayTags.js';

/**
 * What of a street map stands, flows or is walked on: ways that are tagged as a building, a part or water; multipolygons that
 * are, or whose outer way is; trees; streets. An outline is taken if all of its corners are in the file, of a street every run of
 * corners that are: the edge of an extract cuts them. Being a member of something else (a square, a landuse, a site) takes
 * nothing away.
 */

const matters = (tags: Tags): boolean => isTaggedBuilding(tags) || isWater(tags);

const isArea = ({ tags }: OsmRelation): boolean => tags.get('type') === 'multipolygon' || tags.get('type') === 'boundary';

/** Whether a relation says of itself what it is; else, as maps once were drawn, its outer ways do. */
const KINDS = ['building', 'building:part', 'landuse', 'leisure', 'natural', 'highway', 'amenity', 'water', 'waterway'];
const saysWhatItIs = (tags: Tags): boolean => KINDS.some((key) => tags.has(key));

function waysOf({ members }: OsmRelation, role: 'outer' | 'inner'): readonly number[] {
  return members
    .filter((member) => member.type === 'way' && (member.role === role || (role === 'outer' && member.role === '')))
    .map(({ ref }) => ref);
}

interface Assembly {
  readonly relation: OsmRelation;
  readonly tags: Tags;
}

/** Multipolygons that are buildings or water, with the tags that say so. */
function assembliesOf({ relations, ways }: OsmMap): readonly Assembly[] {
  return relations.filter(isArea).flatMap((relation) => {
    if (saysWhatItIs(relation.tags)) return matters(relation.tags) ? [{ relation, tags: relation.tags }] : [];
    const outer = waysOf(relation, 'outer').flatMap((ref) => ways.get(ref) ?? []);
    const telling = outer.find(({ tags }) => matters(tags));
    return telling === undefined ? [] : [{ relation, tags: telling.tags }];
  });
}

/** Tags that a building's relation gives its outline, where the outline itself has none. */
function outlineTags({ relations, ways }: OsmMap): ReadonlyMap<number, Tags> {
  const given = new Map<number, Tags>();
  for (const { tags, members } of relations) {
    if (tags.get('type') !== 'building' || !isTaggedBuilding(tags)) continue;
    for (const { type, ref, role } of members) {
      const way = ways.get(ref);
      if (type === 'way' && role === 'outline' && way !== undefined && !isTaggedBuilding(way.tags)) given.set(ref, tags);
    }
  }
  return given;
}

function isWhole(way: OsmWay, { nodes }: OsmMap): boolean {
  return way.nodes.every((ref) => nodes.has(ref));
}

function wayFeature(way: OsmWay, tags: Tags, map: OsmMap, leftOut: LeftOutCounter): MapFeature | null {
  const id = `way/${way.id}`;
  if (!isWhole(way, map)) {
    leftOut.add('cornersMissing', id);
    return null;
  }
  if (way.nodes.length < 4 || way.nodes[0] !== way.nodes.at(-1)) {
    leftOut.add('notClosed', id);
    return null;
  }
  const ring = way.nodes.map((ref) => (map.nodes.get(ref) as { at: Degrees }).at);
  return { id, tags, shape: { kind: 'polygons', polygons: [[ring]] } };
}

/** The runs of a street's corners that the file has. */
function lineFeature({ id, nodes, tags }: OsmWay, map: OsmMap, leftOut: LeftOutCounter): MapFeature | null {
  const runs: Degrees[][] = [[]];
  for (const ref of nodes) {
    const node = map.nodes.get(ref);
    if (node === undefined) runs.push([]);
    else runs.at(-1)?.push(node.at);
  }
  const lines = runs.filter(({ length }) => length > 1);
  if (lines.length > 0) return { id: `way/${id}`, tags, shape: { kind: 'lines', lines } };
  leftOut.add('cornersMissing', `way/${id}`);
  return null;
}

/** A multipolygon of more ways than this is a country, not a house. */
const MOST_MEMBERS = 2000;

/** Only what the converter needs, and nothing that it would have to make sense of: the ring's ways, bare, and their nodes. */
function elementsFor({ relation }: Assembly, map: OsmMap): { elements: object[]; isWhole: boolean } {
  const ways = [
    ...waysOf(relation, 'outer').map((ref) => [ref, 'outer']),
    ...waysOf(relation, 'inner').map((ref) => [ref, 'inner']),
  ];
  const found = ways.map(([ref]) => map.ways.get(ref as number));
  if (ways.length === 0 || ways.length > MOST_MEMBERS || !found.every((way) => way !== undefined && isWhole(way, map)))
    return { elements: [], isWhole: false };
  const corners = new Set(found.flatMap((way) => way?.nodes ?? []));
  return {
    isWhole: true,
    elements: [
      ...[...corners].map((ref) => {
        const [lon, lat] = (map.nodes.get(ref) as { at: Degrees }).at;
        return { type: 'node', id: ref, lon, lat };
      }),
      ...found.map((way) => ({ type: 'way', id: way?.id, nodes: way?.nodes })),
      {
        type: 'relation',
        id: relation.id,
        tags: { type: 'multipolygon', building: 'yes' },
        members: ways.map(([ref, role]) => ({ type: 'way', ref, role })),
      },
    ],
  };
}

function polygonsOf({ features }: FeatureCollection): readonly (readonly (readonly Degrees[])[])[] {
  const geometry = features[0]?.geometry;
  const rings = (polygon: readonly Position[][]): readonly (readonly Degrees[])[] =>
    polygon.map((ring) => ring.map(([longitude = 0, latitude = 0]) => [longitude, latitude] as const));
  if (geometry?.type === 'Polygon') return [rings(geometry.coordinates)];
  return geometry?.type === 'MultiPolygon' ? geometry.coordinates.map(rings) : [];
}

function relationFeature(assembly: Assembly, map: OsmMap, leftOut: LeftOutCounter): MapFeature | null {
  const id = `relation/${assembly.relation.id}`;
  const { elements, isWhole: isComplete } = elementsFor(assembly, map);
  if (!isComplete) {
    leftOut.add('cornersMissing', id);
    return null;
  }
  const polygons = polygonsOf(osm2geojson({ elements }, { completeFeature: true, excludeWay: true }) as FeatureCollection);
  if (polygons.length === 0) {
    leftOut.add('notClosed', id);
    return null;
  }
  return { id, tags: assembly.tags, shape: { kind: 'polygons', polygons } };
}

const JOINED_AT_ONCE = 200;

/** Buildings, water, trees and streets of a street map, in steps: yields the share that is joined. */
export function* osmFeatureSteps(map: OsmMap, leftOut: LeftOutCounter): Generator<number, readonly MapFeature[]> {
  const assemblies = assembliesOf(map);
  const given = outlineTags(map);
  const features: MapFeature[] = [];
  const replaced = new Set<number>();
  for (const [k, assembly] of assemblies.entries()) {
    const feature = relationFeature(assembly, map, leftOut);
    if (feature !== null) {
      features.push(feature);
      // The ring as a way of its own would fill the courtyard again.
      for (const ref of waysOf(assembly.relation, 'outer')) if (!isPart(map.ways.get(ref)?.tags ?? new Map())) replaced.add(ref);
    }
    if (k % JOINED_AT_ONCE === JOINED_AT_ONCE - 1) yield k / assemblies.length / 2;
  }
  for (const way of map.ways.values()) {
    const tags = given.get(way.id) ?? way.tags;
    const isStreet = !matters(tags) && isWay(tags);
    if ((!matters(tags) && !isStreet) || replaced.has(way.id)) continue;
    const feature = isStreet ? lineFeature(way, map, leftOut) : wayFeature(way, tags, map, leftOut);
    if (feature !== null) features.push(feature);
  }
  yield 0.8;
  for (const { id, at, tags } of map.nodes.values()) {
    if (isTree(tags)) features.push({ id: `node/${id}`, tags, shape: { kind: 'point', at } });
  }
  return features;
}
