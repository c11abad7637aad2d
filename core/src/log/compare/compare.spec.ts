import { BODY } from '../../../reference/sampleKit.js';
import { seeded } from '../../metering/index.js';
import type { Moment } from '../../outing/index.js';
import { type Approach, DEFAULT_APPROACH, DEFAULT_INTENTS } from '../../stop/index.js';
import { frameFacts, type LogFrame, type LogStay, type PlacedFrame, type WalkLog } from '../frames/index.js';
import { againstCard, expectedGood } from './againstCard.js';
import { frameMeant } from './meant.js';
import { chanceOfSoMany, missesOf } from './misses.js';
import { departures, wideDepartures } from './plannedAgainstUsed.js';

const card: Moment = {
  keyEv100: 12,
  readingOffsetEv: 0,
  fNumber: 8,
  focusM: 3,
  shutterS: 1 / 250,
  iso: 400,
  pattern: 'wholeFrame',
  compensationEv: -1 / 3,
  support: 'handheld',
  lensId: null,
  focalLengthMm: 28,
  chance: 0.9,
};

describe('what was used against the card', () => {
  it('is told in stops of exposure, more being plus', () => {
    const used = frameFacts({
      FNumber: 5.6568542,
      ExposureTime: 1 / 125,
      ISO: 100,
      ExposureCompensation: -1 / 3,
      SubjectDistance: 6,
    });
    expect(departures(used, card)).toEqual([
      { what: 'shutter', stops: expect.closeTo(1, 6) },
      { what: 'aperture', stops: expect.closeTo(1, 6) },
      { what: 'iso', stops: expect.closeTo(-2, 6) },
      { what: 'compensation', stops: expect.closeTo(0, 6) },
      { what: 'focus', stops: expect.closeTo(1, 6) },
    ]);
  });

  it('leaves out what a frame does not say, and what is a third off or less', () => {
    // f/7.1 for f/8 is 0.34 stops, 1/30 for 1/250 is 3.06.
    const used = frameFacts({ FNumber: 7.1, ExposureTime: 1 / 30 });
    expect(departures(used, card).map(({ what }) => what)).toEqual(['shutter', 'aperture']);
    expect(wideDepartures(used, card)).toEqual([{ what: 'shutter', stops: expect.closeTo(3.059, 3) }]);
  });
});

describe('good ones that chance allows', () => {
  it('of frames alike are those of the binomial distribution', () => {
    // 10 at ½: 0.0107 up to 1, 0.0547 up to 2; 0.9453 up to 7, 0.9893 up to 8.
    expect(expectedGood(Array.from({ length: 10 }, () => 0.5))).toEqual({ mean: 5, low: 2, high: 8 });
  });

  it('of sure ones is all, of hopeless ones none, and of none nothing', () => {
    expect(expectedGood([1, 1, 0])).toEqual({ mean: 2, low: 2, high: 2 });
    expect(expectedGood([])).toEqual({ mean: 0, low: 0, high: 0 });
  });
});

const stay: LogStay = {
  stopId: 's',
  name: 's',
  intent: DEFAULT_INTENTS.passingCandid,
  position: null,
  fromMs: 0,
  toMs: 1,
  cards: [{ atMs: 0, moment: card }],
};

let count = 0;
const placed = (over: Partial<LogFrame>): PlacedFrame => ({
  frame: {
    id: `f${count++}`,
    logId: 'log',
    source: { kind: 'file', name: 'A.JPG', bytes: 1 },
    ...frameFacts({}),
    placedByHand: null,
    verdict: null,
    sight: null,
    subjectAt: null,
    ...over,
  },
  atMs: 0,
  stay,
  by: 'time',
});

describe('the light of a stop by its frames', () => {
  // f/8, 1/250, ISO 100 is EV 6 + 7.966 = 13.966. The card's scene is 12 − 0 − ⅓ = 11.667.
  const sunny = { fNumber: 8, shutterS: 1 / 250, iso: 100 };

  it('is where their middle tones came out, against where the card had them', () => {
    const toned = (midToneEv: number): PlacedFrame => placed({ ...sunny, sight: { looksLike: 'good', confidence: 1, midToneEv } });
    const { light } = againstCard([toned(-2.2), toned(-2), toned(-2), toned(-1.8), toned(1)]);
    expect(light).toEqual({
      offsetEv: expect.closeTo(13.966 - 2 - 11.667, 2),
      spreadEv: expect.closeTo(1.4826 * 0.2, 3),
      // 1.2533 · 0.2965 / √5 is 0.17.
      isSure: true,
      frames: 5,
    });
  });

  it('is not to go by where they lie too far apart', () => {
    const toned = (midToneEv: number): PlacedFrame => placed({ ...sunny, sight: { looksLike: 'good', confidence: 1, midToneEv } });
    // Their middle distance is 2: 1.2533 · 2.965 / √5 is 1.66.
    expect(againstCard([-4, -2, 0, 2, 4].map(toned)).light?.isSure).toBe(false);
  });

  it('is where the dial put them, of frames that nobody looked at; and two frames say nothing', () => {
    const dialled = (): PlacedFrame => placed({ ...sunny, compensationEv: -1 });
    expect(againstCard([dialled(), dialled(), dialled()]).light?.offsetEv).toBeCloseTo(13.966 - 1 - 11.667, 2);
    expect(againstCard([dialled(), dialled()]).light).toBeNull();
  });
});

const walkOf = (frames: readonly PlacedFrame[]): Parameters<typeof missesOf>[0] => [
  { log: { timeZone: 'Atlantic/Azores' }, placed: frames },
];

describe('what was meant', () => {
  const log = { cameras: [{ name: 'One', bodyId: BODY.id, shiftS: 0, shiftBy: 'typed' }] } as unknown as WalkLog;
  const approach: Approach = { ...DEFAULT_APPROACH, depth: 'isolating' };

  it('is what the card of its stop says, on the sensor of its body', () => {
    const one = placed({ bodyName: 'One' });
    // 36 × 24.
    expect(frameMeant([BODY], log, { ...one, stay: { ...stay, approach } })).toEqual({
      depth: 'isolating',
      focusM: 3,
      sensorDiagonalMm: expect.closeTo(43.267, 3),
    });
  });

  it('is nothing between the stops, with a camera that is none of the kit', () => {
    expect(frameMeant([BODY], log, { ...placed({ bodyName: 'Another' }), stay: null })).toEqual({
      depth: 'free',
      focusM: null,
      sensorDiagonalMm: null,
    });
  });
});

describe('what spoilt frames', () => {
  it('falls into a stretch by chance as seldom as the hypergeometric tail says', () => {
    // 5 misses among 20, all of them in a stretch of 5: 1 of 15,504.
    expect(chanceOfSoMany(20, 5, 5, 5)).toBeCloseTo(1 / 15_504, 9);
    // At least none is sure.
    expect(chanceOfSoMany(20, 5, 5, 0)).toBeCloseTo(1, 9);
  });

  it('is told of where it lies together, and nowhere else', () => {
    const slow = Array.from({ length: 10 }, (_, k) => placed({ shutterS: 1 / 60, verdict: k < 8 ? 'moved' : 'good' }));
    const fast = Array.from({ length: 20 }, (_, k) => placed({ shutterS: 1 / 500, verdict: k < 2 ? 'shake' : 'good' }));
    const found = missesOf(walkOf([...slow, ...fast, placed({ verdict: null })]));
    expect([found.decided, found.misses]).toEqual([30, 10]);
    expect(found.causes.map(({ cause, misses, share }) => [cause, misses, share])).toEqual([
      ['moved', 8, 0.8],
      ['shake', 2, 0.2],
    ]);
    expect(found.causes[0]?.stretches).toMatchObject([
      { where: { side: 'shutter' }, frames: 10, misses: 8, otherFrames: 20, otherMisses: 0 },
    ]);
    expect(found.causes[1]?.stretches).toEqual([]);
  });

  it('lies together by how one meant to work, over walks in two zones by the hour of each', () => {
    const working = (over: Partial<Approach>, frame: PlacedFrame): PlacedFrame => ({
      ...frame,
      stay: { ...stay, approach: { ...DEFAULT_APPROACH, ...over } },
    });
    const at = (hourUtc: number, frame: PlacedFrame): PlacedFrame => ({ ...frame, atMs: Date.UTC(2027, 2, 6, hourUtc) });
    const verdict = (isMissed: boolean): Partial<LogFrame> => ({ verdict: isMissed ? 'focus' : 'good' });
    const locked = Array.from({ length: 10 }, (_, k) => at(9, working({ focus: 'lockedOnSpot' }, placed(verdict(k < 7)))));
    const zone = Array.from({ length: 20 }, (_, k) => at(18, working({}, placed(verdict(k < 1)))));
    // 9:00 UTC is 8:00 in the Azores in March, and 18:00 in Tokyo.
    const found = missesOf([
      { log: { timeZone: 'Atlantic/Azores' }, placed: [...locked, ...zone] },
      { log: { timeZone: 'Asia/Tokyo' }, placed: [placed({ verdict: 'no' })] },
    ]);
    expect([found.decided, found.misses]).toEqual([31, 9]);
    const told = found.causes.flatMap(({ stretches }) => stretches.map(({ where, misses, frames }) => ({ where, misses, frames })));
    expect(told).toContainEqual({ where: { side: 'focus', way: 'lockedOnSpot' }, misses: 7, frames: 10 });
    expect(told).toContainEqual({ where: { side: 'hour', from: 6, to: 9 }, misses: 7, frames: 10 });
    expect(told.filter(({ where }) => where.side === 'exposure' || where.side === 'support')).toEqual([]);
    const elsewhere = missesOf([{ log: { timeZone: 'Asia/Tokyo' }, placed: locked }, ...walkOf(zone)]);
    expect(elsewhere.causes[0]?.stretches.map(({ where }) => where)).not.toContainEqual({ side: 'hour', from: 6, to: 9 });
  });

  it('that lies anywhere alike is told of nowhere: in two hundred walks of chance alone seldom', () => {
    const random = seeded(5);
    let told = 0;
    for (let walk = 0; walk < 200; walk++) {
      const frames = Array.from({ length: 40 }, () =>
        placed({ shutterS: 2 ** (-10 + 6 * random()), focalLengthMm: 28, verdict: random() < 0.3 ? 'moved' : 'good' }),
      );
      told += missesOf(walkOf(frames)).causes.some(({ stretches }) => stretches.length > 0) ? 1 : 0;
    }
    // Seven stretches at one in fifty each, and counts that come in whole numbers.
    expect(told).toBeLessThan(20);
  });
});
