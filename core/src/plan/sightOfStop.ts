import { cloudAt, dayOfYear, sunPosition, walkClock } from '../light/index.js';
import type { SightFrame, SightInstant, SightQuestion } from '../sight/index.js';
import { type Stop, stopLampsAt } from '../stop/index.js';
import { areTreesInLeaf } from '../streets/index.js';
import { cloudOf, type Walk } from '../walk/index.js';
import type { KitInHand } from './bag.js';
import type { PlanningData } from './holdings.js';
import { placeOf } from './place.js';
import { lightSiteOf, siteOf } from './site.js';

/** The frame of a stop's camera, level and unshifted. */
export function sightFrameOf({ body, focalLengthMm }: KitInHand, { framing }: Pick<Stop, 'framing'>): SightFrame {
  const { sensorWidthMm, sensorHeightMm } = body;
  return { sensorWidthMm, sensorHeightMm, focalLengthMm, isUpright: framing?.isUpright === true, tiltDeg: 0, riseMm: 0 };
}

const OPEN_GROUND: SightQuestion['site'] = { buildings: [], eastM: 0, northM: 0 };

/** What stands round a stop: its district with its streets, the walls that were stated, or nothing: then no walls are claimed. */
export function sightSiteOf(
  holdings: Pick<PlanningData, 'districts'>,
  walk: Pick<Walk, 'districtId'>,
  stop: Stop,
): { readonly site: SightQuestion['site']; readonly from: 'district' | 'section' | 'none' } {
  const found = siteOf(holdings, walk, stop);
  if (found.kind === 'none') return { site: OPEN_GROUND, from: 'none' };
  if (found.kind === 'section') return { site: found.site, from: 'section' };
  return { site: { ...found.site, ways: found.district.ways ?? [] }, from: 'district' };
}

/** Sky, sun and lamps of a stop at a minute of its walk; null on a day that the zone skipped. */
export function sightInstantOf(
  walk: Walk,
  stop: Stop,
  minute: number,
): { readonly instant: Omit<SightInstant, 'lamps'>; readonly lamps: { readonly fullLux: number; readonly share: number } } | null {
  const clock = walkClock(walk.day, walk.place.timeZone);
  if (clock === null) return null;
  const place = placeOf(walk, stop);
  const sun = sunPosition({ ...place, time: new Date(clock.msAt(minute)), refraction: 'none' });
  const cloud = cloudAt(cloudOf(walk), minute);
  const yearDay = dayOfYear(walk.day);
  const site = lightSiteOf(walk, stop);
  return {
    instant: {
      ...{ sun, cloud, dayOfYear: yearDay, offsetEv: stop.lightOffsetEv },
      areTreesInLeaf: areTreesInLeaf(yearDay, place.latitude),
    },
    lamps: stopLampsAt({ site, sun, cloud, dayOfYear: yearDay, minuteOfDay: minute }),
  };
}
