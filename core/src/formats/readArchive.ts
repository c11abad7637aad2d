import type Joi from 'joi';
import { type Archive, ARCHIVE_FORMAT, ARCHIVE_VERSION, LARGEST_ARCHIVE_BYTES } from './archive.js';
import { archiveSchema } from './schemas.js';

export type Refusal = 'huge' | 'broken' | 'foreign' | 'newer' | 'invalid';

export type ReadArchive =
  | { readonly ok: true; readonly archive: Archive }
  | { readonly ok: false; readonly refusal: Refusal; readonly message: string; readonly problems: readonly string[] };

function refuse(refusal: Refusal, message: string, problems: readonly string[] = []): ReadArchive {
  return { ok: false, refusal, message, problems };
}

/** `walks[0].stops[2].name`: how a person finds the place in the file. */
function pathOf(path: readonly (string | number)[]): string {
  return path.map((step, k) => (typeof step === 'number' ? `[${step}]` : k === 0 ? step : `.${step}`)).join('');
}

const MOST_PROBLEMS = 8;

/** Joi's own label is the last key or the whole path, in quotes; the path in the file comes first instead. */
function problemOf({ path, message }: Joi.ValidationErrorItem): string {
  const where = pathOf(path);
  const saying = message.replace(/^"[^"]*"\s*/, '');
  return where === '' ? message : `${where}: ${saying}`;
}

function parseJson(text: string): { readonly value: unknown } | { readonly error: string } {
  try {
    return { value: JSON.parse(text) as unknown };
  } catch (error) {
    return { error: error instanceof Error ? error.message : String(error) };
  }
}

/**
 * Reads an archive; a file that is huge, broken, foreign, newer or invalid comes back as a refusal that says why and
 * where, and nothing of it is used.
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
  const { value, error } = archiveSchema.validate(file, { abortEarly: false, convert: false });
  if (error !== undefined) {
    const problems = error.details.map(problemOf);
    const more = problems.length > MOST_PROBLEMS ? [`and ${problems.length - MOST_PROBLEMS} more`] : [];
    return refuse('invalid', 'Some values in the file cannot be used.', [...problems.slice(0, MOST_PROBLEMS), ...more]);
  }
  const { kit, standard, settings, walks, districts } = value as Archive;
  return { ok: true, archive: { kit, standard, settings, walks, districts } };
}
