import type { PictureReading, PictureSpot } from '../frames/frame.js';
import type { FrameLook } from './evidence.js';
import { fullSizeAt } from './fullSize.js';
import type { SoftnessReading } from './readSoftness.js';
import type { Blur } from './blur/spread.js';
import { LOOKS, type SoftnessVerdict } from './verdict.js';

/** An even smear of length L has a deviation of L/√12. */
const PER_DEVIATION = Math.sqrt(12);

interface Seen {
  readonly blur: Blur;
  readonly diagonalPx: number;
}

/** The subject's blur at the finest size at which it could be read. */
function subjectSeen(reading: SoftnessReading, { evidence: { subject } }: SoftnessVerdict, subjectAt: PictureSpot): Seen | null {
  const { full, width, height } = reading;
  const atFull = full === undefined || subject === null ? null : fullSizeAt(full, subjectAt);
  if (full !== undefined && atFull !== null) return { blur: atFull, diagonalPx: Math.hypot(full.width, full.height) };
  return subject === null ? null : { blur: subject, diagonalPx: Math.hypot(width, height) };
}

/** Where a subject is taken to be until somebody shows it. */
export const MIDDLE: PictureSpot = { x: 0.5, y: 0.5 };

/** Where a picture looks like one of these its subject may be anything but sharp: only a clear line says how far it is smeared. */
const MAYBE_SMEARED: readonly FrameLook[] = ['shake', 'moved', 'focus', 'cannotTell'];

/** How far along a line the subject is smeared, of the diagonal: by its trace, or, where it looks sharp, by its edges. Null where neither says. */
function smearShare(reading: SoftnessReading, verdict: SoftnessVerdict, subjectAt: PictureSpot): number | null {
  const { looksLike, evidence } = verdict;
  if (MAYBE_SMEARED.includes(looksLike)) {
    const smear = looksLike === 'shake' ? evidence.smear : evidence.subjectSmear;
    return smear === null ? null : smear.lengthPx / Math.hypot(reading.width, reading.height);
  }
  const seen = subjectSeen(reading, verdict, subjectAt);
  if (seen === null) return null;
  const { majorPx, minorPx } = seen.blur;
  return (PER_DEVIATION * Math.sqrt(Math.max(0, majorPx ** 2 - minorPx ** 2))) / seen.diagonalPx;
}

const DIGITS = 1000;
const rounded = (shares: NonNullable<PictureReading['shares']>): NonNullable<PictureReading['shares']> =>
  Object.fromEntries(LOOKS.map((look) => [look, Math.round(shares[look] * DIGITS) / DIGITS])) as NonNullable<
    PictureReading['shares']
  >;

/** Of what was measured in a picture, what a list of frames needs. */
export function pictureReading(
  reading: SoftnessReading,
  verdict: SoftnessVerdict,
  subjectAt: PictureSpot = MIDDLE,
): PictureReading {
  const [{ midToneEv }, { looksLike, confidence, unplanned }] = [reading, verdict];
  const share = smearShare(reading, verdict, subjectAt);
  const sight = { looksLike, confidence, ...(unplanned === null ? {} : { shares: rounded(unplanned) }), midToneEv };
  return share === null ? sight : { ...sight, smearShare: Math.min(1, share) };
}
