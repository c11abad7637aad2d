import { Injectable } from '@angular/core';
import type { District, SameLight, StopDay, YearOfQuality, YearOfSun } from '@roam-dial/core';
import { filter, map, type Observable } from 'rxjs';
import { createLightWorker } from './create-light-worker';
import { type LightAnswer, LightDesk, type LightProgress, type LightQuestion } from './light-desk';
import type { Step } from './steps';
import { StepsClient } from './steps-client';

type Kind = Exclude<LightQuestion['kind'], 'district'>;
interface Answers {
  readonly day: StopDay | null;
  readonly yearOfSun: YearOfSun | null;
  readonly yearOfQuality: YearOfQuality | null;
  readonly sameLight: readonly SameLight[] | null;
}

/** A worker for light. A district goes to it once; a changed one is another object and goes again under another key. */
class LightWorker {
  private readonly desk = new LightDesk();
  private readonly client = new StepsClient<LightQuestion, LightProgress, LightAnswer>(createLightWorker, (question) =>
    this.desk.answer(question),
  );
  private readonly keys = new WeakMap<District, string>();
  private nextKey = 1;

  keyOf(district: District): string {
    const known = this.keys.get(district);
    if (known !== undefined) return known;
    const key = `${district.id}/${this.nextKey++}`;
    this.keys.set(district, key);
    // Here too, for the case that the worker dies.
    this.desk.answer({ kind: 'district', key, district }).next();
    this.client.run({ kind: 'district', key, district }).subscribe();
    return key;
  }

  ask<K extends Kind>(question: Extract<LightQuestion, { kind: K }>): Observable<Step<LightProgress, Answers[K]>> {
    return this.client.run(question) as Observable<Step<LightProgress, Answers[K]>>;
  }
}

/** Two workers: the days of the walk's stops are not held up by a year of one of them. */
@Injectable({ providedIn: 'root' })
export class LightClient {
  readonly days = new LightWorker();
  readonly years = new LightWorker();
}

export function answersOf<Progress, Answer>(steps: Observable<Step<Progress, Answer>>): Observable<Answer | null> {
  return steps.pipe(
    filter((step) => step.kind !== 'progress'),
    map((step) => (step.kind === 'done' ? step.answer : null)),
  );
}
