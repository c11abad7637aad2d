import { cloudAt, dayOfYear, sunPosition, walkClock } from '../light/index.js';
import { motionShutterLimitS } from '../handheld/index.js';
import type { KeySurface, SightFrame, SightInstant, SightQuestion, Taken } from '../sight/index.js';
import { keyToneOf } from '../metering/index.js';
import { type Stop, type StopLight, stopLampsAt } from '../stop/index.js';
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

/** Share of the frame of the screen that a picture wants behind its people; null where it wants none. */
export function screenShareOf({ intent, lamps }: Pick<Stop, 'intent' | 'lamps'>): number | null {
  if (intent.kind === 'brightBackdrop') return intent.brightShare;
  if (intent.kind !== 'silhouette') return null;
  return intent.background === 'screen' || lamps === 'screen' || lamps === 'litWindow' ? intent.brightShare : null;
}

function surfaceOf({ intent }: Pick<Stop, 'intent'>, { surface }: Pick<StopLight, 'surface'>): KeySurface {
  switch (intent.kind) {
    case 'passingCandid':
    case 'compressedDistance':
      return 'person';
    case 'lightPool':
      return surface === 'lamps' ? 'level' : 'pool';
    case 'silhouette':
      if (surface === 'sky' || surface === 'screen') return surface;
      if (surface === 'litGround') return 'sunlit ground';
      return surface === 'shade' ? 'level' : 'wall';
    case 'intoTheSun':
      return 'sunlit ground';
    case 'brightBackdrop':
      return 'screen';
    case 'flashLift':
      return 'anySky';
    case 'facade':
    case 'reflection':
      return 'wall';
    case 'litStreet':
    case 'longExposure':
    case 'fireworks':
      return 'level';
  }
}

/** What of a stop's view its picture is about in a light, and the tone that it is wanted at. */
export function sightKeyOf(
  stop: Pick<Stop, 'intent' | 'lightOffsetEv'>,
  light: Pick<StopLight, 'surface'>,
): { readonly surface: KeySurface; readonly tone: number; readonly offsetEv: number } {
  return { surface: surfaceOf(stop, light), tone: keyToneOf(stop.intent), offsetEv: stop.lightOffsetEv };
}

/**
 * How a set-up takes a stop's view: soft by its aperture and focus, whoever passes smeared in its time as the card's own limit has it,
 * at most over the frame's width. Source: docs/formulas.md#motion.
 */
export function sightTakenBy(
  { body, focalLengthMm }: Pick<KitInHand, 'body' | 'focalLengthMm'>,
  { movers, subject }: Pick<Stop, 'movers' | 'subject'>,
  set: { readonly fNumber: number; readonly shutterS: number; readonly focusM: number },
): Taken {
  const { speedMps, travelAngleDeg } = movers;
  const perMmS = motionShutterLimitS({
    focalLengthMm,
    subjectDistanceM: subject.medianM,
    speedMps,
    travelAngleDeg,
    blurLimitMm: 1,
  });
  return { fNumber: set.fNumber, focusM: set.focusM, smearMm: Math.min(body.sensorWidthMm, set.shutterS / perMmS) };
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
  const { screenEv, ...lamps } = stopLampsAt({ site, sun, cloud, dayOfYear: yearDay, minuteOfDay: minute });
  return {
    instant: {
      ...{ sun, cloud, dayOfYear: yearDay, offsetEv: stop.lightOffsetEv, screenEv },
      areTreesInLeaf: areTreesInLeaf(yearDay, place.latitude),
    },
    lamps,
  };
}
