import { RAD_PER_DEG } from '../units/index.js';

/** A camera's frame, held lying or upright, level or tilted, its lens shifted or not. */
export interface SightFrame {
  /** Sides of the sensor, the long one first, and the focal length, millimetres. */
  readonly sensorWidthMm: number;
  readonly sensorHeightMm: number;
  readonly focalLengthMm: number;
  readonly isUpright: boolean;
  /** Up is positive; −80 to 80. */
  readonly tiltDeg: number;
  /** How far the lens is shifted, up is positive. */
  readonly riseMm: number;
}

export interface FrameSize {
  readonly width: number;
  readonly height: number;
}

/** Sides of the frame as it is held, millimetres. */
export function heldSides({ sensorWidthMm, sensorHeightMm, isUpright }: SightFrame): readonly [widthMm: number, heightMm: number] {
  return isUpright ? [sensorHeightMm, sensorWidthMm] : [sensorWidthMm, sensorHeightMm];
}

/** A look through a cell: radians to the right of the axis, and the tangent of its elevation. */
export interface CellLook {
  off: number;
  slope: number;
}

/** Looks this near to straight up or down have no bearing of their own to speak of. */
export const STEEP_AHEAD = 0.15;

/**
 * Looks through the middle of cells: with X to the right and Y up, in focal lengths, a = cos t − Y·sin t ahead and
 * u = sin t + Y·cos t up. Source: docs/formulas.md#eye-level.
 */
export function looksThrough(
  frame: SightFrame,
  { width, height }: FrameSize,
): (row: number, column: number, look: CellLook) => void {
  const [widthMm, heightMm] = heldSides(frame);
  const { focalLengthMm: f, riseMm } = frame;
  const [sin, cos] = [Math.sin(frame.tiltDeg * RAD_PER_DEG), Math.cos(frame.tiltDeg * RAD_PER_DEG)];
  const xOf = (column: number): number => (((column + 0.5) / width - 0.5) * widthMm) / f;
  if (frame.tiltDeg === 0) {
    // A column of a level camera is one bearing.
    const offs = Float64Array.from({ length: width }, (_, column) => Math.atan(xOf(column)));
    const stretched = Float64Array.from({ length: width }, (_, column) => 1 / Math.hypot(1, xOf(column)));
    return (row, column, look) => {
      look.off = offs[column] as number;
      look.slope = (((0.5 - (row + 0.5) / height) * heightMm + riseMm) / f) * (stretched[column] as number);
    };
  }
  return (row, column, look) => {
    const x = xOf(column);
    const y = ((0.5 - (row + 0.5) / height) * heightMm + riseMm) / f;
    const ahead = cos - y * sin;
    look.off = Math.atan2(x, ahead);
    look.slope = (sin + y * cos) / Math.hypot(ahead, x);
  };
}

/** Where a point stands in the frame, shares of its sides from the top left; null for what lies behind the camera. */
export function placeInFrame(
  frame: SightFrame,
  { aheadM, rightM, upM }: { readonly aheadM: number; readonly rightM: number; readonly upM: number },
): { readonly x: number; readonly y: number } | null {
  const [widthMm, heightMm] = heldSides(frame);
  const [sin, cos] = [Math.sin(frame.tiltDeg * RAD_PER_DEG), Math.cos(frame.tiltDeg * RAD_PER_DEG)];
  const depth = aheadM * cos + upM * sin;
  if (depth <= 0) return null;
  const up = upM * cos - aheadM * sin;
  const { focalLengthMm: f, riseMm } = frame;
  return { x: 0.5 + ((rightM / depth) * f) / widthMm, y: 0.5 - ((up / depth) * f - riseMm) / heightMm };
}

/** Where uprights meet in a tilted frame, share of its height from the top; null where it is level: they stay upright. */
export function uprightsMeetAt(frame: SightFrame): number | null {
  if (frame.tiltDeg === 0) return null;
  const [, heightMm] = heldSides(frame);
  return 0.5 - (frame.focalLengthMm / Math.tan(frame.tiltDeg * RAD_PER_DEG) - frame.riseMm) / heightMm;
}
