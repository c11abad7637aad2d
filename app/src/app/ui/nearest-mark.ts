/** Number of the mark nearest to a value, by its logarithm. */
export function nearestIndex(marks: readonly number[], value: number): number {
  const away = (one: number): number => Math.abs(Math.log(one / value));
  return marks.reduce((best, one, k) => (away(one) < away(marks[best] as number) ? k : best), 0);
}
