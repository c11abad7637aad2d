import { CARD } from '../rooms/card/room';
import { KIT } from '../rooms/kit/room';
import { LIGHT } from '../rooms/light/room';
import { LOG } from '../rooms/log/room';
import { METER } from '../rooms/meter/room';
import { NOW } from '../rooms/now/room';
import { RETURNS } from '../rooms/returns/room';
import { SET_UP } from '../rooms/set-up/room';
import { SETTING_OFF } from '../rooms/setting-off/room';
import { START } from '../rooms/start/room';
import { WALK } from '../rooms/walk/room';
import type { BarPlace, Room } from '../shared/room';

/** The rooms, in the order of the bar: a new one is a folder with its `room.ts`, and a line here. */
export const ROOMS: readonly Room[] = [NOW, WALK, LIGHT, SET_UP, METER, LOG, KIT, CARD, START, SETTING_OFF, RETURNS];

/** How the frame stands: what is in the bar depends on it. */
export interface FrameState {
  readonly isPhone: boolean;
  /** A walk goes on. */
  readonly isRunning: boolean;
  /** The dial card stands beside the room. */
  readonly hasSides: boolean;
}

export interface Bar {
  readonly rooms: readonly Room[];
  /** Behind a line at the table; under More in the hand. */
  readonly apart: readonly Room[];
}

/** What the bar holds, and what has no room in it. */
export function barOf(rooms: readonly Room[], { isPhone, isRunning, hasSides }: FrameState): Bar {
  const at = (...places: readonly BarPlace[]): readonly Room[] => rooms.filter(({ bar }) => places.includes(bar));
  const first = isRunning ? at('walking') : isPhone ? at('inHand') : [];
  if (!isPhone) return { rooms: [...first, ...at('always', 'table')], apart: [...at('apart'), ...(hasSides ? [] : at('inHand'))] };
  return { rooms: [...first, ...at('always')], apart: [...(isRunning ? at('inHand') : []), ...at('table', 'apart')] };
}

/** The room of an address without its leading slash, `light/year`: that with the longest path. Null where none is. */
export function roomAt(rooms: readonly Room[], address: string): Room | null {
  const those = rooms.filter(({ path }) => address === path || address.startsWith(`${path}/`));
  return those.sort((a, b) => b.path.length - a.path.length)[0] ?? null;
}
