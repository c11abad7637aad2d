import type { SetUp } from '../setup/index.js';
import type { Stop, StopLight } from '../stop/index.js';
import type { Moment } from './outing.js';

/** A card as it stands: the light that it was reckoned with, what is set, and what it is set on. */
export interface StandingCard {
  readonly light: Pick<StopLight, 'keyEv100' | 'readingOffsetEv'>;
  readonly result: { readonly setUp: SetUp };
  readonly stop: Pick<Stop, 'lensId'>;
  readonly kit: { readonly focalLengthMm: number };
}

/** What of a card is kept with what happened under it. */
export function momentOf({ light, result: { setUp }, stop, kit }: StandingCard): Moment {
  return {
    keyEv100: light.keyEv100,
    readingOffsetEv: light.readingOffsetEv,
    fNumber: setUp.aperture.fNumber,
    focusM: setUp.focus.distanceM,
    shutterS: setUp.shutter.seconds,
    iso: setUp.iso.expected,
    pattern: setUp.meter.pattern,
    compensationEv: setUp.meter.compensationEv,
    support: setUp.support,
    lensId: stop.lensId,
    focalLengthMm: kit.focalLengthMm,
    chance: setUp.found.chance,
  };
}
