import type { ManualSettings } from '../../stop/index.js';
import { bestCell } from '../search/best.js';
import { type Evaluation, evaluationAt, handAt } from '../search/evaluation.js';
import type { Change } from './lightLadder.js';
import { prepareScene } from '../scene/scene.js';
import { type SettingsGrid, placeOfCell, searchAt } from '../search/searchAt.js';
import { checkSetUpInput, type SetUpInput } from '../question/searchInput.js';
import { prepareSearch } from '../search/searchSetUp.js';
import type { IntentKind } from '../../stop/index.js';
import { isSameValue } from '../../units/index.js';

export interface HomeStop {
  readonly id: string;
  readonly input: SetUpInput;
  /** How much the stop counts; 1 by default. */
  readonly weight?: number;
}

export interface HomeStopResult {
  readonly id: string;
  readonly atHome: Evaluation;
  readonly best: Evaluation;
  /** Chance lost by staying at home. */
  readonly loss: number;
  /** From home to the stop's own best. */
  readonly changes: readonly Change[];
}

export interface HomeState {
  readonly hand: ManualSettings;
  /** Σ weight x chance ÷ Σ weight. */
  readonly meanChance: number;
  readonly stops: readonly HomeStopResult[];
  /** Stops that are no matter of a home state: by flash, or of a wanted time. */
  readonly leftOut: readonly string[];
}

const ROUNDING = 1e-9;

function changesTo(home: ManualSettings, best: ManualSettings, dialKind: string): readonly Change[] {
  const differs = (a: number | null, b: number | null): b is number => b !== null && (a === null || !isSameValue(a, b));
  return [
    ...(differs(home.fNumber, best.fNumber) ? [{ control: 'aperture' as const, fNumber: best.fNumber }] : []),
    ...(differs(home.focusM, best.focusM) ? [{ control: 'focus' as const, distanceM: best.focusM }] : []),
    ...(differs(home.shutterS, best.shutterS) ? [{ control: 'shutter' as const, seconds: best.shutterS }] : []),
    ...(dialKind === 'iso' && differs(home.iso, best.iso) ? [{ control: 'iso' as const, iso: best.iso }] : []),
    ...(home.support === best.support ? [] : [{ control: 'support' as const, support: best.support }]),
  ];
}

/** The best cell of the stop left to itself, under its own school of depth. */
function ownBest(input: SetUpInput): { readonly best: Evaluation; readonly dialKind: string } {
  const scene = prepareSearch(input);
  const cells = searchAt(scene, input.light.keyEv100);
  return { best: evaluationAt(cells, placeOfCell(cells, bestCell(cells).cell)), dialKind: scene.controls.dial.kind };
}

/**
 * The one set-up to return to: of all that the hand can set with one body, lens and approach, the one that maximises
 * Σ weight x chance over the stops; between equals the one whose worst stop is best, then the first. Every stop's input
 * must have the same body, lens, focal length and approach. The focus is a fixed distance, and no intent brings its own
 * school of depth: one aperture has to serve silhouettes and candids alike. Null without a stop that can have one. Source: docs/formulas.md#base-set-up.
 * @throws as `searchSetUp`; RangeError where the stops do not share their marks.
 */
export function homeState(stops: readonly HomeStop[]): HomeState | null {
  const served = stops.filter(({ input }) => !WITHOUT_HOME.has(input.intent.kind));
  const leftOut = stops.filter(({ input }) => WITHOUT_HOME.has(input.intent.kind)).map(({ id }) => id);
  if (served.length === 0) return null;
  const all = served.map(({ input }) => cellsAtHome(input));
  const count = all[0]?.chance.length ?? 0;
  const stray = all.findIndex(({ chance }) => chance.length !== count);
  if (stray !== -1)
    throw new RangeError(`stops must share body, lens and approach, got other marks at ${served[stray]?.id ?? stray}`);
  const weights = served.map(({ weight = 1 }) => weight);
  const total = weights.reduce((a, b) => a + b);
  const best = bestFor(all, weights);
  const place = placeOfCell(all[0] as SettingsGrid, best.cell);
  const results = served.map(({ id, input }, k): HomeStopResult => {
    const own = ownBest(input);
    const here = evaluationAt(all[k] as SettingsGrid, place);
    return {
      id,
      atHome: here,
      best: own.best,
      loss: Math.max(0, own.best.chance - here.chance),
      changes: changesTo(here.hand, own.best.hand, own.dialKind),
    };
  });
  return { hand: handAt(all[0] as SettingsGrid, place), meanChance: best.sum / total, stops: results, leftOut };
}

const WITHOUT_HOME: ReadonlySet<IntentKind> = new Set(['flashLift', 'longExposure', 'fireworks']);

function cellsAtHome(input: SetUpInput): SettingsGrid {
  checkSetUpInput(input);
  const fixed: SetUpInput = { ...input, approach: { ...input.approach, focus: 'fixedZone' } };
  return searchAt(prepareScene(fixed, { schoolByIntent: false }), input.light.keyEv100);
}

function bestFor(all: readonly SettingsGrid[], weights: readonly number[]): { readonly cell: number; readonly sum: number } {
  let best = { cell: 0, sum: -Infinity, worst: -Infinity };
  const count = all[0]?.chance.length ?? 0;
  for (let cell = 0; cell < count; cell++) {
    let sum = 0;
    let worst = Infinity;
    all.forEach(({ chance }, k) => {
      sum += (weights[k] as number) * (chance[cell] as number);
      worst = Math.min(worst, chance[cell] as number);
    });
    if (sum > best.sum + ROUNDING || (sum > best.sum - ROUNDING && worst > best.worst + ROUNDING)) best = { cell, sum, worst };
  }
  return best;
}
