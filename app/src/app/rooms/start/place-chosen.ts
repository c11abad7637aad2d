import type { Place } from '@roam-dial/core/light';
import { middleOfDistrict, roundedPlace } from '@roam-dial/core/plan';
import type { District } from '@roam-dial/core/streets';
import { GAZETTEER } from '../../storage/gazetteer';

/** Where a walk begins, and by what one knows. */
export interface PlaceChosen {
  readonly by: 'map' | 'coordinates' | 'device' | 'invented';
  readonly place: Place;
  readonly name: string;
  /** Null where it is to be looked up. */
  readonly timeZone: string | null;
  readonly district: District | null;
}

export function byMap(district: District): PlaceChosen {
  return { by: 'map', place: roundedPlace(middleOfDistrict(district)), name: district.name || 'My map', timeZone: null, district };
}

export function byCoordinates(place: Place, by: 'coordinates' | 'device'): PlaceChosen {
  return { by, place: roundedPlace(place), name: by === 'device' ? 'Where I was' : 'My place', timeZone: null, district: null };
}

export function byName(name: string): PlaceChosen | null {
  const found = GAZETTEER.find((one) => one.name === name);
  if (found === undefined) return null;
  const { latitude, longitude, timeZone } = found;
  return { by: 'invented', place: { latitude, longitude }, name, timeZone, district: null };
}

/** "46.4552° N, 11.2571° E". */
export function placeText({ latitude, longitude }: Place): string {
  const part = (degrees: number, plus: string, minus: string): string =>
    `${Math.abs(degrees).toFixed(4)}° ${degrees < 0 ? minus : plus}`;
  return `${part(latitude, 'N', 'S')}, ${part(longitude, 'E', 'W')}`;
}

/** What somebody who refuses, or a device that does not know, answers. */
export const NOT_LOCATED: Readonly<Record<number, string>> = {
  1: 'This browser may not say where you are. Paste the coordinates instead.',
  2: 'The device does not know where it is. Paste the coordinates instead.',
  3: 'The device took too long to find itself. Try again under the open sky, or paste the coordinates.',
};
