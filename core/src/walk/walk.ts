import type { Place } from '../light/index.js';
import type { Approach, Stop } from '../stop/index.js';

/** Where a walk takes place. */
export interface WalkPlace extends Place {
  readonly name: string;
  readonly timeZone: string;
  /** A made-up place of the shipped gazetteer: its coordinates are labelled so, and its zone is "town time". */
  readonly isInvented: boolean;
}

export interface Walk {
  readonly id: string;
  readonly name: string;
  /** YYYY-MM-DD in the place's own zone. */
  readonly day: string;
  readonly place: WalkPlace;
  /** 0 clear, 0.5 hazy, 1 overcast. */
  readonly cloud: number;
  readonly approach: Approach;
  readonly bodyId: string | null;
  readonly stops: readonly Stop[];
  /** The shipped demo, which can be brought back. */
  readonly isDemo: boolean;
  readonly notes: string;
  /** Points of the home state that have been gone through before setting off. */
  readonly homeChecked?: readonly string[];
}
