import Joi from 'joi';
import {
  type Body,
  BODY_FIELDS,
  CONTROL_KINDS,
  type Film,
  FILM_FIELDS,
  FILM_KINDS,
  type Filter,
  FILTER_FIELDS,
  FILTER_KINDS,
  type Flash,
  FLASH_FIELDS,
  type Lens,
  LENS_FIELDS,
  METER_PATTERNS,
  type Support,
  SUPPORT_FIELDS,
  SUPPORT_KINDS,
} from '../../kit/index.js';
import { STOP_STEPS } from '../../units/index.js';
import { numbersOf } from './numberSchema.js';
import { distance, fNumber, focalLength, id, name, number, required, shutter } from './schemaParts.js';

const item = { id: id.required(), name: name.required(), inBag: Joi.boolean().required() };

const bodyNumbers = numbersOf(BODY_FIELDS);
const body = required<Body>({
  ...item,
  kind: Joi.valid('body'),
  ...bodyNumbers,
  medium: Joi.valid('digital', 'film'),
  pixelsAcross: bodyNumbers.pixelsAcross.allow(null),
  markStep: Joi.valid(...STOP_STEPS),
  highestIso: bodyNumbers.highestIso.min(Joi.ref('baseIso')),
  slowestAutoShuttersS: Joi.array().items(shutter).max(200),
  compensationWhenBothHeld: Joi.boolean(),
  controls: required<Body['controls']>({
    aperture: Joi.valid(...CONTROL_KINDS),
    shutter: Joi.valid(...CONTROL_KINDS),
    iso: Joi.valid(...CONTROL_KINDS),
    compensation: Joi.valid(...CONTROL_KINDS),
  }),
  slowestShutterS: bodyNumbers.slowestShutterS.min(Joi.ref('fastestShutterS')),
  readoutS: bodyNumbers.readoutS.allow(null),
  atCeiling: Joi.valid('slowerShutter', 'underexpose'),
  liveViewSmallestFNumber: bodyNumbers.liveViewSmallestFNumber.allow(null),
  meterPatterns: Joi.array()
    .items(Joi.valid(...METER_PATTERNS))
    .min(1),
  filmId: id.allow(null),
});

const lensNumbers = numbersOf(LENS_FIELDS);
const lens = required<Lens>({
  ...item,
  kind: Joi.valid('lens'),
  ...lensNumbers,
  longestMm: lensNumbers.longestMm.min(Joi.ref('shortestMm')),
  widest: Joi.array()
    .items(required<Lens['widest'][number]>({ focalLengthMm: focalLength, fNumber }))
    .min(1)
    .max(50),
  clickStep: Joi.valid(...STOP_STEPS),
  engravedDistancesM: Joi.array().items(distance).max(100),
  ringDiameterMm: lensNumbers.ringDiameterMm.allow(null),
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
  ...numbersOf(FILM_FIELDS),
  filmKind: Joi.valid(...FILM_KINDS),
});
const flash = required<Flash>({
  ...item,
  kind: Joi.valid('flash'),
  ...numbersOf(FLASH_FIELDS),
});
const filter = required<Filter>({
  ...item,
  kind: Joi.valid('filter'),
  ...numbersOf(FILTER_FIELDS),
  filterKind: Joi.valid(...FILTER_KINDS),
});
const support = required<Support>({
  ...item,
  kind: Joi.valid('support'),
  ...numbersOf(SUPPORT_FIELDS),
  supportKind: Joi.valid(...SUPPORT_KINDS),
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
