import type { SetUpInput } from '../question/searchInput.js';
import { shootingOf } from '../question/searchInput.js';
import type { SetUp } from '../search/setUp.js';

/** What a frame fails by where it is forgotten. */
export const CHECKS = [
  'remote',
  'stabiliserOff',
  'coverBetween',
  'coverFinder',
  'darkSlide',
  'reciprocity',
  'mechanicalShutter',
  'flashReady',
  'levelled',
] as const;
export type Check = (typeof CHECKS)[number];

/** From this time on a finger on the button shakes a camera that stands, and light through the finder tells. */
const FINGER_SHAKES_S = 1 / 60;
const LONG_S = 1;
/** Film wider than this is carried in a back with a slide. */
const SLIDE_FROM_MM = 50;

/** What to see to before the frames of a stop, made from its own case; empty where there is nothing. */
export function checklistOf(
  input: SetUpInput,
  { support, shutter, flash }: Pick<SetUp, 'support' | 'shutter' | 'flash'>,
): readonly Check[] {
  const { intent, body, lens, film } = input;
  const stands = support === 'tripod';
  const isLong = shutter.seconds >= LONG_S || intent.kind === 'fireworks';
  const applies: Readonly<Record<Check, boolean>> = {
    remote: stands && (shutter.seconds >= FINGER_SHAKES_S || isLong),
    stabiliserOff: stands && Math.max(body.stabiliserStops, lens.stabiliserStops) > 0,
    coverBetween: intent.kind === 'fireworks',
    coverFinder: stands && isLong,
    darkSlide: body.medium === 'film' && body.sensorWidthMm > SLIDE_FROM_MM,
    reciprocity: film !== null && shutter.seconds > film.reciprocityThresholdS,
    mechanicalShutter: body.readoutS !== null && shootingOf(input).lamp !== 'steady',
    flashReady: flash !== null,
    levelled: intent.kind === 'facade' || intent.kind === 'reflection',
  };
  return CHECKS.filter((check) => applies[check]);
}
