import type { Body } from '../../kit/index.js';
import { markedBetween, snapToMark } from '../../units/index.js';
import type { NoiseCurve } from './noiseCurve.js';

/**
 * The marked ISO of a body nearest to where its noise falls to the least ratio that a person takes, held within what the body
 * has: what lies between two marks is neither. Source: docs/log.md#noise-test.
 */
export function ceilingByPatches(
  curve: NoiseCurve,
  leastRatio: number,
  body: Pick<Body, 'markStep' | 'lowestIso' | 'highestIso'>,
): number {
  const crossed = Math.min(body.highestIso, Math.max(body.lowestIso, curve.isoFor(leastRatio)));
  const marks = markedBetween('iso', body.markStep, body.lowestIso, body.highestIso);
  return snapToMark({ value: crossed, marks, direction: 'nearest' }) ?? crossed;
}
