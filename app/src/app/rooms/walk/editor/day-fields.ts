import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type LampsOut, overMidnight } from '@roam-dial/core/stop';
import { dayOutOf, type LastRide, type Pause, PAUSE_FIELDS, type Walk } from '@roam-dial/core/walk';
import { DayActions } from '../../../state/plan/day.actions';
import { WalkActions } from '../../../state/walk/walk.actions';
import { DescribedForm, type FieldChange } from '../../../fields/described-form';
import { checkField, type FieldSpec, numberField, textField, valueField, within } from '../../../fields/field-spec';
import { endOfWalkCodec, optional, placeCodec, restricted, walkClockCodec } from '../../../fields/codec';
import { fieldReading } from '../../../shared/field-reading';
import { LAMPS_OUT_ROWS, NEW_LAMPS_OUT } from './lamps-out-fields';

/** A meal and a rest as they are when nobody has said more. */
const NEW_PAUSES: Readonly<Record<'meal' | 'rest', Omit<Pause, 'id'>>> = {
  meal: { name: 'Lunch', stayMin: 45, fromMin: 690, toMin: 840, position: null, atMin: null },
  rest: { name: 'Rest', stayMin: 20, fromMin: 900, toMin: 1020, position: null, atMin: null },
};

const NEW_LAST_RIDE: LastRide = { name: 'Last tram', atMin: 1492, position: null };

const ofRide = (fields: readonly FieldSpec<LastRide>[]): readonly FieldSpec<Walk>[] =>
  within<Walk, LastRide>(
    ({ lastRide }) => lastRide ?? null,
    (walk, lastRide) => ({ ...walk, lastRide }),
    fields,
    'last ride',
  );

/** When and where the day begins and ends, and until when the town is lit. */
const OUT_FIELDS: readonly FieldSpec<Walk>[] = [
  valueField(
    'Out at the earliest',
    (walk, { clock }) => restricted(walkClockCodec(clock), (minute) => minute < dayOutOf(walk).toMin, 'has to be before the end'),
    (walk) => dayOutOf(walk).fromMin,
    (walk, fromMin) => ({ ...walk, dayOut: { ...dayOutOf(walk), fromMin } }),
    { part: 'hours' },
  ),
  valueField(
    'Home at the latest',
    (walk, { clock }) =>
      restricted(
        endOfWalkCodec(clock, dayOutOf(walk).fromMin),
        (minute) => minute > dayOutOf(walk).fromMin,
        'has to be after the start, and before noon of the next day',
      ),
    (walk) => dayOutOf(walk).toMin,
    (walk, toMin) => ({ ...walk, dayOut: { ...dayOutOf(walk), toMin } }),
    { part: 'hours' },
  ),
  valueField(
    'Starts at',
    () => optional(placeCodec()),
    ({ startsAt = null }) => startsAt,
    (walk, startsAt) => ({ ...walk, startsAt }),
    { width: 'double', placeholder: 'the first stop', part: 'start' },
  ),
  valueField(
    'Ends at',
    () => optional(placeCodec()),
    ({ endsAt = null }) => endsAt,
    (walk, endsAt) => ({ ...walk, endsAt }),
    { width: 'double', placeholder: 'the last stop', part: 'end' },
  ),
  checkField<Walk>(
    'There is a last ride home to catch',
    ({ lastRide }) => lastRide !== undefined,
    ({ lastRide: _, ...walk }, has) => (has ? { ...walk, lastRide: NEW_LAST_RIDE } : walk),
    { width: 'wide', part: 'last ride' },
  ),
  ...ofRide([textField('name', 'Last ride')]),
  valueField(
    'goes at',
    (walk, { clock }) => endOfWalkCodec(clock, dayOutOf(walk).fromMin),
    ({ lastRide }) => lastRide?.atMin ?? NEW_LAST_RIDE.atMin,
    (walk, atMin) => ({ ...walk, lastRide: { ...(walk.lastRide ?? NEW_LAST_RIDE), atMin } }),
    { isShown: ({ lastRide }) => lastRide !== undefined, part: 'last ride' },
  ),
  ...ofRide([
    valueField(
      'from',
      () => optional(placeCodec()),
      ({ position }) => position,
      (ride, position) => ({ ...ride, position }),
      { width: 'double', placeholder: 'where the day ends' },
    ),
  ]),
  checkField<Walk>(
    'The town’s street lamps are dimmed or off at night',
    ({ lampsOut }) => lampsOut !== undefined,
    ({ lampsOut: _, ...walk }, has) => (has ? { ...walk, lampsOut: NEW_LAMPS_OUT } : walk),
    { width: 'wide', part: 'street lamps' },
  ),
  ...within<Walk, LampsOut>(
    ({ lampsOut }) => lampsOut ?? null,
    (walk, lampsOut) => ({ ...walk, lampsOut }),
    LAMPS_OUT_ROWS,
    'street lamps',
  ),
];

/** Of a meal or a rest; of its two ends the other gives way, so that they never cross. */
const PAUSE_FORM: readonly FieldSpec<Pause>[] = [
  textField('name', 'What', { part: 'name' }),
  numberField('stayMin', 'For', PAUSE_FIELDS.stayMin, { part: 'stayMin' }),
  valueField(
    'Not before',
    (_, { clock }) => walkClockCodec(clock),
    ({ fromMin }) => fromMin,
    (pause, fromMin) => ({ ...pause, fromMin, toMin: Math.max(fromMin, overMidnight(pause).toMin) }),
    { part: 'fromMin' },
  ),
  valueField(
    'Not after',
    ({ fromMin }, { clock }) => walkClockCodec(clock, fromMin),
    (pause) => overMidnight(pause).toMin,
    (pause, toMin) => ({ ...pause, toMin, fromMin: Math.min(toMin, pause.fromMin) }),
    { part: 'toMin' },
  ),
  valueField(
    'Where',
    () => optional(placeCodec()),
    ({ position }) => position,
    (pause, position) => ({ ...pause, position }),
    { width: 'double', placeholder: 'anywhere on the way', part: 'position' },
  ),
];

/** When and where the day begins and ends, and what else it has to have room for. */
@Component({
  selector: 'rd-day-fields',
  imports: [DescribedForm, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="fields">
      <rd-described-form [fields]="outFields" [item]="walk()" [context]="reading()" (changed)="apply($event)" />
      @for (pause of walk().pauses ?? []; track pause.id) {
        <div class="wide pause" role="group" [attr.aria-label]="pause.name">
          <rd-described-form [fields]="pauseFields" [item]="pause" [context]="reading()" (changed)="applyTo(pause, $event)" />
          <button mat-button type="button" [attr.aria-label]="'Remove ' + pause.name" (click)="actions.removePause(walk(), pause)">
            Remove
          </button>
        </div>
      }
      <p class="wide">
        <button mat-stroked-button type="button" (click)="actions.addPause(walk(), meal)">Add a meal</button>
        <button mat-button type="button" (click)="actions.addPause(walk(), rest)">Add a rest</button>
      </p>
    </div>
  `,
  styleUrl: './editor.scss',
  styles: `
    :host {
      padding: 0;
    }
    .pause {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(110px, 1fr));
      gap: var(--space-2) var(--space-4);
      align-items: start;
    }
  `,
})
export class DayFields {
  readonly walk = input.required<Walk>();

  protected readonly actions = inject(DayActions);
  private readonly walkActions = inject(WalkActions);
  protected readonly reading = fieldReading();
  protected readonly outFields = OUT_FIELDS;
  protected readonly pauseFields = PAUSE_FORM;
  protected readonly meal = NEW_PAUSES.meal;
  protected readonly rest = NEW_PAUSES.rest;

  protected apply({ change, part }: FieldChange<Walk>): void {
    if (part === 'hours') this.walkActions.adjust(this.walk(), part, change);
    else this.walkActions.change(this.walk(), part, change);
  }

  protected applyTo(pause: Pause, { change, part }: FieldChange<Pause>): void {
    this.actions.changePause(this.walk(), pause, part, change);
  }
}
