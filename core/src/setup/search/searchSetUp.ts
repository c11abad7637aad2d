import type { ManualSettings } from '../../stop/index.js';
import { bestCell } from './best.js';
import { type Evaluation, evaluationAt } from './evaluation.js';
import type { BrokenLimit } from './limits.js';
import { prepareScene, type Scene } from '../scene/scene.js';
import { type GridCell, type SettingsGrid, placeOfCell, searchAt } from './searchAt.js';
import { checkSetUpInput, type SetUpInput } from '../question/searchInput.js';
import { type Sides, sidesOf } from './sides.js';
import { APPROACHES } from '../../stop/index.js';
import { isSameValue } from '../../units/index.js';

/** The answer of a search: the best, or that there is none, and then what was the least bad. */
export interface Found {
  readonly kind: 'best' | 'none';
  /** The best; where there is none, the highest score there was. */
  readonly best: Evaluation;
  /** Soft limits that the best breaks: what is given up. */
  readonly sacrifices: readonly BrokenLimit[];
  readonly sides: Sides;
}

export function foundIn(cells: SettingsGrid): Found {
  const { cell, isEnough } = bestCell(cells);
  const place = placeOfCell(cells, cell);
  const best = evaluationAt(cells, place);
  return { kind: isEnough ? 'best' : 'none', best, sacrifices: best.limits, sides: sidesOf(cells, place) };
}

/** Checks the input and does the part that is the same at every light. */
export function prepareSearch(input: SetUpInput): Scene {
  checkSetUpInput(input);
  return prepareScene(input);
}

/**
 * The whole search for one stop at one light: every mark that the approach has the hand set, every factor, the best by
 * score and its tie-break, what it gives up, and what stops each control on either side. Source: docs/formulas.md#search.
 * @throws TypeError, RangeError for a zone nearer than the focal length or turned round, or a focal length off the lens.
 */
export function searchSetUp(input: SetUpInput): Found {
  return foundIn(searchAt(prepareSearch(input), input.light.keyEv100));
}

function markOf(marks: readonly number[], value: number, name: string): number {
  const found = marks.findIndex((mark) => isSameValue(mark, value));
  if (found === -1) throw new RangeError(`${name} must be one of the marks ${marks.join(', ')}, got ${value}`);
  return found;
}

/** The cell that a hand's settings are. @throws RangeError naming the marks where one of them is none. */
export function placeOfHand({ controls }: Scene, hand: ManualSettings): GridCell {
  const { dial } = controls;
  const { support } = hand;
  const value = dial.kind === 'iso' ? hand.iso : dial.kind === 'support' ? null : hand.shutterS;
  const mark =
    dial.kind === 'support'
      ? markOf(dial.values, APPROACHES.support.indexOf(support), 'hand.support')
      : markOf(dial.values, value ?? NaN, `hand.${dial.kind === 'iso' ? 'iso' : 'shutterS'}`);
  return {
    aperture: markOf(controls.fNumbers, hand.fNumber, 'hand.fNumber'),
    dial: mark,
    focus: markOf(controls.focusM, hand.focusM, 'hand.focusM'),
  };
}

function nearestMark(marks: readonly number[], value: number | null, fallback: number): number {
  if (value === null) return fallback;
  const far = (mark: number): number => (mark === value ? 0 : Math.abs(1 / mark - 1 / value));
  return marks.reduce((best, mark, k) => (far(mark) < far(marks[best] as number) ? k : best), 0);
}

/** The place among the supports at hand of one that may not be: the steadiest that is no steadier. */
function steadiestUpTo(values: readonly number[], support: number | null): number {
  return values.reduce((best, value, k) => (value <= (support ?? 0) ? k : best), 0);
}

/** The cell nearest to a hand's settings, where kit or approach have changed since; `fallback` for what it does not set. */
export function nearestPlace({ controls }: Scene, hand: ManualSettings, fallback: GridCell): GridCell {
  const { kind, values } = controls.dial;
  const value = kind === 'support' ? APPROACHES.support.indexOf(hand.support) : kind === 'iso' ? hand.iso : hand.shutterS;
  return {
    aperture: nearestMark(controls.fNumbers, hand.fNumber, fallback.aperture),
    dial: kind === 'support' ? steadiestUpTo(values, value) : nearestMark(values, value, fallback.dial),
    focus: nearestMark(controls.focusM, hand.focusM, fallback.focus),
  };
}

/**
 * One set-up looked at whole: every factor, the chance of a good frame, the score, the limits that it breaks, and what
 * the camera makes of it. `hand` is in marks that the approach has the hand set.
 * @throws TypeError, RangeError as `searchSetUp`, and RangeError for a value that is no mark.
 */
export function evaluateSetUp(input: SetUpInput, hand: ManualSettings): Evaluation {
  const scene = prepareSearch({ ...input, approach: { ...input.approach, support: hand.support } });
  return evaluationAt(searchAt(scene, input.light.keyEv100), placeOfHand(scene, hand));
}
