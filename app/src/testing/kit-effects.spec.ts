import type { Body, Film, Filter, Flash, Lens, Support } from '@roam-dial/core/kit';
import { everyFieldOf, itemPut } from './effects';

/** What lies in the bag: as in effects.spec.ts, every field is changed, and something that the screens show changes with it. */

everyFieldOf<Body, 'id' | 'kind' | 'name' | 'inBag'>(
  'a body',
  {
    medium: ['market', 'film'],
    sensorWidthMm: ['market', 24],
    sensorHeightMm: ['market', 16],
    pixelsAcross: ['isolating', 3000],
    markStep: ['screen', 'full'],
    baseIso: ['market', 400],
    lowestIso: ['glare', 25],
    highestIso: ['dark', 1600],
    slowestAutoShuttersS: ['market', [1 / 64, 1 / 128]],
    compensationWhenBothHeld: ['bothHeld', false],
    autofocusDelayS: ['centre', 1],
    autofocusLimitEv: ['centre', 8],
    controls: ['marketLadder', { aperture: 'menu', shutter: 'ring', iso: 'ring', compensation: 'ring' }],
    fastestShutterS: ['facade', 1 / 256],
    slowestShutterS: ['tripod', 0.5],
    readoutS: ['screen', 0.2],
    flashSyncS: ['flash', 1 / 32],
    stabiliserStops: ['night', 0],
    atCeiling: ['dark', 'underexpose'],
    liveViewSmallestFNumber: ['market', null],
    headroomEv: ['highlights', 0.5],
    straightOverEv: ['highlights', 1],
    straightUnderEv: ['straight', 2],
    shadowRangeEv: ['market', 4],
    meterPatterns: ['market', ['spot']],
    filmId: ['film', 'other-film'],
  },
  itemPut('body'),
);

everyFieldOf<Lens, 'id' | 'kind' | 'name' | 'inBag'>(
  'a lens',
  {
    shortestMm: ['market', 40],
    longestMm: ['market', 20],
    widest: ['night', [{ focalLengthMm: 28, fNumber: 5.6 }]],
    smallestFNumber: ['facade', 4],
    clickStep: ['market', 'full'],
    closestFocusM: ['market', 4],
    engravedDistancesM: ['market', [1, 8]],
    stabiliserStops: ['night', 6],
    ringDiameterMm: ['market', 80],
    turnToInfinity: ['market', 'anticlockwise'],
    throwPoints: [
      'market',
      [
        { distanceM: 1, degrees: 0 },
        { distanceM: 3, degrees: 60 },
      ],
    ],
  },
  itemPut('lens'),
);

everyFieldOf<Film, 'id' | 'kind' | 'inBag'>(
  'a film',
  {
    name: ['film', 'Slow 50'],
    boxIso: ['film', 100],
    exposureIndex: ['film', 100],
    filmKind: ['film', 'slide'],
    latitudeOverEv: ['filmGlare', 0],
    latitudeUnderEv: ['filmDim', 0],
    reciprocityExponent: ['filmNight', 1.8],
    reciprocityThresholdS: ['filmNight', 0.1],
    pushStops: ['film', 2],
    holdsOverEv: ['filmPool', 0.5],
    holdsUnderEv: ['filmPool', 0.5],
  },
  itemPut('film'),
);

everyFieldOf<Flash, 'id' | 'kind' | 'name'>(
  'a flash',
  {
    inBag: ['flash', false],
    guideNumberM: ['flash', 2],
    compensationRangeEv: ['strongFlash', 1],
    recycleS: ['flash', 9],
  },
  itemPut('flash'),
);

everyFieldOf<Filter, 'id' | 'kind'>(
  'a filter',
  {
    name: ['glare', 'Dark glass'],
    inBag: ['glare', false],
    filterKind: ['glare', 'colour'],
    stops: ['glare', 12],
  },
  itemPut('filter'),
);

everyFieldOf<Support, 'id' | 'kind' | 'name'>(
  'a support',
  { inBag: ['steadied', false], supportKind: ['steadied', 'wall'], gainStops: ['braced', 4] },
  itemPut('support'),
);
