/** How a light was read. The first three are of a surface, `incident` of what falls on it, the last two of a frame. */
export const READING_KINDS = ['spot', 'wholeFrame', 'greyCard', 'incident', 'lookedRight', 'testShot'] as const;
export type ReadingKind = (typeof READING_KINDS)[number];

/** A reading of a scene. */
export interface Reading {
  readonly id: string;
  readonly name: string;
  readonly kind: ReadingKind;
  /** What the instrument gave, EV at ISO 100: its own reading at tone 0 gives its own exposure, whatever the instrument. */
  readonly ev100: number;
  /** Stops from mid-grey at which what was read is wanted; null where nobody has said. */
  readonly tone: number | null;
  /** Milliseconds since 1970. */
  readonly takenMs: number;
  /** It may be lost. */
  readonly isLetGo: boolean;
  /** A lamp, or the sun on something: what a night picture lets burn. */
  readonly isLamp: boolean;
  /** The one that the exposure is placed by. */
  readonly isKey: boolean;
}

/** Where practitioners put the key tone; each keeps something and gives something up. */
export const PLACEMENT_METHODS = ['hold', 'protect', 'burn', 'shadows', 'right'] as const;
export type PlacementMethod = (typeof PLACEMENT_METHODS)[number];

/** What a digital picture is kept as: a raw file, or as it comes out of the camera. A film body has its roll. */
export const METERED_ON = ['raw', 'straight'] as const;
export type MeteredOn = (typeof METERED_ON)[number];

/** What was read at a stop, and where its key is put. */
export interface Metering {
  readonly readings: readonly Reading[];
  readonly school: PlacementMethod;
  readonly on: MeteredOn;
}

export const DEFAULT_METERING: Metering = { readings: [], school: 'hold', on: 'raw' };
