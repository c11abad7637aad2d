import type * as L from 'leaflet/dist/leaflet-src.esm.js';

/** Plus and minus turn and move as arrows do. */
const SIGN_KEYS: Readonly<Record<string, string>> = { '+': 'ArrowUp', '=': 'ArrowUp', '-': 'ArrowDown', '−': 'ArrowDown' };

/** Names a marker for those who do not see it, and gives it arrows, plus and minus; they do not pan the map. */
export function giveKeys(marker: L.Marker, words: string, act: (key: string, isFine: boolean) => void): void {
  marker.on('add', () => {
    const element = marker.getElement();
    element?.setAttribute('aria-label', words);
    element?.addEventListener('keydown', (event) => {
      const key = SIGN_KEYS[event.key] ?? event.key;
      if (!key.startsWith('Arrow')) return;
      event.preventDefault();
      event.stopPropagation();
      act(key, event.shiftKey && event.key.startsWith('Arrow'));
    });
  });
}
