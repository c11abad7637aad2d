import type { Building } from '@roam-dial/core/light';
import type { StopSite } from '@roam-dial/core/plan';
import {
  type SameLight,
  sameLightAgain,
  siteLookOf,
  type StopDay,
  stopDayIn,
  type StopDayInput,
  type YearInput,
  type YearOfQuality,
  yearOfQualitySteps,
  type YearOfSun,
  yearOfSun,
} from '@roam-dial/core/stop';
import {
  type District,
  type MeasuredSite,
  measureOf,
  measureSteps,
  sceneOf,
  type Site,
  type SiteScene,
} from '@roam-dial/core/streets';
import { districtKey } from '../district-key';
import { Lru } from '../../base/lru';

/** Which buildings a stop stands among; districts go to the worker once and are named from then on. */
export type SiteRef =
  | { readonly kind: 'none' }
  | { readonly kind: 'section'; readonly buildings: readonly Building[] }
  | { readonly kind: 'district'; readonly key: string; readonly eastM: number; readonly northM: number; readonly groundM: number };

/** A stop's buildings as a worker is told of them. */
export function siteRefOf(found: StopSite): SiteRef {
  if (found.kind === 'none') return { kind: 'none' };
  if (found.kind === 'section') return { kind: 'section', buildings: found.site.buildings };
  const { eastM, northM, groundM = 0 } = found.site;
  return { kind: 'district', key: districtKey(found.district), eastM, northM, groundM };
}

type WithoutStreets<Input> = Omit<Input, 'streets'>;

export interface LightDayQuestion {
  readonly kind: 'day';
  readonly site: SiteRef;
  readonly input: WithoutStreets<StopDayInput>;
}

export type LightQuestion =
  | { readonly kind: 'district'; readonly key: string; readonly district: District }
  | LightDayQuestion
  | { readonly kind: 'yearOfSun'; readonly site: SiteRef; readonly input: WithoutStreets<YearInput> }
  | { readonly kind: 'yearOfQuality'; readonly site: SiteRef; readonly input: WithoutStreets<YearInput> }
  | {
      readonly kind: 'sameLight';
      readonly site: SiteRef;
      readonly input: WithoutStreets<YearInput>;
      readonly day: string;
      readonly minuteOfDay: number;
      readonly withinDeg: number;
    };

export interface LightProgress {
  readonly doing: 'measuring' | 'reckoning';
  readonly share: number;
  /** What there is of a year so far. */
  readonly year?: YearOfQuality;
}

export type LightAnswer = StopDay | YearOfSun | YearOfQuality | readonly SameLight[] | null;

/** Stops whose surroundings are kept; about 3 MB each. */
const MOST_SCENES = 40;
/** Districts that who asks counts on being known; twice as many are kept, and is told again of any other. */
export const MOST_DISTRICTS = 6;

/** Answers about light, with the surroundings of the last stops kept: a new day or sky is a matter of look-ups. */
export class LightJobs {
  private readonly districts = new Lru<string, District>(2 * MOST_DISTRICTS);
  private readonly scenes = new Lru<string, MeasuredSite>(MOST_SCENES);

  *answer(question: LightQuestion): Generator<LightProgress, LightAnswer> {
    if (question.kind === 'district') {
      this.districts.set(question.key, question.district);
      return null;
    }
    const scene = yield* this.sceneOf(question.site, question.input);
    yield { doing: 'reckoning', share: 0.9 };
    switch (question.kind) {
      case 'day':
        return stopDayIn(scene, question.input);
      case 'yearOfSun':
        return yearOfSun(scene, question.input);
      case 'yearOfQuality':
        return yield* this.qualityOf(scene, question.input);
      case 'sameLight': {
        const { day, minuteOfDay, withinDeg, input } = question;
        return sameLightAgain(scene, { ...input, day, minuteOfDay, withinDeg });
      }
    }
  }

  private *qualityOf(scene: SiteScene | null, input: YearInput): Generator<LightProgress, YearOfQuality> {
    const steps = yearOfQualitySteps(scene, input);
    for (;;) {
      const { done, value } = steps.next();
      if (done === true) return value;
      yield { doing: 'reckoning', share: value.daysDone / value.days.length, year: value };
    }
  }

  private *sceneOf(ref: SiteRef, input: Parameters<typeof siteLookOf>[0]): Generator<LightProgress, SiteScene | null> {
    const site = this.siteOf(ref);
    if (site === null) return null;
    const look = siteLookOf(input);
    const key = JSON.stringify([ref, measureOf(look)]);
    const known = this.scenes.get(key);
    if (known !== undefined) return sceneOf(known, look);
    const steps = measureSteps(site, measureOf(look));
    for (;;) {
      const { done, value } = steps.next();
      if (done !== true) {
        yield { doing: 'measuring', share: 0.9 * value };
        continue;
      }
      this.scenes.set(key, value);
      return sceneOf(value, look);
    }
  }

  private siteOf(ref: SiteRef): Site | null {
    if (ref.kind === 'none') return null;
    if (ref.kind === 'section') return { buildings: ref.buildings, eastM: 0, northM: 0 };
    const district = this.districts.get(ref.key);
    if (district === undefined) return null;
    const { buildings, trees, waters } = district;
    const { eastM, northM, groundM } = ref;
    return { buildings, trees, waters, eastM, northM, groundM };
  }
}

/** A day's minutes are handed over, not copied. */
export function lightBuffersOf(answer: LightAnswer): Transferable[] {
  if (answer === null || !('keyEv100' in answer)) return [];
  return Object.values(answer).flatMap((value: unknown) => (ArrayBuffer.isView(value) ? [value.buffer as ArrayBuffer] : []));
}
