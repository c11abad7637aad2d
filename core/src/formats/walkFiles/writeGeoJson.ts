import type { Place } from '../../light/index.js';
import { clockOf, type FiledWalk, setUpLine } from './filedWalk.js';

const at = ({ latitude, longitude }: Place): [number, number] => [Number(longitude.toFixed(7)), Number(latitude.toFixed(7))];

/** A walk as GeoJSON (RFC 7946): a point a stop, with its times and its set-up, and a line a leg. */
export function writeGeoJson({ walk, stops }: FiledWalk): string {
  const points = stops.flatMap((filed, k) => {
    const { stop, intent, setUp, windows } = filed;
    if (stop.position === null) return [];
    const properties = {
      kind: 'stop',
      number: k + 1,
      name: stop.name,
      intent,
      arrive: clockOf(stop.arriveMin),
      leave: clockOf(stop.leaveMin),
      setUp: setUpLine(filed),
      ...(setUp ?? {}),
      light: windows.map(({ fromMin, toMin }) => [clockOf(fromMin), clockOf(toMin)]),
      shootingBearingDeg: stop.shootingBearingDeg,
      care: stop.cautions,
    };
    return [{ type: 'Feature', id: stop.id, properties, geometry: { type: 'Point', coordinates: at(stop.position) } }];
  });
  const legs = stops.flatMap(({ stop, course, walkMin, distanceM }, k) => {
    if (course.length < 2) return [];
    const properties = {
      kind: 'leg',
      to: stop.name,
      from: stops[k - 1]?.stop.name ?? '',
      walkMin,
      metres: distanceM === null ? null : Math.round(distanceM),
    };
    return [{ type: 'Feature', properties, geometry: { type: 'LineString', coordinates: course.map(at) } }];
  });
  const { name, day, place } = walk;
  const whole = {
    type: 'FeatureCollection',
    name,
    day,
    timeZone: place.timeZone,
    isInventedPlace: place.isInvented,
    features: [...points, ...legs],
  };
  return `${JSON.stringify(whole, null, 1)}\n`;
}
