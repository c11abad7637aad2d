import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readArchive } from '../formats/reading/index.js';
import { dialCard, type SetUpInput } from '../setup/index.js';
import { kitInHand } from './bag.js';
import { lightFor, nightSchools, schoolsOfNight, setUpInputFor, type SchoolByLight } from './index.js';

describe('the schools of a night', () => {
  const table = (school: SchoolByLight['school'], chances: readonly number[]): SchoolByLight => ({
    school,
    chances: { firstEv100: 0, chances },
  });
  // By thirds from EV 0: one rises by 0.1 a third, the other stands at 0.45; they meet at EV 1½.
  const rising = table('highIso', [0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9]);
  const level = table('tripod', Array<number>(10).fill(0.45));

  it('overtake each other where their chances meet, as the light falls and comes again', () => {
    // EV 3 at minute 1300, a stop less every 60 min until 1480, then back.
    const evAt = (minute: number): number => Math.abs(minute - 1480) / 60;
    const night = schoolsOfNight([rising, level], evAt, 1300, 1660);
    expect(night.first).toBe('highIso');
    // They meet at minute 1390 and at 1570; a hundredth later one is better.
    expect(night.overtakings).toEqual([
      { atMin: 1392, from: 'highIso', to: 'tripod' },
      { atMin: 1572, from: 'tripod', to: 'highIso' },
    ]);
    expect(night.schools[0]?.chances).toHaveLength(361);
    expect(night.schools[0]?.chances[90]).toBeCloseTo(0.45, 9);
  });
  it('that are as good as each other do not take turns', () => {
    const even = table('baseIsoHeld', Array<number>(10).fill(0.455));
    expect(schoolsOfNight([level, even], () => 1, 1300, 1400)).toMatchObject({ first: 'baseIsoHeld', overtakings: [] });
    expect(schoolsOfNight([], () => 1, 1300, 1310)).toMatchObject({ first: null, overtakings: [] });
  });

  const read = readArchive(readFileSync(join(__dirname, '../../reference/archives/v6.json'), 'utf8'));
  if (!read.ok) throw new Error(read.message);
  const { archive } = read;
  const walk = archive.walks[1];
  const inputOf = (stopId: string): SetUpInput => {
    const stop = walk?.stops.find(({ id }) => id === stopId);
    const kit = walk === undefined || stop === undefined ? null : kitInHand(archive.kit, walk, stop);
    const light = walk === undefined || stop === undefined ? null : lightFor(walk, stop, stop.arriveMin, null);
    if (walk === undefined || stop === undefined || kit === null || light === null) throw new Error('no such stop');
    return setUpInputFor(archive, walk, stop, kit, light);
  };

  it('are as good at a light as the card says of their approach', () => {
    const input = inputOf('night-arcade');
    const all = nightSchools(input, 5, 6);
    expect(all.map(({ school }) => school)).toEqual(['highIso', 'baseIsoHeld', 'tripod']);
    const highIso = all[0];
    const approach = { ...input.approach, exposure: 'fixedIso', support: 'handheld' } as const;
    const card = dialCard({ ...input, approach, light: { ...input.light, keyEv100: 6 } });
    expect(highIso?.chances.chances.at(-1)).toBeCloseTo(card.setUp.found.chance, 6);
    // People under an arcade's lamps: base ISO by hand smears them.
    const at6 = (k: number): number => all[k]?.chances.chances.at(-1) ?? 0;
    expect(at6(0)).toBeGreaterThan(at6(1) + 0.2);
  });
  it('have no tripod where there is none in the bag', () => {
    const bare = { ...inputOf('night-weir'), supports: ['handheld'] as const };
    expect(nightSchools(bare, 0, 1).map(({ school }) => school)).toEqual(['highIso', 'baseIsoHeld']);
  });
});
