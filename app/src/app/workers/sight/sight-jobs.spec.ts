import { type SightAsked, sightBuffersOf, SightJobs, type SightDrawn, type SightPlace, type SightShown } from './sight-jobs';

const SITE: SightPlace = {
  buildings: [
    {
      footprint: [
        [-20, 15],
        [20, 15],
        [20, 25],
        [-20, 25],
      ],
      heightM: 9,
    },
  ],
};
const shown = (ev100: number): SightShown => ({
  medium: { kind: 'raw', overEv: 3, underEv: 7 },
  exposed: { by: 'ev', ev100 },
  elseEv: 13,
  key: { surface: 'person', tone: 0, offsetEv: 0 },
  straightOverEv: 2.3,
  isClippingMarked: false,
  isKeyMarked: false,
});
const asked = (over: Partial<SightAsked> = {}): SightAsked => ({
  kind: 'sight',
  place: 'here',
  spot: { eastM: 0, northM: 0 },
  look: {
    bearingDeg: 0,
    frame: { sensorWidthMm: 36, sensorHeightMm: 24, focalLengthMm: 28, isUpright: false, tiltDeg: 0, riseMm: 0 },
    size: { width: 60, height: 40 },
    personM: 3,
  },
  instant: { sun: { azimuthDeg: 170, altitudeDeg: 35 }, cloud: 0, dayOfYear: 80, areTreesInLeaf: false },
  lamps: { fullLux: 80, share: 0 },
  shown: shown(13),
  ...over,
});
function answer(jobs: SightJobs, ask: SightAsked): SightDrawn | null {
  const steps = jobs.answer(ask);
  for (;;) {
    const step = steps.next();
    if (step.done === true) return step.value;
  }
}
function told(): SightJobs {
  const jobs = new SightJobs();
  jobs.answer({ kind: 'place', place: 'here', site: SITE }).next();
  return jobs;
}
const mean = ({ pixels }: SightDrawn): number => pixels.reduce((sum, byte) => sum + byte, 0) / pixels.length;

describe('views at the worker’s desk', () => {
  it('knows no place that it has not been told of', () => {
    expect(answer(new SightJobs(), asked())).toBeNull();
  });
  it('are pictures of their size, brighter with more exposure, and handed over', () => {
    const jobs = told();
    const plain = answer(jobs, asked());
    const darker = answer(jobs, asked({ shown: shown(15) }));
    if (plain === null || darker === null) throw new Error('no picture');
    expect([plain.width, plain.height, plain.pixels.length]).toEqual([60, 40, 9600]);
    expect(mean(plain)).toBeGreaterThan(mean(darker) + 20);
    expect(plain.facts.behind?.label).toMatch(/walls|windows/);
    expect(sightBuffersOf(plain)).toEqual([plain.pixels.buffer]);
    expect(sightBuffersOf(null)).toEqual([]);
  });
  it('another minute, lamps and an empty frame each change the picture; the same question does not', () => {
    const jobs = told();
    const night = asked({ instant: { ...asked().instant, sun: { azimuthDeg: 0, altitudeDeg: -20 } } });
    const pictures = [
      asked(),
      night,
      { ...night, lamps: { fullLux: 80, share: 1 } },
      asked({ look: { ...asked().look, personM: null } }),
    ].map((ask) => [...(answer(jobs, ask)?.pixels ?? [])].join());
    expect(new Set(pictures).size).toBe(4);
    expect([...(answer(jobs, asked())?.pixels ?? [])].join()).toBe(pictures[0]);
  });
  it('are exposed for their key, as a pattern would have it, or by the light where no key is in the frame', () => {
    const jobs = told();
    const by = (exposed: SightShown['exposed'], surface: SightShown['key']['surface'] = 'person') =>
      answer(jobs, asked({ shown: { ...shown(13), exposed, key: { surface, tone: -1, offsetEv: 0 } } }));
    const key = by({ by: 'key' });
    expect(key?.exposureEv).toBeCloseTo((key?.metered.key?.readEv as number) + 1, 9);
    const whole = by({ by: 'wholeFrame' });
    expect(whole?.exposureEv).toBe(whole?.metered.patterns.find(({ pattern }) => pattern === 'wholeFrame')?.readEv);
    expect(by({ by: 'key' }, 'screen')).toMatchObject({ exposureEv: 13, spotAt: null, metered: { key: null } });
  });
  it('draws an edge round the key where it is asked for', () => {
    const jobs = told();
    const edges = (isKeyMarked: boolean): number => {
      const pixels = answer(jobs, asked({ shown: { ...shown(13), isKeyMarked } }))?.pixels ?? [];
      return [...pixels].filter((_, k) => pixels[k] === 207 && pixels[k + 1] === 58 && pixels[k + 2] === 29).length;
    };
    expect(edges(true)).toBeGreaterThan(edges(false) + 20);
  });
  it('marks what comes out white and black where it is asked for, and only there', () => {
    const jobs = told();
    const bright = shown(10);
    const [plain, marked] = [false, true].map((isClippingMarked) =>
      answer(jobs, asked({ shown: { ...bright, isClippingMarked } })),
    );
    if (plain == null || marked == null) throw new Error('no picture');
    expect(plain.facts.whiteShare).toBeGreaterThan(0.1);
    const changed = plain.pixels.filter((byte, k) => byte !== marked.pixels[k]).length;
    expect(changed).toBeGreaterThan(0);
    // A ninth of the white, three bytes each.
    expect(changed).toBeLessThan(0.25 * plain.pixels.length);
  });
});
