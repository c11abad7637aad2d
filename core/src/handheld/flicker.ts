/**
 * What is left of a pulsing light's ripple after an exposure: r = m·|sin(π·f·t)/(π·f·t)|, 0..m.
 * `ripple` m is the share of the light that pulses, `pulseHz` f its frequency (twice the mains').
 * Source: mean of a sine over the exposure, docs/formulas.md#flicker.
 */
export function rippleAfter({
  ripple,
  pulseHz,
  shutterS,
}: {
  readonly ripple: number;
  readonly pulseHz: number;
  readonly shutterS: number;
}): number {
  const turns = Math.PI * pulseHz * shutterS;
  return turns === 0 ? ripple : ripple * Math.abs(Math.sin(turns) / turns);
}

/** Unevenness between the brightest and the darkest frame or band, stops: log2((1 + r)/(1 − r)); `Infinity` for r = 1. */
export function unevennessEv(ripple: number): number {
  return ripple >= 1 ? Infinity : Math.log2((1 + ripple) / (1 - ripple));
}

/** Share of the light of a source lit for `duty` of each period that its first harmonic carries: 2·sin(π·d)/(π·d), at most 1. */
export function dutyRipple(duty: number): number {
  return duty >= 1 ? 0 : Math.min(1, (2 * Math.sin(Math.PI * duty)) / (Math.PI * duty));
}

/** Periods of the light that one exposure spans. */
export function periodsSpanned(pulseHz: number, shutterS: number): number {
  return pulseHz * shutterS;
}

/** Bands that a rolling readout draws over the frame. */
export function bandsAcross(pulseHz: number, readoutS: number): number {
  return pulseHz * readoutS;
}
