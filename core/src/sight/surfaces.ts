import { figureAt, type FigureHit } from './figure.js';
import { hashed } from './hash.js';
import { LABEL } from './labels.js';
import { between, lampLuxAt, type Moment, sunShareAt } from './moment.js';
import { letThrough, litShare, type Shadow } from './shade.js';
import { SEEN } from './seen.js';
import { bearingOf } from './measured.js';

/** What a cell of a surface comes to: cd/m², and its label. */
export interface CellSight {
  luminance: number;
  label: number;
}

/** Half of the sun's disc counts as lit. */
const LIT_FROM = 0.5;
const CONTACT = { reachM: 0.9, darkens: 0.45 } as const;
const LIT_ROOMS = { share: 0.25, belowDeg: -1, fromEv: 5.2, overEv: 1.6 } as const;
const PANE = { mirrors: 0.08, scatters: 0.05 } as const;
const WATER = { mirrors: 0.02, scatters: 0.04 } as const;
/** Share of the sky over what hangs, leaves and roofs, and of the sun that leaves take. Judgement. */
const OPEN = { hanging: 0.2, leaf: 0.5, roof: 1 } as const;
const LEAF_TAKES_SUN = 0.4;

const onWall: Shadow = { heightM: 0, edgeM: 0 };

/** Share of the sun on a cell of a wall. */
function wallSun(moment: Moment, cell: number): number {
  const { view, directLux, shadowM, shadowEdgeM, hanging, sun } = moment;
  const piece = view.piece[cell] as number;
  if (directLux === 0 || shadowM[piece] === Infinity) return 0;
  onWall.heightM = shadowM[piece] as number;
  onWall.edgeM = shadowEdgeM[piece] as number;
  const atM = view.z[cell] as number;
  const share = litShare(onWall, atM, sun);
  if (share === 0 || hanging.length === 0) return share;
  return share * letThrough(hanging, view.pieces.x[piece] as number, view.pieces.y[piece] as number, atM, sun);
}

function wall(moment: Moment, cell: number, sight: CellSight): void {
  const { view, light, directLux, toSun, around } = moment;
  const edge = view.edge[cell] as number;
  const cosine = (view.edges.nx[edge] as number) * toSun[0] + (view.edges.ny[edge] as number) * toSun[1];
  const lit = cosine > 0 ? wallSun(moment, cell) : 0;
  const lux = lit * directLux * Math.max(0, cosine) + between(around, light, cell) + lampLuxAt(moment, cell);
  const glass = view.glass[cell] as number;
  sight.luminance = ((view.reflectance[cell] as number) * lux) / Math.PI;
  if (glass > 0) sight.luminance = (1 - glass) * sight.luminance + glass * pane(moment, cell, edge, lux);
  sight.label = glass > 0.5 ? LABEL.windows : lit >= LIT_FROM ? LABEL['lit walls'] : LABEL.walls;
}

/** A window: the room behind it where it is lit, else what it mirrors and the little that it scatters. */
function pane(moment: Moment, cell: number, edge: number, lux: number): number {
  const { view, light, around, diffuseLux, sky, instant } = moment;
  const room = view.room[cell] as number;
  if (instant.sun.altitudeDeg < LIT_ROOMS.belowDeg && room !== 0) {
    const chance = hashed(room, 9);
    if (chance < LIT_ROOMS.share) return 2 ** (LIT_ROOMS.fromEv + (LIT_ROOMS.overEv * chance) / LIT_ROOMS.share) / 8;
  }
  const [nx, ny] = [view.edges.nx[edge] as number, view.edges.ny[edge] as number];
  const [bearing, slope] = [bearingOf(view, cell), view.slope[cell] as number];
  const level = 1 / Math.sqrt(1 + slope * slope);
  const [lx, ly] = [Math.sin(bearing), Math.cos(bearing)];
  const facing = lx * nx + ly * ny;
  const mirrors = PANE.mirrors + (1 - PANE.mirrors) * (1 - Math.abs(facing) * level) ** 5;
  const skyShare = between(light.points.skyShare, light, cell);
  const sine = slope * level;
  // The street opposite stands as high as it leaves the wall its share of the sky.
  const isSky = sine > 1 - 2 * skyShare;
  const opposite = Math.max(0, between(around, light, cell) - skyShare * diffuseLux) / (Math.PI * Math.max(0.05, 1 - skyShare));
  const seen = isSky ? sky(sine, Math.atan2(lx - 2 * facing * nx, ly - 2 * facing * ny)) : opposite;
  return mirrors * seen + (PANE.scatters * lux) / Math.PI;
}

const figureHit: FigureHit = { part: 'coat', aside: 0 };

/** Whether the person's shadow falls on a place of the ground: the figure at the feet, square to the sun. */
function isInPersonsShadow({ light, sun }: Moment, x: number, y: number): boolean {
  if (light.person === null) return false;
  const [ox, oy] = [light.person.feetX - x, light.person.feetY - y];
  const along = ox * sun.dx + oy * sun.dy;
  return along > 0 && figureAt(oy * sun.dx - ox * sun.dy, along * sun.slope, figureHit);
}

/** Sky and bounce that feet leave to the ground round them. */
function underFeet({ light }: Moment, x: number, y: number): number {
  if (light.person === null) return 1;
  const away = Math.hypot(x - light.person.feetX, y - light.person.feetY);
  return away >= CONTACT.reachM ? 1 : 1 - CONTACT.darkens * (1 - away / CONTACT.reachM);
}

function ground(moment: Moment, cell: number, sight: CellSight): void {
  const { view, light, directLux, toSun, around } = moment;
  const [x, y] = [view.x[cell] as number, view.y[cell] as number];
  const share = sunShareAt(moment, x, y, view.eye.groundM);
  const lit = share > 0 && isInPersonsShadow(moment, x, y) ? 0 : share;
  const lux = lit * directLux * toSun[2] + underFeet(moment, x, y) * between(around, light, cell) + lampLuxAt(moment, cell);
  sight.luminance = ((view.reflectance[cell] as number) * lux) / Math.PI;
  sight.label = lit >= LIT_FROM ? LABEL['lit ground'] : LABEL.ground;
}

function water(moment: Moment, cell: number, sight: CellSight): void {
  const { view, light, directLux, diffuseLux, toSun, sky, patchLux } = moment;
  const slope = light.mirrorSlope[cell] as number;
  const sine = slope / Math.sqrt(1 + slope * slope);
  const mirrors = WATER.mirrors + (1 - WATER.mirrors) * (1 - sine) ** 5;
  const patch = light.mirrored[cell] as number;
  const seen = patch === -1 ? sky(sine, bearingOf(view, cell)) : (patchLux[patch] as number) / Math.PI;
  const lux = diffuseLux + directLux * toSun[2] + lampLuxAt(moment, cell);
  sight.luminance = mirrors * seen + ((1 - mirrors) * WATER.scatters * lux) / Math.PI;
  sight.label = LABEL.water;
}

function loose(moment: Moment, cell: number, sight: CellSight): void {
  const { view, directLux, diffuseLux, toSun } = moment;
  const kind = view.kind[cell];
  const [share, takes, label] =
    kind === SEEN.hanging || kind === SEEN.screen
      ? [OPEN.hanging, 0, LABEL.walls]
      : kind === SEEN.leaf
        ? [OPEN.leaf, LEAF_TAKES_SUN, LABEL.leaves]
        : [OPEN.roof, toSun[2], LABEL.ground];
  const lit = takes === 0 ? 0 : sunShareAt(moment, view.x[cell] as number, view.y[cell] as number, (view.z[cell] as number) + 0.05);
  const lux = lit * directLux * takes + share * diffuseLux + lampLuxAt(moment, cell);
  sight.luminance = ((view.reflectance[cell] as number) * lux) / Math.PI;
  sight.label = label;
}

/** A screen by its own light, or as a dark surface. */
function screen(moment: Moment, cell: number, sight: CellSight): void {
  const { screenEv = null } = moment.instant;
  if (screenEv === null) {
    loose(moment, cell, sight);
    return;
  }
  sight.luminance = 2 ** screenEv / 8;
  sight.label = LABEL.screen;
}

/** What a cell shows without anybody in it. */
export function surfaceAt(moment: Moment, cell: number, sight: CellSight): void {
  const { view } = moment;
  switch (view.kind[cell]) {
    case SEEN.screen:
      screen(moment, cell, sight);
      break;
    case SEEN.sky: {
      const slope = view.slope[cell] as number;
      sight.luminance = moment.sky(slope / Math.sqrt(1 + slope * slope), bearingOf(view, cell));
      sight.label = LABEL.sky;
      break;
    }
    case SEEN.wall:
      wall(moment, cell, sight);
      break;
    case SEEN.ground:
      ground(moment, cell, sight);
      break;
    case SEEN.water:
      water(moment, cell, sight);
      break;
    default:
      loose(moment, cell, sight);
  }
}
