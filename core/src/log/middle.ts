/** The middle of figures: of an even number the mean of the two. NaN without any. */
export function medianOf(all: readonly number[]): number {
  const sorted = [...all].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? (sorted[half] as number) : ((sorted[half - 1] as number) + (sorted[half] as number)) / 2;
}
