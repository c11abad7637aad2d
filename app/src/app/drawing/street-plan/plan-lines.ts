import type { Tree, Way } from '@roam-dial/core/streets';
import * as L from 'leaflet/dist/leaflet-src.esm.js';
import type { PlanLeg } from './plan-parts';

/** How streets are drawn: steps as rungs, what runs under a house as a broken line over it. */
export interface StreetStyle {
  readonly ground: L.PolylineOptions;
  readonly above: L.PolylineOptions;
}

type Line = readonly (readonly [number, number])[];
const toLatLngs = (line: Line): L.LatLngTuple[] => line.map(([eastM, northM]) => [northM, eastM]);

/** All streets in as few lines as there are kinds: a district has thousands. */
export function streetLayers(ways: readonly Way[], { ground, above }: StreetStyle): readonly L.Layer[] {
  const of = (is: (way: Way) => boolean): L.LatLngTuple[][] => ways.filter(is).map(({ points }) => toLatLngs(points));
  const line = (lines: L.LatLngTuple[][], options: L.PolylineOptions): L.Polyline =>
    L.polyline(lines, { interactive: false, ...options });
  const isOpen = ({ isCovered = false }: Way): boolean => !isCovered;
  return [
    line(
      of((way) => isOpen(way) && way.kind === 'street'),
      { ...ground, weight: 1 },
    ),
    line(
      of((way) => isOpen(way) && way.kind === 'path'),
      { ...ground, weight: 1, dashArray: '5 3' },
    ),
    line(
      of((way) => isOpen(way) && way.kind === 'steps'),
      { ...ground, weight: 5, dashArray: '1.5 2.5', lineCap: 'butt' },
    ),
    line(
      of((way) => !isOpen(way)),
      { ...above, weight: 1.5, dashArray: '4 4' },
    ),
  ];
}

interface Named {
  readonly name: string;
  readonly at: readonly [number, number];
  readonly turnDeg: number;
  readonly lengthM: number;
}

/** The longest straight piece of each name carries it. */
function namedPieces(ways: readonly Way[]): readonly Named[] {
  const longest = new Map<string, Named>();
  for (const { name, points } of ways) {
    if (name === undefined) continue;
    for (let k = 1; k < points.length; k++) {
      const [[ax, ay], [bx, by]] = [points[k - 1] as readonly [number, number], points[k] as readonly [number, number]];
      const lengthM = Math.hypot(bx - ax, by - ay);
      if (lengthM <= (longest.get(name)?.lengthM ?? 0)) continue;
      // Clockwise from level, never upside down.
      const turn = (Math.atan2(ay - by, bx - ax) * 180) / Math.PI;
      const turnDeg = turn > 90 ? turn - 180 : turn <= -90 ? turn + 180 : turn;
      longest.set(name, { name, at: [(ax + bx) / 2, (ay + by) / 2], turnDeg, lengthM });
    }
  }
  return [...longest.values()];
}

/** A letter of a name on the plan, pixels. */
const LETTER_PX = 6;
/** More names than this are a grey haze. */
const MOST_NAMES = 60;

/** Names along their streets, of those that are long enough at this scale. */
export function streetNames(ways: readonly Way[], pixelsPerM: number): readonly L.Layer[] {
  return namedPieces(ways)
    .filter(({ name, lengthM }) => lengthM * pixelsPerM > name.length * LETTER_PX)
    .sort((a, b) => b.lengthM - a.lengthM)
    .slice(0, MOST_NAMES)
    .map(({ name, at: [eastM, northM], turnDeg }) => {
      const words = document.createElement('span');
      words.textContent = name;
      words.style.transform = `translate(-50%, -50%) rotate(${turnDeg.toFixed(1)}deg)`;
      const icon = L.divIcon({ className: 'rd-street-name', iconSize: [0, 0], html: words });
      return L.marker([northM, eastM], { icon, interactive: false, keyboard: false, pane: 'names' });
    });
}

/** How a way looks: drawn through along streets, dotted where it only says which two belong together, broken where it was walked. */
const LOOKS: Readonly<Record<PlanLeg['kind'], L.PolylineOptions>> = {
  streets: { weight: 2.5, opacity: 0.75 },
  straight: { weight: 2, dashArray: '2 5', opacity: 0.75 },
  walked: { weight: 2, dashArray: '6 3' },
};

/** The way from stop to stop, and the one that was really walked, in a colour of its own. */
export function legLayers(legs: readonly PlanLeg[], style: L.PolylineOptions, walkedColour: string): readonly L.Layer[] {
  return legs.map(({ points, kind }) => {
    const colour = kind === 'walked' ? { color: walkedColour } : {};
    return L.polyline(toLatLngs(points), { ...style, ...LOOKS[kind], ...colour, interactive: false });
  });
}

/** Crowns, as wide as they are. */
export function treeLayers(trees: readonly Tree[], style: L.PathOptions): readonly L.Layer[] {
  return trees.map(({ eastM, northM, radiusM }) =>
    L.circle([northM, eastM], { ...style, radius: radiusM, weight: 1, dashArray: '2 3', fill: false, interactive: false }),
  );
}
