import type * as L from 'leaflet/dist/leaflet-src.esm.js';
import { isTyping } from '../../ui/is-typing';

const KEY = 'a';

/**
 * `a` puts something down on a plan: under the pointer where that is over it, else in the middle of what is seen while the plan
 * has the keys. Before the window's own `a`. Gives back how to stop listening.
 */
export function putDownByKey(map: L.Map, isWanted: () => boolean, put: (at: L.LatLng) => void): () => void {
  let under: L.LatLng | null = null;
  map.on('mousemove', ({ latlng }) => (under = latlng));
  map.on('mouseout', () => (under = null));
  const press = (event: KeyboardEvent): void => {
    const isPlain = event.key === KEY && !event.ctrlKey && !event.metaKey && !event.altKey;
    const hasKeys = map.getContainer().contains(document.activeElement);
    if (!isPlain || !isWanted() || isTyping(event.target) || (under === null && !hasKeys)) return;
    event.preventDefault();
    event.stopPropagation();
    put(under ?? map.getCenter());
  };
  document.addEventListener('keydown', press);
  return () => document.removeEventListener('keydown', press);
}
