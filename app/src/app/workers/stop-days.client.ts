import { Injectable } from '@angular/core';
import { stopDay, type StopDay, type StopDayInput } from '@roam-dial/core';
import { createStopDaysWorker } from './create-stop-days-worker';
import { WorkerClient } from './worker-client';

/** Minute-by-minute days of stops. */
@Injectable({ providedIn: 'root' })
export class StopDaysClient extends WorkerClient<StopDayInput, StopDay | null> {
  constructor() {
    super(createStopDaysWorker, stopDay);
  }
}
