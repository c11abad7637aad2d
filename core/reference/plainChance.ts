import { autoExposure, flashReachM, shakeShutterLimitS } from '../src/index.js';
import { reciprocityMeteredS } from '../src/exposure/index.js';
import { shakeSharpProbability } from '../src/handheld/index.js';
import { rollIso } from '../src/kit/index.js';
import { keyToneOf } from '../src/metering/index.js';
import type { SetUpInput } from '../src/setup/index.js';
import type { ManualSettings } from '../src/stop/index.js';

/**
 * The chance of a good frame a second time, written down from the rules without any of the search's tables: plain sums
 * over light, distance, direction and speed, and `autoExposure` for the camera. Slow, and for tests only. It knows the
 * default figures, smear by intent, and a body that is not film unless it has a roll.
 */

/** Φ by Marsaglia's series, Journal of Statistical Software 11 (2004). */
export function phi(z: number): number {
  if (z < -8) return 0;
  if (z > 8) return 1;
  let [sum, term] = [z, z];
  for (let k = 3; Math.abs(term) > 1e-17; k += 2) {
    term *= (z * z) / k;
    sum += term;
  }
  return 0.5 + (sum * Math.exp((-z * z) / 2)) / Math.sqrt(2 * Math.PI);
}

interface Node {
  readonly z: number;
  readonly w: number;
}

/** Normal scores from −5 to 5 in equal steps, weights summing to 1. */
function nodes(count: number): readonly Node[] {
  const scores = Array.from({ length: count }, (_, k) => -5 + (10 * k) / (count - 1));
  const sum = scores.reduce((all, z) => all + Math.exp((-z * z) / 2), 0);
  return scores.map((z) => ({ z, w: Math.exp((-z * z) / 2) / sum }));
}

const circleMm = ({ body }: SetUpInput): number => Math.hypot(body.sensorWidthMm, body.sensorHeightMm) / 1500;

function sharpFromTo(input: SetUpInput, fNumber: number, focusM: number): readonly [number, number] | null {
  const f = input.focalLengthMm;
  const left = circleMm(input) ** 2 - (1.7 * 550e-6 * fNumber) ** 2;
  if (left <= 0) return null;
  if (focusM === Infinity) return [(f * f) / (fNumber * Math.sqrt(left)) / 1000, Infinity];
  const k = (Math.sqrt(left) * fNumber * (focusM * 1000 - f)) / (f * f);
  return [focusM / (1 + k), k < 1 ? focusM / (1 - k) : Infinity];
}

function smearLimitMm(input: SetUpInput): number {
  const { kind } = input.intent;
  if (kind === 'facade' || kind === 'reflection') return Infinity;
  const circles = { silhouette: 1.5, intoTheSun: 1.5, brightBackdrop: 1.5, litStreet: 3, flashLift: 6 }[kind as 'silhouette'] ?? 2;
  return circles * circleMm(input);
}

function imageSpeed(input: SetUpInput, u: number, theta: number): number {
  const f = input.focalLengthMm;
  return (f / (u - f / 1000)) * Math.hypot(Math.sin(theta), (0.9 / u) * Math.cos(theta));
}

const ANGLES = 33;
const SPEEDS = nodes(81);
const STEPS = 300;
const LOCK_STEPS = 1200;

function angles({ movers }: SetUpInput): readonly number[] {
  const { travelAngleDeg, travelSpreadDeg } = movers;
  return Array.from(
    { length: ANGLES },
    (_, k) => ((travelAngleDeg + ((2 * k + 1) / ANGLES - 1) * travelSpreadDeg) * Math.PI) / 180,
  );
}

/** The law of distances: what a score stands for, and the score of a distance. */
function distances({ subject, standard, approach }: SetUpInput): { at: (z: number) => number; score: (u: number) => number } {
  const { medianM, spread } = subject;
  if (approach.focus === 'lockedOnSpot') return { at: (z) => Math.max(0.06, medianM + 0.3 * z), score: (u) => (u - medianM) / 0.3 };
  const isGuess = approach.focus === 'fixedZone' && spread === 0;
  const median = isGuess ? medianM / (1 + standard.guessBias) : medianM;
  const sigma = isGuess ? standard.guessSpread : spread;
  return { at: (z) => median * Math.exp(sigma * z), score: (u) => Math.log(u / median) / sigma };
}

/** Middles of equal steps of a score between two, with their shares. */
function steps(from: number, to: number, count: number): readonly Node[] {
  const width = (to - from) / count;
  return Array.from({ length: count }, (_, k) => {
    const z = from + (k + 0.5) * width;
    return { z, w: (width * Math.exp((-z * z) / 2)) / Math.sqrt(2 * Math.PI) };
  });
}

const clip = (z: number): number => Math.min(5, Math.max(-5, z));

function fixedFocus(input: SetUpInput, fNumber: number, focusM: number, shutterS: number): number {
  const zone = sharpFromTo(input, fNumber, focusM);
  if (zone === null) return 0;
  const { at, score } = distances(input);
  const { speedMps, speedSpreadMps } = input.movers;
  const limitMm = smearLimitMm(input);
  const thetas = angles(input);
  let sum = 0;
  for (const { z, w } of steps(clip(score(zone[0])), clip(score(zone[1])), STEPS)) {
    for (const theta of thetas) {
      const fastest = limitMm / (imageSpeed(input, at(z), theta) * shutterS);
      sum += (w / ANGLES) * phi((fastest - speedMps) / speedSpreadMps);
    }
  }
  return sum;
}

function centrePoint(input: SetUpInput, fNumber: number, shutterS: number): number {
  const { at } = distances(input);
  const { speedMps, speedSpreadMps } = input.movers;
  const limitMm = smearLimitMm(input);
  const thetas = angles(input);
  const cosine = Math.cos((15 * Math.PI) / 180);
  let sum = 0;
  for (const { z, w } of steps(-5, 5, LOCK_STEPS)) {
    const u = at(z);
    const there = sharpFromTo(input, fNumber, u);
    if (there === null) continue;
    for (const theta of thetas) {
      const fastest = limitMm / (imageSpeed(input, u, theta) * shutterS);
      for (const speed of SPEEDS) {
        const v = Math.max(0, speedMps + speed.z * speedSpreadMps);
        const x = u * cosine - v * Math.cos(theta) * input.body.autofocusDelayS;
        if (x >= there[0] && x <= there[1] && v <= fastest) sum += (w / ANGLES) * speed.w;
      }
    }
  }
  return sum;
}

/** All of a zone: what lies outside the sharp part, in 1/distance, counts twice; motion apart, over everybody. */
function allOfIt(input: SetUpInput, fNumber: number, focusM: number, shutterS: number): number {
  const sharp = sharpFromTo(input, fNumber, focusM);
  if (sharp === null) return 0;
  const { nearM, farM } = input.subject;
  const whole = 1 / nearM - 1 / farM;
  const inside = Math.min(1 / nearM, 1 / sharp[0]) - Math.max(1 / farM, 1 / sharp[1]);
  const cover = Math.max(0, 1 - 2 * (1 - Math.max(0, inside) / whole));
  const { at } = distances(input);
  const { speedMps, speedSpreadMps } = input.movers;
  const limitMm = smearLimitMm(input);
  let still = 0;
  for (const { z, w } of steps(-5, 5, STEPS)) {
    for (const theta of angles(input)) {
      const fastest = limitMm / (imageSpeed(input, at(z), theta) * shutterS);
      still += (w / ANGLES) * phi((fastest - speedMps) / speedSpreadMps);
    }
  }
  return cover * still;
}

const PLACES: ReadonlySet<string> = new Set(['facade', 'reflection', 'compressedDistance', 'longExposure', 'fireworks']);

/** Chance to be sharp and not smeared in one exposure time. */
export function plainDepthAndMotion(input: SetUpInput, fNumber: number, focusM: number, shutterS: number): number {
  const law = input.subject.law ?? (PLACES.has(input.intent.kind) ? 'allOfIt' : 'whoeverPasses');
  if (law === 'allOfIt') return allOfIt(input, fNumber, focusM, shutterS);
  return input.approach.focus === 'centrePoint'
    ? centrePoint(input, fNumber, shutterS)
    : fixedFocus(input, fNumber, focusM, shutterS);
}

function steady(input: SetUpInput, support: ManualSettings['support'], shutterS: number): number {
  if (support === 'tripod') return 1;
  const { body, lens, focalLengthMm, standard } = input;
  const limitS = shakeShutterLimitS({
    focalLengthMm,
    cropFactor: Math.hypot(36, 24) / Math.hypot(body.sensorWidthMm, body.sensorHeightMm),
    stabiliserStops: Math.max(body.stabiliserStops, lens.stabiliserStops),
    steadinessStops: standard.steadinessStops + (support === 'braced' ? 1.5 : 0),
    longestS: 1,
  });
  const one = shakeSharpProbability({ shutterS, limitS, spreadStops: standard.steadinessSpreadStops });
  return 1 - (1 - one) ** (((input.shooting?.burstFrames ?? 1) + 1) / 2);
}

function worth(errorEv: number, { film, body }: SetUpInput): number {
  const [under, over] = body.medium === 'film' && film !== null ? [film.latitudeUnderEv, film.latitudeOverEv] : [1 / 3, 2 / 3];
  if (errorEv >= -under && errorEv <= over) return 1;
  return Math.max(0, 1 - (errorEv < 0 ? -errorEv - under : errorEv - over));
}

function camera(input: SetUpInput, hand: ManualSettings, ev: number): { shutterS: number; iso: number; errorEv: number } {
  const { body, standard, film } = input;
  const ceiling = standard.isoCeilingByBody[body.id] ?? body.highestIso;
  const isFilm = body.medium === 'film' && film !== null;
  const { exposure } = input.approach;
  const fixed = isFilm ? rollIso(film) : exposure === 'baseIsoLong' ? body.baseIso : exposure === 'fixedIso' ? hand.iso : null;
  const sync = input.intent.kind === 'flashLift' ? body.flashSyncS : body.fastestShutterS;
  const ends = { widestFNumber: hand.fNumber, smallestFNumber: hand.fNumber, atCeiling: body.atCeiling };
  const common = {
    sceneEv100: ev,
    fNumber: hand.fNumber,
    isoBase: fixed ?? body.baseIso,
    isoCeiling: fixed ?? ceiling,
    body: { ...ends, fastestShutterS: sync, slowestShutterS: body.slowestShutterS },
  };
  if (isFilm) {
    const { reciprocityExponent: exponent, reciprocityThresholdS: thresholdS } = film;
    const shutterS = hand.shutterS as number;
    const meteredS = reciprocityMeteredS({ exposedS: shutterS, exponent, thresholdS });
    const iso = rollIso(film);
    return { shutterS, iso, errorEv: ev - (Math.log2(hand.fNumber ** 2 / meteredS) - Math.log2(iso / 100)) };
  }
  return exposure === 'bothHeld'
    ? autoExposure({ ...common, mode: 'bothHeld', shutterS: hand.shutterS as number })
    : autoExposure({
        ...common,
        mode: 'aperturePriority',
        ...(hand.shutterS === null ? {} : { slowestAutoShutterS: hand.shutterS }),
      });
}

function reached(input: SetUpInput, hand: ManualSettings, iso: number): number {
  const { intent, flash } = input;
  if (intent.kind !== 'flashLift') return 1;
  if (flash === null) return 0;
  const reachM =
    flashReachM({ guideNumberM: flash.guideNumberM, iso, fNumber: hand.fNumber }) * 2 ** ((1 / 3 - intent.flashEv) / 2);
  return phi(distances(input).score(reachM));
}

/** The chance of a good frame, and the mean stops of ISO above base. */
export function plainChance(input: SetUpInput, hand: ManualSettings): { readonly chance: number; readonly isoStops: number } {
  const spreadEv = input.light.spreadEv ?? 0;
  const keyEv = keyToneOf(input.intent);
  const memo = new Map<number, number>();
  let [chance, isoStops] = [0, 0];
  for (const { z, w } of spreadEv === 0 ? [{ z: 0, w: 1 }] : nodes(81)) {
    const ev = input.light.keyEv100 + z * spreadEv;
    const { shutterS, iso, errorEv } = camera(input, hand, ev - keyEv);
    const key = Math.round(Math.log2(shutterS) * 1e6);
    const joint = memo.get(key) ?? plainDepthAndMotion(input, hand.fNumber, hand.focusM, shutterS);
    memo.set(key, joint);
    const lock = input.approach.focus === 'centrePoint' ? 1 / (1 + Math.exp(input.body.autofocusLimitEv - ev)) : 1;
    chance += w * joint * steady(input, hand.support, shutterS) * worth(errorEv, input) * reached(input, hand, iso) * lock;
    const isFilm = input.body.medium === 'film' && input.film !== null;
    isoStops += w * Math.log2(iso / (isFilm ? rollIso(input.film as never) : input.body.baseIso));
  }
  return { chance, isoStops };
}
