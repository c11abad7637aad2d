import type Joi from 'joi';
import type { CollectionName } from '../archive/collections.js';
import { districtSchema } from './districtSchema.js';
import { kitItemSchema } from './kitSchema.js';
import { frameSchema, walkLogSchema } from './logSchema.js';
import { outingSchema, returnSchema } from './outingSchema.js';
import { settingsSchema, standardSchema } from './standardSchema.js';
import { walkSchema } from './walkSchema.js';

/** The shape of a row of each collection; ranges are those in which the core can compute. */
export const ROW_SCHEMAS: Readonly<Record<CollectionName, Joi.Schema>> = {
  kit: kitItemSchema,
  standard: standardSchema,
  settings: settingsSchema,
  walks: walkSchema,
  districts: districtSchema,
  outings: outingSchema,
  returns: returnSchema,
  logs: walkLogSchema,
  frames: frameSchema,
};
