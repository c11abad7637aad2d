import { digitalMedium, keyToneOf, type Medium } from '@roam-dial/core/metering';
import {
  type KitInHand,
  screenShareOf,
  sightFrameOf,
  sightInstantOf,
  sightKeyOf,
  sightSiteOf,
  districtOf,
} from '@roam-dial/core/plan';
import { mediumOf } from '@roam-dial/core/setup';
import type { SightFrame } from '@roam-dial/core/sight';
import { DEFAULT_METERING, type Stop, type StopLight } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import type { Workspace } from '../../storage/workspace';
import { contentKey } from '../../base/content-key';
import { districtKey, waysKey } from '../../workers/district-key';
import type { SightPlace, SightSpot } from '../../workers/sight/sight-jobs';
import type { SightWanted } from '../../workers/sight/sight.client';

/** A frame where nothing is in the bag: a full-frame camera at 35 mm. */
const WITHOUT_KIT: SightFrame = {
  sensorWidthMm: 36,
  sensorHeightMm: 24,
  focalLengthMm: 35,
  isUpright: false,
  tiltDeg: 0,
  riseMm: 0,
};
const MEDIUM_WITHOUT_KIT = { headroomEv: 3, shadowRangeEv: 7, straightOverEv: 2.5, straightUnderEv: 5, baseIso: 100 };

/** What stands round a stop, under the name by which a worker keeps it, and where among it one stands. */
export interface PlaceOfSight {
  readonly place: string;
  readonly site: SightPlace;
  readonly spot: SightSpot;
  readonly from: 'district' | 'section' | 'none';
}

export function placeOfSight(workspace: Pick<Workspace, 'districts'>, walk: Walk, stop: Stop): PlaceOfSight {
  const { site: whole, from } = sightSiteOf(workspace, walk, stop);
  const { eastM, northM, groundM = 0, ...site } = whole;
  const district = from === 'district' ? districtOf(workspace, walk) : null;
  const place = district === null ? contentKey(JSON.stringify(site)) : `${districtKey(district)}/${waysKey(district) ?? ''}`;
  return { place, site, spot: { eastM, northM, groundM }, from };
}

/** As the stop's camera is held. */
export function frameOfStop(kit: KitInHand | null, stop: Stop | null): SightFrame {
  if (stop !== null && kit !== null) return sightFrameOf(kit, stop);
  return { ...WITHOUT_KIT, isUpright: stop?.framing?.isUpright === true };
}

function mediumFor(kit: KitInHand | null, stop: Stop): Medium {
  const on = stop.metering?.on ?? DEFAULT_METERING.on;
  return kit === null ? digitalMedium(MEDIUM_WITHOUT_KIT, on, MEDIUM_WITHOUT_KIT.baseIso) : mediumOf({ ...kit, meteredOn: on });
}

/** The view of a stop at a minute, as it is asked for: with somebody there, as its picture should come out. Null on a day that the zone skipped. */
export function sightWanted(
  { place, site, spot }: PlaceOfSight,
  walk: Walk,
  stop: Stop,
  minute: number,
  { kit, light }: { readonly kit: KitInHand | null; readonly light: StopLight },
): SightWanted | null {
  const at = sightInstantOf(walk, stop, minute);
  if (at === null) return null;
  return {
    ...{ place, site, spot },
    look: {
      bearingDeg: stop.shootingBearingDeg,
      frame: frameOfStop(kit, stop),
      // Where nobody passes nobody is made up.
      personM: stop.movers.passersPerMinute > 0 ? stop.subject.medianM : null,
      screenShare: screenShareOf(stop),
    },
    ...at,
    shown: {
      medium: mediumFor(kit, stop),
      exposed: { by: 'key' },
      elseEv: light.keyEv100 - keyToneOf(stop.intent),
      key: sightKeyOf(stop, light),
      straightOverEv: kit?.body.straightOverEv ?? MEDIUM_WITHOUT_KIT.straightOverEv,
      isClippingMarked: false,
      isKeyMarked: false,
    },
    isLarge: false,
  };
}

/** What a view depends on, as a text: two questions of the same key have the same answer. */
export function sightKey({ site: _, ...rest }: SightWanted): string {
  return JSON.stringify(rest);
}

/** Another theme or another stop's name asks for no new picture. */
export const SAME_SIGHT = {
  equal: (a: SightWanted | null, b: SightWanted | null): boolean =>
    a === null || b === null ? a === b : sightKey(a) === sightKey(b),
};
