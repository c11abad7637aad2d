import type { WalkPlace } from '@roam-dial/core/walk';

/** Made-up places, all of them in open sea: they are on no map. */
const INVENTED: readonly Omit<WalkPlace, 'isInvented'>[] = [
  { name: 'Orrel', latitude: 46.5, longitude: -20.7, timeZone: 'Atlantic/Azores' },
  { name: 'Tessel Haven', latitude: 58.2, longitude: -14.6, timeZone: 'Europe/London' },
  { name: 'Marrowby', latitude: 21.4, longitude: -38.9, timeZone: 'Atlantic/Cape_Verde' },
  { name: 'Sund Quay', latitude: 69.8, longitude: -8.3, timeZone: 'Europe/Oslo' },
  { name: 'Port Calder', latitude: -38.2, longitude: -24.6, timeZone: 'America/Noronha' },
  { name: 'Anse Verrine', latitude: 0.4, longitude: -26.1, timeZone: 'America/Noronha' },
  { name: 'Halmouth Bar', latitude: 33.1, longitude: -152.7, timeZone: 'Pacific/Honolulu' },
];

export const GAZETTEER: readonly WalkPlace[] = INVENTED.map((place) => ({ ...place, isInvented: true }));
