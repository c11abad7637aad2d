import type { LightChange } from '../../stop/index.js';
import type { Shape, Spot } from './shapes.js';

/** An EV that changes straight from one place of the frame to another. */
export interface Gradient {
  readonly from: Spot & { readonly ev: number };
  readonly to: Spot & { readonly ev: number };
}

interface Painted {
  /** It is there only while the scene's changing light is at its full: `paintScene` can leave it out. */
  readonly isChanging?: boolean;
}

/** A surface: what it reads, and how rough it is. */
export interface Fill extends Painted {
  readonly kind: 'fill';
  readonly label: string;
  readonly shape: Shape;
  /** EV at ISO 100. */
  readonly ev: number | Gradient;
  /** Half of what its texture spans, stops. */
  readonly textureEv?: number;
  /** Width over which its edge runs into what lies behind, heights of the frame. */
  readonly soft?: number;
  readonly isLamp?: boolean;
}

/** Light that falls on what was painted before, through a penumbra. */
export interface Light extends Painted {
  readonly kind: 'light';
  readonly shape: Shape;
  readonly stops: number;
  readonly penumbra: number;
  /** On these surfaces alone; on all where it is left out. */
  readonly on?: readonly string[];
}

/** A bright edge inside of a shape: the sun behind somebody. */
export interface Rim extends Painted {
  readonly kind: 'rim';
  readonly shape: Shape;
  readonly stops: number;
  readonly width: number;
}

/** Light scattered round a lamp: p/(1 + (r/r₀)²)^1.5 on top of everything, as luminance. */
export interface Glow extends Painted {
  readonly kind: 'glow';
  readonly at: Spot;
  /** EV of p. */
  readonly ev: number;
  readonly radius: number;
}

export type Layer = Fill | Light | Rim | Glow;

/** What a picture of a scene is about: a surface, or the brighter half of it, and the tone that it is wanted at. */
export interface SceneKey {
  readonly label: string;
  readonly part: 'all' | 'litHalf';
  /** Stops from mid-grey. */
  readonly tone: number;
}

/** A frame described: layers painted in order, what it is about (the first key first), and where one focuses. */
export interface SceneDescription {
  readonly id: string;
  readonly seed: number;
  readonly layers: readonly Layer[];
  readonly keys: readonly [SceneKey, ...SceneKey[]];
  readonly focus: Spot;
  readonly changes: LightChange;
  /** Colour of the light on a surface by its label, kelvin; daylight where it is left out. */
  readonly kelvin: Readonly<Record<string, number>>;
}
