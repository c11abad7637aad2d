import { STRAIGHT_HOLDS } from '../../kit/index.js';
import { BUILT_IN_SCENES, type LuminanceMap, paintScene, type SceneDescription, seeded, SMALL_MAP } from '../../metering/index.js';
import { type Cause, type PictureSpot, TILES_LONG, TILES_SHORT } from '../../log/index.js';
import { blurDiscMm } from '../../optics/index.js';
import { distanceOf, SCENE_DEPTHS, type SceneDepths } from './depths.js';
import type { BlurPath } from './plane.js';
import { type HandsPath, isBare, type StandInShot } from './standInCamera.js';

/** What a made-up shot is to suffer from. */
export type Fault = Cause | 'good';

export interface FaultyShot {
  readonly shot: StandInShot;
  readonly fault: Fault;
  /** Where its subject is. */
  readonly subjectAt: PictureSpot;
}

/** A frame of 36 × 24 mm and the lens of most walks. */
const SENSOR_HEIGHT_MM = 24;
const FOCAL_LENGTHS_MM = [28, 35, 40, 50, 60] as const;

type Random = () => number;
const from = (random: Random, low: number, high: number): number => low + (high - low) * random();
const oneOf = <T>(random: Random, all: readonly T[]): T => all[Math.floor(random() * all.length)] as T;

/** A nearly straight line of a length, bent a little, by points a half pixel apart. */
function line(random: Random, lengthPx: number, angleDeg: number, bend: number): BlurPath {
  const points = Math.max(3, Math.ceil(2 * lengthPx));
  const [cos, sin] = [Math.cos((angleDeg * Math.PI) / 180), Math.sin((angleDeg * Math.PI) / 180)];
  const sag = bend * lengthPx * (random() - 0.5);
  return Array.from({ length: points }, (_, k) => {
    const t = k / (points - 1) - 0.5;
    const [along, beside] = [t * lengthPx, sag * (1 - 4 * t * t)];
    return { x: along * cos - beside * sin, y: along * sin + beside * cos };
  });
}

/** A tile nearly as full as the fullest is as good. */
const MOSTLY = 0.95;

/** Four times of five hands go along a line, else they turn the camera about a point. */
function shaking(random: Random, width: number, height: number): HandsPath {
  const scale = height / 800;
  if (random() < 0.8) return { kind: 'shift', path: line(random, scale * from(random, 6, 22), from(random, 0, 180), 0.2) };
  const turnDeg = (from(random, 12, 30) / 600) * (180 / Math.PI);
  const turns = 24;
  return {
    kind: 'turn',
    centre: { x: width * from(random, 0.3, 0.7), y: height * from(random, 0.3, 0.7) },
    turnsDeg: Array.from({ length: turns }, (_, k) => turnDeg * (k / (turns - 1) - 0.5)),
  };
}

/** The middle of the tile that shows most of the subject; of equals the one nearest to its middle. */
function subjectOf({ width, height, label, names }: LuminanceMap, labels: readonly string[]): PictureSpot {
  const is = names.map((name) => labels.includes(name));
  const counts = new Float64Array(TILES_LONG * TILES_SHORT);
  let [sumX, sumY, cells] = [0, 0, 0];
  label.forEach((one, place) => {
    if (is[one] !== true) return;
    const [x, y] = [((place % width) + 0.5) / width, (Math.floor(place / width) + 0.5) / height];
    [sumX, sumY, cells] = [sumX + x, sumY + y, cells + 1];
    const tile = Math.floor(y * TILES_SHORT) * TILES_LONG + Math.floor(x * TILES_LONG);
    counts[tile] = (counts[tile] as number) + 1;
  });
  const most = Math.max(...counts);
  const spots = [...counts].flatMap((count, k) =>
    count < MOSTLY * most
      ? []
      : [{ x: ((k % TILES_LONG) + 0.5) / TILES_LONG, y: (Math.floor(k / TILES_LONG) + 0.5) / TILES_SHORT }],
  );
  const away = ({ x, y }: PictureSpot): number => Math.hypot(x - sumX / cells, (y - sumY / cells) / 1.5);
  return spots.reduce((best, spot) => (away(spot) < away(best) ? spot : best));
}

/** How far away the person is that a scene is about. */
function subjectDistanceM({ of, subject: [first] }: SceneDepths): number {
  return of[first as string] as number;
}

/** EV at which a scene's first key comes out at its tone. */
function exposureOf(map: LuminanceMap, { keys: [key] }: SceneDescription): number {
  const label = map.names.indexOf(key.label);
  const evs = [...map.ev].filter((_, place) => map.label[place] === label);
  return evs.reduce((sum, ev) => sum + ev, 0) / evs.length - key.tone;
}

interface Optics {
  readonly scene: SceneDescription;
  readonly map: LuminanceMap;
  readonly depths: SceneDepths;
  readonly focalLengthMm: number;
  readonly fNumber: number;
  readonly focusM: number;
}

/** Discs of a shot in thousandths of the frame's height, of its subject and of the rest, cell by cell. */
function discsOf({ map, depths, focalLengthMm, fNumber, focusM }: Optics): {
  readonly subject: number;
  readonly rest: readonly number[];
} {
  const disc = (objectDistanceM: number): number =>
    (1000 * blurDiscMm({ focalLengthMm, fNumber, focusDistanceM: focusM, objectDistanceM })) / SENSOR_HEIGHT_MM;
  const rest: number[] = [];
  map.label.forEach((label, place) => {
    const name = map.names[label] as string;
    if (depths.subject.includes(name) || isBare(map, label)) return;
    rest.push(disc(distanceOf(depths, name, (Math.floor(place / map.width) + 0.5) / map.height)));
  });
  return { subject: disc(subjectDistanceM(depths)), rest };
}

const shareOf = (all: readonly number[], is: (one: number) => boolean): number => all.filter(is).length / all.length;

/** Whether a lens so set makes the fault, and only it; thousandths of the frame's height. */
function makes(fault: Fault, optics: Optics): boolean {
  const { subject, rest } = discsOf(optics);
  if (fault === 'focus') return subject >= 6 && shareOf(rest, (one) => one < 2) >= 0.15;
  if (fault === 'depth') return shareOf(rest, (one) => one > 5) >= 0.45;
  return shareOf(rest, (one) => one > 2.4) < 0.1;
}

const MOST_DRAWS = 400;

function opticsFor(fault: Fault, random: Random, sceneIds: readonly string[] | null): Optics {
  const isAboutSomebody = fault === 'moved' || fault === 'focus' || fault === 'depth';
  const scenes = BUILT_IN_SCENES.filter(({ id }) => {
    const depths = SCENE_DEPTHS[id];
    const isAsked = sceneIds === null || sceneIds.includes(id);
    return isAsked && depths !== undefined && (!isAboutSomebody || depths.isSubjectReadable);
  });
  for (let draw = 0; draw < MOST_DRAWS; draw++) {
    const scene = oneOf(random, scenes);
    const depths = SCENE_DEPTHS[scene.id] as SceneDepths;
    const subjectM = subjectDistanceM(depths);
    const beside = random() < 0.7 ? from(random, 2, 8) : from(random, 0.3, 0.5);
    const isWide = fault === 'focus' || fault === 'depth';
    const optics: Optics = {
      scene,
      map: paintScene(scene, SMALL_MAP),
      depths,
      focalLengthMm: oneOf(random, FOCAL_LENGTHS_MM),
      fNumber: oneOf(random, isWide ? [1.4, 2, 2.8, 4] : [5.6, 8, 11, 16]),
      focusM: fault === 'focus' ? subjectM * beside : subjectM,
    };
    if (makes(fault, optics)) return optics;
  }
  throw new RangeError(`fault must be one that the scenes can show, got ${fault}`);
}

/**
 * A made-up shot of a fault drawn from a seed: which scene, lens and aperture, how far a hand strayed or somebody went, how far
 * beside the subject the focus lies. All else of it is in order. Source: docs/log.md#camera.
 * @param sceneIds the scenes to draw from, all of them for null. @throws RangeError where none of them can show the fault.
 */
export function faultyShot(
  fault: Fault,
  seed: number,
  size: { readonly width: number; readonly height: number },
  sceneIds: readonly string[] | null = null,
): FaultyShot {
  const random = seeded(seed);
  const { scene, map, depths, ...lens } = opticsFor(fault, random, sceneIds);
  const scale = size.height / 800;
  const shot: StandInShot = {
    scene,
    ...size,
    ...lens,
    seed: Math.floor(random() * 2 ** 31),
    exposureEv: exposureOf(map, scene) + from(random, -0.4, 0.4),
    medium: { kind: 'straight', overEv: STRAIGHT_HOLDS.straightOverEv, underEv: STRAIGHT_HOLDS.straightUnderEv },
    sensorHeightMm: SENSOR_HEIGHT_MM,
    hands: fault === 'shake' ? shaking(random, size.width, size.height) : { kind: 'still' },
    subjectPath: fault === 'moved' ? line(random, scale * from(random, 8, 28), from(random, -20, 20), 0.1) : [],
    veil: fault === 'veil' ? from(random, 0.2, 0.45) : from(random, 0, 0.01),
    greyElectrons: fault === 'noise' ? from(random, 25, 90) : from(random, 800, 6000),
    readElectrons: 4,
  };
  return { shot, fault, subjectAt: subjectOf(map, depths.subject) };
}
