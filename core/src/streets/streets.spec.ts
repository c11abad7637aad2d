import fc from 'fast-check';
import { block } from '../../reference/blocks.js';
import { apparentSun, isSunlit, readPrism, shadowScene } from '../light/index.js';
import {
  areTreesInLeaf,
  castRay,
  creepMPerMin,
  crownPrism,
  GRID_CELLS,
  GRID_SIDE,
  largestPatch,
  largestSquareM,
  metresFrom,
  placeAt,
  sectionBuildings,
  seenCells,
  sightAt,
  type Site,
  type SiteLook,
  siteScene,
  streetCut,
  streetShape,
} from './index.js';

const LOOK: SiteLook = {
  latitude: 46.5,
  shootingBearingDeg: 90,
  halfFieldDeg: 32,
  subject: { nearM: 2, farM: 5, medianM: 3 },
  travelAngleDeg: 90,
  looksFor: 'ground',
};
const sun = (azimuthDeg: number, altitudeDeg: number) => ({ azimuthDeg, altitudeDeg });
/** An endless street along 90°, 8 m wide between walls of 12 m. */
const CANYON: Site = { buildings: [block(-900, 4, 900, 16, 12), block(-900, -16, 900, -4, 12)], eastM: 0, northM: 0 };

describe('a look', () => {
  const prisms = [readPrism(block(10, -5, 20, 5, 8), 'b'), readPrism(block(30, -5, 40, 5, 20, 6), 'arch')];
  const look = (bearingDeg: number, elevationDeg: number) =>
    castRay({ from: { eastM: 0, northM: 0, heightM: 1.6 }, bearingDeg, elevationDeg, groundM: 0, prisms });

  it('meets the near wall, which faces back', () => {
    expect(look(90, 0)).toMatchObject({ kind: 'wall', normalDeg: 270, point: { heightM: 1.6 } });
    expect((look(90, 20) as { point: { heightM: number } }).point.heightM).toBeCloseTo(1.6 + 10 * Math.tan(Math.PI / 9), 2);
  });
  it('passes over a roof to what is behind, under an arch to its ceiling, to ground and sky', () => {
    // Over 8 m at 10 m: 32.6°; the arch's wall at 30 m from 6 to 20 m: 8.3° to 31.5°.
    expect(look(90, 33).kind).toBe('sky');
    expect(look(270, 0).kind).toBe('sky');
    expect(look(270, -10)).toMatchObject({ kind: 'ground', point: { heightM: 0 } });
    const below = castRay({ from: { eastM: 25, northM: 0, heightM: 1.6 }, bearingDeg: 90, elevationDeg: 30, groundM: 0, prisms });
    expect(below).toEqual({ kind: 'ceiling' });
  });
  it('sees the sky in flat water, and the ground beside it', () => {
    const water = readPrism({ footprint: block(-60, -5, -10, 5, 1).footprint, heightM: 1 }, 'water');
    const west = (elevationDeg: number, bearingDeg = 270) =>
      castRay({ from: { eastM: 0, northM: 0, heightM: 1.6 }, bearingDeg, elevationDeg, groundM: 0, prisms, waters: [water] }).kind;
    expect([west(-3), west(-3, 250), west(-11)]).toEqual(['water', 'ground', 'ground']);
  });
});

describe('what the camera sees of its ground', () => {
  it('is the wedge of its field, up to the walls', () => {
    const camera = { eastM: 0, northM: 0, groundM: 0, shootingBearingDeg: 90, halfFieldDeg: 45 };
    const open = seenCells(camera, []);
    // Within 45°: |aside| <= ahead, by rows of 0.5 m: 2·(row + 1) cells until the grid's 24.
    const expected = Array.from({ length: GRID_SIDE }, (_, row) => Math.min(GRID_SIDE, 2 * (row + 1)));
    const byRow = expected.map((_, row) => open.slice(row * GRID_SIDE, (row + 1) * GRID_SIDE).reduce((a, b) => a + b, 0));
    expect(byRow).toEqual(expected);
    const walled = seenCells(camera, [readPrism(block(6, -50, 8, 50, 3), 'wall')]);
    expect(walled.slice(12 * GRID_SIDE).every((cell) => cell === 0)).toBe(true);
    expect(walled.slice(0, 11 * GRID_SIDE)).toEqual(open.slice(0, 11 * GRID_SIDE));
  });
});

describe('patches', () => {
  const cells = (isLit: (row: number, column: number) => boolean): Uint8Array =>
    Uint8Array.from({ length: GRID_CELLS }, (_, cell) => Number(isLit(Math.floor(cell / GRID_SIDE), cell % GRID_SIDE)));

  it('are 4-connected: of two that touch at a corner the larger counts', () => {
    const lit = cells((row, column) => (row < 4 && column < 4) || (row >= 4 && row < 6 && column >= 4 && column < 6));
    expect(largestPatch(lit, 90)).toEqual({ areaM2: 4, aheadM: 1, asideM: -5, alongPathM: 2 });
    expect(
      largestPatch(
        cells(() => false),
        90,
      ),
    ).toBeNull();
  });
  it('have a length along the walkers’ path', () => {
    const strip = cells((row, column) => row < 2 && column < 20);
    expect(largestPatch(strip, 90)?.alongPathM).toBeCloseTo(10, 9);
    expect(largestPatch(strip, 0)?.alongPathM).toBeCloseTo(1, 9);
  });
  it('hold a largest square, however they are shaped', () => {
    expect(largestSquareM(cells((row, column) => row >= 3 && row < 8 && column >= 2 && column < 20))).toBe(2.5);
    expect(largestSquareM(cells((row, column) => row === column))).toBe(0.5);
    fc.assert(
      fc.property(fc.uint8Array({ minLength: GRID_CELLS, maxLength: GRID_CELLS, max: 3 }), (noise) => {
        const lit = noise.map((value) => (value > 0 ? 1 : 0));
        const holds = (side: number): boolean => {
          for (let row = 0; row + side <= GRID_SIDE; row++)
            for (let column = 0; column + side <= GRID_SIDE; column++) {
              let isWhole = true;
              for (let k = 0; k < side * side && isWhole; k++)
                isWhole = lit[(row + Math.floor(k / side)) * GRID_SIDE + column + (k % side)] === 1;
              if (isWhole) return true;
            }
          return false;
        };
        const side = largestSquareM(lit) / 0.5;
        expect([holds(side), holds(side + 1)]).toEqual([true, false]);
      }),
      { numRuns: 40 },
    );
  });
  it('creep by area over border: an edge 12 m long that moves half a metre in ten minutes does 5 cm a minute', () => {
    const all = cells(() => true);
    const now = cells((row) => row < 10);
    const later = cells((row) => row < 11);
    expect(creepMPerMin(now, later, all)).toBeCloseTo(0.05, 9);
    expect(creepMPerMin(all, all, all)).toBe(0);
  });
});

describe('the sight from a stop', () => {
  const canyon = siteScene(CANYON, LOOK);

  it('of a canyon: along its axis the sun reaches all of it, across only over the wall', () => {
    expect(sightAt(canyon, sun(90, 10))).toMatchObject({ spotSun: 1, eyeSun: 1, litShare: 1, zoneLitShare: 1 });
    // The middle at 1.6 m: atan(10.4/4) = 68.96°.
    expect([sightAt(canyon, sun(180, 68.7)).spotSun, sightAt(canyon, sun(180, 69.3)).spotSun]).toEqual([0, 1]);
    expect(sightAt(canyon, sun(180, 0)).litShare).toBe(0);
  });
  it('of the walls: with the sun square to one of them at 45° a third of the looks at walls end in it', () => {
    // Lit from 12 m down to 12 − 8·tan 45° = 4 m on the north wall; its incidence cos 45°.
    const { surroundings, wallsLitShare: litShare } = sightAt(canyon, sun(180, 45));
    const { wallIncidence, skyShare } = surroundings;
    expect(skyShare).toBeCloseTo(0.359, 2);
    expect(wallIncidence / litShare).toBeCloseTo(Math.SQRT1_2, 9);
    expect(litShare).toBeGreaterThan(0.2);
    expect(litShare).toBeLessThan(0.45);
  });
  it('says for every cell what isSunlit says, but for cells within the horizon’s resolution of an edge', () => {
    const site: Site = {
      buildings: [block(-30, 3, 4, 12, 9), block(7, 3, 30, 12, 9), block(-30, -12, 30, -3, 7), block(6, -3, 14, -1, 11, 4)],
      eastM: 0,
      northM: 0,
    };
    const scene = siteScene(site, LOOK);
    const groundLit = new Uint8Array(GRID_CELLS);
    let [same, all] = [0, 0];
    for (let azimuthDeg = 100; azimuthDeg < 260; azimuthDeg += 13) {
      for (const altitudeDeg of [12, 25, 38]) {
        sightAt(scene, sun(azimuthDeg, altitudeDeg), { groundLit });
        scene.cells.forEach((cell) => {
          const point = {
            eastM: 0.25 + 0.5 * Math.floor(cell / GRID_SIDE),
            northM: -(0.25 + 0.5 * (cell % GRID_SIDE) - 6),
            heightM: 0,
          };
          all++;
          const apparent = apparentSun(sun(azimuthDeg, altitudeDeg));
          if (isSunlit({ point, sun: apparent, buildings: site.buildings }) === (groundLit[cell] === 1)) same++;
        });
      }
    }
    expect(all).toBeGreaterThan(5000);
    expect(same / all).toBeGreaterThan(0.97);
  });
  it('lets a tree’s share of the sun through, by leaf and bare', () => {
    const tree = { eastM: 3, northM: -4, radiusM: 2, heightM: 8 };
    const scene = siteScene({ buildings: [], trees: [tree], eastM: 0, northM: 0 }, LOOK);
    const south = sun(180, 45);
    expect([sightAt(scene, south, { isInLeaf: true }).spotSun, sightAt(scene, south).spotSun]).toEqual([0.15, 0.6]);
    expect(sightAt(scene, sun(90, 45)).spotSun).toBe(1);
    expect([areTreesInLeaf(180, 46), areTreesInLeaf(20, 46), areTreesInLeaf(20, -33)]).toEqual([true, false, true]);
    const prism = crownPrism(tree, 'tree');
    expect([prism.baseM, prism.heightM]).toEqual([8 / 3, 8]);
  });
  it('goes by where the air lifts the sun to: 0.03° under the horizon it is lit, by no light to speak of', () => {
    const open = siteScene({ buildings: [], eastM: 0, northM: 0 }, LOOK);
    expect([sightAt(open, sun(90, -0.3)).spotSun, sightAt(open, sun(90, -0.9)).spotSun]).toEqual([1, 0]);
  });
  it('puts the spot before a wall that is nearer than the people', () => {
    const scene = siteScene({ buildings: [block(2, -50, 10, 50, 10)], eastM: 0, northM: 0 }, LOOK);
    expect(sightAt(scene, sun(270, 20)).spotSun).toBe(1);
  });
  it('refuses what is no building, no place and no look, by name', () => {
    expect(() => siteScene({ ...CANYON, eastM: NaN }, LOOK)).toThrow(TypeError);
    expect(() => siteScene({ ...CANYON, buildings: [{ footprint: [[0, 0]], heightM: 3 }] }, LOOK)).toThrow(/site\.buildings\[0\]/);
    expect(() => siteScene(CANYON, { ...LOOK, latitude: 91 })).toThrow(RangeError);
    expect(() => siteScene({ ...CANYON, trees: [{ eastM: 0, northM: 0, radiusM: -1, heightM: 4 }] }, LOOK)).toThrow(
      /site\.trees\[0\]\.radiusM/,
    );
  });
});

describe('a street by its walls', () => {
  it('runs where one sees farthest, as wide as its walls stand apart', () => {
    for (const axisDeg of [0, 33, 90, 151]) {
      const buildings = sectionBuildings({ section: { leftHeightM: 9, rightHeightM: 14 }, axisDeg, widthM: 8, pavement: 'middle' });
      const found = streetShape({ buildings, eastM: 0, northM: 0 });
      expect(
        Math.min(Math.abs((found?.axisDeg ?? 0) - axisDeg), 180 - Math.abs((found?.axisDeg ?? 0) - axisDeg)),
      ).toBeLessThanOrEqual(2);
      expect(found?.widthM).toBeCloseTo(8, 0);
      expect([found?.leftHeightM, found?.rightHeightM]).toEqual([9, 14]);
    }
    expect(streetShape({ buildings: [block(5, -50, 9, 50, 8)], eastM: 0, northM: 0 })).toBeNull();
  });
  it('stands on the pavement that is said', () => {
    const buildings = sectionBuildings({ section: { leftHeightM: 9, rightHeightM: 0 }, axisDeg: 0, widthM: 10, pavement: 'left' });
    expect(buildings).toHaveLength(1);
    // A third of the width to the left of the middle: 1.5 m from the left wall.
    const east = Math.max(...(buildings[0]?.footprint ?? []).map(([x]) => x));
    expect(east).toBeCloseTo(-1.5, 9);
  });
  it('is cut with its lit parts to scale', () => {
    const buildings = CANYON.buildings;
    const shape = { axisDeg: 90, widthM: 8, leftM: 4, leftHeightM: 12, rightHeightM: 12 };
    const cut = (azimuthDeg: number, altitudeDeg: number) =>
      streetCut({ scene: shadowScene({ buildings }), eastM: 0, northM: 0, shape, sun: sun(azimuthDeg, altitudeDeg) });
    const noon = cut(180, 60);
    // From the right wall 12/tan 60° = 6.93 m are shaded: 1.07 m lit at the left wall, and all of that wall.
    expect(noon.profileDeg).toBeCloseTo(120, 9);
    expect(noon.litGround).toHaveLength(1);
    expect((noon.litGround[0]?.toM ?? 0) - (noon.litGround[0]?.fromM ?? 0)).toBeCloseTo(1.07, 0);
    expect(noon.litGround[0]?.fromM).toBe(-4);
    expect([noon.litLeftWall[0]?.fromM, noon.litRightWall]).toEqual([0, []]);
    const low = cut(180, 45).litLeftWall[0];
    expect(low?.fromM).toBeCloseTo(4, 1);
    expect(cut(180, -1)).toMatchObject({ profileDeg: null, litGround: [] });
  });
});

describe('metres round an origin', () => {
  it('come back as the same place, across the date line too', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -70, max: 70, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.double({ min: -5000, max: 5000, noNaN: true }),
        fc.double({ min: -5000, max: 5000, noNaN: true }),
        (latitude, longitude, eastM, northM) => {
          const there = metresFrom({ latitude, longitude }, placeAt({ latitude, longitude }, { eastM, northM }));
          expect(Math.hypot(there.eastM - eastM, there.northM - northM)).toBeLessThan(1e-6);
        },
      ),
    );
    // One minute of latitude is 1853.25 m on the mean sphere.
    expect(metresFrom({ latitude: 0, longitude: 0 }, { latitude: 1 / 60, longitude: 0 }).northM).toBeCloseTo(1853.25, 1);
  });
});
