import { Injectable } from '@angular/core';
import type { District } from '@roam-dial/core';
import type { DistrictOptions, ReadDistrict, ReadForecast, ReadingProgress } from '@roam-dial/core/maps';
import { from, type Observable, switchMap } from 'rxjs';
import { createMapWorker } from '../workers/create-map-worker';
import type { Step } from '../workers/steps';
import { StepsClient } from '../workers/steps-client';

interface MapQuestion {
  readonly text: string;
  readonly options: DistrictOptions;
}

/** Reads and writes maps and forecasts; their parsers are a chunk of their own, loaded when the first file comes. */
@Injectable({ providedIn: 'root' })
export class MapsService {
  private client: StepsClient<MapQuestion, ReadingProgress, ReadDistrict> | null = null;

  /** In a worker, in steps; to unsubscribe is to stop it. */
  readDistrict(file: File, options: DistrictOptions): Observable<Step<ReadingProgress, ReadDistrict>> {
    return from(Promise.all([file.text(), import('@roam-dial/core/maps')])).pipe(
      switchMap(([text, { readDistrictSteps }]) => {
        this.client ??= new StepsClient(createMapWorker, (question: MapQuestion) =>
          readDistrictSteps(question.text, question.options),
        );
        return this.client.run({ text, options });
      }),
    );
  }

  async writeDistrict(district: District): Promise<string> {
    const { writeDistrict } = await import('@roam-dial/core/maps');
    return writeDistrict(district);
  }

  async readForecast(file: File): Promise<ReadForecast> {
    const { readForecast } = await import('@roam-dial/core/maps');
    return readForecast(await file.text());
  }
}
