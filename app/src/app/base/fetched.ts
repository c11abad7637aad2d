/** A part of the program could not be fetched; the message says which, and what to do. */
export class NotFetched extends Error {
  override readonly name = 'NotFetched';

  constructor(
    readonly what: string,
    cause: unknown,
  ) {
    super(`${what} could not be loaded. Check your network and try again; nothing you entered is lost.`, { cause });
  }
}

/** Longer than this nobody waits for a part of the program without a word (s). */
export const FETCH_LIMIT_MS = 20_000;
/** After a failure once more, when the network has had this long (s). */
const AGAIN_AFTER_MS = 700;

const after = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** The promise, or a rejection when its time is over; the clock stops with it. */
export function within<Value>(promise: Promise<Value>, limitMs: number, late: () => Error): Promise<Value> {
  return new Promise<Value>((resolve, reject) => {
    const clock = setTimeout(() => reject(late()), limitMs);
    promise.then(resolve, reject).finally(() => clearTimeout(clock));
  });
}

/**
 * The one way to load a part of the program that is fetched when it is wanted (an `import()`): tried twice, within a limit, so
 * that nothing waits in silence. @throws NotFetched
 */
export async function fetched<Part>(what: string, load: () => Promise<Part>, limitMs = FETCH_LIMIT_MS): Promise<Part> {
  const tried = load().catch(async () => {
    await after(AGAIN_AFTER_MS);
    return load();
  });
  try {
    return await within(tried, limitMs, () => new Error(`no answer within ${limitMs / 1000} s`));
  } catch (cause) {
    throw new NotFetched(what, cause);
  }
}
