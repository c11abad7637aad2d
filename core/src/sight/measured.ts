import type { Prism } from '../light/index.js';
import type { Site, Way } from '../streets/index.js';
import { RAD_PER_DEG } from '../units/index.js';
import type { Edges } from './edges.js';
import type { FrameSize, SightFrame } from './frame.js';

/** Where one stands and how the camera is held. */
export interface SightQuestion {
  /** Buildings, trees, waters and the place among them; with its streets where the map has some. */
  readonly site: Site & { readonly ways?: readonly Way[] };
  readonly bearingDeg: number;
  readonly frame: SightFrame;
  readonly size: FrameSize;
  /** Level distance at which somebody stands in the middle of the frame; before a wall that is nearer, half a metre from it. */
  readonly personM: number | null;
  /** Share of the frame of a screen that stands across the look; null without one. */
  readonly screenShare?: number | null;
}

/** What every cell meets, once for a place, a camera and a size. Arrays have a row of `width` after the other. */
export interface MeasuredView {
  readonly question: SightQuestion;
  readonly edges: Edges;
  readonly hanging: readonly Prism[];
  readonly eye: { readonly x: number; readonly y: number; readonly eyeM: number; readonly groundM: number };
  readonly kind: Uint8Array;
  /** Level distance of what is met, metres; Infinity for the sky. */
  readonly distanceM: Float32Array;
  readonly x: Float32Array;
  readonly y: Float32Array;
  readonly z: Float32Array;
  /** The edge of a wall; −1 else. */
  readonly edge: Int32Array;
  /** The stretch of a wall that shares one shadow; −1 else. */
  readonly piece: Int32Array;
  /** Look: radians to the right of the axis, and tangent of its elevation. */
  readonly off: Float32Array;
  readonly slope: Float32Array;
  readonly reflectance: Float32Array;
  /** Share of a cell that is glass, and the room behind it (0: none). */
  readonly glass: Float32Array;
  readonly room: Int32Array;
  /** Where shadows on walls are asked for: a hair before each wall, a bearing each. */
  readonly pieces: { readonly x: Float64Array; readonly y: Float64Array; readonly edge: Int32Array; readonly off: Float64Array };
  /** How far off somebody stands; null where nobody does. */
  readonly personM: number | null;
}

/** The bearing of a cell's look, radians from north. */
export function bearingOf(view: MeasuredView, cell: number): number {
  return view.question.bearingDeg * RAD_PER_DEG + (view.off[cell] as number);
}
