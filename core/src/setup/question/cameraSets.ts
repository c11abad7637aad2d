import type { Controls } from './controls.js';

/** What the camera makes of a cell, in stops: log2 of the exposure time, stops of ISO above base, error (+ too bright). */
export interface CameraStops {
  log2S: number;
  isoStops: number;
  errorEv: number;
}

/** The constants of one search that `cameraSets` needs, in stops. */
export interface CameraFrame {
  readonly mode: Controls['mode'];
  readonly lengthensAtCeiling: boolean;
  readonly baseLog2: number;
  readonly ceilingStops: number;
  readonly fastestLog2: number;
  readonly slowestLog2: number;
  readonly reciprocity: Controls['reciprocity'];
}

export function cameraFrame(controls: Controls, lengthensAtCeiling: boolean): CameraFrame {
  const { mode, isoBase, isoCeiling, fastestS, slowestS, reciprocity } = controls;
  return {
    reciprocity,
    mode,
    lengthensAtCeiling,
    baseLog2: Math.log2(isoBase / 100),
    ceilingStops: Math.log2(isoCeiling / isoBase),
    fastestLog2: Math.log2(fastestS),
    slowestLog2: Math.log2(Math.max(slowestS, fastestS)),
  };
}

const hold = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));

/**
 * `autoExposure` in stops and without its checks, written into `out`; a test holds the two together.
 * @param apertureLog2 2·log2 N
 * @param set log2 of the seconds that the hand has set (slowest auto or held), or stops of ISO above base
 */
export function cameraSets(frame: CameraFrame, targetEv: number, apertureLog2: number, set: number, out: CameraStops): void {
  const { fastestLog2, slowestLog2, ceilingStops } = frame;
  const atBase = apertureLog2 - targetEv - frame.baseLog2;
  out.isoStops = 0;
  switch (frame.mode) {
    case 'shutterThenIso':
      if (atBase <= set) {
        out.log2S = Math.max(fastestLog2, atBase);
        break;
      }
      out.isoStops = Math.min(ceilingStops, atBase - set);
      out.log2S = set;
      if (frame.lengthensAtCeiling && atBase - set > ceilingStops) out.log2S = hold(atBase - ceilingStops, set, slowestLog2);
      break;
    case 'isoFloats':
      out.log2S = set;
      out.isoStops = hold(atBase - set, 0, ceilingStops);
      break;
    case 'shutterFloats':
      out.isoStops = set;
      out.log2S = hold(atBase - set, fastestLog2, slowestLog2);
      break;
    case 'nothingFloats':
      out.log2S = set;
      break;
  }
  out.errorEv = meteredLog2(frame, out.log2S) + out.isoStops - atBase;
}

/** log2 of the metered time that an exposure comes to: the same, but on a film past its threshold. */
export function meteredLog2({ reciprocity }: Pick<CameraFrame, 'reciprocity'>, log2S: number): number {
  if (reciprocity === null || log2S <= reciprocity.thresholdLog2) return log2S;
  return reciprocity.thresholdLog2 + (log2S - reciprocity.thresholdLog2) / reciprocity.exponent;
}
