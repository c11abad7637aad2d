import { Injectable, inject } from '@angular/core';
import type { DistrictReport, ReadingProgress } from '@roam-dial/core/formats/maps';
import type { District } from '@roam-dial/core/streets';
import { catchError, map, type Observable, of, ReplaySubject, startWith, switchMap } from 'rxjs';
import { createId } from '../storage/defaults';
import { MapsService } from './maps.service';
import type { Step } from '../workers/steps';
import { shared } from '../base/shared';

/** Where the reading of a map file has come to. */
export type MapReadingState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'reading'; readonly doing: ReadingProgress['doing']; readonly share: number }
  | { readonly kind: 'failed'; readonly fileName: string; readonly message: string }
  | { readonly kind: 'read'; readonly fileName: string; readonly district: District; readonly report: DistrictReport };

/** What is taken for granted of buildings that say nothing of their height. */
export interface HeightRules {
  readonly defaultHeightM: number;
  readonly levelM: number;
}

export const USUAL_HEIGHTS: HeightRules = { defaultHeightM: 9, levelM: 3.2 };

const IDLE: MapReadingState = { kind: 'idle' };

/** One map file at a time, read in a worker; another one, or a word, stops it. Provided by the page that reads. */
@Injectable()
export class MapReading {
  private readonly maps = inject(MapsService);
  /** A file can come before anybody watches how its reading goes. */
  private readonly asked = new ReplaySubject<{ readonly file: File; readonly rules: HeightRules } | null>(1);

  readonly state$: Observable<MapReadingState> = this.asked.pipe(
    switchMap((asked) => (asked === null ? of(IDLE) : this.reading(asked.file, asked.rules))),
    startWith(IDLE),
    shared(),
  );

  read(file: File, rules: HeightRules = USUAL_HEIGHTS): void {
    this.asked.next({ file, rules });
  }

  /** Stops what runs, and forgets what came of the last. */
  stop(): void {
    this.asked.next(null);
  }

  private reading(file: File, rules: HeightRules): Observable<MapReadingState> {
    const name = file.name.replace(/\.[^.]*$/, '');
    return this.maps.readDistrict(file, { ...rules, id: createId(), name, origin: null }).pipe(
      map((step) => stateOf(file.name, step)),
      catchError((error: unknown) => of(failed(file.name, error instanceof Error ? error.message : String(error)))),
      startWith({ kind: 'reading', doing: 'reading', share: 0 } as const),
    );
  }
}

function failed(fileName: string, message: string): MapReadingState {
  return { kind: 'failed', fileName, message: `${fileName}: ${message} Nothing was changed.` };
}

type Reading =
  ReturnType<MapsService['readDistrict']> extends Observable<Step<infer Progress, infer Answer>> ? Step<Progress, Answer> : never;

function stateOf(fileName: string, step: Reading): MapReadingState {
  if (step.kind === 'progress') return { kind: 'reading', ...step.progress };
  if (step.kind !== 'done') return failed(fileName, step.message);
  const { answer } = step;
  if (!answer.ok) return failed(fileName, `${answer.message}${answer.where === null ? '' : ` (${answer.where})`}`);
  return { kind: 'read', fileName, district: answer.district, report: answer.report };
}
