import type { Approach } from './approach.js';

/** What the hand sets, in marks; null where the camera does. */
export interface ManualSettings {
  readonly fNumber: number;
  readonly focusM: number;
  /** The slowest that automatic exposure may use, or the time held. */
  readonly shutterS: number | null;
  readonly iso: number | null;
  readonly support: Approach['support'];
}

/** Whether a hand has nothing to do to get from one to the other. */
export function isSameHand(a: ManualSettings, b: ManualSettings): boolean {
  return (
    a.fNumber === b.fNumber && a.focusM === b.focusM && a.shutterS === b.shutterS && a.iso === b.iso && a.support === b.support
  );
}
