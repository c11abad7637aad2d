import { checkAtLeast, checkBetween, checkBeyondFocalLength, checkFinite, checkPositive, DEG_PER_RAD } from '../units/index.js';

/** A standing person, metres. */
export const PERSON_HEIGHT_M = 1.7;
/** The height of a camera held to the eye, metres. */
export const EYE_HEIGHT_M = 1.6;

/** The side of the sensor that stands upright, and the lens before it. */
export interface Frame {
  readonly focalLengthMm: number;
  /** Sensor's upright side, mm: its height across, its width with the camera turned. */
  readonly uprightMm: number;
}

/**
 * Share of the frame's height that a standing person fills with the lens focused on them: f·h/((u − f)·upright).
 * Over 1 they do not fit. Source: thin lens, docs/formulas.md#field.
 */
export function personHeightShare({
  focalLengthMm,
  uprightMm,
  distanceM,
  heightM = PERSON_HEIGHT_M,
}: Frame & { readonly distanceM: number; readonly heightM?: number }): number {
  checkPositive('focalLengthMm', focalLengthMm);
  checkPositive('uprightMm', uprightMm);
  checkBeyondFocalLength('distanceM', distanceM, focalLengthMm);
  return (focalLengthMm * heightM) / (distanceM - focalLengthMm / 1000) / uprightMm;
}

/** The distance at which a person fills a share of the frame's height: the inverse of `personHeightShare`. */
export function distanceForPersonShareM({
  focalLengthMm,
  uprightMm,
  share,
  heightM = PERSON_HEIGHT_M,
}: Frame & { readonly share: number; readonly heightM?: number }): number {
  checkPositive('share', share);
  return focalLengthMm / 1000 + (focalLengthMm * heightM) / (share * uprightMm);
}

export interface LevelFacade {
  /** How far back a level camera at the eye's height has to stand, metres. */
  readonly fromEyeM: number;
  /** And half way up the façade, the nearest from which it fits at all. */
  readonly fromHalfwayM: number;
}

/**
 * Where a façade fits with the camera level, so that its uprights stay upright: the upper half of the frame has to take
 * what is above the camera, u = f + f·(H − e)/(upright/2); half way up it takes the whole, u = f + f·H/upright.
 * Source: thin lens, docs/formulas.md#framing.
 */
export function levelFacade({
  focalLengthMm,
  uprightMm,
  facadeHeightM,
  eyeHeightM = EYE_HEIGHT_M,
}: Frame & { readonly facadeHeightM: number; readonly eyeHeightM?: number }): LevelFacade {
  checkPositive('facadeHeightM', facadeHeightM);
  checkAtLeast('eyeHeightM', eyeHeightM, 0);
  const perMetreM = focalLengthMm / uprightMm;
  const focalM = focalLengthMm / 1000;
  const largerPartM = Math.max(facadeHeightM - eyeHeightM, Math.min(eyeHeightM, facadeHeightM));
  return { fromEyeM: focalM + 2 * perMetreM * largerPartM, fromHalfwayM: focalM + perMetreM * facadeHeightM };
}

/** How high a level camera has to be at a distance for the façade's top to fit, metres; 0 where any height will do. */
export function cameraHeightForLevelM({
  focalLengthMm,
  uprightMm,
  facadeHeightM,
  distanceM,
}: Frame & { readonly facadeHeightM: number; readonly distanceM: number }): number {
  checkBeyondFocalLength('distanceM', distanceM, focalLengthMm);
  const halfFieldM = ((distanceM - focalLengthMm / 1000) * uprightMm) / (2 * focalLengthMm);
  return Math.max(0, facadeHeightM - halfFieldM);
}

export interface TiltedFacade {
  /** Degrees that the camera has to look up for the top to be in the frame; 0 where level is enough. */
  readonly tiltDeg: number;
  /** How much of the façade's foot the frame then loses, metres. */
  readonly footLostM: number;
}

/**
 * The tilt that takes in the top from a distance: elevation of the top less half the angle of view. Angles at infinity
 * focus. Source: docs/formulas.md#framing.
 */
export function tiltForFacade({
  focalLengthMm,
  uprightMm,
  facadeHeightM,
  distanceM,
  eyeHeightM = EYE_HEIGHT_M,
}: Frame & { readonly facadeHeightM: number; readonly distanceM: number; readonly eyeHeightM?: number }): TiltedFacade {
  checkPositive('distanceM', distanceM);
  const half = Math.atan2(uprightMm / 2, focalLengthMm);
  const tilt = Math.max(0, Math.atan2(facadeHeightM - eyeHeightM, distanceM) - half);
  const lowestSeenM = eyeHeightM + distanceM * Math.tan(tilt - half);
  return { tiltDeg: tilt * DEG_PER_RAD, footLostM: Math.max(0, Math.min(facadeHeightM, lowestSeenM)) };
}

/**
 * How much an upright leans in the picture at the frame's side when the camera is tilted: uprights run to a point
 * f/tan(tilt) above the middle, so that at x from the middle they lean by atan(x·tan(tilt)/f), degrees.
 * Source: central projection, docs/formulas.md#framing.
 */
export function edgeLeanDeg({
  focalLengthMm,
  acrossMm,
  tiltDeg,
}: {
  readonly focalLengthMm: number;
  /** The sensor's level side, mm. */
  readonly acrossMm: number;
  readonly tiltDeg: number;
}): number {
  checkBetween('tiltDeg', tiltDeg, -89, 89);
  return Math.atan2((acrossMm / 2) * Math.tan(tiltDeg / DEG_PER_RAD), focalLengthMm) * DEG_PER_RAD;
}

/** Two upright things down a street, metres. */
export interface TwoThings {
  readonly nearHeightM: number;
  readonly farHeightM: number;
  /** From the near one to the far one. */
  readonly gapM: number;
}

/** How tall the far one stands in the picture against the near one, seen from `distanceM` before the near one. */
export function heightRatio({ nearHeightM, farHeightM, gapM, distanceM }: TwoThings & { readonly distanceM: number }): number {
  checkPositive('distanceM', distanceM);
  return (farHeightM / (distanceM + gapM)) * (distanceM / nearHeightM);
}

/**
 * From how far before the near one the far one stands `ratio` times as tall: d = ratio·h·gap/(H − ratio·h).
 * Null where no distance gives that: from ever farther away the ratio only comes to H/h.
 */
export function standForRatioM({ nearHeightM, farHeightM, gapM, ratio }: TwoThings & { readonly ratio: number }): number | null {
  checkPositive('ratio', ratio);
  const left = farHeightM - ratio * nearHeightM;
  return left <= 0 ? null : (ratio * nearHeightM * gapM) / left;
}

/**
 * From how far before the near one both tops stand at one height in the picture, whatever the tilt:
 * (h − e)/d = (H − e)/(d + gap). Null where that is nowhere in front of it.
 */
export function standWhereTopsMeetM({
  nearHeightM,
  farHeightM,
  gapM,
  eyeHeightM = EYE_HEIGHT_M,
}: TwoThings & { readonly eyeHeightM?: number }): number | null {
  checkFinite('eyeHeightM', eyeHeightM);
  const distanceM = (gapM * (nearHeightM - eyeHeightM)) / (farHeightM - nearHeightM);
  return Number.isFinite(distanceM) && distanceM > 0 ? distanceM : null;
}
