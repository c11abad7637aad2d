import { blurDiscMm } from '../../optics/index.js';
import { type LuminanceMap, type Medium, paintScene, type SceneDescription, seeded, toneOf } from '../../metering/index.js';
import { distanceOf, SCENE_DEPTHS, type SceneDepths } from './depths.js';
import { stones } from './stones.js';
import {
  boxBlurred,
  discBlurred,
  type BlurPath,
  pathBlurred,
  type Plane,
  planeOf,
  softenedByCamera,
  turnBlurred,
} from './plane.js';

/** What hands did while the shutter was open. */
export type HandsPath =
  | { readonly kind: 'still' }
  | { readonly kind: 'shift'; readonly path: BlurPath }
  | { readonly kind: 'turn'; readonly centre: { readonly x: number; readonly y: number }; readonly turnsDeg: readonly number[] };

/** A shot of a scene: what was set, and what went wrong. */
export interface StandInShot {
  readonly scene: SceneDescription;
  readonly width: number;
  readonly height: number;
  readonly seed: number;
  /** EV at ISO 100. */
  readonly exposureEv: number;
  readonly medium: Medium;
  readonly sensorHeightMm: number;
  readonly focalLengthMm: number;
  readonly fNumber: number;
  readonly focusM: number;
  readonly hands: HandsPath;
  /** What the subject went through in the frame, pixels. */
  readonly subjectPath: BlurPath;
  /** Light scattered over the frame, a share of what falls on it. */
  readonly veil: number;
  /** Electrons that a mid-grey pixel is made of, and those that reading it out adds. */
  readonly greyElectrons: number;
  readonly readElectrons: number;
}

/** A picture: 8 bit RGBA, row by row. */
export interface StandInPicture {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
}

const GREY = 0.18;
/** Discs are told apart by these diameters, pixels; wider ones are as the last. */
const DISC_STEPS_PX = [1, 1.6, 2.4, 3.6, 5, 7, 10, 14, 20, 28, 40] as const;
/** Brighter than this, mid-grey being 0.18, nothing is told apart. */
const MOST_LUMINANCE = 2 ** 9;
/** Less of a sheet than this is none of it. */
const LEAST_PART = 1e-4;
const ABOUT_PX = 80;

/** What stands at one distance of a picture, or moves there. */
interface Sheet {
  readonly distanceM: number;
  readonly discPx: number;
  readonly path: BlurPath | null;
  readonly isOwn: Uint8Array;
}

function stepOf(discPx: number): number {
  if (discPx < (DISC_STEPS_PX[0] as number)) return 0;
  const k = DISC_STEPS_PX.findIndex((step) => step >= discPx);
  return k === -1 ? DISC_STEPS_PX.length : k + 1;
}

/** The picture in sheets from the farthest to the nearest: what is blurred alike at one side of the focus, and the subject. */
function sheetsOf(shot: StandInShot, map: LuminanceMap, depths: SceneDepths): readonly Sheet[] {
  const { width, height } = map;
  const discOf = (objectDistanceM: number): number =>
    (blurDiscMm({ ...shot, focusDistanceM: shot.focusM, objectDistanceM }) / shot.sensorHeightMm) * height;
  const isSubject = map.names.map((name) => depths.subject.includes(name));
  const sheets = new Map<string, { distances: number; discs: number; cells: number; isOwn: Uint8Array; isSubject: boolean }>();
  for (let row = 0, place = 0; row < height; row++) {
    const at = map.names.map((name) => {
      const distanceM = distanceOf(depths, name, (row + 0.5) / height);
      const discPx = discOf(distanceM);
      const step = stepOf(discPx);
      return { distanceM, discPx, key: step === 0 ? 'sharp' : `${distanceM < shot.focusM ? 'near' : 'far'} ${step}` };
    });
    for (let column = 0; column < width; column++, place++) {
      const label = map.label[place] as number;
      const { distanceM, discPx, key } = at[label] as (typeof at)[number];
      const name = isSubject[label] === true ? 'subject' : key;
      let sheet = sheets.get(name);
      if (sheet === undefined) {
        sheet = { distances: 0, discs: 0, cells: 0, isOwn: new Uint8Array(width * height), isSubject: name === 'subject' };
        sheets.set(name, sheet);
      }
      sheet.distances += distanceM;
      sheet.discs += discPx;
      sheet.cells += 1;
      sheet.isOwn[place] = 1;
    }
  }
  return [...sheets.values()]
    .map(({ distances, discs, cells, isOwn, isSubject: moves }) => ({
      distanceM: distances / cells,
      discPx: Math.min(DISC_STEPS_PX.at(-1) as number, discs / cells),
      path: moves && shot.subjectPath.length > 1 ? shot.subjectPath : null,
      isOwn,
    }))
    .sort((a, b) => b.distanceM - a.distanceM);
}

/** Sheets laid over one another: each with its own blur, and covering with it what lies behind. */
function throughTheLens(light: Plane, sheets: readonly Sheet[]): Plane {
  const { width, height } = light;
  const out = planeOf(width, height);
  /** What belongs to a sheet or stands before it: what hides it leaves no hole in it. */
  const fromHere = new Uint8Array(width * height).fill(1);
  sheets.forEach(({ discPx, path, isOwn }, k) => {
    const [own, share, cover] = [planeOf(width, height), planeOf(width, height), planeOf(width, height)];
    for (let place = 0; place < isOwn.length; place++) {
      const its = isOwn[place] as number;
      own.values[place] = its * (light.values[place] as number);
      share.values[place] = its;
      // What moves covers only itself.
      cover.values[place] = path === null ? (fromHere[place] as number) : its;
      if (its === 1) fromHere[place] = 0;
    }
    const blurred = (plane: Plane): Plane => {
      const disc = discBlurred(plane, discPx);
      return path === null ? disc : pathBlurred(disc, path);
    };
    const [itsLight, itsShare] = [blurred(own), blurred(share)];
    // Where it is hidden it goes on as it is about there: what is soft before it lets some of that through.
    const [aboutLight, aboutShare] = [boxBlurred(own, ABOUT_PX), boxBlurred(share, ABOUT_PX)];
    const covering = k === 0 ? null : path === null ? blurred(cover) : itsShare;
    for (let place = 0; place < out.values.length; place++) {
      const covered = covering === null ? 1 : (covering.values[place] as number);
      const isHidden = (itsShare.values[place] as number) < LEAST_PART;
      const part = (isHidden ? aboutShare : itsShare).values[place] as number;
      if (covered < LEAST_PART || part < LEAST_PART) continue;
      const its = ((isHidden ? aboutLight : itsLight).values[place] as number) / part;
      out.values[place] = (out.values[place] as number) * (1 - covered) + its * covered;
    }
  });
  return out;
}

function veiled(light: Plane, veil: number): Plane {
  if (veil === 0) return light;
  const mean = light.values.reduce((sum, one) => sum + one, 0) / light.values.length;
  const halo = boxBlurred(boxBlurred(light, light.height / 6), light.height / 6);
  const values = light.values.map((one, place) => (1 - veil) * one + veil * (0.6 * mean + 0.4 * (halo.values[place] as number)));
  return { ...light, values };
}

function shaken(light: Plane, hands: HandsPath): Plane {
  if (hands.kind === 'shift') return pathBlurred(light, hands.path);
  return hands.kind === 'turn' ? turnBlurred(light, hands.centre, hands.turnsDeg) : light;
}

/** Two numbers of a normal distribution from two of an even one. Source: Box and Muller, 1958. */
function gaussian(random: () => number): () => number {
  let kept: number | null = null;
  return () => {
    if (kept !== null) {
      const one = kept;
      kept = null;
      return one;
    }
    const [radius, angle] = [Math.sqrt(-2 * Math.log(1 - random())), 2 * Math.PI * random()];
    kept = radius * Math.sin(angle);
    return radius * Math.cos(angle);
  };
}

/** Bytes by luminance, a table of a 256th of a stop. */
function bytesOf(medium: Medium): (luminance: number) => number {
  const [lowest, perStop, stops] = [-14, 256, 24];
  const table = Uint8Array.from({ length: stops * perStop }, (_, k) =>
    Math.round(255 * toneOf(lowest + (k + 0.5) / perStop, medium)),
  );
  return (luminance) => {
    if (luminance <= 0) return table[0] as number;
    const k = Math.floor((Math.log2(luminance / GREY) - lowest) * perStop);
    return table[Math.min(table.length - 1, Math.max(0, k))] as number;
  };
}

/** Sizes of what surfaces are made of, metres: stones; folds, pockets and hair of people. */
const STONE_M = 0.24;
const CLOTH_M = 0.09;
/** Surfaces that are made of nothing. */
const BARE = ['sky', 'screen', 'sun'];

export function isBare({ names, isLamp }: LuminanceMap, label: number): boolean {
  return isLamp[label] === true || BARE.includes(names[label] as string);
}

/** The light of a scene whose surfaces are made of stones and cloth, linear, mid-grey at 0.18. */
function made({ seed, exposureEv, focalLengthMm, sensorHeightMm }: StandInShot, map: LuminanceMap, depths: SceneDepths): Plane {
  const { width, height } = map;
  const light = planeOf(width, height);
  const toneAt = stones(seed);
  const perMetre = (focalLengthMm / sensorHeightMm) * height;
  const bare = map.names.map((_, label) => isBare(map, label));
  const sizes = map.names.map((name) => (depths.subject.includes(name) ? CLOTH_M : STONE_M));
  for (let row = 0, place = 0; row < height; row++) {
    const distances = map.names.map((name) => distanceOf(depths, name, (row + 0.5) / height));
    const isGround = map.names.map((name) => typeof depths.of[name] === 'object');
    for (let column = 0; column < width; column++, place++) {
      const label = map.label[place] as number;
      const distanceM = distances[label] as number;
      const perPixel = distanceM / perMetre / (sizes[label] as number);
      const across = (column - width / 2) * perPixel + 7 * label;
      // Ground lies: along it one goes by its distance.
      const along = isGround[label] === true ? distanceM / (sizes[label] as number) : row * perPixel;
      const tone = bare[label] === true ? 0 : toneAt(across, along, perPixel);
      light.values[place] = Math.min(MOST_LUMINANCE, GREY * 2 ** ((map.ev[place] as number) + tone - exposureEv));
    }
  }
  return light;
}

/**
 * The picture that a camera would take of a built-in scene: what the lens blurs by distance, what moved, what hands did, light
 * scattered over it, and the grain of its light; a simulated stand-in, in greys. Source: docs/log.md#camera.
 * @throws RangeError for a scene whose distances are not known.
 */
export function takeStandIn(shot: StandInShot): StandInPicture {
  const { scene, width, height, medium, greyElectrons, readElectrons } = shot;
  const depths = SCENE_DEPTHS[scene.id];
  if (depths === undefined) throw new RangeError(`scene must be one whose distances are known, got ${scene.id}`);
  const map = paintScene(scene, { width, height });
  const light = made(shot, map, depths);
  const lens = throughTheLens(light, sheetsOf(shot, map, depths));
  const onSensor = softenedByCamera(shaken(veiled(lens, shot.veil), shot.hands));
  const random = gaussian(seeded(shot.seed ^ 0x5bd1e995));
  const byteOf = bytesOf(medium);
  const words = new Uint32Array(width * height);
  for (let place = 0; place < onSensor.values.length; place++) {
    const electrons = ((onSensor.values[place] as number) / GREY) * greyElectrons;
    const read = electrons + random() * Math.sqrt(electrons + readElectrons * readElectrons);
    const byte = byteOf((read / greyElectrons) * GREY);
    words[place] = 0xff000000 | (byte << 16) | (byte << 8) | byte;
  }
  return { width, height, rgba: new Uint8ClampedArray(words.buffer) };
}
