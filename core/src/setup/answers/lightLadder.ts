import type { ManualSettings } from '../../stop/index.js';
import type { ControlKind, Figures } from '../../kit/index.js';
import { DEFAULT_INTENTS, INTENT_KINDS, type IntentKind } from '../../stop/index.js';
import { bestCell } from '../search/best.js';
import { type Evaluation, evaluationAt } from '../search/evaluation.js';
import { keepsHardLimits } from '../search/limits.js';
import { withLight, type Scene } from '../scene/scene.js';
import { type GridCell, gridIndex, type SettingsGrid, placeOfCell, searchAt } from '../search/searchAt.js';
import type { SetUpInput } from '../question/searchInput.js';
import { foundIn, placeOfHand, prepareSearch } from '../search/searchSetUp.js';

export type Change =
  | { readonly control: 'aperture'; readonly fNumber: number }
  | { readonly control: 'focus'; readonly distanceM: number }
  | { readonly control: 'shutter'; readonly seconds: number }
  | { readonly control: 'iso'; readonly iso: number }
  | { readonly control: 'support'; readonly support: ManualSettings['support'] };

/** One set-up with the span of light that it serves. */
export interface LadderStep {
  /** The brightest and the darkest of its EVs, exact. */
  readonly fromEv100: number;
  readonly toEv100: number;
  /** At `fromEv100`. */
  readonly setUp: Evaluation;
  /** What the hand changes on coming down to it; empty on the first. */
  readonly changes: readonly Change[];
  /** The lowest chance over its span. */
  readonly leastChance: number;
}

export interface LightLadder {
  /** By falling EV, without gaps. */
  readonly rungs: readonly LadderStep[];
  readonly topEv100: number;
  readonly footEv100: number;
  /** The brightest EV at which it works; null where that is the top. Above it is too bright. */
  readonly startsAtEv100: number | null;
  /** The first EV at which it does not work any more; null where it works to the foot. */
  readonly ends: { readonly ev100: number; readonly instead: IntentKind | null } | null;
  /** The loss in score summed over the thirds plus the prices of the changes. */
  readonly cost: number;
}

const STEPS = 18;
const MOST_CANDIDATES = 400;

/** EVs of a ladder, falling: the light ± 3 stops in thirds. */
export function ladderEvs(keyEv100: number): readonly number[] {
  return Array.from({ length: STEPS + 1 }, (_, k) => keyEv100 + (STEPS / 2 - k) / 3);
}

function priceOf(control: ControlKind, { ringPrice, buttonPrice, menuPrice }: Figures): number {
  return { ring: ringPrice, dial: ringPrice, button: buttonPrice, menu: menuPrice }[control];
}

/** Price of a change, any number of marks, by control. The focus is a ring; support is as much trouble as a menu. */
export interface Prices {
  readonly aperture: number;
  readonly dial: number;
  readonly focus: number;
}

export function pricesOf({ controls, figures, input }: Scene): Prices {
  const { body } = input;
  const dial = {
    slowestAuto: priceOf(body.controls.shutter, figures),
    shutter: priceOf(body.controls.shutter, figures),
    iso: priceOf(body.controls.iso, figures),
    support: figures.menuPrice,
  }[controls.dial.kind];
  return { aperture: priceOf(body.controls.aperture, figures), dial, focus: figures.ringPrice };
}

/**
 * Price of going from one set-up to the next as the light falls; `Infinity` where a control would have to go back:
 * the aperture only opens, the time only lengthens, ISO only rises, the support only gets steadier. Focus goes either way.
 */
export function priceOfStep(prices: Prices, from: GridCell, to: GridCell): number {
  if (to.aperture > from.aperture || to.dial < from.dial) return Infinity;
  return (
    (to.aperture === from.aperture ? 0 : prices.aperture) +
    (to.dial === from.dial ? 0 : prices.dial) +
    (to.focus === from.focus ? 0 : prices.focus)
  );
}

/** The bests of every EV, then their neighbours one mark away, at most 400, none twice. */
export function ladderCandidates(scene: Scene, bests: readonly GridCell[]): readonly GridCell[] {
  const { fNumbers, dial, focusM } = scene.controls;
  const seen = new Map<number, GridCell>();
  const offer = (place: GridCell): void => {
    const isMark =
      place.aperture >= 0 &&
      place.aperture < fNumbers.length &&
      place.dial >= 0 &&
      place.dial < dial.values.length &&
      place.focus >= 0 &&
      place.focus < focusM.length;
    if (isMark && seen.size < MOST_CANDIDATES) seen.set(gridIndex({ scene }, place), place);
  };
  bests.forEach(offer);
  for (const best of bests) {
    for (const axis of ['aperture', 'dial', 'focus'] as const) {
      offer({ ...best, [axis]: best[axis] - 1 });
      offer({ ...best, [axis]: best[axis] + 1 });
    }
  }
  return [...seen.values()];
}

export interface CheapestPath {
  /** Candidate by EV. */
  readonly path: readonly number[];
  readonly cost: number;
}

/** Costs that differ by no more than this are equal. */
const ROUNDING = 1e-13;

/**
 * The sequence of candidates with the least loss and prices, by dynamic programming over the EVs from the dark end: exact,
 * because whether a step is allowed depends on its two ends alone. Between equals the earlier candidate to begin with, and
 * then whatever leaves the hand alone longest.
 * @param losses by EV x candidate; `Infinity` where a candidate may not be used
 */
export function cheapestPath(losses: readonly Float64Array[], step: (from: number, to: number) => number): CheapestPath | null {
  const count = losses[0]?.length ?? 0;
  let costs = new Float64Array(count);
  const goesTo: Int32Array[] = [];
  for (let k = losses.length - 1; k >= 0; k--) {
    const loss = losses[k] as Float64Array;
    const own = new Float64Array(count).fill(Infinity);
    const to = new Int32Array(count).fill(-1);
    const isLast = k === losses.length - 1;
    for (let a = 0; a < count; a++) {
      if (loss[a] === Infinity) continue;
      if (isLast) {
        own[a] = loss[a] as number;
        continue;
      }
      let [best, next] = [(costs[a] as number) + step(a, a), a];
      for (let b = 0; b < count; b++) {
        if (costs[b] === Infinity) continue;
        const cost = (costs[b] as number) + step(a, b);
        if (cost < best - ROUNDING) [best, next] = [cost, b];
      }
      own[a] = best + (loss[a] as number);
      to[a] = next;
    }
    goesTo.unshift(to);
    costs = own;
  }
  let first = 0;
  for (let k = 1; k < count; k++) if ((costs[k] as number) < (costs[first] as number) - ROUNDING) first = k;
  const cost = costs[first] ?? Infinity;
  if (cost === Infinity) return null;
  const path = [first];
  for (let k = 0; k < losses.length - 1; k++) path.push((goesTo[k] as Int32Array)[path[k] as number] as number);
  return { path, cost };
}

function changesBetween(scene: Scene, before: Evaluation, after: Evaluation): readonly Change[] {
  const [from, to] = [before.hand, after.hand];
  const changes: Change[] = [];
  if (to.fNumber !== from.fNumber) changes.push({ control: 'aperture', fNumber: to.fNumber });
  if (to.focusM !== from.focusM) changes.push({ control: 'focus', distanceM: to.focusM });
  if (to.shutterS !== null && to.shutterS !== from.shutterS) changes.push({ control: 'shutter', seconds: to.shutterS });
  if (scene.controls.dial.kind === 'iso' && to.iso !== null && to.iso !== from.iso) changes.push({ control: 'iso', iso: to.iso });
  if (to.support !== from.support) changes.push({ control: 'support', support: to.support });
  return changes;
}

/** The other intent with the best chance in this light, where it has a chance at all. */
function whatStillWorks(input: SetUpInput, ev100: number, leastChance: number): IntentKind | null {
  let best: { kind: IntentKind; chance: number } | null = null;
  for (const kind of INTENT_KINDS) {
    if (kind === input.intent.kind || kind === 'fireworks' || (kind === 'flashLift' && input.flash === null)) continue;
    const other = { ...input, intent: DEFAULT_INTENTS[kind], light: { ...input.light, keyEv100: ev100 } };
    const { chance } = foundIn(searchAt(prepareSearch(other), ev100)).best;
    if (chance >= leastChance && chance > (best?.chance ?? 0)) best = { kind, chance };
  }
  return best?.kind ?? null;
}

interface Span {
  readonly first: number;
  readonly last: number;
}

/** The EVs that belong to the ladder: from the first with a chance of 0.2 to the one before the first without. */
function spanOf(chances: readonly number[], least: number): Span | null {
  const first = chances.findIndex((chance) => chance >= least);
  if (first === -1) return null;
  const end = chances.findIndex((chance, k) => k > first && chance < least);
  return { first, last: end === -1 ? chances.length - 1 : end - 1 };
}

function rungsOf(scene: Scene, cells: readonly SettingsGrid[], places: readonly GridCell[]): readonly LadderStep[] {
  const rungs: LadderStep[] = [];
  places.forEach((place, k) => {
    const at = cells[k] as SettingsGrid;
    const held = places[k - 1];
    const last = rungs.at(-1);
    const { chance } = evaluationAt(at, place);
    if (last !== undefined && held !== undefined && gridIndex(at, held) === gridIndex(at, place)) {
      rungs[rungs.length - 1] = { ...last, toEv100: at.keyEv100, leastChance: Math.min(last.leastChance, chance) };
      return;
    }
    const setUp = evaluationAt(at, place);
    const changes = last === undefined ? [] : changesBetween(scene, last.setUp, setUp);
    rungs.push({ fromEv100: at.keyEv100, toEv100: at.keyEv100, setUp, changes, leastChance: chance });
  });
  return rungs;
}

export interface LadderOptions {
  /** A set-up that the ladder stands on at the light now, where any can: what is in the hand. */
  readonly through?: ManualSettings;
}

function scoreOf(cells: SettingsGrid, place: GridCell): number {
  return cells.score[gridIndex(cells, place)] as number;
}

/** A ladder whose stop has been prepared. A rung is at its exact EV: when that comes is the day's question, not its own. */
export function ladderOf(prepared: Scene, keyEv100: number, { through }: LadderOptions = {}): LightLadder {
  const scene = withLight(prepared, { ...prepared.input.light, spreadEv: 0 });
  const { figures, input } = scene;
  const evs = ladderEvs(keyEv100);
  const cells = evs.map((ev100) => searchAt(scene, ev100));
  const bests = cells.map((at) => placeOfCell(at, bestCell(at).cell));
  const ends = { topEv100: evs[0] as number, footEv100: evs.at(-1) as number };
  const chances = cells.map((at, k) => at.chance[gridIndex(at, bests[k] as GridCell)] as number);
  const span = spanOf(chances, figures.ladderChance);
  if (span === null)
    return {
      rungs: [],
      ...ends,
      startsAtEv100: null,
      ends: { ev100: keyEv100, instead: whatStillWorks(input, keyEv100, figures.ladderChance) },
      cost: 0,
    };

  const fixed = through === undefined ? null : placeOfHand(scene, through);
  const inSpan = <Item>(items: readonly Item[]): readonly Item[] => items.slice(span.first, span.last + 1);
  const candidates = ladderCandidates(scene, [...(fixed === null ? [] : [fixed]), ...inSpan(bests)]);
  const nowAt = STEPS / 2 - span.first;
  const losses = inSpan(cells).map((at, k) => {
    const best = scoreOf(at, bests[span.first + k] as GridCell);
    return Float64Array.from(candidates, (place) => {
      if (fixed !== null && k === nowAt && gridIndex(at, place) !== gridIndex(at, fixed)) return Infinity;
      const { dial, focusM } = scene.controls;
      const [pair, zone] = [place.aperture * dial.values.length + place.dial, place.aperture * focusM.length + place.focus];
      const isAllowed =
        keepsHardLimits(at, pair, zone) || gridIndex(at, place) === gridIndex(at, bests[span.first + k] as GridCell);
      return isAllowed ? best - scoreOf(at, place) : Infinity;
    });
  });
  const prices = pricesOf(scene);
  const found = cheapestPath(losses, (a, b) => priceOfStep(prices, candidates[a] as GridCell, candidates[b] as GridCell));
  // From a hand that burns the highlights no step darker is allowed to close again: the stop's own ladder then.
  if (found === null && through !== undefined) return ladderOf(prepared, keyEv100);
  const path = found?.path.map((k) => candidates[k] as GridCell) ?? [];
  const endEv = evs[span.last + 1];
  return {
    rungs: rungsOf(scene, inSpan(cells), path),
    ...ends,
    startsAtEv100: span.first === 0 ? null : (evs[span.first] as number),
    ends: endEv === undefined ? null : { ev100: endEv, instead: whatStillWorks(input, endEv, figures.ladderChance) },
    cost: found?.cost ?? Infinity,
  };
}

/**
 * What to change as the light falls: over the light ± 3 stops in thirds the sequence of set-ups with the least loss in
 * score, summed over the thirds, plus the prices of the changes. Source: docs/formulas.md#ladder.
 * @throws as `searchSetUp`; RangeError where `through` is not in marks.
 */
export function lightLadder(input: SetUpInput, options: LadderOptions = {}): LightLadder {
  return ladderOf(prepareSearch(input), input.light.keyEv100, options);
}
