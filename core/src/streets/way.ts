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

export interface Point {
  readonly eastM: number;
  readonly northM: number;
}

type Corner = readonly [eastM: number, northM: number];

/** The place on the line from one corner to another that is nearest to a point, and how far it lies from it, metres. */
export function footOn([ax, ay]: Corner, [bx, by]: Corner, { eastM, northM }: Point): Point & { readonly offsetM: number } {
  const [dx, dy] = [bx - ax, by - ay];
  const square = dx * dx + dy * dy;
  const along = square === 0 ? 0 : ((eastM - ax) * dx + (northM - ay) * dy) / square;
  const share = Math.min(1, Math.max(0, along));
  const foot = { eastM: ax + share * dx, northM: ay + share * dy };
  return { ...foot, offsetM: Math.hypot(eastM - foot.eastM, northM - foot.northM) };
}
