import { type Body, FILM_HOLDS, type KitItem, type KitKind, slowestAutoSeries, STRAIGHT_HOLDS } from '@roam-dial/core/kit';
import { LAST_WALK_MINUTE } from '@roam-dial/core/light';
import { DEFAULT_APPROACH, DEFAULT_INTENTS, MOVERS_FIELDS, type Stop, STOP_FIELDS, SUBJECT_FIELDS } from '@roam-dial/core/stop';
import { firstOf, type StopStep } from '@roam-dial/core/units';
import { type Walk, WALK_FIELDS } from '@roam-dial/core/walk';
import { GAZETTEER } from './gazetteer';

/** New things start complete, so that every number has something to stand on. */

export const createId = (): string => crypto.randomUUID();

function newBody(id: string, markStep: StopStep): Body {
  return {
    kind: 'body',
    id,
    name: 'New body',
    inBag: true,
    medium: 'digital',
    sensorWidthMm: 36,
    sensorHeightMm: 24,
    pixelsAcross: 6000,
    markStep,
    baseIso: 100,
    lowestIso: 100,
    highestIso: 25600,
    slowestAutoShuttersS: slowestAutoSeries(markStep, 2 ** -11, 1),
    compensationWhenBothHeld: true,
    autofocusDelayS: 0.3,
    autofocusLimitEv: -2,
    controls: { aperture: 'ring', shutter: 'dial', iso: 'button', compensation: 'dial' },
    fastestShutterS: 2 ** -12,
    slowestShutterS: 32,
    readoutS: null,
    flashSyncS: 2 ** -8,
    stabiliserStops: 0,
    atCeiling: 'underexpose',
    liveViewSmallestFNumber: null,
    headroomEv: 3,
    shadowRangeEv: 6,
    ...STRAIGHT_HOLDS,
    meterPatterns: ['wholeFrame', 'centreWeighted', 'spot'],
    filmId: null,
  };
}

export function newKitItem(kind: KitKind, id: string, markStep: StopStep): KitItem {
  switch (kind) {
    case 'body':
      return newBody(id, markStep);
    case 'lens':
      return {
        kind,
        id,
        name: 'New lens',
        inBag: true,
        shortestMm: 35,
        longestMm: 35,
        widest: [{ focalLengthMm: 35, fNumber: 2 }],
        smallestFNumber: 16,
        clickStep: markStep,
        closestFocusM: 0.3,
        engravedDistancesM: [],
        stabiliserStops: 0,
        ringDiameterMm: null,
        turnToInfinity: null,
        throwPoints: [],
      };
    case 'film':
      return {
        kind,
        id,
        name: 'New film',
        inBag: true,
        boxIso: 400,
        exposureIndex: 400,
        filmKind: 'blackAndWhiteNegative',
        latitudeOverEv: 3,
        latitudeUnderEv: 1,
        ...FILM_HOLDS.blackAndWhiteNegative,
        reciprocityExponent: 1.3,
        reciprocityThresholdS: 1,
        pushStops: 0,
      };
    case 'flash':
      return { kind, id, name: 'New flash', inBag: true, guideNumberM: 20, compensationRangeEv: 3, recycleS: 4 };
    case 'filter':
      return { kind, id, name: 'New filter', inBag: true, filterKind: 'neutralDensity', stops: 3 };
    case 'support':
      return { kind, id, name: 'New support', inBag: true, supportKind: 'tripod', gainStops: 0 };
  }
}

const QUIET_DAY = Array.from({ length: 24 }, (_, hour) => (hour >= 8 && hour < 20 ? 1 : 0));
const FIRST_ARRIVAL_MIN = 9 * 60;
const STAY_MIN = 30;
const BETWEEN_MIN = 15;

/** A stop after another, or the first of a walk. */
export function newStop(id: string, after: Stop | undefined): Stop {
  const arriveMin = Math.min(LAST_WALK_MINUTE, after === undefined ? FIRST_ARRIVAL_MIN : after.leaveMin + BETWEEN_MIN);
  return {
    id,
    name: 'New stop',
    intent: DEFAULT_INTENTS.passingCandid,
    position: null,
    streetAxisDeg: STOP_FIELDS.streetAxisDeg.first,
    streetWidthM: STOP_FIELDS.streetWidthM.first,
    pavement: 'right',
    shootingBearingDeg: STOP_FIELDS.shootingBearingDeg.first,
    subject: firstOf(SUBJECT_FIELDS),
    movers: { who: 'walkers', ...firstOf(MOVERS_FIELDS) },
    sunGap: null,
    lamps: 'sideStreet',
    hours: null,
    lightOffsetEv: STOP_FIELDS.lightOffsetEv.first,
    arriveMin,
    leaveMin: Math.min(LAST_WALK_MINUTE, arriveMin + STAY_MIN),
    walkMin: null,
    lensId: after?.lensId ?? null,
    focalLengthMm: after?.focalLengthMm ?? null,
    approach: null,
    consent: 'unasked',
    notes: '',
    cautions: '',
    crowdByHour: QUIET_DAY,
  };
}

export function newWalk(id: string, day: string, bodyId: string | null): Walk {
  const [place] = GAZETTEER;
  if (place === undefined) throw new Error('the gazetteer is empty');
  return {
    id,
    name: 'New walk',
    day,
    place,
    cloud: WALK_FIELDS.cloud.first,
    approach: DEFAULT_APPROACH,
    bodyId,
    stops: [],
    isDemo: false,
    notes: '',
  };
}
