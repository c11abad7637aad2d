import type { Intent } from './intents.js';
import type { HoursSpan } from './hours.js';

/** What a picture needs of people: one of them, nobody, or neither. */
export type PeopleWish = 'people' | 'nobody' | 'either';
export const PEOPLE_WISHES = ['people', 'nobody', 'either'] as const satisfies readonly PeopleWish[];

/** What the day's plan has to keep of a stop; what is absent is as usual. */
export interface Wishes {
  /** Absent: as the intent has it. */
  readonly people?: PeopleWish;
  /** One person, and nobody else in the picture; absent: as the intent has it. */
  readonly isAlone?: boolean;
  /** How much this picture matters beside the others. */
  readonly weight?: number;
  readonly shortestMin?: number;
  readonly longestMin?: number;
  /** Hours in which one gets in, minutes of the walk. */
  readonly open?: readonly HoursSpan[];
  /** Begins just then, and lasts as long as the stay is now. */
  readonly fixedAtMin?: number;
  /** Must-have. */
  readonly isMust?: boolean;
  /** Minutes at full light that give the picture with 80 %, instead of reckoning with who passes. */
  readonly usefulMin?: number;
}

const WITHOUT_PEOPLE: Partial<Record<Intent['kind'], PeopleWish>> = {
  facade: 'nobody',
  reflection: 'either',
  fireworks: 'either',
};

/** What a picture of an intent needs of people, where nobody has said otherwise (s). */
export function peopleWishOf(intent: Intent, { people }: Wishes = {}): PeopleWish {
  if (people !== undefined) return people;
  if (intent.kind === 'longExposure') return intent.of === 'emptied' ? 'nobody' : 'either';
  return WITHOUT_PEOPLE[intent.kind] ?? 'people';
}

/** Whether whoever is shot has to be alone in the picture: two silhouettes that overlap are none. */
export function isAloneWished(intent: Intent, { isAlone }: Wishes = {}): boolean {
  return isAlone ?? intent.kind === 'silhouette';
}
