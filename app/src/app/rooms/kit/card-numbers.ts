import { computed, inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { CardStore } from '../../state/card/card.store';
import type { CardTarget } from '../../state/selection/card-focus';
import { meterNumber } from '../../shared/card/sentences';
import { wordingSignal } from '../../state/workspace/wording.store';

/** The card's numbers now, to be shown beside the fields that feed them. */
export function cardNumbers(): Signal<Partial<Record<NonNullable<CardTarget>, string>>> {
  const state = toSignal(inject(CardStore).card$);
  const wording = wordingSignal();
  return computed(() => {
    const card = state();
    if (card?.kind !== 'card') return {};
    const { setUp } = card.result;
    const { markStep } = card.kit.body;
    const say = wording();
    const iso = [setUp.iso.lowest, setUp.iso.highest].map((value) => say.iso(value, markStep));
    return {
      aperture: say.aperture(setUp.aperture.fNumber, card.kit.lens.clickStep),
      focus: say.exactDistance(setUp.focus.distanceM),
      shutter: say.shutter(setUp.shutter.seconds, markStep),
      iso: `ISO ${[...new Set(iso)].join('–')}`,
      meter: meterNumber(card, say),
      ...(setUp.flash === null ? {} : { flash: `reaches ${say.distance(setUp.flash.reachM)}` }),
    };
  });
}
