import { block } from '../../../reference/blocks.js';
import { type Building, evOfLux, openSky, readPrism, streetLight } from '../../light/index.js';
import { EVERY_BEARING, horizonSteps, sightAt, type SiteLook, siteScene, uprightSkyShareOf } from '../index.js';
import { finish } from '../../units/index.js';

const LOOK: SiteLook = {
  latitude: 46.5,
  shootingBearingDeg: 90,
  halfFieldDeg: 32,
  subject: { nearM: 2, farM: 5, medianM: 3 },
  travelAngleDeg: 90,
  looksFor: 'ground',
};
const sun = (azimuthDeg: number, altitudeDeg: number) => ({ azimuthDeg, altitudeDeg });

describe('the light of an endless canyon, 8 m between 12 m walls, clear sky, sun 30° up (worked sheet of the model)', () => {
  const buildings = [block(-5000, 4, 5000, 16, 12), block(-5000, -16, 5000, -4, 12)];
  const canyon = siteScene({ buildings, eastM: 0, northM: 0 }, { ...LOOK, subject: { ...LOOK.subject, medianM: 1e-3 } });
  const sky = openSky({ altitudeDeg: 30, cloud: 0, dayOfYear: null });
  const lightUnder = (azimuthDeg: number, groundLitShare: number) => {
    const { surroundings } = sightAt(canyon, sun(azimuthDeg, 30));
    const street = streetLight({ altitudeDeg: 30, sky, surroundings: { ...surroundings, groundLitShare } });
    const wallsKlx = (surroundings.wallIncidence * sky.directNormalLux + surroundings.wallSkyShare * sky.diffuseLux) / 1000;
    return { wallsKlx, shadeEv: evOfLux(street.shadeLux), cameraSideEv: evOfLux(street.cameraSideLux) };
  };
  const upright = (heightM: number): number => {
    const before = Uint8Array.from(EVERY_BEARING);
    const prisms = buildings.map((building) => readPrism(building, 'wall'));
    const horizon = finish(horizonSteps([{ eastM: 0, northM: 3.999, heightM }], prisms, before));
    return uprightSkyShareOf(horizon, 0, 180);
  };

  it('sees 0.36 of the sky, its walls 0.104 at 1.6 m, 0.200 at 6 m, 0.229 on the mean of what is looked at', () => {
    expect(sky.directNormalLux).toBeCloseTo(83_800, -2);
    expect(sky.diffuseLux).toBeCloseTo(11_760, -1);
    expect(canyon.skyShare).toBeCloseTo(0.36, 2);
    expect(upright(1.6)).toBeCloseTo(0.104, 3);
    expect(upright(6)).toBeCloseTo(0.2, 3);
    expect(canyon.wallSkyShare).toBeCloseTo(0.229, 2);
  });
  it.each([
    ['along the street', 90, 1, 2.69, 10.92, 11.37],
    ['across it', 180, 0, 15.3, 11.58, 10.58],
  ] as const)('with the sun %s', (_, azimuthDeg, groundLitShare, wallsKlx, shadeEv, cameraSideEv) => {
    const found = lightUnder(azimuthDeg, groundLitShare);
    // A tenth of a stop: 7 % of the light.
    expect(Math.abs(Math.log2(found.wallsKlx / wallsKlx))).toBeLessThan(0.1);
    expect(Math.abs(found.shadeEv - shadeEv)).toBeLessThan(0.1);
    expect(Math.abs(found.cameraSideEv - cameraSideEv)).toBeLessThan(0.1);
  });
  it('an upright plate in the open gets half of the sky, whichever way it faces', () => {
    const open = finish(horizonSteps([{ eastM: 0, northM: 0, heightM: 1.6 }], []));
    for (const normalDeg of [0, 33, 270]) expect(uprightSkyShareOf(open, 0, normalDeg)).toBeCloseTo(0.5, 4);
  });
});

describe('the façade ahead', () => {
  const look: SiteLook = { ...LOOK, shootingBearingDeg: 0, looksFor: 'face' };
  const faceOf = (buildings: readonly Building[], more: Partial<SiteLook> = {}) =>
    siteScene({ buildings, eastM: 0, northM: 0 }, { ...look, ...more }).face;
  const heights = (buildings: readonly Building[], more: Partial<SiteLook> = {}): readonly number[] =>
    (faceOf(buildings, more)?.rays ?? []).flatMap(({ hit }) => (hit.kind === 'wall' ? [hit.point.heightM] : []));

  it('is looked at from the ground to the frame’s top: 12 m off, 32° to the side, tan 32°·2/3·12 m over the eye', () => {
    // 1.6 + 12·0.6249·2/3 = 6.60 m; the highest of eight rows is at 15/16 of it.
    const wall = [block(-60, 12, 60, 22, 20)];
    expect(Math.max(...heights(wall, { halfFieldDeg: 32 }))).toBeCloseTo((6.6 * 15) / 16, 1);
    expect(Math.min(...heights(wall, { halfFieldDeg: 32 }))).toBeCloseTo(6.6 / 16, 1);
    // Held upright, half as high again as wide: 1.6 + 12·0.6249·3/2 = 12.85 m.
    expect(Math.max(...heights(wall, { halfFieldDeg: 32, isFrameUpright: true }))).toBeCloseTo((12.85 * 15) / 16, 1);
  });
  it('ends at its own top where that is lower', () => {
    expect(Math.max(...heights([block(-60, 12, 60, 22, 4)], { halfFieldDeg: 32 }))).toBeCloseTo((4 * 15) / 16, 1);
  });
  it('takes neighbours in one plane together, and not what stands back by half a metre', () => {
    const row = [block(-12, 12, 0, 22, 9), block(0, 12.2, 12, 22, 9)];
    const stepped = [block(-12, 12, 0, 22, 9), block(0, 12.6, 12, 22, 9)];
    const sides = (buildings: readonly Building[]): number =>
      new Set((faceOf(buildings, { halfFieldDeg: 32 })?.rays ?? []).map(({ hit }) => hit.kind === 'wall' && hit.face)).size;
    expect([sides(row), sides(stepped)]).toEqual([2, 1]);
  });
  it('leaves out what something stands before', () => {
    const open = heights([block(-60, 20, 60, 30, 20)]).length;
    const hidden = heights([block(-60, 20, 60, 30, 20), block(-1, 8, 1, 9, 3)]).length;
    expect(hidden).toBeLessThan(open);
    expect(faceOf([])).toBeNull();
  });
});
