import { Injectable } from '@angular/core';
import { interval, map, type Observable, startWith } from 'rxjs';

/** What the device's own clock shows, milliseconds since 1970. */
@Injectable({ providedIn: 'root' })
export class DeviceClock {
  nowMs(): number {
    return Date.now();
  }

  /** At once, and every so often. */
  every(stepMs: number): Observable<number> {
    return interval(stepMs).pipe(
      startWith(0),
      map(() => this.nowMs()),
    );
  }
}
