import type { MeterPattern } from '@roam-dial/core/kit';
import type { KeyPlacement, Medium, MediumKind, RangeWayOut } from '@roam-dial/core/metering';
import type { IntentKind, MeteredOn, PlacementMethod, Reading, ReadingKind } from '@roam-dial/core/stop';
import { counted } from '../counted';
import type { Wording } from '../wording';
import { capital } from '../capital';

/** What a picture is about, where nothing of it is in the frame that stands there. */
export const NO_KEY_WORDS: Readonly<Record<IntentKind, string>> = {
  passingCandid: 'nobody in this frame',
  lightPool: 'no sunlit ground in this frame',
  silhouette: 'none of its background in this frame',
  intoTheSun: 'no sunlit ground in this frame',
  brightBackdrop: 'no screen in this frame',
  litStreet: 'no street in this frame',
  flashLift: 'no sky in this frame',
  longExposure: 'no ground in this frame',
  facade: 'no wall in this frame',
  reflection: 'no wall in this frame',
  compressedDistance: 'nobody in this frame',
  fireworks: 'no ground in this frame',
};

export const PATTERN_WORDS: Readonly<Record<MeterPattern, string>> = {
  wholeFrame: 'whole frame',
  centreWeighted: 'centre-weighted',
  spot: 'spot',
  highlightWeighted: 'highlight-weighted',
  multiZone: 'multi-zone',
};

export const READING_WORDS: Readonly<Record<ReadingKind, string>> = {
  spot: 'spot',
  wholeFrame: 'whole frame',
  greyCard: 'grey card',
  incident: 'incident',
  lookedRight: 'looked right',
  testShot: 'test shot',
};

export const SCHOOL_WORDS: Readonly<Record<PlacementMethod, string>> = {
  hold: 'hold',
  protect: 'protect',
  burn: 'let lamps burn',
  shadows: 'shadows',
  right: 'expose to the right',
};

/** What each school costs, in a sentence. */
export const SCHOOL_COSTS: Readonly<Record<PlacementMethod, string>> = {
  hold: 'Puts the key where you want it, whatever clips.',
  protect: 'Keeps the brightest reading from clipping; the key may come out darker.',
  burn: 'The same, but lamps may clip: they burn out, the street does not.',
  shadows: 'Exposes for texture in the shadows; highlights may clip.',
  right: 'As bright as the raw file can take; darken it afterwards.',
};

export const ON_WORDS: Readonly<Record<MeteredOn, string>> = {
  raw: 'raw file',
  straight: 'straight out of the camera',
};

const MEDIUM_WORDS: Readonly<Record<MediumKind, string>> = {
  raw: 'a raw file',
  straight: 'a picture straight out of the camera',
  slide: 'slide film',
  blackAndWhiteNegative: 'a black-and-white negative',
  colourNegative: 'a colour negative',
};

export function mediumName({ kind }: Pick<Medium, 'kind'>): string {
  return MEDIUM_WORDS[kind];
}

function size(stops: number, wording: Wording): string {
  const text = wording.stops(Math.abs(stops), 'third').replace('+', '');
  return `${text} ${Math.abs(stops) <= 1 ? 'stop' : 'stops'}`;
}

/** What is lost, by how much, and whether it fits at all: "wall at +2; the doorway is lost by 3⅔ stops". */
export function placementSentence(
  { key, keyShiftEv, falls, room, keyTones }: KeyPlacement,
  readings: readonly Reading[],
  medium: Medium,
  wording: Wording,
): string {
  const nameOf = (id: string): string => readings.find((one) => one.id === id)?.name || 'a reading';
  const shift =
    Math.abs(keyShiftEv) < 0.05
      ? ''
      : ` comes out ${size(keyShiftEv, wording)} ${keyShiftEv < 0 ? 'darker' : 'brighter'} than wanted`;
  const lost = falls
    .filter(({ lostEv, id }) => Math.abs(lostEv) >= 0.05 && readings.find((one) => one.id === id)?.isLetGo !== true)
    .map(({ id, lostEv }) => `${nameOf(id)} is lost ${lostEv > 0 ? 'in white' : 'in black'} by ${size(lostEv, wording)}`);
  const keyWords = `${key.reading.name || 'The key'}${shift === '' ? ` at ${wording.stops(key.tone, 'third')}` : shift}`;
  const all = [keyWords, ...lost].join('; ');
  if (!room.fits) return `${all}. The range is ${size(room.shortEv, wording)} wider than ${mediumName(medium)} holds.`;
  if (keyTones === null) return lost.length === 0 ? `${all}. All that is kept is held.` : `${all}.`;
  const [from, to] = keyTones;
  return `${all}. A key between ${wording.stops(from, 'third')} and ${wording.stops(to, 'third')} would hold it all.`;
}

/** What another medium would hold of the same readings. */
export function mediumSentence(placement: KeyPlacement, medium: Medium, wording: Wording): string {
  const { fits, shortEv, fromEv, toEv } = placement.room;
  const span = `+${medium.overEv.toFixed(1)} and −${medium.underEv.toFixed(1)}`;
  return fits
    ? `${span}: holds it, with ${size(toEv - fromEv, wording)} to spare`
    : `${span}: ${size(shortEv, wording)} too little`;
}

/** A way out of a range that is too wide, with its figure. */
export function rangeWaySentence(
  way: RangeWayOut,
  readings: readonly Reading[],
  wording: Wording,
  timeAt: (ev100: number) => string,
): string {
  const short = (stops: number): string => (stops < 0.05 ? 'then it fits' : `${size(stops, wording)} still too wide`);
  switch (way.kind) {
    case 'medium':
      return `${capital(way.name)} holds it, with ${size(way.spareEv, wording)} to spare.`;
    case 'letGo': {
      const name = readings.find(({ id }) => id === way.readingId)?.name || `the ${way.end} end`;
      return `Let ${name} go: ${short(way.stillShortEv)}.`;
    }
    case 'inShade':
      return `Take all of it in the shade: ${short(way.stillShortEv)}.`;
    case 'flash':
      return `Flash on the darkest, ${size(way.overAmbientEv, wording)} ${way.overAmbientEv < 0 ? 'under' : 'over'} the light there: it comes up by ${size(way.liftEv, wording)}.`;
    case 'silhouette':
      return `Make it a silhouette: ${counted(way.lostReadings, 'reading goes', 'readings go')} black.`;
    case 'bracket': {
      const { frames, stepEv, middleEv } = way.bracket;
      const longest = timeAt(middleEv - ((frames - 1) / 2) * stepEv);
      return `Bracket: ${frames} frames ${size(stepEv, wording)} apart about EV ${wording.ev(middleEv)}, the longest ${longest}; walkers come out double.`;
    }
    case 'pull':
      return `Have the film pulled a stop: ${short(way.stillShortEv)}.`;
  }
}
