import { APPROACHES } from '../../stop/index.js';
import { keepsHighlights } from './limits.js';
import type { Dial } from '../question/controls.js';
import { cameraAt } from './evaluation.js';
import { supportOf } from '../scene/scene.js';
import { type GridCell, type SettingsGrid, placeOfCell } from './searchAt.js';

/** Scores within this of the highest are as good: the tie-break chooses among them. */
const AS_GOOD = 0.01;
const SCORE_STEP = 0.002;
const PREFERRED_F_NUMBER = 8;
const ROUNDING = 1e-9;

/** What the tie-break looks at, in order; the smallest wins. */
function ranks(cells: SettingsGrid, cell: number): readonly number[] {
  const { dial, fNumbers, focusM } = cells.scene.controls;
  const place = placeOfCell(cells, cell);
  const mark = dial.values[place.dial] as number;
  const support = APPROACHES.support.indexOf(supportOf(cells.scene, mark));
  const steps = -Math.round((cells.score[cell] as number) / SCORE_STEP);
  const offPreferred = Math.abs(Math.log2((fNumbers[place.aperture] as number) / PREFERRED_F_NUMBER));
  return [support, steps, offPreferred, ...markRanks(cells, place, dial.kind, mark), focusM[place.focus] as number];
}

/**
 * A slowest auto shutter is the better the nearer it lies to what the camera sets anyway, and the faster of two as near;
 * else the slowest shutter, which for a fixed ISO is the lowest.
 */
function markRanks(cells: SettingsGrid, place: GridCell, kind: Dial['kind'], mark: number): readonly number[] {
  if (kind === 'slowestAuto') return [Math.abs(Math.log2(mark / cameraAt(cells, place).shutterS)), mark];
  return [kind === 'shutter' ? -mark : mark];
}

function isBefore(a: readonly number[], b: readonly number[]): boolean {
  const differs = a.findIndex((value, k) => Math.abs(value - (b[k] as number)) > ROUNDING);
  return differs !== -1 && (a[differs] as number) < (b[differs] as number);
}

/** Cells within the hard limits; all of them where none is. */
function allowedCells(cells: SettingsGrid): Uint8Array {
  const { dial, focusM, fNumbers } = cells.scene.controls;
  const [marks, focuses] = [dial.values.length, focusM.length];
  const allowed = new Uint8Array(cells.score.length);
  let any = false;
  for (let pair = 0; pair < fNumbers.length * marks; pair++) {
    if (!keepsHighlights(cells, pair)) continue;
    const aperture = Math.floor(pair / marks);
    for (let focus = 0; focus < focuses; focus++) {
      if (cells.scene.belongs[aperture * focuses + focus] !== true) continue;
      allowed[pair * focuses + focus] = 1;
      any = true;
    }
  }
  return any ? allowed : allowed.fill(1);
}

function withinIso(cells: SettingsGrid, allowed: Uint8Array, mostIsoStops: number): Uint8Array {
  if (mostIsoStops === Infinity) return allowed;
  const focuses = cells.scene.controls.focusM.length;
  return allowed.map((is, cell) => (is === 1 && (cells.isoStops[Math.floor(cell / focuses)] as number) <= mostIsoStops ? 1 : 0));
}

function highest(values: Float64Array, counts: (cell: number) => boolean): number {
  let top = -Infinity;
  for (let cell = 0; cell < values.length; cell++) {
    if ((values[cell] as number) > top && counts(cell)) top = values[cell] as number;
  }
  return top;
}

export interface Best {
  readonly cell: number;
  /** False where no cell within the hard limits has the least chance: then the cell with the highest chance stands. */
  readonly isEnough: boolean;
}

/**
 * The best cell within the hard limits: the highest score, and within 0.01 of it the lightest support, then the score in
 * steps of 0.002, the nearest to f/8, the slowest-auto-shutter nearest to what the camera sets at the mean light (the faster
 * of two) or the slowest shutter, the nearest focus. Only cells with the least chance (0.05) take part: otherwise, in the dark, base
 * ISO with no chance at all would cost least. With `mostIsoStops` only those that stay within so many stops above base.
 */
export function bestCell(cells: SettingsGrid, mostIsoStops = Infinity): Best {
  const allowed = withinIso(cells, allowedCells(cells), mostIsoStops);
  const { leastChance } = cells.scene.figures;
  const isEnough = highest(cells.chance, (cell) => allowed[cell] === 1) >= leastChance;
  const ranked = isEnough ? cells.score : cells.chance;
  const counts = (cell: number): boolean => allowed[cell] === 1 && (!isEnough || (cells.chance[cell] as number) >= leastChance);
  const least = highest(ranked, counts) - (isEnough ? AS_GOOD : 0) - ROUNDING;
  let best = -1;
  let bestRanks: readonly number[] = [];
  for (let cell = 0; cell < ranked.length; cell++) {
    if ((ranked[cell] as number) < least || !counts(cell)) continue;
    const own = ranks(cells, cell);
    if (best === -1 || isBefore(own, bestRanks)) [best, bestRanks] = [cell, own];
  }
  return { cell: best, isEnough };
}
