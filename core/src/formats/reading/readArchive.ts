import { ARCHIVE_FORMAT, ARCHIVE_VERSION, LARGEST_ARCHIVE_BYTES } from '../archive/writeArchive.js';
import { type Archive, COLLECTION_NAMES, type CollectionName, COLLECTIONS } from '../archive/collections.js';
import { type ArchivedPicture, readPictures } from './pictures.js';
import { readRow, type RowProblem } from './readRow.js';

export type Refusal = 'huge' | 'broken' | 'foreign' | 'newer' | 'invalid';

export type ReadArchive =
  | { readonly ok: true; readonly archive: Archive; readonly pictures?: readonly ArchivedPicture[] }
  | { readonly ok: false; readonly refusal: Refusal; readonly message: string; readonly problems: readonly string[] };

function refuse(refusal: Refusal, message: string, problems: readonly string[] = []): ReadArchive {
  return { ok: false, refusal, message, problems };
}

const LONGEST_STEP = 60;

/** `walks[0].stops[2].name`: how a person finds the place in the file. */
export function pathText(path: readonly (string | number)[]): string {
  const short = (step: string): string => (step.length > LONGEST_STEP ? `${step.slice(0, LONGEST_STEP)}…` : step);
  return path.map((step, k) => (typeof step === 'number' ? `[${step}]` : k === 0 ? short(step) : `.${short(step)}`)).join('');
}

const MOST_SHOWN = 8;
/** Where so many things are wrong the file is not what it says it is: the rest is not looked at. */
const MOST_COUNTED = 100;

const LONGEST_REASON = 200;

function parseJson(text: string): { readonly value: unknown } | { readonly error: string } {
  try {
    return { value: JSON.parse(text) as unknown };
  } catch (error) {
    return { error: (error instanceof Error ? error.message : String(error)).slice(0, LONGEST_REASON) };
  }
}

/** The rows of one collection as they are read, and what is wrong with them, down to the hundredth fault. */
class Reading {
  readonly problems: string[] = [];
  readonly rows: Partial<Record<CollectionName, unknown>> = {};

  constructor(private readonly version: number) {}

  get isHopeless(): boolean {
    return this.problems.length >= MOST_COUNTED;
  }

  fault(path: readonly (string | number)[], message: string): void {
    this.problems.push(`${pathText(path)}: ${message}`);
  }

  one(name: CollectionName, value: unknown, at: readonly (string | number)[]): unknown {
    const read = readRow(name, value, this.version);
    if (read.ok) return read.row;
    for (const { path, message } of read.problems as readonly RowProblem[]) this.fault([...at, ...path], message);
    return null;
  }

  collection(name: CollectionName, value: unknown): void {
    const described = COLLECTIONS[name];
    if (value === undefined) {
      if (described.holds === 'list' && described.isLater) this.rows[name] = [];
      else this.fault([name], 'is required');
      return;
    }
    if (described.holds === 'one') this.rows[name] = this.one(name, value, [name]);
    else if (!Array.isArray(value)) this.fault([name], 'must be an array');
    else if (value.length > described.most) this.fault([name], `must contain less than or equal to ${described.most} items`);
    else this.rows[name] = this.list(name, value);
  }

  private list(name: CollectionName, values: readonly unknown[]): readonly unknown[] {
    const seen = new Set<string>();
    const rows: unknown[] = [];
    for (const [k, value] of values.entries()) {
      if (this.isHopeless) break;
      const row = this.one(name, value, [name, k]) as { readonly id: string } | null;
      if (row === null) continue;
      if (seen.has(row.id)) this.fault([name, k], 'contains a duplicate value');
      seen.add(row.id);
      rows.push(row);
    }
    return rows;
  }
}

/** Small pictures of frames, where they were asked for. */
const PICTURES = 'pictures';
const HEADS: readonly string[] = ['format', 'version', ...COLLECTION_NAMES, PICTURES];

function readCollections(file: Readonly<Record<string, unknown>>, version: number): ReadArchive {
  const reading = new Reading(version);
  for (const name of COLLECTION_NAMES) if (!reading.isHopeless) reading.collection(name, file[name]);
  for (const key of Object.keys(file)) {
    if (reading.isHopeless) break;
    if (!HEADS.includes(key)) reading.fault([key], 'is not allowed');
  }
  const { problems, isHopeless } = reading;
  if (problems.length === 0) {
    const [archive, pictures] = [reading.rows as unknown as Archive, readPictures(file[PICTURES])];
    return pictures.length === 0 ? { ok: true, archive } : { ok: true, archive, pictures };
  }
  const more = problems.length - MOST_SHOWN;
  const rest = more > 0 ? [`and ${more} more${isHopeless ? ' at least' : ''}`] : [];
  return refuse('invalid', 'Some values in the file cannot be used.', [...problems.slice(0, MOST_SHOWN), ...rest]);
}

/**
 * Reads an archive of this or an older version; a file that is huge, broken, foreign, newer or invalid comes back as a refusal
 * that says why and where, and nothing of it is used.
 */
export function readArchive(text: string): ReadArchive {
  if (text.length > LARGEST_ARCHIVE_BYTES) {
    const megabytes = Math.round(text.length / 1024 / 1024);
    return refuse('huge', `The file is ${megabytes} MB; at most ${LARGEST_ARCHIVE_BYTES / 1024 / 1024} MB are read.`);
  }
  const parsed = parseJson(text);
  if ('error' in parsed) return refuse('broken', `The file is not whole JSON: ${parsed.error}`);
  const file = parsed.value;
  if (typeof file !== 'object' || file === null || !('format' in file) || file.format !== ARCHIVE_FORMAT) {
    return refuse('foreign', `This is not a Roam Dial file: "format" is not "${ARCHIVE_FORMAT}".`);
  }
  const version = 'version' in file ? file.version : undefined;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) {
    return refuse('invalid', 'The file does not say which version it is.', ['version: must be a whole number of at least 1']);
  }
  if (version > ARCHIVE_VERSION) {
    return refuse('newer', `The file is of version ${version}; this program reads up to ${ARCHIVE_VERSION}. Update it first.`);
  }
  return readCollections(file as Record<string, unknown>, version);
}
