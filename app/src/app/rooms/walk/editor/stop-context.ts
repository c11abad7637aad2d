import type { Lens } from '@roam-dial/core/kit';
import type { FieldReading } from '../../../fields/field-codec';
import type { Choice } from '../../../words/choices';

/** What the fields of a stop need to know beyond the stop. */
export interface StopContext extends FieldReading {
  /** Of the bag, and the stop's own. */
  readonly lenses: readonly Choice<string>[];
  /** The stop's own lens; null: the first in the bag. */
  readonly lens: Lens | null;
  /** Walls are known there: a gap read off a compass is needless. */
  readonly hasWalls: boolean;
  /** The place of the walk is made up. */
  readonly isInvented: boolean;
  /** When one comes to the stop before it, minutes of the walk; null for the first. */
  readonly afterMin: number | null;
  /** The focus is locked on a spot. */
  readonly isLocked: boolean;
}
