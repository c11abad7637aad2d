import { FIGURE_PARTS } from './figure.js';

/** What a cell of a view shows, in the order of the map's `names`. */
export const SIGHT_LABELS = [
  'sky',
  'sun',
  'walls',
  'lit walls',
  'windows',
  'ground',
  'lit ground',
  'water',
  'leaves',
  'lamps',
  'screen',
  ...FIGURE_PARTS,
] as const;
export type SightLabel = (typeof SIGHT_LABELS)[number];

export const LABEL = Object.fromEntries(SIGHT_LABELS.map((name, k) => [name, k])) as Readonly<Record<SightLabel, number>>;

/** By label: what a picture may let burn. */
export const IS_LAMP: readonly boolean[] = SIGHT_LABELS.map((name) => name === 'sun' || name === 'lamps');
