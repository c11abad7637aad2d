/** A frame as a meter sees it: what it would read off every cell, row by row from the top. */
export interface LuminanceMap {
  readonly width: number;
  readonly height: number;
  /** EV at ISO 100, by cell. */
  readonly ev: Float32Array;
  /** What a cell shows: a place in `names`. */
  readonly label: Uint8Array;
  readonly names: readonly string[];
  /** By label: whether it is a lamp, or the sun on something, that a picture may let burn. */
  readonly isLamp: readonly boolean[];
}

/** Cells of a map that is looked at: a megapixel. */
export const FULL_MAP = { width: 1224, height: 816 } as const;
/** The same frame in a thirty-sixth of the cells, for what is only measured. */
export const SMALL_MAP = { width: 204, height: 136 } as const;
