import {
  type CameraReach,
  cropFactor,
  type District,
  fieldAtDistance,
  isoCeilingOf,
  metresFrom,
  sectionBuildings,
  shakeShutterLimitS,
  type Site,
  type Standard,
  type Stop,
  type StopDayInput,
  type Walk,
  widestFNumberAt,
} from '@roam-dial/core';
import type { Workspace } from '../data/workspace';
import { kitInHand, type KitInHand } from './bag';

/** What a stop stands among: a district's footprints, a street by its section, or nothing that is known. */
export type StopSite =
  | { readonly kind: 'none' }
  | { readonly kind: 'section'; readonly site: Site }
  | { readonly kind: 'district'; readonly district: District; readonly site: Site };

export function districtOf({ districts }: Workspace, walk: Walk | null): District | null {
  return districts.find(({ id }) => id === walk?.districtId) ?? null;
}

/** The buildings round a stop and its place among them. */
export function siteOf(workspace: Workspace, walk: Walk, stop: Stop): StopSite {
  const district = districtOf(workspace, walk);
  if (district !== null && stop.position !== null) {
    const { buildings, trees, waters } = district;
    const place = metresFrom(district.origin, stop.position);
    return { kind: 'district', district, site: { buildings, trees, waters, ...place, groundM: stop.groundM ?? 0 } };
  }
  const { section, streetAxisDeg: axisDeg, streetWidthM: widthM, pavement } = stop;
  if (section === undefined) return { kind: 'none' };
  return { kind: 'section', site: { buildings: sectionBuildings({ section, axisDeg, widthM, pavement }), eastM: 0, northM: 0 } };
}

const HALF_FIELD_WITHOUT_KIT_DEG = 30;

export function halfFieldDeg(kit: KitInHand | null): number {
  if (kit === null) return HALF_FIELD_WITHOUT_KIT_DEG;
  const { body, focalLengthMm } = kit;
  return fieldAtDistance({ focalLengthMm, ...body, distanceM: 1 + focalLengthMm / 1000 }).horizontalDeg / 2;
}

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
      longestS: 1,
    }),
  };
}

/** A stop as questions about its light have it: a year does not care for the day, nor for the cloud. */
export function lightInputFor(workspace: Workspace, walk: Walk, stop: Stop): Omit<StopDayInput, 'day' | 'cloud' | 'streets'> {
  const { place, windows } = walk;
  const { intent, shootingBearingDeg, streetAxisDeg, sunGap, lamps, hours, lightOffsetEv, subject, movers } = stop;
  const kit = kitInHand(workspace.kit, walk, stop);
  return {
    site: { intent, shootingBearingDeg, streetAxisDeg, sunGap, lamps, hours, lightOffsetEv },
    timeZone: place.timeZone,
    latitude: place.latitude,
    longitude: place.longitude,
    halfFieldDeg: halfFieldDeg(kit),
    subject: { nearM: subject.nearM, farM: subject.farM, medianM: subject.medianM },
    travelAngleDeg: movers.travelAngleDeg,
    ...(kit === null ? {} : { reach: reachOf(kit, workspace.standard) }),
    ...(windows === undefined ? {} : { thresholds: windows }),
  };
}
