import Joi from 'joi';
import { CONTROL_KINDS, FIGURE_RANGES, FILM_KINDS, FILTER_KINDS, METER_PATTERNS, SUPPORT_KINDS } from '../kit/index.js';
import { ARTIFICIAL_LIGHTS, checkTimeZone, localDaySpan } from '../light/index.js';
import { APPROACHES, LAMP_KINDS, SMEAR_WISHES, THRESHOLD_NAMES } from '../stop/index.js';
import { STOP_STEPS } from '../units/index.js';
import { districtSchema } from './districtSchema.js';
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
  position,
  positive,
  required,
  share,
  shutter,
  stops,
  stopsOrMore,
  text,
} from './schemaParts.js';

/** The shape of an archive, field by field; ranges are those in which the core can compute. */

const item = { id: id.required(), name: name.required(), inBag: Joi.boolean().required() };

const body = required({
  ...item,
  kind: Joi.valid('body'),
  medium: Joi.valid('digital', 'film'),
  sensorWidthMm: positive.max(1000),
  sensorHeightMm: positive.max(1000),
  pixelsAcross: Joi.number().integer().min(1).max(100_000).allow(null),
  markStep: Joi.valid(...STOP_STEPS),
  baseIso: iso,
  lowestIso: iso,
  highestIso: iso.min(Joi.ref('baseIso')),
  slowestAutoShuttersS: Joi.array().items(shutter).max(200),
  compensationWhenBothHeld: Joi.boolean(),
  autofocusDelayS: atLeastZero.max(10),
  autofocusLimitEv: stops,
  controls: required({
    aperture: Joi.valid(...CONTROL_KINDS),
    shutter: Joi.valid(...CONTROL_KINDS),
    iso: Joi.valid(...CONTROL_KINDS),
    compensation: Joi.valid(...CONTROL_KINDS),
  }),
  fastestShutterS: shutter,
  slowestShutterS: shutter.min(Joi.ref('fastestShutterS')),
  readoutS: positive.max(10).allow(null),
  flashSyncS: shutter,
  stabiliserStops: atLeastZero.max(12),
  atCeiling: Joi.valid('slowerShutter', 'underexpose'),
  liveViewSmallestFNumber: fNumber.allow(null),
  headroomEv: stops,
  shadowRangeEv: stops,
  meterPatterns: Joi.array()
    .items(Joi.valid(...METER_PATTERNS))
    .min(1),
  filmId: id.allow(null),
});

const lens = required({
  ...item,
  kind: Joi.valid('lens'),
  shortestMm: focalLength,
  longestMm: focalLength.min(Joi.ref('shortestMm')),
  widest: Joi.array()
    .items(required({ focalLengthMm: focalLength, fNumber }))
    .min(1)
    .max(50),
  smallestFNumber: fNumber,
  clickStep: Joi.valid(...STOP_STEPS),
  closestFocusM: positive.max(100),
  engravedDistancesM: Joi.array().items(distance).max(100),
  stabiliserStops: atLeastZero.max(12),
  ringDiameterMm: positive.max(500).allow(null),
  turnToInfinity: Joi.valid('clockwise', 'anticlockwise').allow(null),
  throwPoints: Joi.array()
    .items(required({ distanceM: distance, degrees: number.min(-720).max(720) }))
    .max(200),
}).custom((value: { widest: { fNumber: number }[]; smallestFNumber: number }, helpers) =>
  value.widest.every((row) => row.fNumber <= value.smallestFNumber)
    ? value
    : helpers.message({ custom: '{{#label}} opens no wider than its smallest aperture' }),
);

const film = required({
  ...item,
  kind: Joi.valid('film'),
  boxIso: iso,
  exposureIndex: iso,
  filmKind: Joi.valid(...FILM_KINDS),
  latitudeOverEv: atLeastZero.max(10),
  latitudeUnderEv: atLeastZero.max(10),
  reciprocityExponent: number.min(1).max(3),
  reciprocityThresholdS: positive.max(1000),
  pushStops: stops,
});
const flash = required({
  ...item,
  kind: Joi.valid('flash'),
  guideNumberM: positive.max(500),
  compensationRangeEv: atLeastZero.max(10),
  recycleS: atLeastZero.max(120),
});
const filter = required({
  ...item,
  kind: Joi.valid('filter'),
  filterKind: Joi.valid(...FILTER_KINDS),
  stops: atLeastZero.max(30),
});
const support = required({
  ...item,
  kind: Joi.valid('support'),
  supportKind: Joi.valid(...SUPPORT_KINDS),
  gainStops: atLeastZero.max(12),
});

const KIT_SCHEMAS = { body, lens, film, flash, filter, support };

/** One schema by the item's own kind, so that a message names the field and not "no alternative matches". */
const kitItem = Joi.object({ kind: Joi.valid(...Object.keys(KIT_SCHEMAS)).required() })
  .unknown()
  .when(Joi.object({ kind: Joi.valid('body') }).unknown(), { then: body })
  .when(Joi.object({ kind: Joi.valid('lens') }).unknown(), { then: lens })
  .when(Joi.object({ kind: Joi.valid('film') }).unknown(), { then: film })
  .when(Joi.object({ kind: Joi.valid('flash') }).unknown(), { then: flash })
  .when(Joi.object({ kind: Joi.valid('filter') }).unknown(), { then: filter })
  .when(Joi.object({ kind: Joi.valid('support') }).unknown(), { then: support });

const standard = required({
  sharpness: Joi.alternatives().conditional('.kind', {
    is: 'own',
    then: required({ kind: Joi.valid('own'), circleOfConfusionMm: positive.max(1) }),
    otherwise: required({ kind: Joi.valid('armsLength', 'strict', 'twoPixels') }),
  }),
  shakeRule: Joi.alternatives().conditional('.kind', {
    is: 'floor',
    then: required({ kind: Joi.valid('floor'), floorS: shutter }),
    otherwise: required({ kind: Joi.valid('reciprocal', 'reciprocalCrop', 'halfReciprocalCrop') }),
  }),
  steadinessStops: stops,
  steadinessSpreadStops: positive.max(5),
  isoCeilingByBody: Joi.object().pattern(Joi.string().max(100), iso),
  guessSpread: atLeastZero.max(2),
  guessBias: number.greater(-0.9).max(5),
  paceMps: positive.max(10),
  strideM: positive.max(3),
  reactionS: atLeastZero.max(60),
  handTests: Joi.array()
    .items(
      required({
        againstRule: positive.max(1e6),
        frames: Joi.number().integer().min(1).max(10_000),
        sharp: Joi.number().integer().min(0).max(Joi.ref('frames')),
      }),
    )
    .max(100)
    .optional(),
  figures: Joi.object(
    Object.fromEntries(Object.entries(FIGURE_RANGES).map(([key, [low, high]]) => [key, number.min(low).max(high).optional()])),
  ).optional(),
});

const settings = required({
  theme: Joi.valid('light', 'night'),
  lengthUnit: Joi.valid('metres', 'feet'),
  clock: Joi.valid('24h', '12h'),
  markStep: Joi.valid(...STOP_STEPS),
  shortcutsOn: Joi.boolean(),
});

const approach = required({
  exposure: Joi.valid(...APPROACHES.exposure),
  focus: Joi.valid(...APPROACHES.focus),
  depth: Joi.valid(...APPROACHES.depth),
  support: Joi.valid(...APPROACHES.support),
});

const hand = required({
  fNumber,
  focusM: distance,
  shutterS: shutter.allow(null),
  iso: iso.allow(null),
  support: Joi.valid(...APPROACHES.support),
});

const shooting = required({
  burstFrames: Joi.number().integer().min(1).max(50),
  isWalking: Joi.boolean(),
  smear: Joi.valid(...SMEAR_WISHES),
  lamp: Joi.valid(...LAMP_KINDS),
  wantsGlitch: Joi.boolean(),
  spotByEye: Joi.boolean(),
});

const ground = Joi.array()
  .items(required({ label: name, distanceM: positive.max(100_000) }))
  .max(40);

const framing = required({
  isUpright: Joi.boolean(),
  facadeHeightM: positive.max(1000),
  facadeDistanceM: positive.max(10_000),
  nearHeightM: positive.max(1000),
  farHeightM: positive.max(1000),
  gapM: positive.max(10_000),
  nearDistanceM: positive.max(10_000),
});

const INTENT_ANSWERS: Readonly<Record<string, Joi.SchemaMap>> = {
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
  compressedDistance: { farM: positive.max(100_000) },
  fireworks: { bulbS: shutter },
};

const intent = Object.entries(INTENT_ANSWERS).reduce<Joi.ObjectSchema>(
  (schema, [kind, answers]) =>
    schema.when(Joi.object({ kind: Joi.valid(kind) }).unknown(), { then: required({ kind: Joi.valid(kind), ...answers }) }),
  Joi.object({ kind: Joi.valid(...Object.keys(INTENT_ANSWERS)).required() }).unknown(),
);

const subject = required({
  nearM: positive.max(100_000),
  farM: distance,
  medianM: positive.max(100_000),
  spread: atLeastZero.max(3),
}).custom((value: { nearM: number; farM: number }, helpers) =>
  value.farM > value.nearM ? value : helpers.message({ custom: '{{#label}} must have farM farther than nearM' }),
);

const section = required({ leftHeightM: number.min(0).max(1000), rightHeightM: number.min(0).max(1000) });

const stop = required({
  id,
  name,
  intent,
  position: position.allow(null),
  streetAxisDeg: bearing,
  streetWidthM: positive.max(1000),
  pavement: Joi.valid('left', 'right', 'middle'),
  shootingBearingDeg: bearing,
  subject,
  movers: required({
    who: name,
    speedMps: atLeastZero.max(100),
    speedSpreadMps: atLeastZero.max(100),
    travelAngleDeg: number.min(0).max(90),
    travelSpreadDeg: number.min(0).max(90),
    passersPerMinute: atLeastZero.max(1000),
    suitableShare: share,
  }),
  sunGap: required({ fromDeg: bearing, toDeg: bearing, aboveDeg: number.min(0).max(90) }).allow(null),
  section: section.optional(),
  groundM: number.min(-1000).max(5000).optional(),
  lamps: Joi.valid(...ARTIFICIAL_LIGHTS),
  hours: required({ fromMin: minute, toMin: minute }).allow(null),
  lightOffsetEv: stops,
  arriveMin: minute,
  leaveMin: minute,
  walkMin: atLeastZero.max(1440).allow(null),
  lensId: id.allow(null),
  focalLengthMm: focalLength.allow(null),
  approach: approach.allow(null),
  hand: hand.optional(),
  shooting: shooting.optional(),
  ground: ground.optional(),
  framing: framing.optional(),
  consent: Joi.valid('asked', 'unasked', 'unrecognisable'),
  notes: text,
  cautions: text,
  crowdByHour: Joi.array().items(number.min(0).max(3)).length(24),
});

function calendarDay(value: string, helpers: Joi.CustomHelpers): unknown {
  try {
    localDaySpan(value, 'UTC');
    return value;
  } catch {
    return helpers.message({ custom: '{{#label}} must be a calendar day YYYY-MM-DD' });
  }
}

function timeZone(value: string, helpers: Joi.CustomHelpers): unknown {
  try {
    checkTimeZone(value);
    return value;
  } catch {
    return helpers.message({ custom: '{{#label}} must be an IANA zone name such as Atlantic/Azores' });
  }
}

const walk = required({
  id,
  name,
  day: Joi.string().custom(calendarDay),
  place: required({
    name,
    timeZone: Joi.string().custom(timeZone),
    isInvented: Joi.boolean(),
    latitude: number.min(-90).max(90),
    longitude: number.min(-180).max(180),
  }),
  cloud: share,
  forecast: required({ source: Joi.valid('simulated', 'own'), cloudByHour: Joi.array().items(share).length(24) }).optional(),
  districtId: id.allow(null).optional(),
  windows: Joi.object(
    Object.fromEntries(THRESHOLD_NAMES.map((key) => [key, Joi.array().ordered(stopsOrMore, stopsOrMore).length(2).optional()])),
  ).optional(),
  approach,
  bodyId: id.allow(null),
  stops: Joi.array().items(stop).unique('id').max(2000),
  isDemo: Joi.boolean(),
  notes: text,
  homeChecked: Joi.array().items(name).max(40).optional(),
});

export const archiveSchema = required({
  format: Joi.any(),
  version: Joi.any(),
  kit: Joi.array().items(kitItem).unique('id').max(10_000),
  standard,
  settings,
  walks: Joi.array().items(walk).unique('id').max(10_000),
  districts: Joi.array().items(districtSchema).unique('id').max(1000).optional().default([]),
});

export { kitItem as kitItemSchema, walk as walkSchema };
