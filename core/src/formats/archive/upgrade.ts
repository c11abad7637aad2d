import { FILM_HOLDS, type FilmKind, STRAIGHT_HOLDS } from '../../kit/index.js';
import { DEFAULT_INTENTS, type IntentKind, type Subject, asZoneKind, withPassers, zoneLawFor } from '../../stop/index.js';
import { INFINITY_WORD } from './words.js';

/**
 * What an older program wrote, brought to the newest shape, a row at a time: the same steps serve files and the browser's
 * rows. A step changes only what it recognises; what it does not, the schema refuses by name afterwards.
 */

type Plain = Readonly<Record<string, unknown>>;

function isPlain(value: unknown): value is Plain {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

const distanceOf = (value: unknown): number => (value === INFINITY_WORD ? Infinity : Number(value));

function isIntentKind(kind: unknown): kind is IntentKind {
  return typeof kind === 'string' && Object.hasOwn(DEFAULT_INTENTS, kind);
}

/**
 * Version 1 held near and far apart from where people pass, and only the latter had an effect on the card of people: those
 * numbers stay, and the ends follow. Of a place it was the ends that were meant.
 */
function zoneTogether(stop: Plain): Plain {
  const { subject, intent } = stop;
  if (!isPlain(subject) || !isPlain(intent) || !isIntentKind(intent['kind'])) return stop;
  const read: Subject = {
    nearM: distanceOf(subject['nearM']),
    farM: distanceOf(subject['farM']),
    medianM: distanceOf(subject['medianM']),
    spread: Number(subject['spread']),
  };
  if (!(read.nearM > 0 && read.farM > read.nearM && read.medianM > 0 && read.spread >= 0)) return stop;
  const isPlace = zoneLawFor(intent['kind']) === 'allOfIt';
  const { law: _, ...together } = isPlace ? asZoneKind(read, 'allOfIt') : withPassers(read, {});
  return { ...stop, subject: { ...subject, ...together } };
}

function walkTo2(walk: Plain): Plain {
  const stops = Array.isArray(walk['stops'])
    ? walk['stops'].map((stop: unknown) => (isPlain(stop) ? zoneTogether(stop) : stop))
    : walk['stops'];
  if (!isPlain(walk['windows'])) return { ...walk, stops };
  // The wall of a reflection is held against the shade now, by a gate: a ramp over a person's contrast says nothing of it.
  const { reflectionContrastEv: _, ...windows } = walk['windows'];
  return { ...walk, stops, windows };
}

/** A crown that begins over its own top ended the light of its whole district. */
function districtTo2(district: Plain): Plain {
  const { trees } = district;
  if (!Array.isArray(trees)) return district;
  const isWhole = (tree: unknown): boolean => !isPlain(tree) || !(Number(tree['baseM'] ?? 0) >= Number(tree['heightM']));
  return { ...district, trees: trees.filter(isWhole) };
}

function isFilmKind(kind: unknown): kind is FilmKind {
  return typeof kind === 'string' && Object.hasOwn(FILM_HOLDS, kind);
}

/** What a straight picture and a film hold was one figure for all of them. */
function kitTo3(item: Plain): Plain {
  if (item['kind'] === 'body') return { ...STRAIGHT_HOLDS, ...item };
  const { filmKind } = item;
  return item['kind'] === 'film' && isFilmKind(filmKind) ? { ...FILM_HOLDS[filmKind], ...item } : item;
}

/** A roll did not say which body it lay in. */
function logTo5(log: Plain): Plain {
  const { rolls } = log;
  if (!Array.isArray(rolls)) return log;
  return { ...log, rolls: rolls.map((roll: unknown) => (isPlain(roll) ? { bodyId: null, ...roll } : roll)) };
}

/** Film had no scans. */
function frameTo5(frame: Plain): Plain {
  const { source } = frame;
  return isPlain(source) && source['kind'] === 'roll' ? { ...frame, source: { scan: null, ...source } } : frame;
}

type RowStep = (row: Plain) => Plain;
export type Upgraded = 'kit' | 'standard' | 'settings' | 'walks' | 'districts' | 'outings' | 'returns' | 'logs' | 'frames';

/** The step from each version to the next, by collection; a collection without one stays as it is. Append-only. */
const STEPS: readonly Partial<Record<Upgraded, RowStep>>[] = [
  { walks: walkTo2, districts: districtTo2 },
  { kit: kitTo3 },
  // Logs and frames are there from version 4 on.
  {},
  { logs: logTo5, frames: frameTo5 },
  // Walks of version 6 go on past midnight, and have lamps that go out and a last ride; those before are as they were.
  {},
];

/** The version that rows are brought to. */
export const NEWEST_VERSION = STEPS.length + 1;

/** A row as this program writes it. */
export function upgradeRow(collection: Upgraded, row: unknown, fromVersion: number): unknown {
  if (!isPlain(row)) return row;
  return STEPS.slice(fromVersion - 1).reduce<Plain>((now, step) => step[collection]?.(now) ?? now, row);
}
