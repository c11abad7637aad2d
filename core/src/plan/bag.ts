import type { Body, Film, Filter, Flash, KitItem, KitKind, Lens } from '../kit/index.js';
import { type Approach, APPROACHES, type Stop } from '../stop/index.js';
import type { Walk } from '../walk/index.js';

type ItemOf<Kind extends KitKind> = Extract<KitItem, { kind: Kind }>;

export function ofKind<Kind extends KitKind>(kit: readonly KitItem[], kind: Kind): readonly ItemOf<Kind>[] {
  return kit.filter((item): item is ItemOf<Kind> => item.kind === kind);
}

/** The one that was chosen, else the first in the bag, else the first there is. */
function chosen<Item extends KitItem>(items: readonly Item[], id: string | null): Item | null {
  return items.find((item) => item.id === id) ?? items.find((item) => item.inBag) ?? items[0] ?? null;
}

/** The lenses that are in the bag; all of them where none is. */
export function lensesInBag(kit: readonly KitItem[]): readonly Lens[] {
  const lenses = ofKind(kit, 'lens');
  const packed = lenses.filter(({ inBag }) => inBag);
  return packed.length > 0 ? packed : lenses;
}

/**
 * Of what is in the bag, the filter that takes so many stops: the weakest that takes enough, else the strongest there is.
 * A colour filter only for film, where it is made up for in the grey that colours turn into. Null without any.
 */
export function filterFor(kit: readonly KitItem[], { stops, isFilm }: { stops: number; isFilm: boolean }): Filter | null {
  const packed = ofKind(kit, 'filter').filter(({ inBag, filterKind }) => inBag && (isFilm || filterKind !== 'colour'));
  const byStrength = [...packed].sort((a, b) => a.stops - b.stops);
  return byStrength.find((filter) => filter.stops >= stops - 1e-9) ?? byStrength.at(-1) ?? null;
}

const SUPPORT_OF = { wall: 'braced', tripod: 'tripod' } as const;

/** What there is to stand on: the hands, and what is in the bag. */
export function supportsInBag(kit: readonly KitItem[]): readonly Approach['support'][] {
  const packed = ofKind(kit, 'support').filter(({ inBag }) => inBag);
  return APPROACHES.support.filter(
    (support) => support === 'handheld' || packed.some(({ supportKind }) => SUPPORT_OF[supportKind] === support),
  );
}

export interface KitInHand {
  readonly body: Body;
  readonly lens: Lens;
  readonly focalLengthMm: number;
  readonly film: Film | null;
  readonly flash: Flash | null;
}

function withinLens(lens: Lens, focalLengthMm: number | null): number {
  return Math.min(lens.longestMm, Math.max(lens.shortestMm, focalLengthMm ?? lens.shortestMm));
}

/** Nothing nearer than its focal length is drawn sharp by any lens: no set-up is asked for there. */
export function isWithinReach({ focalLengthMm }: Pick<KitInHand, 'focalLengthMm'>, { subject }: Pick<Stop, 'subject'>): boolean {
  return subject.medianM > focalLengthMm / 1000;
}

/** What a stop is photographed with; null without a body and a lens. */
export function kitInHand(
  kit: readonly KitItem[],
  walk: Pick<Walk, 'bodyId'>,
  stop: Pick<Stop, 'lensId' | 'focalLengthMm'>,
): KitInHand | null {
  const body = chosen(ofKind(kit, 'body'), walk.bodyId);
  const lens = chosen(ofKind(kit, 'lens'), stop.lensId);
  if (body === null || lens === null) return null;
  return {
    body,
    lens,
    focalLengthMm: withinLens(lens, stop.focalLengthMm),
    film: body.medium === 'film' ? chosen(ofKind(kit, 'film'), body.filmId) : null,
    flash: ofKind(kit, 'flash').find((flash) => flash.inBag) ?? null,
  };
}
