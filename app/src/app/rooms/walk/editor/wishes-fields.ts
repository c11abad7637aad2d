import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { DEFAULT_STAY } from '@roam-dial/core/day';
import { DEFAULT_SETTINGS, FIELD_RANGES } from '@roam-dial/core/formats/archive';
import { isAloneWished, type PeopleWish, peopleWishOf, type Stop, type Wishes } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { DayActions } from '../../../state/plan/day.actions';
import { wordingSignal } from '../../../state/workspace/wording.store';
import { WorkspaceStore } from '../../../state/workspace/workspace.store';
import { CheckField } from '../../../fields/check-field';
import { ChoiceField } from '../../../fields/choice-field';
import { ValueField } from '../../../fields/value-field';
import { clockCodec, hoursCodec, numberCodec, optional } from '../../../fields/codec';
import { PEOPLE_CHOICES } from '../words';

/** What the day's plan has to keep of a stop. */
@Component({
  selector: 'rd-wishes-fields',
  imports: [CheckField, ChoiceField, MatButtonModule, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="fields">
      <rd-check-field
        class="wide"
        label="Must-have"
        [value]="wishes().isMust === true"
        (changed)="set('must', { isMust: $event ? true : undefined })"
      />
      <rd-value-field
        label="Starts exactly at"
        placeholder="any time"
        [value]="wishes().fixedAtMin ?? null"
        [codec]="anyTime()"
        (changed)="set('fixed time', { fixedAtMin: $event ?? undefined })"
      />
      <rd-value-field label="Shortest stay" [value]="shortest()" [codec]="minutes" (changed)="setShortest($event)" />
      <rd-value-field label="Longest stay" [value]="longest()" [codec]="minutes" (changed)="setLongest($event)" />
      <rd-value-field
        label="Worth (× a normal stop)"
        [value]="wishes().weight ?? 1"
        [codec]="weight"
        (changed)="set('weight', { weight: $event === 1 ? undefined : $event })"
      />
      <rd-value-field
        class="double"
        label="Open"
        placeholder="always"
        [value]="wishes().open ?? []"
        [codec]="hours()"
        (changed)="set('hours', { open: $event.length === 0 ? undefined : $event })"
      />
      <rd-choice-field
        class="double"
        label="In the picture"
        [value]="people()"
        [choices]="peopleChoices"
        (changed)="set('people', { people: $event })"
      />
      @if (people() === 'people') {
        <rd-check-field
          class="double"
          label="One person, nobody else in it"
          [value]="isAlone()"
          (changed)="set('people', { isAlone: $event })"
        />
      }
      <rd-value-field
        class="double"
        label="80 % of the value after"
        placeholder="by who passes"
        [value]="wishes().usefulMin ?? null"
        [codec]="useful"
        (changed)="set('useful stay', { usefulMin: $event ?? undefined })"
      />
      <p class="wide">
        <button mat-stroked-button type="button" (click)="actions.passAgain(walk(), stop())">Pass again later</button>
      </p>
    </div>
  `,
  styleUrl: './editor.scss',
  styles: `
    :host {
      padding: 0;
    }
  `,
})
export class WishesFields {
  readonly walk = input.required<Walk>();
  readonly stop = input.required<Stop>();

  protected readonly actions = inject(DayActions);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly wording = wordingSignal();

  protected readonly peopleChoices = PEOPLE_CHOICES;
  protected readonly minutes = numberCodec({ low: 1, high: 1439, decimals: 0, step: 5, unit: 'min' });
  protected readonly useful = optional(numberCodec({ low: 1, high: 1439, decimals: 0, step: 5, unit: 'min' }));
  protected readonly weight = numberCodec({ ...FIELD_RANGES.weight, decimals: 2, step: 0.5 });
  private readonly clock = computed(() => {
    const wording = this.wording();
    return clockCodec((this.workspace()?.settings ?? DEFAULT_SETTINGS).clock, (minute) => wording.clock(minute));
  });
  protected readonly anyTime = computed(() => optional(this.clock()));
  protected readonly hours = computed(() => hoursCodec(this.clock()));

  protected readonly wishes = computed<Wishes>(() => this.stop().wishes ?? {});
  protected readonly people = computed<PeopleWish>(() => peopleWishOf(this.stop().intent, this.wishes()));
  protected readonly isAlone = computed(() => isAloneWished(this.stop().intent, this.wishes()));
  protected readonly longest = computed(
    () => this.wishes().longestMin ?? Math.max(DEFAULT_STAY.longestMin, this.wishes().shortestMin ?? 0),
  );
  protected readonly shortest = computed(() => this.wishes().shortestMin ?? Math.min(DEFAULT_STAY.shortestMin, this.longest()));

  /** The other end gives way, so that the two never cross. */
  protected setShortest(shortestMin: number): void {
    this.set('shortest stay', { shortestMin, longestMin: Math.max(shortestMin, this.longest()) });
  }

  protected setLongest(longestMin: number): void {
    this.set('longest stay', { longestMin, shortestMin: Math.min(longestMin, this.shortest()) });
  }

  protected set(part: string, change: { readonly [Key in keyof Wishes]?: Wishes[Key] | undefined }): void {
    this.actions.wish(this.walk(), this.stop(), part, change);
  }
}
