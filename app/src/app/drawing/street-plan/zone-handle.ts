import * as L from 'leaflet/dist/leaflet-src.esm.js';
import { giveKeys } from './marker-keys';
import type { PlanStop, PlanZone } from './plan-parts';
import { placeFrom } from './street-plan.layers';

const NAMES: Readonly<Record<keyof PlanZone, string>> = { nearM: 'Sharp from', medianM: 'Where they pass', farM: 'Sharp to' };

/** An end of the zone as a handle on the axis of a look: dragged, or moved by keys as marks on a ring go. */
export function zoneHandle(stop: PlanStop, end: keyof PlanZone, distanceM: number, moved: (distanceM: number) => void): L.Marker {
  const name = NAMES[end];
  const [eastM, northM] = placeFrom(stop, distanceM, 0);
  const handle = L.marker([northM, eastM], {
    draggable: true,
    keyboard: true,
    title: `${name}: ${distanceM.toFixed(1)} m`,
    icon: L.divIcon({ className: `rd-zone ${end}`, iconSize: [22, 22], html: '<span></span>' }),
  });
  handle.on('dragend', () => {
    const { lat, lng } = handle.getLatLng();
    moved(Math.hypot(lng - stop.eastM, lat - stop.northM));
  });
  giveKeys(
    handle,
    `${end}/${stop.id}`,
    `${name} at ${distanceM.toFixed(1)} m before ${stop.name}; arrows, plus and minus move it`,
    (key, isFine) => {
      const by = (isFine ? 1 / 8 : 1 / 2) * (key === 'ArrowRight' || key === 'ArrowUp' ? 1 : -1);
      // As marks on a ring go: by a share of the distance, not by metres.
      moved(distanceM * 2 ** (by / 2));
    },
  );
  return handle;
}
