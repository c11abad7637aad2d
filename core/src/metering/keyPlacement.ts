import { isNegative, type Medium } from './medium.js';
import type { PlacementMethod, Reading } from '../stop/index.js';

/** The exposures, as EV at ISO 100, that lose nothing of what is kept: none where `fromEv` lies over `toEv`. */
export interface KeyRoom {
  readonly fromEv: number;
  readonly toEv: number;
  readonly fits: boolean;
  /** Stops by which the range is wider than what is held; 0 where it fits. */
  readonly shortEv: number;
}

export interface KeyOfReadings {
  readonly reading: Reading;
  /** Stops from mid-grey at which it is wanted. */
  readonly tone: number;
  /** The exposure that puts it there. */
  readonly ev100: number;
}

/** Where a reading comes out, stops from mid-grey, and how much of it is lost: above +, below −, 0 where it is held or let go. */
export interface FallsAt {
  readonly id: string;
  readonly toneEv: number;
  readonly lostEv: number;
}

export interface KeyPlacement {
  /** The exposure, EV at ISO 100. */
  readonly ev100: number;
  readonly key: KeyOfReadings;
  /** How the key comes out against how it is wanted: negative is darker. */
  readonly keyShiftEv: number;
  readonly room: KeyRoom;
  readonly falls: readonly FallsAt[];
  /** Tones of the key at which everything kept would be held, where that is possible and is not so now. */
  readonly keyTones: readonly [fromTone: number, toTone: number] | null;
}

const EXACT_EV = 1e-9;
/** Highlights of digital pictures and slides end at once: so far is kept from their end. */
const MARGIN_EV = 1 / 3;
/** From this tone down a reading is a shadow; the darkest is wanted at the second where none is. */
const SHADOW_TONE = -1;
const TEXTURED_SHADOW_TONE = -2;

const evs = (readings: readonly Reading[]): readonly number[] => readings.map(({ ev100 }) => ev100);
const kept = (readings: readonly Reading[]): readonly Reading[] => readings.filter(({ isLetGo }) => !isLetGo);

/** The room of what is kept, at least one reading. */
function roomOf(readings: readonly Reading[], { overEv, underEv }: Medium): KeyRoom {
  const fromEv = Math.max(...evs(readings)) - overEv;
  const toEv = Math.min(...evs(readings)) + underEv;
  const fits = fromEv <= toEv + EXACT_EV;
  return { fromEv, toEv, fits, shortEv: fits ? 0 : fromEv - toEv };
}

const newestOf = (readings: readonly Reading[]): Reading | null =>
  readings.reduce<Reading | null>((newest, one) => (newest === null || one.takenMs >= newest.takenMs ? one : newest), null);

/** The one that is marked; else the newest of incident light or a card; else the newest with a tone; else the newest. */
function keyReading(readings: readonly Reading[]): Reading | null {
  return (
    readings.find(({ isKey }) => isKey) ??
    newestOf(readings.filter(({ kind }) => kind === 'incident' || kind === 'greyCard')) ??
    newestOf(readings.filter(({ tone }) => tone !== null)) ??
    newestOf(readings)
  );
}

/** What a school keeps: to let lamps burn is to let them go, but for one that is itself the key. */
function keptBy(school: PlacementMethod, readings: readonly Reading[], key: KeyOfReadings): readonly Reading[] {
  const all = kept(readings);
  return school === 'burn' ? all.filter((one) => !one.isLamp || one.id === key.reading.id) : all;
}

/** The key among what is kept; null where nothing is. */
export function keyOf(readings: readonly Reading[]): KeyOfReadings | null {
  const reading = keyReading(kept(readings));
  if (reading === null) return null;
  const tone = reading.tone ?? 0;
  return { reading, tone, ev100: reading.ev100 - tone };
}

/** So much exposure at most that the brightest of some readings is not lost. */
function protectedEv(readings: readonly Reading[], medium: Medium): number {
  if (readings.length === 0) return -Infinity;
  return Math.max(...evs(readings)) - medium.overEv + (isNegative(medium) ? 0 : MARGIN_EV);
}

/** The exposure that brings the shadow with texture where it is wanted. */
function shadowsEv(readings: readonly Reading[]): number {
  const shadows = readings.filter(({ tone }) => tone !== null && tone <= SHADOW_TONE);
  const [first, ...others] = shadows;
  if (first === undefined) return Math.min(...evs(readings)) - TEXTURED_SHADOW_TONE;
  const lowest = others.reduce((low, one) => {
    const [its, lows] = [one.tone as number, low.tone as number];
    return its < lows || (its === lows && one.ev100 < low.ev100) ? one : low;
  }, first);
  return lowest.ev100 - (lowest.tone as number);
}

function exposureOf(school: PlacementMethod, key: KeyOfReadings, readings: readonly Reading[], medium: Medium): number {
  switch (school) {
    case 'hold':
      return key.ev100;
    // Burning protects what is left when the lamps are let go.
    case 'protect':
    case 'burn':
      return Math.max(key.ev100, protectedEv(readings, medium));
    case 'shadows':
      return Math.min(key.ev100, shadowsEv(readings));
    case 'right':
      return Math.max(...evs(readings)) - medium.overEv + MARGIN_EV;
  }
}

function fallsAt({ id, ev100 }: Reading, x: number, { overEv, underEv }: Medium, isKept: boolean): FallsAt {
  const toneEv = ev100 - x;
  if (!isKept) return { id, toneEv, lostEv: 0 };
  const lostEv = toneEv > overEv + EXACT_EV ? toneEv - overEv : toneEv < -underEv - EXACT_EV ? toneEv + underEv : 0;
  return { id, toneEv, lostEv };
}

/**
 * The exposure by a school, and where everything falls. Null where no reading is kept, and for the school of exposing to the
 * right on anything but a raw file. Source: docs/metering.md#placement.
 */
export function placeKey(readings: readonly Reading[], medium: Medium, school: PlacementMethod): KeyPlacement | null {
  const key = keyOf(readings);
  if (key === null || (school === 'right' && medium.kind !== 'raw')) return null;
  const keptOnes = keptBy(school, readings, key);
  const room = roomOf(keptOnes, medium);
  const ev100 = exposureOf(school, key, keptOnes, medium);
  const isOutside = ev100 < room.fromEv - EXACT_EV || ev100 > room.toEv + EXACT_EV;
  return {
    ev100,
    key,
    keyShiftEv: key.ev100 - ev100,
    room,
    falls: readings.map((reading) => fallsAt(reading, ev100, medium, keptOnes.includes(reading))),
    keyTones: room.fits && isOutside ? [key.reading.ev100 - room.toEv, key.reading.ev100 - room.fromEv] : null,
  };
}
