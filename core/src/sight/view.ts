import { EYE_HEIGHT_M } from '../optics/index.js';
import { isStrictlyInside, type Prism, readPrism } from '../light/index.js';
import { checkAtLeast, checkBetween, checkFinite, checkOptions, checkPositive, RAD_PER_DEG } from '../units/index.js';
import { castColumn, newColumn } from './column.js';
import { type Edges, edgesOf } from './edges.js';
import { type Facade, facadeAt, type FacadeCell, facadeOf } from './facade.js';
import { type CellLook, type FrameSize, looksThrough, type SightFrame, STEEP_AHEAD } from './frame.js';
import { hashed } from './hash.js';
import { paintHanging, paintTrees } from './overhead.js';
import { pavingOf } from './paving.js';
import { paintScreen } from './screen.js';
import type { MeasuredView, SightQuestion } from './measured.js';
import { SEEN } from './seen.js';

const BEFORE_WALL_M = 1e-3;
const FARTHEST_GROUND_M = 3000;

/** The bearings that are cast: one a column where the camera is level, else half a cell apart over what the frame covers. */
interface Rays {
  readonly count: number;
  readonly offAt: (ray: number) => number;
  readonly rayOf: (column: number, off: number) => number;
}

function raysOf(frame: SightFrame, size: FrameSize): Rays {
  const look: CellLook = { off: 0, slope: 0 };
  const through = looksThrough(frame, size);
  if (frame.tiltDeg === 0) {
    const offs = Float64Array.from({ length: size.width }, (_, column) => {
      through(0, column, look);
      return look.off;
    });
    return { count: size.width, offAt: (ray) => offs[ray] as number, rayOf: (column) => column };
  }
  let [low, high] = [Infinity, -Infinity];
  for (const row of [0, size.height - 1]) {
    for (const column of [0, size.width - 1]) {
      through(row, column, look);
      low = Math.min(low, look.off);
      high = Math.max(high, look.off);
    }
  }
  const tilt = Math.abs(frame.tiltDeg * RAD_PER_DEG);
  const half = Math.max(
    ...[0, size.height - 1].map((row) => {
      through(row, Math.floor(size.width / 2), look);
      return Math.abs(Math.atan(look.slope));
    }),
  );
  const isRound = Math.cos(Math.max(tilt, half)) < STEEP_AHEAD;
  const [from, to] = isRound ? [-Math.PI, Math.PI] : [low, high];
  through(Math.floor(size.height / 2), 0, look);
  const step = Math.max(0.0005, Math.min((to - from) / size.width, Math.PI / 360) / 2);
  const count = Math.ceil((to - from) / step) + 1;
  return {
    count,
    offAt: (ray) => from + ray * step,
    rayOf: (_, off) => Math.min(count - 1, Math.max(0, Math.round((off - from) / step))),
  };
}

function checked({ site, bearingDeg, frame, size, personM, screenShare = null }: SightQuestion): void {
  checkOptions('site', site);
  checkFinite('site.eastM', site.eastM);
  checkFinite('site.northM', site.northM);
  checkFinite('bearingDeg', bearingDeg);
  checkOptions('frame', frame);
  checkPositive('frame.sensorWidthMm', frame.sensorWidthMm);
  checkPositive('frame.sensorHeightMm', frame.sensorHeightMm);
  checkPositive('frame.focalLengthMm', frame.focalLengthMm);
  checkBetween('frame.tiltDeg', frame.tiltDeg, -80, 80);
  checkFinite('frame.riseMm', frame.riseMm);
  checkAtLeast('size.width', size.width, 1);
  checkAtLeast('size.height', size.height, 1);
  if (personM !== null) checkPositive('personM', personM);
  if (screenShare !== null) checkBetween('screenShare', screenShare, 0, 1);
}

/** What every cell meets. @throws TypeError, RangeError that name the parameter. */
export function measureView(question: SightQuestion): MeasuredView {
  checked(question);
  const { site, bearingDeg, frame, size } = question;
  const prisms = site.buildings.map((building, k) => readPrism(building, `site.buildings[${k}]`));
  const edges = edgesOf(prisms);
  const groundM = site.groundM ?? 0;
  const eye = { x: site.eastM, y: site.northM, eyeM: groundM + EYE_HEIGHT_M, groundM };
  const axis = bearingDeg * RAD_PER_DEG;
  const cells = size.width * size.height;
  const rays = raysOf(frame, size);
  const column = newColumn();

  const starts = new Uint32Array(rays.count + 1);
  const found: { distanceM: number[]; low: number[]; high: number[]; edge: number[]; x: number[]; y: number[]; off: number[] } = {
    distanceM: [],
    low: [],
    high: [],
    edge: [],
    x: [],
    y: [],
    off: [],
  };
  for (let ray = 0; ray < rays.count; ray++) {
    const off = rays.offAt(ray);
    const [dx, dy] = [Math.sin(axis + off), Math.cos(axis + off)];
    castColumn(edges, eye, dx, dy, column);
    for (let k = 0; k < column.count; k++) {
      const distanceM = column.distanceM[k] as number;
      found.distanceM.push(distanceM);
      found.low.push(column.low[k] as number);
      found.high.push(column.high[k] as number);
      found.edge.push(column.edge[k] as number);
      found.x.push(eye.x + (distanceM - BEFORE_WALL_M) * dx);
      found.y.push(eye.y + (distanceM - BEFORE_WALL_M) * dy);
      found.off.push(off);
    }
    starts[ray + 1] = found.edge.length;
  }

  const view = {
    kind: new Uint8Array(cells),
    distanceM: new Float32Array(cells).fill(Infinity),
    x: new Float32Array(cells),
    y: new Float32Array(cells),
    z: new Float32Array(cells),
    edge: new Int32Array(cells).fill(-1),
    piece: new Int32Array(cells).fill(-1),
    off: new Float32Array(cells),
    slope: new Float32Array(cells),
    reflectance: new Float32Array(cells),
    glass: new Float32Array(cells),
    room: new Int32Array(cells),
  };
  const waters = (site.waters ?? []).map((footprint, k) => readPrism({ footprint, heightM: 1 }, `site.waters[${k}]`));
  const through = looksThrough(frame, size);
  const look: CellLook = { off: 0, slope: 0 };
  const isLevel = frame.tiltDeg === 0;
  for (let row = 0, cell = 0; row < size.height; row++) {
    for (let at = 0; at < size.width; at++, cell++) {
      through(row, at, look);
      const { off, slope } = look;
      view.off[cell] = off;
      view.slope[cell] = slope;
      const ray = rays.rayOf(at, off);
      const [dx, dy] = [Math.sin(axis + off), Math.cos(axis + off)];
      let piece = -1;
      for (let k = starts[ray] as number; k < (starts[ray + 1] as number); k++) {
        if (slope >= (found.high[k] as number)) continue;
        if (slope >= (found.low[k] as number)) piece = k;
        break;
      }
      const edge = piece === -1 ? -1 : (found.edge[piece] as number);
      let distanceM = Infinity;
      if (edge >= 0) {
        view.kind[cell] = SEEN.wall;
        view.edge[cell] = edge;
        view.piece[cell] = piece;
        distanceM = found.distanceM[piece] as number;
        if (!isLevel) {
          const facing = dx * (edges.nx[edge] as number) + dy * (edges.ny[edge] as number);
          const own =
            (((edges.ax[edge] as number) - eye.x) * (edges.nx[edge] as number) +
              ((edges.ay[edge] as number) - eye.y) * (edges.ny[edge] as number)) /
            facing;
          if (own > 0 && Math.abs(own - distanceM) < 0.2 * distanceM) distanceM = own;
        }
      } else if (piece !== -1) {
        view.kind[cell] = SEEN.roof;
        distanceM = ((edges.topM[-1 - edge] as number) - eye.eyeM) / slope;
      } else if (slope < 0) {
        view.kind[cell] = SEEN.ground;
        distanceM = Math.min(FARTHEST_GROUND_M, (groundM - eye.eyeM) / slope);
      }
      view.distanceM[cell] = distanceM;
      if (distanceM === Infinity) continue;
      view.x[cell] = eye.x + distanceM * dx;
      view.y[cell] = eye.y + distanceM * dy;
      view.z[cell] = eye.eyeM + distanceM * slope;
    }
  }
  const pieces = {
    x: Float64Array.from(found.x),
    y: Float64Array.from(found.y),
    edge: Int32Array.from(found.edge),
    off: Float64Array.from(found.off),
  };
  const measured: MeasuredView = {
    ...{ question, edges, eye, pieces },
    hanging: prisms.filter(({ baseM }) => baseM > 0),
    ...view,
    personM: personDistanceM(question, edges, eye),
  };
  paintHanging(measured, axis);
  paintTrees(measured, axis);
  paintSurfaces(measured, waters);
  paintScreen(measured);
  return measured;
}

const NOT_BEHIND_WALL_M = 0.5;

/** At the median distance on the axis, or half a metre before the wall that is nearer. */
function personDistanceM({ personM, bearingDeg }: SightQuestion, edges: Edges, eye: MeasuredView['eye']): number | null {
  if (personM === null) return null;
  const column = newColumn();
  castColumn(edges, eye, Math.sin(bearingDeg * RAD_PER_DEG), Math.cos(bearingDeg * RAD_PER_DEG), column);
  const first = column.count === 0 ? Infinity : (column.distanceM[0] as number);
  return Math.max(0.3, Math.min(personM, first - NOT_BEHIND_WALL_M));
}

const isInBox = ({ minX, maxX, minY, maxY }: Prism, x: number, y: number): boolean => x > minX && x < maxX && y > minY && y < maxY;

const PLAIN = { roof: 0.2, leaf: 0.12, hanging: 0.3, water: 0.04 } as const;

/** Reflectances, glass and water, once. */
function paintSurfaces(view: MeasuredView, waters: readonly Prism[]): void {
  const { edges, question } = view;
  const { size, frame, site } = question;
  const pitch = frame.sensorWidthMm / frame.focalLengthMm / Math.max(size.width, size.height);
  const facades = new Map<number, Facade>();
  const cellOfWall: FacadeCell = { reflectance: 0, glass: 0, room: 0 };
  const ground = pavingOf(site.ways ?? []);
  for (let cell = 0; cell < view.kind.length; cell++) {
    const distanceM = view.distanceM[cell] as number;
    const [x, y] = [view.x[cell] as number, view.y[cell] as number];
    switch (view.kind[cell]) {
      case SEEN.wall: {
        const edge = view.edge[cell] as number;
        let facade = facades.get(edge);
        if (facade === undefined) {
          facade = facadeOf(edges.house[edge] as number, edge, edges.lengthM[edge] as number, edges.topM[edge] as number);
          facades.set(edge, facade);
        }
        const along = Math.hypot(x - (edges.ax[edge] as number), y - (edges.ay[edge] as number));
        const bearing = Math.sin(question.bearingDeg * RAD_PER_DEG + (view.off[cell] as number));
        const bearingY = Math.cos(question.bearingDeg * RAD_PER_DEG + (view.off[cell] as number));
        const facing = Math.max(0.02, -(bearing * (edges.nx[edge] as number) + bearingY * (edges.ny[edge] as number)));
        const [across, up] = [(distanceM * pitch) / facing / 2, (distanceM * pitch) / 2];
        const z = view.z[cell] as number;
        facadeAt(facade, along - across, along + across, z - up, z + up, cellOfWall);
        const grain = distanceM * pitch > 0.5 ? 1 : 1 + 0.04 * (2 * hashed(Math.floor(along * 9), Math.floor(z * 9), edge) - 1);
        view.reflectance[cell] = cellOfWall.reflectance * grain;
        view.glass[cell] = cellOfWall.glass;
        view.room[cell] = cellOfWall.room === 0 ? 0 : cellOfWall.room + 8192 * (edge + 1) * Math.sign(cellOfWall.room);
        break;
      }
      case SEEN.ground:
        if (waters.some((water) => isInBox(water, x, y) && isStrictlyInside(water, x, y))) {
          view.kind[cell] = SEEN.water;
          view.reflectance[cell] = PLAIN.water;
        } else view.reflectance[cell] = ground(x, y, (distanceM * distanceM * pitch) / EYE_HEIGHT_M);
        break;
      case SEEN.roof:
        view.reflectance[cell] = PLAIN.roof;
        break;
      case SEEN.leaf:
        view.reflectance[cell] = PLAIN.leaf;
        break;
      case SEEN.hanging:
        view.reflectance[cell] = PLAIN.hanging;
        break;
      default:
    }
  }
}
