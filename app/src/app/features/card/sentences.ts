import {
  type BrokenLimit,
  type Consent,
  type Film,
  type FilmKind,
  type Intent,
  INTENT_NAMES,
  type Limit,
  type LightLadder,
  type MeteredSurface,
  type Obstacle,
  rollIso,
  type Rung,
  type SetUpInput,
  type SideLimit,
  type WhyInput,
  zoneLawOf,
} from '@roam-dial/core';
import type { Card } from '../../state/card.store';
import { showsAt } from './camera-shows';
import { changeText } from '../../wording/changes';
import { limitWords } from '../../wording/limits';
import type { Wording } from '../../wording/wording';

/** The card's words: pure functions from what was computed to what a photographer would say. */

const SURFACE_WORDS: Readonly<Record<MeteredSurface, string>> = {
  litPerson: 'the sunlit side of a person',
  cameraSide: 'the side of a person that you see',
  litGround: 'the sunlit ground',
  shade: 'the shade',
  sky: 'the sky in the frame',
  litWall: 'the sunlit wall',
  shadedWall: 'the shaded wall',
  lamps: 'what the lamps light',
  screen: 'the bright backdrop',
};

/** `1⅓ stops`, unsigned. */
function stopsText(stops: number, wording: Wording): string {
  const thirds = Math.round(Math.abs(stops) * 3) / 3;
  const text = wording.stops(thirds, 'third').replace('+', '');
  return `${text} ${thirds <= 1 ? 'stop' : 'stops'}`;
}

export function headline({ stop, stopIndex }: Card, wording: Wording): string {
  return `Stop ${stopIndex + 1} · ${wording.clock(stop.arriveMin)} to ${wording.clock(stop.leaveMin)}`;
}

/** What the picture is and what the light on it comes to. */
export function lightSentence({ stop, light }: Card, wording: Wording): string {
  const isDay = light.sun.altitudeDeg > 0;
  const where = light.isLit ? 'in the sun' : isDay ? 'in the shade' : light.lampsOn ? 'under lamps' : 'after sundown';
  const contrast = light.isLit && light.contrastEv >= 1 ? `, ${stopsText(light.contrastEv, wording)} over the shade` : '';
  const offset = light.readingOffsetEv;
  const corrected =
    offset === 0 ? '' : `, ${stopsText(offset, wording)} ${offset > 0 ? 'brighter' : 'darker'} by what you saw there`;
  return `${INTENT_NAMES[stop.intent.kind]} ${where}: EV ${wording.ev(light.keyEv100)} on ${SURFACE_WORDS[light.surface]}${contrast}${corrected}.`;
}

export function apertureNumber({ result, kit }: Card, wording: Wording): string {
  return wording.aperture(result.setUp.aperture.fNumber, kit.lens.clickStep);
}

/** What is met on one side of a number: `not deep enough from f/4`. */
function sideText(side: SideLimit, card: Card, say: (value: number) => string): string | null {
  return side.kind === 'limit' ? `${limitWords(side.limit, card.input)} from ${say(side.at)}` : null;
}

export function apertureNote(card: Card, wording: Wording): string {
  const { focus, sides, aperture } = card.result.setUp;
  const step = card.kit.lens.clickStep;
  const say = (fNumber: number): string => wording.aperture(fNumber, step);
  if (focus.sharp === null) {
    return `diffraction alone is softer than your standard: ${say(focus.diffractionFNumber)} or wider`;
  }
  const sharp = `sharp from ${wording.range(focus.sharp.nearM, focus.sharp.farM)}`;
  const { apertureLower: wider, apertureHigher: smaller } = sides;
  const isWidest = wider.kind === 'end' && wider.steps === 0 && aperture.fNumber <= widestOf(card) * 1.001;
  const side = sideText(wider, card, say) ?? (isWidest ? 'as wide as the lens opens' : sideText(smaller, card, say));
  return side === null ? sharp : `${sharp}; ${side}`;
}

function widestOf({ cells, kit, input }: Card): number {
  return Math.min(...kit.lens.widest.map(({ fNumber }) => fNumber), cells.scene.controls.fNumbers[0] ?? input.focalLengthMm);
}

export function focusNumber({ result }: Card, wording: Wording): string {
  return wording.exactDistance(result.setUp.focus.distanceM);
}

/** What of the wish is sharp: how many of those who pass, or how much of all of it. */
function heldWords(depth: number, { intent, subject, approach }: SetUpInput): string {
  const of100 = Math.round(depth * 100);
  if (zoneLawOf({ intent, subject }) === 'allOfIt') {
    // The factor counts what is left out twice.
    return of100 === 100 ? 'holds all of it' : `leaves out ${Math.max(1, Math.round(50 * (1 - depth)))} of 100 of it`;
  }
  return `holds ${of100} of 100 ${approach.focus === 'fixedZone' && subject.spread === 0 ? 'of your guesses' : 'who pass'}`;
}

export function focusNote({ result, standard, input }: Card): string {
  const { way } = result.setUp.focus;
  const holds = heldWords(result.setUp.found.factors.depth, input);
  switch (way) {
    case 'preset':
      return `a mark on the ring; ${holds}`;
    case 'infinity':
      return `at the end stop; ${holds}`;
    case 'focusByWire':
      return `no marks on this lens: focus on something there and lock; ${holds}`;
    case 'spot':
      return `on the ground where they will step; ${holds}`;
    case 'spotByEye':
      return `on the spot, its distance guessed; ${holds}`;
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
  return meteredS < shutterS * (1 - 1e-9) ? `the meter says ${say(meteredS)}, this film needs more` : '';
}

export function shutterNote(card: Card, wording: Wording): string {
  const { input, kit, result } = card;
  const { shakeLimitS, role, seconds } = result.setUp.shutter;
  const step = kit.body.markStep;
  const say = (value: number): string => wording.shutter(value, step);
  const holds = shakeLimitS === Infinity ? 'the tripod holds it' : `your hands hold ${say(shakeLimitS)}`;
  const hands = [filmNote(card, say), holds].filter((words) => words !== '').join('; ');
  if (input.intent.kind === 'longExposure' || input.intent.kind === 'fireworks') {
    return `${wantedTime(input.intent, seconds, wording)}; ${hands}`;
  }
  if (role === 'camera') return `as the light gives it; ${hands}`;
  const { dialHigher: slower, dialLower: faster } = result.setUp.sides;
  const side = sideText(slower, card, say) ?? sideText(faster, card, say);
  return side === null ? hands : `${side}; ${hands}`;
}

/** In the dark the widest aperture may need longer than was wanted. */
function wantedTime(intent: Intent, seconds: number, wording: Wording): string {
  const wantedS = intent.kind === 'longExposure' ? intent.wantedS : seconds;
  return seconds > wantedS * 1.3
    ? `longer than the ${wording.shutter(wantedS, 'third')} you want: the lens opens no wider`
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
  const sits = `in this light it sits near ${wording.iso(expected, kit.body.markStep)}`;
  switch (limit) {
    case 'ownCeiling':
      return `your ceiling; ${sits}`;
    case 'bodyCeiling':
      return `all the body has; ${sits}`;
    case 'roll':
      return kit.film === null ? 'no film chosen: the body’s own' : rollNote(kit.film, wording);
    case 'base':
      return 'base, for the cleanest file';
    case 'setForShutter':
      return 'set by hand, for the shutter that the walkers need';
  }
}

export function meterNumber({ result, kit }: Card, wording: Wording): string {
  const { compensationEv } = result.setUp.meter;
  return compensationEv === null ? 'by hand' : wording.stops(compensationEv, kit.body.markStep);
}

export function meterNote({ result, kit }: Card, wording: Wording): string {
  const { keyPlacementEv, limit } = result.setUp.meter;
  const places =
    keyPlacementEv === 0
      ? 'the key tone lands on mid-grey'
      : `the key tone lands ${stopsText(keyPlacementEv, wording)} ${keyPlacementEv > 0 ? 'above' : 'below'} mid-grey`;
  if (limit === 'beyondDial') return `${places}; beyond what the dial goes to: hold the exposure by hand`;
  if (limit !== 'byHand') return places;
  return kit.body.medium === 'film'
    ? `${places}; put it in by hand`
    : `${places}; this body ignores compensation with both held: shift the shutter`;
}

/** What is owed to the people in the frame. */
export const CONSENT_WORDS: Readonly<Record<Consent, string>> = {
  asked: 'Ask first.',
  unasked: '',
  unrecognisable: 'Nobody to be recognised: silhouettes, backs, blur.',
};

/** A flash that is not ready again ends a burst at its first frame. */
export function flashNote({ kit, input }: Card): string {
  const recycleS = kit.flash?.recycleS ?? 0;
  const isBurst = input.shooting !== undefined && input.shooting.burstFrames > 1;
  const ready = recycleS === 0 ? '' : `; ready again after ${recycleS} s${isBurst ? ', so one frame of a burst has it' : ''}`;
  return `not at riders, drivers or animals, nor close to eyes${ready}`;
}

/** Where the magnified view lies about an aperture, the numbers are to be trusted. */
export function liveViewCaution({ result, kit }: Card, wording: Wording): string | null {
  const { liveViewSmallestFNumber } = kit.body;
  if (liveViewSmallestFNumber === null || result.setUp.aperture.fNumber <= liveViewSmallestFNumber * 1.02) return null;
  return `The magnified view shows ${wording.aperture(liveViewSmallestFNumber, kit.lens.clickStep)} at most and looks softer than the file: trust the numbers.`;
}

export function chanceSentence({ result, isChosen }: Card): string {
  const of100 = Math.round(result.setUp.found.chance * 100);
  return `${of100} of 100 frames would be good${isChosen ? ' as you have set it' : ''}.`;
}

/** What is in the bag against too much light. */
function filterWords({ filter }: Card, stops: number, wording: Wording): string {
  if (filter === null) return '';
  const isEnough = filter.stops >= stops - 1e-9;
  return isEnough
    ? `; ${filter.name} from your bag takes ${stopsText(filter.stops, wording)}`
    : `; ${filter.name}, the strongest in your bag, takes only ${stopsText(filter.stops, wording)}`;
}

/** Settings under base are no best, because they hold less of the highlights, but they are something. */
function lowIsoWords({ kit: { body } }: Card, wording: Wording): string {
  const stops = Math.log2(body.baseIso / body.lowestIso);
  if (body.medium === 'film' || stops < 1 / 6) return '';
  return `; ISO ${wording.iso(body.lowestIso, body.markStep)} takes ${stopsText(stops, wording)} and holds less of the highlights`;
}

export function obstacleSentence(obstacle: Obstacle, card: Card, wording: Wording): string {
  switch (obstacle.kind) {
    case 'tooDark':
      return `Too dark for this picture: ${stopsText(obstacle.stops, wording)} more light are needed before it is worth a try.`;
    case 'tooBright':
      return `Too bright: ${stopsText(obstacle.stops, wording)} of grey filter are missing${filterWords(card, obstacle.stops, wording)}${lowIsoWords(card, wording)}.`;
    case 'needsTripod':
      return `${wording.shutter(obstacle.wantedS, 'third')} is longer than your hands hold (${wording.shutter(obstacle.longestS, 'third')}): a tripod, or less time.`;
    case 'noFlash':
      return 'No flash in the bag.';
    case 'flashTooWeak':
      return `The flash reaches ${wording.distance(obstacle.reachM)}; people pass at ${wording.distance(obstacle.subjectM)}: come nearer or raise the ISO.`;
    case 'limit':
      return `No light would help: ${limitWords(obstacle.limit, card.input)}, ${Math.round(Math.max(0, obstacle.left) * 100)} of 100 left. See the ways out in Set-up.`;
  }
}

const LEFT_WORDS: Readonly<Record<Limit, (left: string) => string>> = {
  shake: (left) => `Steadiness: ${left} of 100 are free of shake.`,
  motion: (left) => `Movement: ${left} of 100 come out as sharp as is wanted.`,
  depth: (left) => `Depth: ${left} of 100 are within the sharp zone.`,
  tooDark: (left) => `Light: too dark, ${left} of 100 are exposed well enough.`,
  tooBright: (left) => `Light: too bright, ${left} of 100 are exposed well enough.`,
  flicker: (left) => `Flicker: the lamps spoil all but ${left} of 100.`,
  flash: (left) => `Flash: it reaches ${left} of 100.`,
  kept: (left) => `Changing light: as the exposure is kept, ${left} of 100 come out well.`,
  isoCeiling: () => '',
  highlights: () => 'Highlights: the bright part is over what this body holds.',
  school: () => 'Background: it does not dissolve as far as you ask.',
};

/** What is given up, in words. */
export function sacrificeSentence({ limit, left }: BrokenLimit, wording: Wording): string {
  if (limit === 'isoCeiling') return `ISO: ${stopsText(-left, wording)} over your ceiling would be needed.`;
  return LEFT_WORDS[limit](String(Math.round(left * 100)));
}

export interface LadderLine {
  /** What the camera shows by then, with the set-up of before; empty where it shows nothing. */
  readonly shows: string;
  readonly ev: string;
  readonly change: string;
  readonly effect: string;
}

function rungLine(rung: Rung, before: Rung | undefined, card: Card, wording: Wording): LadderLine {
  const { sharp } = rung.setUp;
  const zone = sharp === null ? '' : `; sharp ${wording.range(sharp.nearM, sharp.farM)}`;
  const from = before?.setUp.hand.fNumber ?? Infinity;
  return {
    shows: before === undefined ? '' : showsAt(card, before.setUp.hand, rung.fromEv100, wording),
    ev: `EV ${wording.ev(rung.fromEv100)}`,
    change: rung.changes.map((change) => changeText(change, from, card.kit, wording)).join(', '),
    effect: `${Math.round(rung.leastChance * 100)} of 100 or better down to EV ${wording.ev(rung.toEv100)}${zone}`,
  };
}

/** The ladder from the light now on: what holds, each change, and where the picture ends. */
export function ladderLines(card: Card, ladder: LightLadder | null, wording: Wording): readonly LadderLine[] {
  if (ladder === null || card.result.kind === 'cannot') return [];
  const now = card.light.keyEv100;
  const { rungs, ends } = ladder;
  const current = rungs.findIndex(({ toEv100 }) => toEv100 <= now + 1e-9);
  const instead = ends?.instead == null ? '' : `${INTENT_NAMES[ends.instead]} still works`;
  // Darker than where it ends: said, rather than nothing.
  if (current === -1) return [{ shows: '', ev: 'now', change: 'not this picture', effect: instead }];
  const lines = rungs.slice(current + 1).map((rung, k) => rungLine(rung, rungs[current + k], card, wording));
  const holdsTo = (rungs[current] as Rung).toEv100;
  const shownThen = showsAt(card, (rungs[current] as Rung).setUp.hand, holdsTo, wording);
  const isOver = holdsTo >= now - 1e-9;
  const first: LadderLine = {
    shows: '',
    ev: 'now',
    change: isOver ? 'as it is' : `nothing to change down to EV ${wording.ev(holdsTo)}`,
    effect: isOver || shownThen === '' ? '' : `the camera then shows ${shownThen}`,
  };
  const lastHand = (rungs.at(-1) as Rung).setUp.hand;
  const last =
    ends === null
      ? []
      : [
          {
            shows: showsAt(card, lastHand, ends.ev100, wording),
            ev: `EV ${wording.ev(ends.ev100)}`,
            change: 'not this picture',
            effect: instead,
          },
        ];
  return [first, ...lines, ...last];
}

/** The next thing that the hand will have to do, for the strip that is always in sight. */
export function nextStep(lines: readonly LadderLine[]): string | null {
  const [now, next] = lines;
  if (now === undefined) return null;
  if (next === undefined) {
    const change = `${now.change.charAt(0).toUpperCase()}${now.change.slice(1)}`;
    return now.effect === '' ? change : `${change}; ${now.effect}`;
  }
  const at = next.shows === '' ? `At ${next.ev}` : `From ${next.shows} on (${next.ev})`;
  return next.effect === '' ? `${at}: ${next.change}` : `${at}: ${next.change}; ${next.effect}`;
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
