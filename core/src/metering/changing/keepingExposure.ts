import { type ExposureTolerance, exposureWorth } from '../../exposure/index.js';
import type { LightChange } from '../../stop/index.js';
import { seeded } from '../map/noise.js';

/** Luminance of a surface, or of the frame as a meter averages it: what is there always, and what the changing light adds. */
export interface MixedLight {
  readonly steady: number;
  readonly changing: number;
}

/** The four ways to keep an exposure while the light changes. */
export const EXPOSURE_KEPT = ['floating', 'held', 'locked', 'byHand'] as const;
export type ExposureKept = (typeof EXPOSURE_KEPT)[number];

/** Worth of each over a minute, 0 to 1. */
export type KeptWorth = Readonly<Record<ExposureKept, number>>;

const MINUTE_S = 60;
const STEP_S = 0.1;
const STEPS = MINUTE_S / STEP_S;
/** Between what the meter sees and the frame; how long a half-press is kept (s). */
const METER_DELAY_S = 0.3;
const HELD_S = 5;

/** The changing light's gain by tenths of a second, stops from its full: made up, the same every time. */
function gains(change: Exclude<LightChange, 'steady'>): Float64Array {
  const random = seeded(change === 'screen' ? 41 : 43);
  const gain = new Float64Array(STEPS);
  let [from, level, until, began] = [0, 0, 0, 0];
  for (let step = 0; step < STEPS; step++) {
    if (step >= until) {
      from = level;
      began = step;
      // A cut every two and a half seconds in the mean, between a dark scene and a bright one; or a cloud every ten.
      level = change === 'screen' ? 0.7 - 3.2 * random() : from === 0 ? -1.2 - 1.6 * random() : 0;
      until = step + Math.round((change === 'screen' ? 0.5 + 4 * random() : 5 + 7 * random()) / STEP_S);
    }
    // A screen cuts; a cloud's edge takes two seconds.
    const t = change === 'screen' ? 1 : Math.min(1, ((step - began) * STEP_S) / 2);
    gain[step] = from + (level - from) * t;
  }
  return gain;
}

const evAt = ({ steady, changing }: MixedLight, gain: number): number => Math.log2(steady + changing * 2 ** gain);

function median(values: Float64Array): number {
  const sorted = Float64Array.from(values).sort();
  return sorted[Math.floor(sorted.length / 2)] as number;
}

/** A minute goes round: before its beginning comes its end. */
const ago = (values: Float64Array, step: number, seconds: number): number =>
  values[(step - Math.round(seconds / STEP_S) + STEPS) % STEPS] as number;

/** The compensation is set, and the exposure locked, at every so many seconds of the minute; their worths are averaged. */
const SET_EVERY_S = 5;

/**
 * What each way of keeping the exposure is worth while a light changes: the meter let read again, a half-press kept five
 * seconds, the exposure locked at any moment, the minute's median set by hand. With c = reading − wanted when it was set, a
 * frame is off by wanted(t) − (reading(then) − c). Source: docs/metering.md#changing-light.
 */
export function keptWorth(
  change: LightChange,
  { frame, key, tone, tolerance }: { frame: MixedLight; key: MixedLight; tone: number; tolerance: ExposureTolerance },
): KeptWorth {
  if (change === 'steady') return { floating: 1, held: 1, locked: 1, byHand: 1 };
  const gain = gains(change);
  const read = gain.map((stops) => evAt(frame, stops));
  const wanted = gain.map((stops) => evAt(key, stops) - tone);
  const byHandEv = median(wanted);
  const sum = { floating: 0, held: 0, locked: 0, byHand: 0 };
  const every = SET_EVERY_S / STEP_S;
  const locks = Array.from(read).filter((_, step) => step % every === 0);
  let settings = 0;
  for (let set = 0; set < STEPS; set += every) {
    const c = (read[set] as number) - (wanted[set] as number);
    for (let step = 0; step < STEPS; step++) {
      const its = wanted[step] as number;
      const worth = (exposureEv: number): number => exposureWorth(its - exposureEv, tolerance);
      sum.floating += worth(ago(read, step, METER_DELAY_S) - c);
      sum.held += worth(ago(read, step, HELD_S) - c);
      sum.byHand += worth(byHandEv);
      for (const lockedEv of locks) sum.locked += worth(lockedEv - c) / locks.length;
    }
    settings++;
  }
  const frames = settings * STEPS;
  return {
    floating: sum.floating / frames,
    held: sum.held / frames,
    locked: sum.locked / frames,
    byHand: sum.byHand / frames,
  };
}

/** So far the best has to lead before it is advised. */
const LEADS_BY = 0.05;

/** The way that pays most; null where none leads. */
export function adviceOnKeeping(worth: KeptWorth): ExposureKept | null {
  const [best, second] = [...EXPOSURE_KEPT].sort((a, b) => worth[b] - worth[a]) as [ExposureKept, ExposureKept];
  return worth[best] - worth[second] >= LEADS_BY ? best : null;
}
