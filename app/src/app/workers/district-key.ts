import type { District } from '@roam-dial/core';

const keys = new WeakMap<readonly unknown[], string>();

/** FNV-1a over text, twice with different primes: 64 bits are enough to tell towns apart. */
function hashOf(text: string): string {
  let [a, b] = [0x811c9dc5, 0xc9dc5118];
  for (let k = 0; k < text.length; k++) {
    const code = text.charCodeAt(k);
    a = Math.imul(a ^ code, 0x01000193);
    b = Math.imul(b ^ code, 0x5bd1e995);
  }
  return `${(a >>> 0).toString(36)}${(b >>> 0).toString(36)}`;
}

/** What a list comes to by its content; worked out once for each list there is. */
function contentKey(list: readonly unknown[]): string {
  const known = keys.get(list);
  if (known !== undefined) return known;
  const key = `${list.length}.${hashOf(JSON.stringify(list))}`;
  keys.set(list, key);
  return key;
}

/**
 * A district by its content, not by the object that holds it: one that is read anew, or renamed, casts the same shadows and is
 * not measured again.
 */
export function districtKey({ buildings, trees, waters }: District): string {
  return [buildings, trees, waters].map(contentKey).join('-');
}
