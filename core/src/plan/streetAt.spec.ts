import type { District } from '../streets/index.js';
import { isIndoors, streetAt } from './index.js';

type Building = District['buildings'][number];
const block = (id: string, west: number, south: number, east: number, north: number): Building => ({
  id,
  heightM: 10,
  heightSource: 'given',
  footprint: [
    [west, south],
    [east, south],
    [east, north],
    [west, north],
  ],
});

/** A street 6 m wide that runs north, houses on both sides, and a lane behind the eastern ones. */
const TOWN: Pick<District, 'buildings' | 'ways'> = {
  buildings: [block('left', -13, -60, -3, 60), block('right', 3, -60, 11, 60), block('behind', 15, -60, 25, 60)],
  ways: [
    { id: 'a', name: 'Long Street', kind: 'street', points: [[0, 60], [0, -60]] }, // prettier-ignore
    { id: 'b', name: 'Back Lane', kind: 'path', widthM: 4, points: [[13, -60], [13, 60]] }, // prettier-ignore
  ],
};

describe('the street at a place', () => {
  it('has its name and axis from the map, its width from the walls', () => {
    expect(streetAt(TOWN, { eastM: 0.5, northM: 10 })).toEqual({
      name: 'Long Street',
      kind: 'street',
      axisDeg: 0,
      widthM: 6,
      side: 'middle',
    });
  });

  it.each([
    [-2, 'left'],
    [2, 'right'],
  ])('sees from %d m that one stands on the %s, whichever way the street was drawn', (eastM, side) => {
    expect(streetAt(TOWN, { eastM, northM: 0 })?.side).toBe(side);
  });

  it('takes the lane that no wall divides from the place', () => {
    expect(streetAt(TOWN, { eastM: 12, northM: 0 })?.name).toBe('Back Lane');
    // In the open, 14 m west of the western house, nothing is near.
    expect(streetAt(TOWN, { eastM: -27, northM: 0 })).toBeNull();
  });

  it('has what the map says of the width where there are no walls, and the walls alone where there are no streets', () => {
    const bare = { ...TOWN, buildings: [] };
    expect(streetAt(bare, { eastM: 14.5, northM: 0 })).toMatchObject({ widthM: 4, side: 'right' });
    expect(streetAt(bare, { eastM: 1, northM: 0 })).toMatchObject({ widthM: null, side: 'middle' });
    expect(streetAt({ buildings: TOWN.buildings }, { eastM: -2, northM: 0 })).toEqual({
      name: null,
      kind: null,
      axisDeg: 0,
      widthM: 6,
      side: 'left',
    });
  });
});

describe('a place inside a house', () => {
  it.each([
    [7, 0, true],
    [0, 0, false],
    [3, 0, false],
  ])('%d m east, %d m north: %s', (eastM, northM, isIn) => expect(isIndoors(TOWN, { eastM, northM })).toBe(isIn));

  it('is neither its courtyard nor the passage under it', () => {
    const [left, house] = TOWN.buildings as [Building, Building];
    const yard: Building['footprint'] = [
      [5, -5],
      [9, -5],
      [9, 5],
      [5, 5],
    ];
    expect(isIndoors({ buildings: [left, { ...house, courtyards: [yard] }] }, { eastM: 7, northM: 0 })).toBe(false);
    expect(isIndoors({ buildings: [left, { ...house, baseM: 4 }] }, { eastM: 7, northM: 0 })).toBe(false);
  });
});
