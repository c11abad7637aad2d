import { type Lens, LENS_FIELDS } from '@roam-dial/core/kit';
import { formatEntry, isSameValue } from '@roam-dial/core/units';
import { choicesOf } from '../../words/choices';
import { type Codec, distanceCodec, entryCodec, listCodec, optional, restricted } from '../../fields/codec';
import { choiceOf, type KitContext, type ExplainedField, row, valueOf } from './field-spec';
import { STEP_CHOICES } from './step-choices';
import { codecOf } from '../../fields/field-codec';

interface WidestRow {
  readonly focalLengthMm: number;
  readonly fNumber: number;
}

/** `f/3.5-5.6`, `1:3.5–5.6`: as it is engraved on a zoom, its widest at both ends. */
function engravedEnds(text: string): { readonly wide: string; readonly long: string } | null {
  const found = /^(?:f ?\/? ?|1 ?: ?)?(\d+(?:[.,]\d+)?) ?[-–−] ?(?:f ?\/? ?)?(\d+(?:[.,]\d+)?)$/i.exec(text.trim());
  return found?.[1] === undefined || found[2] === undefined ? null : { wide: found[1], long: found[2] };
}

/** A zoom's widest apertures as "35: f/3.5; 70: f/4": a small table on one line. */
function widestCodec(lens: Lens): Codec<readonly WidestRow[]> {
  const aperture = entryCodec({ kind: 'aperture', step: lens.clickStep }, { low: 0.7, high: 64 });
  const isPrime = isSameValue(lens.shortestMm, lens.longestMm);
  const example = isPrime ? 'f/2' : `f/3.5-5.6, or ${lens.shortestMm}: f/3.5; ${lens.longestMm}: f/4.5`;
  return {
    format: (rows) =>
      isPrime && rows.length === 1
        ? aperture.format((rows[0] as WidestRow).fNumber)
        : rows.map(({ focalLengthMm, fNumber }) => `${focalLengthMm}: ${aperture.format(fNumber)}`).join('; '),
    parse: (text) => {
      const rows: WidestRow[] = [];
      const ends = engravedEnds(text);
      const both = isPrime || ends === null ? text : `${lens.shortestMm}: ${ends.wide}; ${lens.longestMm}: ${ends.long}`;
      for (const part of both
        .split(';')
        .map((one) => one.trim())
        .filter(Boolean)) {
        const [left = '', right] = part.split(':');
        const focal = right === undefined ? lens.shortestMm : Number(left.replace('mm', ''));
        const parsed = aperture.parse(right ?? left);
        if (!parsed.ok || !Number.isFinite(focal) || focal <= 0) return { ok: false, message: `write ${example}` };
        if (parsed.value > lens.smallestFNumber) return { ok: false, message: 'opens no wider than it closes' };
        rows.push({ focalLengthMm: focal, fNumber: parsed.value });
      }
      if (rows.length === 0) return { ok: false, message: `write ${example}` };
      return { ok: true, value: rows.sort((a, b) => a.focalLengthMm - b.focalLengthMm) };
    },
  };
}

interface ThrowPoint {
  readonly distanceM: number;
  readonly degrees: number;
}

/** Measured points of the focus throw: "0.3 m: 0; 1 m: 62; ∞: 94". */
function throwCodec({ lengthUnit }: KitContext): Codec<readonly ThrowPoint[]> {
  const distance = distanceCodec(lengthUnit);
  return {
    format: (points) =>
      points
        .map(({ distanceM, degrees }) => `${formatEntry(distanceM, { kind: 'distance', unit: lengthUnit })}: ${degrees}`)
        .join('; '),
    parse: (text) => {
      const points: ThrowPoint[] = [];
      for (const part of text
        .split(';')
        .map((one) => one.trim())
        .filter(Boolean)) {
        const [left = '', right = ''] = part.split(':');
        const parsed = distance.parse(left);
        const degrees = right.trim() === '' ? NaN : Number(right);
        if (!parsed.ok || !Number.isFinite(degrees)) return { ok: false, message: 'write 1 m: 62; 3 m: 83' };
        points.push({ distanceM: parsed.value, degrees });
      }
      return { ok: true, value: points.sort((a, b) => a.distanceM - b.distanceM) };
    },
  };
}

export const LENS_FORM: readonly ExplainedField<Lens>[] = [
  valueOf(
    'shortestMm',
    'Focal length from',
    'Shorter: deeper zone, steadier hands, smaller people.',
    (lens, context) =>
      restricted(codecOf(LENS_FIELDS.shortestMm, context), (f) => f <= lens.longestMm, 'must not be longer than the long end'),
    { feeds: 'aperture' },
  ),
  valueOf(
    'longestMm',
    'to',
    'The same for a prime.',
    (lens, context) =>
      restricted(codecOf(LENS_FIELDS.longestMm, context), (f) => f >= lens.shortestMm, 'must not be shorter than the short end'),
    { feeds: 'aperture' },
  ),
  valueOf(
    'widest',
    'Widest aperture',
    'For a zoom by focal length: 35: f/3.5; 70: f/4. How far the ladder can open.',
    widestCodec,
    { feeds: 'aperture' },
  ),
  valueOf(
    'smallestFNumber',
    'Smallest aperture',
    'How far it closes in glare.',
    (lens, context) =>
      restricted(
        codecOf(LENS_FIELDS.smallestFNumber, context, lens.clickStep),
        (n) => lens.widest.every(({ fNumber }) => n >= fNumber),
        'must be smaller than the widest',
      ),
    { feeds: 'aperture' },
  ),
  choiceOf('clickStep', 'Clicks in', 'The apertures that the card may name.', STEP_CHOICES, { feeds: 'aperture' }),
  valueOf(
    'engravedDistancesM',
    'Engraved distances',
    'The only places where the card puts the focus; empty for focus by wire.',
    (_, { lengthUnit }) => listCodec(distanceCodec(lengthUnit), { allowEmpty: true }),
    { feeds: 'focus' },
  ),
  valueOf('closestFocusM', 'Closest focus', 'Nothing nearer is proposed.', row(LENS_FIELDS.closestFocusM), { feeds: 'focus' }),
  valueOf('stabiliserStops', 'Stabiliser', 'The better of body and lens counts.', row(LENS_FIELDS.stabiliserStops), {
    feeds: 'shutter',
  }),
  valueOf(
    'ringDiameterMm',
    'Ring diameter',
    'For a printed barrel tape.',
    (_, context) => optional(codecOf(LENS_FIELDS.ringDiameterMm, context)),
    { feeds: null },
  ),
  {
    kind: 'choice',
    label: 'Turns to infinity',
    effect: 'For a printed barrel tape.',
    feeds: null,
    isShown: () => true,
    choices: () => choicesOf({ '': 'not measured', clockwise: 'clockwise', anticlockwise: 'anticlockwise' }),
    read: (lens) => lens.turnToInfinity ?? '',
    write: (lens, value) => ({ ...lens, turnToInfinity: value === '' ? null : (value as 'clockwise' | 'anticlockwise') }),
  },
  valueOf('throwPoints', 'Measured throw', 'Distance: degrees, for a printed barrel tape.', (_, context) => throwCodec(context), {
    feeds: null,
  }),
];
