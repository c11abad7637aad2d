/** What one walks on: a street or square, a path, or steps. */
export const WAY_KINDS = ['street', 'path', 'steps'] as const;
export type WayKind = (typeof WAY_KINDS)[number];

/** Wider is a field. */
export const WIDEST_WAY_M = 200;

/** A street of a district along its middle, metres east and north of the origin; where two have a corner in common they meet. */
export interface Way {
  readonly id: string;
  readonly name?: string;
  readonly kind: WayKind;
  /** Absent: the map does not say. */
  readonly widthM?: number;
  /** Under a house or a roof. */
  readonly isCovered?: boolean;
  readonly points: readonly (readonly [eastM: number, northM: number])[];
}
