import type { LengthUnit, StopStep } from '../../units/index.js';

export interface Settings {
  readonly theme: 'light' | 'night';
  readonly lengthUnit: LengthUnit;
  readonly clock: '24h' | '12h';
  /** Series in which values are typed and shown where no body or lens says otherwise. */
  readonly markStep: StopStep;
  readonly shortcutsOn: boolean;
}

export const DEFAULT_SETTINGS: Settings = {
  theme: 'light',
  lengthUnit: 'metres',
  clock: '24h',
  markStep: 'third',
  shortcutsOn: true,
};
