import type { KitItem } from '@roam-dial/core/kit';
import { ofKind } from '@roam-dial/core/plan';
import { isDemoId } from '../../storage/demo/demo-id';
import { nameOf } from '../../words/name';

/** Bodies or lenses to go out with: one's own, what was added last first, and the demo's apart. */
export interface KitChoices {
  readonly own: readonly { readonly id: string; readonly name: string }[];
  readonly demo: readonly { readonly id: string; readonly name: string }[];
}

export function kitChoices(kit: readonly KitItem[], kind: 'body' | 'lens'): KitChoices {
  const all = ofKind(kit, kind).map((item) => ({ id: item.id, name: nameOf(item, `an unnamed ${kind}`) }));
  return { own: all.filter(({ id }) => !isDemoId(id)).reverse(), demo: all.filter(({ id }) => isDemoId(id)) };
}

/** What somebody most likely goes out with: the newest of their own that is in the bag, else the newest, else the demo's in the bag. */
export function likeliest(kit: readonly KitItem[], kind: 'body' | 'lens'): string | null {
  const own = ofKind(kit, kind).filter(({ id }) => !isDemoId(id));
  const demo = ofKind(kit, kind).filter(({ id }) => isDemoId(id));
  const found = own.filter(({ inBag }) => inBag).at(-1) ?? own.at(-1) ?? demo.find(({ inBag }) => inBag) ?? demo[0];
  return found?.id ?? null;
}
