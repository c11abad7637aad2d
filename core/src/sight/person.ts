import { EYE_HEIGHT_M } from '../optics/index.js';
import type { MeasuredView } from './measured.js';
import { FIGURE_HALF_WIDTH_M, FIGURE_HEIGHT_M, FIGURE_PARTS, figureAt, type FigureHit } from './figure.js';
import { placeInFrame } from './frame.js';

/** The cells that a person covers: how much of each, which part, how far to its side, and how high. */
export interface PersonCells {
  readonly cell: Int32Array;
  readonly covered: Float32Array;
  readonly part: Uint8Array;
  readonly aside: Float32Array;
  readonly atM: Float32Array;
  /** Feet, metres from the district's origin. */
  readonly feetX: number;
  readonly feetY: number;
}

const SUB = 3;

/** Somebody in the middle of the frame, square to it: cells by nine looks each. Null where nobody stands. */
export function personCells(view: MeasuredView): PersonCells | null {
  const { personM, question, eye } = view;
  if (personM === null) return null;
  const { frame, size, bearingDeg } = question;
  const axis = (bearingDeg * Math.PI) / 180;
  const hit: FigureHit = { part: 'coat', aside: 0 };
  const corners = [0, FIGURE_HEIGHT_M].flatMap((z) =>
    [-1, 1].map((side) => placeInFrame(frame, { aheadM: personM, rightM: side * FIGURE_HALF_WIDTH_M, upM: z - EYE_HEIGHT_M })),
  );
  if (corners.some((corner) => corner === null)) return null;
  const xs = corners.map((corner) => (corner as { x: number }).x * size.width);
  const ys = corners.map((corner) => (corner as { y: number }).y * size.height);
  const clamp = (value: number, most: number): number => Math.min(most, Math.max(0, value));
  const [x0, x1] = [clamp(Math.floor(Math.min(...xs)), size.width), clamp(Math.ceil(Math.max(...xs)), size.width)];
  const [y0, y1] = [clamp(Math.floor(Math.min(...ys)), size.height), clamp(Math.ceil(Math.max(...ys)), size.height)];
  const rows: { cell: number; covered: number; part: number; aside: number; atM: number }[] = [];
  const inPlane = planeOf(view);
  for (let row = y0; row < y1; row++) {
    for (let column = x0; column < x1; column++) {
      const cell = row * size.width + column;
      if ((view.distanceM[cell] as number) < personM) continue;
      const parts = new Uint8Array(FIGURE_PARTS.length);
      let [inside, aside, atM] = [0, 0, 0];
      for (let n = 0; n < SUB * SUB; n++) {
        const place = inPlane(row + (Math.floor(n / SUB) + 0.5) / SUB, column + ((n % SUB) + 0.5) / SUB);
        if (!figureAt(place.x, place.z, hit)) continue;
        const part = FIGURE_PARTS.indexOf(hit.part);
        parts[part] = (parts[part] as number) + 1;
        inside++;
        aside += hit.aside;
        atM += place.z;
      }
      if (inside === 0) continue;
      const part = parts.indexOf(Math.max(...parts));
      rows.push({ cell, covered: inside / SUB ** 2, part, aside: aside / inside, atM: atM / inside });
    }
  }
  return {
    cell: Int32Array.from(rows, ({ cell }) => cell),
    covered: Float32Array.from(rows, ({ covered }) => covered),
    part: Uint8Array.from(rows, ({ part }) => part),
    aside: Float32Array.from(rows, ({ aside }) => aside),
    atM: Float32Array.from(rows, ({ atM }) => atM),
    feetX: eye.x + personM * Math.sin(axis),
    feetY: eye.y + personM * Math.cos(axis),
  };
}

/** Where a look through a place of the frame (rows, columns) meets the upright plane in which the person stands. */
function planeOf({ personM, question }: MeasuredView): (row: number, column: number) => { x: number; z: number } {
  const { frame, size } = question;
  const [widthMm, heightMm] = frame.isUpright
    ? [frame.sensorHeightMm, frame.sensorWidthMm]
    : [frame.sensorWidthMm, frame.sensorHeightMm];
  const tilt = (frame.tiltDeg * Math.PI) / 180;
  const [sin, cos] = [Math.sin(tilt), Math.cos(tilt)];
  return (row, column) => {
    const x = ((column / size.width - 0.5) * widthMm) / frame.focalLengthMm;
    const y = ((0.5 - row / size.height) * heightMm + frame.riseMm) / frame.focalLengthMm;
    const scale = (personM ?? 0) / Math.max(1e-6, cos - y * sin);
    return { x: x * scale, z: EYE_HEIGHT_M + (sin + y * cos) * scale };
  };
}
