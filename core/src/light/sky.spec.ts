import fc from 'fast-check';
import {
  evOfLux,
  luxOfEv,
  OPEN_GROUND,
  openSky,
  PLACE_WITHOUT_FOOTPRINTS,
  skyLuminanceEv,
  streetLight,
  yearlyTerm,
} from './index.js';

const sine = (deg: number): number => Math.sin((deg * Math.PI) / 180);

describe('sky over open ground, without the yearly term', () => {
  it.each([
    [60, 15.31, 15.39, 12.57],
    [30, 14.39, 15.13, 12.2],
    [10, 12.44, 14.02, 11.5],
  ])('clear at %d°: level %d, person %d, diffuse %d', (altitudeDeg, level, person, diffuse) => {
    const sky = openSky({ altitudeDeg, cloud: 0, dayOfYear: null });
    expect(evOfLux(sky.directNormalLux * sine(altitudeDeg) + sky.diffuseLux)).toBeCloseTo(level, 2);
    expect(evOfLux(sky.directNormalLux + sky.diffuseLux / 2)).toBeCloseTo(person, 2);
    expect(evOfLux(sky.diffuseLux)).toBeCloseTo(diffuse, 2);
  });

  it('overcast at 60° is 12.85 on the level, with no sun', () => {
    const sky = openSky({ altitudeDeg: 60, cloud: 1, dayOfYear: null });
    expect(sky.directNormalLux).toBe(0);
    expect(evOfLux(sky.diffuseLux)).toBeCloseTo(12.85, 2);
  });

  it('mixes linearly between neighbours', () => {
    const diffuse = (cloud: number): number => openSky({ altitudeDeg: 40, cloud, dayOfYear: null }).diffuseLux;
    expect(diffuse(0.25)).toBeCloseTo((diffuse(0) + diffuse(0.5)) / 2, 6);
    expect(diffuse(0.75)).toBeCloseTo((diffuse(0.5) + diffuse(1)) / 2, 6);
  });

  it('is 3.4 % stronger on 2 January than the mean', () => {
    expect(yearlyTerm(2)).toBeCloseTo(1.034, 9);
    expect(yearlyTerm(2 + 365 / 2)).toBeCloseTo(0.966, 9);
  });
});

describe('twilight', () => {
  const lux = (altitudeDeg: number, cityFloorLux = 0): number =>
    openSky({ altitudeDeg, cloud: 0, dayOfYear: null, cityFloorLux }).diffuseLux;

  it.each([
    [0, 800],
    [-6, 3.4],
    [-12, 0.008],
    [-18, 0.0006],
    [-40, 0.0006],
  ])('at %d° is %d lux', (altitudeDeg, expected) => {
    expect(lux(altitudeDeg)).toBeCloseTo(expected, 6);
  });

  it('stands on the city floor at night', () => {
    expect(lux(-30, 1)).toBeCloseTo(1.0006, 6);
  });

  it('never falls as the sun climbs, and steps by at most 0.16 EV per 0.1°, under any cloud', () => {
    for (const cloud of [0, 0.3, 0.5, 0.8, 1]) {
      for (let step = -200; step < 900; step++) {
        const at = (tenths: number): number => evOfLux(openSky({ altitudeDeg: tenths / 10, cloud, dayOfYear: 80 }).diffuseLux);
        const rise = at(step + 1) - at(step);
        expect([cloud, step, rise >= -1e-12, rise <= 0.16]).toEqual([cloud, step, true, true]);
      }
    }
  });
});

describe('what a street lets through', () => {
  const CANYON = { skyShare: 0.35, wallIncidence: 0.15, wallSkyShare: 0.23, groundLitShare: 0 };
  const at = (altitudeDeg: number, cloud = 0, surroundings = CANYON): Record<'shade' | 'camera' | 'contrast', number> => {
    const street = streetLight({ altitudeDeg, sky: openSky({ altitudeDeg, cloud, dayOfYear: null }), surroundings });
    const shade = evOfLux(street.shadeLux);
    return {
      shade,
      camera: evOfLux(street.cameraSideLux),
      contrast: evOfLux(Math.max(street.litGroundLux, street.litPersonLux)) - shade,
    };
  };

  it('gives an 8 m canyon the shade that people meter: EV 10.3 to 12.1 level, 9.3 to 11.1 on the camera side', () => {
    for (const altitudeDeg of [12, 20, 30, 40]) {
      const { shade, camera } = at(altitudeDeg);
      expect(shade).toBeGreaterThan(10.3);
      expect(shade).toBeLessThan(12.1);
      expect(camera).toBeGreaterThan(9.3);
      expect(camera).toBeLessThan(11.1);
    }
  });

  it('puts sun against shade 2.5 to 3.5 stops apart at mid-sun, less in haze', () => {
    expect(at(45).contrast).toBeGreaterThan(2.5);
    expect(at(45).contrast).toBeLessThan(3.5);
    expect(at(45, 0.5).contrast).toBeLessThan(2);
    expect(at(45, 1).contrast).toBeLessThan(0.1);
  });

  it('is the open sky itself on open ground', () => {
    const sky = openSky({ altitudeDeg: 40, cloud: 0, dayOfYear: null });
    expect(streetLight({ altitudeDeg: 40, sky, surroundings: OPEN_GROUND }).shadeLux).toBeCloseTo(sky.diffuseLux, 9);
  });

  it('follows the written sum for a place without footprints (worked by hand for 100 000 and 10 000 lux at 30°)', () => {
    const sky = { directNormalLux: 100_000, diffuseLux: 10_000 };
    const street = streetLight({ altitudeDeg: 30, sky, surroundings: PLACE_WITHOUT_FOOTPRINTS });
    // Walls 0.15·100 000 + 0.25·10 000 = 17 500; shade 5000 + 0.35·0.5·17 500 = 8062.5.
    expect(street.shadeLux).toBeCloseTo(8062.5, 6);
    expect(street.litGroundLux).toBeCloseTo(58_062.5, 6);
    expect(street.litPersonLux).toBeCloseTo(104_031.25, 6);
    expect(street.cameraSideLux).toBeCloseTo(4031.25 + 0.03 * 50_000, 6);
  });

  it('takes the lamps’ lux onto shade and camera side, whole', () => {
    const sky = { directNormalLux: 0, diffuseLux: 10 };
    const dark = streetLight({ altitudeDeg: -8, sky, surroundings: PLACE_WITHOUT_FOOTPRINTS });
    const lit = streetLight({ altitudeDeg: -8, sky, surroundings: PLACE_WITHOUT_FOOTPRINTS, lampsLux: 20 });
    expect(lit.shadeLux - dark.shadeLux).toBeCloseTo(20, 9);
    expect(lit.cameraSideLux - dark.cameraSideLux).toBeCloseTo(20, 9);
    expect(lit.daylightShadeLux).toBe(dark.shadeLux);
  });
});

describe('luminance as a meter reads it', () => {
  const sky = (fromSunDeg: number, altitudeDeg = 10, cloud = 0): number =>
    skyLuminanceEv({ diffuseLux: 2560, cloud, altitudeDeg, fromSunDeg });
  it('is EV(diffuse) + 2.47, and two more near a low sun', () => {
    expect(evOfLux(2560)).toBeCloseTo(10, 9);
    expect(sky(90)).toBeCloseTo(12.47, 9);
    expect(sky(10)).toBeCloseTo(14.47, 9);
    expect(sky(30)).toBeCloseTo(13.47, 9);
    expect(sky(10, 50)).toBeCloseTo(12.47, 9);
    expect(sky(10, 10, 1)).toBeCloseTo(12.47, 9);
  });
  it('turns lux to EV and back', () => {
    fc.assert(fc.property(fc.double({ min: -10, max: 20, noNaN: true }), (ev) => expect(evOfLux(luxOfEv(ev))).toBeCloseTo(ev, 9)));
  });
});
