import { RAD_PER_DEG } from '../units/index.js';
import type { Building, Place } from '../light/index.js';
import type { Outline } from './shadowPolygons.js';
import type { Tree } from './trees.js';
import type { Way } from './way.js';

/** How a building's height is known. */
export type HeightSource = 'given' | 'levels' | 'assumed' | 'set';
export const HEIGHT_SOURCES = ['given', 'levels', 'assumed', 'set'] as const satisfies readonly HeightSource[];

export interface DistrictBuilding extends Building {
  readonly id: string;
  readonly name?: string;
  readonly heightSource: HeightSource;
}

/** Buildings, trees and streets on flat ground, in metres east and north of an origin. */
export interface District {
  readonly id: string;
  readonly name: string;
  readonly origin: Place;
  readonly buildings: readonly DistrictBuilding[];
  readonly trees: readonly Tree[];
  readonly waters: readonly Outline[];
  /** Absent: the map had none. */
  readonly ways?: readonly Way[];
}

/** Metres of a degree of latitude on the mean sphere of 6,371,008.8 m. */
const METRES_PER_DEGREE = (Math.PI / 180) * 6_371_008.8;

/** A place as metres east and north of the origin: equirectangular, within 0.1 % over a town. */
export function metresFrom(origin: Place, place: Place): { readonly eastM: number; readonly northM: number } {
  const turn = ((place.longitude - origin.longitude + 540) % 360) - 180;
  return {
    eastM: turn * METRES_PER_DEGREE * Math.cos(origin.latitude * RAD_PER_DEG),
    northM: (place.latitude - origin.latitude) * METRES_PER_DEGREE,
  };
}

/** The inverse of `metresFrom`. */
export function placeAt(origin: Place, { eastM, northM }: { readonly eastM: number; readonly northM: number }): Place {
  const longitude = origin.longitude + eastM / (METRES_PER_DEGREE * Math.cos(origin.latitude * RAD_PER_DEG));
  return { latitude: origin.latitude + northM / METRES_PER_DEGREE, longitude: ((longitude + 540) % 360) - 180 };
}
