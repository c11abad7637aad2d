import { SaxesParser } from 'saxes';
import { type Tags, tagsOf } from './mapFeature.js';
import { isRecord, MapRefusal, said } from './refusal.js';

/** A street map's elements, checked, whichever way they were written. */

export interface OsmNode {
  readonly id: number;
  readonly at: readonly [longitude: number, latitude: number];
  readonly tags: Tags;
}

export interface OsmWay {
  readonly id: number;
  readonly nodes: readonly number[];
  readonly tags: Tags;
}

export interface OsmRelation {
  readonly id: number;
  readonly members: readonly { readonly type: string; readonly ref: number; readonly role: string }[];
  readonly tags: Tags;
}

export interface OsmMap {
  readonly nodes: ReadonlyMap<number, OsmNode>;
  readonly ways: ReadonlyMap<number, OsmWay>;
  readonly relations: readonly OsmRelation[];
}

interface Draft {
  readonly nodes: Map<number, OsmNode>;
  readonly ways: Map<number, OsmWay>;
  readonly relations: OsmRelation[];
}

const emptyMap = (): Draft => ({ nodes: new Map(), ways: new Map(), relations: [] });

const isLongitude = (value: number): boolean => Math.abs(value) <= 180;
const isLatitude = (value: number): boolean => Math.abs(value) <= 90;

const CHUNK = 1 << 18;

interface Open {
  readonly type: 'node' | 'way' | 'relation';
  readonly id: number;
  readonly at: readonly [number, number] | null;
  readonly nodes: number[];
  readonly members: { type: string; ref: number; role: string }[];
  readonly tags: [string, string][];
}

function close(open: Open, map: Draft): void {
  const { id, at, nodes, members } = open;
  const tags = tagsOf(open.tags);
  if (open.type === 'node' && at !== null) map.nodes.set(id, { id, at, tags });
  if (open.type === 'way') map.ways.set(id, { id, nodes, tags });
  if (open.type === 'relation') map.relations.push({ id, members, tags });
}

/**
 * The elements of an OpenStreetMap XML text, in steps: yields the share that is read.
 * @throws MapRefusal with line and column where the text is no XML, not of that kind, or an element lacks what it needs.
 */
export function* osmXmlSteps(text: string): Generator<number, OsmMap> {
  const map = emptyMap();
  const parser = new SaxesParser();
  let open: Open | null = null;
  let hasRoot = false;
  const fail = (message: string): never => {
    const words = `The file is not whole OpenStreetMap XML: ${message}`;
    throw new MapRefusal(words.slice(0, 300), `line ${parser.line}, column ${parser.column + 1}`);
  };
  parser.on('error', (error) => fail(error.message.replace(/^\d+:\d+: /, '')));
  const number = (element: string, name: string, value: string | undefined, isIn: (n: number) => boolean): number => {
    const read = value === undefined || value.trim() === '' ? NaN : Number(value);
    return Number.isFinite(read) && isIn(read) ? read : fail(`<${element}> has no number as its ${name}`);
  };
  const anyNumber = (): boolean => true;
  parser.on('opentag', ({ name, attributes }) => {
    const given = attributes as Record<string, string | undefined>;
    if (!hasRoot) {
      if (name !== 'osm') fail(`the outermost element is <${name}> and not <osm>`);
      hasRoot = true;
      return;
    }
    if (name === 'node' || name === 'way' || name === 'relation') {
      const id = number(name, 'id', given['id'], anyNumber);
      const at =
        name === 'node'
          ? ([number(name, 'lon', given['lon'], isLongitude), number(name, 'lat', given['lat'], isLatitude)] as const)
          : null;
      open = { type: name, id, at, nodes: [], members: [], tags: [] };
      return;
    }
    if (open === null) return;
    if (name === 'tag') open.tags.push([given['k'] ?? '', given['v'] ?? '']);
    if (name === 'nd') open.nodes.push(number(name, 'ref', given['ref'], anyNumber));
    if (name === 'member') {
      const { type = '', role = '' } = given;
      open.members.push({ type, ref: number(name, 'ref', given['ref'], anyNumber), role });
    }
  });
  parser.on('closetag', ({ name }) => {
    if (open !== null && name === open.type) {
      close(open, map);
      open = null;
    }
  });
  for (let at = 0; at < text.length; at += CHUNK) {
    parser.write(text.slice(at, at + CHUNK));
    yield Math.min(1, (at + CHUNK) / text.length);
  }
  parser.close();
  return map;
}

function fault(at: string, what: string, value: unknown): never {
  throw new MapRefusal(`The file cannot be read there: ${what}, got ${said(value)}.`, at);
}

function numberIn(
  element: Readonly<Record<string, unknown>>,
  key: string,
  at: string,
  isIn: (n: number) => boolean,
  range: string,
): number {
  const value = element[key];
  return typeof value === 'number' && Number.isFinite(value) && isIn(value)
    ? value
    : fault(`${at}.${key}`, `must be ${range}`, value);
}

function list(value: unknown, at: string): readonly unknown[] {
  if (value === undefined || value === null) return [];
  return Array.isArray(value) ? value : fault(at, 'must be a list', value);
}

function memberOf(value: unknown, at: string): OsmRelation['members'][number] {
  if (!isRecord(value)) return fault(at, 'must be a member', value);
  const { type, role } = value;
  const ref = numberIn(value, 'ref', at, () => true, 'a number');
  return { type: typeof type === 'string' ? type : '', ref, role: typeof role === 'string' ? role : '' };
}

function readElement(element: unknown, at: string, map: Draft): void {
  if (!isRecord(element)) return fault(at, 'must be an element', element);
  const { type } = element;
  // Counts and areas of the query are elements too, and of no matter here.
  if (type !== 'node' && type !== 'way' && type !== 'relation') return;
  const id = numberIn(element, 'id', at, () => true, 'a number');
  const tags = tagsOf(isRecord(element['tags']) ? Object.entries(element['tags']) : []);
  if (type === 'node') {
    const longitude = numberIn(element, 'lon', at, isLongitude, 'a number from −180 to 180');
    const latitude = numberIn(element, 'lat', at, isLatitude, 'a number from −90 to 90');
    map.nodes.set(id, { id, at: [longitude, latitude], tags });
  } else if (type === 'way') {
    const nodes = list(element['nodes'], `${at}.nodes`).map((node) =>
      typeof node === 'number' ? node : fault(`${at}.nodes`, 'must be a list of numbers', node),
    );
    map.ways.set(id, { id, nodes, tags });
  } else {
    const members = list(element['members'], `${at}.members`).map((member, k) => memberOf(member, `${at}.members[${k}]`));
    map.relations.push({ id, members, tags });
  }
}

const CHECKED_AT_ONCE = 2000;

/** The elements of the query service's JSON. @throws MapRefusal with the path of what is wrong. */
export function* osmJsonSteps(elements: readonly unknown[]): Generator<number, OsmMap> {
  const map = emptyMap();
  for (let k = 0; k < elements.length; k++) {
    readElement(elements[k], `elements[${k}]`, map);
    if (k % CHECKED_AT_ONCE === CHECKED_AT_ONCE - 1) yield k / elements.length;
  }
  return map;
}
