import { SaxesParser } from 'saxes';
import type { Place } from '../../light/index.js';

export interface GpxPoint extends Place {
  readonly name: string;
  readonly description: string;
  /** Milliseconds since 1970; null where the file says nothing. */
  readonly atMs: number | null;
}

export interface Gpx {
  readonly name: string;
  readonly waypoints: readonly GpxPoint[];
  readonly routes: readonly (readonly GpxPoint[])[];
  /** Each stretch of a track by itself: a receiver that loses its sky begins another. */
  readonly tracks: readonly (readonly GpxPoint[])[];
  /** Points that lie nowhere on earth. */
  readonly leftOut: number;
}

export type ReadGpx = { readonly ok: true; readonly gpx: Gpx } | { readonly ok: false; readonly message: string };

/** Days of walking at a point a second. */
const MOST_POINTS = 500_000;
const LARGEST_TEXT = 64 * 1024 * 1024;

interface Open {
  readonly latitude: number;
  readonly longitude: number;
  name: string;
  description: string;
  time: string;
}

function closed({ latitude, longitude, name, description, time }: Open): GpxPoint | null {
  if (!(Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180)) return null;
  const atMs = time.trim() === '' ? NaN : Date.parse(time.trim());
  return { latitude, longitude, name: name.trim(), description: description.trim(), atMs: Number.isNaN(atMs) ? null : atMs };
}

const POINTS = new Set(['wpt', 'rtept', 'trkpt']);

/** A decimal number of degrees, as XML's own decimals are written; NaN for everything else, an empty text too. */
function degreesIn(text: string | undefined): number {
  return text !== undefined && /^\s*[+-]?(\d+\.?\d*|\.\d+)([eE][+-]?\d+)?\s*$/.test(text) ? Number(text) : NaN;
}

/** Gathers what a file holds while it is read from its beginning to its end. */
class Gathering {
  readonly waypoints: GpxPoint[] = [];
  readonly routes: GpxPoint[][] = [];
  readonly tracks: GpxPoint[][] = [];
  name = '';
  leftOut = 0;
  points = 0;
  private readonly path: string[] = [];
  private point: Open | null = null;

  open(tag: string, attributes: Readonly<Record<string, string>>): void {
    this.path.push(tag);
    if (tag === 'rte') this.routes.push([]);
    if (tag === 'trkseg') this.tracks.push([]);
    if (!POINTS.has(tag)) return;
    const [latitude, longitude] = [degreesIn(attributes['lat']), degreesIn(attributes['lon'])];
    this.point = { latitude, longitude, name: '', description: '', time: '' };
    this.points++;
  }

  text(text: string): void {
    const [tag, parent] = [this.path.at(-1), this.path.at(-2)];
    if (this.point !== null && POINTS.has(parent ?? '')) {
      if (tag === 'name') this.point.name += text;
      if (tag === 'desc') this.point.description += text;
      if (tag === 'time') this.point.time += text;
    } else if (tag === 'name' && (parent === 'metadata' || (this.name === '' && (parent === 'trk' || parent === 'rte')))) {
      this.name += text;
    }
  }

  close(tag: string): void {
    this.path.pop();
    if (!POINTS.has(tag) || this.point === null) return;
    const point = closed(this.point);
    this.point = null;
    if (point === null) {
      this.leftOut++;
      return;
    }
    const list = tag === 'wpt' ? this.waypoints : tag === 'rtept' ? this.routes.at(-1) : this.tracks.at(-1);
    list?.push(point);
  }
}

/** Without the prefix that some programs write before every name. */
const plain = (name: string): string => name.replace(/^.*:/, '');

/** Reads waypoints, routes and tracks of GPX 1.0 or 1.1; a file that is none comes back as a refusal that says where it breaks. */
export function readGpx(text: string): ReadGpx {
  if (text.length > LARGEST_TEXT) return { ok: false, message: 'The file is larger than 64 MB.' };
  const gathering = new Gathering();
  const parser = new SaxesParser();
  let first = '';
  parser.on('opentag', ({ name, attributes }) => {
    first ||= plain(name);
    gathering.open(plain(name), attributes as Readonly<Record<string, string>>);
    if (gathering.points > MOST_POINTS) throw new RangeError(`The file has more than ${MOST_POINTS} points.`);
  });
  parser.on('text', (part) => gathering.text(part));
  parser.on('cdata', (part) => gathering.text(part));
  parser.on('closetag', ({ name }) => gathering.close(plain(name)));
  parser.on('error', (error) => {
    throw error;
  });
  try {
    parser.write(text.replace(/^\ufeff/, '')).close();
  } catch (error) {
    const message = error instanceof Error ? error.message : String(error);
    return { ok: false, message: `The file is not whole GPX: ${message}` };
  }
  if (first !== 'gpx') return { ok: false, message: `The file is not GPX: it begins with <${first}>.` };
  const { name, waypoints, routes, tracks, leftOut } = gathering;
  const some = (lists: readonly GpxPoint[][]): readonly GpxPoint[][] => lists.filter((list) => list.length > 0);
  return { ok: true, gpx: { name: name.trim(), waypoints, routes: some(routes), tracks: some(tracks), leftOut } };
}
