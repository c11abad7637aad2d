import type { SightQuestion } from '@roam-dial/core/sight';
import { type SightAsked, sightBuffersOf, SightJobs, type SightDrawn } from './sight-jobs';

const SITE: SightQuestion['site'] = {
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
  eastM: 0,
  northM: 0,
};
const asked = (over: Partial<SightAsked> = {}): SightAsked => ({
  kind: 'sight',
  place: 'here',
  look: {
    bearingDeg: 0,
    frame: { sensorWidthMm: 36, sensorHeightMm: 24, focalLengthMm: 28, isUpright: false, tiltDeg: 0, riseMm: 0 },
    size: { width: 60, height: 40 },
    personM: 3,
  },
  instant: { sun: { azimuthDeg: 170, altitudeDeg: 35 }, cloud: 0, dayOfYear: 80, areTreesInLeaf: false },
  lamps: { fullLux: 80, share: 0 },
  shown: { medium: { kind: 'raw', overEv: 3, underEv: 7 }, exposureEv: 13, isClippingMarked: false },
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
    const darker = answer(jobs, asked({ shown: { ...asked().shown, exposureEv: 15 } }));
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
  it('marks what comes out white and black where it is asked for, and only there', () => {
    const jobs = told();
    const shown = { ...asked().shown, exposureEv: 10 };
    const [plain, marked] = [false, true].map((isClippingMarked) => answer(jobs, asked({ shown: { ...shown, isClippingMarked } })));
    if (plain == null || marked == null) throw new Error('no picture');
    expect(plain.facts.whiteShare).toBeGreaterThan(0.1);
    const changed = plain.pixels.filter((byte, k) => byte !== marked.pixels[k]).length;
    expect(changed).toBeGreaterThan(0);
    // A ninth of the white, three bytes each.
    expect(changed).toBeLessThan(0.25 * plain.pixels.length);
  });
});
