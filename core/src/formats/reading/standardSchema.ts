import Joi from 'joi';
import {
  FIGURE_RANGES,
  OWN_CIRCLE_FIELD,
  SHUTTER_FLOOR_FIELD,
  STANDARD_FIELDS,
  type NoisePoint,
  type NoiseTest,
  type Standard,
  type StoredHandTest,
  type TaughtFigure,
} from '../../kit/index.js';
import { STOP_STEPS } from '../../units/index.js';
import type { Settings } from '../archive/settings.js';
import { numberSchema, numbersOf } from './numberSchema.js';
import { id, iso, number, positive, required } from './schemaParts.js';

const ratio = positive.max(1e6);
/** A figure for each body of a large bag. */
const MOST_TAUGHT = 10_000;

export const standardSchema = required<Standard>({
  sharpness: Joi.alternatives().conditional('.kind', {
    is: 'own',
    then: required<Extract<Standard['sharpness'], { kind: 'own' }>>({
      kind: Joi.valid('own'),
      circleOfConfusionMm: numberSchema(OWN_CIRCLE_FIELD),
    }),
    otherwise: required<Exclude<Standard['sharpness'], { kind: 'own' }>>({ kind: Joi.valid('armsLength', 'strict', 'twoPixels') }),
  }),
  shakeRule: Joi.alternatives().conditional('.kind', {
    is: 'floor',
    then: required<Extract<Standard['shakeRule'], { kind: 'floor' }>>({
      kind: Joi.valid('floor'),
      floorS: numberSchema(SHUTTER_FLOOR_FIELD),
    }),
    otherwise: required<Exclude<Standard['shakeRule'], { kind: 'floor' }>>({
      kind: Joi.valid('reciprocal', 'reciprocalCrop', 'halfReciprocalCrop'),
    }),
  }),
  ...numbersOf(STANDARD_FIELDS),
  isoCeilingByBody: Joi.object().pattern(Joi.string().max(100), iso),
  handTests: Joi.array()
    .items(
      required<StoredHandTest>({
        againstRule: positive.max(1e6),
        frames: Joi.number().integer().min(1).max(10_000),
        sharp: Joi.number().integer().min(0).max(Joi.ref('frames')),
      }),
    )
    .max(100)
    .optional(),
  taught: Joi.object()
    .pattern(Joi.string().max(120), required<TaughtFigure>({ before: number, taken: number }))
    .max(MOST_TAUGHT)
    .optional(),
  noise: required<NonNullable<Standard['noise']>>({
    acceptedRatio: ratio.allow(null),
    tests: Joi.array()
      .items(
        required<NoiseTest>({
          bodyId: id,
          points: Joi.array()
            .items(required<NoisePoint>({ iso, perPixel: ratio, seen: ratio }))
            .unique('iso')
            .max(200),
        }),
      )
      .unique('bodyId')
      .max(1000),
  }).optional(),
  figures: Joi.object(
    Object.fromEntries(Object.entries(FIGURE_RANGES).map(([key, [low, high]]) => [key, number.min(low).max(high).optional()])),
  ).optional(),
});

export const settingsSchema = required<Settings>({
  theme: Joi.valid('light', 'night'),
  lengthUnit: Joi.valid('metres', 'feet'),
  clock: Joi.valid('24h', '12h'),
  markStep: Joi.valid(...STOP_STEPS),
  shortcutsOn: Joi.boolean(),
});
