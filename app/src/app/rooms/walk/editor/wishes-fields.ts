import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { DEFAULT_STAY } from '@roam-dial/core/day';
import { isAloneWished, type PeopleWish, peopleWishOf, type Stop, type Wishes, WISHES_FIELDS } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { hoursCodec, optional, walkClockCodec } from '../../../fields/codec';
import { DescribedForm, type FieldChange } from '../../../fields/described-form';
import { codecOf } from '../../../fields/field-codec';
import { checkField, type FieldSpec, valueField } from '../../../fields/field-spec';
import { fieldReading } from '../../../shared/field-reading';
import { withWishes } from '../../../state/walk/stop.edits';
import { DayActions } from '../../../state/plan/day.actions';
import { PEOPLE_CHOICES } from '../words';

const wishesOf = ({ wishes }: Stop): Wishes => wishes ?? {};

const peopleOf = (stop: Stop): PeopleWish => peopleWishOf(stop.intent, wishesOf(stop));
const longestOf = (stop: Stop): number => {
  const { longestMin, shortestMin = 0 } = wishesOf(stop);
  return longestMin ?? Math.max(DEFAULT_STAY.longestMin, shortestMin);
};
const shortestOf = (stop: Stop): number => wishesOf(stop).shortestMin ?? Math.min(DEFAULT_STAY.shortestMin, longestOf(stop));

/** What the day's plan has to keep of a stop; what is as usual is not kept at all. */
export const WISHED_FIELDS: readonly FieldSpec<Stop>[] = [
  checkField(
    'Must-have',
    (stop) => wishesOf(stop).isMust === true,
    (stop, isMust) => withWishes(stop, { isMust: isMust ? true : undefined }),
    { width: 'wide', part: 'must' },
  ),
  valueField(
    'Starts exactly at',
    ({ arriveMin }, { clock }) => optional(walkClockCodec(clock, arriveMin)),
    (stop) => wishesOf(stop).fixedAtMin ?? null,
    (stop, minute) => withWishes(stop, { fixedAtMin: minute ?? undefined }),
    { placeholder: 'any time', part: 'fixed time' },
  ),
  // The other end gives way, so that the two never cross.
  valueField(
    'Shortest stay',
    (_, reading) => codecOf(WISHES_FIELDS.shortestMin, reading),
    shortestOf,
    (stop, shortestMin) => withWishes(stop, { shortestMin, longestMin: Math.max(shortestMin, longestOf(stop)) }),
    { part: 'shortest stay' },
  ),
  valueField(
    'Longest stay',
    (_, reading) => codecOf(WISHES_FIELDS.longestMin, reading),
    longestOf,
    (stop, longestMin) => withWishes(stop, { longestMin, shortestMin: Math.min(longestMin, shortestOf(stop)) }),
    { part: 'longest stay' },
  ),
  valueField(
    'Worth (× a normal stop)',
    (_, reading) => codecOf(WISHES_FIELDS.weight, reading),
    (stop) => wishesOf(stop).weight ?? 1,
    (stop, weight) => withWishes(stop, { weight: weight === 1 ? undefined : weight }),
    { part: 'weight' },
  ),
  valueField(
    'Open',
    (_, { clock }) => hoursCodec(clock),
    (stop) => wishesOf(stop).open ?? [],
    (stop, open) => withWishes(stop, { open: open.length === 0 ? undefined : open }),
    { width: 'double', placeholder: 'always', part: 'hours' },
  ),
  {
    kind: 'choice',
    label: 'In the picture',
    width: 'double',
    part: 'people',
    choices: () => PEOPLE_CHOICES,
    read: peopleOf,
    write: (stop, people) => withWishes(stop, { people: people as PeopleWish }),
  },
  checkField(
    'One person, nobody else in it',
    (stop) => isAloneWished(stop.intent, wishesOf(stop)),
    (stop, isAlone) => withWishes(stop, { isAlone }),
    { width: 'double', part: 'people', isShown: (stop) => peopleOf(stop) === 'people' },
  ),
  valueField(
    '80 % of the value after',
    (_, reading) => optional(codecOf(WISHES_FIELDS.usefulMin, reading)),
    (stop) => wishesOf(stop).usefulMin ?? null,
    (stop, usefulMin) => withWishes(stop, { usefulMin: usefulMin ?? undefined }),
    { width: 'double', placeholder: 'by who passes', part: 'useful stay' },
  ),
];

/** What the day's plan has to keep of a stop. */
@Component({
  selector: 'rd-wishes-fields',
  imports: [DescribedForm, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="fields">
      <rd-described-form [fields]="fields" [item]="stop()" [context]="reading()" (changed)="apply($event)" />
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
  protected readonly fields = WISHED_FIELDS;
  protected readonly reading = fieldReading();

  protected apply({ change, part }: FieldChange<Stop>): void {
    this.actions.changeWishes(this.walk(), this.stop(), part, change);
  }
}
