import { BODY } from '../../../reference/sampleKit.js';
import { sampleStop } from '../../../reference/sampleStops.js';
import { autoExposure } from '../../exposure/index.js';
import { DEFAULT_APPROACH, DEFAULT_INTENTS, DEFAULT_SHOOTING } from '../../stop/index.js';
import {
  cameraResponse,
  type GridCell,
  evaluationAt,
  flickerAdvice,
  passersAt,
  placeOfHand,
  prepareSearch,
  searchAt,
} from '../index.js';

const HAND = { fNumber: 2 ** (17 / 6), focusM: 3, shutterS: 2 ** -9, iso: null, support: 'handheld' as const };

describe('the camera’s response', () => {
  const input = sampleStop(DEFAULT_INTENTS.passingCandid, 11);
  const scene = prepareSearch(input);
  const place: GridCell = placeOfHand(scene, HAND);
  const evs = [-1, 3, 6, 9, 11, 14, 18];

  it('is what autoExposure sets at each EV', () => {
    for (const point of cameraResponse(scene, place, evs)) {
      const { iso, shutterS, errorEv } = autoExposure({
        mode: 'aperturePriority',
        sceneEv100: point.ev100,
        fNumber: HAND.fNumber,
        slowestAutoShutterS: HAND.shutterS,
        isoBase: 100,
        isoCeiling: 6400,
        body: { fastestShutterS: 2 ** -12, slowestShutterS: 32, widestFNumber: 2, smallestFNumber: 16, atCeiling: 'slowerShutter' },
      });
      expect(point.iso).toBeCloseTo(iso, 6);
      expect(point.shutterS).toBeCloseTo(shutterS, 9);
      expect(point.errorEv).toBeCloseTo(errorEv, 9);
    }
  });
  it('falls short by a stop an EV once the time is held and ISO has run out', () => {
    const held = prepareSearch({ ...input, approach: { ...DEFAULT_APPROACH, exposure: 'bothHeld' } });
    const [low, lower] = cameraResponse(held, placeOfHand(held, HAND), [6, 5]);
    // ISO 6400 at f/7.1 and 1/512 is EV log2(50.8·512/64) = 8.667.
    expect(low?.errorEv).toBeCloseTo(6 - 8.667, 3);
    expect((low?.errorEv ?? 0) - (lower?.errorEv ?? 0)).toBeCloseTo(1, 9);
  });
});

describe('under pulsing lamps', () => {
  const under = (lamp: 'poorLed' | 'goodLed' | 'steady', readoutS: number | null = 0.02) =>
    flickerAdvice(
      sampleStop(DEFAULT_INTENTS.litStreet, 5, { shooting: { ...DEFAULT_SHOOTING, lamp }, body: { ...BODY, readoutS } }),
    );
  it('whole periods of 1/100 s are safe, and all from 1/30 on', () => {
    // m 0.8, 100 Hz: at 1/102 s r = 0.8·0.0493/3.092 = 0.0128, 0.04 stops; at 1/64 0.160, 0.47; at 1/40 0.103, 0.30; at 1/32 0.09.
    const advice = under('poorLed');
    const isSafe = (log2S: number): boolean => advice?.safeS.some((time) => Math.abs(Math.log2(time) - log2S) < 1e-6) ?? false;
    expect([-7, -20 / 3, -19 / 3, -6, -17 / 3, -16 / 3, -5, -14 / 3].map(isSafe)).toEqual([
      false,
      true,
      false,
      false,
      true,
      false,
      true,
      true,
    ]);
    expect(advice?.allSafeFromS).toBeCloseTo(1 / 32, 9);
    // 100 Hz x 20 ms.
    expect(advice?.bands).toBeCloseTo(2, 9);
  });
  it('good lamps are safe at any time, and steady ones are no matter', () => {
    expect(under('goodLed')?.allSafeFromS).toBeCloseTo(2 ** -12, 9);
    expect(under('goodLed', null)?.bands).toBeNull();
    expect(under('steady')).toBeNull();
  });
});

describe('the passers on the ground', () => {
  const scene = prepareSearch(sampleStop(DEFAULT_INTENTS.passingCandid, 11));
  const found = evaluationAt(searchAt(scene, 11), placeOfHand(scene, HAND));
  const passers = passersAt(scene, found, 4000);

  it('are the same every time, and as many as asked for', () => {
    expect(passersAt(scene, found, 12)).toEqual(passers.slice(0, 12));
    expect(passersAt(scene, found, 0)).toEqual([]);
  });
  it('are good as often as depth and movement together say', () => {
    const share = passers.filter(({ isGood }) => isGood).length / passers.length;
    expect(Math.abs(share - found.factors.depthAndMotion)).toBeLessThan(0.01);
  });
  it('have the least blur where the focus is', () => {
    const near3 = passers.filter(({ distanceM }) => Math.abs(distanceM - 3) < 0.02);
    expect(near3.length).toBeGreaterThan(20);
    // f/7.1: 0.0067 mm of diffraction, and hardly any defocus within 2 cm.
    expect(near3.every(({ defocusMm }) => defocusMm > 0.0066 && defocusMm < 0.0075)).toBe(true);
    expect(passers.every(({ blurMm, defocusMm, smearMm }) => blurMm >= Math.max(defocusMm, smearMm))).toBe(true);
  });
});
