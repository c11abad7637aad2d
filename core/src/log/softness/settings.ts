import type { Approach } from '../../stop/index.js';
import type { Cause, FrameSettings } from '../frames/frame.js';

/** The fastest that hands turn, rad/s, and that people cross a frame, widths of it a second; the lens that is longest on a walk, mm. */
const FASTEST_HAND_RAD_PER_S = 0.1;
const FASTEST_CROSSING_PER_S = 3;
const LONGEST_LENS_MM = 85;
/** The diagonal of the frame to which focal lengths are given. */
const DIAGONAL_MM = 43.3;
/** Smears under the first share of the diagonal are not seen, over the second they are. */
const UNSEEN_SHARE = 0.0012;
const SEEN_SHARE = 0.003;
/** Nothing is quite impossible: what a picture clearly shows stands against what its file says. */
const LEAST = 0.02;
/** Cameras are not seen to be noisy up to the first of these ISOs; from the second on they may be. */
const CLEAN_ISO = 200;
const NOISY_ISO = 1600;

/** Discs under the first share of the diagonal are not seen (two circles of confusion of a full frame), over the second they are. */
const UNSEEN_DISC_SHARE = 0.0014;
const SEEN_DISC_SHARE = 0.0035;
/** Where a distance is not known, nothing was nearer. */
const CLOSEST_M = 0.5;

/** What a frame was meant to be, so far as its card and its kit say. */
export interface FrameMeant {
  readonly depth: Approach['depth'];
  /** Where its card had the lens stand. */
  readonly focusM: number | null;
  readonly sensorDiagonalMm: number | null;
}

export const NOT_PLANNED: FrameMeant = { depth: 'free', focusM: null, sensorDiagonalMm: null };

type Left = Readonly<Record<Cause, number>>;

/** What is taken for set where a file does not say: neither shows nor rules out anything. */
const USUAL_SHUTTER_S = 1 / 100;
const USUAL_ISO = 640;

/** From LEAST to 1 as a value goes from the one to the other, by its logarithm. */
function between(value: number, from: number, to: number): number {
  const t = Math.min(1, Math.max(0, Math.log(value / from) / Math.log(to / from)));
  return LEAST ** (1 - t);
}

/** How much what was set leaves of each fault, LEAST to 1: 1/500 s cannot be shaken, ISO 100 is hardly noisy. Source: docs/log.md#settings. */
export function leftBySettings(settings: Partial<FrameSettings>): Left {
  const [shutterS, iso] = [settings.shutterS ?? USUAL_SHUTTER_S, settings.iso ?? USUAL_ISO];
  const shakenShare = (shutterS * FASTEST_HAND_RAD_PER_S * LONGEST_LENS_MM) / DIAGONAL_MM;
  const movedShare = shutterS * FASTEST_CROSSING_PER_S;
  return {
    shake: between(shakenShare, UNSEEN_SHARE, SEEN_SHARE),
    moved: between(movedShare, UNSEEN_SHARE, SEEN_SHARE),
    focus: 1,
    depth: 1,
    veil: 1,
    noise: between(iso, CLEAN_ISO, NOISY_ISO),
  };
}

/**
 * The disc of a point as far away as can be, the lens standing at a distance, of the sensor's diagonal: f² / (N · (d − f) · D); so
 * wide is that of one at half the distance, too. Null where lens or sensor are not known.
 */
function farDiscShare(
  { fNumber = null, focalLengthMm = null }: Partial<FrameSettings>,
  { sensorDiagonalMm }: FrameMeant,
  distanceM: number,
): number | null {
  if (fNumber === null || focalLengthMm === null || sensorDiagonalMm === null) return null;
  const beyondMm = Math.max(1, 1000 * distanceM - focalLengthMm);
  return focalLengthMm ** 2 / (fNumber * beyondMm * sensorDiagonalMm);
}

/**
 * How much what was meant leaves of each fault, LEAST to 1: a ground that was to be soft is no want of depth, and a wide lens
 * stopped down, standing where its card had it, wants none. Source: docs/log.md#settings.
 */
export function leftByPlan(settings: Partial<FrameSettings>, meant: FrameMeant): Left {
  const seen = (distanceM: number): number => {
    const share = farDiscShare(settings, meant, distanceM);
    return share === null ? 1 : between(share, UNSEEN_DISC_SHARE, SEEN_DISC_SHARE);
  };
  // At infinity it is what is near that is soft, and how near nobody knows.
  const stoodM = settings.focusM ?? meant.focusM ?? Infinity;
  const depth = meant.depth === 'isolating' ? LEAST : seen(Number.isFinite(stoodM) ? stoodM : CLOSEST_M);
  return { shake: 1, moved: 1, focus: seen(CLOSEST_M), depth, veil: 1, noise: 1 };
}
