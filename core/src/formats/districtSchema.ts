import Joi from 'joi';
import { HEIGHT_SOURCES } from '../streets/index.js';
import { MOST_BUILDINGS } from './archive.js';
import { id, name, number, position, positive, required } from './schemaParts.js';

const metres = number.min(-1_000_000).max(1_000_000);
const ring = Joi.array().items(Joi.array().ordered(metres.required(), metres.required())).min(3).max(20_000);
const height = positive.max(2000);

const building = required({
  id,
  name: name.optional(),
  footprint: ring,
  courtyards: Joi.array().items(ring).max(1000).optional(),
  heightM: height,
  baseM: number.min(0).less(Joi.ref('heightM')).optional(),
  heightSource: Joi.valid(...HEIGHT_SOURCES),
});

const tree = required({
  eastM: metres,
  northM: metres,
  radiusM: positive.max(100),
  heightM: height,
  baseM: number.min(0).optional(),
});

/** Buildings, trees and water round an origin. */
export const districtSchema = required({
  id,
  name,
  origin: position,
  buildings: Joi.array().items(building).max(MOST_BUILDINGS),
  trees: Joi.array().items(tree).max(MOST_BUILDINGS),
  waters: Joi.array().items(ring).max(MOST_BUILDINGS),
});
