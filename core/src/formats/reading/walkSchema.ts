import Joi from 'joi';
import { checkTimeZone } from '../../light/index.js';
import { GATES, type HoursSpan, THRESHOLD_NAMES } from '../../stop/index.js';
import type { CloudForecast, LastRide, Pause, Walk, WalkPlace } from '../../walk/index.js';
import { DAY_OUT_FIELDS, LAST_RIDE_FIELDS, PAUSE_FIELDS, PLACE_FIELDS, WALK_FIELDS } from '../../walk/index.js';
import { MOST_STOPS, MOST_TRACK_POINTS } from '../archive/limits.js';
import { numbersOf } from './numberSchema.js';
import { calendarDay, id, name, position, required, share, stopsOrMore, text } from './schemaParts.js';
import { approachSchema, lampsOut, stopSchema } from './stopSchema.js';

function asTimeZone(value: string, helpers: Joi.CustomHelpers): unknown {
  try {
    checkTimeZone(value);
    return value;
  } catch {
    return helpers.message({ custom: '{{#label}} must be an IANA zone name such as Atlantic/Azores' });
  }
}

export const timeZone = Joi.string().custom(asTimeZone);

/** Two ends of a ramp, which lie apart, or of a gate, which are one. */
const ramp = Joi.array()
  .ordered(stopsOrMore, stopsOrMore)
  .length(2)
  .custom(([opens, full]: [number, number], helpers) =>
    opens === full ? helpers.message({ custom: '{{#label}} must have two different ends' }) : [opens, full],
  );
const gate = Joi.array()
  .ordered(stopsOrMore, stopsOrMore)
  .length(2)
  .custom(([opens, full]: [number, number], helpers) =>
    opens === full ? [opens, full] : helpers.message({ custom: '{{#label}} must have the same figure twice' }),
  );

export const walkPlace = required<WalkPlace>({
  name,
  timeZone,
  isInvented: Joi.boolean(),
  ...numbersOf(PLACE_FIELDS),
});

const paused = numbersOf(PAUSE_FIELDS);
const pause = required<Pause>({
  id,
  name,
  ...paused,
  position: position.allow(null),
  atMin: paused.atMin.allow(null),
});

export const walkSchema = required<Walk>({
  id,
  name,
  day: calendarDay,
  place: walkPlace,
  ...numbersOf(WALK_FIELDS),
  forecast: required<CloudForecast>({
    source: Joi.valid('simulated', 'own'),
    cloudByHour: Joi.array().items(share).min(24).max(36),
  }).optional(),
  districtId: id.allow(null).optional(),
  windows: Joi.object(
    Object.fromEntries(THRESHOLD_NAMES.map((key) => [key, (GATES.has(key) ? gate : ramp).optional()])),
  ).optional(),
  approach: approachSchema,
  bodyId: id.allow(null),
  stops: Joi.array().items(stopSchema).unique('id').max(MOST_STOPS),
  isDemo: Joi.boolean(),
  notes: text,
  lampsOut: lampsOut.optional(),
  dayOut: required<HoursSpan>(numbersOf(DAY_OUT_FIELDS)).optional(),
  lastRide: required<LastRide>({ name, ...numbersOf(LAST_RIDE_FIELDS), position: position.allow(null) }).optional(),
  startsAt: position.allow(null).optional(),
  endsAt: position.allow(null).optional(),
  pauses: Joi.array().items(pause).unique('id').max(20).optional(),
  rules: text.optional(),
  waysHome: text.optional(),
  isPlanned: Joi.boolean().optional(),
  track: Joi.array().items(position).max(MOST_TRACK_POINTS).optional(),
  homeChecked: Joi.array().items(name).max(40).optional(),
});
