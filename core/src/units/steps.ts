/** Long work comes as a generator: what it yields says how far it is, what it returns is the answer. */

/** Runs steps to their end at once. */
export function finish<Result>(steps: Generator<unknown, Result>): Result {
  for (;;) {
    const { done, value } = steps.next();
    if (done === true) return value;
  }
}
