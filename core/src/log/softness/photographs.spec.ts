import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import jpeg from 'jpeg-js';
import { lumaOf } from './luma.js';
import { readSoftness } from './readSoftness.js';
import { softnessVerdict } from './verdict.js';

interface Known {
  readonly file: string;
  readonly fault: string;
  readonly subject: { readonly x: number; readonly y: number };
  readonly shutterS: number;
  readonly iso: number;
  readonly lengthPx: number | null;
  readonly directionDeg: number | null;
}

const FOLDER = join(__dirname, 'fixtures');
const KNOWN = JSON.parse(readFileSync(join(FOLDER, 'frames.json'), 'utf8')) as readonly Known[];

const told = KNOWN.map((known) => {
  const { data, width, height } = jpeg.decode(readFileSync(join(FOLDER, known.file)), { useTArray: true });
  const reading = readSoftness(lumaOf(Uint8ClampedArray.from(data), width, height));
  return { known, verdict: softnessVerdict(reading, known.subject, known) };
});

/** Two photographs that nobody here made, of those tuned on, each with six faults and none; docs/log.md has the table of the others. */
describe('photographs that nobody here made', () => {
  it('are told by what spoils them: at least twelve of fourteen, and the others not for sure', () => {
    const isRight = ({ known: { fault }, verdict: { looksLike } }: (typeof told)[number]): boolean =>
      looksLike === (fault === 'untouched' ? 'good' : fault);
    expect(told).toHaveLength(14);
    expect(told.filter(isRight).length).toBeGreaterThanOrEqual(12);
    expect(told.filter((one) => !isRight(one) && one.verdict.confidence > 0.8)).toEqual([]);
  });

  it('that were shaken along a line are so by its length, within 15 % or a pixel and a half, and along it within 6°', () => {
    const straight = told.filter(({ known }) => known.fault === 'shake' && known.lengthPx !== null);
    expect(straight.length).toBeGreaterThanOrEqual(1);
    for (const { known, verdict } of straight) {
      const { lengthPx = 0, directionDeg = 0 } = verdict.evidence.smear ?? {};
      const truth = known.lengthPx as number;
      expect(Math.abs(lengthPx - truth)).toBeLessThanOrEqual(Math.max(1.5, 0.15 * truth));
      expect(Math.abs(((directionDeg - (known.directionDeg as number) + 270) % 180) - 90)).toBeLessThanOrEqual(6);
    }
  });

  it('cannot have been shaken at 1/2000 s, nor be noisy at ISO 100, unless it is very plain', () => {
    const first = told.find(({ known }) => known.file === 'rocket-shake.jpg');
    if (first === undefined) throw new Error('no such fixture');
    const slow = first.verdict.shares;
    const { data, width, height } = jpeg.decode(readFileSync(join(FOLDER, first.known.file)), { useTArray: true });
    const reading = readSoftness(lumaOf(Uint8ClampedArray.from(data), width, height));
    const fast = softnessVerdict(reading, first.known.subject, { shutterS: 1 / 2000, iso: 100 }).shares;
    // Against nothing being wrong the odds are those of the picture times a fiftieth.
    expect(fast.shake / fast.good).toBeCloseTo((0.02 * slow.shake) / slow.good, 6);
  });
});
