import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { DEFAULT_FIGURES, type KitItem } from '../../kit/index.js';
import { isWithinReach, kitInHand, lightFor, lightInputFor, setUpInputFor, siteOf } from '../../plan/index.js';
import { dialCard } from '../../setup/index.js';
import { DEFAULT_FRAMING, DEFAULT_INTENTS, DEFAULT_SHOOTING, type Intent, type Stop, stopDay } from '../../stop/index.js';
import { cloudOf, type Walk } from '../../walk/index.js';
import { readArchive, readRow } from './index.js';
import type { Archive } from '../archive/collections.js';
import { FIELD_RANGES } from '../archive/fieldRanges.js';

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
  wishes: { weight: 1 },
  ground: [{ label: 'kerb', distanceM: 2 }],
  intent: { kind: 'compressedDistance', farM: 40 },
};
const PAUSE = { id: 'p', name: 'Lunch', stayMin: 30, fromMin: 700, toMin: 800, position: null, atMin: null };
const STREET_WALK: Walk = { ...FULL_WALK, stops: [STREET_STOP], pauses: [PAUSE] };
const ofKind = (kind: KitItem['kind']): KitItem => archive.kit.find((item) => item.kind === kind) as KitItem;

/** Where each range of a field lies in a row. */
const WHERE: Readonly<
  Record<keyof typeof FIELD_RANGES, { readonly in: 'walks' | KitItem['kind'] | 'districts'; readonly path: Path }>
> = {
  speedMps: { in: 'walks', path: ['stops', 0, 'movers', 'speedMps'] },
  passersPerMinute: { in: 'walks', path: ['stops', 0, 'movers', 'passersPerMinute'] },
  streetWidthM: { in: 'walks', path: ['stops', 0, 'streetWidthM'] },
  spread: { in: 'walks', path: ['stops', 0, 'subject', 'spread'] },
  walkMin: { in: 'walks', path: ['stops', 0, 'walkMin'] },
  weight: { in: 'walks', path: ['stops', 0, 'wishes', 'weight'] },
  pauseMin: { in: 'walks', path: ['pauses', 0, 'stayMin'] },
  farM: { in: 'walks', path: ['stops', 0, 'intent', 'farM'] },
  groundMarkM: { in: 'walks', path: ['stops', 0, 'ground', 0, 'distanceM'] },
  groundM: { in: 'walks', path: ['stops', 0, 'groundM'] },
  wallM: { in: 'walks', path: ['stops', 0, 'section', 'leftHeightM'] },
  buildingM: { in: 'districts', path: ['buildings', 0, 'heightM'] },
  closestFocusM: { in: 'lens', path: ['closestFocusM'] },
  holdsOverEv: { in: 'film', path: ['holdsOverEv'] },
  reciprocityExponent: { in: 'film', path: ['reciprocityExponent'] },
  reciprocityThresholdS: { in: 'film', path: ['reciprocityThresholdS'] },
  guideNumberM: { in: 'flash', path: ['guideNumberM'] },
  recycleS: { in: 'flash', path: ['recycleS'] },
};

describe('a field and a file', () => {
  const rowOf = (place: (typeof WHERE)['farM']['in']): readonly ['walks' | 'districts' | 'kit', unknown] => {
    if (place === 'walks') return ['walks', STREET_WALK];
    // No lens focuses nearer than it is long.
    if (place === 'lens') return ['kit', { ...ofKind('lens'), shortestMm: 8, longestMm: 8 }];
    return place === 'districts' ? ['districts', archive.districts[0]] : ['kit', ofKind(place)];
  };

  it.each(Object.keys(WHERE) as (keyof typeof FIELD_RANGES)[])('hold the same of %s', (key) => {
    const { in: place, path } = WHERE[key];
    const { low, high } = FIELD_RANGES[key];
    const [collection, row] = rowOf(place);
    const isRead = (value: number): boolean => readRow(collection, put(row, path, value), 2).ok;
    expect([isRead(low), isRead(high), isRead(high * 1.001 + 1)]).toEqual([true, true, false]);
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
