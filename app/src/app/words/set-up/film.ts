import type { Film } from '@roam-dial/core/kit';
import type { LogRoll } from '@roam-dial/core/log';
import type { FilmAnswer } from '@roam-dial/core/metering';
import { counted } from '../counted';
import type { Wording } from '../wording';

/** "Grey 400 at 800". */
export function filmIndexWords({ name }: Pick<Film, 'name'>, { index }: Pick<FilmAnswer, 'index'>, wording: Wording): string {
  return `${name || 'Film'} at ${wording.iso(index, 'third')}`;
}

export function pushWords(pushStops: number): string {
  if (pushStops === 0) return 'developed as usual';
  const stops = counted(Math.abs(pushStops), 'stop', 'stops');
  return pushStops > 0 ? `pushed ${stops}` : `pulled ${stops}`;
}

/** "36 exposures, Grey 400 at 800, pushed 1 stop": what lies in the camera. */
export function rollWords(
  { frames, exposureIndex, pushStops }: Pick<LogRoll, 'frames' | 'exposureIndex' | 'pushStops'>,
  filmName: string,
  wording: Wording,
): string {
  const push = pushStops === 0 ? '' : `, ${pushWords(pushStops)}`;
  return `${frames} exposures, ${filmIndexWords({ name: filmName }, { index: exposureIndex }, wording)}${push}`;
}
