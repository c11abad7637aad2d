import { cameraAt } from '../search/evaluation.js';
import type { Scene } from '../scene/scene.js';
import type { GridCell } from '../search/searchAt.js';

/** What the camera makes of one set-up at one light, unrounded. */
export interface ResponsePoint {
  readonly ev100: number;
  readonly fNumber: number;
  readonly shutterS: number;
  readonly iso: number;
  /** Stops too bright (+) or too dark (−). */
  readonly errorEv: number;
}

/** A set-up left alone while the light runs over a span: what floats, and where it runs out. */
export function cameraResponse(scene: Scene, place: GridCell, evs: readonly number[]): readonly ResponsePoint[] {
  return evs.map((ev100) => ({
    ev100,
    ...cameraAt({ scene, keyEv100: ev100 }, place),
  }));
}
