import type { Body, Film, Flash, KitItem, KitKind, Lens, Stop, Walk } from '@roam-dial/core';

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

/** What a stop is photographed with; null without a body and a lens. */
export function kitInHand(kit: readonly KitItem[], walk: Walk, stop: Stop): KitInHand | null {
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
