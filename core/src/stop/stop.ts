import type { ArtificialLight, Place } from '../light/index.js';
import type { StreetSection } from '../streets/index.js';
import type { Approach } from './approach.js';
import type { Intent } from './intents.js';
import type { Framing } from './framing.js';
import type { GroundMark } from './ground.js';
import type { ManualSettings } from './hand.js';
import type { HoursSpan } from './hours.js';
import type { LampsOut } from './lampsOut.js';
import type { LightChange } from './light/lightChange.js';
import type { Metering } from './metering.js';
import type { Shooting } from './shooting.js';
import type { Wishes } from './wishes.js';

/** What shall be sharp: whoever passes, wherever they do, or all of it from near to far. */
export type ZoneKind = 'whoeverPasses' | 'allOfIt';
export const ZONE_KINDS = ['whoeverPasses', 'allOfIt'] as const satisfies readonly ZoneKind[];

/** Where people are sharp or not. Four numbers that say one thing; `zone.ts` keeps them together. */
export interface Subject {
  readonly nearM: number;
  /** `Infinity` allowed. */
  readonly farM: number;
  readonly medianM: number;
  /** σ of the logarithm of the distances. */
  readonly spread: number;
  /** Absent: as the intent has it. */
  readonly law?: ZoneKind;
}

export interface Movers {
  readonly who: string;
  readonly speedMps: number;
  readonly speedSpreadMps: number;
  /** 0 straight at the camera, 90 straight across. */
  readonly travelAngleDeg: number;
  /** Half of the sector of directions round it. */
  readonly travelSpreadDeg: number;
  readonly passersPerMinute: number;
  /** Share of the passers worth photographing. */
  readonly suitableShare: number;
}

/** The gap between walls through which the sun reaches the spot, as read off a compass there. */
export interface SunGap {
  readonly fromDeg: number;
  readonly toDeg: number;
  readonly aboveDeg: number;
}

export type Consent = 'asked' | 'unasked' | 'unrecognisable';
export type Pavement = 'left' | 'right' | 'middle';

export interface Stop {
  readonly id: string;
  readonly name: string;
  readonly intent: Intent;
  readonly position: Place | null;
  readonly streetAxisDeg: number;
  readonly streetWidthM: number;
  readonly pavement: Pavement;
  /** The way the camera looks, degrees from true north. */
  readonly shootingBearingDeg: number;
  readonly subject: Subject;
  readonly movers: Movers;
  /** Null: open to the sun all day. */
  readonly sunGap: SunGap | null;
  /** The street's walls where no footprints are known; absent: not known either. */
  readonly section?: StreetSection;
  /** Height of the ground there over that of the district; absent: 0. */
  readonly groundM?: number;
  readonly lamps: ArtificialLight;
  /** Hours in which the lamps, sign or show are on, where they are not simply on after dark. */
  readonly hours: HoursSpan | null;
  /** When the street lamps there are dimmed or off; absent: as in the whole walk's town. */
  readonly lampsOut?: LampsOut;
  /** Stops that a look at the camera on the spot put onto the model's light; 0 is the model's own. */
  readonly lightOffsetEv: number;
  /** Absent: steady. */
  readonly lightChanges?: LightChange;
  /** Minutes of the walk, as the wall shows them: from 1440 on they are the next day's. */
  readonly arriveMin: number;
  readonly leaveMin: number;
  /** Walking time from the stop before; null to reckon it from the distance and the person's pace. */
  readonly walkMin: number | null;
  readonly lensId: string | null;
  readonly focalLengthMm: number | null;
  /** Null: the walk's own. */
  readonly approach: Approach | null;
  /** What the hand has set otherwise than the best; absent: the best. */
  readonly hand?: ManualSettings;
  /** What was read there; absent: nothing. */
  readonly metering?: Metering;
  /** Absent: DEFAULT_SHOOTING. */
  readonly shooting?: Shooting;
  /** What lies on the ground there, by distance. */
  readonly ground?: readonly GroundMark[];
  /** Absent: DEFAULT_FRAMING. */
  readonly framing?: Framing;
  /** What the day's plan has to keep; absent: nothing out of the usual. */
  readonly wishes?: Wishes;
  /** Not on this day: left out of the walk, with all that is known of it kept. */
  readonly isSetAside?: boolean;
  readonly consent: Consent;
  readonly notes: string;
  readonly cautions: string;
  /** 24 figures from 0 (empty) to 3 (packed). */
  readonly crowdByHour: readonly number[];
}
