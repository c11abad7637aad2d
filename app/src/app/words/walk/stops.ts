import type { Wording } from '../wording';

/** `1⅓ stops`, unsigned. */
export function stopsText(stops: number, wording: Wording): string {
  const thirds = Math.round(Math.abs(stops) * 3) / 3;
  const text = wording.stops(thirds, 'third').replace('+', '');
  return `${text} ${thirds > 0 && thirds <= 1 ? 'stop' : 'stops'}`;
}
