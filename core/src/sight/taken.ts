import type { LuminanceMap } from '../metering/index.js';
import { blurDiscMm } from '../optics/index.js';
import { checkAtLeast } from '../units/index.js';
import { heldSides } from './frame.js';
import type { MeasuredView } from './measured.js';
import type { Sight } from './sight.js';

/** How a frame is taken: what of it goes soft by its distance, and how far the person's image moves meanwhile. */
export interface Taken {
  readonly fNumber: number;
  readonly focusM: number;
  /** Along the frame's width on the sensor, millimetres. */
  readonly smearMm: number;
}

/** Discs larger than this, in cells across, are drawn so large. */
const LARGEST_DISC = 40;
/** Of a disc up to so many cells across all are looked at; of a larger one so many places. */
const SMALL_DISC = 8;
const PLACES = 60;
const GOLDEN_RAD = Math.PI * (3 - Math.sqrt(5));
/** A disc smaller than a cell does not show. */
const SMALLEST_DISC = 0.7;

interface Plate {
  readonly width: number;
  readonly height: number;
  readonly luminance: Float64Array;
}

/** Diameters of blur discs in cells, by the depth of what a cell shows. */
function discsOf({ question, distanceM, off }: MeasuredView, { fNumber, focusM }: Taken): Float32Array {
  const { frame, size } = question;
  const cellMm = heldSides(frame)[0] / size.width;
  return Float32Array.from(distanceM, (level, cell) => {
    const objectDistanceM = level * Math.max(0.1, Math.cos(off[cell] as number));
    const disc = blurDiscMm({ focalLengthMm: frame.focalLengthMm, fNumber, focusDistanceM: focusM, objectDistanceM });
    return Math.min(LARGEST_DISC, disc / cellMm);
  });
}

/** A place beside a cell, and how many cells it stands for. */
interface PlaceBeside {
  readonly away: number;
  readonly dx: number;
  readonly dy: number;
  readonly cells: number;
}

/** All cells of a small disc; of a large one places spread evenly over it. */
function placesOf(disc: number): readonly PlaceBeside[] {
  const radius = disc / 2;
  if (disc <= SMALL_DISC) {
    const reach = Math.ceil(radius);
    const steps = Array.from({ length: 2 * reach + 1 }, (_, k) => k - reach);
    return steps
      .flatMap((dy) => steps.map((dx) => ({ away: Math.hypot(dx, dy), dx, dy, cells: 1 })))
      .filter(({ away }) => away > 0 && away < radius + 0.5);
  }
  return Array.from({ length: PLACES }, (_, k) => {
    const away = radius * Math.sqrt((k + 0.5) / PLACES);
    const [dx, dy] = [Math.round(away * Math.cos(k * GOLDEN_RAD)), Math.round(away * Math.sin(k * GOLDEN_RAD))];
    return { away, dx, dy, cells: (Math.PI * radius * radius) / PLACES };
  }).filter(({ dx, dy }) => dx !== 0 || dy !== 0);
}

/**
 * Every cell as the mean of what spreads over it, at places spread evenly over the largest disc nearby: a neighbour counts where its
 * own disc reaches, and what lies farther spreads no more than the nearer's own disc.
 */
function spread(plate: Plate, discs: Float32Array, depthM: Float32Array): Float64Array {
  const { width, height, luminance } = plate;
  const largest = discs.reduce((most, disc) => Math.max(most, disc), 0);
  if (largest <= SMALLEST_DISC) return luminance;
  const places = placesOf(largest);
  return luminance.map((own, cell) => {
    const [row, column] = [Math.floor(cell / width), cell % width];
    const radiusOwn = (discs[cell] as number) / 2;
    let weights = radiusOwn <= SMALLEST_DISC / 2 ? 1 : Math.min(1, 1 / (Math.PI * radiusOwn * radiusOwn));
    let sum = weights * own;
    for (const { away, dx, dy, cells } of places) {
      const [y, x] = [row + dy, column + dx];
      if (y < 0 || y >= height || x < 0 || x >= width) continue;
      const other = y * width + x;
      const its = discs[other] as number;
      const disc = (depthM[other] as number) > (depthM[cell] as number) ? Math.min(its, discs[cell] as number) : its;
      const covers = Math.min(1, disc / 2 - away + 0.5);
      if (covers <= 0 || disc <= SMALLEST_DISC) continue;
      const weight = (cells * covers) / Math.max(1, (Math.PI * disc * disc) / 4);
      sum += weight * (luminance[other] as number);
      weights += weight;
    }
    return sum / weights;
  });
}

/** Spreads a share evenly over so many cells of a row. */
function smeared(values: Float64Array, width: number, cells: number): Float64Array {
  if (cells <= 1) return values;
  const out = new Float64Array(values.length);
  const half = cells / 2;
  for (let first = 0; first < values.length; first += width) {
    const sums = new Float64Array(width + 1);
    for (let column = 0; column < width; column++) sums[column + 1] = (sums[column] as number) + (values[first + column] as number);
    const sumTo = (at: number): number => {
      const within = Math.min(width, Math.max(0, at));
      const whole = Math.min(width - 1, Math.floor(within));
      return (sums[whole] as number) + (within - whole) * (values[first + whole] as number);
    };
    for (let column = 0; column < width; column++) {
      const middle = column + 0.5;
      out[first + column] = (sumTo(middle + half) - sumTo(middle - half)) / cells;
    }
  }
  return out;
}

/**
 * A view as a camera would take it: soft by the disc f²·|d − s|/(N·d·(s − f)) of what each cell shows, and the person alone smeared
 * along the frame. EV at ISO 100 as the view's map; labels are the view's. Source: thin lens, docs/formulas.md#blur-disc.
 * @throws RangeError that names the parameter.
 */
export function takenFrame(view: MeasuredView, sight: Sight, taken: Taken): LuminanceMap {
  checkAtLeast('smearMm', taken.smearMm, 0);
  const { map, somebody } = sight;
  const { width, height } = map;
  const luminance = Float64Array.from(map.ev, (ev) => 2 ** ev);
  const discs = discsOf(view, taken);
  if (somebody === null) {
    const soft = spread({ width, height, luminance }, discs, view.distanceM);
    return { ...map, ev: Float32Array.from(soft, Math.log2) };
  }
  // What the view adds over everything, a reading and the sun's glare, is in what lies behind and in the person alike.
  const alpha = new Float64Array(luminance.length);
  const person = new Float64Array(luminance.length);
  somebody.cell.forEach((cell, k) => {
    const covered = somebody.covered[k] as number;
    const [own, behind] = [somebody.own[k] as number, somebody.behind[k] as number];
    const painted = covered * own + (1 - covered) * behind;
    const shown = luminance[cell] as number;
    const factor = painted > 0 ? shown / painted : 1;
    alpha[cell] = covered;
    person[cell] = covered * own * factor;
    luminance[cell] = behind * factor;
  });
  const back = spread({ width, height, luminance }, discs, view.distanceM);
  const { frame, size } = view.question;
  const cellMm = heldSides(frame)[0] / size.width;
  const personM = view.personM ?? taken.focusM;
  const disc = blurDiscMm({
    ...{ focalLengthMm: frame.focalLengthMm, fNumber: taken.fNumber, focusDistanceM: taken.focusM, objectDistanceM: personM },
  });
  const flat = new Float32Array(luminance.length).fill(Math.min(LARGEST_DISC, disc / cellMm));
  const same = new Float32Array(luminance.length).fill(personM);
  const moved = taken.smearMm / cellMm;
  const soften = (values: Float64Array): Float64Array =>
    spread({ width, height, luminance: smeared(values, width, moved) }, flat, same);
  const [its, covers] = [soften(person), soften(alpha)];
  return {
    ...map,
    ev: Float32Array.from(back, (value, cell) => Math.log2((1 - (covers[cell] as number)) * value + (its[cell] as number))),
  };
}
