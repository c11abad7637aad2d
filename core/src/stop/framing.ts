/** What the framing at a stop is worked out for. */
export interface Framing {
  /** The camera turned, its long side upright. */
  readonly isUpright: boolean;
  readonly facadeHeightM: number;
  /** How far from the façade one means to stand. */
  readonly facadeDistanceM: number;
  /** Two things down the street, and from the near one to the far one. */
  readonly nearHeightM: number;
  readonly farHeightM: number;
  readonly gapM: number;
  /** How far before the near one one means to stand. */
  readonly nearDistanceM: number;
}

export const DEFAULT_FRAMING: Framing = {
  isUpright: false,
  facadeHeightM: 12,
  facadeDistanceM: 15,
  nearHeightM: 1.7,
  farHeightM: 20,
  gapM: 80,
  nearDistanceM: 8,
};
