/** From here on cameras write seconds and not their fraction. */
const SECONDS_FROM = 0.4;
/** Less than any camera's own rounding. */
const ALIKE = 0.01;
const PER_SECOND = 10_000;

/** A shutter time as a fraction: 1/250 as cameras write it; 3/10 where no such whole fraction is within a hundredth. */
export function exposureTime(seconds: number): { readonly over: number; readonly under: number } {
  const under = Math.round(1 / seconds);
  const isWhole = seconds < SECONDS_FROM && Math.abs(under * seconds - 1) <= ALIKE;
  return isWhole ? { over: 1, under } : { over: Math.round(seconds * PER_SECOND), under: PER_SECOND };
}
