import { FIELD_RANGES } from '../archive/fieldRanges.js';
import Joi from 'joi';
import { ARTIFICIAL_LIGHTS } from '../../light/index.js';
import {
  type Approach,
  APPROACHES,
  type Framing,
  type GroundMark,
  type ManualSettings,
  type HoursSpan,
  type Intent,
  type IntentAnswers,
  LAMP_KINDS,
  METERED_ON,
  type Metering,
  type Movers,
  PLACEMENT_METHODS,
  type Reading,
  LIGHT_CHANGES,
  READING_KINDS,
  type Shooting,
  SMEAR_WISHES,
  type Stop,
  type Subject,
  type SunGap,
  PEOPLE_WISHES,
  type Wishes,
  ZONE_KINDS,
} from '../../stop/index.js';
import type { StreetSection } from '../../streets/index.js';
import { MOST_READINGS } from '../archive/limits.js';
import {
  atLeastZero,
  bearing,
  distance,
  fNumber,
  focalLength,
  id,
  iso,
  minute,
  name,
  number,
  oneOfKinds,
  position,
  positive,
  required,
  share,
  shutter,
  stops,
  text,
  type ShapeOf,
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
  burstFrames: Joi.number().integer().min(1).max(50),
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
  .items(required<GroundMark>({ label: name, distanceM: positive.max(FIELD_RANGES.groundMarkM.high) }))
  .max(40);

const framing = required<Framing>({
  isUpright: Joi.boolean(),
  facadeHeightM: positive.max(1000),
  facadeDistanceM: positive.max(10_000),
  nearHeightM: positive.max(1000),
  farHeightM: positive.max(1000),
  gapM: positive.max(10_000),
  nearDistanceM: positive.max(10_000),
});

const INTENT_ANSWERS: { readonly [Kind in keyof IntentAnswers]: ShapeOf<IntentAnswers[Kind]> } = {
  passingCandid: { light: Joi.valid('sun', 'shade', 'either') },
  lightPool: { brightShare: share },
  silhouette: { background: Joi.valid('sky', 'wall', 'screen'), brightShare: share },
  intoTheSun: { brightShare: share },
  brightBackdrop: { source: Joi.valid(...ARTIFICIAL_LIGHTS), brightShare: share },
  litStreet: { lamps: Joi.valid('burn', 'hold') },
  flashLift: { flashEv: stops, skyUnderEv: stops },
  longExposure: { of: Joi.valid('water', 'trails', 'emptied'), wantedS: shutter },
  facade: { tone: Joi.valid('dark', 'mid', 'pale') },
  reflection: { mirror: Joi.valid('puddle', 'glass', 'water'), isWet: Joi.boolean() },
  compressedDistance: { farM: positive.max(FIELD_RANGES.farM.high) },
  fireworks: { bulbS: shutter },
};

export const intentSchema = oneOfKinds<Intent>(INTENT_ANSWERS);

const subject = required<Subject>({
  nearM: positive.max(100_000),
  farM: distance,
  medianM: positive.max(100_000),
  spread: atLeastZero.max(FIELD_RANGES.spread.high),
  law: Joi.valid(...ZONE_KINDS).optional(),
}).custom((value: { nearM: number; farM: number }, helpers) =>
  value.farM >= value.nearM ? value : helpers.message({ custom: '{{#label}} must have farM farther than nearM' }),
);

const wall = atLeastZero.max(FIELD_RANGES.wallM.high);
const section = required<StreetSection>({ leftHeightM: wall, rightHeightM: wall });

const hoursSpan = required<HoursSpan>({ fromMin: minute, toMin: minute });
const stay = Joi.number().integer().min(1).max(1439);

const wishes = required<Wishes>({
  people: Joi.valid(...PEOPLE_WISHES).optional(),
  isAlone: Joi.boolean().optional(),
  weight: number.min(FIELD_RANGES.weight.low).max(FIELD_RANGES.weight.high).optional(),
  shortestMin: stay.optional(),
  longestMin: stay.optional(),
  open: Joi.array().items(hoursSpan).max(6).optional(),
  fixedAtMin: minute.optional(),
  isMust: Joi.boolean().optional(),
  usefulMin: number.min(0.1).max(1439).optional(),
});

export const stopSchema = required<Stop>({
  id,
  name,
  intent: intentSchema,
  position: position.allow(null),
  streetAxisDeg: bearing,
  streetWidthM: positive.max(FIELD_RANGES.streetWidthM.high),
  pavement: Joi.valid('left', 'right', 'middle'),
  shootingBearingDeg: bearing,
  subject,
  movers: required<Movers>({
    who: name,
    speedMps: atLeastZero.max(FIELD_RANGES.speedMps.high),
    speedSpreadMps: atLeastZero.max(100),
    travelAngleDeg: number.min(0).max(90),
    travelSpreadDeg: number.min(0).max(90),
    passersPerMinute: atLeastZero.max(FIELD_RANGES.passersPerMinute.high),
    suitableShare: share,
  }),
  sunGap: required<SunGap>({ fromDeg: bearing, toDeg: bearing, aboveDeg: number.min(0).max(90) }).allow(null),
  section: section.optional(),
  groundM: number.min(FIELD_RANGES.groundM.low).max(FIELD_RANGES.groundM.high).optional(),
  lamps: Joi.valid(...ARTIFICIAL_LIGHTS),
  hours: hoursSpan.allow(null),
  lightOffsetEv: stops,
  arriveMin: minute,
  leaveMin: minute,
  walkMin: atLeastZero.max(FIELD_RANGES.walkMin.high).allow(null),
  lensId: id.allow(null),
  focalLengthMm: focalLength.allow(null),
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
