import Joi from 'joi';
import type { NumberField } from '../../units/index.js';
import { distance, number } from './schemaParts.js';

/** What a file may hold of a number by its row: the field's own range, wider only where the row says so. */
export function numberSchema({ kind, low, high, isWhole = undefined, inFiles = {} }: NumberField): Joi.NumberSchema {
  // Infinity is written as a word, which the reader of distances knows; nothing else goes on for ever.
  if (high === Infinity) return distance;
  const most = inFiles.high ?? high;
  const whole = isWhole === true ? Joi.number().integer() : number;
  const atLeast = inFiles.above === undefined ? whole.min(inFiles.low ?? low) : whole.greater(inFiles.above);
  return kind === 'bearing' ? atLeast.less(most) : atLeast.max(most);
}

/** A schema for each row. */
export function numbersOf<Key extends string>(fields: Readonly<Record<Key, NumberField>>): Record<Key, Joi.NumberSchema> {
  return Object.fromEntries(Object.entries<NumberField>(fields).map(([key, field]) => [key, numberSchema(field)])) as Record<
    Key,
    Joi.NumberSchema
  >;
}
