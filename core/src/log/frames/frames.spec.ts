import fc from 'fast-check';
import { DEFAULT_INTENTS } from '../../stop/index.js';
import { readRow } from '../../formats/reading/index.js';
import {
  momentOfStayAt,
  clockOfPair,
  type LogFrame,
  frameFacts,
  frameMs,
  type LogStay,
  placedFrame,
  placedFrames,
  proposeClock,
  type WalkLog,
} from './index.js';

const MINUTE_MS = 60_000;
const HOUR_MS = 60 * MINUTE_MS;
/** 13 March 2027, 10:00 at the Azores, an hour behind UTC. */
const TEN = Date.UTC(2027, 2, 13, 11);
const HERE = { latitude: 46.5, longitude: -20.7 };
/** 0.001° of latitude is 111 m. */
const NORTH_111_M = { latitude: 46.501, longitude: -20.7 };

const stay = (stopId: string, fromMs: number, minutes: number, over: Partial<LogStay> = {}): LogStay => ({
  stopId,
  name: stopId,
  intent: DEFAULT_INTENTS.passingCandid,
  position: null,
  fromMs,
  toMs: fromMs + minutes * MINUTE_MS,
  cards: [],
  ...over,
});

const log = (stays: readonly LogStay[], over: Partial<WalkLog> = {}): WalkLog => ({
  id: 'log',
  walkId: 'walk',
  name: '',
  day: '2027-03-13',
  timeZone: 'Atlantic/Azores',
  stays,
  cameras: [],
  lenses: [],
  rolls: [],
  ...over,
});

let count = 0;
/** A frame by what the clock of its camera showed, as though its zone were UTC. */
const frame = (wallMs: number | null, over: Partial<LogFrame> = {}): LogFrame => ({
  id: `f${count++}`,
  logId: 'log',
  source: { kind: 'file', name: `A${count}.JPG`, bytes: 1 },
  ...frameFacts({}),
  wallMs,
  placedByHand: null,
  verdict: null,
  sight: null,
  subjectAt: null,
  ...over,
});
/** The wall of the place shows an hour less than UTC. */
const wall = (ms: number): number => ms - HOUR_MS;

describe('what a file says of its frame', () => {
  it('is taken over where a camera could have said it', () => {
    expect(
      frameFacts({
        Make: 'Made-up',
        Model: 'Made-up One',
        LensModel: '28 mm\u0000\u0000',
        FNumber: 5.6,
        ExposureTime: 1 / 250,
        ISO: 800,
        FocalLength: 28,
        ExposureCompensation: -2 / 3,
        MeteringMode: 3,
        Flash: 0x19,
        SubjectDistance: 3.2,
        DateTimeOriginal: '2027:03:13 10:15:30',
        OffsetTimeOriginal: '-01:00',
        latitude: 46.5,
        longitude: -20.7,
        GPSImgDirection: 360,
      }),
    ).toEqual({
      bodyName: 'Made-up One',
      maker: 'Made-up',
      model: 'Made-up One',
      lensName: '28 mm',
      fNumber: 5.6,
      shutterS: 1 / 250,
      iso: 800,
      focalLengthMm: 28,
      compensationEv: -2 / 3,
      pattern: 'spot',
      hasFlashed: true,
      focusM: 3.2,
      wallMs: Date.UTC(2027, 2, 13, 10, 15, 30),
      offsetMin: -60,
      position: HERE,
      bearingDeg: 0,
    });
  });

  it.each([
    { make: 'MADE-UP CORPORATION', model: 'MADE-UP D7', name: 'MADE-UP D7' },
    { make: 'Made-up', model: 'One', name: 'Made-up One' },
    { make: 'Made-up\0old text', model: 'One\0\0two', name: 'Made-up One' },
    { make: undefined, model: 'One', name: 'One' },
    { make: 'Made-up', model: undefined, name: 'Made-up' },
  ])('names the body $name, its maker once', ({ make, model, name }) => {
    expect(frameFacts({ Make: make, Model: model }).bodyName).toBe(name);
  });

  it.each([
    { of: 'a field too small for it', tags: { ISO: 65_535, RecommendedExposureIndex: 102_400 }, iso: 102_400 },
    { of: 'the standard output', tags: { ISO: 65_535, StandardOutputSensitivity: 80_000 }, iso: 80_000 },
    { of: 'nowhere else', tags: { ISO: 65_535 }, iso: null },
  ])('takes the ISO from $of', ({ tags, iso }) => expect(frameFacts(tags).iso).toBe(iso));

  it.each([
    { wall: '2027:03:13 10:15:30', stamp: [11, 15, 28], offsetMin: -60 },
    { wall: '2027:03:13 17:00:10', stamp: [11, 15, 28], offsetMin: 345 },
    { wall: '2027:03:14 00:15:30', stamp: [13, 15, 31], offsetMin: 660 },
    { wall: '2027:03:13 10:15:30', stamp: '11:15:28', offsetMin: -60 },
    { wall: '2027:03:19 10:15:30', stamp: [11, 15, 28], offsetMin: null },
    { wall: '2027:03:13 10:15:30', stamp: [11, NaN, 28], offsetMin: null },
  ])('knows a clock’s offset by the time of its position: $wall against $stamp', ({ wall, stamp, offsetMin }) => {
    const facts = frameFacts({ DateTimeOriginal: wall, GPSDateStamp: '2027:03:13', GPSTimeStamp: stamp });
    expect(facts.offsetMin).toBe(offsetMin);
  });

  it('keeps no bearing by a compass, and a position in degrees, minutes and seconds', () => {
    expect(frameFacts({ GPSImgDirection: 48, GPSImgDirectionRef: 'M' }).bearingDeg).toBeNull();
    expect(frameFacts({ GPSImgDirection: 48, GPSImgDirectionRef: 'T' }).bearingDeg).toBe(48);
    const place = { GPSLatitude: [46, 30, 0], GPSLatitudeRef: 'S', GPSLongitude: [20, 42, 0], GPSLongitudeRef: 'W' };
    expect(frameFacts(place).position).toEqual({ latitude: -46.5, longitude: -20.7 });
  });

  it.each([
    ['FNumber', 0, 'fNumber'],
    ['FNumber', NaN, 'fNumber'],
    ['ExposureTime', -1, 'shutterS'],
    ['ISO', '800', 'iso'],
    ['FocalLength', 1e9, 'focalLengthMm'],
    // Endless, as cameras write it.
    ['SubjectDistance', 0xffffffff, 'focusM'],
    ['DateTimeOriginal', '2027:02:31 10:00:00', 'wallMs'],
    ['DateTimeOriginal', '0000:00:00 00:00:00', 'wallMs'],
    ['DateTimeOriginal', '2027:03:13 24:61:00', 'wallMs'],
    ['OffsetTimeOriginal', '+99:00', 'offsetMin'],
    ['latitude', 91, 'position'],
  ] as const)('%s of %p says nothing', (tag, value, field) => {
    expect(frameFacts({ longitude: 1, [tag]: value })[field]).toBeNull();
  });

  it.each([
    ['ExposureCompensation', -0, 'compensationEv'],
    ['OffsetTime', '-00:00', 'offsetMin'],
    ['GPSImgDirection', -0, 'bearingDeg'],
  ] as const)('%s of %p is a plain zero, which is kept as it is', (tag, value, field) => {
    expect(frameFacts({ [tag]: value })[field]).toBe(0);
  });

  it('cuts words that are too long between letters, with no space left at their end', () => {
    expect(frameFacts({ Model: `a${'😀'.repeat(60)}` }).bodyName).toBe(`a${'😀'.repeat(39)}`);
    expect(frameFacts({ LensModel: `${'x'.repeat(79)} more` }).lensName).toBe('x'.repeat(79));
  });

  it('says nothing of a position of zeros, which is no fix', () => {
    expect(frameFacts({ latitude: 0, longitude: 0 }).position).toBeNull();
  });

  it('whatever its tags are, makes a frame that can be kept', () => {
    const names = ['FNumber', 'ExposureTime', 'ISO', 'FocalLength', 'ExposureCompensation', 'MeteringMode', 'Flash'];
    const texts = [
      'Make',
      'Model',
      'LensModel',
      'DateTimeOriginal',
      'OffsetTime',
      'SubjectDistance',
      'GPSImgDirection',
      'latitude',
      'longitude',
    ];
    const value = fc.oneof(
      fc.string({ unit: 'binary', minLength: 70, maxLength: 100 }),
      fc.double(),
      fc.integer(),
      fc.string({ unit: 'binary' }),
      fc.constant(null),
      fc.array(fc.double()),
      fc.object(),
    );
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom(...names, ...texts), value), (tags) => {
        const row = frame(null, frameFacts(tags));
        expect(readRow('frames', row, 4)).toEqual({ ok: true, row });
      }),
      { numRuns: 500 },
    );
  });
});

describe('the instant of a frame', () => {
  it('goes by the walk’s zone where the file has none, by its own offset where it has, and by what the clock needs', () => {
    const own = log([], { cameras: [{ name: 'One', bodyId: null, shiftS: 90, shiftBy: 'typed' }] });
    expect(frameMs(own, frame(wall(TEN)))).toBe(TEN);
    expect(frameMs(own, frame(TEN + 2 * HOUR_MS, { offsetMin: 120 }))).toBe(TEN);
    expect(frameMs(own, frame(wall(TEN), { bodyName: 'One' }))).toBe(TEN + 90_000);
    expect(frameMs(own, frame(null))).toBeNull();
  });

  it('is right on both sides of the hour that summer begins with', () => {
    // 28 March 2027 at the Azores: 0:00 standard becomes 1:00 summer time, UTC.
    const own = log([]);
    expect(frameMs(own, frame(Date.UTC(2027, 2, 27, 23, 30)))).toBe(Date.UTC(2027, 2, 28, 0, 30));
    expect(frameMs(own, frame(Date.UTC(2027, 2, 28, 1, 30)))).toBe(Date.UTC(2027, 2, 28, 1, 30));
  });
});

describe('a camera’s clock', () => {
  const stays = [stay('a', TEN, 20), stay('b', TEN + HOUR_MS, 30), stay('c', TEN + 3 * HOUR_MS, 15)];
  const taken = (shiftMs: number): LogFrame[] =>
    [1, 5, 12, 61, 70, 88, 181, 190].map((minute) => frame(wall(TEN + minute * MINUTE_MS - shiftMs)));

  it('is left alone where it is right', () => {
    expect(proposeClock(log(stays), taken(0))).toEqual({ shiftS: 0, inStays: 8, inStaysNow: 8, frames: 8 });
  });

  it.each([
    ['an hour behind', HOUR_MS, 3600],
    ['half a day ahead', -12 * HOUR_MS, -43_200],
    // 90 minutes are a whole number of half hours.
    ['an hour and a half behind', 1.5 * HOUR_MS, 5400],
  ])('that is %s is put right by the frames alone', (_, shiftMs, shiftS) => {
    expect(proposeClock(log(stays), taken(shiftMs))).toMatchObject({ shiftS, inStays: 8 });
  });

  it('is not called wrong by two frames', () => {
    const few = [frame(wall(TEN - HOUR_MS + MINUTE_MS)), frame(wall(TEN - HOUR_MS + 2 * MINUTE_MS))];
    expect(proposeClock(log(stays), few)).toEqual({ shiftS: 0, inStays: 0, inStaysNow: 0, frames: 2 });
  });

  it('goes by the positions where frames have one', () => {
    // By time alone these would all lie in `a`; where they were taken, `b` stands.
    const placed = [stay('a', TEN, 20), stay('b', TEN + HOUR_MS, 30, { position: HERE })];
    const there = [1, 2, 3, 4].map((minute) => frame(wall(TEN + minute * MINUTE_MS), { position: HERE }));
    expect(proposeClock(log(placed), there)).toMatchObject({ shiftS: 3600, inStays: 4, inStaysNow: 0 });
  });

  it('says nothing without a time, or without a stay', () => {
    expect(proposeClock(log(stays), [frame(null)])).toBeNull();
    expect(proposeClock(log([]), taken(0))).toBeNull();
  });

  it('is known from one frame whose time is known', () => {
    expect(clockOfPair(log([]), frame(wall(TEN)), TEN + 61_000)).toBe(61);
  });
});

describe('the stop of a frame', () => {
  const stays = [
    stay('a', TEN, 20, { position: HERE }),
    stay('b', TEN + HOUR_MS, 30, { position: NORTH_111_M }),
    stay('a', TEN + 2 * HOUR_MS, 10, { position: HERE }),
  ];
  const placed = (one: LogFrame) => {
    const { stay: at, by } = placedFrame(log(stays), one);
    return [at?.stopId ?? null, at === null ? null : (at.fromMs - TEN) / HOUR_MS, by];
  };
  const minute = (after: number): number => wall(TEN + after * MINUTE_MS);

  it.each([
    ['within a stay', frame(minute(5)), ['a', 0, 'time']],
    ['three minutes before one', frame(minute(57)), ['b', 1, 'time']],
    ['four minutes before one', frame(minute(56)), [null, null, null]],
    // 44 m from `a`: 0.0004°.
    [
      'near a stop, at whatever time',
      frame(minute(40), { position: { latitude: 46.5004, longitude: -20.7 } }),
      ['a', 0, 'position'],
    ],
    ['near a stop one came back to', frame(minute(118), { position: HERE }), ['a', 2, 'position']],
    ['far from all in the time of one', frame(minute(5), { position: { latitude: 46.6, longitude: -20.7 } }), [null, null, null]],
    ['without a time', frame(null), [null, null, null]],
    ['put there', frame(minute(5), { placedByHand: { stopId: 'b' } }), ['b', 1, 'hand']],
    ['put between', frame(minute(5), { placedByHand: { stopId: null } }), [null, null, 'hand']],
  ] as const)('%s', (_, one, expected) => {
    expect(placed(one)).toEqual(expected);
  });

  it('may be one that stands nowhere, by the time alone', () => {
    const mixed = log([stay('a', TEN, 20, { position: HERE }), stay('b', TEN + HOUR_MS, 20)]);
    const away = frame(minute(65), { position: NORTH_111_M });
    expect(placedFrame(mixed, away)).toMatchObject({ stay: { stopId: 'b' }, by: 'time' });
  });

  it('does not change the order: frames go by their instants, those without one last, by name', () => {
    const named = (name: string, wallMs: number | null): LogFrame => frame(wallMs, { source: { kind: 'file', name, bytes: 1 } });
    const all = [named('z', null), named('c', minute(9)), named('a', null), named('b', minute(3))];
    expect(placedFrames(log(stays), all).map(({ frame: { source } }) => (source.kind === 'file' ? source.name : ''))).toEqual([
      'b',
      'c',
      'a',
      'z',
    ]);
  });

  it('has the card that stood nearest to it', () => {
    const moment = (chance: number) => ({ chance }) as never;
    const cards = [
      { atMs: TEN, moment: moment(0.1) },
      { atMs: TEN + 10 * MINUTE_MS, moment: moment(0.2) },
    ];
    const there = stay('a', TEN, 20, { cards });
    expect([
      momentOfStayAt(there, TEN + 4 * MINUTE_MS),
      momentOfStayAt(there, TEN + 6 * MINUTE_MS),
      momentOfStayAt(there, null),
    ]).toEqual([{ chance: 0.1 }, { chance: 0.2 }, { chance: 0.1 }]);
    expect(momentOfStayAt(stay('a', TEN, 20), TEN)).toBeNull();
  });
});
