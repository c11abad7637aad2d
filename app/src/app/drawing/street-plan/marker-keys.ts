import type * as L from 'leaflet/dist/leaflet-src.esm.js';

/** Plus and minus turn and move as arrows do. */
const SIGN_KEYS: Readonly<Record<string, string>> = { '+': 'ArrowUp', '=': 'ArrowUp', '-': 'ArrowDown', '−': 'ArrowDown' };

const HANDLE = 'data-handle';

/**
 * Names a marker for those who do not see it, and gives it arrows, plus and minus; they do not pan the map. `handle` tells it
 * from the others of its plan, however often it is drawn anew.
 */
export function giveKeys(marker: L.Marker, handle: string, words: string, act: (key: string, isFine: boolean) => void): void {
  marker.on('add', () => {
    const element = marker.getElement();
    element?.setAttribute('aria-label', words);
    element?.setAttribute(HANDLE, handle);
    element?.addEventListener('keydown', (event) => {
      const key = SIGN_KEYS[event.key] ?? event.key;
      if (!key.startsWith('Arrow')) return;
      event.preventDefault();
      event.stopPropagation();
      act(key, event.shiftKey && event.key.startsWith('Arrow'));
    });
  });
}

/** Which handle of a plan has the keys; to be asked before it is drawn anew. */
export function heldIn(plan: HTMLElement): string | null {
  return plan.querySelector(`:focus[${HANDLE}]`)?.getAttribute(HANDLE) ?? null;
}

/** Gives the keys back to the handle that had them. */
export function holdAgain(plan: HTMLElement, handle: string | null): void {
  if (handle === null) return;
  const again = [...plan.querySelectorAll<HTMLElement>(`[${HANDLE}]`)].find((one) => one.getAttribute(HANDLE) === handle);
  again?.focus({ preventScroll: true });
}
