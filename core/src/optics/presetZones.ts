import { sharpZone } from './sharpness.js';

/** One field of the zone table; null where diffraction alone is softer than the standard. */
export interface PresetZone {
  readonly focusDistanceM: number;
  readonly fNumber: number;
  readonly sharp: { readonly nearM: number; readonly farM: number } | null;
}

/** The zone table of a lens: rows by preset distance, columns by aperture, by the total blur. */
export function presetZones({
  focalLengthMm,
  circleOfConfusionMm,
  fNumbers,
  focusDistancesM,
}: {
  readonly focalLengthMm: number;
  readonly circleOfConfusionMm: number;
  readonly fNumbers: readonly number[];
  readonly focusDistancesM: readonly number[];
}): readonly (readonly PresetZone[])[] {
  return focusDistancesM.map((focusDistanceM) =>
    fNumbers.map((fNumber) => {
      const found = sharpZone({ focalLengthMm, circleOfConfusionMm, fNumber, focusDistanceM });
      return { focusDistanceM, fNumber, sharp: found === null ? null : { nearM: found.nearM, farM: found.farM } };
    }),
  );
}
