/** How far off an exposure may be, stops, both positive. */
export interface ExposureTolerance {
  readonly underEv: number;
  readonly overEv: number;
  /** Beyond either, the worth falls to 0 over this many stops. */
  readonly fadeEv: number;
}

/** Worth of a frame exposed `errorEv` stops too bright (+) or too dark (−): 1 within the tolerance, then linearly to 0. */
export function exposureWorth(errorEv: number, { underEv, overEv, fadeEv }: ExposureTolerance): number {
  const beyond = errorEv < 0 ? -errorEv - underEv : errorEv - overEv;
  return beyond <= 0 ? 1 : Math.max(0, 1 - beyond / fadeEv);
}
