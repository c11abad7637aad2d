/** The width below which the hand's layout is used; the same figure stands in the style sheets. */
const PHONE_BELOW = '(max-width: 719px)';

export function isPhone(): boolean {
  return typeof matchMedia === 'function' && matchMedia(PHONE_BELOW).matches;
}
