import type { Lens, Standard } from '../../kit/index.js';
import { type Approach, APPROACHES, DEFAULT_INTENTS, INTENT_KINDS, type IntentKind, scaledZone } from '../../stop/index.js';
import { isoCeilingOf } from '../../kit/index.js';
import { personHeightShare } from '../../optics/index.js';
import { exposureUsed, figuresOf, type SetUpInput, shootingOf, supportsOf } from '../question/searchInput.js';
import { type Found, searchSetUp } from '../search/searchSetUp.js';

/** One thing to do otherwise. */
export type WayOut =
  | { readonly kind: 'support'; readonly support: Approach['support'] }
  /** Everything that many times as far away; heightShare is how much of the frame's height a person of 1.7 m then fills. */
  | { readonly kind: 'distance'; readonly times: number; readonly medianM: number; readonly heightShare: number }
  | { readonly kind: 'lens'; readonly lensId: string; readonly name: string; readonly focalLengthMm: number }
  | { readonly kind: 'isoCeiling'; readonly iso: number }
  | { readonly kind: 'burst'; readonly frames: number }
  | { readonly kind: 'approach'; readonly change: Partial<Approach> }
  | { readonly kind: 'intent'; readonly intent: IntentKind };

export interface WayOutResult {
  readonly way: WayOut;
  readonly chanceBefore: number;
  readonly chanceAfter: number;
  /** Stops of ISO that it takes more (+) or less. */
  readonly isoStopsMore: number;
  readonly found: Found;
}

interface Change {
  readonly way: WayOut;
  readonly input: SetUpInput;
}

function supportChanges(input: SetUpInput): readonly Change[] {
  if (exposureUsed(input) === 'baseIsoLong') return [];
  const now = APPROACHES.support.indexOf(input.approach.support);
  const steadier = supportsOf(input).filter((support) => APPROACHES.support.indexOf(support) > now);
  return steadier.map((support) => ({
    way: { kind: 'support', support },
    input: { ...input, approach: { ...input.approach, support } },
  }));
}

const DISTANCE_STEPS = [0.5, 2 / 3, 1.5, 2];

function distanceChanges(input: SetUpInput): readonly Change[] {
  return DISTANCE_STEPS.map((times) => {
    const subject = scaledZone(input.subject, times);
    const { focalLengthMm, body } = input;
    const heightShare = personHeightShare({ focalLengthMm, uprightMm: body.sensorHeightMm, distanceM: subject.medianM });
    return {
      way: { kind: 'distance', times, medianM: subject.medianM, heightShare } as const,
      input: { ...input, subject },
    };
  }).filter(({ input: { subject, focalLengthMm } }) => subject.medianM > (focalLengthMm / 1000) * 2);
}

/** A zoom is tried at both of its ends. */
function lensChanges(input: SetUpInput, lenses: readonly Lens[]): readonly Change[] {
  return lenses.flatMap((lens) => {
    const lengths = lens.shortestMm === lens.longestMm ? [lens.shortestMm] : [lens.shortestMm, lens.longestMm];
    return lengths
      .filter((focalLengthMm) => lens.id !== input.lens.id || focalLengthMm !== input.focalLengthMm)
      .filter((focalLengthMm) => input.subject.medianM > focalLengthMm / 1000)
      .map((focalLengthMm) => ({
        way: { kind: 'lens', lensId: lens.id, name: lens.name, focalLengthMm } as const,
        input: { ...input, lens, focalLengthMm },
      }));
  });
}

function isoChanges(input: SetUpInput): readonly Change[] {
  const { body, standard } = input;
  const ceiling = isoCeilingOf(body, standard);
  if (body.medium === 'film' || ceiling >= body.highestIso * (1 - 1e-9)) return [];
  return [1, 2].map((stops) => {
    const iso = Math.min(body.highestIso, ceiling * 2 ** stops);
    const raised: Standard = { ...standard, isoCeilingByBody: { ...standard.isoCeilingByBody, [body.id]: iso } };
    return { way: { kind: 'isoCeiling', iso } as const, input: { ...input, standard: raised } };
  });
}

const BURSTS = [3, 5];

function burstChanges(input: SetUpInput): readonly Change[] {
  const shooting = shootingOf(input);
  return BURSTS.filter((frames) => frames > shooting.burstFrames).map((frames) => ({
    way: { kind: 'burst', frames },
    input: { ...input, shooting: { ...shooting, burstFrames: frames } },
  }));
}

/** One dimension of the approach at a time, those that this body can be run in. */
export function approachChanges(input: SetUpInput): readonly { readonly change: Partial<Approach>; readonly input: SetUpInput }[] {
  const { approach, body } = input;
  const canRun = (exposure: Approach['exposure']): boolean =>
    (exposure === 'film') === (body.medium === 'film') && (exposure !== 'aperturePriority' || body.slowestAutoShuttersS.length > 0);
  const changes: Partial<Approach>[] = [
    ...APPROACHES.exposure
      .filter((exposure) => exposure !== exposureUsed(input) && canRun(exposure))
      .map((exposure) => ({ exposure })),
    ...APPROACHES.focus.filter((focus) => focus !== approach.focus).map((focus) => ({ focus })),
    ...APPROACHES.depth.filter((depth) => depth !== approach.depth).map((depth) => ({ depth })),
  ];
  return changes.map((change) => ({ change, input: { ...input, approach: { ...approach, ...change } } }));
}

function intentChanges(input: SetUpInput): readonly Change[] {
  return INTENT_KINDS.filter(
    (kind) => kind !== input.intent.kind && kind !== 'fireworks' && (kind !== 'flashLift' || input.flash !== null),
  ).map((intent) => ({ way: { kind: 'intent', intent }, input: { ...input, intent: DEFAULT_INTENTS[intent] } }));
}

/** Of several strengths of one change the weakest that helps is enough. */
function familyOf(way: WayOut): string {
  switch (way.kind) {
    case 'distance':
      return way.times < 1 ? 'nearer' : 'farther';
    case 'support':
    case 'isoCeiling':
    case 'burst':
      return way.kind;
    case 'lens':
      return `lens ${way.lensId}`;
    case 'approach':
      return JSON.stringify(way.change);
    case 'intent':
      return `intent ${way.intent}`;
  }
}

/** Weakest first: of the distances those nearest to now. */
function strengthOf(way: WayOut): number {
  return way.kind === 'distance' ? Math.abs(Math.log2(way.times)) : 0;
}

/**
 * What else would help: the search run again with one change, listed for a gain in chance of 0.05 or more, the largest
 * gain first. Changes tried: a steadier support, everything ½, ⅔, 1½ and 2 times as far, the other lenses of the bag
 * (zooms at both ends), one and two stops more of ISO, bursts of 3 and 5, every other school of exposure, focus and depth,
 * every other intent. Of a change in several strengths the weakest that helps is listed.
 * @throws as `searchSetUp`
 */
export function waysOut(input: SetUpInput, lenses: readonly Lens[]): readonly WayOutResult[] {
  const before = searchSetUp(input);
  const least = figuresOf(input).wayOutGain;
  const changes: readonly Change[] = [
    ...supportChanges(input),
    ...[...distanceChanges(input)].sort((a, b) => strengthOf(a.way) - strengthOf(b.way)),
    ...lensChanges(input, lenses),
    ...isoChanges(input),
    ...burstChanges(input),
    ...approachChanges(input).map(({ change, input: changed }) => ({ way: { kind: 'approach', change } as const, input: changed })),
    ...intentChanges(input),
  ];
  const helped = new Map<string, WayOutResult>();
  for (const { way, input: changed } of changes) {
    if (helped.has(familyOf(way))) continue;
    const found = searchSetUp(changed);
    const chanceAfter = found.best.chance;
    if (found.kind === 'none' || chanceAfter - before.best.chance < least) continue;
    const isoStopsMore = found.best.isoStops - before.best.isoStops;
    helped.set(familyOf(way), { way, chanceBefore: before.best.chance, chanceAfter, isoStopsMore, found });
  }
  return [...helped.values()].sort((a, b) => b.chanceAfter - a.chanceAfter);
}
