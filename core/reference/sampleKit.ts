import type { Body, Film, Flash, Lens, Standard } from '../src/kit/index.js';
import { DEFAULT_STANDARD, slowestAutoSeries } from '../src/kit/index.js';

/** The kit that the hand-worked sheets were worked for. */

export const BODY: Body = {
  kind: 'body',
  id: 'body',
  name: 'Small body',
  inBag: true,
  medium: 'digital',
  sensorWidthMm: 36,
  sensorHeightMm: 24,
  pixelsAcross: 6000,
  markStep: 'third',
  baseIso: 100,
  lowestIso: 50,
  highestIso: 51200,
  slowestAutoShuttersS: slowestAutoSeries('third', 2 ** -11, 1),
  compensationWhenBothHeld: true,
  autofocusDelayS: 0.3,
  autofocusLimitEv: -2,
  controls: { aperture: 'ring', shutter: 'dial', iso: 'button', compensation: 'dial' },
  fastestShutterS: 2 ** -12,
  slowestShutterS: 32,
  readoutS: 0.02,
  flashSyncS: 2 ** -8,
  stabiliserStops: 3,
  atCeiling: 'slowerShutter',
  liveViewSmallestFNumber: 2 ** 2.5,
  headroomEv: 3,
  shadowRangeEv: 6,
  straightOverEv: 2.3,
  straightUnderEv: 5,
  meterPatterns: ['wholeFrame', 'spot'],
  filmId: null,
};

export const FILM_BODY: Body = {
  ...BODY,
  id: 'film-body',
  medium: 'film',
  pixelsAcross: null,
  markStep: 'full',
  baseIso: 400,
  lowestIso: 400,
  highestIso: 400,
  slowestAutoShuttersS: [],
  fastestShutterS: 2 ** -10,
  slowestShutterS: 1,
  stabiliserStops: 0,
  meterPatterns: ['centreWeighted'],
  filmId: 'film',
};

export const LENS_28: Lens = {
  kind: 'lens',
  id: 'lens',
  name: '28 f/2',
  inBag: true,
  shortestMm: 28,
  longestMm: 28,
  widest: [{ focalLengthMm: 28, fNumber: 2 }],
  smallestFNumber: 16,
  clickStep: 'third',
  closestFocusM: 0.3,
  engravedDistancesM: [0.3, 0.4, 0.5, 0.7, 1, 1.2, 1.5, 2, 3, 5, Infinity],
  stabiliserStops: 0,
  ringDiameterMm: null,
  turnToInfinity: null,
  throwPoints: [],
};

export const FILM_400: Film = {
  kind: 'film',
  id: 'film',
  name: 'Grey 400',
  inBag: true,
  boxIso: 400,
  exposureIndex: 400,
  filmKind: 'blackAndWhiteNegative',
  latitudeOverEv: 3,
  latitudeUnderEv: 1,
  holdsOverEv: 5,
  holdsUnderEv: 3.5,
  reciprocityExponent: 1.3,
  reciprocityThresholdS: 1,
  pushStops: 0,
};

export const FLASH_20: Flash = {
  kind: 'flash',
  id: 'flash',
  name: 'Pocket flash',
  inBag: true,
  guideNumberM: 20,
  compensationRangeEv: 3,
  recycleS: 4,
};

export const STANDARD: Standard = { ...DEFAULT_STANDARD, isoCeilingByBody: { body: 6400 } };
