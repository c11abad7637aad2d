const PATIENCE_MS = 2000;

/** The newest wish counts: what was to have the keyboard before gives way. */
let newest = 0;

/** Whether the keyboard is nowhere: what it was on has gone, or it is on a link that has led here. */
export function isFocusLost(): boolean {
  const at = document.activeElement;
  return at === null || at === document.body || at.closest('nav') !== null;
}

/**
 * Puts the keyboard on what `find` gives as soon as it is there, for two seconds at most; where somebody has meanwhile gone to
 * another place of their own accord, they stay there. A field's text is selected, so that typing replaces it.
 */
export function focusSoon(find: () => HTMLElement | null): void {
  const wish = ++newest;
  const before = document.activeElement;
  const untilMs = performance.now() + PATIENCE_MS;
  const look = (): void => {
    const now = document.activeElement;
    if (wish !== newest || (now !== before && now !== document.body)) return;
    const found = find();
    if (found === null) {
      if (performance.now() < untilMs) requestAnimationFrame(look);
      return;
    }
    if (found.tabIndex < 0 && !found.hasAttribute('tabindex')) found.tabIndex = -1;
    found.focus();
    if (found instanceof HTMLInputElement) found.select();
  };
  requestAnimationFrame(look);
}

/** In the hand a field that is focused brings up keys that hide the half of the page: there one taps it oneself. */
export const isByKeys = (): boolean => !matchMedia('(pointer: coarse)').matches;
