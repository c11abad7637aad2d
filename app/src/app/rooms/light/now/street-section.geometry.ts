import type { Span, StreetCut } from '@roam-dial/core/streets';
import { scaleLinear, type ScaleLinear } from 'd3-scale';

export interface SectionScale {
  /** Metres across the street to pixels; the same size as up. */
  readonly x: ScaleLinear<number, number>;
  readonly y: ScaleLinear<number, number>;
  readonly pxPerM: number;
}

const WALL_DEPTH_M = 4;
const SKY_M = 3;
const LEAST_HEIGHT_M = 6;

/** One scale for across and up, so that an angle is an angle; as large as fits. */
export function sectionScale({ leftM, rightM, leftHeightM, rightHeightM }: StreetCut, width: number, height: number): SectionScale {
  const [fromM, toM] = [leftM - WALL_DEPTH_M, rightM + WALL_DEPTH_M];
  const topM = Math.max(leftHeightM, rightHeightM, LEAST_HEIGHT_M) + SKY_M;
  const pxPerM = Math.min(width / (toM - fromM), (height - 24) / topM);
  const middle = width / 2 - (pxPerM * (fromM + toM)) / 2;
  const ground = height - 22;
  return {
    x: scaleLinear([0, 1], [middle, middle + pxPerM]),
    y: scaleLinear([0, 1], [ground, ground - pxPerM]),
    pxPerM,
  };
}

/** From the subject's head towards the sun, to the edge of the drawing; null with the sun down or square to the cut. */
export function rayEnd(
  profileDeg: number | null,
  { x, y }: SectionScale,
  fromM: number,
  headM: number,
  width: number,
): { readonly x: number; readonly y: number } | null {
  if (profileDeg === null) return null;
  const radians = (profileDeg * Math.PI) / 180;
  const [dx, dy] = [-Math.cos(radians), -Math.sin(radians)];
  const [x0, y0] = [x(fromM), y(headM)];
  const toSide = dx === 0 ? Infinity : ((dx > 0 ? width : 0) - x0) / dx;
  const toTop = dy === 0 ? Infinity : -y0 / dy;
  const length = Math.min(toSide > 0 ? toSide : Infinity, toTop > 0 ? toTop : Infinity);
  return length === Infinity ? null : { x: x0 + length * dx, y: y0 + length * dy };
}

export function lengthOf(spans: readonly Span[]): number {
  return spans.reduce((sum, { fromM, toM }) => sum + toM - fromM, 0);
}
