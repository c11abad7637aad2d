import type { Place } from '@roam-dial/core';

/** The time zone of a place, from a table that comes with the program and is loaded when somebody asks. */
export async function zoneAt({ latitude, longitude }: Place): Promise<string> {
  const { default: zoneName } = await import('@photostructure/tz-lookup');
  return zoneName(latitude, longitude);
}

/** To a centimetre: finer than any map, and as short as it can be read. */
export function roundedPlace({ latitude, longitude }: Place): Place {
  const rounded = (degrees: number): number => Math.round(degrees * 1e7) / 1e7;
  return { latitude: rounded(latitude), longitude: rounded(longitude) };
}

/** The zones that this browser knows, by name. */
export function zoneNames(): readonly string[] {
  return Intl.supportedValuesOf('timeZone');
}
