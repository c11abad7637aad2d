import type { District } from '@roam-dial/core/streets';
import { contentKey } from '../base/content-key';

const keys = new WeakMap<readonly unknown[], string>();

/** What a list comes to by its content; worked out once for each list there is. */
function listKey(list: readonly unknown[]): string {
  const known = keys.get(list);
  if (known !== undefined) return known;
  const key = contentKey(JSON.stringify(list));
  keys.set(list, key);
  return key;
}

/** Streets by their content; a map without any has none. */
export function waysKey({ ways }: Pick<District, 'ways'>): string | null {
  return ways === undefined || ways.length === 0 ? null : listKey(ways);
}

/**
 * A district by its content, not by the object that holds it: one that is read anew, or renamed, casts the same shadows and is
 * not measured again.
 */
export function districtKey({ buildings, trees, waters }: District): string {
  return [buildings, trees, waters].map(listKey).join('-');
}
