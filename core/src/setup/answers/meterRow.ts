import {
  answerOf,
  DIAL_RANGE_EV,
  dialled,
  digitalMedium,
  type KeyOnMap,
  keyOnMap,
  keyToneOf,
  mapSizeOf,
  type Medium,
  type MeteredFrame,
  paintScene,
  type PatternAnswer,
  prepareMap,
  rollMedium,
  type SceneDescription,
  sceneOfStop,
  SMALL_MAP,
  spotOn,
  toneHistogram,
} from '../../metering/index.js';
import type { Body, MeterPattern } from '../../kit/index.js';
import { DEFAULT_METERING } from '../../stop/index.js';
import { frameOf, type SetUpInput } from '../question/searchInput.js';
import type { Scene } from '../scene/scene.js';
import type { SetUp, Why } from '../search/setUp.js';

/** The pattern that people leave the body on: the whole frame where it has it. */
function patternOf({ meterPatterns }: Body): MeterPattern {
  return meterPatterns.includes('wholeFrame') ? 'wholeFrame' : (meterPatterns[0] ?? 'wholeFrame');
}

/** What the picture is taken on: the roll, or the file that the stop's metering is for, at the base. */
export function mediumOf({ body, film, meteredOn = DEFAULT_METERING.on }: Pick<SetUpInput, 'body' | 'film' | 'meteredOn'>): Medium {
  return film === null ? digitalMedium(body, meteredOn, body.baseIso) : rollMedium(film);
}

/** The key as the light says it, where people stand before all of it. */
function hiddenKey({ light }: SetUpInput, { keys, focus }: SceneDescription): KeyOnMap {
  return { readEv: light.keyEv100, exposureEv: light.keyEv100 - keys[0].tone, share: 0, at: focus, has: () => false };
}

interface Metered {
  /** Whether the frame was known cell by cell; else it was painted from the light alone. */
  readonly isSeen: boolean;
  readonly isKeyInFrame: boolean;
  readonly answer: PatternAnswer;
  readonly keyReadEv: number;
  readonly keyShare: number;
  readonly beyondWhite: number;
  readonly beyondBlack: number;
}

function meter(input: SetUpInput): Metered {
  const frame = frameOf(input);
  const scene = sceneOfStop(frame);
  const map = prepareMap(paintScene(scene, mapSizeOf(frame, SMALL_MAP.height)));
  const key = keyOnMap(map, scene.keys[0]) ?? hiddenKey(input, scene);
  const medium = mediumOf(input);
  const school = input.placing ?? DEFAULT_METERING.school;
  const pattern = patternOf(input.body);
  const at = pattern === 'spot' ? spotOn(map, key) : scene.focus;
  const answer = answerOf(map, key, { pattern, at, body: input.body, school, medium });
  const { beyondWhite, beyondBlack } = toneHistogram(map.histogram, medium, key.exposureEv);
  const found = { keyReadEv: key.readEv, keyShare: key.share, beyondWhite, beyondBlack };
  return { isSeen: false, isKeyInFrame: true, answer, ...found };
}

/** On a frame that is known; for a key of which nothing is in it, the light's. */
function meterSeen(input: SetUpInput, seen: MeteredFrame): Metered {
  const { body, light } = input;
  const medium = mediumOf(input);
  const pattern = patternOf(body);
  const its = seen.patterns.find((one) => one.pattern === pattern) ?? (seen.patterns[0] as MeteredFrame['patterns'][number]);
  const keyReadEv = seen.key?.readEv ?? light.keyEv100;
  const exposureEv = seen.key?.exposureEv ?? light.keyEv100 - keyToneOf(input.intent);
  const compensationEv = its.readEv - exposureEv;
  const school = input.placing ?? DEFAULT_METERING.school;
  const dial = dialled(compensationEv, { school, medium, step: body.markStep, rangeEv: DIAL_RANGE_EV });
  const { beyondWhite, beyondBlack } = toneHistogram(seen.histogram, medium, exposureEv);
  return {
    ...{ isSeen: true, isKeyInFrame: seen.key !== null, keyReadEv, keyShare: seen.key?.share ?? 0, beyondWhite, beyondBlack },
    answer: { pattern: its.pattern, readEv: its.readEv, compensationEv, dial, keyShare: its.keyShare },
  };
}

/** A stop's frame is painted and metered once for its light, whatever set-ups are looked at. */
const known = new WeakMap<Scene, Metered>();

function meteredOf(scene: Scene): Metered {
  const before = known.get(scene);
  if (before !== undefined) return before;
  const metered = meter(scene.input);
  known.set(scene, metered);
  return metered;
}

function whyMeter({ keyToneEv }: Scene, metered: Metered): Why {
  const { isSeen, answer, keyReadEv, keyShare, beyondWhite, beyondBlack } = metered;
  const spot =
    answer.keyShare === null ? [] : [{ label: 'of the spot that is key', value: answer.keyShare, unit: 'percent' as const }];
  return {
    formula:
      (isSeen
        ? 'What the frame will see from where you stand, by footprints, heights and light, read by the body’s pattern; '
        : 'The frame of this stop, painted from its light, its zone and its lens, read by the body’s pattern; ') +
      'compensation = what the pattern gives − (what the key reads − the tone it should have), rounded to the body’s marks as ' +
      'your approach asks.',
    inputs: [
      { label: 'the key reads', value: keyReadEv, unit: 'ev' },
      { label: 'it lands from mid-grey', value: keyToneEv, unit: 'stops' },
      { label: 'the pattern gives', value: answer.readEv, unit: 'ev' },
      { label: 'compensation, unrounded', value: answer.compensationEv, unit: 'stops' },
      { label: 'the key’s share of the frame', value: keyShare, unit: 'percent' },
      ...spot,
      { label: 'lost in white', value: beyondWhite, unit: 'percent' },
      { label: 'lost in black', value: beyondBlack, unit: 'percent' },
    ],
    source: `patterns on a map of the stop’s own frame (docs/formulas.md, ${isSeen ? 'The key of a view' : 'Meter row'})`,
  };
}

/**
 * The card's meter row: the compensation of the body's pattern on the view from where one stands, where that is known; else on a
 * frame painted from the light.
 */
export function meterOf(scene: Scene, seen: MeteredFrame | null = null): SetUp['meter'] {
  const { input, controls, keyToneEv } = scene;
  const metered = seen === null ? meteredOf(scene) : meterSeen(input, seen);
  const { dial, pattern } = metered.answer;
  const byHand = controls.mode === 'nothingFloats' || (controls.mode === 'isoFloats' && !input.body.compensationWhenBothHeld);
  return {
    pattern,
    compensationEv: dial.kind === 'dial' ? dial.ev : null,
    keyPlacementEv: keyToneEv,
    isKeyInFrame: metered.isKeyInFrame,
    limit: byHand ? 'byHand' : dial.kind === 'byHand' ? 'beyondDial' : 'keyTone',
    why: whyMeter(scene, metered),
  };
}
