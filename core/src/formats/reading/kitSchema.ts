import { FIELD_RANGES } from '../archive/fieldRanges.js';
import Joi from 'joi';
import { STOP_STEPS } from '../../units/index.js';
import {
  type Body,
  CONTROL_KINDS,
  type Film,
  FILM_KINDS,
  type Filter,
  FILTER_KINDS,
  type Flash,
  type Lens,
  METER_PATTERNS,
  type Support,
  SUPPORT_KINDS,
} from '../../kit/index.js';
import {
  atLeastZero,
  distance,
  fNumber,
  focalLength,
  id,
  iso,
  name,
  number,
  positive,
  required,
  shutter,
  stops,
} from './schemaParts.js';

const item = { id: id.required(), name: name.required(), inBag: Joi.boolean().required() };

const body = required<Body>({
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
  controls: required<Body['controls']>({
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
  straightOverEv: atLeastZero.max(14),
  straightUnderEv: atLeastZero.max(14),
  meterPatterns: Joi.array()
    .items(Joi.valid(...METER_PATTERNS))
    .min(1),
  filmId: id.allow(null),
});

const lens = required<Lens>({
  ...item,
  kind: Joi.valid('lens'),
  shortestMm: focalLength,
  longestMm: focalLength.min(Joi.ref('shortestMm')),
  widest: Joi.array()
    .items(required<Lens['widest'][number]>({ focalLengthMm: focalLength, fNumber }))
    .min(1)
    .max(50),
  smallestFNumber: fNumber,
  clickStep: Joi.valid(...STOP_STEPS),
  closestFocusM: positive.max(FIELD_RANGES.closestFocusM.high),
  engravedDistancesM: Joi.array().items(distance).max(100),
  stabiliserStops: atLeastZero.max(12),
  ringDiameterMm: positive.max(500).allow(null),
  turnToInfinity: Joi.valid('clockwise', 'anticlockwise').allow(null),
  throwPoints: Joi.array()
    .items(required<Lens['throwPoints'][number]>({ distanceM: distance, degrees: number.min(-720).max(720) }))
    .max(200),
}).custom((value: Lens, helpers) => {
  if (value.widest.some((row) => row.fNumber > value.smallestFNumber)) {
    return helpers.message({ custom: '{{#label}} opens no wider than its smallest aperture' });
  }
  // A thin lens focuses on nothing nearer than its focal length.
  if (value.closestFocusM > value.longestMm / 1000) return value;
  return helpers.message({ custom: '{{#label}} must have closestFocusM beyond longestMm' });
});

const film = required<Film>({
  ...item,
  kind: Joi.valid('film'),
  boxIso: iso,
  exposureIndex: iso,
  filmKind: Joi.valid(...FILM_KINDS),
  latitudeOverEv: atLeastZero.max(10),
  latitudeUnderEv: atLeastZero.max(10),
  holdsOverEv: atLeastZero.max(FIELD_RANGES.holdsOverEv.high),
  holdsUnderEv: atLeastZero.max(14),
  reciprocityExponent: number.min(FIELD_RANGES.reciprocityExponent.low).max(FIELD_RANGES.reciprocityExponent.high),
  reciprocityThresholdS: positive.max(FIELD_RANGES.reciprocityThresholdS.high),
  pushStops: stops,
});
const flash = required<Flash>({
  ...item,
  kind: Joi.valid('flash'),
  guideNumberM: positive.max(FIELD_RANGES.guideNumberM.high),
  compensationRangeEv: atLeastZero.max(10),
  recycleS: atLeastZero.max(FIELD_RANGES.recycleS.high),
});
const filter = required<Filter>({
  ...item,
  kind: Joi.valid('filter'),
  filterKind: Joi.valid(...FILTER_KINDS),
  stops: atLeastZero.max(30),
});
const support = required<Support>({
  ...item,
  kind: Joi.valid('support'),
  supportKind: Joi.valid(...SUPPORT_KINDS),
  gainStops: atLeastZero.max(12),
});

const KIT_SCHEMAS = { body, lens, film, flash, filter, support };

/** One schema by the item's own kind, so that a message names the field and not "no alternative matches". */
export const kitItemSchema = Joi.object({ kind: Joi.valid(...Object.keys(KIT_SCHEMAS)).required() })
  .unknown()
  .when(Joi.object({ kind: Joi.valid('body') }).unknown(), { then: body })
  .when(Joi.object({ kind: Joi.valid('lens') }).unknown(), { then: lens })
  .when(Joi.object({ kind: Joi.valid('film') }).unknown(), { then: film })
  .when(Joi.object({ kind: Joi.valid('flash') }).unknown(), { then: flash })
  .when(Joi.object({ kind: Joi.valid('filter') }).unknown(), { then: filter })
  .when(Joi.object({ kind: Joi.valid('support') }).unknown(), { then: support });
