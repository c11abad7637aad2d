import { DEFAULT_APPROACH, type Intent, type Movers } from '../src/stop/index.js';
import type { SetUpInput } from '../src/setup/index.js';
import { BODY, FLASH_20, LENS_28, STANDARD } from './sampleKit.js';

export const WALKERS: Movers = {
  who: 'walkers',
  speedMps: 1.4,
  speedSpreadMps: 0.3,
  travelAngleDeg: 70,
  travelSpreadDeg: 20,
  passersPerMinute: 6,
  suitableShare: 0.2,
};

/** The stop of sheet 2: people at 3 m, 2 to 5 m wanted, 28 mm. */
export function sampleStop(intent: Intent, keyEv100: number, over: Partial<SetUpInput> = {}): SetUpInput {
  return {
    intent,
    subject: { nearM: 2, farM: 5, medianM: 3, spread: 0.25 },
    movers: WALKERS,
    light: { keyEv100, contrastEv: 3, surface: 'cameraSide', spreadEv: 0.5 },
    body: BODY,
    lens: LENS_28,
    focalLengthMm: 28,
    film: null,
    flash: FLASH_20,
    standard: STANDARD,
    approach: DEFAULT_APPROACH,
    ...over,
  };
}
