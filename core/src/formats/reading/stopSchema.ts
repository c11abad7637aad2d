import Joi from 'joi';
import { ARTIFICIAL_LIGHTS } from '../../light/index.js';
import {
  type Approach,
  APPROACHES,
  type Framing,
  FRAMING_FIELDS,
  GROUND_MARK_FIELDS,
  type GroundMark,
  HOURS_FIELDS,
  type HoursSpan,
  type Intent,
  INTENT_FIELDS,
  type IntentAnswers,
  LAMP_KINDS,
  LAMPS_OUT_FIELDS,
  type LampsOut,
  LIGHT_CHANGES,
  type ManualSettings,
  METERED_ON,
  type Metering,
  type Movers,
  MOVERS_FIELDS,
  OPEN_FIELDS,
  PEOPLE_WISHES,
  PLACEMENT_METHODS,
  type Reading,
  READING_KINDS,
  type Shooting,
  SHOOTING_FIELDS,
  SMEAR_WISHES,
  type Stop,
  STOP_FIELDS,
  type Subject,
  SUBJECT_FIELDS,
  SUN_GAP_FIELDS,
  type SunGap,
  type Wishes,
  WISHES_FIELDS,
  ZONE_KINDS,
} from '../../stop/index.js';
import type { StreetSection } from '../../streets/index.js';
import { SECTION_FIELDS } from '../../streets/index.js';
import { MOST_READINGS } from '../archive/limits.js';
import { numbersOf } from './numberSchema.js';
import {
  distance,
  fNumber,
  id,
  iso,
  name,
  number,
  oneOfKinds,
  position,
  required,
  type ShapeOf,
  shutter,
  stops,
  text,
} from './schemaParts.js';

export const approachSchema = required<Approach>({
  exposure: Joi.valid(...APPROACHES.exposure),
  focus: Joi.valid(...APPROACHES.focus),
  depth: Joi.valid(...APPROACHES.depth),
  support: Joi.valid(...APPROACHES.support),
});

const hand = required<ManualSettings>({
  fNumber,
  focusM: distance,
  shutterS: shutter.allow(null),
  iso: iso.allow(null),
  support: Joi.valid(...APPROACHES.support),
});

const shooting = required<Shooting>({
  ...numbersOf(SHOOTING_FIELDS),
  isWalking: Joi.boolean(),
  smear: Joi.valid(...SMEAR_WISHES),
  lamp: Joi.valid(...LAMP_KINDS),
  wantsGlitch: Joi.boolean(),
  spotByEye: Joi.boolean(),
});

const reading = required<Reading>({
  id,
  name,
  kind: Joi.valid(...READING_KINDS),
  ev100: number.min(-20).max(30),
  tone: stops.allow(null),
  takenMs: number.min(-8e14).max(8e14),
  isLetGo: Joi.boolean(),
  isLamp: Joi.boolean(),
  isKey: Joi.boolean(),
});

const metering = required<Metering>({
  readings: Joi.array().items(reading).unique('id').max(MOST_READINGS),
  school: Joi.valid(...PLACEMENT_METHODS),
  on: Joi.valid(...METERED_ON),
});

const ground = Joi.array()
  .items(required<GroundMark>({ label: name, ...numbersOf(GROUND_MARK_FIELDS) }))
  .max(40);

const framing = required<Framing>({
  isUpright: Joi.boolean(),
  ...numbersOf(FRAMING_FIELDS),
});

const INTENT_ANSWERS: { readonly [Kind in keyof IntentAnswers]: ShapeOf<IntentAnswers[Kind]> } = {
  passingCandid: { light: Joi.valid('sun', 'shade', 'either') },
  lightPool: numbersOf(INTENT_FIELDS.lightPool),
  silhouette: { background: Joi.valid('sky', 'wall', 'screen'), ...numbersOf(INTENT_FIELDS.silhouette) },
  intoTheSun: numbersOf(INTENT_FIELDS.intoTheSun),
  brightBackdrop: { source: Joi.valid(...ARTIFICIAL_LIGHTS), ...numbersOf(INTENT_FIELDS.brightBackdrop) },
  litStreet: { lamps: Joi.valid('burn', 'hold') },
  flashLift: numbersOf(INTENT_FIELDS.flashLift),
  longExposure: { of: Joi.valid('water', 'trails', 'emptied'), ...numbersOf(INTENT_FIELDS.longExposure) },
  facade: { tone: Joi.valid('dark', 'mid', 'pale') },
  reflection: { mirror: Joi.valid('puddle', 'glass', 'water'), isWet: Joi.boolean() },
  compressedDistance: numbersOf(INTENT_FIELDS.compressedDistance),
  fireworks: numbersOf(INTENT_FIELDS.fireworks),
};

export const intentSchema = oneOfKinds<Intent>(INTENT_ANSWERS);

const subject = required<Subject>({
  ...numbersOf(SUBJECT_FIELDS),
  law: Joi.valid(...ZONE_KINDS).optional(),
}).custom((value: { nearM: number; farM: number }, helpers) =>
  value.farM >= value.nearM ? value : helpers.message({ custom: '{{#label}} must have farM farther than nearM' }),
);

const section = required<StreetSection>(numbersOf(SECTION_FIELDS));
const hoursSpan = required<HoursSpan>(numbersOf(HOURS_FIELDS));
const openSpan = required<HoursSpan>(numbersOf(OPEN_FIELDS));
const outHours = numbersOf(LAMPS_OUT_FIELDS);
export const lampsOut = required<LampsOut>({ ...outHours, toMin: outHours.toMin.optional() });
const wished = numbersOf(WISHES_FIELDS);
const placed = numbersOf(STOP_FIELDS);

const wishes = required<Wishes>({
  people: Joi.valid(...PEOPLE_WISHES).optional(),
  isAlone: Joi.boolean().optional(),
  weight: wished.weight.optional(),
  shortestMin: wished.shortestMin.optional(),
  longestMin: wished.longestMin.optional(),
  open: Joi.array().items(openSpan).max(6).optional(),
  fixedAtMin: wished.fixedAtMin.optional(),
  isMust: Joi.boolean().optional(),
  usefulMin: wished.usefulMin.optional(),
});

export const stopSchema = required<Stop>({
  id,
  name,
  intent: intentSchema,
  position: position.allow(null),
  ...placed,
  pavement: Joi.valid('left', 'right', 'middle'),
  subject,
  movers: required<Movers>({ who: name, ...numbersOf(MOVERS_FIELDS) }),
  sunGap: required<SunGap>(numbersOf(SUN_GAP_FIELDS)).allow(null),
  section: section.optional(),
  groundM: placed.groundM.optional(),
  lamps: Joi.valid(...ARTIFICIAL_LIGHTS),
  hours: hoursSpan.allow(null),
  lampsOut: lampsOut.optional(),
  walkMin: placed.walkMin.allow(null),
  lensId: id.allow(null),
  focalLengthMm: placed.focalLengthMm.allow(null),
  approach: approachSchema.allow(null),
  hand: hand.optional(),
  lightChanges: Joi.valid(...LIGHT_CHANGES).optional(),
  metering: metering.optional(),
  shooting: shooting.optional(),
  ground: ground.optional(),
  framing: framing.optional(),
  wishes: wishes.optional(),
  isSetAside: Joi.boolean().optional(),
  consent: Joi.valid('asked', 'unasked', 'unrecognisable'),
  notes: text,
  cautions: text,
  crowdByHour: Joi.array().items(number.min(0).max(3)).length(24),
});
