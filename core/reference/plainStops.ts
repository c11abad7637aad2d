import type { Building } from '../src/light/index.js';
import { type Intent, type StopDay, stopDay, type StopDayInput } from '../src/stop/index.js';

/** A stop on plain days: where the sun's course can be told without a table, and in the town. */

/** Equinox at the equator on the meridian of its zone: the sun rises in the east at 06:00 and is overhead at noon. */
export const EQUATOR = { day: '2027-03-20', timeZone: 'Etc/GMT', latitude: 0, longitude: 0, cloud: 0, halfFieldDeg: 32 };
export const TOWN = {
  day: '2027-03-13',
  timeZone: 'Atlantic/Azores',
  latitude: 46.5,
  longitude: -20.7,
  cloud: 0,
  halfFieldDeg: 32,
};
export const inputFor = (
  intent: Intent,
  place: typeof TOWN,
  buildings: readonly Building[] | null,
  site: Partial<StopDayInput['site']> = {},
): StopDayInput => ({
  ...place,
  site: { intent, shootingBearingDeg: 90, streetAxisDeg: 90, sunGap: null, lamps: 'none', hours: null, lightOffsetEv: 0, ...site },
  streets: buildings === null ? null : { buildings, eastM: 0, northM: 0 },
});
export const dayFor = (...from: Parameters<typeof inputFor>): StopDay => stopDay(inputFor(...from)) as StopDay;
export const hm = (hours: number, minutes = 0): number => 60 * hours + minutes;
