import { LAMPS_OUT_FIELDS, type LampsOut } from '@roam-dial/core/stop';
import { optional } from '../../../fields/codec';
import type { FieldReading } from '../../../fields/field-codec';
import { codecOf } from '../../../fields/field-codec';
import { type FieldSpec, numberField, valueField } from '../../../fields/field-spec';

/** Off from one until it is day, as many towns do. */
export const NEW_LAMPS_OUT: LampsOut = { fromMin: 60, leftShare: LAMPS_OUT_FIELDS.leftShare.first };

/** When street lamps are dimmed or off: of a walk's town, and of a stop that has its own. */
export const LAMPS_OUT_ROWS: readonly FieldSpec<LampsOut, FieldReading>[] = [
  numberField('fromMin', 'Lamps out at', LAMPS_OUT_FIELDS.fromMin),
  valueField(
    'on again at',
    (_, reading) => optional(codecOf(LAMPS_OUT_FIELDS.toMin, reading)),
    ({ toMin }) => toMin ?? null,
    ({ toMin: _, ...out }, toMin) => (toMin === null ? out : { ...out, toMin }),
    { placeholder: 'the next dusk' },
  ),
  numberField('leftShare', 'Light left', LAMPS_OUT_FIELDS.leftShare, { hint: '0 % is off, 25 % two stops darker' }),
];
