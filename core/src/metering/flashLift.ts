import { MINUTES_PER_DAY } from '../light/index.js';
import { runsWhere } from '../units/index.js';
import { secondsFor } from './isoFor.js';
import { flashPower, skyEvFor } from './night.js';

export interface LiftQuestion {
  readonly fNumber: number;
  readonly iso: number;
  /** The fastest time that flash allows, and the slowest that the hands hold. */
  readonly syncS: number;
  readonly slowestS: number;
  /** Stops from mid-grey at which the sky shall come out. */
  readonly skyToneEv: number;
  /** EV of the sky by minute of the clock; NaN where nothing is known. */
  readonly skyEv: ArrayLike<number>;
}

/** From one minute to another, both within it. */
export interface LiftSpan {
  readonly fromMin: number;
  readonly toMin: number;
}

export interface LiftWindow {
  /** Sky EV at both ends: at the sync time, and at the slowest. */
  readonly brightestEv: number;
  readonly darkestEv: number;
  /** While the sky lies between; the evening's where there are two; null where it never does. */
  readonly span: LiftSpan | null;
  /** When it lies in the middle: flash and sky balance with a stop or more to spare on either side. */
  readonly balanceMin: number | null;
}

/**
 * When a lift by flash under a sky can be had: x = sky EV − tone, t = (N²/2^x)·(100/ISO) between the sync time and the hands.
 * Source: docs/metering.md#night.
 */
export function liftWindow({ fNumber, iso, syncS, slowestS, skyToneEv, skyEv }: LiftQuestion): LiftWindow {
  const brightestEv = skyEvFor({ fNumber, iso, shutterS: syncS }, skyToneEv);
  const darkestEv = skyEvFor({ fNumber, iso, shutterS: slowestS }, skyToneEv);
  const runs = runsWhere(skyEv.length, (minute) => {
    const ev = skyEv[minute] as number;
    return ev <= brightestEv && ev >= darkestEv;
  });
  const spans = runs.map(({ from, to }): LiftSpan => ({ fromMin: from, toMin: to }));
  // A night that is measured to its end has the next morning in it.
  const span = spans.filter(({ fromMin }) => fromMin < MINUTES_PER_DAY).at(-1) ?? spans.at(-1) ?? null;
  return { brightestEv, darkestEv, span, balanceMin: span === null ? null : nearestTo((brightestEv + darkestEv) / 2, span, skyEv) };
}

function nearestTo(ev: number, { fromMin, toMin }: LiftSpan, skyEv: ArrayLike<number>): number {
  let best = fromMin;
  for (let minute = fromMin; minute <= toMin; minute++) {
    if (Math.abs((skyEv[minute] as number) - ev) < Math.abs((skyEv[best] as number) - ev)) best = minute;
  }
  return best;
}

/** Seconds that bring a sky to a tone. */
export function liftShutterS(
  { fNumber, iso, skyToneEv }: Pick<LiftQuestion, 'fNumber' | 'iso' | 'skyToneEv'>,
  skyEv: number,
): number {
  return secondsFor(skyEv - skyToneEv, { fNumber, iso });
}

export const LOWEST_POWER = 1 / 128;

/** Power by distance, 1 is all of it, with whether the flash can give it: neither more than all of it nor less than 1/128. */
export function powerAt(
  distanceM: number,
  of: { readonly fNumber: number; readonly iso: number; readonly guideNumberM: number; readonly toneEv: number },
): { readonly power: number; readonly can: 'give' | 'tooFar' | 'tooNear' } {
  const power = flashPower({ ...of, distanceM });
  return { power, can: power > 1 + 1e-9 ? 'tooFar' : power < LOWEST_POWER - 1e-9 ? 'tooNear' : 'give' };
}
