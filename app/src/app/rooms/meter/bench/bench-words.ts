import {
  adviceOnKeeping,
  ENOUGH_OF_SPOT,
  EXPOSURE_KEPT,
  type ExposureKept,
  type KeptWorth,
  type PatternAnswer,
  type SceneDescription,
  warmthMired,
} from '@roam-dial/core/metering';
import type { Wording } from '../../../words/wording';

/** The built-in scenes by what one sees. */
export const SCENE_NAMES: Readonly<Record<string, string>> = {
  whiteWall: 'Tannery yard: a walker, a white wall',
  darkCoats: 'Three dark coats, dark stone',
  lightPool: 'A pool of sun in Causey Lane',
  backLitLane: 'A lane against a low sun',
  snow: 'Snow on the ridge road',
  windowInside: 'By the window, from inside',
  evenStreet: 'An even street under cloud',
  arcade: 'The square through Long Arcade',
  silhouetteScreen: 'People before the screen at Tollard',
  nightSquare: 'Vessen square at night',
  stageNear: 'A stage, from the first row',
  stageBack: 'A stage, from the back',
  wetStreet: 'A wet street at dusk',
};

export function sceneName({ id }: Pick<SceneDescription, 'id'>): string {
  return SCENE_NAMES[id] ?? id;
}

/** What a surface is called where it is what the picture is about. */
export function keyName({ label, part }: SceneDescription['keys'][number]): string {
  return part === 'litHalf' ? `${label}, its brighter half` : label;
}

/** "whole frame reads EV 15.9; it should be 14.3". */
export function readSentence({ readEv }: PatternAnswer, exposureEv: number, wording: Wording): string {
  return `it gives EV ${wording.ev(readEv)}; EV ${wording.ev(exposureEv)} puts it where you want it`;
}

/** A spot that reads something else as well. */
export function spotWarning({ keyShare }: Pick<PatternAnswer, 'keyShare'>, name: string): string | null {
  if (keyShare === null || keyShare >= ENOUGH_OF_SPOT) return null;
  return `Only ${Math.round(keyShare * 100)} % of the spot is ${name}: it reads what is beside it too. Move it, or go nearer.`;
}

export const KEPT_WORDS: Readonly<Record<ExposureKept, string>> = {
  floating: 'let it read again',
  held: 'half-press kept 5 s',
  locked: 'locked at any moment',
  byHand: 'off the key, set by hand',
};

/** What to do while the light changes, and what each way is worth. */
export function keptSentence(worth: KeptWorth): string {
  const best = adviceOnKeeping(worth);
  if (best === null) return 'Either will do: the ways of keeping the exposure are worth about the same.';
  return `${
    {
      floating: 'Let the meter read again before each frame: what you are after changes with the frame.',
      held: 'Keep the half-press: the frame changes more than what you are after.',
      locked: 'Lock it: the frame changes more than what you are after.',
      byHand: 'Neither lock nor float: read off what you are after, and hold that by hand.',
    }[best]
  }`;
}

export function keptRows(worth: KeptWorth): readonly { readonly name: string; readonly of100: number; readonly isBest: boolean }[] {
  const best = adviceOnKeeping(worth);
  return EXPOSURE_KEPT.map((way) => ({ name: KEPT_WORDS[way], of100: Math.round(100 * worth[way]), isBest: way === best }));
}

/** Mired from which on an eye sees a cast, and one that is meant. */
const SEEN_MIRED = 15;
const STRONG_MIRED = 100;

function castWords(kelvin: number, whiteK: number): string {
  const mired = warmthMired(kelvin, whiteK);
  if (Math.abs(mired) < SEEN_MIRED) return 'neutral';
  const strength = Math.abs(mired) >= STRONG_MIRED ? 'deep ' : '';
  return mired > 0 ? `${strength}amber` : `${strength}blue`;
}

/** What a white balance makes of the lights of a scene: "lamps deep amber, sky neutral". */
export function moodSentence(kelvinByLabel: Readonly<Record<string, number>>, labels: readonly string[], whiteK: number): string {
  const said = labels.flatMap((label) => {
    const kelvin = kelvinByLabel[label];
    return kelvin === undefined ? [] : [`${label} (${kelvin} K) ${castWords(kelvin, whiteK)}`];
  });
  const daylight = `daylight ${castWords(5500, whiteK)}`;
  return `${[...new Set([...said, daylight])].slice(0, 4).join(', ')}.`;
}
