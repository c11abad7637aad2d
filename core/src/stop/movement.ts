import type { IntentKind } from './intents.js';
import { DEFAULT_SHOOTING } from './shooting.js';
import type { Stop } from './stop.js';

/** Pictures in which nothing moves that must be sharp, or in which the time itself is the wish. */
const STILL_INTENTS: ReadonlySet<IntentKind> = new Set(['facade', 'reflection', 'longExposure', 'fireworks']);

/** Whether it counts how fast and which way people go: not in a picture of what stands still, unless their smear is asked for. */
export function isMovementOfMatter({ intent, shooting = DEFAULT_SHOOTING }: Pick<Stop, 'intent' | 'shooting'>): boolean {
  return shooting.smear !== 'byIntent' || !STILL_INTENTS.has(intent.kind);
}
