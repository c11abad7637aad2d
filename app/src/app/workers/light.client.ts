import { Injectable } from '@angular/core';
import type { District, SameLight, StopDay, StopSite, YearOfQuality, YearOfSun } from '@roam-dial/core';
import type { Observable } from 'rxjs';
import { createLightWorker } from './create-light-worker';
import { districtKey } from './district-key';
import { type LightAnswer, type LightProgress, type LightQuestion, MOST_DISTRICTS, type SiteRef } from './measured-light';
import { Lru } from './lru';
import { Query } from './query';
import type { Step } from './steps';

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
  private readonly districts = new Lru<string, District>(MOST_DISTRICTS);
  private readonly told = new Lru<string, true>(MOST_DISTRICTS);
  private readonly query = new Query<LightQuestion, LightProgress, LightAnswer>(createLightWorker, {
    onNewWorker: () => this.told.clear(),
  });

  /** A stop's buildings as the worker is told of them. */
  refOf(found: StopSite): SiteRef {
    if (found.kind === 'none') return { kind: 'none' };
    if (found.kind === 'section') return { kind: 'section', buildings: found.site.buildings };
    const key = districtKey(found.district);
    this.districts.set(key, found.district);
    const { eastM, northM, groundM = 0 } = found.site;
    return { kind: 'district', key, eastM, northM, groundM };
  }

  ask<K extends Kind>(question: Extract<Asked, { kind: K }>): Observable<Step<LightProgress, Answers[K]>> {
    const { site }: Pick<Asked, 'site'> = question;
    if (site.kind === 'district') this.tell(site.key);
    return this.query.ask(question) as Observable<Step<LightProgress, Answers[K]>>;
  }

  private tell(key: string): void {
    const district = this.districts.get(key);
    if (district === undefined || this.told.get(key) !== undefined) return;
    this.query.tell({ kind: 'district', key, district });
    this.told.set(key, true);
  }
}

/** Two workers: the days of the walk's stops are not held up by a year of one of them. */
@Injectable({ providedIn: 'root' })
export class LightClient {
  readonly days = new LightWorker();
  readonly years = new LightWorker();
}
