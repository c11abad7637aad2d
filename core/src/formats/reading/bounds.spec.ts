import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  BODY_FIELDS,
  DEFAULT_FIGURES,
  FILM_FIELDS,
  FILTER_FIELDS,
  FLASH_FIELDS,
  type KitItem,
  LENS_FIELDS,
  STANDARD_FIELDS,
  SUPPORT_FIELDS,
} from '../../kit/index.js';
import { isWithinReach, kitInHand, lightFor, lightInputFor, setUpInputFor, siteOf } from '../../plan/index.js';
import { dialCard } from '../../setup/index.js';
import {
  DEFAULT_FRAMING,
  DEFAULT_INTENTS,
  DEFAULT_SHOOTING,
  FRAMING_FIELDS,
  GROUND_MARK_FIELDS,
  HOURS_FIELDS,
  type Intent,
  INTENT_FIELDS,
  INTENT_KINDS,
  MOVERS_FIELDS,
  SHOOTING_FIELDS,
  type Stop,
  STOP_FIELDS,
  stopDay,
  SUBJECT_FIELDS,
  SUN_GAP_FIELDS,
  WISHES_FIELDS,
} from '../../stop/index.js';
import { BUILDING_HEIGHT_FIELD, SECTION_FIELDS } from '../../streets/index.js';
import type { NumberField } from '../../units/index.js';
import { cloudOf, PAUSE_FIELDS, PLACE_FIELDS, type Walk, WALK_FIELDS } from '../../walk/index.js';
import { readArchive, readRow } from './index.js';
import type { Archive } from '../archive/collections.js';

/**
 * Whatever a stored row may hold, the core can compute: each figure of a stop, a walk, the kit and the standard is put at
 * both ends of what its schema lets through, found by halving, and the card of the stop and its day are worked out.
 */

const read = readArchive(readFileSync(join(__dirname, '../../../reference/archives/v2.json'), 'utf8'));
if (!read.ok) throw new Error(read.message);
const { archive } = read;

type Path = readonly (string | number)[];

function numbersIn(value: unknown, path: Path = []): Path[] {
  if (typeof value === 'number') return [path];
  if (Array.isArray(value)) return value.length > 0 ? numbersIn(value[0], [...path, 0]) : [];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, one]) => numbersIn(one, [...path, key]));
}

function put<Row>(row: Row, [step, ...rest]: Path, value: number): Row {
  if (step === undefined) return value as Row;
  const copy = (Array.isArray(row) ? [...(row as unknown[])] : { ...row }) as Record<string | number, unknown>;
  copy[step] = put(copy[step], rest, value);
  return copy as Row;
}

/** The furthest from `from` towards `to` that is let through. */
function endTowards(from: number, to: number, isLetThrough: (value: number) => boolean): number {
  if (isLetThrough(to)) return to;
  let [inside, outside] = [from, to];
  for (let k = 0; k < 90; k++) {
    // Far ends by their size, near ones by their difference.
    const middle = Math.abs(outside) > 4 * Math.abs(inside) + 1 ? outside / 2 : (inside + outside) / 2;
    if (isLetThrough(middle)) inside = middle;
    else outside = middle;
  }
  return inside;
}

const FARTHEST = 1e12;

const FULL_STOP: Stop = {
  ...(archive.walks[0]?.stops[3] as Stop),
  shooting: { ...DEFAULT_SHOOTING, burstFrames: 2 },
  framing: DEFAULT_FRAMING,
  groundM: 1,
  sunGap: { fromDeg: 100, toDeg: 200, aboveDeg: 20 },
  walkMin: 4,
  focalLengthMm: 28,
  hand: { fNumber: 4, focusM: 3, shutterS: 1 / 128, iso: 400, support: 'handheld' },
};
const FULL_WALK: Walk = { ...(archive.walks[0] as Walk), districtId: null, stops: [FULL_STOP] };
const STANDARD = { ...archive.standard, figures: DEFAULT_FIGURES, handTests: [{ againstRule: 1, frames: 8, sharp: 4 }] };
const HOLDINGS: Archive = { ...archive, standard: STANDARD, walks: [FULL_WALK] };

/** The day and the card of the first stop: what must not throw, nor come to no number. */
function workOut(holdings: Archive): void {
  const walk = holdings.walks[0] as Walk;
  const stop = walk.stops[0] as Stop;
  const site = siteOf(holdings, walk, stop);
  const input = { ...lightInputFor(holdings, walk, stop), day: walk.day, cloud: cloudOf(walk) };
  const day = stopDay({ ...input, streets: site.kind === 'none' ? null : site.site });
  const kit = kitInHand(holdings.kit, walk, stop);
  if (kit === null) throw new Error('no kit');
  const light = lightFor(walk, stop, stop.arriveMin, day);
  if (light === null || !isWithinReach(kit, stop)) return;
  const { setUp } = dialCard(setUpInputFor(holdings, walk, stop, kit, light));
  const { chance, score } = setUp.found;
  if ([chance, score, setUp.aperture.fNumber, setUp.shutter.seconds, setUp.iso.expected].some(Number.isNaN)) {
    throw new Error(`no number: ${JSON.stringify([chance, score])}`);
  }
}

const failuresOf = (path: Path, ends: readonly number[], holdingsWith: (value: number) => Archive): string[] =>
  ends.flatMap((value) => {
    try {
      workOut(holdingsWith(value));
      return [];
    } catch (error) {
      return [`${path.join('.')} = ${value}: ${String(error)}`];
    }
  });

function failuresIn<Row>(
  row: Row,
  paths: readonly Path[],
  isRead: (row: Row) => boolean,
  holding: (row: Row) => Archive,
): string[] {
  return paths.flatMap((path) => {
    const now = path.reduce<unknown>((value, step) => (value as Record<string | number, unknown>)[step], row) as number;
    const isLetThrough = (value: number): boolean => isRead(put(row, path, value));
    const ends = [endTowards(now, -FARTHEST, isLetThrough), endTowards(now, FARTHEST, isLetThrough)];
    return failuresOf(path, ends, (value) => holding(put(row, path, value)));
  });
}

const isWalk = (row: Walk): boolean => readRow('walks', row, 2).ok;
const withWalk = (walk: Walk): Archive => ({ ...HOLDINGS, walks: [walk] });

const STREET_STOP: Stop = {
  ...FULL_STOP,
  section: { leftHeightM: 9, rightHeightM: 12 },
  wishes: { weight: 1, shortestMin: 5, longestMin: 9, fixedAtMin: 600, usefulMin: 4 },
  ground: [{ label: 'kerb', distanceM: 2 }],
  hours: { fromMin: 600, toMin: 700 },
};
const PAUSE = { id: 'p', name: 'Lunch', stayMin: 30, fromMin: 700, toMin: 800, position: null, atMin: 720 };
const STREET_WALK: Walk = { ...FULL_WALK, stops: [STREET_STOP], pauses: [PAUSE] };
const ofKind = (kind: KitItem['kind']): KitItem => archive.kit.find((item) => item.kind === kind) as KitItem;
const BODY = { ...ofKind('body'), pixelsAcross: 6000, readoutS: 0.02, liveViewSmallestFNumber: 8 } as KitItem;

interface Rows {
  readonly of: string;
  readonly collection: 'walks' | 'kit' | 'standard' | 'districts';
  readonly row: unknown;
  /** Where in the row the fields lie. */
  readonly at: Path;
  readonly fields: Readonly<Record<string, NumberField>>;
}

const ofStop = (of: string, at: Path, fields: Rows['fields'], stop: Stop = STREET_STOP): Rows => ({
  of,
  collection: 'walks',
  row: { ...STREET_WALK, stops: [stop] },
  at: ['stops', 0, ...at],
  fields,
});
const ofKit = (of: string, row: KitItem, fields: Rows['fields']): Rows => ({ of, collection: 'kit', row, at: [], fields });

/** Every row of a stored number, and where it is stored. */
const ROWS: readonly Rows[] = [
  ofStop('a stop', [], STOP_FIELDS),
  ofStop('its zone', ['subject'], SUBJECT_FIELDS),
  ofStop('its people', ['movers'], MOVERS_FIELDS),
  ofStop('its gap of the sun', ['sunGap'], SUN_GAP_FIELDS),
  ofStop('its hours', ['hours'], HOURS_FIELDS),
  ofStop('its wishes', ['wishes'], WISHES_FIELDS),
  ofStop('its frames', ['shooting'], SHOOTING_FIELDS),
  ofStop('its ground marks', ['ground', 0], GROUND_MARK_FIELDS),
  ofStop('its framing', ['framing'], FRAMING_FIELDS),
  ofStop('its walls', ['section'], SECTION_FIELDS),
  ...INTENT_KINDS.map((kind) => ofStop(kind, ['intent'], INTENT_FIELDS[kind], { ...STREET_STOP, intent: DEFAULT_INTENTS[kind] })),
  { of: 'a walk', collection: 'walks', row: STREET_WALK, at: [], fields: WALK_FIELDS },
  { of: 'its place', collection: 'walks', row: STREET_WALK, at: ['place'], fields: PLACE_FIELDS },
  { of: 'its pauses', collection: 'walks', row: STREET_WALK, at: ['pauses', 0], fields: PAUSE_FIELDS },
  ofKit('a body', BODY, BODY_FIELDS),
  // No lens focuses nearer than it is long.
  ofKit('a lens', { ...ofKind('lens'), shortestMm: 8, longestMm: 8, ringDiameterMm: 60, closestFocusM: 3 } as KitItem, LENS_FIELDS),
  ofKit('a film', ofKind('film'), FILM_FIELDS),
  ofKit('a flash', ofKind('flash'), FLASH_FIELDS),
  ofKit('a filter', ofKind('filter'), FILTER_FIELDS),
  ofKit('a support', ofKind('support'), SUPPORT_FIELDS),
  { of: 'the standard', collection: 'standard', row: STANDARD, at: [], fields: STANDARD_FIELDS },
  {
    of: 'a building',
    collection: 'districts',
    row: archive.districts[0],
    at: ['buildings', 0],
    fields: { heightM: BUILDING_HEIGHT_FIELD },
  },
];

/** What has to be otherwise beside it for an end of a field to be let through: two fields that hold each other. */
const BESIDE: Readonly<Record<string, (value: number) => Readonly<Record<string, number>>>> = {
  'its zone: nearM': (value) => ({ farM: Math.max(5, value) }),
  'its zone: farM': (value) => ({ nearM: Math.min(2, value) }),
  'a lens: shortestMm': (value) => ({ longestMm: value }),
  'a lens: longestMm': (value) => ({ shortestMm: Math.min(8, value) }),
  'a body: highestIso': (value) => ({ baseIso: Math.min(100, value) }),
  'a body: baseIso': (value) => ({ highestIso: Math.max(25_600, value) }),
  'a body: fastestShutterS': (value) => ({ slowestShutterS: Math.max(30, value) }),
  'a body: slowestShutterS': (value) => ({ fastestShutterS: Math.min(1 / 4000, value) }),
  'a lens: closestFocusM': () => ({ shortestMm: 8, longestMm: 8 }),
};

describe('a field takes nothing that a file may not hold, and a file nothing beyond what its row says', () => {
  const cases = ROWS.flatMap((rows) => Object.entries(rows.fields).map(([key, field]) => [rows.of, key, field, rows] as const));

  it('has a row for each of them', () => {
    expect(cases.length).toBeGreaterThan(85);
  });

  it.each(cases)('of %s: %s', (of, key, field, { collection, row, at }) => {
    const isRead = (value: number): boolean => {
      const beside = Object.entries(BESIDE[`${of}: ${key}`]?.(value) ?? {});
      const changed = [...beside, [key, value] as const].reduce<unknown>(
        (whole, [name, figure]) => put(whole, [...at, name], figure),
        row,
      );
      return readRow(collection, changed, 2).ok;
    };
    const { low, high, inFiles = {} } = field;
    const highest = field.kind === 'bearing' ? high - 1e-6 : high;
    // The widest aperture of the lens holds the low end of its smallest.
    expect([isRead(key === 'smallestFNumber' ? 2 : low), isRead(highest)]).toEqual([true, true]);
    const [fileLow, fileHigh] = [inFiles.above ?? inFiles.low ?? low, inFiles.high ?? high];
    const under = fileLow - 0.001 * Math.abs(fileLow) - (field.isWhole === true ? 1 : 1e-6);
    const over = fileHigh + 0.001 * Math.abs(fileHigh) + (field.isWhole === true ? 1 : 1e-6);
    expect([isRead(under), Number.isFinite(over) && isRead(Math.ceil(over))]).toEqual([false, false]);
    if (inFiles.above !== undefined) expect(isRead(inFiles.above)).toBe(false);
  });
});

describe('at both ends of every figure that may be stored, the core computes', () => {
  it('the rows themselves are let through', () => {
    expect(readRow('walks', FULL_WALK, 2)).toMatchObject({ ok: true });
    expect(readRow('standard', STANDARD, 2)).toMatchObject({ ok: true });
  });

  it('of a walk and its stop', () => {
    expect(failuresIn(FULL_WALK, numbersIn(FULL_WALK), isWalk, withWalk)).toEqual([]);
  });

  it('of the street that a stop stands in', () => {
    const stop: Stop = { ...FULL_STOP, position: null, section: { leftHeightM: 9, rightHeightM: 12 } };
    const paths = numbersIn(stop.section, ['section']).concat([
      ['streetAxisDeg'],
      ['streetWidthM'],
      ['groundM'],
      ['shootingBearingDeg'],
    ]);
    const fromWalk = paths.map((path) => ['stops', 0, ...path]);
    expect(failuresIn({ ...FULL_WALK, stops: [stop] }, fromWalk, isWalk, withWalk)).toEqual([]);
  });

  it.each(Object.values(DEFAULT_INTENTS))('of the answers of $kind', (intent: Intent) => {
    const walk = { ...FULL_WALK, stops: [{ ...FULL_STOP, intent }] };
    expect(failuresIn(walk, numbersIn(intent, ['stops', 0, 'intent']), isWalk, withWalk)).toEqual([]);
  });

  it('of the standard', () => {
    const isRead = (row: typeof STANDARD): boolean => readRow('standard', row, 2).ok;
    expect(failuresIn(STANDARD, numbersIn(STANDARD), isRead, (standard) => ({ ...HOLDINGS, standard }))).toEqual([]);
  });

  it.each(archive.kit.map((item) => [item.name, item] as const))('of %s', (_, item) => {
    const isRead = (row: KitItem): boolean => readRow('kit', row, 2).ok;
    const walk = { ...FULL_WALK, bodyId: item.kind === 'film' || item.id === 'demo-film-body' ? 'demo-film-body' : 'demo-body' };
    const stop = { ...FULL_STOP, lensId: item.kind === 'lens' ? item.id : FULL_STOP.lensId, focalLengthMm: null };
    const holding = (row: KitItem): Archive => ({
      ...HOLDINGS,
      walks: [{ ...walk, stops: [stop] }],
      kit: HOLDINGS.kit.map((one) => (one.id === row.id ? row : one)),
    });
    expect(failuresIn(item, numbersIn(item), isRead, holding)).toEqual([]);
  });
});
