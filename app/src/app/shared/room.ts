import type { Type } from '@angular/core';

/** Fetches a component; each page is a chunk of its own. */
export type Loader = () => Promise<Type<unknown>>;

/** A page of a room, at `/room/page`. */
export interface RoomPage {
  /** Below the room's; empty for its own address. */
  readonly path: string;
  /** On its tab. */
  readonly name: string;
  readonly load: Loader;
  /** What the page reads of its address. */
  readonly data?: Readonly<Record<string, string>>;
}

/**
 * Where a room is gone to. `always`: the bar, at the table and in the hand. `table`: the bar at the table, under More in the
 * hand; `apart` as well, behind the line of the bar. `walking`: first in the bar while a walk goes on. `inHand`: first in the
 * hand's bar, under More while a walk goes on; at the table only where the card does not stand beside. `nowhere`: by links alone.
 */
export type BarPlace = 'always' | 'table' | 'apart' | 'walking' | 'inHand' | 'nowhere';

/** Keys that do something inside a room, as the sheet of keys says them. */
export interface RoomKeys {
  readonly keys: string;
  readonly words: string;
}

/** A room: all that the frame needs to know of it. Addresses, bar, tabs, titles and keys follow. */
export interface Room {
  /** The address from the root, without a slash: `light`. */
  readonly path: string;
  /** In the bar and the title. */
  readonly name: string;
  readonly bar: BarPlace;
  /** At the table the walk's stops and the dial card stand beside it. */
  readonly hasSides: boolean;
  /** The single key that goes there, and what the sheet says of it where that is not the name. */
  readonly key?: string;
  readonly keyWords?: string;
  readonly ownKeys?: readonly RoomKeys[];
  /** What is round the pages: the page of the address stands in its outlet. Without one each page stands alone. */
  readonly view?: Loader;
  /** What its tabs are called together, for those who hear them. */
  readonly pagesName?: string;
  /** In the order of its tabs; the room's own address goes to the first. */
  readonly pages: readonly [RoomPage, ...RoomPage[]];
}
