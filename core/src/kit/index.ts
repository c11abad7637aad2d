export { DEFAULT_FIGURES, FIGURE_RANGES, type Figures } from './figures.js';
export { FILM_HOLDS, STRAIGHT_HOLDS } from './holds.js';
export {
  type Body,
  CONTROL_KINDS,
  type ControlKind,
  type Film,
  FILM_KINDS,
  type FilmKind,
  type Filter,
  FILTER_KINDS,
  type FilterKind,
  type Flash,
  KIT_KINDS,
  type KitItem,
  type KitKind,
  type Lens,
  METER_PATTERNS,
  type MeterPattern,
  type Support,
  SUPPORT_KINDS,
  type SupportKind,
} from './items.js';
export {
  bodyShutters,
  FOCUS_DISTANCES_M,
  focusPositionsM,
  isoCeilingOf,
  lensApertures,
  rollIso,
  slowestAutoSeries,
  usualIsoCeiling,
  widestFNumberAt,
} from './reach.js';
export {
  DEFAULT_STANDARD,
  type NoisePoint,
  type NoiseTest,
  type ShakeRule,
  type Standard,
  type StoredHandTest,
  type TaughtFigure,
} from './standard.js';
export {
  BODY_FIELDS,
  FILM_FIELDS,
  FILTER_FIELDS,
  FLASH_FIELDS,
  LENS_FIELDS,
  OWN_CIRCLE_FIELD,
  SHUTTER_FLOOR_FIELD,
  STANDARD_FIELDS,
  SUPPORT_FIELDS,
} from './fields.js';
