import {
  type Change,
  type Intent,
  INTENT_NAMES,
  type MeteredSurface,
  type MeterPattern,
  type Obstacle,
  type Rung,
  type Sacrifice,
  type WhyInput,
} from '@roam-dial/core';
import type { Card } from '../../state/card.store';
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

export const PATTERN_WORDS: Readonly<Record<MeterPattern, string>> = {
  wholeFrame: 'whole frame',
  centreWeighted: 'centre-weighted',
  spot: 'spot',
  highlightWeighted: 'highlight-weighted',
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

export function apertureNote(card: Card, wording: Wording): string {
  const { aperture, focus } = card.result.setUp;
  const { nearM, farM } = card.input.subject;
  const zone = wording.range(nearM, farM);
  const sharp = focus.sharp === null ? 'nothing is sharp' : `sharp from ${wording.range(focus.sharp.nearM, focus.sharp.farM)}`;
  switch (aperture.limit) {
    case 'zoneNeedsIt':
      return focus.coversZone
        ? `${sharp}; a click wider loses part of ${zone}`
        : `${sharp}; the widest that keeps four of five sharp`;
    case 'preferred':
      return `${sharp}; room to open as the light goes`;
    case 'openedForLight':
      return `${sharp}; opened for the light, ${zone} still held`;
    case 'depthGivenUp':
      return `${sharp} only; opened past what ${zone} needs`;
    case 'lensWidest':
      return `${sharp}; as wide as the lens opens`;
    case 'lensSmallest':
      return `${sharp}; the lens closes no further`;
    case 'tooBright':
      return `${sharp}; closed because it is too bright`;
    case 'zoneOutOfReach':
      return focus.sharp === null
        ? 'diffraction alone is softer than your standard; open up'
        : `${sharp}; no aperture holds ${zone}`;
    case 'wantedSeconds':
      return `${sharp}; set for the time you want`;
  }
}

export function focusNumber({ result }: Card, wording: Wording): string {
  return wording.exactDistance(result.setUp.focus.distanceM);
}

export function focusNote({ result, standard, input }: Card): string {
  const { limit, zoneChance } = result.setUp.focus;
  const holds = `holds ${Math.round(zoneChance * 100)} of 100 ${input.subject.spread > 0 ? 'who pass' : 'of your guesses'}`;
  switch (limit) {
    case 'preset':
      return `a mark on the ring; ${holds}`;
    case 'infinity':
      return `at the end stop; ${holds}`;
    case 'focusByWire':
      return `no marks on this lens: focus on something there and lock; ${holds}`;
    case 'spot':
      return `on the ground where they will step; ${holds}`;
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

export function shutterNote({ result, kit, input }: Card, wording: Wording): string {
  const { limit, motionLimitS, shakeLimitS } = result.setUp.shutter;
  const step = kit.body.markStep;
  const who = input.movers.who.trim() === '' ? 'people' : input.movers.who;
  const hands = shakeLimitS === Infinity ? 'the tripod holds it' : `your hands hold ${wording.shutter(shakeLimitS, step)}`;
  switch (limit) {
    case 'subjectMoves':
      return `${who} decide; ${hands}`;
    case 'shake':
      return `your hands decide; steady ${Math.round(result.setUp.shutter.steadyChance * 100)} of 100`;
    case 'slowedForLight':
      return `slower than wanted: the typical one is still sharp, a quick one smears`;
    case 'bodyOffersNoFaster':
      return `the fastest that can be set here; ${who} want ${wording.shutter(motionLimitS, step)}`;
    case 'sync':
      return `the flash allows no faster; the smear is softened by its burst`;
    case 'metered':
      return `as the light gives it; ${hands}`;
    case 'wantedSeconds':
      return `${wantedTime(input.intent, result.setUp.shutter.seconds, wording)}; ${hands}`;
    case 'nothingMoves':
      return `nothing moves and ${hands}`;
  }
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

export function isoNote({ result, kit }: Card, wording: Wording): string {
  const { limit, expected } = result.setUp.iso;
  const sits = `in this light it sits near ${wording.iso(expected, kit.body.markStep)}`;
  switch (limit) {
    case 'ownCeiling':
      return `your ceiling; ${sits}`;
    case 'bodyCeiling':
      return `all the body has; ${sits}`;
    case 'roll':
      return kit.film === null ? 'no film chosen: the body’s own' : `the roll: ${kit.film.name}`;
    case 'base':
      return 'base, for the cleanest file';
    case 'setForShutter':
      return 'set by hand, for the shutter that the walkers need';
  }
}

export function meterNumber({ result, kit }: Card, wording: Wording): string {
  return wording.stops(result.setUp.meter.compensationEv, kit.body.markStep);
}

export function meterNote({ result, kit }: Card, wording: Wording): string {
  const { keyPlacementEv, limit } = result.setUp.meter;
  const places =
    keyPlacementEv === 0
      ? 'the key tone lands on mid-grey'
      : `the key tone lands ${stopsText(keyPlacementEv, wording)} ${keyPlacementEv > 0 ? 'above' : 'below'} mid-grey`;
  if (limit !== 'byHand') return places;
  return kit.body.medium === 'film'
    ? `${places}; put it in by hand`
    : `${places}; this body ignores compensation with both held: shift the shutter`;
}

/** Where the magnified view lies about an aperture, the numbers are to be trusted. */
export function liveViewCaution({ result, kit }: Card, wording: Wording): string | null {
  const { liveViewSmallestFNumber } = kit.body;
  if (liveViewSmallestFNumber === null || result.setUp.aperture.fNumber <= liveViewSmallestFNumber * 1.02) return null;
  return `The magnified view shows ${wording.aperture(liveViewSmallestFNumber, kit.lens.clickStep)} at most and looks softer than the file: trust the numbers.`;
}

export function obstacleSentence(obstacle: Obstacle, wording: Wording): string {
  switch (obstacle.kind) {
    case 'tooDark':
      return `Too dark for this picture: ${stopsText(obstacle.stops, wording)} short with everything given that can be.`;
    case 'tooBright':
      return `Too bright: ${stopsText(obstacle.stops, wording)} of grey filter are missing.`;
    case 'zoneTooDeep':
      return `Only ${Math.round(obstacle.zoneChance * 100)} of 100 would be sharp: step back, take a shorter lens, or ask less depth.`;
    case 'needsTripod':
      return `${wording.shutter(obstacle.wantedS, 'third')} is longer than your hands hold (${wording.shutter(obstacle.longestS, 'third')}): a tripod, or less time.`;
    case 'noFlash':
      return 'No flash in the bag.';
    case 'flashTooWeak':
      return `The flash reaches ${wording.distance(obstacle.reachM)}; people pass at ${wording.distance(obstacle.subjectM)}: come nearer or raise the ISO.`;
  }
}

export function sacrificeSentence(sacrifice: Sacrifice, wording: Wording): string {
  return sacrifice.kind === 'depth'
    ? `Depth: ${wording.aperture(sacrifice.wantedFNumber, 'third')} would hold the zone; ${Math.round(sacrifice.zoneChance * 100)} of 100 are sharp now.`
    : `Speed: ${wording.shutter(sacrifice.wantedS, 'third')} was wanted.`;
}

function changeText(change: Change, { kit }: Card, wording: Wording): string {
  switch (change.control) {
    case 'aperture':
      return `open to ${wording.aperture(change.fNumber, kit.lens.clickStep)}`;
    case 'focus':
      return `focus ${wording.exactDistance(change.distanceM)}`;
    case 'shutter':
      return wording.shutter(change.seconds, kit.body.markStep);
    case 'iso':
      return `ISO ${wording.iso(change.iso, kit.body.markStep)}`;
  }
}

export interface LadderLine {
  readonly ev: string;
  readonly change: string;
  readonly effect: string;
}

function rungLine(rung: Rung, card: Card, wording: Wording): LadderLine {
  const { sharp } = rung.setUp.focus;
  const losesDepth = rung.sacrifices.some(({ kind }) => kind === 'depth');
  const losesSpeed = rung.sacrifices.some(({ kind }) => kind === 'slowerThanWanted');
  const zone = sharp === null ? '' : `sharp ${wording.range(sharp.nearM, sharp.farM)}`;
  const costs = [losesDepth ? zone : '', losesSpeed ? 'quick ones smear' : ''].filter(Boolean);
  return {
    ev: `EV ${wording.ev(rung.ev100)}`,
    change: rung.changes.map((change) => changeText(change, card, wording)).join(', '),
    effect: costs.length > 0 ? costs.join('; ') : zone === '' ? 'nothing lost' : `${zone}, zone held`,
  };
}

/** The ladder as lines: now, each change, and where the picture ends. */
export function ladderLines(card: Card, wording: Wording): readonly LadderLine[] {
  const { ladder, result } = card;
  if (result.kind === 'cannot') return [];
  const rungs = ladder.rungs.map((rung) => rungLine(rung, card, wording));
  const firstChange = ladder.rungs[0]?.ev100 ?? ladder.ends?.ev100 ?? ladder.footEv100;
  const holdsTo = wording.ev(firstChange + 1 / 3);
  const now: LadderLine = {
    ev: 'now',
    change: firstChange >= card.light.keyEv100 - 1 / 3 ? 'change at the next third' : `nothing to change down to EV ${holdsTo}`,
    effect: '',
  };
  const { ends } = ladder;
  const last =
    ends === null
      ? []
      : [{ ev: `EV ${wording.ev(ends.ev100)}`, change: 'not this picture', effect: obstacleSentence(ends.obstacle, wording) }];
  return [now, ...rungs, ...last];
}

/** The next thing that the hand will have to do, for the strip that is always in sight. */
export function nextStep(lines: readonly LadderLine[]): string | null {
  const next = lines[1];
  if (next === undefined) return null;
  return next.effect === '' ? `At ${next.ev}: ${next.change}` : `At ${next.ev}: ${next.change}; ${next.effect}`;
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
