import type { Stop } from '../stop/index.js';
import { EARLY_MIN } from '../day/index.js';

/** So many minutes off the plan are no matter (s). */
export const ON_TIME_MIN = 5;

/** The latest minute at which one goes on so as to be there early enough, but never before the stay ends. */
export function leaveByMin(at: Pick<Stop, 'leaveMin'>, next: Pick<Stop, 'arriveMin'> | null, walkMin: number): number {
  return next === null ? at.leaveMin : Math.max(at.leaveMin, next.arriveMin - EARLY_MIN - walkMin);
}

/** Minutes behind the plan: those by which one comes after a stay begins, walking now. Negative: to spare. */
export function behindMin(nowMin: number, walkMin: number, to: Pick<Stop, 'arriveMin'>): number {
  return nowMin + walkMin - to.arriveMin;
}
