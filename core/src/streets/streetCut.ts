import { RAD_PER_DEG } from '../units/index.js';
import type { ShadowScene, SunPosition } from '../light/index.js';
import type { StreetShape } from './streetAxis.js';

/** Part of a line across the street or up a wall, metres. */
export interface Span {
  readonly fromM: number;
  readonly toM: number;
}

/** A street cut across at a place, as one sees it who looks along the axis: lit parts of the road and of both walls. */
export interface StreetCut {
  /** From the place: to the left wall (negative), to the right one. */
  readonly leftM: number;
  readonly rightM: number;
  readonly leftHeightM: number;
  readonly rightHeightM: number;
  readonly litGround: readonly Span[];
  readonly litLeftWall: readonly Span[];
  readonly litRightWall: readonly Span[];
  /** Height of the sun as the cut shows it, from the left horizon (0) over the zenith (90) to the right one (180). */
  readonly profileDeg: number | null;
}
const STEP_M = 0.1;
/** In front of a wall, so that it does not stand in its own light. */
const BEFORE_WALL_M = 0.01;

function spansAlong(fromM: number, toM: number, isLit: (atM: number) => boolean): Span[] {
  const count = Math.max(1, Math.round((toM - fromM) / STEP_M));
  const size = (toM - fromM) / count;
  const spans: Span[] = [];
  for (let k = 0; k < count; k++) {
    if (!isLit(fromM + (k + 0.5) * size)) continue;
    const before = spans.at(-1);
    const [start, end] = [fromM + k * size, fromM + (k + 1) * size];
    if (before !== undefined && Math.abs(before.toM - start) < 1e-9) spans[spans.length - 1] = { fromM: before.fromM, toM: end };
    else spans.push({ fromM: start, toM: end });
  }
  return spans;
}

/** Sun across the street: its bearing against the axis turned into the plane of the cut. */
function profileOf(axisDeg: number, { azimuthDeg, altitudeDeg }: SunPosition): number | null {
  if (altitudeDeg <= 0) return null;
  const right = Math.cos(altitudeDeg * RAD_PER_DEG) * Math.sin((azimuthDeg - axisDeg) * RAD_PER_DEG);
  return Math.atan2(Math.sin(altitudeDeg * RAD_PER_DEG), -right) / RAD_PER_DEG;
}

/** The cut through the street at a place at one moment, its lit parts by rays at every tenth of a metre. */
export function streetCut({
  scene,
  eastM,
  northM,
  groundM = 0,
  shape,
  sun,
}: {
  readonly scene: ShadowScene;
  readonly eastM: number;
  readonly northM: number;
  readonly groundM?: number;
  readonly shape: StreetShape;
  readonly sun: SunPosition;
}): StreetCut {
  const { axisDeg, widthM, leftM, leftHeightM, rightHeightM } = shape;
  const [acrossE, acrossN] = [Math.cos(axisDeg * RAD_PER_DEG), -Math.sin(axisDeg * RAD_PER_DEG)];
  const isLit = (rightM: number, heightM: number): boolean =>
    scene.isSunlit({
      point: { eastM: eastM + rightM * acrossE, northM: northM + rightM * acrossN, heightM: groundM + heightM },
      sun,
    });
  const [left, right] = [-leftM, widthM - leftM];
  return {
    leftM: left,
    rightM: right,
    leftHeightM,
    rightHeightM,
    litGround: spansAlong(left, right, (atM) => isLit(atM, 0)),
    litLeftWall: spansAlong(0, leftHeightM, (heightM) => isLit(left + BEFORE_WALL_M, heightM)),
    litRightWall: spansAlong(0, rightHeightM, (heightM) => isLit(right - BEFORE_WALL_M, heightM)),
    profileDeg: profileOf(axisDeg, sun),
  };
}
