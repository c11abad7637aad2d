import { BODY, FILM_400, FILM_BODY } from '../../../reference/sampleKit.js';
import { sampleStop } from '../../../reference/sampleStops.js';
import { DEFAULT_APPROACH, DEFAULT_INTENTS, DEFAULT_SHOOTING } from '../../stop/index.js';
import type { SetUpInput } from '../question/searchInput.js';
import { checklistOf } from './checklist.js';
import { dialCard } from './dialCard.js';
import { filmStopOf } from './filmStop.js';

const listOf = (input: SetUpInput) => checklistOf(input, dialCard(input).setUp);
const onTripod = { ...DEFAULT_APPROACH, exposure: 'baseIsoLong', support: 'tripod' } as const;

describe('the checks of a stop', () => {
  it('are none for somebody passing in the street', () =>
    expect(listOf(sampleStop(DEFAULT_INTENTS.passingCandid, 11))).toEqual([]));
  it('of water from a tripod: remote, stabiliser off, finder covered', () => {
    const water = sampleStop({ kind: 'longExposure', of: 'water', wantedS: 4 }, 3, { approach: onTripod });
    expect(listOf(water)).toEqual(['remote', 'stabiliserOff', 'coverFinder']);
  });
  it('of fireworks: the lens covered between bursts', () => {
    expect(listOf(sampleStop(DEFAULT_INTENTS.fireworks, 0, { approach: onTripod }))).toContain('coverBetween');
  });
  it('of a sheet of film: its slide; of film past its threshold: the time that it needs', () => {
    const sheet = { ...FILM_BODY, sensorWidthMm: 120, sensorHeightMm: 96, slowestShutterS: 60 };
    const approach = { ...DEFAULT_APPROACH, exposure: 'film', support: 'tripod' } as const;
    const list = listOf(
      sampleStop({ kind: 'longExposure', of: 'water', wantedS: 8 }, 0, { body: sheet, film: FILM_400, approach }),
    );
    expect(list).toEqual(expect.arrayContaining(['darkSlide', 'reciprocity']));
  });
  it('under pulsing lamps: the mechanical shutter, where the body has another', () => {
    const pulsing = { shooting: { ...DEFAULT_SHOOTING, lamp: 'poorLed' as const } };
    expect(listOf(sampleStop(DEFAULT_INTENTS.passingCandid, 11, { ...pulsing, body: { ...BODY, readoutS: 0.02 } }))).toEqual([
      'mechanicalShutter',
    ]);
  });
});

describe('a stop as a roll of film sees it', () => {
  const stop = filmStopOf('one', sampleStop(DEFAULT_INTENTS.passingCandid, 11, { body: FILM_BODY, film: FILM_400 }), {
    lowEv: 10,
    highEv: 12,
  });
  it('has the apertures that hold the depth, and the times that hands and walkers bear', () => {
    expect(Math.min(...stop.fNumbers)).toBeGreaterThan(2.8);
    const all = dialCard(sampleStop(DEFAULT_INTENTS.passingCandid, 11, { body: FILM_BODY, film: FILM_400 })).setUp;
    const limitS = Math.min(all.shutter.motionLimitS, all.shutter.shakeLimitS);
    expect(Math.max(...stop.shuttersS)).toBeLessThanOrEqual(limitS * 1.02);
    expect(stop).toMatchObject({ id: 'one', lowEv: 10, highEv: 12 });
  });
  it('is the light less the tone of the key', () => {
    const pool = filmStopOf('pool', sampleStop(DEFAULT_INTENTS.lightPool, 14, { body: FILM_BODY, film: FILM_400 }), {
      lowEv: 14,
      highEv: 15,
    });
    expect(pool.lowEv).toBeCloseTo(14 - 2 / 3, 9);
  });
});
