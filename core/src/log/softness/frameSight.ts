import type { FrameSight } from '../frames/frame.js';
import type { SoftnessReading } from './readSoftness.js';
import type { SoftnessVerdict } from './verdict.js';

/** An even smear of length L has a deviation of L/√12. */
const PER_DEVIATION = Math.sqrt(12);

/** Of what was measured in a picture, what a list of frames needs. */
export function frameSight(
  { width, height, midToneEv }: Pick<SoftnessReading, 'width' | 'height' | 'midToneEv'>,
  { looksLike, confidence, evidence: { subject } }: SoftnessVerdict,
): FrameSight {
  if (subject === null) return { looksLike, confidence, midToneEv };
  const lengthPx = PER_DEVIATION * Math.sqrt(Math.max(0, subject.majorPx ** 2 - subject.minorPx ** 2));
  return { looksLike, confidence, midToneEv, smearShare: Math.min(1, lengthPx / Math.hypot(width, height)) };
}
