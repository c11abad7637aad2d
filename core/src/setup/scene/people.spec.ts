import { BODY, FILM_400, FILM_BODY, FLASH_20, LENS_28, STANDARD } from '../../../reference/sampleKit.js';
import { sampleStop } from '../../../reference/sampleStops.js';
import {
  DEFAULT_APPROACH,
  DEFAULT_INTENTS,
  DEFAULT_SHOOTING,
  INTENT_KINDS,
  type IntentKind,
  type Shooting,
} from '../../stop/index.js';
import { compareApproaches, dialCard, lightLadder, searchSetUp, type SetUpInput, waysOut } from '../index.js';

/** A person who reads the answers aloud, and would say so if one of them were foolish. */

const LIGHTS = [-2, 1, 4, 7, 10, 13, 16];
const stop = (kind: IntentKind, keyEv100: number, over: Partial<SetUpInput> = {}): SetUpInput =>
  sampleStop(DEFAULT_INTENTS[kind], keyEv100, over);
const shot = (kind: IntentKind, keyEv100: number, shooting: Partial<Shooting>, over: Partial<SetUpInput> = {}): number =>
  searchSetUp(stop(kind, keyEv100, { shooting: { ...DEFAULT_SHOOTING, ...shooting }, ...over })).best.chance;

describe.each(INTENT_KINDS)('%s, from night to glare', (kind) => {
  it.each(LIGHTS)('at EV %d has chances between 0 and 1 and marks of its kit', (keyEv100) => {
    const { setUp } = dialCard(stop(kind, keyEv100));
    const { chance, factors, hand, camera } = setUp.found;
    for (const share of [chance, ...Object.values(factors)]) {
      expect(share).toBeGreaterThanOrEqual(0);
      expect(share).toBeLessThanOrEqual(1);
    }
    expect(hand.fNumber).toBeGreaterThanOrEqual(2 * 0.999);
    expect(hand.fNumber).toBeLessThanOrEqual(16 * 1.001);
    expect(camera.iso).toBeGreaterThanOrEqual(100 * 0.999);
    expect(camera.iso).toBeLessThanOrEqual(6400 * 1.001);
    expect(Number.isFinite(camera.shutterS + camera.errorEv + setUp.iso.expected)).toBe(true);
  });
});

describe('what helps and what hurts', () => {
  it('more light never lowers the best chance of a candid, by night and by day', () => {
    const chances = LIGHTS.map((keyEv100) => searchSetUp(stop('passingCandid', keyEv100)).best.chance);
    for (let k = 1; k < chances.length; k++) expect(chances[k] as number).toBeGreaterThanOrEqual((chances[k - 1] as number) - 1e-9);
  });
  it('a burst saves shaken frames, and walking costs some', () => {
    const shaky = { body: { ...BODY, stabiliserStops: 0 }, standard: { ...STANDARD, steadinessStops: -2 } };
    const [one, five, walking] = [
      shot('facade', 3, {}, shaky),
      shot('facade', 3, { burstFrames: 5 }, shaky),
      shot('facade', 3, { isWalking: true }, shaky),
    ];
    expect(five).toBeGreaterThan((one ?? 0) + 0.02);
    expect(walking).toBeLessThan((one ?? 0) - 0.02);
  });
  it('poor lamps cost where the walkers need a fast shutter, and wanting the glitch gives it back', () => {
    const [steady, poor, wanted] = [
      shot('silhouette', 8, {}),
      shot('silhouette', 8, { lamp: 'poorLed' }),
      shot('silhouette', 8, { lamp: 'poorLed', wantsGlitch: true }),
    ];
    expect(poor).toBeLessThan((steady ?? 0) - 0.05);
    expect(wanted).toBeCloseTo(steady ?? 0, 9);
  });
  it('a smear that is wanted is found at slow times, one that is not at fast ones', () => {
    const time = (smear: Shooting['smear']): number =>
      searchSetUp(
        stop('passingCandid', 11, {
          shooting: { ...DEFAULT_SHOOTING, smear },
          approach: { ...DEFAULT_APPROACH, exposure: 'bothHeld' },
        }),
      ).best.camera.shutterS;
    expect(time('strict')).toBeLessThan(time('loose'));
    expect(time('loose')).toBeLessThan(time('wanted'));
  });
  it('a guess of the spot’s distance costs against a measured one', () => {
    const locked = {
      approach: { ...DEFAULT_APPROACH, focus: 'lockedOnSpot' as const },
      standard: { ...STANDARD, guessSpread: 0.4 },
    };
    expect(shot('passingCandid', 6, { spotByEye: true }, locked)).toBeLessThan(shot('passingCandid', 6, {}, locked) - 0.02);
  });
});

describe('kit that is short of something', () => {
  it('no flash: says so, and offers no lift as a way out', () => {
    const card = dialCard(stop('flashLift', 7, { flash: null }));
    expect(card).toMatchObject({ kind: 'cannot', obstacle: { kind: 'noFlash' } });
    const ways = waysOut(stop('passingCandid', 3, { flash: null }), [LENS_28]);
    expect(ways.map(({ way }) => (way.kind === 'intent' ? way.intent : way.kind))).not.toContain('flashLift');
  });
  it('a flash too weak: says how far it reaches', () => {
    const far = { nearM: 20, farM: 60, medianM: 40, spread: 0.1 };
    const card = dialCard(stop('flashLift', 6, { flash: { ...FLASH_20, guideNumberM: 4 }, subject: far }));
    expect(card.kind === 'cannot' && card.obstacle.kind).toBe('flashTooWeak');
  });
  it('a roll: has no ISO to raise, in the ladder or as a way out', () => {
    const film = stop('passingCandid', 9, { body: FILM_BODY, film: FILM_400 });
    const ladder = lightLadder(film);
    expect(ladder.rungs.every(({ changes }) => changes.every(({ control }) => control !== 'iso'))).toBe(true);
    expect(ladder.rungs.every(({ setUp }) => Math.abs(setUp.camera.iso - 400) < 1e-6)).toBe(true);
    expect(waysOut(film, [LENS_28]).map(({ way }) => way.kind)).not.toContain('isoCeiling');
  });
  it('a lens with one aperture: everything still answers', () => {
    const only = { ...LENS_28, widest: [{ focalLengthMm: 28, fNumber: 8 }], smallestFNumber: 8 };
    const found = searchSetUp(stop('passingCandid', 12, { lens: only }));
    expect(found.best.hand.fNumber).toBe(8);
    expect(found.sides.apertureLower).toEqual({ kind: 'end', at: 8, steps: 0 });
    expect(compareApproaches(stop('passingCandid', 12, { lens: only }))).toHaveLength(15);
  });
});
