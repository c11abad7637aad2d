import { type EntryKind, INCHES_PER_METRE, type LengthUnit, type Parsed } from './entry.js';
import { isSameValue, type MarkedQuantity, marksOf, STEPS_PER_STOP, type StopStep } from './marks.js';

const NUMBER = String.raw`\d+(?:\.\d*)?|\.\d+`;
const FRACTIONS: Readonly<Record<string, string>> = { '½': '1/2', '⅓': '1/3', '⅔': '2/3' };

function found(value: number): Parsed {
  return { ok: true, value };
}

function refused(message: string): Parsed {
  return { ok: false, message };
}

/** Folds what keyboards and phones write differently: signs, primes, decimal commas, vulgar fractions, case. */
function tidy(text: string): string {
  return text
    .trim()
    .toLowerCase()
    .replace(/[−–]/g, '-')
    .replace(/[”″“]/g, '"')
    .replace(/[’′‘]/g, "'")
    .replace(/''/g, '"')
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/[½⅓⅔]/g, (sign) => ` ${FRACTIONS[sign] ?? sign}`)
    .replace(/([+-])\s+/g, '$1')
    .replace(/\s+/g, ' ')
    .trim();
}

/** Thousands as many write them, `12,800`; `0,125` is none, nor is `5,6`. */
const THOUSANDS = /(?<![\d.,])[1-9]\d{0,2}(?:,\d{3})+(?![\d,])/g;

/** Without the commas between thousands: for ISO and shutter times, where three figures behind a comma are no decimals. */
export function withoutThousandsCommas(text: string): string {
  return text.replace(THOUSANDS, (digits) => digits.replaceAll(',', ''));
}

function match(pattern: string, text: string): RegExpMatchArray | null {
  return new RegExp(`^(?:${pattern})$`, 'u').exec(text);
}

function markNamed(quantity: MarkedQuantity, step: StopStep, name: string): number | null {
  return marksOf(quantity, step).find((mark) => mark.name === name)?.exact ?? null;
}

/** `08` and `8.0` name the same mark as `8`. */
function canonicalNumber(text: string): string {
  return String(Number(text));
}

function aboveZero(text: string, value: number, what: string): Parsed {
  return Number.isFinite(value) && value > 0 ? found(value) : refused(`“${text}” is not above zero, so it is no ${what}`);
}

function parseAperture(text: string, step: StopStep): Parsed {
  const hit = match(String.raw`(?:f ?/? ?)?(${NUMBER})`, tidy(text));
  const digits = hit?.[1];
  if (digits === undefined) return refused(`“${text}” is not an aperture; try f/5.6 or 5.6`);
  const mark = markNamed('aperture', step, canonicalNumber(digits));
  return mark === null ? aboveZero(text, Number(digits), 'aperture') : found(mark);
}

/** A bare whole number above 1 is a denominator; seconds need s, " or a decimal point. */
function parseShutter(text: string, step: StopStep): Parsed {
  const tidied = tidy(withoutThousandsCommas(text));
  const fraction = match(String.raw`1 ?/ ?(${NUMBER})(?: ?(?:s|sec))?`, tidied)?.[1];
  const seconds = match(String.raw`(${NUMBER}) ?(?:s|sec|seconds?|")`, tidied)?.[1];
  const bare = match(NUMBER, tidied)?.[0];
  const denominator = fraction ?? (bare !== undefined && /^\d+$/.test(bare) && Number(bare) > 1 ? bare : undefined);

  if (denominator !== undefined) {
    const mark = markNamed('shutter', step, `1/${canonicalNumber(denominator)}`);
    if (mark !== null) return found(mark);
    return Number(denominator) === 1 ? found(1) : aboveZero(text, 1 / Number(denominator), 'shutter time');
  }
  const digits = seconds ?? bare;
  if (digits === undefined) return refused(`“${text}” is not a shutter time; try 1/250, 250, 0.4 s or 2"`);
  const mark = markNamed('shutter', step, canonicalNumber(digits));
  return mark === null ? aboveZero(text, Number(digits), 'shutter time') : found(mark);
}

function parseIso(text: string, step: StopStep): Parsed {
  const digits = match(String.raw`(?:iso ?|ei ?)?(${NUMBER})`, tidy(withoutThousandsCommas(text)))?.[1];
  if (digits === undefined) return refused(`“${text}” is not an ISO; try 400`);
  const mark = markNamed('iso', step, canonicalNumber(digits));
  return mark === null ? aboveZero(text, Number(digits), 'ISO') : found(mark);
}

function feetAndInches(tidied: string): number | null {
  const feet = match(String.raw`(${NUMBER}) ?(?:ft|feet|foot|')(?: ?(${NUMBER}) ?(?:in|inches|")?)?`, tidied);
  if (feet?.[1] !== undefined) return Number(feet[1]) * 12 + Number(feet[2] ?? 0);
  const inches = match(String.raw`(${NUMBER}) ?(?:in|inches|")`, tidied)?.[1];
  return inches === undefined ? null : Number(inches);
}

/** `1,500 m` is 1.5 m to some and 1500 m to others, and both are distances. */
function readsTwoWays(text: string): Parsed | null {
  const thousands = withoutThousandsCommas(text);
  return thousands === text ? null : refused(`“${text}” could be ${tidy(text)} or ${tidy(thousands)}; type it without the comma`);
}

function parseDistance(text: string, unit: LengthUnit): Parsed {
  const twoWays = readsTwoWays(text);
  if (twoWays !== null) return twoWays;
  const tidied = tidy(text);
  if (match('∞|inf|infinity', tidied) !== null) return found(Infinity);
  const inches = feetAndInches(tidied);
  if (inches !== null) return aboveZero(text, inches / INCHES_PER_METRE, 'distance');
  const metric = match(String.raw`(${NUMBER}) ?(mm|cm|m|metres?|meters?)?`, tidied);
  if (metric?.[1] === undefined) return refused(`“${text}” is not a distance; try 2 m, 6 ft, 6'6" or inf`);
  const number = Number(metric[1]);
  if (metric[2] === 'cm') return aboveZero(text, number / 100, 'distance');
  if (metric[2] === 'mm') return aboveZero(text, number / 1000, 'distance');
  const inFeet = metric[2] === undefined && unit === 'feet';
  return aboveZero(text, inFeet ? (number * 12) / INCHES_PER_METRE : number, 'distance');
}

/** 0.3, 0.33, 0.7, 0.67 and 0.66 are what people write for thirds. */
const THIRDS: Readonly<Record<string, number>> = { '3': 1, '33': 1, '7': 2, '67': 2, '66': 2 };

/** Signed stops: `+2/3`, `-1 1/3`, `−1⅓`, `0.7`, `2`. */
function signedStops(tidied: string, step: StopStep): number | null {
  const hit = match(String.raw`([+-]?)(?:(\d+) )?(\d+) ?/ ?(\d+)`, tidied);
  if (hit !== null) {
    const [, sign, whole = '0', top = '0', bottom = '1'] = hit;
    if (Number(bottom) === 0) return null;
    const stops = Number(whole) + Number(top) / Number(bottom);
    return sign === '-' ? 0 - stops : stops;
  }
  const decimal = match(String.raw`([+-]?)(${NUMBER})`, tidied);
  if (decimal?.[2] === undefined) return null;
  const [whole = '0', decimals = ''] = decimal[2].split('.');
  const third = step === 'third' ? THIRDS[decimals] : undefined;
  const stops = third === undefined ? Number(decimal[2]) : Number(whole) + third / 3;
  return decimal[1] === '-' && stops !== 0 ? -stops : stops;
}

/** Rounding of whole + 1/3 must not leave a neighbour of the mark. */
function toStopMark(stops: number, step: StopStep): number {
  const steps = Math.round(stops * STEPS_PER_STOP[step]);
  const mark = steps === 0 ? 0 : steps / STEPS_PER_STOP[step];
  return isSameValue(mark, stops) ? mark : stops;
}

function parseStops(text: string, step: StopStep): Parsed {
  const stops = signedStops(tidy(text).replace(/ ?(ev|stops?)$/, ''), step);
  if (stops === null) return refused(`“${text}” is not a number of stops; try +2/3, -1 1/3 or 0`);
  return found(toStopMark(stops, step));
}

function parseEv(text: string, step: StopStep): Parsed {
  const stops = signedStops(tidy(text).replace(/^ev ?/, '').replace(/ ?ev$/, ''), step);
  if (stops === null) return refused(`“${text}” is not an exposure value; try 11 or 11 1/3`);
  if (stops < -12 || stops > 24) return refused(`EV ${text} is outside what a meter reads (−12 to 24)`);
  return found(toStopMark(stops, step));
}

/**
 * Reads what people type into a field of the given kind and series. Marked names give their exact values
 * (`1/125` is 2⁻⁷ s; `13` differs between thirds and halves); anything else that is a number stays as typed.
 * Never throws for text: what cannot be read comes back as a message that says what can.
 */
export function parseEntry(text: string, entry: EntryKind): Parsed {
  if (text.trim() === '') return refused('nothing entered');
  switch (entry.kind) {
    case 'aperture':
      return parseAperture(text, entry.step);
    case 'shutter':
      return parseShutter(text, entry.step);
    case 'iso':
      return parseIso(text, entry.step);
    case 'distance':
      return parseDistance(text, entry.unit);
    case 'stops':
      return parseStops(text, entry.step);
    case 'ev':
      return parseEv(text, entry.step);
  }
}
