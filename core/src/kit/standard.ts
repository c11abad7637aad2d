import type { Figures } from './figures.js';
import type { SharpnessStandard } from '../optics/index.js';

/** Rules by which people set their slowest handheld shutter. */
export type ShakeRule =
  | { readonly kind: 'reciprocal' }
  | { readonly kind: 'reciprocalCrop' }
  | { readonly kind: 'halfReciprocalCrop' }
  | { readonly kind: 'floor'; readonly floorS: number };

/** A test of the hands that holds for every lens. */
export interface StoredHandTest {
  readonly againstRule: number;
  readonly frames: number;
  readonly sharp: number;
}

/** Signal to noise of one ISO, pixel by pixel and at the size that pictures are looked at. */
export interface NoisePoint {
  readonly iso: number;
  readonly perPixel: number;
  readonly seen: number;
}

/** What even patches have said of a body's noise. */
export interface NoiseTest {
  readonly bodyId: string;
  /** By ISO, ascending, each once. */
  readonly points: readonly NoisePoint[];
}

export interface TaughtFigure {
  readonly before: number;
  readonly taken: number;
}

/** A person's own limits. */
export interface Standard {
  readonly sharpness: SharpnessStandard;
  readonly shakeRule: ShakeRule;
  /** Against the rule, stops; + is steadier. */
  readonly steadinessStops: number;
  readonly steadinessSpreadStops: number;
  /** Own ISO ceiling by body id; the usual one of the body's format where there is none. */
  readonly isoCeilingByBody: Readonly<Record<string, number>>;
  /** σ of the logarithm of guessed distances. */
  readonly guessSpread: number;
  /** +0.10: guesses come out 10 % long. */
  readonly guessBias: number;
  readonly paceMps: number;
  readonly strideM: number;
  readonly reactionS: number;
  /** Frames looked through for shake; `againstRule` is the time over the rule's own limit of the lens then used. */
  readonly handTests?: readonly StoredHandTest[];
  /** By figure, what it was before frames were taken over, and what was taken: the same frames do not count twice. */
  readonly taught?: Readonly<Record<string, TaughtFigure>>;
  /** The least signal to noise, at the size looked at, that the person takes; null while nobody has said. And what bodies have. */
  readonly noise?: { readonly acceptedRatio: number | null; readonly tests: readonly NoiseTest[] };
  /** Figures of judgement that the person has replaced. */
  readonly figures?: Partial<Figures>;
}

export const DEFAULT_STANDARD: Standard = {
  sharpness: { kind: 'armsLength' },
  shakeRule: { kind: 'reciprocalCrop' },
  steadinessStops: 0,
  steadinessSpreadStops: 0.5,
  isoCeilingByBody: {},
  guessSpread: 0.2,
  guessBias: 0,
  paceMps: 1.2,
  strideM: 0.75,
  reactionS: 0.6,
};
