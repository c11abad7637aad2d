import {
  type DistrictOptions,
  type ReadDistrict,
  readDistrictSteps,
  type ReadForecast,
  readForecast,
  type ReadingProgress,
} from '@roam-dial/core/formats/maps';

/** Files that are read: a map, or a forecast. */
export type MapQuestion =
  | { readonly kind: 'district'; readonly text: string; readonly options: DistrictOptions }
  | { readonly kind: 'forecast'; readonly text: string; readonly day: string };

export type MapAnswer = ReadDistrict | ReadForecast;

export function* mapSteps(question: MapQuestion): Generator<ReadingProgress, MapAnswer> {
  if (question.kind === 'forecast') return readForecast(question.text, question.day);
  return yield* readDistrictSteps(question.text, question.options);
}
