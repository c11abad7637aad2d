import Joi from 'joi';
import type { Place } from '../../light/index.js';
import type { District, DistrictBuilding, Tree, Way } from '../../streets/index.js';
import { BUILDING_HEIGHT_FIELD, HEIGHT_SOURCES, WAY_KINDS, WIDEST_WAY_M } from '../../streets/index.js';
import { FARTHEST_M, MOST_BUILDINGS, MOST_CORNERS, MOST_COURTYARDS, MOST_WAYS, NEAREST_POLE_DEG } from '../archive/limits.js';
import { numberSchema } from './numberSchema.js';
import { id, name, number, positive, required } from './schemaParts.js';

const metres = number.min(-FARTHEST_M).max(FARTHEST_M);
const corner = Joi.array().ordered(metres.required(), metres.required());
const ring = Joi.array().items(corner).min(3).max(MOST_CORNERS);
const height = numberSchema(BUILDING_HEIGHT_FIELD);
const base = number.min(0).less(Joi.ref('heightM')).optional();

export const buildingSchema = required<DistrictBuilding>({
  id,
  name: name.optional(),
  footprint: ring,
  courtyards: Joi.array().items(ring).max(MOST_COURTYARDS).optional(),
  heightM: height,
  baseM: base,
  heightSource: Joi.valid(...HEIGHT_SOURCES),
});

export const treeSchema = required<Tree>({
  eastM: metres,
  northM: metres,
  radiusM: positive.max(100),
  heightM: height,
  baseM: base,
});

export const waterSchema = ring;

export const waySchema = required<Way>({
  id,
  name: name.optional(),
  kind: Joi.valid(...WAY_KINDS),
  widthM: positive.max(WIDEST_WAY_M).optional(),
  isCovered: Joi.boolean().optional(),
  points: Joi.array().items(corner).min(2).max(MOST_CORNERS),
});

/** Buildings, trees, water and streets round an origin. */
export const districtSchema = required<District>({
  id,
  name,
  origin: required<Place>({
    latitude: number.min(-NEAREST_POLE_DEG).max(NEAREST_POLE_DEG),
    longitude: number.min(-180).max(180),
  }),
  buildings: Joi.array().items(buildingSchema).max(MOST_BUILDINGS),
  trees: Joi.array().items(treeSchema).max(MOST_BUILDINGS),
  waters: Joi.array().items(ring).max(MOST_BUILDINGS),
  ways: Joi.array().items(waySchema).max(MOST_WAYS).optional(),
});
