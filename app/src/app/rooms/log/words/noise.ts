import type { NoiseCurve } from '@roam-dial/core/log';

/** "and no further: 12 to 1, give or take 0.2 stops. Today: ISO 6400." */
export function noiseSentence({
  accepted,
  curve: { errorStops },
  today,
  isBeyond,
  say,
}: {
  readonly accepted: { readonly ratio: number; readonly iso: number };
  readonly curve: Pick<NoiseCurve, 'errorStops'>;
  readonly today: number;
  /** The body has no ISO so high. */
  readonly isBeyond: boolean;
  readonly say: (iso: number) => string;
}): string {
  const off = Number.isFinite(errorStops)
    ? `, give or take ${Math.max(0.1, errorStops).toFixed(1)} stops`
    : ', by too few to say how surely';
  const held = isBeyond ? ' The body has none so high.' : '';
  return `is where it falls to ${accepted.ratio.toFixed(0)} to 1${off}.${held} Today’s ceiling: ISO ${say(today)}.`;
}
