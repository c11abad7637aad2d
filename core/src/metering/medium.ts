import type { Body, Film, FilmKind } from '../kit/index.js';

export const DIGITAL_KINDS = ['raw', 'straight'] as const;
export type DigitalKind = (typeof DIGITAL_KINDS)[number];
export type MediumKind = DigitalKind | FilmKind;

/** What a picture is taken on: how far above and below mid-grey it holds detail. */
export interface Medium {
  readonly kind: MediumKind;
  readonly overEv: number;
  readonly underEv: number;
}

/** Slope of mid-grey, share of the whole range of tones a stop (s). */
export const SLOPES: Readonly<Record<MediumKind, number>> = {
  raw: 0.19,
  straight: 0.235,
  slide: 0.3,
  blackAndWhiteNegative: 0.16,
  colourNegative: 0.17,
};

/** A picture as it comes out of the camera holds less than the raw file (s). */
export const STRAIGHT_OVER_EV = 2.3;
export const STRAIGHT_UNDER_EV = 5;

/** What films hold (s): not how far a frame may be off, which is their latitude. */
export const FILM_HOLDS: Readonly<Record<FilmKind, Pick<Medium, 'overEv' | 'underEv'>>> = {
  slide: { overEv: 2, underEv: 2.5 },
  blackAndWhiteNegative: { overEv: 5, underEv: 3.5 },
  colourNegative: { overEv: 5, underEv: 2.5 },
};

export function isNegative({ kind }: Pick<Medium, 'kind'>): boolean {
  return kind === 'blackAndWhiteNegative' || kind === 'colourNegative';
}

/** A digital picture at an ISO: a stop of shadow less for each stop over the base; what it holds above stays. */
export function digitalMedium(
  { headroomEv, shadowRangeEv, baseIso }: Pick<Body, 'headroomEv' | 'shadowRangeEv' | 'baseIso'>,
  kind: DigitalKind,
  iso: number,
): Medium {
  const overBase = Math.max(0, Math.log2(iso / baseIso));
  const [overEv, underEv] = kind === 'raw' ? [headroomEv, shadowRangeEv] : [STRAIGHT_OVER_EV, STRAIGHT_UNDER_EV];
  return { kind, overEv, underEv: Math.max(0, underEv - overBase) };
}

/** Shadow speed that a stop of push gains, stops (s). */
const SPEED_A_PUSH = 0.3;

/**
 * A film exposed at its index and pushed (pull below 0): with d = log2(box/index), over − d − push and under + d + 0.3·push.
 * Source: docs/metering.md#media.
 */
export function filmMedium({
  filmKind,
  boxIso,
  exposureIndex,
  pushStops,
}: Pick<Film, 'filmKind' | 'boxIso' | 'exposureIndex' | 'pushStops'>): Medium {
  const { overEv, underEv } = FILM_HOLDS[filmKind];
  const d = Math.log2(boxIso / exposureIndex);
  return { kind: filmKind, overEv: overEv - d - pushStops, underEv: underEv + d + SPEED_A_PUSH * pushStops };
}
