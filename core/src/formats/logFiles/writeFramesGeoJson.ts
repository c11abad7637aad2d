import { DateTime } from 'luxon';
import type { Place } from '../../light/index.js';
import { frameName, type PlacedFrame, type Verdict, type WalkLog } from '../../log/frames/index.js';

const at = ({ latitude, longitude }: Place): [number, number] => [Number(longitude.toFixed(7)), Number(latitude.toFixed(7))];

/** Where a frame was taken: its own position, else that of its stop. */
function placeOf({ frame, stay }: PlacedFrame): { readonly place: Place; readonly isOwn: boolean } | null {
  const place = frame.position ?? stay?.position ?? null;
  return place === null ? null : { place, isOwn: frame.position !== null };
}

/** Frames as GeoJSON (RFC 7946), a point each; those that lie nowhere are left out. It says where they were taken: that is its purpose. */
export function writeFramesGeoJson(
  { name, day, timeZone }: Pick<WalkLog, 'name' | 'day' | 'timeZone'>,
  placed: readonly PlacedFrame[],
  words: Readonly<Record<Verdict, string>>,
): string {
  const features = placed.flatMap((one) => {
    const [where, { frame, stay, atMs }] = [placeOf(one), one];
    if (where === null) return [];
    const properties = {
      name: frameName(frame),
      taken: atMs === null ? null : DateTime.fromMillis(atMs, { zone: timeZone }).toISO({ suppressMilliseconds: true }),
      stop: stay?.name ?? null,
      isStopsPosition: !where.isOwn,
      fNumber: frame.fNumber,
      shutterS: frame.shutterS,
      iso: frame.iso,
      focalLengthMm: frame.focalLengthMm,
      bearingDeg: frame.bearingDeg,
      verdict: frame.verdict === null ? null : words[frame.verdict],
    };
    return [{ type: 'Feature', id: frame.id, properties, geometry: { type: 'Point', coordinates: at(where.place) } }];
  });
  return `${JSON.stringify({ type: 'FeatureCollection', name, day, timeZone, features }, null, 1)}\n`;
}
