import Joi from 'joi';
import { METER_PATTERNS } from '../../kit/index.js';
import {
  FIELD_CHECKS,
  type Happening,
  MISS_REASONS,
  type Moment,
  type Outing,
  type OutingClock,
  type OutingEvent,
  type Return,
  RETURN_CROWDS,
} from '../../outing/index.js';
import { APPROACHES } from '../../stop/index.js';
import {
  calendarDay,
  distance,
  fNumber,
  focalLength,
  id,
  iso,
  minute,
  number,
  oneOfKinds,
  required,
  share,
  shutter,
  stops,
  text,
} from './schemaParts.js';
import { stopSchema } from './stopSchema.js';
import { walkPlace } from './walkSchema.js';

/** Instants that a calendar can still write, milliseconds since 1970. */
export const instant = number.min(-8e14).max(8e14);

export const moment = required<Moment>({
  keyEv100: number.min(-40).max(40),
  readingOffsetEv: stops,
  fNumber,
  focusM: distance,
  shutterS: shutter,
  iso,
  pattern: Joi.valid(...METER_PATTERNS),
  compensationEv: stops.allow(null),
  support: Joi.valid(...APPROACHES.support),
  lensId: id.allow(null),
  focalLengthMm: focalLength,
  chance: share,
});

const event = oneOfKinds<OutingEvent>({
  arrived: {},
  wentOn: {},
  got: {},
  missed: { why: Joi.valid(...MISS_REASONS) },
  note: { text },
  comeBack: { returnId: id },
  notToday: {},
  checked: { check: Joi.valid(...FIELD_CHECKS), isFine: Joi.boolean() },
  replanned: {},
});

/** More than anybody notes in a day. */
const MOST_HAPPENINGS = 10_000;

export const outingSchema = required<Outing>({
  id,
  walkId: id,
  startedMs: instant,
  endedMs: instant.allow(null),
  clock: oneOfKinds<OutingClock>({ own: {}, simulated: { shownMs: instant, deviceMs: instant, speed: number.min(0).max(10_000) } }),
  happenings: Joi.array()
    .items(required<Happening>({ id, stopId: id, atMs: instant, event, moment: moment.allow(null) }))
    .unique('id')
    .max(MOST_HAPPENINGS),
});

export const returnSchema = required<Return>({
  id,
  stop: stopSchema,
  place: walkPlace,
  districtId: id.allow(null),
  day: calendarDay,
  lightMin: minute,
  crowd: Joi.valid(...RETURN_CROWDS),
  wrong: text,
  notedMs: instant,
});
