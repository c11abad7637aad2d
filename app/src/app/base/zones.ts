import type { Place } from '@roam-dial/core/light';
import { fetched } from './fetched';

/** The time zone of a place, from a table that comes with the program and is loaded when somebody asks. */
export async function zoneAt({ latitude, longitude }: Place): Promise<string> {
  const { default: zoneName } = await fetched('The time zone map', () => import('@photostructure/tz-lookup'));
  return zoneName(latitude, longitude);
}

/** The zones that this browser knows, by name. */
export function zoneNames(): readonly string[] {
  return Intl.supportedValuesOf('timeZone');
}
