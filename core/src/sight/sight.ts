import type { LuminanceMap } from '../metering/index.js';
import { FIGURE_PARTS, FIGURE_REFLECTANCE } from './figure.js';
import { heldSides } from './frame.js';
import { IS_LAMP, LABEL, SIGHT_LABELS } from './labels.js';
import { CHEST_M, type MeasuredLight } from './light.js';
import { type Moment, momentOfView, type SightInstant, sunShareAt } from './moment.js';
import { type CellSight, surfaceAt } from './surfaces.js';
import type { MeasuredView } from './measured.js';
import { RAD_PER_DEG } from '../units/index.js';

/** The person's share of cells: what they give to each, cd/m², and what lies behind them. */
export interface SomebodyInFrame {
  readonly cell: Int32Array;
  readonly covered: Float32Array;
  readonly own: Float64Array;
  readonly behind: Float64Array;
}

/** A minute of a view: its map, and what a person who stands there has of light. */
export interface Sight {
  readonly map: LuminanceMap;
  readonly somebody: SomebodyInFrame | null;
  /** On the side of the person's chest that faces the camera, lux; null where nobody stands. */
  readonly frontLux: number | null;
  readonly isPersonLit: boolean;
  /** Daylight on the level at eye height where the subject stands, without the sun, lux. */
  readonly shadeLux: number;
  readonly isEyeInSun: boolean;
  /** The brighter of a level plate and one square to the sun where the sun shines, lux. */
  readonly sunlitLux: number;
  /** On the level where the subject stands, lamps included, lux. */
  readonly levelLux: number;
  /** Share of the sun's disc that is in the frame and not covered: over 0 the picture has the sun in it. */
  readonly discInFrame: number;
}

const DISC_SR = 6.8e-5;
const DISC_RADIUS_RAD = (0.533 / 2) * RAD_PER_DEG;
const GLARE = { strength: 1.5, rest: 4 } as const;
const LEAST_CD = 1e-7;
const SUB = 4;

/** The light that falls on the person's chest from the front, the back, the left and the right, lamps included. */
function chestLux({ light, around, instant: { lamps } }: Moment): readonly [number, number, number, number] {
  const at = (k: 0 | 1 | 2 | 3): number =>
    (around[light.chest + k] as number) + (lamps === null ? 0 : lamps.share * lamps.light.chestLux[k]);
  return [at(0), at(1), at(2), at(3)];
}

/** A figure that is round: its normal turns to the side, its light with it. Over the surfaces behind, by the share of each cell. */
function paintPerson(
  moment: Moment,
  luminance: Float64Array,
  label: Uint8Array,
): Pick<Sight, 'frontLux' | 'isPersonLit' | 'somebody'> {
  const { view, light, directLux, toSun } = moment;
  const { person } = light;
  if (person === null) return { frontLux: null, isPersonLit: false, somebody: null };
  const axis = view.question.bearingDeg * RAD_PER_DEG;
  const [front, , left, right] = chestLux(moment);
  const toCamera = -(Math.sin(axis) * toSun[0] + Math.cos(axis) * toSun[1]);
  const toRight = Math.cos(axis) * toSun[0] - Math.sin(axis) * toSun[1];
  const share = sunShareAt(moment, person.feetX, person.feetY, view.eye.groundM + CHEST_M);
  const { cell: cells, covered: covers } = person;
  const somebody = { cell: cells, covered: covers, own: new Float64Array(cells.length), behind: new Float64Array(cells.length) };
  for (let k = 0; k < person.cell.length; k++) {
    const cell = person.cell[k] as number;
    const aside = person.aside[k] as number;
    const facing = Math.sqrt(Math.max(0, 1 - aside * aside));
    const lit = sunShareAt(moment, person.feetX, person.feetY, view.eye.groundM + (person.atM[k] as number));
    const sunLux = lit * directLux * Math.max(0, facing * toCamera + aside * toRight);
    const lux = sunLux + facing * facing * front + aside * aside * (aside < 0 ? left : right);
    const part = person.part[k] as number;
    const own = (FIGURE_REFLECTANCE[FIGURE_PARTS[part] as (typeof FIGURE_PARTS)[number]] * lux) / Math.PI;
    const covered = person.covered[k] as number;
    somebody.own[k] = own;
    somebody.behind[k] = luminance[cell] as number;
    luminance[cell] = covered * own + (1 - covered) * (luminance[cell] as number);
    if (covered >= 0.5) label[cell] = LABEL[FIGURE_PARTS[part] as (typeof FIGURE_PARTS)[number]];
  }
  return { frontLux: front + share * directLux * Math.max(0, toCamera), isPersonLit: share >= 0.5, somebody };
}

/** Where the sun's middle stands in the frame, in cells from the top left; null behind the camera. */
function sunInFrame({ view, sun }: Moment): { readonly row: number; readonly column: number; readonly radius: number } | null {
  const { frame, size, bearingDeg } = view.question;
  const axis = bearingDeg * RAD_PER_DEG;
  const [widthMm, heightMm] = heldSides(frame);
  const [ahead, right] = [Math.sin(axis) * sun.dx + Math.cos(axis) * sun.dy, Math.cos(axis) * sun.dx - Math.sin(axis) * sun.dy];
  const [sin, cos] = [Math.sin(frame.tiltDeg * RAD_PER_DEG), Math.cos(frame.tiltDeg * RAD_PER_DEG)];
  const depth = ahead * cos + sun.slope * sin;
  if (depth <= 0) return null;
  const { focalLengthMm: f, riseMm } = frame;
  const x = (right / depth) * f;
  const y = ((sun.slope * cos - ahead * sin) / depth) * f - riseMm;
  return {
    column: (0.5 + x / widthMm) * size.width,
    row: (0.5 - y / heightMm) * size.height,
    radius: ((DISC_RADIUS_RAD * f) / widthMm) * size.width,
  };
}

/** The sun's disc on cells of the sky, by sixteen places each, and its glare over the frame. */
function paintSun(moment: Moment, isEyeInSun: boolean, luminance: Float64Array, label: Uint8Array): number {
  const { view, directLux } = moment;
  const { width, height } = view.question.size;
  const at = sunInFrame(moment);
  if (!isEyeInSun || at === null) return 0;
  const disc = directLux / DISC_SR;
  let covers = 0;
  for (let row = Math.max(0, Math.floor(at.row - at.radius)); row < Math.min(height, Math.ceil(at.row + at.radius)); row++) {
    for (
      let column = Math.max(0, Math.floor(at.column - at.radius));
      column < Math.min(width, Math.ceil(at.column + at.radius));
      column++
    ) {
      const cell = row * width + column;
      if (label[cell] !== LABEL.sky) continue;
      let inside = 0;
      for (let n = 0; n < SUB * SUB; n++) {
        const [r, c] = [row + (Math.floor(n / SUB) + 0.5) / SUB, column + ((n % SUB) + 0.5) / SUB];
        if (Math.hypot(r - at.row, c - at.column) <= at.radius) inside++;
      }
      if (inside === 0) continue;
      const share = inside / SUB ** 2;
      covers += share;
      luminance[cell] = (luminance[cell] as number) + share * disc;
      label[cell] = LABEL.sun;
    }
  }
  paintGlare(moment, at, luminance);
  return Math.min(1, covers / (Math.PI * at.radius * at.radius));
}

/** 1.5·direct/(θ² + 4) cd/m² at θ° from the sun. Judgement. */
function paintGlare(
  { view, directLux }: Moment,
  at: { readonly row: number; readonly column: number },
  luminance: Float64Array,
): void {
  const { frame, size } = view.question;
  const [widthMm] = heldSides(frame);
  const degPerCell = Math.atan(widthMm / size.width / frame.focalLengthMm) / RAD_PER_DEG;
  for (let row = 0, cell = 0; row < size.height; row++) {
    for (let column = 0; column < size.width; column++, cell++) {
      const [r, c] = [(row + 0.5 - at.row) * degPerCell, (column + 0.5 - at.column) * degPerCell];
      luminance[cell] = (luminance[cell] as number) + (GLARE.strength * directLux) / (r * r + c * c + GLARE.rest);
    }
  }
}

function paintBulbs({ instant: { lamps } }: Moment, luminance: Float64Array, label: Uint8Array): void {
  if (lamps === null || lamps.share === 0) return;
  for (const { cell, covered } of lamps.light.bulbs) {
    luminance[cell] = (luminance[cell] as number) + covered * lamps.share * lamps.light.bulbLuminance;
    label[cell] = LABEL.lamps;
  }
}

/**
 * What the frame shows at an instant: EV at ISO 100 of every cell as a reflected meter of K = 12.5 reads it (log2 of 8·L), with
 * what each shows. One bounce of light on Lambert surfaces; sky by CIE S 011; the sun's disc and glare, glass, water, lamps and lit
 * rooms. The same to the bit every time. Source: docs/formulas.md#eye-level.
 */
export function frameSeenAt(view: MeasuredView, light: MeasuredLight, instant: SightInstant): Sight {
  const moment = momentOfView(view, light, instant);
  const { width, height } = view.question.size;
  const luminance = new Float64Array(width * height);
  const label = new Uint8Array(width * height);
  const cellSight: CellSight = { luminance: 0, label: 0 };
  for (let cell = 0; cell < luminance.length; cell++) {
    surfaceAt(moment, cell, cellSight);
    luminance[cell] = cellSight.luminance;
    label[cell] = cellSight.label;
  }
  paintBulbs(moment, luminance, label);
  const { x, y, eyeM } = view.eye;
  const isEyeInSun = sunShareAt(moment, x, y, eyeM) >= 0.5;
  const person = paintPerson(moment, luminance, label);
  const discInFrame = paintSun(moment, isEyeInSun, luminance, label);
  const { offsetEv = 0, lamps } = instant;
  const shadeLux = moment.around[light.spot] as number;
  const ev = Float32Array.from(luminance, (value) => Math.log2(8 * Math.max(LEAST_CD, value)) + offsetEv);
  return {
    map: { width, height, ev, label, names: SIGHT_LABELS, isLamp: IS_LAMP },
    ...person,
    shadeLux,
    sunlitLux: Math.max(moment.directLux + shadeLux / 2, moment.directLux * Math.max(0, moment.toSun[2]) + shadeLux),
    levelLux: shadeLux + (lamps === null ? 0 : lamps.share * lamps.light.spotLux),
    isEyeInSun,
    discInFrame,
  };
}
