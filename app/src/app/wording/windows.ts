import type { LightWindow, WindowReason } from '@roam-dial/core';
import type { Wording } from './wording';

type SpanOfWindow = Pick<LightWindow, 'fromMin' | 'toMin'> & Partial<Pick<LightWindow, 'label'>>;

interface Words {
  readonly opens: string;
  readonly closes: string;
}

/** Why a window opens, and why it closes. */
export const WINDOW_WORDS: Readonly<Record<WindowReason, Words>> = {
  sunGap: { opens: 'the sun clears the walls', closes: 'a wall takes the sun' },
  patchSize: { opens: 'a patch of a metre is lit', closes: 'the patch gets too small' },
  litShare: { opens: 'enough shade surrounds it', closes: 'too much is lit for a pool' },
  strip: { opens: 'the strip shortens to a pool', closes: 'the pool stretches to a strip' },
  contrast: { opens: 'sun and shade are far enough apart', closes: 'sun and shade come too close' },
  evenLight: { opens: 'the ground lies in one light', closes: 'sun and shade cut through the zone' },
  shadeLight: { opens: 'there is light enough', closes: 'it gets too dark' },
  background: { opens: 'the background outshines people', closes: 'the background is no brighter than people' },
  sunHeight: { opens: 'the sun reaches the right height', closes: 'the sun leaves the right height' },
  sunBearing: { opens: 'the sun comes into line', closes: 'the sun goes out of line' },
  cloud: { opens: 'the cloud opens', closes: 'the cloud closes' },
  spotShaded: { opens: 'the spot falls into shade', closes: 'the sun reaches the spot' },
  noWall: { opens: 'there is a wall', closes: 'there is no wall ahead' },
  incidence: { opens: 'the sun meets the wall at a good angle', closes: 'the sun leaves the wall’s good angles' },
  darkness: { opens: 'it is dark enough', closes: 'it gets light' },
  dusk: { opens: 'daylight suits the flash', closes: 'daylight no longer suits the flash' },
  hours: { opens: 'its hours begin', closes: 'its hours end' },
  wet: { opens: 'the ground is wet', closes: 'the ground is dry' },
  exposure: { opens: 'the wanted time is within reach', closes: 'the wanted time is out of reach' },
  dayEdge: { opens: 'since midnight', closes: 'until midnight' },
};

/** Where no walls are known it is the horizon that gives and takes the sun. */
const OPEN_WORDS: Partial<Record<WindowReason, Words>> = {
  sunGap: { opens: 'the sun comes up', closes: 'the sun goes down' },
  evenLight: { opens: 'the sun is down', closes: 'the sun comes up' },
  spotShaded: { opens: 'the sun goes down', closes: 'the sun comes up' },
};

/** Why a window opens and closes, naming nothing that is not known. */
export function reasonWords(reason: WindowReason, hasWalls: boolean): Words {
  return (hasWalls ? undefined : OPEN_WORDS[reason]) ?? WINDOW_WORDS[reason];
}

/** "09:00 to 11:20 in the sun": which light it is, wherever one stop has windows in both. */
export function windowSpan({ fromMin, toMin, label = null }: SpanOfWindow, wording: Wording): string {
  return `${wording.clock(fromMin)} to ${wording.clock(toMin)}${label === null ? '' : ` in the ${label}`}`;
}

/** The window that a minute lies in, or the next one after it. */
export function windowAt(
  windows: readonly LightWindow[],
  minute: number,
): { readonly window: LightWindow; readonly isOpen: boolean } | null {
  const open = windows.find(({ fromMin, toMin }) => fromMin <= minute && minute <= toMin);
  if (open !== undefined) return { window: open, isOpen: true };
  const next = windows.find(({ fromMin }) => fromMin > minute);
  return next === undefined ? null : { window: next, isOpen: false };
}

/** What a person waiting there wants to know first. */
export function leftSentence(windows: readonly LightWindow[], minute: number, wording: Wording): string {
  const found = windowAt(windows, minute);
  if (found === null) return windows.length === 0 ? 'No light for this picture today' : 'No more light for this picture today';
  const { window, isOpen } = found;
  if (isOpen) return `Good for ${wording.duration(window.toMin - minute)} more`;
  return `Opens in ${wording.duration(window.fromMin - minute)}`;
}
