import { bandsAcross, dutyRipple, rippleAfter, unevennessEv } from '../../handheld/index.js';
import { bodyShutters, type Figures } from '../../kit/index.js';
import type { LampKind } from '../../stop/index.js';
import { figuresOf, type SetUpInput, shootingOf } from '../question/searchInput.js';

/** A pulsing source: the share of its light that pulses, and how often. */
export interface Pulse {
  readonly ripple: number;
  readonly pulseHz: number;
}

/** Lamps pulse at twice the mains; a screen at its own rate, its ripple by the share of each period in which it is lit. */
export function pulseOf(lamp: LampKind, figures: Figures): Pulse | null {
  const pulseHz = 2 * figures.mainsHz;
  switch (lamp) {
    case 'steady':
      return null;
    case 'oldTube':
      return { ripple: figures.oldTubeRipple, pulseHz };
    case 'poorLed':
      return { ripple: figures.poorLedRipple, pulseHz };
    case 'goodLed':
      return { ripple: figures.goodLedRipple, pulseHz };
    case 'screen':
      return { ripple: dutyRipple(figures.screenDuty), pulseHz: figures.screenHz };
  }
}

/**
 * Worth, by exposure time, of a frame under pulsing light: 1 up to the unevenness that nobody sees, linearly to 0 at the one that ruins it;
 * 1 where the glitch is wanted. Source: docs/formulas.md#flicker.
 */
export function flickerCurve(input: SetUpInput): (shutterS: number) => number {
  const figures = figuresOf(input);
  const { lamp, wantsGlitch } = shootingOf(input);
  const pulse = pulseOf(lamp, figures);
  if (pulse === null || wantsGlitch) return () => 1;
  const { flickerFreeEv, flickerRuinEv } = figures;
  return (shutterS) => {
    const uneven = unevennessEv(rippleAfter({ ...pulse, shutterS }));
    return 1 - Math.min(1, Math.max(0, (uneven - flickerFreeEv) / Math.max(1e-6, flickerRuinEv - flickerFreeEv)));
  };
}

/** What a pulsing light does to this body's times. */
export interface FlickerAdvice {
  readonly pulseHz: number;
  /** Marked times, fast to slow, whose unevenness nobody sees. */
  readonly safeS: readonly number[];
  /** From here on every slower mark is safe; null where none is. */
  readonly allSafeFromS: number | null;
  /** Bands over the frame in a rolling readout; null where its time is not known. */
  readonly bands: number | null;
}

/** Null under steady light. Safe times are whole periods, and whatever is long enough. */
export function flickerAdvice(input: SetUpInput): FlickerAdvice | null {
  const figures = figuresOf(input);
  const pulse = pulseOf(shootingOf(input).lamp, figures);
  if (pulse === null) return null;
  const marks = bodyShutters(input.body);
  const isSafe = (shutterS: number): boolean => unevennessEv(rippleAfter({ ...pulse, shutterS })) <= figures.flickerFreeEv;
  const lastUnsafe = marks.reduce((last, shutterS, k) => (isSafe(shutterS) ? last : k), -1);
  return {
    pulseHz: pulse.pulseHz,
    safeS: marks.filter(isSafe),
    allSafeFromS: marks[lastUnsafe + 1] ?? null,
    bands: input.body.readoutS === null ? null : bandsAcross(pulse.pulseHz, input.body.readoutS),
  };
}
