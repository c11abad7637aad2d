import type { Body, MeterPattern } from '../../kit/index.js';
import type { PlacementMethod } from '../../stop/index.js';
import { type Dialled, dialled } from '../dial.js';
import type { Spot } from '../map/shapes.js';
import type { Medium } from '../medium.js';
import type { KeyOnMap } from './keyOnMap.js';
import { patternEv, spotShareOf } from './patterns.js';
import type { PreparedMap } from './prepareMap.js';

/** What a body's dial of compensation goes to, either way, stops. */
export const DIAL_RANGE_EV = 3;
/** Where less of a spot is key than this, it reads something else as well. */
export const ENOUGH_OF_SPOT = 0.8;

export interface PatternAnswer {
  readonly pattern: MeterPattern;
  /** What the pattern gives, EV at ISO 100. */
  readonly readEv: number;
  /** Compensation that brings the key to its tone, unrounded; + is more exposure. */
  readonly compensationEv: number;
  readonly dial: Dialled;
  /** Of a spot: the share of it that is key; null for other patterns. */
  readonly keyShare: number | null;
}

/** What a body's pattern makes of a map, and what it has to be told for a key. Source: docs/metering.md#patterns. */
export function answerOf(
  map: PreparedMap,
  key: Pick<KeyOnMap, 'exposureEv' | 'has'>,
  {
    pattern,
    at,
    body,
    school,
    medium,
  }: {
    readonly pattern: MeterPattern;
    readonly at: Spot;
    readonly body: Pick<Body, 'straightOverEv' | 'markStep'>;
    readonly school: PlacementMethod;
    readonly medium: Pick<Medium, 'kind'>;
  },
): PatternAnswer {
  const readEv = patternEv(map, { pattern, at, straightOverEv: body.straightOverEv });
  const compensationEv = readEv - key.exposureEv;
  return {
    pattern,
    readEv,
    compensationEv,
    dial: dialled(compensationEv, { school, medium, step: body.markStep, rangeEv: DIAL_RANGE_EV }),
    keyShare: pattern === 'spot' ? spotShareOf(map, at, key.has) : null,
  };
}
