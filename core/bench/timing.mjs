/** Milliseconds, the median of several runs after one to warm up. */
export function msOf(work, runs = 7) {
  work();
  const times = Array.from({ length: runs }, () => {
    const begun = performance.now();
    work();
    return performance.now() - begun;
  });
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)];
}

export const say = (what, figure, target) => process.stdout.write(`${what.padEnd(58)} ${figure.padStart(22)}  ${target}\n`);

/** What a run is held against: a million powers, in the same run. */
export const powersMs = () =>
  msOf(() => {
    let sum = 0;
    for (let k = 0; k < 1e6; k++) sum += 2 ** ((k % 320) / 32);
    return sum;
  });
