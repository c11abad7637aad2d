/** What the kit at a stop can take: the windows of long exposures, flash and long lenses depend on it. */
export interface CameraReach {
  readonly baseIso: number;
  readonly isoCeiling: number;
  readonly widestFNumber: number;
  readonly smallestFNumber: number;
  /** Fastest time at which the whole frame sees the flash. */
  readonly flashSyncS: number;
  /** Slowest time that the hands hold with this lens. */
  readonly handheldS: number;
}

export const DEFAULT_CAMERA_REACH: CameraReach = {
  baseIso: 100,
  isoCeiling: 6400,
  widestFNumber: 2.8,
  smallestFNumber: 16,
  flashSyncS: 1 / 200,
  handheldS: 1 / 60,
};

/** A flash lift at dusk is set up at this aperture and at this many times base ISO. Judgement. */
export const FLASH_LIFT = { fNumber: 4, timesBaseIso: 4 } as const;
