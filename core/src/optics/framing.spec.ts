import fc from 'fast-check';
import { LENS_28 } from '../../reference/sampleKit.js';
import {
  barrelTape,
  cameraHeightForLevelM,
  distanceForPersonShareM,
  edgeLeanDeg,
  heightRatio,
  levelFacade,
  personHeightShare,
  presetZones,
  standForRatioM,
  standWhereTopsMeetM,
  tiltForFacade,
} from './index.js';

/** 28 mm on 36 x 24 mm. */
const LEVEL = { focalLengthMm: 28, uprightMm: 24 };
const TURNED = { focalLengthMm: 28, uprightMm: 36 };

describe('a person in the frame', () => {
  it('of 1.7 m at 3 m fills 28·1.7/2.972/24 = 0.667 of it', () => {
    expect(personHeightShare({ ...LEVEL, distanceM: 3 })).toBeCloseTo(0.6673, 4);
  });
  it('is found again from the share', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 3, noNaN: true }), (share) => {
        const distanceM = distanceForPersonShareM({ ...TURNED, share });
        expect(personHeightShare({ ...TURNED, distanceM })).toBeCloseTo(share, 9);
      }),
    );
  });
  it.each([
    [{ ...LEVEL, distanceM: 0.02 }, 'distanceM must be'],
    [{ ...LEVEL, uprightMm: 0, distanceM: 3 }, 'uprightMm must be'],
  ])('refuses %j', (options, message) => {
    expect(() => personHeightShare(options)).toThrow(message);
  });
});

describe('a façade of 12 m', () => {
  it('fits level from 0.028 + 2·28·10.4/24 = 24.29 m, from half way up 14.03 m', () => {
    const stand = levelFacade({ ...LEVEL, facadeHeightM: 12 });
    expect(stand.fromEyeM).toBeCloseTo(24.295, 3);
    expect(stand.fromHalfwayM).toBeCloseTo(14.028, 3);
  });
  it('turned upright from 0.028 + 2·28·10.4/36 = 16.21 m', () => {
    expect(levelFacade({ ...TURNED, facadeHeightM: 12 }).fromEyeM).toBeCloseTo(16.206, 3);
  });
  it('at 15 m wants the camera at 12 − 14.972·24/56 = 5.583 m; far back any height does', () => {
    expect(cameraHeightForLevelM({ ...LEVEL, facadeHeightM: 12, distanceM: 15 })).toBeCloseTo(5.583, 3);
    expect(cameraHeightForLevelM({ ...LEVEL, facadeHeightM: 12, distanceM: 60 })).toBe(0);
  });
  it('at 12 m wants a tilt of 40.914° − 23.199° = 17.71°, and loses 0.45 m of its foot', () => {
    // Lower edge 5.484° under level: 1.6 − 12·tan 5.484° = 0.448 m.
    const { tiltDeg, footLostM } = tiltForFacade({ ...LEVEL, facadeHeightM: 12, distanceM: 12 });
    expect(tiltDeg).toBeCloseTo(17.715, 2);
    expect(footLostM).toBeCloseTo(0.448, 2);
    expect(tiltForFacade({ ...LEVEL, facadeHeightM: 12, distanceM: 40 })).toEqual({ tiltDeg: 0, footLostM: 0 });
  });
  it('leans at the sides by atan(18·tan 10°/28) = 6.47° when tilted by 10°', () => {
    expect(edgeLeanDeg({ focalLengthMm: 28, acrossMm: 36, tiltDeg: 10 })).toBeCloseTo(6.467, 3);
    expect(edgeLeanDeg({ focalLengthMm: 28, acrossMm: 36, tiltDeg: 0 })).toBe(0);
  });
});

describe('a lamp of 4 m and a tower of 30 m, 190 m behind it', () => {
  const things = { nearHeightM: 4, farHeightM: 30, gapM: 190 };
  it('seen from 10 m: (30/200)/(4/10) = 0.375', () => {
    expect(heightRatio({ ...things, distanceM: 10 })).toBeCloseTo(0.375, 9);
  });
  it('are as tall as one another from 4·190/26 = 29.23 m', () => {
    expect(standForRatioM({ ...things, ratio: 1 })).toBeCloseTo(29.23, 2);
    // The tower is 7.5 times the lamp: no distance makes more of it.
    expect(standForRatioM({ ...things, ratio: 7.5 })).toBeNull();
  });
  it('have their tops level from 190·2.4/26 = 17.54 m', () => {
    expect(standWhereTopsMeetM(things)).toBeCloseTo(17.538, 3);
    expect(standWhereTopsMeetM({ ...things, nearHeightM: 1.2 })).toBeNull();
    expect(standWhereTopsMeetM({ ...things, farHeightM: 4 })).toBeNull();
  });
});

describe('the zone table', () => {
  it('has sheet 2’s field: 3 m at f/7.1 from 1.706 to 12.41 m, and none past diffraction', () => {
    const [row] = presetZones({
      focalLengthMm: 28,
      circleOfConfusionMm: 0.028844,
      fNumbers: [2 ** (17 / 6), 45],
      focusDistancesM: [3],
    });
    expect(row?.[0]?.sharp?.nearM).toBeCloseTo(1.706, 3);
    expect(row?.[0]?.sharp?.farM).toBeCloseTo(12.41, 2);
    expect(row?.[1]?.sharp).toBeNull();
  });
});

describe('the barrel tape', () => {
  /** A throw that is straight in 1/distance: 30° to the dioptre, infinity at 90°. */
  const straight = {
    ringDiameterMm: 360 / Math.PI,
    turnToInfinity: 'clockwise' as const,
    throwPoints: [0.5, 1, 2, 4, Infinity].map((distanceM) => ({ distanceM, degrees: 90 - 30 / distanceM })),
  };
  const lens = { focalLengthMm: 28, circleOfConfusionMm: 0.0288, fNumbers: [5.6, 8], distancesM: [0.5, 1, 2, 5, Infinity] };

  it('has a millimetre to the degree on a ring of 360/π mm, infinity on the left', () => {
    const tape = barrelTape({ measured: straight, ...lens });
    if (tape.kind !== 'tape') throw new Error(tape.kind);
    expect(tape.lengthMm).toBeCloseTo(60, 9);
    expect(tape.distances.map(({ atMm }) => Number(atMm.toFixed(6)))).toEqual([60, 30, 15, 6, 0]);
    const turned = barrelTape({ measured: { ...straight, turnToInfinity: 'anticlockwise' }, ...lens });
    if (turned.kind !== 'tape') throw new Error(turned.kind);
    expect(turned.distances.map(({ atMm }) => Number(atMm.toFixed(6)))).toEqual([0, 30, 45, 54, 60]);
  });

  it('marks depth nearly alike either way and everywhere on a straight throw', () => {
    // Depth in dioptres is c·N/f² whatever the focus, but for f in u − f: 0.0288·8/784·1000 = 0.294, at 30° to it 8.8 mm;
    // diffraction takes 3.4 % of c: 8.5 mm.
    const tape = barrelTape({ measured: straight, ...lens });
    if (tape.kind !== 'tape') throw new Error(tape.kind);
    const eight = tape.depth.find(({ fNumber }) => fNumber === 8);
    expect(eight?.leftMm).toBeCloseTo(8.4, 0);
    expect(eight?.rightMm).toBeCloseTo(8.4, 0);
    expect(eight?.offMm).toBeLessThan(0.6);
  });

  it('reads a bent throw between its measured distances in dioptres, and owns up to what a fixed depth mark is off', () => {
    const bent = { ...straight, throwPoints: LENS_THROW };
    const tape = barrelTape({ measured: bent, ...lens, distancesM: [1, 2, 5, Infinity] });
    if (tape.kind !== 'tape') throw new Error(tape.kind);
    const at = (distanceM: number): number => tape.distances.find((one) => one.distanceM === distanceM)?.atMm ?? NaN;
    expect(at(1)).toBeCloseTo(32, 9);
    // 2 m is ½ dioptre: between 3 m (⅓, 11°) and 1 m (1, 32°): 11 + 21·(1/6)/(2/3) = 16.25°.
    expect(at(2)).toBeCloseTo(16.25, 6);
    expect(tape.depth.every(({ offMm }) => offMm > 0)).toBe(true);
  });

  it.each([
    [{ ringDiameterMm: null }, ['ringDiameter']],
    [{ turnToInfinity: null }, ['direction']],
    [{ throwPoints: [] }, ['infinity', 'moreDistances']],
    [{ throwPoints: [...straight.throwPoints, { distanceM: 3, degrees: 20 }] }, ['order']],
  ])('says what to measure: %j', (spoiled, missing) => {
    expect(barrelTape({ measured: { ...straight, ...spoiled }, ...lens })).toEqual({ kind: 'needs', missing });
  });

  it('of a lens without measurements asks for all of it', () => {
    expect(barrelTape({ measured: LENS_28, ...lens })).toMatchObject({ kind: 'needs' });
  });
});

const LENS_THROW = [
  { distanceM: 0.3, degrees: 0 },
  { distanceM: 1, degrees: 62 },
  { distanceM: 3, degrees: 83 },
  { distanceM: Infinity, degrees: 94 },
];
