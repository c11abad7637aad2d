import { Injectable } from '@angular/core';
import type { DistrictOptions, ReadDistrict, ReadForecast, ReadingProgress } from '@roam-dial/core/formats/maps';
import type { District } from '@roam-dial/core/streets';
import { from, type Observable, of, switchMap } from 'rxjs';
import { createMapWorker } from '../workers/create';
import type { MapAnswer, MapQuestion } from '../workers/map/map-jobs';
import { Query } from '../workers/query';
import type { Step } from '../workers/steps';
import { fetched } from '../base/fetched';

/** Larger files are not even read into memory. */
const LARGEST_MB = 100;

type Reading<Answer> = Observable<Step<ReadingProgress, Answer>>;

/** Reads and writes maps and forecasts; their parsers are the worker's, loaded when the first file comes. */
@Injectable({ providedIn: 'root' })
export class MapsService {
  private readonly query = new Query<MapQuestion, ReadingProgress, MapAnswer>(createMapWorker);

  /** In a worker, in steps; to unsubscribe is to stop it. */
  readDistrict(file: File, options: DistrictOptions): Reading<ReadDistrict> {
    return this.read(file, (text) => ({ kind: 'district', text, options })) as Reading<ReadDistrict>;
  }

  readForecast(file: File, day: string): Reading<ReadForecast> {
    return this.read(file, (text) => ({ kind: 'forecast', text, day })) as Reading<ReadForecast>;
  }

  async writeDistrict(district: District): Promise<string> {
    const { writeDistrict } = await fetched('The map writer', () => import('@roam-dial/core/formats/maps'));
    return writeDistrict(district);
  }

  private read(file: File, questionFor: (text: string) => MapQuestion): Reading<MapAnswer> {
    const megabytes = file.size / 1024 / 1024;
    if (megabytes > LARGEST_MB) {
      const message = `The file is ${Math.round(megabytes)} MB; at most ${LARGEST_MB} MB are read.`;
      return of({ kind: 'done', answer: { ok: false, message, where: null } });
    }
    return from(file.text()).pipe(switchMap((text) => this.query.ask(questionFor(text))));
  }
}
