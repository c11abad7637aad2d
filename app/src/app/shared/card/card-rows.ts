import type { HomeState, Why } from '@roam-dial/core/setup';
import type { Card } from '../../state/card/card.store';
import { PATTERN_WORDS } from '../../words/set-up/metering';
import type { Wording } from '../../words/wording';
import {
  apertureNote,
  apertureNumber,
  flashNote,
  focusNote,
  focusNumber,
  isoNote,
  isoNumber,
  meterNote,
  meterNumber,
  shutterNote,
  shutterNumber,
  shutterRole,
} from './sentences';

export type CardRowKey = 'aperture' | 'focus' | 'shutter' | 'iso' | 'meter' | 'flash';

export interface CardRow {
  readonly key: CardRowKey;
  readonly label: string;
  readonly number: string;
  readonly aside: string;
  readonly note: string;
  readonly why: Why | null;
}

/** The five numbers in the order in which a hand sets them; a flash below them where the picture has one. */
export function cardRows(card: Card, wording: Wording): readonly CardRow[] {
  const { setUp } = card.result;
  const strides = wording.strides(setUp.focus.distanceM, card.standard.strideM);
  const rows: CardRow[] = [
    {
      key: 'aperture',
      label: 'Aperture',
      number: apertureNumber(card, wording),
      aside: '',
      note: apertureNote(card, wording),
      why: setUp.aperture.why,
    },
    {
      key: 'focus',
      label: 'Focus at',
      number: focusNumber(card, wording),
      aside: strides,
      note: focusNote(card),
      why: setUp.focus.why,
    },
    {
      key: 'shutter',
      label: 'Shutter',
      number: shutterNumber(card, wording),
      aside: shutterRole(card),
      note: shutterNote(card, wording),
      why: setUp.shutter.why,
    },
    { key: 'iso', label: 'ISO', number: isoNumber(card, wording), aside: '', note: isoNote(card, wording), why: setUp.iso.why },
    {
      key: 'meter',
      label: 'Meter',
      number: meterNumber(card, wording),
      aside: PATTERN_WORDS[setUp.meter.pattern],
      note: meterNote(card, wording),
      why: setUp.meter.why,
    },
  ];
  if (setUp.flash === null) return rows;
  const { compensationEv, reachM } = setUp.flash;
  const flash: CardRow = {
    key: 'flash',
    label: 'Flash',
    number: wording.stops(compensationEv, card.kit.body.markStep),
    aside: `reaches ${wording.distance(reachM)}`,
    note: flashNote(card),
    why: null,
  };
  return [...rows, flash];
}

/**
 * Rows that the home state already has: lifting the camera is enough for them, so they take one line. The meter's home is
 * compensation 0; a stop that no home state serves has none.
 */
export function rowsAtHome({ stop, walk, input, result }: Card, home: HomeState | null): ReadonlySet<CardRowKey> {
  if (home === null || !home.stops.some(({ id }) => id === stop.id)) return new Set();
  const { hand } = result.setUp.found;
  const isSameExposure = input.approach.exposure === walk.approach.exposure;
  const isFixed = input.approach.focus === 'fixedZone';
  const same: Readonly<Record<Exclude<CardRowKey, 'flash'>, boolean>> = {
    aperture: hand.fNumber === home.hand.fNumber,
    focus: isFixed && hand.focusM === home.hand.focusM,
    shutter: isSameExposure && hand.shutterS !== null && hand.shutterS === home.hand.shutterS,
    iso: isSameExposure && hand.iso === home.hand.iso,
    meter: result.setUp.meter.compensationEv === 0,
  };
  return new Set((Object.keys(same) as (keyof typeof same)[]).filter((key) => same[key]));
}
