import { DEFAULT_STAY, suitablePerMinute } from '@roam-dial/core/day';
import { ARTIFICIAL_LIGHT, type ArtificialLight } from '@roam-dial/core/light';
import type { Street } from '@roam-dial/core/plan';
import {
  axisGapDeg,
  DEFAULT_SHOOTING,
  type Intent,
  INTENT_NAMES,
  isAloneWished,
  isMovementOfMatter,
  isOfThing,
  peopleWishOf,
  type Stop,
  zoneLawOf,
} from '@roam-dial/core/stop';
import type { Leg, Walk } from '@roam-dial/core/walk';
import { labelIn } from '../../words/choices';
import { EXPOSURE_CHOICES, FOCUS_CHOICES, SUPPORT_CHOICES } from '../../words/set-up/approaches';

import { counted } from '../../words/counted';
import { CHANGE_WORDS } from '../../words/set-up/light-changes';
import { SMEAR_CHOICES } from './shooting-words';
import type { Wording } from '../../words/wording';
import { stayOn } from '../../words/walk/times';

/** A stop told in sentences, one a section: what it says there before one opens it to change it. */

function intentDetail(intent: Intent, wording: Wording): string {
  switch (intent.kind) {
    case 'passingCandid':
      return { either: 'in sun or shade', sun: 'in the sun', shade: 'in the shade' }[intent.light];
    case 'lightPool':
      return `lit in ${wording.percent(intent.brightShare)} of the frame`;
    case 'silhouette': {
      const against = { sky: 'the sky', wall: 'a sunlit wall', screen: 'a screen or window' }[intent.background];
      return `against ${against}, ${wording.percent(intent.brightShare)} of the frame bright`;
    }
    case 'intoTheSun':
      return `the sky in ${wording.percent(intent.brightShare)} of the frame`;
    case 'brightBackdrop':
      return `${lampWords(intent.source)} in ${wording.percent(intent.brightShare)} of the frame`;
    case 'litStreet':
      return intent.lamps === 'burn' ? 'its lamps may burn out' : 'its lamps are held';
    case 'flashLift':
      return `flash at ${wording.stops(intent.flashEv, 'third')}, the sky at ${wording.stops(intent.skyUnderEv, 'third')}`;
    case 'longExposure':
      return `of ${{ water: 'water', trails: 'traffic trails', emptied: 'an emptied square' }[intent.of]}, ${wording.shutter(intent.wantedS, 'third')}`;
    case 'facade':
      return { dark: 'a dark wall', mid: 'a wall of middle tone', pale: 'pale stone' }[intent.tone];
    case 'reflection':
      return `in ${{ puddle: 'a puddle', glass: 'glass', water: 'still water' }[intent.mirror]}${intent.isWet ? ', after rain' : ''}`;
    case 'compressedDistance':
      return `against a far thing at ${wording.distance(intent.farM)}`;
    case 'fireworks':
      return `open for ${wording.shutter(intent.bulbS, 'third')}`;
  }
}

const lampWords = (lamp: ArtificialLight): string => ARTIFICIAL_LIGHT[lamp].label;

/** "Light pool, lit in 15 % of the frame, with the 35 mm." */
export function pictureSentence({ intent, focalLengthMm }: Stop, lensName: string | null, wording: Wording): string {
  const focal = focalLengthMm === null ? '' : ` at ${focalLengthMm} mm`;
  return `${INTENT_NAMES[intent.kind]}, ${intentDetail(intent, wording)}, with ${lensName ?? 'the first lens of the bag'}${focal}.`;
}

/** ", 310 m along the streets": how long the way is, and how that is known. */
function wayWords({ course, distanceM }: Leg, wording: Wording): string {
  if (course.kind === 'unknown') return '';
  return course.kind === 'streets' ? `, ${wording.distance(distanceM)} along the streets` : `, some ${wording.distance(distanceM)}`;
}

/** "15:00 to 15:40, after 6 min on foot, 310 m along the streets." */
export function whenSentence(on: Pick<Walk, 'day' | 'place'>, stop: Stop, leg: Leg | null, wording: Wording): string {
  const { hours, walkMin } = stop;
  const onFoot = walkMin ?? leg?.walkMin ?? null;
  const way = leg === null ? '' : wayWords(leg, wording);
  const walk = onFoot === null ? '' : `, after ${wording.duration(onFoot)} on foot${way}`;
  const own = hours === null ? '' : `; open or lit ${wording.clock(hours.fromMin)} to ${wording.clock(hours.toMin)}`;
  return `${stayOn(on, stop, wording)}${walk}${own}.`;
}

export const INDOORS_WORDS = 'It stands inside a house: drag it out on the plan.';

const STANDING = { left: 'From the left pavement', right: 'From the right pavement', middle: 'From the road itself' } as const;
/** Off its axis by less than this one looks down a street, by more than the rest across it. */
const ALONG_DEG = 25;
const ACROSS_DEG = 65;

function howItRuns(bearingDeg: number, axisDeg: number): string {
  const offDeg = axisGapDeg({ streetAxisDeg: axisDeg }, bearingDeg);
  if (offDeg <= ALONG_DEG) return 'down';
  return offDeg >= ACROSS_DEG ? 'across' : 'slantwise into';
}

/** "From the road itself, looking 48° down Orrel Steps, 6 m wide; lane lamps." */
export function whereSentence(stop: Stop, street: Street | null, isIndoors: boolean, wording: Wording): string {
  const { lamps, pavement, position, shootingBearingDeg, streetAxisDeg, streetWidthM } = stop;
  const name = street?.name ?? 'a street';
  const how = howItRuns(shootingBearingDeg, streetAxisDeg);
  const width = `${wording.exactDistance(streetWidthM)} wide`;
  const light = lamps === 'none' ? '' : `; light of: ${lampWords(lamps)}`;
  const place =
    position === null ? ' It has no position yet: tap a plan where you will stand.' : isIndoors ? ` ${INDOORS_WORDS}` : '';
  const look = `${STANDING[pavement]}, looking ${Math.round(shootingBearingDeg)}° ${how} ${name}`;
  return `${look}${street?.name === undefined || street.name === null ? ` ${width}` : `, ${width}`}${light}.${place}`;
}

/** "Sharp for whoever passes at 3.5 m, nine in ten of them from 2 to 6 m." */
export function zoneSentence(stop: Stop, wording: Wording): string {
  const { farM, medianM, nearM } = stop.subject;
  const range = wording.range(nearM, farM);
  return zoneLawOf(stop) === 'allOfIt'
    ? `All of it sharp, from ${range}.`
    : `Sharp for whoever passes at ${wording.distance(medianM)}, nine in ten of them from ${range}.`;
}

function rateWords(ratePerMinute: number, wording: Wording): string {
  if (ratePerMinute === 0) return 'none worth shooting';
  if (ratePerMinute >= 1.5) return `${Math.round(ratePerMinute)} worth shooting every minute`;
  const everyMin = Math.max(1, Math.round(1 / ratePerMinute));
  return `one worth shooting every ${everyMin === 1 ? 'minute' : everyMin === 2 ? 'two minutes' : wording.duration(everyMin)}`;
}

function coming(travelAngleDeg: number): string {
  if (travelAngleDeg <= 30) return 'coming towards you';
  return travelAngleDeg >= 60 ? 'crossing' : 'crossing diagonally';
}

/** "Walkers, coming at you, 1.2 m/s, one worth shooting every two minutes; unasked." */
export function peopleSentence(stop: Stop, wording: Wording): string {
  const { consent, movers } = stop;
  if (isOfThing(stop)) return `Nobody: a thing at ${wording.distance(stop.subject.medianM)}.`;
  const who = movers.who.trim() === '' ? 'People' : movers.who.trim();
  const subject = who.charAt(0).toUpperCase() + who.slice(1);
  const moving = isMovementOfMatter(stop) ? `, ${coming(movers.travelAngleDeg)}, ${movers.speedMps} m/s` : '';
  const asked = { unasked: 'unasked', asked: 'asked', unrecognisable: 'nobody recognisable' }[consent];
  return `${subject}${moving}, ${rateWords(suitablePerMinute(movers), wording)}; ${asked}.`;
}

const PEOPLE_WORDS = { people: 'somebody in it', nobody: 'nobody in it', either: 'with people or without' };

/** "Has to be had; begins at 10:15; open 9:00–12:00; 10 min to 2 h; nobody in it; counts twice." */
export function daySentence({ intent, wishes = {} }: Pick<Stop, 'intent' | 'wishes'>, wording: Wording): string {
  const { fixedAtMin, isMust, longestMin, open = [], shortestMin, usefulMin, weight } = wishes;
  const shortest = shortestMin ?? Math.min(DEFAULT_STAY.shortestMin, longestMin ?? Infinity);
  const longest = Math.max(shortest, longestMin ?? DEFAULT_STAY.longestMin);
  const said = [
    isMust === true ? 'must-have' : '',
    fixedAtMin === undefined ? '' : `starts exactly at ${wording.clock(fixedAtMin)}`,
    fixedAtMin === undefined ? `${wording.duration(shortest)} to ${wording.duration(longest)}` : '',
    ...open.map(({ fromMin, toMin }) => `open ${wording.clock(fromMin)}–${wording.clock(toMin)}`),
    usefulMin === undefined ? '' : `80 % of its value after ${wording.duration(usefulMin)}`,
    `${PEOPLE_WORDS[peopleWishOf(intent, wishes)]}${isAloneWished(intent, wishes) ? ', alone' : ''}`,
    weight === undefined || weight === 1 ? '' : `worth ${weight} × a normal stop`,
  ].filter((words) => words !== '');
  const sentence = said.join(', ');
  return `${sentence.charAt(0).toUpperCase()}${sentence.slice(1)}.`;
}

/** "As on the whole walk: automatic ISO with a slowest shutter, fixed zone, by hand." */
export function approachSentence({ approach: own }: Pick<Stop, 'approach'>, { approach }: Pick<Walk, 'approach'>): string {
  const { exposure, focus, support } = own ?? approach;
  const said = [labelIn(EXPOSURE_CHOICES, exposure), labelIn(FOCUS_CHOICES, focus), labelIn(SUPPORT_CHOICES, support)].map(
    (label, k) => (k === 0 ? label : label.toLowerCase()),
  );
  return `${own === null ? 'As on the whole walk' : 'Its own approach'}: ${said.join(', ')}.`;
}

/** "3 frames a press, smear by the picture." */
export function framesSentence({ shooting = DEFAULT_SHOOTING, lightChanges }: Pick<Stop, 'shooting' | 'lightChanges'>): string {
  const { burstFrames, isWalking, lamp, smear } = shooting;
  const smearing = labelIn(SMEAR_CHOICES, smear);
  const words = [`${counted(burstFrames, 'frame', 'frames')} per press`, `motion blur ${smearing}`];
  if (isWalking) words.push('walking while shooting');
  if (lamp !== 'steady') words.push('under flickering light');
  if (lightChanges !== undefined && lightChanges !== 'steady') words.push(`the light ${CHANGE_WORDS[lightChanges]}`);
  return `${words.join(', ')}.`;
}

const LONGEST_QUOTE = 90;

function quoted(text: string): string {
  const line = text.trim().replace(/\s+/g, ' ');
  if (line.length > LONGEST_QUOTE) return `${line.slice(0, LONGEST_QUOTE).trimEnd()}…`;
  return /[.!?…]$/.test(line) ? line : `${line}.`;
}

/** The first words of what is noted, care first. */
export function notesSentence({ cautions, notes }: Pick<Stop, 'cautions' | 'notes'>): string {
  const care = cautions.trim() === '' ? 'Nothing to watch out for.' : `Care: ${quoted(cautions)}`;
  return notes.trim() === '' ? care : `${care} ${quoted(notes)}`;
}
