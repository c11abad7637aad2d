import { seeded } from './map/noise.js';
import { rippleLeft, waitForFirstS, walkersVanish } from './night.js';

const VIEW_M = 20;
const WIDTH_M = 0.5;
const SPEED_MPS = 1.4;
const SPREAD_MPS = 0.3;
const PLACES = 160;

/** Two numbers from 0 to 1 as one of a normal distribution (Box and Muller). */
const normal = (random: () => number): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/**
 * Walkers come by a Poisson process and cross the view; each covers a place for as long as it takes its own width to pass. The
 * share of an exposure for which places are covered: its mean, and its spread over the places of a frame.
 */
function simulate(perSecond: number, shutterS: number, frames: number, seed: number): { veil: number; unevenness: number } {
  const random = seeded(seed);
  let [sum, squares] = [0, 0];
  for (let frame = 0; frame < frames; frame++) {
    const covered = new Float64Array(PLACES);
    // Whoever set out before is still about.
    let at = -VIEW_M / 0.4;
    for (;;) {
      at -= Math.log(1 - random()) / perSecond;
      if (at > shutterS) break;
      const speed = Math.max(0.4, SPEED_MPS + SPREAD_MPS * normal(random));
      for (let place = 0; place < PLACES; place++) {
        const from = at + (((place + 0.5) / PLACES) * VIEW_M) / speed;
        covered[place] = (covered[place] as number) + Math.max(0, Math.min(shutterS, from + WIDTH_M / speed) - Math.max(0, from));
      }
    }
    const shares = covered.map((seconds) => seconds / shutterS);
    const mean = shares.reduce((a, b) => a + b) / PLACES;
    sum += mean;
    squares += shares.reduce((total, share) => total + (share - mean) ** 2, 0) / PLACES;
  }
  return { veil: sum / frames, unevenness: Math.sqrt(squares / frames) };
}

describe('walkers against a simulated crowd', () => {
  const crowd = (perMinute: number) => ({
    perSecond: perMinute / 60,
    speedMps: SPEED_MPS,
    speedSpreadMps: SPREAD_MPS,
    travelAngleDeg: 90,
    viewM: VIEW_M,
  });
  it.each([
    [12, 15],
    [12, 60],
    [60, 60],
  ])('%d a minute in %d s: the veil within 5 %%, the unevenness within a quarter', (perMinute, shutterS) => {
    const [formula, simulated] = [walkersVanish(crowd(perMinute), shutterS), simulate(perMinute / 60, shutterS, 2000, 7)];
    expect(Math.abs(simulated.veil / formula.veil - 1)).toBeLessThan(0.05);
    // The formula is of the whole view; a frame's own mean is taken out of the simulated one.
    expect(Math.abs(simulated.unevenness / formula.unevenness - 1)).toBeLessThan(0.25);
  });
});

/** A ripple whose memory fades as e^(−t/τ), averaged over exposures: what is left of its spread. */
it('water against simulated ripples', () => {
  const random = seeded(5);
  const stepS = 0.05;
  const fade = Math.exp(-stepS);
  const leftIn = (shutterS: number): number => {
    const steps = Math.round(shutterS / stepS);
    let [ripple, squares] = [normal(random), 0];
    const exposures = 1500;
    for (let k = 0; k < exposures; k++) {
      let sum = 0;
      for (let step = 0; step < steps; step++) {
        sum += ripple;
        ripple = fade * ripple + Math.sqrt(1 - fade * fade) * normal(random);
      }
      squares += (sum / steps) ** 2;
    }
    return Math.sqrt(squares / exposures);
  };
  expect(Math.abs(leftIn(7) / rippleLeft(7, 1) - 1)).toBeLessThan(0.06);
});

it('four waits in five end within −ln 0.2 over the rate', () => {
  expect(waitForFirstS(2 / 60)).toBeCloseTo(48.28, 2);
  const random = seeded(3);
  const ended = Array.from({ length: 4000 }, () => -Math.log(1 - random()) * 30 <= waitForFirstS(2 / 60)).filter(Boolean).length;
  expect(ended / 4000).toBeCloseTo(0.8, 1);
});
