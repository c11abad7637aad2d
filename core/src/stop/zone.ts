import type { Intent, IntentKind } from './intents.js';
import type { Subject, ZoneKind } from './stop.js';

/**
 * The zone is one thing, typed either way: near and far, or where they pass and give-or-take.
 * Source: docs/formulas.md#zone.
 */

/** Pictures of a place rather than of whoever passes through it. */
const ALL_OF_IT_BY_DEFAULT: ReadonlySet<IntentKind> = new Set([
  'facade',
  'reflection',
  'compressedDistance',
  'longExposure',
  'fireworks',
]);

/** Standard scores between which 90 % of all lie. */
const NINETY_PERCENT = 1.645;

export function zoneLawFor(kind: IntentKind): ZoneKind {
  return ALL_OF_IT_BY_DEFAULT.has(kind) ? 'allOfIt' : 'whoeverPasses';
}

/** The stop's own law, or that of its intent. */
export function zoneLawOf({ intent, subject }: { readonly intent: Intent; readonly subject: Pick<Subject, 'law'> }): ZoneKind {
  return subject.law ?? zoneLawFor(intent.kind);
}

/** From where to where 90 % of those pass whose distances are log-normal: median·e^(∓1.645·spread). */
export function zoneOfPassers({ medianM, spread }: Pick<Subject, 'medianM' | 'spread'>): Pick<Subject, 'nearM' | 'farM'> {
  const reach = Math.exp(NINETY_PERCENT * spread);
  return { nearM: medianM / reach, farM: medianM * reach };
}

/** The inverse of `zoneOfPassers`; `farM` finite. */
function passersOfZone({ nearM, farM }: Pick<Subject, 'nearM' | 'farM'>): Pick<Subject, 'medianM' | 'spread'> {
  return { medianM: Math.sqrt(nearM * farM), spread: Math.log(farM / nearM) / (2 * NINETY_PERCENT) };
}

/** All of a zone: its middle in 1/distance, where one focus serves both ends; the spread of what lies in it. */
function middleOfAll({ nearM, farM }: Pick<Subject, 'nearM' | 'farM'>, spread: number): Pick<Subject, 'medianM' | 'spread'> {
  if (farM === Infinity) return { medianM: 2 * nearM, spread };
  return { medianM: (2 * nearM * farM) / (nearM + farM), spread: passersOfZone({ nearM, farM }).spread };
}

/** The four numbers under a law, its ends as they are; people do not pass at infinity, so that theirs then follow the rest. */
export function asZoneKind(subject: Subject, law: ZoneKind): Subject {
  const { nearM, farM, medianM, spread } = subject;
  if (law === 'allOfIt') return { ...subject, law, ...middleOfAll(subject, spread) };
  if (farM === Infinity) return { ...subject, law, ...zoneOfPassers({ medianM, spread }) };
  return { ...subject, law, ...passersOfZone({ nearM, farM }) };
}

/** Ends typed: where they pass and give-or-take follow. */
export function withEnds(subject: Subject, law: ZoneKind, ends: Partial<Pick<Subject, 'nearM' | 'farM'>>): Subject {
  const { law: _, ...typed } = asZoneKind({ ...subject, ...ends }, law);
  return { ...typed, ...(subject.law === undefined ? {} : { law: subject.law }) };
}

/** An end comes no nearer to the other than by this ratio, and no nearer to the camera than this, metres (s). */
const LEAST_DEPTH = 1.05;
const NEAREST_M = 0.3;
const FARTHEST_M = 1000;

/**
 * An end of the zone, or where they pass, drawn to a distance, metres: brought within 0.3 to 1000 m and never past the other
 * end, to a centimetre.
 */
export function withDrawnEnd(
  subject: Subject,
  law: ZoneKind,
  { end, distanceM }: { readonly end: 'nearM' | 'medianM' | 'farM'; readonly distanceM: number },
): Subject {
  const within = (low: number, high: number): number => Math.round(Math.min(high, Math.max(low, distanceM)) * 100) / 100;
  switch (end) {
    case 'nearM':
      return withEnds(subject, law, { nearM: within(NEAREST_M, subject.farM / LEAST_DEPTH) });
    case 'farM':
      return withEnds(subject, law, { farM: within(subject.nearM * LEAST_DEPTH, FARTHEST_M) });
    case 'medianM':
      return withPassers(subject, { medianM: within(NEAREST_M, FARTHEST_M) });
  }
}

/** Where they pass or give-or-take typed: the ends follow. */
export function withPassers(subject: Subject, passers: Partial<Pick<Subject, 'medianM' | 'spread'>>): Subject {
  const { medianM, spread } = { ...subject, ...passers };
  return { ...subject, medianM, spread, ...zoneOfPassers({ medianM, spread }) };
}

/** The zone of a stop whose intent changes: its ends stay, and mean what the new intent has them mean. */
export function zoneForIntent(subject: Subject, from: IntentKind, to: IntentKind): Subject {
  const law = zoneLawFor(to);
  if (subject.law !== undefined || law === zoneLawFor(from)) return subject;
  const { law: _, ...zone } = asZoneKind(subject, law);
  return zone;
}

/** Everything that many times as far away. */
export function scaledZone(subject: Subject, times: number): Subject {
  const { nearM, farM, medianM } = subject;
  return { ...subject, nearM: nearM * times, farM: farM * times, medianM: medianM * times };
}

/** What of a zone from near to far lies outside of what is sharp, as a share of it in 1/distance. */
export function shareLeftOut(
  zone: { readonly nearM: number; readonly farM: number },
  sharp: { readonly nearM: number; readonly farM: number } | null,
): number {
  if (sharp === null) return 1;
  const [from, to] = [1 / zone.farM, 1 / zone.nearM];
  const covered = Math.min(to, 1 / sharp.nearM) - Math.max(from, 1 / sharp.farM);
  if (to === from) return covered >= 0 ? 0 : 1;
  return Math.min(1, Math.max(0, 1 - covered / (to - from)));
}
