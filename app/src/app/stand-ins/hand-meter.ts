import { Injectable } from '@angular/core';
import { type HandReading, handReadingAt, READS_EVERY_MS } from '@roam-dial/core/stand-ins';
import {
  BehaviorSubject,
  catchError,
  concat,
  defer,
  distinctUntilChanged,
  ignoreElements,
  map,
  Observable,
  of,
  repeat,
  switchMap,
  takeUntil,
  timeout,
  timer,
} from 'rxjs';
import { shared } from '../base/shared';

/** What the meter in the hand says: a stand-in, and said to be one. */
export type HandMeter =
  | { readonly kind: 'off' }
  | { readonly kind: 'asking' }
  | { readonly kind: 'reading'; readonly reading: HandReading; readonly from: 'server' | 'here' }
  /** The stream has broken off; it is asked for again. */
  | { readonly kind: 'gone'; readonly againInS: number; readonly last: HandReading | null };

/** `ngsw-bypass`: a worker between would hold the stream up. */
const STREAM = '/api/meter?ngsw-bypass';
/** A stream that says nothing for so long is gone. */
const SILENT_MS = 4000;
const FIRST_AGAIN_S = 1;
const LONGEST_AGAIN_S = 30;

function isReading(value: unknown): value is HandReading {
  if (typeof value !== 'object' || value === null) return false;
  const { count, ev100, name } = value as Partial<HandReading>;
  return typeof count === 'number' && typeof ev100 === 'number' && typeof name === 'string';
}

/** Readings as the server sends them; an error where the stream breaks off. */
function streamed(): Observable<HandReading> {
  return new Observable<HandReading>((observer) => {
    const source = new EventSource(STREAM);
    source.addEventListener('reading', ({ data }: MessageEvent<string>) => {
      const said: unknown = JSON.parse(data);
      if (isReading(said)) observer.next(said);
    });
    source.addEventListener('error', () => observer.error(new Error('The meter is gone.')));
    return () => source.close();
  });
}

const isOffline = (): boolean => typeof navigator !== 'undefined' && navigator.onLine === false;

/** A meter in the hand, on from when it is turned on. A broken stream is asked for again, each time after twice as long. */
@Injectable({ providedIn: 'root' })
export class HandMeterStore {
  private readonly isWanted = new BehaviorSubject(false);

  readonly meter$: Observable<HandMeter> = this.isWanted.pipe(
    distinctUntilChanged(),
    switchMap((isWanted) => (isWanted ? read() : of<HandMeter>({ kind: 'off' }))),
    shared(),
  );

  turn(isOn: boolean): void {
    this.isWanted.next(isOn);
  }
}

/** Tries in a row after which there is no server to wait for: the same script is read here until it is asked for again. */
const READ_HERE_FROM = 2;

function read(): Observable<HandMeter> {
  let [tries, countHere] = [0, 0];
  let last: HandReading | null = null;
  const fromServer = (): Observable<HandMeter> =>
    streamed().pipe(
      timeout({ each: SILENT_MS }),
      map((reading) => {
        [tries, last] = [0, reading];
        return { kind: 'reading', reading, from: 'server' };
      }),
    );
  const readHere = (): Observable<HandMeter> =>
    timer(0, READS_EVERY_MS).pipe(map(() => ({ kind: 'reading', reading: handReadingAt(countHere++), from: 'here' })));
  const broken = (): Observable<HandMeter> => {
    const againInS = Math.min(LONGEST_AGAIN_S, FIRST_AGAIN_S * 2 ** tries);
    tries++;
    const again = timer(againInS * 1000);
    if (isOffline() || tries > READ_HERE_FROM) return readHere().pipe(takeUntil(again));
    return concat(of<HandMeter>({ kind: 'gone', againInS, last }), again.pipe(ignoreElements()));
  };
  return concat(of<HandMeter>({ kind: 'asking' }), defer(fromServer).pipe(catchError(broken), repeat()));
}
