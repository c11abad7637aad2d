import type { LengthUnit, NumberField, StopStep } from '@roam-dial/core/units';
import { LAST_MINUTE } from '@roam-dial/core/light';
import { bearingCodec, type Codec, distanceCodec, entryCodec, numberCodec, percentCodec, walkClockCodec } from './codec';

/** How the person reads and writes: what fields need to know beyond their item. */
export interface FieldReading {
  readonly lengthUnit: LengthUnit;
  /** Times of day. */
  readonly clock: Codec<number>;
}

/** The reader of a stored number, by its row; `step` is of the marks of the dial or ring that it is set on. */
export function codecOf(field: NumberField, { lengthUnit, clock }: FieldReading, step: StopStep = 'third'): Codec<number> {
  const { kind, low, high } = field;
  switch (kind) {
    case 'number':
      return numberCodec(field);
    case 'share':
      return percentCodec(100 * high, 100 * low);
    case 'bearing':
      return bearingCodec();
    case 'clock':
      return high > LAST_MINUTE ? walkClockCodec(clock) : clock;
    case 'distance':
      return distanceCodec(lengthUnit, { low, high });
    default:
      return entryCodec({ kind, step }, { low, high });
  }
}
