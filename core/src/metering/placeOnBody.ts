import type { PlacementMethod, Reading } from '../stop/index.js';
import { digitalMedium, type DigitalKind, type Medium } from './medium.js';
import { type KeyPlacement, placeKey } from './keyPlacement.js';

export interface PlacedOnBody {
  readonly placement: KeyPlacement;
  /** The file at the ISO of the exposure that it is placed at. */
  readonly medium: Medium;
  readonly iso: number;
}

/**
 * A key placed on a digital body: what is lost goes by the ISO of the exposure that comes of it (a stop of shadow less for each
 * over the base), not by that of whatever was set before. Where it is placed goes by the highlights alone, which ISO does not
 * move, so that one look at the base tells the exposure and a second what it holds. Null as `placeKey`.
 */
export function placeOnBody(
  readings: readonly Reading[],
  school: PlacementMethod,
  {
    body,
    kind,
    isoAt,
  }: {
    readonly body: Parameters<typeof digitalMedium>[0];
    readonly kind: DigitalKind;
    /** The ISO that goes with an exposure, EV at ISO 100. */
    readonly isoAt: (ev100: number) => number;
  },
): PlacedOnBody | null {
  const first = placeKey(readings, digitalMedium(body, kind, body.baseIso), school);
  if (first === null) return null;
  const iso = isoAt(first.ev100);
  const medium = digitalMedium(body, kind, iso);
  const placement = placeKey(readings, medium, school);
  return placement === null ? null : { placement, medium, iso };
}
