import { type Film, type FilmKind, rollIso } from '@roam-dial/core/kit';
import type { BrokenLimit, Limit, Obstacle, SetUpInput, SideLimit, WhyInput } from '@roam-dial/core/setup';
import { type Consent, type Intent, zoneLawOf } from '@roam-dial/core/stop';
import { markedBetween, snapToMark } from '@roam-dial/core/units';
import type { Card } from '../../state/card/card.store';
import { NO_KEY_WORDS } from '../../words/set-up/metering';
import { limitWords } from '../../words/set-up/limits';
import { stopsText } from '../../words/walk/stops';
import type { Wording } from '../../words/wording';

/** The card's words: pure functions from what was computed to what a photographer would say. */

export function apertureNumber({ result, kit }: Card, wording: Wording): string {
  return wording.aperture(result.setUp.aperture.fNumber, kit.lens.clickStep);
}

/** What is met on one side of a number: `too shallow at f/4 and wider`. */
function sideText(side: SideLimit, card: Card, say: (value: number) => string, beyond: string): string | null {
  return side.kind === 'limit' ? `${limitWords(side.limit, card.input)} at ${say(side.at)} and ${beyond}` : null;
}

/** `1.7 to 12.4 m`: what is in focus; empty where diffraction alone is over the standard. */
export function inFocusWords({ result }: Card, wording: Wording): string {
  const { sharp } = result.setUp.focus;
  return sharp === null ? '' : wording.range(sharp.nearM, sharp.farM);
}

export function apertureNote(card: Card, wording: Wording): string {
  const { focus, sides, aperture } = card.result.setUp;
  const step = card.kit.lens.clickStep;
  const say = (fNumber: number): string => wording.aperture(fNumber, step);
  if (focus.sharp === null) {
    return `diffraction alone exceeds your sharpness standard: open up to ${say(focus.diffractionFNumber)} or wider`;
  }
  const sharp = `sharp from ${wording.range(focus.sharp.nearM, focus.sharp.farM)}`;
  const { apertureLower: wider, apertureHigher: smaller } = sides;
  const isWidest = wider.kind === 'end' && wider.steps === 0 && aperture.fNumber <= widestOf(card) * 1.001;
  const side = sideText(wider, card, say, 'wider') ?? (isWidest ? 'wide open' : sideText(smaller, card, say, 'smaller'));
  return side === null ? sharp : `${sharp}; ${side}`;
}

function widestOf({ cells, kit, input }: Card): number {
  return Math.min(...kit.lens.widest.map(({ fNumber }) => fNumber), cells.scene.controls.fNumbers[0] ?? input.focalLengthMm);
}

export function focusNumber({ result }: Card, wording: Wording): string {
  return wording.exactDistance(result.setUp.focus.distanceM);
}

/** What of the wish is in focus: how many of those who pass, or how much of all of it. */
function heldWords(depth: number, { intent, subject, approach }: SetUpInput): string {
  const of100 = Math.round(depth * 100);
  if (zoneLawOf({ intent, subject }) === 'allOfIt') {
    // The factor counts what is left out twice.
    return of100 === 100 ? 'all of it in focus' : `${Math.max(1, Math.round(50 * (1 - depth)))} % of the zone out of focus`;
  }
  return `${of100} % of ${approach.focus === 'fixedZone' && subject.spread === 0 ? 'your guesses' : 'passers-by'} in focus`;
}

export function focusNote({ result, standard, input }: Card): string {
  const { way } = result.setUp.focus;
  const holds = heldWords(result.setUp.found.factors.depth, input);
  switch (way) {
    case 'preset':
      return `marked on the ring; ${holds}`;
    case 'infinity':
      return `at the end stop; ${holds}`;
    case 'focusByWire':
      return `no distance scale: focus on something that far away and lock; ${holds}`;
    case 'spot':
      return `on the ground where they will step; ${holds}`;
    case 'spotByEye':
      return `on the spot, at a guessed distance; ${holds}`;
    case 'autofocusOnSpot':
      return `centre point, then recompose; ${holds} (reaction ${standard.reactionS} s not counted)`;
  }
}

export function shutterNumber({ result, kit }: Card, wording: Wording): string {
  return wording.shutter(result.setUp.shutter.seconds, kit.body.markStep);
}

export function shutterRole({ result }: Card): string {
  return { slowestAuto: 'or faster', set: 'held', camera: 'by the camera' }[result.setUp.shutter.role];
}

/** A film that tires needs longer than the meter says. */
function filmNote({ result }: Card, say: (seconds: number) => string): string {
  const { meteredS, shutterS } = result.setUp.found.camera;
  return meteredS < shutterS * (1 - 1e-9) ? `the meter says ${say(meteredS)}; this film needs longer` : '';
}

export function shutterNote(card: Card, wording: Wording): string {
  const { input, kit, result } = card;
  const { shakeLimitS, role, seconds } = result.setUp.shutter;
  const step = kit.body.markStep;
  const say = (value: number): string => wording.shutter(value, step);
  const holds = shakeLimitS === Infinity ? 'on the tripod' : `you can hold ${say(shakeLimitS)}`;
  const hands = [filmNote(card, say), holds].filter((words) => words !== '').join('; ');
  if (input.intent.kind === 'longExposure' || input.intent.kind === 'fireworks') {
    return `${wantedTime(input.intent, seconds, wording)}; ${hands}`;
  }
  if (role === 'camera') return `as the light allows; ${hands}`;
  const { dialHigher: slower, dialLower: faster } = result.setUp.sides;
  // Shake's own figure is what the hands hold.
  const isShake = slower.kind === 'limit' && slower.limit === 'shake';
  const side = isShake ? null : (sideText(slower, card, say, 'slower') ?? sideText(faster, card, say, 'faster'));
  return side === null ? hands : `${side}; ${hands}`;
}

/** In the dark the widest aperture may need longer than was wanted. */
function wantedTime(intent: Intent, seconds: number, wording: Wording): string {
  const wantedS = intent.kind === 'longExposure' ? intent.wantedS : seconds;
  return seconds > wantedS * 1.3
    ? `longer than the ${wording.shutter(wantedS, 'third')} you want: the lens is wide open`
    : 'the time you want';
}

export function isoNumber({ result, kit }: Card, wording: Wording): string {
  const { lowest, highest } = result.setUp.iso;
  const step = kit.body.markStep;
  return highest > lowest * 1.001 ? `${wording.iso(lowest, step)}–${wording.iso(highest, step)}` : wording.iso(lowest, step);
}

const FILM_ADVICE: Readonly<Record<FilmKind, string>> = {
  blackAndWhiteNegative: 'expose for the shadows',
  colourNegative: 'in doubt, more light',
  slide: 'expose for the highlights',
};

/** What the whole roll is exposed at, and what its kind wants where one has to choose. */
function rollNote(film: Film, wording: Wording): string {
  const overBoxEv = Math.log2(rollIso(film) / film.boxIso);
  const rated =
    Math.abs(overBoxEv) < 1 / 6 ? '' : `, ${stopsText(overBoxEv, wording)} ${overBoxEv > 0 ? 'over' : 'under'} its box speed`;
  return `the roll: ${film.name}${rated}; ${FILM_ADVICE[film.filmKind]}`;
}

export function isoNote({ result, kit }: Card, wording: Wording): string {
  const { limit, expected } = result.setUp.iso;
  const sits = `about ${wording.iso(expected, kit.body.markStep)} in this light`;
  switch (limit) {
    case 'ownCeiling':
      return `up to your ceiling; ${sits}`;
    case 'usualCeiling':
      return `usual limit for this sensor size; ${sits}`;
    case 'bodyCeiling':
      return `up to the body’s limit; ${sits}`;
    case 'roll':
      return kit.film === null ? 'no film chosen: the body’s own ISO' : rollNote(kit.film, wording);
    case 'base':
      return 'base, for the cleanest file';
    case 'setForShutter':
      return 'set by hand for the shutter speed that walkers need';
  }
}

export function meterNumber({ result, kit, isFrameAwaited }: Card, wording: Wording): string {
  if (isFrameAwaited) return '…';
  const { compensationEv } = result.setUp.meter;
  return compensationEv === null ? 'by hand' : wording.stops(compensationEv, kit.body.markStep);
}

export function meterNote({ stop, result, kit, isFrameAwaited }: Card, wording: Wording): string {
  const { keyPlacementEv, limit, isKeyInFrame } = result.setUp.meter;
  if (isFrameAwaited) return 'what the frame will see is being drawn';
  if (!isKeyInFrame) return `${NO_KEY_WORDS[stop.intent.kind]}: by the light alone`;
  const places =
    keyPlacementEv === 0
      ? 'puts the key tone at mid-grey'
      : `puts the key tone ${stopsText(keyPlacementEv, wording)} ${keyPlacementEv > 0 ? 'above' : 'below'} mid-grey`;
  if (limit === 'beyondDial') return `${places}; beyond the dial’s range: set the exposure by hand`;
  if (limit !== 'byHand') return places;
  return kit.body.medium === 'film'
    ? `${places}; allow for it by hand`
    : `${places}; this body ignores compensation when both are held: shift the shutter`;
}

/** What is owed to the people in the frame. */
export const CONSENT_WORDS: Readonly<Record<Consent, string>> = {
  asked: 'Ask first.',
  unasked: '',
  unrecognisable: 'Nobody recognisable: silhouettes, backs, blur.',
};

/** A flash that is not ready again ends a burst at its first frame. */
export function flashNote({ kit, input }: Card): string {
  const recycleS = kit.flash?.recycleS ?? 0;
  const isBurst = input.shooting !== undefined && input.shooting.burstFrames > 1;
  const ready = recycleS === 0 ? '' : `; recycles in ${recycleS} s${isBurst ? ', so only the first frame of a burst is lit' : ''}`;
  return `not at riders, drivers or animals, nor close to eyes${ready}`;
}

/** Where the magnified view cannot stop down as far as the card, the numbers are to be trusted. */
export function liveViewCaution({ result, kit }: Card, wording: Wording): string | null {
  const { liveViewSmallestFNumber } = kit.body;
  if (liveViewSmallestFNumber === null || result.setUp.aperture.fNumber <= liveViewSmallestFNumber * 1.02) return null;
  return `The magnified view stops down to ${wording.aperture(liveViewSmallestFNumber, kit.lens.clickStep)} at most and looks softer than the file: trust the numbers.`;
}

export function chanceSentence({ result, isChosen }: Card): string {
  const of100 = Math.round(result.setUp.found.chance * 100);
  return `Sharp and well exposed${isChosen ? ' as you have set it' : ''}: ${of100} in 100`;
}

/** "Cleaner: f/8, 1/500, ISO 2000: 90 in 100": what two stops of ISO less would cost. */
export function cleanerSentence({ result, kit }: Card, wording: Wording): string | null {
  const { cleaner } = result;
  if (cleaner === null) return null;
  const { fNumber, shutterS } = cleaner.hand;
  const iso = snapToMark({
    value: cleaner.camera.iso,
    marks: markedBetween('iso', kit.body.markStep, cleaner.camera.iso / 2, cleaner.camera.iso * 2),
    direction: 'nearest',
  });
  const parts = [
    wording.aperture(fNumber, kit.lens.clickStep),
    ...(shutterS === null ? [] : [wording.shutter(shutterS, kit.body.markStep)]),
    `ISO ${wording.iso(iso ?? cleaner.camera.iso, kit.body.markStep)}`,
  ];
  return `Less noise: ${parts.join(', ')}: ${Math.round(cleaner.chance * 100)} in 100`;
}

/** What is in the bag against too much light. */
function filterWords({ filter }: Card, stops: number, wording: Wording): string {
  if (filter === null) return '';
  const isEnough = filter.stops >= stops - 1e-9;
  return isEnough
    ? `; ${filter.name} in your bag takes ${stopsText(filter.stops, wording)}`
    : `; ${filter.name}, the strongest in your bag, takes only ${stopsText(filter.stops, wording)}`;
}

/** Settings under base are no best, because they hold less of the highlights, but they are something. */
function lowIsoWords({ kit: { body } }: Card, wording: Wording): string {
  const stops = Math.log2(body.baseIso / body.lowestIso);
  if (body.medium === 'film' || stops < 1 / 6) return '';
  return `; ISO ${wording.iso(body.lowestIso, body.markStep)} gains ${stopsText(stops, wording)} and clips highlights earlier`;
}

export function obstacleSentence(obstacle: Obstacle, card: Card, wording: Wording): string {
  switch (obstacle.kind) {
    case 'tooDark':
      return `Too dark for this picture: it needs ${stopsText(obstacle.stops, wording)} more light.`;
    case 'tooBright':
      return `Too bright: you need ${stopsText(obstacle.stops, wording)} of ND filter${filterWords(card, obstacle.stops, wording)}${lowIsoWords(card, wording)}.`;
    case 'needsTripod':
      return `${wording.shutter(obstacle.wantedS, 'third')} is longer than you can hold (${wording.shutter(obstacle.longestS, 'third')}): use a tripod or a shorter time.`;
    case 'noFlash':
      return 'No flash in the bag.';
    case 'flashTooWeak':
      return `The flash reaches ${wording.distance(obstacle.reachM)}; people pass at ${wording.distance(obstacle.subjectM)}: move closer or raise the ISO.`;
    case 'limit':
      return `More light would not help: ${limitWords(obstacle.limit, card.input)} leaves ${Math.round(Math.max(0, obstacle.left) * 100)} good frames in 100. Set-up suggests what would.`;
  }
}

const LEFT_WORDS: Readonly<Record<Limit, (left: string) => string>> = {
  shake: (left) => `Camera shake: ${left} frames in 100 are steady.`,
  motion: (left) => `Motion blur: ${left} frames in 100 are as sharp as you want.`,
  depth: (left) => `Depth: ${left} in 100 are within the zone in focus.`,
  tooDark: (left) => `Too dark: ${left} frames in 100 are well exposed.`,
  tooBright: (left) => `Too bright: ${left} frames in 100 are well exposed.`,
  flicker: (left) => `Flicker: the lamps spoil all but ${left} frames in 100.`,
  flash: (left) => `Flash: it reaches ${left} subjects in 100.`,
  kept: (left) => `Changing light: kept like this, the exposure is right in ${left} frames in 100.`,
  isoCeiling: () => '',
  highlights: () => 'Highlights: the bright part clips on this body.',
  school: () => 'Background: sharper than you ask for.',
};

/** What is given up, in words. */
export function sacrificeSentence({ limit, left }: BrokenLimit, wording: Wording): string {
  if (limit === 'isoCeiling') return `ISO: it would take ${stopsText(-left, wording)} more than your ceiling.`;
  return LEFT_WORDS[limit](String(Math.round(left * 100)));
}

/** An input of a "why?" in the person's units. */
export function whyInputText({ value, unit }: WhyInput, { kit }: Card, wording: Wording): string {
  if (typeof value === 'string') return value;
  switch (unit) {
    case 'aperture':
      return wording.aperture(value, kit.lens.clickStep);
    case 'shutter':
      return wording.shutter(value, kit.body.markStep);
    case 'iso':
      return wording.iso(value, kit.body.markStep);
    case 'distance':
      return wording.exactDistance(value);
    case 'stops':
      return `${wording.stops(Math.round(value * 100) / 100, 'third')} stops`;
    case 'ev':
      return `EV ${(Math.round(value * 100) / 100).toString().replace('-', '−')}`;
    case 'mm':
      return value === Infinity ? 'none' : `${Number(value.toPrecision(4))} mm`;
    case 'mps':
      return `${value} m/s`;
    case 'degrees':
      return `${value}°`;
    case 'percent':
      return wording.percent(value);
    case 'number':
      return String(value);
    case 'word':
      return String(value);
  }
}
