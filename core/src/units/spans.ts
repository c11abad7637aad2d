/** Both ends within. */
interface Run {
  readonly from: number;
  readonly to: number;
}

/** Runs of the numbers from 0 to under `count` for which a test holds, in order. */
export function runsWhere(count: number, holds: (at: number) => boolean): readonly Run[] {
  const runs: Run[] = [];
  let from: number | null = null;
  for (let at = 0; at <= count; at++) {
    const isIn = at < count && holds(at);
    if (isIn && from === null) from = at;
    if (!isIn && from !== null) {
      runs.push({ from, to: at - 1 });
      from = null;
    }
  }
  return runs;
}
