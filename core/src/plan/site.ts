import { isoCeilingOf, type Standard, widestFNumberAt } from '../kit/index.js';
import { shakeShutterLimitS } from '../handheld/index.js';
import { cropFactor, fieldAtDistance } from '../optics/index.js';
import type { CameraReach, LampsOut, SiteOfDay, Stop, StopDayInput } from '../stop/index.js';
import { type District, metresFrom, sectionBuildings, type Site } from '../streets/index.js';
import type { Walk } from '../walk/index.js';
import { type KitInHand, kitInHand } from './bag.js';
import type { PlanningData } from './holdings.js';
import { districtOf, metresOutside, placeOf } from './place.js';

/** What a stop stands among: a district's footprints, a street by its section, or nothing that is known. */
export type StopSite =
  | { readonly kind: 'none' }
  | { readonly kind: 'section'; readonly site: Site }
  | { readonly kind: 'district'; readonly district: District; readonly site: Site };

/** How far outside a map its walls still count, metres: farther out nobody has drawn what stands there (s). */
const MAP_EDGE_M = 100;

/** The buildings round a stop and its place among them; on a map's white none are known. */
export function siteOf(holdings: Pick<PlanningData, 'districts'>, walk: Pick<Walk, 'districtId'>, stop: Stop): StopSite {
  const district = districtOf(holdings, walk);
  if (district !== null && stop.position !== null && metresOutside(district, stop.position) <= MAP_EDGE_M) {
    const { buildings, trees, waters } = district;
    const place = metresFrom(district.origin, stop.position);
    return { kind: 'district', district, site: { buildings, trees, waters, ...place, groundM: stop.groundM ?? 0 } };
  }
  const { section, streetAxisDeg: axisDeg, streetWidthM: widthM, pavement } = stop;
  if (section === undefined) return { kind: 'none' };
  return { kind: 'section', site: { buildings: sectionBuildings({ section, axisDeg, widthM, pavement }), eastM: 0, northM: 0 } };
}

const HALF_FIELD_WITHOUT_KIT_DEG = 30;

/** The narrowest field for which light is looked for. */
const NARROWEST_HALF_DEG = 0.1;

/** Half of the frame's horizontal field, degrees, as the camera is held at the stop. */
export function halfFieldDeg(kit: KitInHand | null, stop: Pick<Stop, 'framing'>): number {
  if (kit === null) return HALF_FIELD_WITHOUT_KIT_DEG;
  const { body, focalLengthMm } = kit;
  const { horizontalDeg, verticalDeg } = fieldAtDistance({ focalLengthMm, ...body, distanceM: 1 + focalLengthMm / 1000 });
  return Math.max(NARROWEST_HALF_DEG, (stop.framing?.isUpright === true ? verticalDeg : horizontalDeg) / 2);
}

const LONGEST_FOR_REACH_S = 1;

/** What the kit takes, for the windows that depend on it. */
export function reachOf({ body, lens, focalLengthMm }: KitInHand, standard: Standard): CameraReach {
  return {
    baseIso: body.baseIso,
    isoCeiling: isoCeilingOf(body, standard),
    widestFNumber: widestFNumberAt(lens, focalLengthMm),
    smallestFNumber: lens.smallestFNumber,
    flashSyncS: body.flashSyncS,
    handheldS: shakeShutterLimitS({
      focalLengthMm,
      cropFactor: cropFactor(body),
      stabiliserStops: Math.max(body.stabiliserStops, lens.stabiliserStops),
      steadinessStops: standard.steadinessStops,
      longestS: LONGEST_FOR_REACH_S,
    }),
  };
}

/** What of a stop its light depends on, with the town's hours of the lamps where it has none of its own. */
export function lightSiteOf(walk: { readonly lampsOut?: LampsOut | undefined }, stop: Stop): SiteOfDay {
  const { intent, shootingBearingDeg, streetAxisDeg, sunGap, lamps, hours, lightOffsetEv, lampsOut = walk.lampsOut } = stop;
  const site = { intent, shootingBearingDeg, streetAxisDeg, sunGap, lamps, hours, lightOffsetEv };
  return lampsOut === undefined ? site : { ...site, lampsOut };
}

/** A stop as questions about its light have it: a year does not care for the day, nor for the cloud. */
export function lightInputFor(
  { kit, standard }: Pick<PlanningData, 'kit' | 'standard'>,
  { bodyId, place, windows, lampsOut }: Pick<Walk, 'bodyId' | 'place' | 'windows' | 'lampsOut'>,
  stop: Stop,
): Omit<StopDayInput, 'day' | 'cloud' | 'streets'> {
  const { subject, movers } = stop;
  const inHand = kitInHand(kit, { bodyId }, stop);
  return {
    ...placeOf({ place }, stop),
    site: lightSiteOf({ lampsOut }, stop),
    timeZone: place.timeZone,
    halfFieldDeg: halfFieldDeg(inHand, stop),
    isFrameUpright: stop.framing?.isUpright ?? false,
    subject: { nearM: subject.nearM, farM: subject.farM, medianM: subject.medianM },
    travelAngleDeg: movers.travelAngleDeg,
    ...(inHand === null ? {} : { reach: reachOf(inHand, standard) }),
    ...(windows === undefined ? {} : { thresholds: windows }),
  };
}
