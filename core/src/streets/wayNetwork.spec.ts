import { type Way, wayNetwork } from './index.js';

const way = (id: string, points: Way['points'], kind: Way['kind'] = 'street'): Way => ({ id, kind, points });

/** A block 100 m by 60 m walked round, a stair of 40 m through its middle, and a yard that leads nowhere. */
const ROUND = [
  way('south', [
    [0, 0],
    [50, 0],
    [100, 0],
  ]),
  way('east', [
    [100, 0],
    [100, 60],
  ]),
  way('north', [
    [100, 60],
    [50, 60],
    [0, 60],
  ]),
  way('west', [
    [0, 60],
    [0, 0],
  ]),
];
const STAIR = way(
  'stair',
  [
    [50, 0],
    [50, 60],
  ],
  'steps',
);
const YARD = way('yard', [
  [40, 8],
  [45, 8],
]);

describe('ways along the streets', () => {
  const by = (ways: readonly Way[]) => wayNetwork(ways).between;

  it('goes round where one has to', () => {
    const found = by(ROUND)({ eastM: 50, northM: 0 }, { eastM: 50, northM: 60 });
    expect(found).toMatchObject({ lengthM: 160, stepsM: 0 });
    expect(found?.points[0]).toEqual([50, 0]);
    expect(found?.points.at(-1)).toEqual([50, 60]);
  });

  it('takes the stair where it is quicker: 60 m of steps stand for 120', () => {
    expect(by([...ROUND, STAIR])({ eastM: 50, northM: 0 }, { eastM: 50, northM: 60 })).toMatchObject({ lengthM: 60, stepsM: 60 });
    // From the corner round the west it is 60 + 20 m, by the stair 50 + 60·2 + 30.
    expect(by([...ROUND, STAIR])({ eastM: 0, northM: 0 }, { eastM: 20, northM: 60 })).toMatchObject({ lengthM: 80, stepsM: 0 });
  });

  it('begins and ends beside the street, and between two of its corners', () => {
    const found = by(ROUND)({ eastM: 10, northM: -5 }, { eastM: 30, northM: -5 });
    expect(found?.lengthM).toBeCloseTo(5 + 20 + 5);
    expect(found?.points).toEqual([
      [10, -5],
      [10, 0],
      [30, 0],
      [30, -5],
    ]);
  });

  it('crosses over where two stand nearer to one another than to the street', () => {
    expect(by(ROUND)({ eastM: 10, northM: -20 }, { eastM: 16, northM: -20 })).toMatchObject({ lengthM: 6, stepsM: 0 });
  });

  it('does not strand in a yard that hangs on nothing, nearer though it be', () => {
    expect(by([...ROUND, YARD])({ eastM: 42, northM: 9 }, { eastM: 100, northM: 30 })?.lengthM).toBeCloseTo(9 + 58 + 30);
  });

  it('knows no way off the map, across a gap, or without streets', () => {
    expect(by(ROUND)({ eastM: 50, northM: 0 }, { eastM: 50, northM: 160 })).toBeNull();
    const apart = [ROUND[0] as Way, way('far', [[0, 500], [100, 500]])]; // prettier-ignore
    expect(by(apart)({ eastM: 0, northM: 0 }, { eastM: 0, northM: 500 })).toBeNull();
    expect(by([])({ eastM: 0, northM: 0 }, { eastM: 1, northM: 0 })).toBeNull();
  });

  it('leaves the streets as they were: asked again it finds the same', () => {
    const between = by([...ROUND, STAIR]);
    const ask = () => between({ eastM: 10, northM: 2 }, { eastM: 90, northM: 58 });
    const first = ask();
    expect([ask(), ask()]).toEqual([first, first]);
  });
});
