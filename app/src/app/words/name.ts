/** Letters, figures and signs: neither blanks nor what has no width. */
const VISIBLE = /[^\p{C}\p{Z}]/u;

/** A name to read: where nothing of it can be seen, what it is instead. */
export function nameOf({ name }: { readonly name: string }, otherwise = 'Unnamed stop'): string {
  return VISIBLE.test(name) ? name : otherwise;
}
