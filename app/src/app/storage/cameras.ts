import type { Body, KitItem, Lens } from '@roam-dial/core/kit';
import { newKitItem } from './defaults';

/** Four answers that make a camera; the rest is as of most, and can be changed in Kit. */
export interface CameraAnswers {
  readonly sensorWidthMm: number;
  readonly sensorHeightMm: number;
  readonly focalLengthMm: number;
  readonly widestFNumber: number;
  readonly isStabilised: boolean;
  readonly highestIso: number;
}

/** Sensors and film by their sides, millimetres, from the largest. */
export const SENSORS = [
  { label: '56 × 56 mm', sensorWidthMm: 56, sensorHeightMm: 56 },
  { label: '44 × 33 mm', sensorWidthMm: 44, sensorHeightMm: 33 },
  { label: '36 × 24 mm', sensorWidthMm: 36, sensorHeightMm: 24 },
  { label: '23.5 × 15.7 mm', sensorWidthMm: 23.5, sensorHeightMm: 15.7 },
  { label: '17.3 × 13 mm', sensorWidthMm: 17.3, sensorHeightMm: 13 },
  { label: '13.2 × 8.8 mm', sensorWidthMm: 13.2, sensorHeightMm: 8.8 },
] as const;

/** What a stabiliser of most bodies is worth, stops (s). */
const STABILISER_STOPS = 3;

/** Nearer than this most lenses of a focal length do not focus, in focal lengths (s). */
const CLOSEST_IN_FOCAL_LENGTHS = 9;

/** A body and its lens, both in the bag. */
export function cameraFrom(answers: CameraAnswers, bodyId: string, lensId: string): readonly KitItem[] {
  const { sensorWidthMm, sensorHeightMm, focalLengthMm, widestFNumber, isStabilised, highestIso } = answers;
  const body: Body = {
    ...(newKitItem('body', bodyId, 'third') as Body),
    name: 'My camera',
    sensorWidthMm,
    sensorHeightMm,
    highestIso,
    stabiliserStops: isStabilised ? STABILISER_STOPS : 0,
  };
  const lens: Lens = {
    ...(newKitItem('lens', lensId, 'third') as Lens),
    name: `${focalLengthMm} f/${widestFNumber}`,
    shortestMm: focalLengthMm,
    longestMm: focalLengthMm,
    widest: [{ focalLengthMm, fNumber: widestFNumber }],
    smallestFNumber: Math.max(16, widestFNumber),
    closestFocusM: Math.max(0.1, Math.round((focalLengthMm * CLOSEST_IN_FOCAL_LENGTHS) / 10) / 100),
  };
  return [body, lens];
}
