import { SaxesParser } from 'saxes';

/** A street map's elements as its query service writes them in JSON. */
export interface OsmElement {
  readonly type: 'node' | 'way' | 'relation';
  readonly id: number;
  readonly lat?: number;
  readonly lon?: number;
  readonly nodes?: number[];
  readonly members?: { readonly type: string; readonly ref: number; readonly role: string }[];
  readonly tags?: Record<string, string>;
}

/** Where in the text something is wrong, counted from 1. */
export class PlacedError extends Error {
  constructor(
    message: string,
    readonly line: number,
    readonly column: number,
  ) {
    super(message);
  }
}

const CHUNK = 1 << 18;

interface Open {
  type: OsmElement['type'];
  id: number;
  lat?: number;
  lon?: number;
  nodes?: number[];
  members?: { type: string; ref: number; role: string }[];
  tags?: Record<string, string>;
}

/**
 * The elements of an OpenStreetMap XML text, in steps: yields the share that is read.
 * @throws PlacedError where the text is no XML, not of that kind, or an element lacks what it needs.
 */
export function* osmElementSteps(text: string): Generator<number, OsmElement[]> {
  const elements: OsmElement[] = [];
  const parser = new SaxesParser();
  let open: Open | null = null;
  let hasRoot = false;
  const fail = (message: string): never => {
    throw new PlacedError(message, parser.line, parser.column + 1);
  };
  parser.on('error', (error) => fail(error.message.replace(/^\d+:\d+: /, '')));
  const number = (element: string, name: string, value: string | undefined): number => {
    const read = Number(value);
    return value === undefined || value === '' || !Number.isFinite(read) ? fail(`<${element}> has no number as its ${name}`) : read;
  };
  parser.on('opentag', ({ name, attributes }) => {
    const given = attributes as Record<string, string>;
    if (!hasRoot) {
      if (name !== 'osm') fail(`the outermost element is <${name}> and not <osm>`);
      hasRoot = true;
      return;
    }
    if (name === 'node' || name === 'way' || name === 'relation') {
      open = { type: name, id: number(name, 'id', given['id']) };
      if (name === 'node') {
        open.lat = number(name, 'lat', given['lat']);
        open.lon = number(name, 'lon', given['lon']);
      }
      return;
    }
    if (open === null) return;
    if (name === 'tag') open.tags = { ...open.tags, [given['k'] ?? '']: given['v'] ?? '' };
    if (name === 'nd') (open.nodes ??= []).push(number(name, 'ref', given['ref']));
    if (name === 'member') {
      const { type = '', role = '' } = given;
      (open.members ??= []).push({ type, ref: number(name, 'ref', given['ref']), role });
    }
  });
  parser.on('closetag', ({ name }) => {
    if (open !== null && name === open.type) {
      elements.push(open);
      open = null;
    }
  });
  for (let at = 0; at < text.length; at += CHUNK) {
    parser.write(text.slice(at, at + CHUNK));
    yield Math.min(1, (at + CHUNK) / text.length);
  }
  parser.close();
  return elements;
}
