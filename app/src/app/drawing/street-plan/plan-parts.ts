import type { Building } from '@roam-dial/core/light';
import type { Viewpoint } from './street-plan.layers';

/** Of a map with more buildings than this only those near the chosen stop throw shadows: some 20 ms a minute dragged over. */
export const MOST_SHADOWED = 800;

export interface PlanBuilding extends Building {
  readonly id: string;
  readonly heightSource: string;
}

/** Where it is sharp from and to, and where they pass, metres before the camera. */
export interface PlanZone {
  readonly nearM: number;
  readonly medianM: number;
  readonly farM: number;
}

/** An end of the zone drawn somewhere else. */
export interface ZoneMove {
  readonly end: keyof PlanZone;
  readonly distanceM: number;
}

/** The way from one stop to the next, metres east and north. */
export interface PlanLeg {
  readonly points: readonly (readonly [number, number])[];
  /** Along streets, saying only which two belong together, or as it was really walked. */
  readonly kind: 'streets' | 'straight' | 'walked';
}

export interface PlanStop extends Viewpoint {
  readonly id: string;
  readonly name: string;
  readonly number: number;
  readonly isSelected: boolean;
  readonly halfFieldDeg: number;
}
