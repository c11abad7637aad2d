import { BODY, LENS_28 } from '../../../reference/sampleKit.js';
import { METER_PATTERNS, type MeterPattern } from '../../kit/index.js';
import { DEFAULT_INTENTS, type Intent, type IntentKind } from '../../stop/index.js';
import { mixedLightOf } from '../changing/mixedLight.js';
import { paintScene } from '../map/paintScene.js';
import { answerOf } from '../patterns/compensation.js';
import { keyOnMap, spotOn } from '../patterns/keyOnMap.js';
import { prepareMap } from '../patterns/prepareMap.js';
import { type FrameLight, type FrameOfStop, mapSizeOf } from './frameOfStop.js';
import { sceneOfStop } from './ofStop.js';

/** Noon in a sunny street, its shade, and the street at night; the key is put where the case says. */
const SUNNY = {
  contrastEv: 4,
  shadeEv: 11,
  litGroundEv: 15,
  litPersonEv: 15,
  cameraSideEv: 10.5,
  skyEv: 14,
  isLit: true,
  lampsOn: false,
};
const SHADED = { ...SUNNY, contrastEv: 0, litGroundEv: 11, litPersonEv: 11, isLit: false };
const NIGHT = { ...SHADED, shadeEv: 4, litGroundEv: 4, litPersonEv: 4, cameraSideEv: 3, skyEv: -2, lampsOn: true };

function frame(intent: Intent, keyEv100: number, surface: FrameLight['surface'], light: Partial<FrameLight> = SHADED): FrameOfStop {
  return {
    intent,
    light: { contrastEv: 0, ...light, keyEv100, surface },
    subject: { medianM: 4 },
    focalLengthMm: LENS_28.shortestMm,
    body: BODY,
  };
}

function compensation(of: FrameOfStop, pattern: MeterPattern = 'wholeFrame'): number {
  const scene = sceneOfStop(of);
  const map = prepareMap(paintScene(scene, mapSizeOf(of, 136)));
  const key = keyOnMap(map, scene.keys[0]);
  if (key === null) throw new Error(of.intent.kind);
  const at = pattern === 'spot' ? spotOn(map, key) : scene.focus;
  return answerOf(map, key, { pattern, at, body: BODY, school: 'hold', medium: { kind: 'raw' } }).compensationEv;
}

const silhouette = (background: 'sky' | 'screen', brightShare: number): Intent => ({ kind: 'silhouette', background, brightShare });

describe('the scene of a stop', () => {
  // Signs and sizes by intent, as a practitioner dials them for the whole frame.
  it.each<[string, FrameOfStop, number, number]>([
    ['somebody in an even street, the sky in the frame', frame(DEFAULT_INTENTS.passingCandid, 11, 'cameraSide'), -0.2, 1],
    ['a pool of 8 % in the shade', frame({ kind: 'lightPool', brightShare: 0.08 }, 15, 'litPerson', SUNNY), -3, -1],
    ['a pool of 40 %', frame({ kind: 'lightPool', brightShare: 0.4 }, 15, 'litPerson', SUNNY), -0.8, 0.1],
    ['a silhouette before the sky', frame(silhouette('sky', 0.6), 14, 'sky'), -0.4, 0.5],
    ['a screen of 15 % of the frame', frame(silhouette('screen', 0.15), 8, 'screen', NIGHT), -2.2, -1],
    ['a screen of 60 %', frame(silhouette('screen', 0.6), 8, 'screen', NIGHT), -0.1, 0.9],
    ['ground against the sun', frame(DEFAULT_INTENTS.intoTheSun, 14, 'litGround', { ...SUNNY, skyEv: 17 }), 0.4, 3.5],
    ['a lit street at night, lamps burnt', frame(DEFAULT_INTENTS.litStreet, 4, 'lamps', NIGHT), -2.5, -0.3],
    ['a pale façade that fills the frame', frame({ kind: 'facade', tone: 'pale' }, 14, 'litWall', SUNNY), 0.7, 1.6],
    ['a dark one', frame({ kind: 'facade', tone: 'dark' }, 14, 'litWall', SUNNY), -1.8, -0.7],
    ['the sky over a dusky street', frame(DEFAULT_INTENTS.flashLift, 6, 'sky', { ...NIGHT, skyEv: 6, lampsOn: false }), -2.5, -0.6],
  ])('%s', (_, of, least, most) => {
    const found = compensation(of);
    expect([found >= least, found <= most, found]).toEqual([true, true, found]);
  });
  it('asks of a spot on its key for no more than the key’s tone', () => {
    expect(compensation(frame({ kind: 'lightPool', brightShare: 0.2 }, 15, 'litPerson', SUNNY), 'spot')).toBeCloseTo(2 / 3, 1);
    expect(compensation(frame(silhouette('screen', 0.6), 8, 'screen', NIGHT), 'spot')).toBeCloseTo(1, 1);
  });
  it('asks for the same at any hour when all of its light moves together', () => {
    const at = (shift: number) =>
      frame(DEFAULT_INTENTS.passingCandid, 9 + shift, 'cameraSide', {
        ...SHADED,
        modelEv100: 9,
        shadeEv: 9,
        cameraSideEv: 8,
        skyEv: 12,
      });
    expect(compensation(at(-3))).toBeCloseTo(compensation(at(0)), 2);
  });
  it('has the sky that there is, lamps by day or not', () => {
    const withLamps = (lampsOn: boolean) => frame(DEFAULT_INTENTS.passingCandid, 11, 'cameraSide', { ...SHADED, lampsOn });
    expect(compensation(withLamps(true))).toBe(compensation(withLamps(false)));
    expect(sceneOfStop(withLamps(true)).kelvin).toEqual(sceneOfStop(withLamps(false)).kelvin);
  });
  it('is made of the light and the contrast alone where no more is known', () => {
    const lit = { contrastEv: 3 };
    const pool = frame({ kind: 'lightPool', brightShare: 0.15 }, 14, 'litPerson', lit);
    expect(compensation(pool)).toBeLessThan(-0.7);
  });
  it.each(Object.keys(DEFAULT_INTENTS) as IntentKind[])(
    'of %s has its key in the frame, at any focal length and distance',
    (kind) => {
      for (const focalLengthMm of [16, 50, 200]) {
        for (const medianM of [0.6, 3, 60]) {
          const of = { ...frame(DEFAULT_INTENTS[kind], 8, 'shade'), focalLengthMm, subject: { medianM } };
          const scene = sceneOfStop(of);
          const map = prepareMap(paintScene(scene, { width: 102, height: 68 }));
          const key = keyOnMap(map, scene.keys[0]);
          expect([focalLengthMm, medianM, (key?.share ?? 0) > 0]).toEqual([focalLengthMm, medianM, true]);
          for (const pattern of METER_PATTERNS) expect(Number.isFinite(compensation(of, pattern))).toBe(true);
        }
      }
    },
  );
  it('has the changing light of its own: the screen whole, the person beside a cloud’s edge in part', () => {
    const screen = mixedLightOf(sceneOfStop({ ...frame(silhouette('screen', 0.6), 8, 'screen', NIGHT), changes: 'screen' }));
    expect((screen?.key.changing ?? 0) / (screen?.key.steady ?? 1)).toBeGreaterThan(10);
    const cloud = mixedLightOf(sceneOfStop({ ...frame(DEFAULT_INTENTS.passingCandid, 11, 'cameraSide'), changes: 'clouds' }));
    // 2^1.8 − 1 of what is there without it.
    expect((cloud?.key.changing ?? 0) / (cloud?.key.steady ?? 1)).toBeCloseTo(2 ** 1.8 - 1, 3);
  });
});
