import { STRAIGHT_HOLDS } from '../../kit/index.js';
import { type Medium, toneOf } from '../../metering/index.js';
import type { Luma } from './luma.js';

/** What the tones of a picture say of its light. */
export interface Tones {
  /** Luminance under which a thousandth of the picture lies, as a share of its mean. */
  readonly blackShare: number;
  /** Stops from mid-grey of its mean luminance: what a meter of the whole frame would read off it. */
  readonly midToneEv: number;
}

/** Files are taken for pictures straight out of a camera: its curve is the medium's of that name. */
const STRAIGHT: Medium = { kind: 'straight', overEv: STRAIGHT_HOLDS.straightOverEv, underEv: STRAIGHT_HOLDS.straightUnderEv };
const DARK_SHARE = 0.001;
/** Codes so dark are black, whatever they came from. */
const BLACK_CODE = 2;
const STEP_EV = 1 / 64;

/** Stops from mid-grey by code: the curve read backwards. */
function stopsByCode(): Float64Array {
  const stops = new Float64Array(256);
  let at = -STRAIGHT.underEv;
  for (let code = 0; code < 256; code++) {
    while (at < STRAIGHT.overEv && 255 * toneOf(at, STRAIGHT) < code) at += STEP_EV;
    stops[code] = at;
  }
  return stops;
}

let made: Float64Array | null = null;
const stopsOf = (code: number): number => (made ??= stopsByCode())[code] as number;

const luminanceOf = (code: number): number => (code <= BLACK_CODE ? 0 : 2 ** stopsOf(code));

/** Source: docs/log.md#veil. */
export function tonesOf({ values }: Luma): Tones {
  const counts = new Float64Array(256);
  for (const value of values) {
    const code = Math.min(255, Math.max(0, Math.round(value)));
    counts[code] = (counts[code] as number) + 1;
  }
  const codeAt = (share: number): number => {
    let left = share * values.length;
    return Math.max(
      0,
      counts.findIndex((count) => (left -= count) <= 0),
    );
  };
  const sum = counts.reduce((all, count, code) => all + count * luminanceOf(code), 0);
  return {
    blackShare: sum === 0 ? 0 : (luminanceOf(codeAt(DARK_SHARE)) * values.length) / sum,
    midToneEv: sum === 0 ? -STRAIGHT.underEv : Math.log2(sum / values.length),
  };
}
