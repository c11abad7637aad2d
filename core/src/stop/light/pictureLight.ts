import type { LightWindow } from './lightWindows.js';
import type { MissingLight } from './missingLight.js';
import type { StopDay } from './stopDay.js';

/** How a minute stands to the light that a picture wants: every screen that speaks of a stop's minute asks this one question. */
export type PictureLight =
  | { readonly kind: 'open'; readonly window: LightWindow }
  /** Not now: the next of the day. */
  | { readonly kind: 'later'; readonly window: LightWindow }
  /** Not any more on this day: the last of it. */
  | { readonly kind: 'over'; readonly window: LightWindow }
  | { readonly kind: 'never'; readonly missing: MissingLight | null };

/** Windows hold their last minute; of two that overlap, the one that lasts longer counts. */
export function pictureLightAt({ windows, missing }: Pick<StopDay, 'windows' | 'missing'>, minute: number): PictureLight {
  const open = windows.filter(({ fromMin, toMin }) => fromMin <= minute && minute <= toMin);
  const longest = open.reduce<LightWindow | null>((last, one) => (last === null || one.toMin > last.toMin ? one : last), null);
  if (longest !== null) return { kind: 'open', window: longest };
  const next = windows.find(({ fromMin }) => fromMin > minute);
  if (next !== undefined) return { kind: 'later', window: next };
  const last = windows.reduce<LightWindow | null>(
    (latest, one) => (latest === null || one.toMin > latest.toMin ? one : latest),
    null,
  );
  return last === null ? { kind: 'never', missing } : { kind: 'over', window: last };
}
