import type { FieldsOf, NumberField } from '../units/index.js';
import type { StreetSection } from './section.js';

/** The stored numbers of what stands around a stop, a row each. */

const WALL = { kind: 'number', low: 0, high: 1000, step: 0.5, decimals: 1, unit: 'm' } as const satisfies NumberField;

export const SECTION_FIELDS = { leftHeightM: WALL, rightHeightM: WALL } as const satisfies FieldsOf<StreetSection>;

/** A building's height; files hold sheds that nobody types. */
export const BUILDING_HEIGHT_FIELD = {
  kind: 'number',
  low: 2,
  high: 2000,
  step: 0.5,
  decimals: 1,
  unit: 'm',
  inFiles: { above: 0 },
} as const satisfies NumberField;
