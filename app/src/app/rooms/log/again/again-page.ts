import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { walkClock, sunPosition } from '@roam-dial/core/light';
import { type GoodFilter, isWanted, type PlaceFilter, thumbnailIdOf } from '@roam-dial/core/log';
import type { Return } from '@roam-dial/core/outing';
import { INTENT_NAMES, type IntentKind } from '@roam-dial/core/stop';
import { today } from '../../../base/today';
import { ReturnActions } from '../../../state/returns/actions';
import { AgainStore, type PlaceAgain } from './again.store';
import { returnMinuteOf } from '../../../state/returns/returns.store';
import { wordingSignal } from '../../../state/workspace/wording.store';
import { ChoiceField } from '../../../fields/choice-field';
import { TextField } from '../../../fields/text-field';
import { lightThenWords, workedWords } from '../words/again';
import { nextLines } from '../../../words/walk/returns';
import { KeptPicture } from '../../../shared/picture/kept-picture';

const ALL = 'all';
const GOOD_CHOICES: readonly { readonly value: GoodFilter; readonly label: string }[] = [
  { value: 'some', label: 'with a good frame' },
  { value: 'half', label: 'half of them good' },
  { value: 'any', label: 'whatever came of it' },
];
const MOST_THUMBS = 3;
/** So many places are shown, then the next. */
const PAGE = 30;

/** What worked, place by place, and when the same light is there again. */
@Component({
  selector: 'rd-again-page',
  imports: [ChoiceField, KeptPicture, MatButtonModule, RouterLink, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './again-page.html',
  styleUrl: './again-page.scss',
})
export class AgainPage {
  private readonly returns = inject(ReturnActions);
  private readonly all = toSignal(inject(AgainStore).again$);
  protected readonly wording = wordingSignal();
  protected readonly thumbnailIdOf = thumbnailIdOf;
  protected readonly goods = GOOD_CHOICES;
  protected readonly filter = signal<PlaceFilter>({ intent: null, name: '', good: 'some' });
  protected readonly shown = signal(PAGE);
  private readonly today = today();

  protected readonly intents = computed(() => {
    const kinds = new Set((this.all() ?? []).map(({ place }) => place.intent.kind));
    const known = [...kinds].map((kind) => ({ value: kind as string, label: INTENT_NAMES[kind] }));
    return [{ value: ALL, label: 'every picture' }, ...known.sort((a, b) => a.label.localeCompare(b.label))];
  });
  protected readonly hasAny = computed(() => (this.all() ?? []).length > 0);
  private readonly wanted = computed(() => (this.all() ?? []).filter(({ place }) => isWanted(place, this.filter())));
  protected readonly lines = computed(() =>
    this.wanted()
      .slice(0, this.shown())
      .map((one) => this.lineOf(one)),
  );
  protected readonly more = computed(() => Math.max(0, this.wanted().length - this.shown()));

  protected want(change: Partial<PlaceFilter>): void {
    this.filter.update((now) => ({ ...now, ...change }));
    this.shown.set(PAGE);
  }

  protected wantIntent(value: string): void {
    this.want({ intent: value === ALL ? null : (value as IntentKind) });
  }

  protected showMore(): void {
    this.shown.update((now) => now + PAGE);
  }

  protected keep({ stop, place, districtId, day, lightMin }: Return): void {
    this.returns.keepLight({ stop, place, districtId, day, lightMin });
  }

  private lineOf({ place, light, days, isKept }: PlaceAgain) {
    const wording = this.wording();
    const { log, good, decided } = place;
    return {
      id: place.id,
      name: place.name || 'Unnamed stop',
      intent: INTENT_NAMES[place.intent.kind],
      day: wording.day(log.day),
      count: decided === 0 ? `${place.frames} frames, none decided` : `${good.length} good of ${decided}`,
      good: good.slice(0, MOST_THUMBS),
      worked: workedWords(place.with, wording),
      then: light === null ? '' : this.thenOf(light, place.sceneEv),
      next:
        light === null
          ? []
          : nextLines(light, days, days?.kind === 'anyDay' ? returnMinuteOf(light, days, this.today) : null, wording),
      light,
      isKept,
      link: { walk: log.walkId, stop: place.stopId },
    };
  }

  /** How the sun stood. */
  private thenOf({ stop, place, day, lightMin }: Return, sceneEv: number | null): string {
    const clock = walkClock(day, place.timeZone);
    if (clock === null) return '';
    const sun = sunPosition({ ...(stop.position ?? place), time: new Date(clock.msAt(lightMin)) });
    return lightThenWords({ minute: lightMin, sun, sceneEv }, this.wording());
  }
}
