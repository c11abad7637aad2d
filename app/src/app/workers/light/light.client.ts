import { Injectable } from '@angular/core';
import type { SameLight, StopDay, YearOfQuality, YearOfSun } from '@roam-dial/core/stop';
import type { District } from '@roam-dial/core/streets';
import type { Observable } from 'rxjs';
import { createLightWorker } from '../create';
import { type LightAnswer, type LightProgress, type LightQuestion, MOST_DISTRICTS } from './light-jobs';
import { Lru } from '../../base/lru';
import { Query } from '../query';
import type { Step } from '../steps';

type Asked = Exclude<LightQuestion, { kind: 'district' }>;
type Kind = Asked['kind'];
interface Answers {
  readonly day: StopDay | null;
  readonly yearOfSun: YearOfSun | null;
  readonly yearOfQuality: YearOfQuality | null;
  readonly sameLight: readonly SameLight[] | null;
}

/** A worker for light. A district goes to it once, and again when the worker is another or has forgotten it. */
export class LightWorker {
  private readonly told = new Lru<string, true>(MOST_DISTRICTS);
  private readonly query = new Query<LightQuestion, LightProgress, LightAnswer>(createLightWorker, {
    onNewWorker: () => this.told.clear(),
  });

  /** `district` is the one that the question's site stands in. */
  ask<K extends Kind>(
    question: Extract<Asked, { kind: K }>,
    district: District | null,
  ): Observable<Step<LightProgress, Answers[K]>> {
    const { site }: Pick<Asked, 'site'> = question;
    if (site.kind === 'district' && district !== null) this.tell(site.key, district);
    return this.query.ask(question) as Observable<Step<LightProgress, Answers[K]>>;
  }

  private tell(key: string, district: District): void {
    if (this.told.get(key) !== undefined) return;
    this.query.tell({ kind: 'district', key, district });
    this.told.set(key, true);
  }
}

/** Two workers for the days of a walk's stops, and one for years, so that a year of one stop does not hold the days up. */
@Injectable({ providedIn: 'root' })
export class LightClient {
  readonly days: readonly LightWorker[] = [new LightWorker(), new LightWorker()];
  readonly years = new LightWorker();
}
