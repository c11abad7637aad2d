import { type EntryKind, INCHES_PER_METRE, type LengthUnit } from './entry.js';
import { isSameValue, type MarkedQuantity, marksOf, STEPS_PER_STOP, type StopStep } from './marks.js';
import { parseEntry } from './parseEntry.js';

const MINUS = '−';
const STOP_FRACTIONS: Readonly<Record<string, string>> = { '1/2': '½', '1/3': '⅓', '2/3': '⅔' };

/** Rounded, without trailing zeros; a value that would round to nothing keeps two figures instead. */
function trimmed(value: number, decimals: number): string {
  const rounded = Number(value.toFixed(decimals));
  if (rounded !== 0 || value <= 0) return String(rounded);
  return value.toFixed(Math.min(20, Math.ceil(-Math.log10(value)) + 1)).replace(/0+$/, '');
}

/**
 * The name of the mark that `candidate` would be read as, else the candidate itself. Going through the reader is
 * what makes format(parse(format(x))) = format(x) for every x.
 */
function named(candidate: string, value: number, quantity: MarkedQuantity, step: StopStep): string {
  const marks = marksOf(quantity, step);
  const own = marks.find((mark) => isSameValue(mark.exact, value));
  if (own !== undefined) return own.name;
  const read = parseEntry(quantity === 'shutter' ? `${candidate} s` : candidate, { kind: quantity, step });
  return marks.find((mark) => read.ok && mark.exact === read.value)?.name ?? candidate;
}

function formatAperture(fNumber: number, step: StopStep): string {
  return `f/${named(trimmed(fNumber, fNumber < 1 ? 2 : 1), fNumber, 'aperture', step)}`;
}

/** Fractions up to 1/4, where whole denominators are a fair rounding; decimal seconds above. */
function shutterNumber(shutterS: number): string {
  if (shutterS < 0.28) return `1/${trimmed(1 / shutterS, 0)}`;
  return trimmed(shutterS, shutterS < 1 ? 2 : shutterS < 10 ? 1 : 0);
}

function formatShutter(shutterS: number, step: StopStep): string {
  const name = named(shutterNumber(shutterS), shutterS, 'shutter', step);
  return name.startsWith('1/') ? name : `${name} s`;
}

function formatIso(iso: number, step: StopStep): string {
  return named(trimmed(iso, iso < 10 ? 1 : 0), iso, 'iso', step);
}

function formatMetres(distanceM: number): string {
  const decimals = distanceM < 0.1 ? 3 : distanceM < 3 ? 2 : distanceM < 100 ? 1 : 0;
  return `${trimmed(distanceM, decimals)} m`;
}

function formatFeet(distanceM: number): string {
  const inches = Math.round(distanceM * INCHES_PER_METRE);
  if (inches >= 240) return `${Math.round((distanceM * INCHES_PER_METRE) / 12)} ft`;
  const feet = Math.floor(inches / 12);
  const rest = inches - feet * 12;
  if (feet === 0) return inches === 0 ? `${trimmed(distanceM * INCHES_PER_METRE, 2)}"` : `${rest}"`;
  return rest === 0 ? `${feet} ft` : `${feet}'${rest}"`;
}

function formatDistance(distanceM: number, unit: LengthUnit): string {
  if (distanceM === Infinity) return '∞';
  return unit === 'feet' ? formatFeet(distanceM) : formatMetres(distanceM);
}

function unsignedStops(stops: number, step: StopStep): string {
  const perStop = STEPS_PER_STOP[step];
  const candidate = String(Number(stops.toFixed(2)));
  const read = parseEntry(candidate, { kind: 'stops', step });
  const steps = Math.round(stops * perStop);
  const isMark = isSameValue(steps / perStop, stops) || (read.ok && isSameValue(steps / perStop, read.value));
  if (!isMark) return candidate;
  const whole = Math.floor(steps / perStop);
  const part = steps - whole * perStop;
  const fraction = part === 0 ? '' : (STOP_FRACTIONS[`${part}/${perStop}`] ?? '');
  return whole === 0 && fraction !== '' ? fraction : `${whole}${fraction}`;
}

function formatStops(stops: number, step: StopStep): string {
  const size = unsignedStops(Math.abs(stops), step);
  if (size === '0') return '0';
  return (stops < 0 ? MINUS : '+') + size;
}

function formatEv(ev: number, step: StopStep): string {
  const size = unsignedStops(Math.abs(ev), step);
  return ev < 0 && size !== '0' ? MINUS + size : size;
}

/**
 * Writes a value the way `parseEntry` reads it back: parse(format(x)) = x for every marked value in its own series,
 * and format(parse(format(x))) = format(x) for all x.
 */
export function formatEntry(value: number, entry: EntryKind): string {
  switch (entry.kind) {
    case 'aperture':
      return formatAperture(value, entry.step);
    case 'shutter':
      return formatShutter(value, entry.step);
    case 'iso':
      return formatIso(value, entry.step);
    case 'distance':
      return formatDistance(value, entry.unit);
    case 'stops':
      return formatStops(value, entry.step);
    case 'ev':
      return formatEv(value, entry.step);
  }
}
