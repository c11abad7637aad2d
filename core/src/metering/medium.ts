import { type Body, type Film, type FilmKind, rollIso } from '../kit/index.js';

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

export function isNegative({ kind }: Pick<Medium, 'kind'>): boolean {
  return kind === 'blackAndWhiteNegative' || kind === 'colourNegative';
}

/** A digital picture at an ISO: a stop of shadow less for each stop over the base; what it holds above stays. */
export function digitalMedium(
  body: Pick<Body, 'headroomEv' | 'shadowRangeEv' | 'straightOverEv' | 'straightUnderEv' | 'baseIso'>,
  kind: DigitalKind,
  iso: number,
): Medium {
  const overBase = Math.max(0, Math.log2(iso / body.baseIso));
  const [overEv, underEv] = kind === 'raw' ? [body.headroomEv, body.shadowRangeEv] : [body.straightOverEv, body.straightUnderEv];
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
  holdsOverEv,
  holdsUnderEv,
}: Pick<Film, 'filmKind' | 'boxIso' | 'exposureIndex' | 'pushStops' | 'holdsOverEv' | 'holdsUnderEv'>): Medium {
  const d = Math.log2(boxIso / exposureIndex);
  return { kind: filmKind, overEv: holdsOverEv - d - pushStops, underEv: holdsUnderEv + d + SPEED_A_PUSH * pushStops };
}

/** A roll as it lies in the kit, where a push is added to the index that it is exposed at. */
export function rollMedium(film: Film): Medium {
  return filmMedium({ ...film, exposureIndex: rollIso(film) });
}
