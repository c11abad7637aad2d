import type { LastRide } from './lastRide.js';
import type { CloudByHour, Place } from '../light/index.js';
import type { Approach, HoursSpan, LampsOut, Stop, WindowThresholds } from '../stop/index.js';

/** Where a walk takes place. */
export interface WalkPlace extends Place {
  readonly name: string;
  readonly timeZone: string;
  /** A made-up place of the shipped gazetteer: its coordinates are labelled so, and its zone is "town time". */
  readonly isInvented: boolean;
}

export interface CloudForecast {
  /** A made-up one, or a file of one's own. */
  readonly source: 'simulated' | 'own';
  readonly cloudByHour: CloudByHour;
}

/** Something other than a picture that the day has to have room for: a meal, a rest. */
export interface Pause {
  readonly id: string;
  readonly name: string;
  readonly stayMin: number;
  /** First and last minute at which it may begin. */
  readonly fromMin: number;
  readonly toMin: number;
  /** Where; null: wherever one is just then. */
  readonly position: Place | null;
  /** When it is planned to begin; null: not yet. */
  readonly atMin: number | null;
}

/** Runs from the midnight of its day to noon of the next: its minutes are those of the wall, 0..2159, from 1440 on the next day's. */
export interface Walk {
  readonly id: string;
  readonly name: string;
  /** YYYY-MM-DD in the place's own zone. */
  readonly day: string;
  readonly place: WalkPlace;
  /** 0 clear, 0.5 hazy, 1 overcast. */
  readonly cloud: number;
  /** Cloud by the hour instead of one figure for the day. */
  readonly forecast?: CloudForecast;
  /** The buildings that it leads through; absent or null: none are known. */
  readonly districtId?: string | null;
  /** Thresholds of light windows that the person has replaced. */
  readonly windows?: Partial<WindowThresholds>;
  readonly approach: Approach;
  readonly bodyId: string | null;
  readonly stops: readonly Stop[];
  /** The shipped demo, which can be brought back. */
  readonly isDemo: boolean;
  readonly notes: string;
  /** When the town dims its street lamps or switches them off; absent: they burn all night. */
  readonly lampsOut?: LampsOut;
  /** Out at the earliest and home at the latest, minutes of the walk; absent: as `dayOutOf` has it. */
  readonly dayOut?: HoursSpan;
  /** Where the day starts and where it ends; absent or null: at the first stop, and at the last. */
  readonly startsAt?: Place | null;
  readonly endsAt?: Place | null;
  /** The last tram or train home; absent: none has to be caught. */
  readonly lastRide?: LastRide;
  readonly pauses?: readonly Pause[];
  /** What the person has found out of the rules on photographing there, and of the ways home. */
  readonly rules?: string;
  readonly waysHome?: string;
  /** The day has been planned, or its order kept, at least once: what it is worth is worked out with every change. */
  readonly isPlanned?: boolean;
  /** The way really walked, as a receiver wrote it down, thinned. */
  readonly track?: readonly Place[];
  /** Points of the home state that have been gone through before setting off. */
  readonly homeChecked?: readonly string[];
}

/** What the sky is reckoned with: the forecast by the hour where there is one. */
export function cloudOf({ cloud, forecast }: Pick<Walk, 'cloud' | 'forecast'>): number | CloudByHour {
  return forecast?.cloudByHour ?? cloud;
}

/** The stops that the walk goes to, in its order. */
export function stopsToday({ stops }: Pick<Walk, 'stops'>): readonly Stop[] {
  return stops.filter(({ isSetAside }) => isSetAside !== true);
}

/** The stop that the walk comes from; null for its first, and for what is set aside. */
export function stopBefore(walk: Pick<Walk, 'stops'>, { id }: Pick<Stop, 'id'>): Stop | null {
  const today = stopsToday(walk);
  return today[today.findIndex((one) => one.id === id) - 1] ?? null;
}

/** What the walk goes to, then what is set aside. */
export function stopsInOrder(walk: Pick<Walk, 'stops'>): readonly Stop[] {
  return [...stopsToday(walk), ...walk.stops.filter(({ isSetAside }) => isSetAside === true)];
}
