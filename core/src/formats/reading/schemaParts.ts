import Joi from 'joi';
import { LAST_WALK_MINUTE, localDaySpan, type Place } from '../../light/index.js';
import { LONGEST_ID, LONGEST_NAME } from '../archive/limits.js';
import { INFINITY_WORD } from '../archive/words.js';

/** What the schemas of an archive are made of; ranges are those in which the core can compute. */

export const id = Joi.string().min(1).max(LONGEST_ID);
export const name = Joi.string().allow('').max(LONGEST_NAME);
export const text = Joi.string().allow('').max(20_000);
export const number = Joi.number().unsafe();
export const positive = number.greater(0);
export const share = number.min(0).max(1);
export const stops = number.min(-20).max(20);
/** An end of a window's ramp: a share, metres, stops or degrees. */
export const stopsOrMore = number.min(-90).max(180).required();
export const bearing = number.min(0).less(360);
/** Of a walk, to noon of the next day. */
export const minute = Joi.number().integer().min(0).max(LAST_WALK_MINUTE);
export const shutter = positive.max(7200);
export const iso = number.min(1).max(10_000_000);
export const fNumber = number.min(0.5).max(128);
export const focalLength = number.min(1).max(3000);

/** A distance that may be written `"infinity"`. */
export const distance = Joi.any().custom((value: unknown, helpers) => {
  if (value === INFINITY_WORD || value === Infinity) return Infinity;
  if (typeof value === 'number' && value > 0) return value;
  return helpers.message({ custom: `{{#label}} must be a number above 0 or "${INFINITY_WORD}"` });
}) as unknown as Joi.NumberSchema;

/** The kind of schema that a value of a type has; a choice among words is a schema of any kind. */
type SchemaFor<Value> = [Value] extends [number | null | undefined]
  ? Joi.NumberSchema
  : [Value] extends [boolean | null | undefined]
    ? Joi.BooleanSchema
    : [Value] extends [readonly unknown[] | null | undefined]
      ? Joi.ArraySchema
      : string extends Value
        ? Joi.StringSchema
        : Joi.Schema;

/** A schema for every field of a type and for no others, so that the two cannot drift apart. */
export type ShapeOf<Row> = { readonly [Key in keyof Row]-?: SchemaFor<Row[Key]> };

/** All fields present and no others, said aloud so that it also holds as a branch of an open schema. */
export function required<Row>(shape: ShapeOf<Row>): Joi.ObjectSchema {
  return Joi.object(shape as Joi.SchemaMap)
    .unknown(false)
    .options({ presence: 'required' });
}

export const position = required<Place>({ latitude: number.min(-90).max(90), longitude: number.min(-180).max(180) });

function asCalendarDay(value: string, helpers: Joi.CustomHelpers): unknown {
  try {
    localDaySpan(value, 'UTC');
    return value;
  } catch {
    return helpers.message({ custom: '{{#label}} must be a calendar day YYYY-MM-DD' });
  }
}
export const calendarDay = Joi.string().custom(asCalendarDay);

/** One of several shapes, told apart by their `kind`. */
export function oneOfKinds<Row extends { readonly kind: string }>(shapes: {
  readonly [Kind in Row['kind']]: ShapeOf<Omit<Extract<Row, { kind: Kind }>, 'kind'>>;
}): Joi.ObjectSchema {
  return Object.entries(shapes).reduce<Joi.ObjectSchema>(
    (schema, [kind, shape]) =>
      schema.when(Joi.object({ kind: Joi.valid(kind) }).unknown(), {
        then: required<Readonly<Record<string, never>>>({ kind: Joi.valid(kind), ...(shape as object) } as never),
      }),
    Joi.object({ kind: Joi.valid(...Object.keys(shapes)).required() }).unknown(),
  );
}
