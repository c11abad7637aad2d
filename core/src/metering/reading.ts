import { exposureValue100 } from '../exposure/index.js';
import type { Reading } from '../stop/index.js';

/** K 12.5 over C 250: the reflectance for which a reflected and an incident reading agree. docs/metering.md#zero */
export const MEAN_REFLECTANCE = (Math.PI * 12.5) / 250;

/** What a surface of a reflectance above 0 reads over the incident light on it, stops. */
export function reflectedOverIncidentEv(reflectance: number): number {
  return Math.log2(reflectance / MEAN_REFLECTANCE);
}

const GREY_CARD_REFLECTANCE = 0.18;

/** What a reading says of the light that falls there, for a stop whose light it corrects. */
export function incidentEv({ kind, ev100 }: Pick<Reading, 'kind' | 'ev100'>): number {
  return kind === 'greyCard' ? ev100 - reflectedOverIncidentEv(GREY_CARD_REFLECTANCE) : ev100;
}

export interface ExposureSettings {
  readonly fNumber: number;
  readonly shutterS: number;
  readonly iso: number;
}

/** A frame that looked right, or a test shot that is so many stops too dark (−) or too bright (+) for it. */
export function frameEv(settings: ExposureSettings, tooBrightEv = 0): number {
  return exposureValue100(settings) + tooBrightEv;
}

/** A flash reading: the aperture that it asks for at an ISO, as stops over f/1 at ISO 100. It does not know of the time. */
export function flashEv({ fNumber, iso }: Pick<ExposureSettings, 'fNumber' | 'iso'>): number {
  return 2 * Math.log2(fNumber) - Math.log2(iso / 100);
}

/** What a flash reading is worth beside an ambient one at a time. */
export function flashAtEv(flash: number, shutterS: number): number {
  return flash - Math.log2(shutterS);
}

/** The aperture for flash and ambient together, from what each asks for: their lights add. */
export function fNumberForBoth(forFlash: number, forAmbient: number): number {
  return Math.hypot(forFlash, forAmbient);
}
