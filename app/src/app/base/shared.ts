import { type MonoTypeOperatorFunction, shareReplay } from 'rxjs';

/** One run for all who listen, who hear its newest value at once; nobody listening, it ends. */
export const shared = <T>(): MonoTypeOperatorFunction<T> => shareReplay<T>({ bufferSize: 1, refCount: true });
