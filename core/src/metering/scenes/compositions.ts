import { EYE_HEIGHT_M } from '../../optics/index.js';
import type { Intent } from '../../stop/index.js';
import type { Layer, SceneKey } from '../map/scene.js';
import type { Shape } from '../map/shapes.js';
import { type FrameOfStop, MIDDLE_Y, personAt, type Readings, type FrameSizes } from './frameOfStop.js';
import { box, downwards, ellipse, EVERYTHING, glow, lamps, light as lightOn, polygon, surface } from './layers.js';

/** The house at a street's end is lower than its walls. */
const END_SHARE = 0.7;
const FAR_M = 60;
const NEAR_M = 1.2;

function street(
  { aspect, scale, halfStreetM, wallsM }: FrameSizes,
  { sky, shade, shadedWall, lit, isLit }: Readings,
): readonly Layer[] {
  const [middle, endM] = [aspect / 2, END_SHARE * wallsM];
  const at = (side: -1 | 1, upM: number, awayM: number): [number, number] => [
    middle + (side * halfStreetM * scale) / awayM,
    MIDDLE_Y - ((upM - EYE_HEIGHT_M) * scale) / awayM,
  ];
  const overhead = polygon(
    at(-1, wallsM, NEAR_M),
    at(-1, wallsM, FAR_M),
    at(-1, endM, FAR_M),
    at(1, endM, FAR_M),
    at(1, wallsM, FAR_M),
    at(1, wallsM, NEAR_M),
  );
  const end = polygon(at(-1, endM, FAR_M), at(1, endM, FAR_M), at(1, 0, FAR_M), at(-1, 0, FAR_M));
  const ground = polygon(at(-1, 0, FAR_M), at(1, 0, FAR_M), at(1, 0, NEAR_M), at(-1, 0, NEAR_M));
  return [
    surface('walls', EVERYTHING, shadedWall, { textureEv: 0.5 }),
    surface('walls', end, isLit ? lit : shadedWall, { textureEv: 0.4 }),
    surface('sky', overhead, sky),
    surface('ground', ground, shade, { textureEv: 0.4 }),
  ];
}

/** A part of the frame of exactly a share of it, about a height. */
function part(aspect: number, share: number, middleY: number): Extract<Shape, { kind: 'box' }> {
  const area = Math.min(1, Math.max(0.005, share)) * aspect;
  const height = Math.min(1, Math.sqrt(area / aspect) * (area / aspect < 0.5 ? 0.9 : 1));
  const width = Math.min(aspect, area / height);
  const tall = area / width;
  return box((aspect - width) / 2, Math.min(1 - tall, Math.max(0, middleY - tall / 2)), width, tall);
}

export interface Composed {
  readonly layers: readonly Layer[];
  readonly key: SceneKey;
  readonly focusY?: number;
}

const key = (label: string, tone: number): SceneKey => ({ label, part: 'all', tone });

/** Tones at which the intents' keys are wanted, stops from mid-grey. Source: docs/metering.md#the-stops-own-scene. */
export function keyToneOf(intent: Intent): number {
  switch (intent.kind) {
    case 'lightPool':
      return 2 / 3;
    case 'silhouette':
      return intent.background === 'screen' ? 1 : 2 / 3;
    case 'brightBackdrop':
      return 1;
    case 'intoTheSun':
      return -1;
    case 'litStreet':
      return intent.lamps === 'burn' ? 0 : -1;
    case 'flashLift':
      return intent.skyUnderEv;
    case 'facade':
      return { dark: -1, mid: 0, pale: 1.5 }[intent.tone];
    case 'passingCandid':
    case 'longExposure':
    case 'reflection':
    case 'compressedDistance':
    case 'fireworks':
      return 0;
  }
}

function people(view: FrameSizes, readings: Readings, tone: number): Composed {
  const walker = personAt(view);
  const ground = readings.isLit
    ? [lightOn(part(view.aspect, 0.12, 0.8), readings.lit - readings.shade, 0.03, { on: ['ground'] })]
    : [];
  return {
    layers: [
      ...street(view, readings),
      ...ground,
      surface('legs', walker.whole, readings.key - 1.5, { textureEv: 0.3 }),
      surface('person', { kind: 'any', of: [walker.coat, walker.face] }, readings.key),
    ],
    key: key('person', tone),
  };
}

/** Where a pool lies in the frame, and how far beside its edge somebody stands, heights of it. */
const POOL_Y = 0.72;
const EDGE = 0.05;

/** Somebody at the edge of the pool: however small it is, some of it is seen. */
function pool(view: FrameSizes, readings: Readings, tone: number, share: number): Composed {
  const shape = part(view.aspect, share, POOL_Y);
  const walker = personAt(view, 0.5 + (shape.width / 2 + EDGE) / view.aspect);
  return {
    layers: [
      surface('street', EVERYTHING, downwards(readings.shade - 0.3, readings.shade + 0.3), { textureEv: 0.5 }),
      surface('pool', shape, readings.key, { soft: 0.01, isChanging: true }),
      surface('person', walker.whole, readings.litPerson, { textureEv: 0.3 }),
    ],
    key: key('pool', tone),
    focusY: POOL_Y,
  };
}

/** Somebody before something bright that fills a share of the frame. */
function before(view: FrameSizes, readings: Readings, tone: number, share: number, isOwnLight: boolean): Composed {
  const walker = personAt(view, 0.62);
  const around = isOwnLight ? Math.min(readings.shade, readings.key - 4) : readings.shade;
  // A sky fills the frame from above; a screen stands in it.
  const shape = isOwnLight ? part(view.aspect, share, 0.42) : box(-0.1, -0.1, view.aspect + 0.2, Math.max(0.02, share) + 0.1);
  const bright = surface('background', shape, readings.key, { textureEv: isOwnLight ? 0.3 : 0 });
  return {
    layers: [
      surface('street', EVERYTHING, Math.min(around, readings.key - 0.5), { textureEv: 0.5 }),
      ...(isOwnLight ? [surface('dark screen', shape, around)] : []),
      isOwnLight ? { ...bright, isChanging: true } : bright,
      surface('person', walker.whole, Math.min(readings.person, readings.key - 2), { textureEv: 0.3 }),
    ],
    key: key('background', tone),
    focusY: 0.42,
  };
}

/** Rays of a low sun: the disc, and what it scatters round it; so much over the key whatever the hour. Judgement. */
const SUN_OVER_KEY_EV = 8;
const SUN_GLOW_OVER_KEY_EV = 4.5;

function intoTheSun(view: FrameSizes, readings: Readings, tone: number, share: number): Composed {
  const walker = personAt(view, 0.4);
  const sun = { x: 0.55 * view.aspect, y: Math.min(0.45, share) * 0.6 };
  return {
    layers: [
      surface('ground', EVERYTHING, readings.key, { textureEv: 0.4 }),
      surface('sky', box(0, 0, view.aspect, Math.min(0.95, share)), Math.max(readings.sky, readings.key + 1)),
      surface('sun', ellipse(sun.x, sun.y, 0.012, 0.012), readings.key + SUN_OVER_KEY_EV, { isLamp: true }),
      glow(sun, readings.key + SUN_GLOW_OVER_KEY_EV, 0.07),
      surface('person', walker.whole, readings.key - 2, { textureEv: 0.3 }),
    ],
    key: key('ground', tone),
    focusY: 0.8,
  };
}

/** A lamp's bulb over the street that it lights, stops. Judgement. */
const LAMP_OVER_STREET_EV = 9;

function litStreet(view: FrameSizes, readings: Readings, tone: number): Composed {
  const { aspect } = view;
  const dark = readings.key - 2;
  return {
    layers: [
      surface('houses', EVERYTHING, dark, { textureEv: 0.7 }),
      surface('sky', box(0, -0.1, aspect, 0.3), dark - 3, { soft: 0.02 }),
      surface('street', polygon([0, 0.68], [aspect, 0.66], [aspect, 1], [0, 1]), readings.key, { textureEv: 0.4 }),
      surface('windows', box(0.2 * aspect, 0.36, 0.06, 0.09), readings.key + 3, { isLamp: true }),
      surface('windows', box(0.74 * aspect, 0.4, 0.05, 0.08), readings.key + 3, { isLamp: true }),
      ...lamps(
        'lamps',
        [{ x: 0.52 * aspect, y: 0.3 }, readings.key + LAMP_OVER_STREET_EV, 0.014],
        [{ x: 0.3 * aspect, y: 0.44 }, readings.key + LAMP_OVER_STREET_EV, 0.008],
      ),
      surface('person', personAt(view).whole, readings.key - 1, { textureEv: 0.5 }),
    ],
    key: key('street', tone),
    focusY: 0.85,
  };
}

function underTheSky(view: FrameSizes, readings: Readings, tone: number): Composed {
  const walker = personAt(view);
  return {
    layers: [
      surface('sky', EVERYTHING, downwards(readings.key - 0.3, readings.key + 0.3, 0, 0.6)),
      surface(
        'street',
        polygon([0, 0.34], [0.35 * view.aspect, 0.52], [0.7 * view.aspect, 0.5], [view.aspect, 0.3], [view.aspect, 1], [0, 1]),
        readings.shade,
        {
          textureEv: 0.5,
        },
      ),
      surface('person', walker.whole, readings.person, { textureEv: 0.3 }),
    ],
    key: key('sky', tone),
    focusY: 0.2,
  };
}

function wall(view: FrameSizes, readings: Readings, tone: number): Composed {
  return {
    layers: [
      surface('sky', EVERYTHING, readings.sky),
      surface('wall', box(-0.1, 0.1, view.aspect + 0.2, 0.78), readings.key, { textureEv: 0.2 }),
      surface('windows', box(0.2 * view.aspect, 0.26, 0.09, 0.16), readings.key - 3, { textureEv: 0.3 }),
      surface('windows', box(0.7 * view.aspect, 0.26, 0.09, 0.16), readings.key - 3, { textureEv: 0.3 }),
      surface('ground', box(-0.1, 0.88, view.aspect + 0.2, 0.2), readings.shade, { textureEv: 0.4 }),
    ],
    key: key('wall', tone),
  };
}

/** A mirror gives back so much less than what it shows, stops. Judgement. */
const MIRROR_LOSES_EV = 1.5;

function reflection(view: FrameSizes, readings: Readings, tone: number): Composed {
  return {
    layers: [
      surface('wall', EVERYTHING, readings.key, { textureEv: 0.2 }),
      surface('ground', box(-0.1, 0.5, view.aspect + 0.2, 0.6), Math.min(readings.shade, readings.key), { textureEv: 0.4 }),
      surface('mirror', ellipse(0.5 * view.aspect, 0.76, 0.36 * view.aspect, 0.16), readings.key - MIRROR_LOSES_EV, {
        textureEv: 0.3,
      }),
    ],
    key: key('wall', tone),
    focusY: 0.25,
  };
}

/** What an intent makes of a frame, and the key that it is about. */
export function composed({ intent }: FrameOfStop, view: FrameSizes, readings: Readings): Composed {
  const tone = keyToneOf(intent);
  switch (intent.kind) {
    case 'passingCandid':
    case 'compressedDistance':
      return people(view, readings, tone);
    case 'lightPool':
      return pool(view, readings, tone, intent.brightShare);
    case 'silhouette':
      return before(view, readings, tone, intent.brightShare, intent.background === 'screen');
    case 'brightBackdrop':
      return before(view, readings, tone, intent.brightShare, true);
    case 'intoTheSun':
      return intoTheSun(view, readings, tone, intent.brightShare);
    case 'litStreet':
      return litStreet(view, readings, tone);
    case 'flashLift':
      return underTheSky(view, readings, tone);
    case 'facade':
      return wall(view, readings, tone);
    case 'reflection':
      return reflection(view, readings, tone);
    case 'longExposure':
    case 'fireworks': {
      const shaded = street(view, readings).map((layer) =>
        layer.kind === 'fill' && layer.label === 'ground' ? { ...layer, ev: readings.key } : layer,
      );
      return { layers: shaded, key: key('ground', tone), focusY: 0.85 };
    }
  }
}
