import type { LightLadder, LadderStep } from '../setup/index.js';

/** What the light does next at a stop. */
export type LightAhead =
  /** From this minute on the hand sets something else. */
  | { readonly kind: 'change'; readonly atMin: number; readonly rung: LadderStep }
  /** From this minute on it is too dark, or too bright, for this picture. */
  | { readonly kind: 'ends'; readonly atMin: number };

/** Half of a ladder's step: a light between two rungs belongs to the nearer one. */
const HALF_STEP_EV = 1 / 6;

function rungAt({ rungs }: LightLadder, ev100: number): LadderStep | null {
  return rungs.find(({ fromEv100, toEv100 }) => ev100 <= fromEv100 + HALF_STEP_EV && ev100 >= toEv100 - HALF_STEP_EV) ?? null;
}

/** A flicker over the edge of a rung is no change: so many minutes in a row have to lie beyond it (s). */
const LASTING_MIN = 2;

/**
 * When the light first leaves the rung that it is on, as it goes down or up the ladder, up to a minute of the wall; null where
 * it stays on it. `keyEv100` by minute is what the model says, `offsetEv` what a look at the camera put onto it.
 */
export function lightAhead(
  ladder: LightLadder,
  { keyEv100, offsetEv, fromMin, toMin }: { keyEv100: ArrayLike<number>; offsetEv: number; fromMin: number; toMin: number },
): LightAhead | null {
  const evAt = (minute: number): number => (keyEv100[minute] as number) + offsetEv;
  const now = rungAt(ladder, evAt(fromMin));
  if (now === null) return null;
  const isOn = (minute: number): boolean => {
    const ev = evAt(minute);
    return ev <= now.fromEv100 + HALF_STEP_EV && ev >= now.toEv100 - HALF_STEP_EV;
  };
  const last = Math.min(toMin, keyEv100.length - 1);
  for (let minute = fromMin + 1; minute + LASTING_MIN - 1 <= last; minute++) {
    if (Array.from({ length: LASTING_MIN }, (_, k) => minute + k).some(isOn)) continue;
    const ev = evAt(minute + LASTING_MIN - 1);
    const rung = rungAt(ladder, ev);
    if (rung !== null) return { kind: 'change', atMin: minute, rung };
    const end = ladder.ends?.ev100 ?? null;
    const isOut = (end !== null && ev <= end + HALF_STEP_EV) || (ladder.startsAtEv100 !== null && ev > ladder.startsAtEv100);
    return isOut ? { kind: 'ends', atMin: minute } : null;
  }
  return null;
}
