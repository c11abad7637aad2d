import { EYE_HEIGHT_M } from '../optics/index.js';
import { apparentSun, type Building, type Prism, readPrism, type SunPosition, type Surroundings } from '../light/index.js';
import { finish, checkArray, checkAtLeast, checkBetween, checkFinite, checkOptions, checkPositive } from '../units/index.js';
import { castRay } from './horizon/castRay.js';
import { faceSteps } from './face.js';
import { aheadOf, type Camera, eyeOf, GRID_CELLS, GRID_SIDE, gridPoints, placeBefore, seenCells } from './groundGrid.js';
import {
  type BearingMask,
  EVERY_BEARING,
  HORIZON_BEARINGS,
  type Horizons,
  isOpen,
  type SkyDirection,
  skyDirection,
  skyShareOf,
  type SpotPoint,
} from './horizon/horizon.js';
import { horizonSteps, twoHorizonSteps } from './horizon/measureHorizon.js';
import { largestPatch, largestSquareM, type LitPatch } from './patch.js';
import { sunBearings } from './horizon/sunBearings.js';
import type { Outline } from './shadowPolygons.js';
import { crownPrism, type Tree, TREE_LIGHT } from './trees.js';
import { backgroundSteps, type View } from './viewRays.js';
import { lightOnWalls, meanWallSkyShare, type WallsSeen, wallsSeenSteps } from './horizon/wallsSeen.js';

/** Where a stop stands among buildings, and what it looks at. Metres from the district's origin. */
export interface Site {
  readonly buildings: readonly Building[];
  readonly trees?: readonly Tree[];
  /** Outlines of water on the ground's level: seen flat, it mirrors the sky. */
  readonly waters?: readonly Outline[];
  readonly eastM: number;
  readonly northM: number;
  /** Height of the ground that the stop stands on; 0 by default. */
  readonly groundM?: number;
}

/** What surroundings are measured for: the same, and nothing is measured again. */
export interface SiteMeasure {
  readonly latitude: number;
  readonly shootingBearingDeg: number;
  /** Half of the lens's horizontal field. */
  readonly halfFieldDeg: number;
  /** The frame's long side upright; lying by default. */
  readonly isFrameUpright?: boolean;
  /** Where the people are photographed, metres ahead. */
  readonly medianM: number;
  readonly looksFor: 'ground' | 'background' | 'face';
}

/** What is looked for from there. */
export interface SiteLook extends Omit<SiteMeasure, 'medianM'> {
  readonly subject: { readonly nearM: number; readonly farM: number; readonly medianM: number };
  readonly travelAngleDeg: number;
}

/** Of a look, what it takes to measure: who walks which way, and which of the ground is their zone, is not of it. */
export function measureOf({ subject, travelAngleDeg: _, ...rest }: SiteLook): SiteMeasure {
  return { ...rest, medianM: subject.medianM };
}

/** Walls and crowns apart, because crowns let some of the sun through. */
interface Layers {
  readonly walls: Horizons;
  readonly crowns: Horizons | null;
}

/** Layers of the ground's cells, with the walls' tenths once more bearing by bearing: a minute asks all cells at one. */
interface CellLayers extends Layers {
  readonly tenthsByBearing: Uint16Array;
}

function byBearing(layers: Layers, count: number): CellLayers {
  const { groundTenths } = layers.walls;
  const tenthsByBearing = new Uint16Array(groundTenths.length);
  for (let cell = 0; cell < count; cell++) {
    for (let bearing = 0; bearing < HORIZON_BEARINGS; bearing++) {
      tenthsByBearing[bearing * count + cell] = groundTenths[cell * HORIZON_BEARINGS + bearing] as number;
    }
  }
  return { ...layers, tenthsByBearing };
}

/** A stop's surroundings, measured once: every later minute is a look-up. */
export interface MeasuredSite {
  readonly camera: Camera;
  /** Cells in view, outside buildings, in line of sight: the only ones that are measured. */
  readonly seen: Uint8Array;
  /** Numbers of the seen cells; horizon k of the two layers below is that of cell `cells[k]`. */
  readonly cells: Int16Array;
  readonly ground: CellLayers;
  readonly standing: CellLayers;
  /** The subject's spot at 1.6 m, the ground there, the eye. */
  readonly spots: Layers;
  readonly skyShare: number;
  readonly walls: WallsSeen;
  readonly wallSkyShare: number;
  readonly background: View | null;
  readonly face: View | null;
}

/** Measured surroundings with what is looked for in them. */
export interface SiteScene extends MeasuredSite {
  readonly travelAngleDeg: number;
  /** Seen cells between near and far. */
  readonly zone: Uint8Array;
  readonly zoneCount: number;
}

export const SPOT = 0;
export const SPOT_GROUND = 1;
export const EYE = 2;

function* layerSteps(
  points: readonly SpotPoint[],
  prisms: readonly Prism[],
  crowns: readonly Prism[],
  mask: BearingMask,
): Generator<number, Layers> {
  const walls = yield* horizonSteps(points, prisms, mask);
  return { walls, crowns: crowns.length === 0 ? null : yield* horizonSteps(points, crowns, mask) };
}

/** The same of the ground and of faces over it. */
function* twoLayerSteps(
  points: readonly SpotPoint[],
  prisms: readonly Prism[],
  crowns: readonly Prism[],
  mask: BearingMask,
): Generator<number, readonly [ground: Layers, standing: Layers]> {
  const [low, high] = yield* twoHorizonSteps(points, EYE_HEIGHT_M, prisms, mask);
  const [lowCrowns, highCrowns] = crowns.length === 0 ? [null, null] : yield* twoHorizonSteps(points, EYE_HEIGHT_M, crowns, mask);
  return [
    { walls: low, crowns: lowCrowns },
    { walls: high, crowns: highCrowns },
  ];
}

/** A generator's shares of its own work as shares of the whole. */
function* between<Result>(from: number, to: number, steps: Generator<number, Result>): Generator<number, Result> {
  for (;;) {
    const { done, value } = steps.next();
    if (done === true) return value;
    yield from + (to - from) * value;
  }
}

/** The spot where people are photographed: at their median distance, or in front of the wall that is nearer. */
function spotDistanceM(camera: Camera, medianM: number, prisms: readonly Prism[]): number {
  const from = eyeOf(camera);
  const hit = castRay({ from, bearingDeg: camera.shootingBearingDeg, elevationDeg: 0, groundM: camera.groundM, prisms });
  if (hit.kind !== 'wall') return medianM;
  const wallM = Math.hypot(hit.point.eastM - from.eastM, hit.point.northM - from.northM);
  return Math.min(medianM, Math.max(wallM - 0.3, wallM / 2));
}

function checkSite(site: Site, look: SiteMeasure): { prisms: Prism[]; crowns: Prism[]; waters: Prism[]; camera: Camera } {
  checkOptions('site', site);
  const { buildings, trees = [], waters = [], eastM, northM, groundM = 0 } = site;
  checkArray('site.buildings', buildings);
  checkArray('site.trees', trees);
  checkArray('site.waters', waters);
  checkFinite('site.eastM', eastM);
  checkFinite('site.northM', northM);
  checkFinite('site.groundM', groundM);
  checkBetween('latitude', look.latitude, -90, 90);
  checkFinite('shootingBearingDeg', look.shootingBearingDeg);
  checkBetween('halfFieldDeg', look.halfFieldDeg, 0.1, 90);
  checkPositive('subject.medianM', look.medianM);
  return {
    prisms: buildings.map((building, k) => readPrism(building, `site.buildings[${k}]`)),
    crowns: trees.map((tree, k) => crownPrism(tree, `site.trees[${k}]`)),
    waters: waters.map((footprint, k) => readPrism({ footprint, heightM: 1 }, `site.waters[${k}]`)),
    camera: {
      eastM,
      northM,
      groundM,
      shootingBearingDeg: look.shootingBearingDeg,
      halfFieldDeg: look.halfFieldDeg,
      isFrameUpright: look.isFrameUpright ?? false,
    },
  };
}

/**
 * Measures a stop's surroundings, in steps: yields the share that is done. Horizons of 2 x 576 cells of ground, of the spot
 * and the eye, of 144 looks at the walls round the spot, and of what lies behind the subject.
 * Source: docs/formulas.md#horizon. @throws TypeError, RangeError that name the building and the corner.
 */
export function* measureSteps(site: Site, look: SiteMeasure): Generator<number, MeasuredSite> {
  const { prisms, crowns, waters, camera } = checkSite(site, look);
  const mask = sunBearings(look.latitude);
  const spotM = spotDistanceM(camera, look.medianM, prisms);
  const spot = placeBefore(camera, spotM, 0, EYE_HEIGHT_M);
  const eye = eyeOf(camera);
  const spots = yield* between(
    0,
    0.05,
    layerSteps([spot, { ...spot, heightM: camera.groundM }, eye], prisms, crowns, EVERY_BEARING),
  );
  const walls = yield* between(0.05, 0.2, wallsSeenSteps(spot, camera.groundM, prisms, mask));
  const background =
    look.looksFor === 'background' ? yield* between(0.2, 0.3, backgroundSteps(camera, spotM, { prisms, waters }, mask)) : null;
  const face = look.looksFor === 'face' ? yield* between(0.2, 0.3, faceSteps(camera, prisms, mask)) : null;
  const seen = seenCells(camera, prisms);
  const cells = Int16Array.from({ length: GRID_CELLS }, (_, cell) => cell).filter((cell) => seen[cell] === 1);
  const all = gridPoints(camera, 0);
  const onGround = Array.from(cells, (cell) => all[cell] as SpotPoint);
  const [ground, standing] = yield* between(0.3, 1, twoLayerSteps(onGround, prisms, crowns, mask));
  return {
    camera,
    seen,
    cells,
    ground: byBearing(ground, cells.length),
    standing: byBearing(standing, cells.length),
    spots,
    skyShare: skyShareOf(spots.walls, SPOT),
    walls,
    wallSkyShare: meanWallSkyShare(walls),
    background,
    face,
  };
}

/** Measured surroundings looked at for one zone and one way of walking. */
export function sceneOf(measured: MeasuredSite, { subject: { nearM, farM }, travelAngleDeg }: SiteLook): SiteScene {
  checkAtLeast('subject.nearM', nearM, 0);
  const zone = measured.seen.map((isSeen, cell) => {
    const aheadM = aheadOf(Math.floor(cell / GRID_SIDE));
    return isSeen === 1 && aheadM >= nearM && aheadM <= farM ? 1 : 0;
  });
  return { ...measured, travelAngleDeg, zone, zoneCount: countOf(zone) };
}

/** A scene at once. */
export function siteScene(site: Site, look: SiteLook): SiteScene {
  return sceneOf(finish(measureSteps(site, measureOf(look))), look);
}

/** What the surroundings let through at one place of the sun. */
export interface SiteSight {
  readonly surroundings: Surroundings;
  /** Share of the walls seen from the spot that the sun reaches. */
  readonly wallsLitShare: number;
  /** Share of the sun that reaches the subject's spot at 1.6 m, the ground there, the eye: 0, 1, or a crown's. */
  readonly spotSun: number;
  readonly mirrorSun: number;
  readonly eyeSun: number;
  /** Lit share of the seen cells at 1.6 m. */
  readonly litShare: number;
  /** The same between near and far; null where no cell of the zone is seen. */
  readonly zoneLitShare: number | null;
  readonly squareSideM: number;
  readonly patch: LitPatch | null;
}

/** Half of the sun or more counts as lit. */
const LIT_FROM = 0.5;

function sunShareAt({ walls, crowns }: Layers, point: number, direction: SkyDirection, crownShare: number): number {
  if (!isOpen(walls, point, direction)) return 0;
  return crowns === null || isOpen(crowns, point, direction) ? 1 : crownShare;
}

/** 1 for the seen cells that the sun reaches in a layer, into `lit`; how many. */
function litCells(cells: Int16Array, layers: CellLayers, direction: SkyDirection, crownShare: number, lit: Uint8Array): number {
  lit.fill(0);
  let count = 0;
  const { tenthsByBearing } = layers;
  const first = direction.bearing * cells.length;
  const { tenths } = direction;
  for (let k = 0; k < cells.length; k++) {
    if (tenths < (tenthsByBearing[first + k] as number)) continue;
    if (sunShareAt(layers, k, direction, crownShare) < LIT_FROM) continue;
    lit[cells[k] as number] = 1;
    count++;
  }
  return count;
}

function countOf(cells: Uint8Array): number {
  return cells.reduce((sum, cell) => sum + cell, 0);
}

const standingLit = new Uint8Array(GRID_CELLS);

/** The last pattern of lit cells and what it comes to: it stays for many minutes in a row. */
const lastPattern = { lit: new Uint8Array(GRID_CELLS), travelAngleDeg: NaN, squareSideM: 0, patch: null as LitPatch | null };

function patternOf(lit: Uint8Array, travelAngleDeg: number): Pick<SiteSight, 'squareSideM' | 'patch'> {
  let isSame = lastPattern.travelAngleDeg === travelAngleDeg;
  for (let cell = 0; isSame && cell < GRID_CELLS; cell++) isSame = lit[cell] === lastPattern.lit[cell];
  if (!isSame) {
    lastPattern.lit.set(lit);
    lastPattern.travelAngleDeg = travelAngleDeg;
    lastPattern.squareSideM = largestSquareM(lit);
    lastPattern.patch = largestPatch(lit, travelAngleDeg);
  }
  return lastPattern;
}

const NO_SUN: SiteSight = {
  surroundings: { skyShare: 1, wallIncidence: 0, wallSkyShare: 0, groundLitShare: 0 },
  wallsLitShare: 0,
  spotSun: 0,
  mirrorSun: 0,
  eyeSun: 0,
  litShare: 0,
  zoneLitShare: 0,
  squareSideM: 0,
  patch: null,
};

/**
 * Sun and shade before the camera at one place of the geometric sun: what is lit goes by where the air lifts it to. All
 * shade where the sun is not out. `groundLit`, 576 cells, takes the seen ground's lit cells.
 */
export function sightAt(
  scene: SiteScene,
  sun: SunPosition,
  {
    isSunOut = true,
    isInLeaf = false,
    groundLit = new Uint8Array(GRID_CELLS),
  }: { isSunOut?: boolean; isInLeaf?: boolean; groundLit?: Uint8Array } = {},
): SiteSight {
  const { cells, zone, zoneCount, skyShare, wallSkyShare } = scene;
  const apparent = apparentSun(sun);
  if (!isSunOut || apparent.altitudeDeg <= 0) {
    groundLit.fill(0);
    return { ...NO_SUN, surroundings: { ...NO_SUN.surroundings, skyShare, wallSkyShare } };
  }
  const direction = skyDirection(apparent);
  const crownShare = isInLeaf ? TREE_LIGHT.inLeaf : TREE_LIGHT.bare;
  const seenCount = Math.max(1, cells.length);
  const groundCount = litCells(cells, scene.ground, direction, crownShare, groundLit);
  const standingCount = litCells(cells, scene.standing, direction, crownShare, standingLit);
  let zoneLit = 0;
  for (let cell = 0; cell < GRID_CELLS; cell++) zoneLit += (standingLit[cell] as number) & (zone[cell] as number);
  const sunAt = (point: number): number => sunShareAt(scene.spots, point, direction, crownShare);
  const { squareSideM, patch } = patternOf(standingLit, scene.travelAngleDeg);
  const { litShare: wallsLitShare, wallIncidence } = lightOnWalls(scene.walls, sun, direction);
  return {
    surroundings: { skyShare, wallSkyShare, wallIncidence, groundLitShare: groundCount / seenCount },
    wallsLitShare,
    spotSun: sunAt(SPOT),
    mirrorSun: sunAt(SPOT_GROUND),
    eyeSun: sunAt(EYE),
    litShare: standingCount / seenCount,
    zoneLitShare: zoneCount === 0 ? null : zoneLit / zoneCount,
    squareSideM,
    patch,
  };
}

/** Whether the sun, given geometrically, reaches the subject's spot: the look-up alone, for a year's worth of them. */
export function isSpotInSun(scene: SiteScene, sun: SunPosition, isInLeaf: boolean): boolean {
  const apparent = apparentSun(sun);
  if (apparent.altitudeDeg <= 0) return false;
  return sunShareAt(scene.spots, SPOT, skyDirection(apparent), isInLeaf ? TREE_LIGHT.inLeaf : TREE_LIGHT.bare) >= LIT_FROM;
}
