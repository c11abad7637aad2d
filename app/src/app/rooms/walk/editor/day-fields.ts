import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { DEFAULT_SETTINGS, FIELD_RANGES } from '@roam-dial/core/formats/archive';
import type { Place } from '@roam-dial/core/light';
import type { HoursSpan } from '@roam-dial/core/stop';
import { DAY_OUT, type Pause, type Walk } from '@roam-dial/core/walk';
import { DayActions } from '../../../state/plan/day.actions';
import { WalkActions } from '../../../state/walk/walk.actions';
import { wordingSignal } from '../../../state/workspace/wording.store';
import { WorkspaceStore } from '../../../state/workspace/workspace.store';
import { TextField } from '../../../fields/text-field';
import { ValueField } from '../../../fields/value-field';
import { clockCodec, numberCodec, optional, placeCodec, restricted } from '../../../fields/codec';

/** A meal and a rest as they are when nobody has said more. */
const NEW_PAUSES: Readonly<Record<'meal' | 'rest', Omit<Pause, 'id'>>> = {
  meal: { name: 'Lunch', stayMin: 45, fromMin: 690, toMin: 840, position: null, atMin: null },
  rest: { name: 'Rest', stayMin: 20, fromMin: 900, toMin: 1020, position: null, atMin: null },
};

/** When and where the day begins and ends, and what else it has to have room for. */
@Component({
  selector: 'rd-day-fields',
  imports: [MatButtonModule, TextField, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="fields">
      <rd-value-field
        label="Out at the earliest"
        [value]="out().fromMin"
        [codec]="start()"
        (changed)="setOut({ fromMin: $event })"
      />
      <rd-value-field label="Home at the latest" [value]="out().toMin" [codec]="end()" (changed)="setOut({ toMin: $event })" />
      <rd-value-field
        class="double"
        label="Starts at"
        placeholder="the first stop"
        [value]="walk().startsAt ?? null"
        [codec]="place"
        (changed)="set('start', { startsAt: $event })"
      />
      <rd-value-field
        class="double"
        label="Ends at"
        placeholder="the last stop"
        [value]="walk().endsAt ?? null"
        [codec]="place"
        (changed)="set('end', { endsAt: $event })"
      />
      @for (pause of walk().pauses ?? []; track pause.id) {
        <div class="wide pause" role="group" [attr.aria-label]="pause.name">
          <rd-text-field label="What" [value]="pause.name" (changed)="actions.changePause(walk(), pause, { name: $event })" />
          <rd-value-field
            label="For"
            [value]="pause.stayMin"
            [codec]="minutes"
            (changed)="actions.changePause(walk(), pause, { stayMin: $event })"
          />
          <rd-value-field label="Not before" [value]="pause.fromMin" [codec]="clock()" (changed)="setFrom(pause, $event)" />
          <rd-value-field label="Not after" [value]="pause.toMin" [codec]="clock()" (changed)="setTo(pause, $event)" />
          <rd-value-field
            class="double"
            label="Where"
            placeholder="anywhere on the way"
            [value]="pause.position"
            [codec]="place"
            (changed)="setPlace(pause, $event)"
          />
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
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly wording = wordingSignal();

  protected readonly meal = NEW_PAUSES.meal;
  protected readonly rest = NEW_PAUSES.rest;
  protected readonly place = optional(placeCodec());
  protected readonly minutes = numberCodec({ ...FIELD_RANGES.pauseMin, decimals: 0, step: 5, unit: 'min' });
  protected readonly clock = computed(() => {
    const wording = this.wording();
    return clockCodec((this.workspace()?.settings ?? DEFAULT_SETTINGS).clock, (minute) => wording.clock(minute));
  });
  protected readonly out = computed(() => this.walk().dayOut ?? DAY_OUT);
  protected readonly start = computed(() =>
    restricted(this.clock(), (minute) => minute < this.out().toMin, 'has to be before the end'),
  );
  protected readonly end = computed(() =>
    restricted(this.clock(), (minute) => minute > this.out().fromMin, 'has to be after the start'),
  );

  protected set(part: string, change: Partial<Walk>): void {
    this.walkActions.change(this.walk(), part, (walk) => ({ ...walk, ...change }));
  }

  protected setOut(change: Partial<HoursSpan>): void {
    const dayOut = { ...this.out(), ...change };
    this.walkActions.adjust(this.walk(), 'hours', (walk) => ({ ...walk, dayOut }));
  }

  protected setFrom(pause: Pause, fromMin: number): void {
    this.actions.changePause(this.walk(), pause, { fromMin, toMin: Math.max(fromMin, pause.toMin) });
  }

  protected setTo(pause: Pause, toMin: number): void {
    this.actions.changePause(this.walk(), pause, { toMin, fromMin: Math.min(toMin, pause.fromMin) });
  }

  protected setPlace(pause: Pause, position: Place | null): void {
    this.actions.changePause(this.walk(), pause, { position });
  }
}
