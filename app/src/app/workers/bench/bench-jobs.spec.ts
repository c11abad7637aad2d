import { METER_PATTERNS } from '@roam-dial/core/kit';
import { BUILT_IN_SCENES, type SceneDescription } from '@roam-dial/core/metering';
import { BenchJobs, type BenchAnswer, type BenchMeter, type BenchQuestion, buffersOfBench } from './bench-jobs';

const RAW = { kind: 'raw', overEv: 3, underEv: 8 } as const;
const STRAIGHT = { kind: 'straight', overEv: 2.3, underEv: 5 } as const;
const sceneOf = (id: string): SceneDescription => BUILT_IN_SCENES.find((scene) => scene.id === id) as SceneDescription;

function ask(desk: BenchJobs, question: BenchQuestion): BenchAnswer | null {
  const steps = desk.answer(question);
  for (;;) {
    const step = steps.next();
    if (step.done === true) return step.value;
  }
}
const meter = (over: Partial<BenchMeter> = {}): BenchMeter => ({
  kind: 'meter',
  source: { kind: 'described', scene: sceneOf('whiteWall'), width: 204, height: 136 },
  key: { kind: 'own', place: 0 },
  tone: null,
  at: null,
  pattern: 'wholeFrame',
  patterns: METER_PATTERNS,
  school: 'hold',
  medium: RAW,
  body: { straightOverEv: 2.3, markStep: 'third' },
  whiteBalanceK: 5500,
  media: [RAW, STRAIGHT],
  ...over,
});
const answered = (question: BenchMeter, desk = new BenchJobs()): BenchAnswer => {
  const answer = ask(desk, question);
  if (answer === null) throw new Error('no answer');
  return answer;
};

describe('the bench’s desk', () => {
  it('meters a scene by every pattern, before by the one chosen and after as it should be', () => {
    const answer = answered(meter());
    expect(answer.answers.map(({ pattern }) => pattern)).toEqual([...METER_PATTERNS]);
    expect(answer.before.exposureEv).toBe(answer.answers[0]?.readEv);
    expect(answer.after.exposureEv).toBe(answer.key.exposureEv);
    // A white wall two stops over grey: the pattern would have it darker.
    expect(answer.before.exposureEv - answer.after.exposureEv).toBeCloseTo(answer.answers[0]?.compensationEv ?? NaN, 9);
    expect(answer.before.pixels).toHaveLength(204 * 136 * 4);
    expect(answer.lost[1]?.beyondWhite).toBeGreaterThan(answer.lost[0]?.beyondWhite ?? 1);
  });
  it('moves what is wanted with the tone, and the key with the choice', () => {
    const [plain, darker] = [answered(meter()), answered(meter({ tone: 1 }))];
    expect(darker.key.exposureEv - plain.key.exposureEv).toBeCloseTo(1, 9);
    const coat = answered(meter({ key: { kind: 'own', place: 1 } }));
    expect(coat.key.readEv).toBeLessThan(plain.key.readEv - 2);
  });
  it('takes what lies under the spot for the key: then the spot needs no more than its tone', () => {
    const answer = answered(meter({ key: { kind: 'spot' }, at: { x: 0.25, y: 0.6 }, tone: 0, pattern: 'spot' }));
    expect(answer.answers.find(({ pattern }) => pattern === 'spot')?.compensationEv).toBeCloseTo(0, 9);
    expect(answer.at).toEqual({ x: 0.25, y: 0.6 });
  });
  it('says what keeping the exposure is worth where the light changes, and nothing where it is steady', () => {
    expect(answered(meter()).kept).toBeNull();
    const screen = { kind: 'described', scene: sceneOf('silhouetteScreen'), width: 204, height: 136 } as const;
    const [before, vendor] = [0, 1].map((place) => answered(meter({ source: screen, key: { kind: 'own', place } })).kept);
    expect(before?.floating).toBeGreaterThan(vendor?.floating ?? 1);
    expect(vendor?.byHand).toBeCloseTo(1, 2);
  });
  it('meters a photograph that it has been told of, and has no answer for one that it has not', () => {
    const desk = new BenchJobs();
    const photo = meter({ source: { kind: 'photo', id: 'one' }, key: { kind: 'own', place: 0 } });
    expect(ask(desk, photo)).toBeNull();
    const rgba = new Uint8ClampedArray(60 * 40 * 4).fill(118);
    ask(desk, { kind: 'photo', id: 'one', photograph: { width: 60, height: 40, rgba, exposureEv: 11 } });
    const answer = answered(photo, desk);
    expect(answer.answers[0]?.readEv).toBeCloseTo(11.01, 1);
    expect(answer.key.share).toBeCloseTo(0.025, 3);
  });
  it('hands its pictures over, each once', () => {
    expect(buffersOfBench(answered(meter()))).toHaveLength(2);
    expect(buffersOfBench(null)).toEqual([]);
  });
});
