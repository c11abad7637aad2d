import type { Layer, SceneDescription } from '../map/scene.js';
import { composed } from './compositions.js';
import { type FrameOfStop, MIDDLE_Y, type Readings, readingsOf, viewOf } from './frameOfStop.js';
import { EVERYTHING, light as lightOn } from './layers.js';

/** What a cloud takes of a frame that has no part in the sun, and what a screen adds to people beside it, stops. Judgement. */
const OVERALL_CHANGE_EV = 1.8;

/** Everything a little darker, and the rest of it a light that comes and goes. */
function changingOverall(layers: readonly Layer[]): readonly Layer[] {
  const darker = layers.map((layer): Layer => {
    if (layer.kind === 'glow') return { ...layer, ev: layer.ev - OVERALL_CHANGE_EV };
    if (layer.kind !== 'fill') return layer;
    const { ev } = layer;
    const lower = (value: number): number => value - OVERALL_CHANGE_EV;
    if (typeof ev === 'number') return { ...layer, ev: lower(ev) };
    return { ...layer, ev: { from: { ...ev.from, ev: lower(ev.from.ev) }, to: { ...ev.to, ev: lower(ev.to.ev) } } };
  });
  return [...darker, lightOn(EVERYTHING, OVERALL_CHANGE_EV, 0.001, { isChanging: true })];
}

const LAMPS_K = 2900;
const SHADE_K = 7500;
const SCREEN_K = 6500;

/** Colour of the light on a stop's surfaces: by day the shade is blue, by night the lamps are orange. */
function kelvinOf({ intent }: FrameOfStop, { isNight }: Readings): Readonly<Record<string, number>> {
  if (isNight) {
    const background = intent.kind === 'silhouette' || intent.kind === 'brightBackdrop' ? SCREEN_K : LAMPS_K;
    return {
      background,
      sky: 11_000,
      ...Object.fromEntries(
        ['walls', 'ground', 'street', 'houses', 'windows', 'lamps', 'person', 'wall'].map((label) => [label, LAMPS_K]),
      ),
    };
  }
  return { sky: 6500, walls: SHADE_K };
}

/**
 * The frame of a stop as a scene: what its light, its zone, its lens and its intent make of it, with the key of the intent.
 * Source: docs/metering.md#the-stops-own-scene.
 */
export function sceneOfStop(frame: FrameOfStop): SceneDescription {
  const view = viewOf(frame);
  const readings = readingsOf(frame);
  const { layers, key: its, focusY = MIDDLE_Y } = composed(frame, view, readings);
  const { changes = 'steady' } = frame;
  const hasOwn = layers.some(({ isChanging }) => isChanging === true);
  const comesAndGoes = changes !== 'steady' && !hasOwn ? changingOverall(layers) : layers;
  return {
    id: 'stop',
    seed: 7,
    layers: comesAndGoes,
    keys: [its],
    focus: { x: view.aspect / 2, y: focusY },
    changes,
    kelvin: kelvinOf(frame, readings),
  };
}
