import { type RangeQuestion, rangeWaysOut } from './rangeWaysOut.js';
import type { Reading } from '../stop/index.js';

const read = (id: string, ev100: number): Reading => ({
  id,
  name: id,
  kind: 'spot',
  ev100,
  tone: null,
  takenMs: 0,
  isLetGo: false,
  isLamp: false,
  isKey: false,
});
const SLIDE = { kind: 'slide', overEv: 2, underEv: 2.5 } as const;
const NEGATIVE = { kind: 'blackAndWhiteNegative', overEv: 5, underEv: 3.5 } as const;

describe('ways out of a range that is too wide', () => {
  // 16.3 − 8 = 8.3 against 4.5: 3.8 short.
  const question: RangeQuestion = {
    readings: [read('wall', 16.3), read('coat', 12.9), read('doorway', 8)],
    medium: SLIDE,
    others: [
      { name: 'grey', medium: NEGATIVE },
      { name: 'straight', medium: { kind: 'straight', overEv: 2.3, underEv: 5 } },
    ],
    contrastEv: 3,
    flashReaches: true,
    bracketSteps: [1, 2],
  };
  const ways = rangeWaysOut(question);
  const of = (kind: string) => ways.filter((way) => way.kind === kind);
  it('are media that hold it', () =>
    expect(of('medium')).toEqual([{ kind: 'medium', name: 'grey', spareEv: expect.closeTo(0.2, 9) }]));
  it('is to let one end go: the doorway is enough, the wall leaves 0.4', () => {
    expect(of('letGo')).toEqual([
      { kind: 'letGo', readingId: 'doorway', end: 'dark', stillShortEv: 0 },
      { kind: 'letGo', readingId: 'wall', end: 'bright', stillShortEv: expect.closeTo(0.4, 9) },
    ]);
  });
  it('is to take all of it in the shade: 8.3 − 3 leaves 0.8', () =>
    expect(of('inShade')).toEqual([{ kind: 'inShade', stillShortEv: expect.closeTo(0.8, 9) }]));
  it('is flash: to lift by 3.8 it gives log2(2^3.8 − 1) over what is there', () =>
    expect(of('flash')).toEqual([{ kind: 'flash', liftEv: expect.closeTo(3.8, 9), overAmbientEv: expect.closeTo(3.6925, 3) }]));
  it('is a silhouette, or frames two apart', () => {
    expect(of('silhouette')).toEqual([{ kind: 'silhouette', lostReadings: 1 }]);
    // Need 14.633 − 10.5 = 4.133: five a stop and a bit apart are not offered; three two apart hold 4, five one apart 4, five two apart 8.
    expect(of('bracket')).toEqual([{ kind: 'bracket', bracket: { frames: 5, stepEv: 2, middleEv: expect.closeTo(12.567, 3) } }]);
  });
  it('is to pull a negative, not a slide', () => {
    expect(of('pull')).toEqual([]);
    const wide = rangeWaysOut({ ...question, medium: { ...NEGATIVE, overEv: 4 } });
    expect(wide.find(({ kind }) => kind === 'pull')).toEqual({ kind: 'pull', stillShortEv: expect.closeTo(0.1, 9) });
  });
  it('are none where it fits, where nothing is kept, or where one reading is all there is', () => {
    expect(rangeWaysOut({ ...question, medium: NEGATIVE })).toEqual([]);
    expect(rangeWaysOut({ ...question, readings: question.readings.map((one) => ({ ...one, isLetGo: true })) })).toEqual([]);
    expect(rangeWaysOut({ ...question, readings: [read('one', 9)] })).toEqual([]);
  });
});
