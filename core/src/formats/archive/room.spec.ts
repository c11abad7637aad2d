import type { District } from '../../streets/index.js';
import { fitTogether } from './room.js';

const ring = (corners: number): District['waters'][number] => Array.from({ length: corners }, (_, k) => [k, 0] as const);
const district = (over: Partial<District>): District => ({
  id: 'd',
  name: 'Orrel',
  origin: { latitude: 46.5, longitude: -20.7 },
  buildings: [],
  trees: [],
  waters: [],
  ...over,
});

describe('districts that are held together', () => {
  const water = ring(1_000_000);
  it('may have five million corners, those of waters and courtyards too', () => {
    const five = Array.from({ length: 5 }, () => district({ waters: [water] }));
    expect(fitTogether([])).toBe(true);
    expect(fitTogether(five)).toBe(true);
    const house = { id: 'h', footprint: ring(4), heightM: 9 } as unknown as District['buildings'][number];
    expect(fitTogether([...five, district({ buildings: [house] })])).toBe(false);
    const court = { ...house, footprint: [], courtyards: [ring(4)] } as District['buildings'][number];
    expect(fitTogether([...five, district({ buildings: [court] })])).toBe(false);
  });
});
