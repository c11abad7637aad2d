import type { Moment } from '@roam-dial/core';
import type { Card } from './card.store';

/** What of a card is kept with what happened under it. */
export function momentOf({ light, result: { setUp }, stop, kit }: Card): Moment {
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
