import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readArchive } from './index.js';
import type { Archive } from '../archive/collections.js';
import { writeArchive } from '../archive/writeArchive.js';

const STORED = readFileSync(join(__dirname, '../../../reference/archives/v2.json'), 'utf8');
const ARCHIVE = (readArchive(STORED) as { archive: Archive }).archive;

/** The problems of the stored archive with something in it replaced. */
function problemsOf(change: (file: any) => void): readonly string[] {
  const file: unknown = JSON.parse(STORED);
  change(file);
  const read = readArchive(JSON.stringify(file));
  if (read.ok) throw new Error('expected a refusal');
  return read.problems;
}

describe('files that try it on', () => {
  it.each([
    [
      '200,000 keys that nobody knows',
      (f: any) => Object.assign(f, Object.fromEntries(Array.from({ length: 200_000 }, (_, k) => [`k${k}`, 1]))),
    ],
    [
      'the same in a body',
      (f: any) => Object.assign(f.kit[0], Object.fromEntries(Array.from({ length: 200_000 }, (_, k) => [`k${k}`, 1]))),
    ],
    ['two million nulls for kit', (f: any) => (f.kit = new Array(2_000_000).fill(null))],
    ['nulls for stops', (f: any) => (f.walks[0].stops = new Array(500_000).fill(null))],
    [
      'nulls for houses',
      (f: any) =>
        (f.districts = [
          {
            id: 'd',
            name: '',
            origin: { latitude: 0, longitude: 0 },
            buildings: new Array(500_000).fill(null),
            trees: [],
            waters: [],
          },
        ]),
    ],
    ['a key of ten megabytes', (f: any) => (f['x'.repeat(10_000_000)] = 1)],
  ])('%s are refused in few words', (_, change) => {
    const problems = problemsOf(change);
    expect(problems.length).toBeLessThanOrEqual(9);
    expect(problems.join('').length).toBeLessThan(2500);
  });
  it('a district of 2,000 houses is written a line a house, and comes back', () => {
    const footprint: [number, number][] = [
      [0, 0],
      [9.125, 0],
      [9.125, 9],
    ];
    const buildings = Array.from({ length: 2000 }, (__, k) => ({
      id: `b${k}`,
      footprint,
      heightM: 9,
      heightSource: 'given' as const,
    }));
    const district = { id: 'd', name: 'Old town', origin: { latitude: 46.5, longitude: -20.7 }, buildings, trees: [], waters: [] };
    const archive: Archive = { ...ARCHIVE, districts: [district] };
    const text = writeArchive(archive);
    expect(text.split('\n').filter((line) => line.includes('"footprint"'))).toHaveLength(2000);
    expect(readArchive(text)).toEqual({ ok: true, archive });
  });
});
