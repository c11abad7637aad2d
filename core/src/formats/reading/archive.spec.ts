import fc from 'fast-check';
import { BODY, FILM_400, FLASH_20, LENS_28, STANDARD } from '../../../reference/sampleKit.js';
import { DEFAULT_APPROACH, DEFAULT_FRAMING, DEFAULT_INTENTS, DEFAULT_SHOOTING, type Intent, type Stop } from '../../stop/index.js';
import type { Walk } from '../../walk/index.js';
import { LARGEST_ARCHIVE_BYTES, readArchive, type ReadArchive } from './index.js';
import type { Archive } from '../archive/collections.js';
import { DEFAULT_SETTINGS } from '../archive/settings.js';
import { writeArchive } from '../archive/writeArchive.js';

const STOP: Stop = {
  id: 's1',
  name: 'Orrel Steps',
  intent: DEFAULT_INTENTS.lightPool,
  position: { latitude: 46.5, longitude: -20.7 },
  streetAxisDeg: 48,
  streetWidthM: 6,
  pavement: 'middle',
  shootingBearingDeg: 48,
  subject: { nearM: 2, farM: Infinity, medianM: 3, spread: 0.2 },
  movers: {
    who: 'walkers',
    speedMps: 1.4,
    speedSpreadMps: 0.3,
    travelAngleDeg: 70,
    travelSpreadDeg: 20,
    passersPerMinute: 4,
    suitableShare: 0.25,
  },
  sunGap: { fromDeg: 200, toDeg: 240, aboveDeg: 12 },
  lamps: 'lane',
  hours: null,
  lightOffsetEv: 0,
  arriveMin: 900,
  leaveMin: 960,
  walkMin: null,
  lensId: 'lens',
  focalLengthMm: 28,
  approach: null,
  consent: 'unasked',
  notes: 'infinity is a word here, and stays one',
  cautions: '',
  crowdByHour: Array.from({ length: 24 }, () => 1),
};
const WALK: Walk = {
  id: 'w1',
  name: 'Across the hill',
  day: '2027-03-13',
  place: { name: 'Orrel', timeZone: 'Atlantic/Azores', isInvented: true, latitude: 46.5, longitude: -20.7 },
  cloud: 0,
  approach: DEFAULT_APPROACH,
  bodyId: 'body',
  stops: [STOP],
  isDemo: false,
  notes: '',
};
const ARCHIVE: Archive = {
  kit: [BODY, LENS_28, FILM_400, FLASH_20],
  standard: STANDARD,
  settings: DEFAULT_SETTINGS,
  walks: [WALK],
  districts: [],
  outings: [],
  logs: [],
  frames: [],
  returns: [],
};

function refusal(read: ReadArchive): Extract<ReadArchive, { ok: false }> {
  if (read.ok) throw new Error('expected a refusal');
  return read;
}
/** The written archive with something in it replaced. */
function spoilt(change: (file: Record<string, never>) => void): ReadArchive {
  const file = JSON.parse(writeArchive(ARCHIVE)) as Record<string, never>;
  change(file);
  return readArchive(JSON.stringify(file));
}

describe('writing and reading back', () => {
  it('gives the same data, infinity and every intent included', () => {
    const stops = (Object.values(DEFAULT_INTENTS) as Intent[]).map((intent, k) => ({ ...STOP, id: `s${k}`, intent }));
    const archive = { ...ARCHIVE, walks: [{ ...WALK, stops }] };
    expect(readArchive(writeArchive(archive))).toEqual({ ok: true, archive });
  });

  it('gives back what was set by hand, how it is shot, what lies there, and the person’s own figures', () => {
    const stop: Stop = {
      ...STOP,
      hand: { fNumber: 8, focusM: Infinity, shutterS: null, iso: 400, support: 'braced' },
      shooting: { ...DEFAULT_SHOOTING, burstFrames: 5, smear: 'panned', lamp: 'screen', wantsGlitch: true },
      ground: [
        { label: 'kerb', distanceM: 1.6 },
        { label: 'far wall', distanceM: 12 },
      ],
      framing: DEFAULT_FRAMING,
    };
    const archive: Archive = {
      ...ARCHIVE,
      standard: {
        ...STANDARD,
        figures: { braceStops: 2, walkingStops: -1 },
        handTests: [{ againstRule: 4, frames: 10, sharp: 7 }],
      },
      walks: [{ ...WALK, homeChecked: ['aperture', 'focus'], stops: [stop] }],
    };
    expect(readArchive(writeArchive(archive))).toEqual({ ok: true, archive });
  });

  it('gives back districts, streets by their walls, forecasts and thresholds', () => {
    const archive: Archive = {
      ...ARCHIVE,
      walks: [
        {
          ...WALK,
          districtId: 'd',
          forecast: { source: 'simulated', cloudByHour: Array.from({ length: 24 }, (_, hour) => hour / 24) },
          windows: { poolSquareM: [2, 3], darkSunDeg: [-4, -7] },
          stops: [{ ...STOP, section: { leftHeightM: 0, rightHeightM: 11 }, groundM: 2.5 }],
        },
      ],
      districts: [
        {
          id: 'd',
          name: 'Old town',
          origin: { latitude: 46.5, longitude: -20.7 },
          buildings: [
            {
              id: 'b',
              footprint: [
                [0, 0],
                [9, 0],
                [9, 9],
              ],
              courtyards: [
                [
                  [5, 1],
                  [6, 1],
                  [6, 2],
                ],
              ],
              heightM: 9,
              baseM: 3,
              heightSource: 'set',
            },
          ],
          trees: [{ eastM: 1, northM: 2, radiusM: 3, heightM: 8 }],
          waters: [],
        },
      ],
    };
    expect(readArchive(writeArchive(archive))).toEqual({ ok: true, archive });
  });

  it('reads a file from before there were districts, and refuses a building that ends under its base', () => {
    const old = spoilt((file) => delete file['districts']);
    expect(old).toMatchObject({ ok: true, archive: { districts: [] } });
    const wrong = refusal(
      spoilt((file) => {
        (file as Record<string, unknown>)['districts'] = [
          {
            id: 'd',
            name: '',
            origin: { latitude: 0, longitude: 0 },
            trees: [],
            waters: [],
            buildings: [
              {
                id: 'b',
                footprint: [
                  [0, 0],
                  [1, 0],
                  [1, 1],
                ],
                heightM: 3,
                baseM: 4,
                heightSource: 'given',
              },
            ],
          },
        ];
      }),
    );
    expect(wrong.problems.join(' ')).toContain('districts[0].buildings[0].baseM');
  });

  it('refuses a hand test with more steady frames than there were, and says where', () => {
    const handTests = [{ againstRule: 4, frames: 10, sharp: 11 }];
    const read = refusal(readArchive(writeArchive({ ...ARCHIVE, standard: { ...STANDARD, handTests } })));
    expect(read.problems.join(' ')).toContain('standard.handTests[0].sharp');
  });

  it('keeps any text as it was', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 60 }), (notes) => {
        const archive = { ...ARCHIVE, walks: [{ ...WALK, notes, stops: [{ ...STOP, notes }] }] };
        expect(readArchive(writeArchive(archive))).toEqual({ ok: true, archive });
      }),
    );
  });

  it('keeps every minute of a walk, past midnight too', () => {
    const minute = fc.integer({ min: 0, max: 2159 });
    fc.assert(
      fc.property(minute, minute, minute, fc.integer({ min: 0, max: 1439 }), (arriveMin, leaveMin, atMin, fromMin) => {
        const wishes = { fixedAtMin: arriveMin, open: [{ fromMin: leaveMin, toMin: atMin }] };
        const lampsOut = { fromMin, leftShare: 0.5 };
        const walk = {
          ...WALK,
          stops: [{ ...STOP, arriveMin, leaveMin, wishes, lampsOut }],
          dayOut: { fromMin: atMin, toMin: arriveMin },
          lastRide: { name: 'tram', atMin, position: null },
          lampsOut: { ...lampsOut, toMin: fromMin },
        };
        const archive = { ...ARCHIVE, walks: [walk] };
        expect(readArchive(writeArchive(archive))).toEqual({ ok: true, archive });
      }),
    );
  });
  it('refuses a minute after the noon of the next day, and says where', () => {
    const late = refusal(readArchive(writeArchive({ ...ARCHIVE, walks: [{ ...WALK, stops: [{ ...STOP, leaveMin: 2160 }] }] })));
    expect(late.problems.join(' ')).toContain('walks[0].stops[0].leaveMin');
  });

  it('reads a thousand stops', () => {
    const stops = Array.from({ length: 1000 }, (_, k) => ({ ...STOP, id: `s${k}` }));
    expect(readArchive(writeArchive({ ...ARCHIVE, walks: [{ ...WALK, stops }] })).ok).toBe(true);
  });
});

describe('what it refuses', () => {
  it.each([
    ['{"format": "roam-dial", "version": 1, "kit": [', 'broken', 'not whole JSON'],
    ['', 'broken', 'not whole JSON'],
    ['[]', 'foreign', 'not a Roam Dial file'],
    ['null', 'foreign', 'not a Roam Dial file'],
    ['{"format": "other", "version": 1}', 'foreign', 'not a Roam Dial file'],
    ['{"format": "roam-dial", "version": 7}', 'newer', 'version 7; this program reads up to 6'],
    ['{"format": "roam-dial"}', 'invalid', 'which version'],
    ['{"format": "roam-dial", "version": 1}', 'invalid', 'cannot be used'],
  ])('%j', (text, kind, message) => {
    const { refusal: why, message: said } = refusal(readArchive(text));
    expect([why, said.includes(message)]).toEqual([kind, true]);
  });

  it('does not even parse a file that is too large', () => {
    const huge = { length: LARGEST_ARCHIVE_BYTES + 1 } as unknown as string;
    expect(refusal(readArchive(huge)).refusal).toBe('huge');
  });

  it.each([
    [
      'walks[0].stops[0].subject: must have farM farther than nearM',
      (f: any) => {
        f.walks[0].stops[0].subject.farM = 1;
      },
    ],
    [
      'walks[0].stops[0].shootingBearingDeg',
      (f: any) => {
        f.walks[0].stops[0].shootingBearingDeg = '48';
      },
    ],
    [
      'walks[0].stops[0].intent.brightShare',
      (f: any) => {
        f.walks[0].stops[0].intent.brightShare = 3;
      },
    ],
    [
      'walks[0].stops[0].intent.kind',
      (f: any) => {
        f.walks[0].stops[0].intent.kind = 'selfie';
      },
    ],
    [
      'walks[0].day: must be a calendar day',
      (f: any) => {
        f.walks[0].day = '2027-02-30';
      },
    ],
    [
      'walks[0].place.timeZone: must be an IANA zone',
      (f: any) => {
        f.walks[0].place.timeZone = 'Town/Hall';
      },
    ],
    [
      'walks[0].stops[1]: contains a duplicate value',
      (f: any) => {
        f.walks[0].stops.push(f.walks[0].stops[0]);
      },
    ],
    [
      'kit[0].highestIso',
      (f: any) => {
        f.kit[0].highestIso = 50;
      },
    ],
    [
      'kit[1].widest',
      (f: any) => {
        f.kit[1].widest = [];
      },
    ],
    [
      'kit[0].colour: is not allowed',
      (f: any) => {
        f.kit[0].colour = 'black';
      },
    ],
    [
      'walks[0].stops[0].intent.mood: is not allowed',
      (f: any) => {
        f.walks[0].stops[0].intent.mood = 'blue';
      },
    ],
    [
      'kit[2].reciprocityExponent: is required',
      (f: any) => {
        delete f.kit[2].reciprocityExponent;
      },
    ],
    [
      'standard.sharpness',
      (f: any) => {
        f.standard.sharpness = { kind: 'own' };
      },
    ],
    [
      'settings.theme: must be one of',
      (f: any) => {
        f.settings.theme = 'sepia';
      },
    ],
  ])('names the place in the file: %s', (problem, change) => {
    const { refusal: why, problems } = refusal(spoilt(change));
    expect(why).toBe('invalid');
    expect(problems.join('\n')).toContain(problem);
  });

  it('lists eight problems and counts the rest', () => {
    const { problems } = refusal(
      spoilt((f: any) => {
        f.kit = [{ id: 'x', name: 'y', inBag: true, kind: 'body' }];
      }),
    );
    expect(problems).toHaveLength(9);
    expect(problems[8]).toMatch(/^and \d+ more$/);
  });
});
