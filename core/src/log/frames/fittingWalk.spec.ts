import { DEFAULT_INTENTS } from '../../stop/index.js';
import { daysOfFrames, fittingWalk, frameFacts, type LogFrame, type LogStay, newGear, type WalkCandidate } from './index.js';

const HOUR_MS = 3_600_000;
const ZONE = 'Atlantic/Azores';
/** 10:00 at the Azores, an hour behind UTC in March. */
const ten = (dayOfMarch: number): number => Date.UTC(2027, 2, dayOfMarch, 11);

const stay = (fromMs: number): LogStay => ({
  stopId: `s${fromMs}`,
  name: '',
  intent: DEFAULT_INTENTS.passingCandid,
  position: null,
  fromMs,
  toMs: fromMs + HOUR_MS,
  cards: [],
});

/** Two stays of an hour, from ten and from three on. */
const walked = (walkId: string, dayOfMarch: number): WalkCandidate => ({
  walkId,
  day: `2027-03-${String(dayOfMarch).padStart(2, '0')}`,
  timeZone: ZONE,
  stays: [stay(ten(dayOfMarch)), stay(ten(dayOfMarch) + 5 * HOUR_MS)],
});

/** Taken at a wall's hours of a day of March. */
const taken = (dayOfMarch: number, hours: readonly number[], over: Partial<LogFrame> = {}): readonly LogFrame[] =>
  hours.map((hour, k) => ({
    ...frameFacts({}),
    id: `${dayOfMarch}/${hour}/${k}`,
    logId: 'log',
    source: { kind: 'file', name: `${k}.JPG`, bytes: 1 },
    wallMs: Date.UTC(2027, 2, dayOfMarch) + hour * HOUR_MS,
    bodyName: 'One',
    lensName: '28',
    placedByHand: null,
    verdict: null,
    sight: null,
    subjectAt: null,
    ...over,
  }));

const HOURS = [10.1, 10.3, 10.6, 15.2, 15.5, 15.9];
const here = walked('here', 13);

describe('the walk that frames were taken on', () => {
  it.each([
    ['another walk of another week', taken(6, HOURS), ['other', 6]],
    ['the same walk on the day before, though a clock a day off would do too', taken(12, HOURS), ['here', 12]],
    // Of three frames two lie in stays; a clock set for it would bring all three into those of the day before.
    ['another day as clocks are, before one that needs a clock', taken(20, [10.5, 13.5, 15.5]), ['third', 20]],
    ['this one, on its day', taken(13, HOURS), null],
    // Seven hours ahead: 17:06 for 10:06, on the same day.
    [
      'this one, by a clock that is hours off',
      taken(
        13,
        HOURS.map((hour) => hour + 7),
      ),
      null,
    ],
    ['none, in another year', taken(400, HOURS), null],
    ['none, where most lie in no stay', taken(6, [1, 3, 5, 12.5, 13, 13.5, 20, 21, 22, 10.2]), null],
    ['none, without times', taken(6, HOURS, { wallMs: null }), null],
  ])('is %s', (_, frames, expected) => {
    const found = fittingWalk(here, [walked('here', 12), walked('other', 6), walked('third', 20)], frames);
    expect(found === null ? null : [found.walked.walkId, Number(found.walked.day.slice(-2))]).toEqual(expected);
    if (found !== null && frames.length === 6) expect([found.inStays, found.frames]).toEqual([6, 6]);
  });

  it('counts all frames of many, though some tell it', () => {
    const many = taken(
      6,
      Array.from({ length: 300 }, (_, k) => (k % 10 === 0 ? 12.5 : 10 + (k % 60) / 60)),
    );
    expect(fittingWalk(here, [walked('other', 6)], many)).toMatchObject({ inStays: 270, frames: 300 });
  });

  it('is looked for on the days that clocks showed, and those about them', () => {
    expect(daysOfFrames(taken(6, HOURS), ZONE)).toEqual(['2027-03-05', '2027-03-06', '2027-03-07']);
    expect(daysOfFrames([], ZONE)).toEqual([]);
  });
});

describe('cameras and lenses that a log does not know yet', () => {
  const NOTHING = { cameras: [], lenses: [] };
  const said = (bodyId: string | null, lensId: string | null) => ({
    cameras: [{ name: 'One', bodyId, shiftS: -60, shiftBy: 'typed' as const }],
    lenses: [{ name: '28', lensId }],
  });

  it('have their clock from their frames, and are what they were last said to be', () => {
    const late = taken(
      13,
      HOURS.map((hour) => hour + 7),
    );
    expect(newGear({ ...NOTHING, ...here }, late, [said('old', 'lens'), said('new', null), said(null, null)])).toEqual({
      cameras: [{ name: 'One', bodyId: 'new', shiftS: -7 * 3600, shiftBy: 'frames' }],
      lenses: [{ name: '28', lensId: 'lens' }],
    });
  });

  it('are not those that it knows, and none of film', () => {
    const film = taken(13, HOURS, { source: { kind: 'roll', rollId: 'r', number: 1, scan: null }, bodyName: 'Film' });
    expect(newGear({ ...said(null, null), ...here }, [...taken(13, HOURS), ...film], [])).toEqual(NOTHING);
  });
});
