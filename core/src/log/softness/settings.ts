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

/** From LEAST to 1 as a value goes from the one to the other, by its logarithm. */
function between(value: number, from: number, to: number): number {
  const t = Math.min(1, Math.max(0, Math.log(value / from) / Math.log(to / from)));
  return LEAST ** (1 - t);
}

/** How much what was set leaves of each fault, LEAST to 1: 1/500 s cannot be shaken, ISO 100 is hardly noisy. Source: docs/log.md#settings. */
export function possible({ shutterS = null, iso = null }: Partial<FrameSettings>): Readonly<Record<Cause, number>> {
  const shakenShare = ((shutterS ?? 1) * FASTEST_HAND_RAD_PER_S * LONGEST_LENS_MM) / DIAGONAL_MM;
  const movedShare = (shutterS ?? 1) * FASTEST_CROSSING_PER_S;
  return {
    shake: between(shakenShare, UNSEEN_SHARE, SEEN_SHARE),
    moved: between(movedShare, UNSEEN_SHARE, SEEN_SHARE),
    focus: 1,
    depth: 1,
    veil: 1,
    noise: between(iso ?? NOISY_ISO, CLEAN_ISO, NOISY_ISO),
  };
}
