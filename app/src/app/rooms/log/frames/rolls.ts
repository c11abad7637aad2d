import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import {
  frameCounter,
  framesOfRoll,
  type LogFrame,
  type LogRoll,
  MOST_ROLL_FRAMES,
  type PlacedFrame,
  ROLL_PUSHES,
  type WalkLog,
} from '@roam-dial/core/log';
import { FilmActions } from '../../../state/outing/film.actions';
import { WorkspaceStore } from '../../../state/workspace/workspace.store';
import { ChoiceField } from '../../../fields/choice-field';
import { ValueField } from '../../../fields/value-field';
import { entryCodec, numberCodec } from '../../../fields/codec';
import { pushWords } from '../../../words/set-up/film';
import { BETWEEN } from '../sheet-rows';

const NONE = '';

/** The rolls of a walk: what each is, frames written down afterwards, and scans that lie one frame off. */
@Component({
  selector: 'rd-rolls',
  imports: [ChoiceField, MatButtonModule, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (line of lines(); track line.roll.id) {
      <div class="roll" role="group" [attr.aria-label]="'Roll of ' + line.body">
        <p>
          <strong>{{ line.body }}</strong>
          <span class="soft of">{{ line.words }}</span>
        </p>
        <div class="does">
          <button mat-stroked-button type="button" [disabled]="line.next > line.roll.frames" (click)="write(line.roll)">
            Add frame {{ line.next }}
          </button>
          @if (line.scans > 0) {
            <button mat-button type="button" (click)="shift(line.roll, 1)">Scans one on</button>
            <button mat-button type="button" (click)="shift(line.roll, -1)">Scans one back</button>
          }
        </div>
        <div class="fields">
          <rd-choice-field
            label="Film"
            [value]="line.roll.filmId ?? ''"
            [choices]="films()"
            (changed)="actions.changeRoll(log(), line.roll, 'the film', { filmId: $event === '' ? null : $event })"
          />
          <rd-value-field
            label="Exposed as"
            [value]="line.roll.exposureIndex"
            [codec]="isoCodec"
            (changed)="actions.changeRoll(log(), line.roll, 'the index', { exposureIndex: $event })"
          />
          <rd-choice-field
            label="Developed"
            [value]="line.push"
            [choices]="pushes"
            (changed)="actions.changeRoll(log(), line.roll, 'the push', { pushStops: toNumber($event) })"
          />
          <rd-value-field
            label="Frames"
            [value]="line.roll.frames"
            [codec]="framesCodec"
            (changed)="actions.changeRoll(log(), line.roll, 'the length', { frames: $event })"
          />
          <rd-choice-field label="Next one at" [value]="at()" [choices]="stops()" (changed)="chosen.set($event)" />
        </div>
      </div>
    }
    @if (told() !== '') {
      <p class="soft" role="status">{{ told() }}</p>
    }
  `,
  styles: `
    @use 'phone';
    :host {
      display: block;
    }
    .of {
      margin-left: var(--space-2);
    }
    .roll {
      display: flex;
      flex-wrap: wrap;
      gap: 0 var(--space-3);
      align-items: center;
      font-size: var(--text-small);
    }
    .roll > p {
      flex: 1;
      min-width: 200px;
    }
    .fields {
      flex-basis: 100%;
      display: grid;
      grid-template-columns: 2fr 1fr 2fr 1fr 2fr;
      gap: 0 var(--space-3);
    }
    @include phone.below {
      .fields {
        grid-template-columns: 1fr 1fr;
      }
      .does {
        display: flex;
        flex-wrap: wrap;
        width: 100%;
      }
      .does button {
        min-height: 48px;
      }
    }
  `,
})
export class Rolls {
  readonly log = input.required<WalkLog>();
  readonly frames = input.required<readonly LogFrame[]>();
  readonly active = input<PlacedFrame | null>(null);
  /** The frame that was written down. */
  readonly written = output<string>();

  protected readonly actions = inject(FilmActions);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  protected readonly isoCodec = entryCodec({ kind: 'iso', step: 'third' }, { low: 1, high: 102_400 });
  protected readonly framesCodec = numberCodec({ low: 1, high: MOST_ROLL_FRAMES, decimals: 0 });
  protected readonly pushes = ROLL_PUSHES.map((stops) => ({ value: String(stops), label: pushWords(stops) }));
  protected readonly chosen = signal<string | null>(null);
  protected readonly told = signal('');
  protected readonly toNumber = Number;

  protected readonly films = computed(() => [
    { value: NONE, label: 'not said' },
    ...(this.workspace()?.kit ?? []).flatMap((item) => (item.kind === 'film' ? [{ value: item.id, label: item.name }] : [])),
  ]);
  protected readonly stops = computed(() => {
    const stops = new Map(this.log().stays.map(({ stopId, name }) => [stopId, name || 'Unnamed stop']));
    return [...[...stops].map(([value, label]) => ({ value, label })), { value: NONE, label: BETWEEN }];
  });
  /** Where the next frame goes: as chosen, else where the frame in hand is. */
  protected readonly at = computed(() => this.chosen() ?? this.active()?.stay?.stopId ?? this.log().stays[0]?.stopId ?? NONE);
  protected readonly lines = computed(() =>
    this.log().rolls.map((roll) => {
      const own = framesOfRoll(this.frames(), roll.id);
      const scans = own.filter(({ source }) => source.scan !== null).length;
      const body = this.workspace()?.kit.find(({ id }) => id === roll.bodyId)?.name;
      return {
        roll,
        scans,
        body: body || 'A roll of film',
        next: frameCounter(this.workspace()?.frames ?? [], roll.id),
        push: String(roll.pushStops),
        words: own.length === 0 ? 'no frame yet' : `${own.length} of ${roll.frames} here, ${scans} scanned`,
      };
    }),
  );

  protected async write(roll: LogRoll): Promise<void> {
    const at = this.at();
    this.written.emit(await this.actions.write(this.log(), roll, at === NONE ? null : at));
  }

  protected async shift({ id }: LogRoll, by: 1 | -1): Promise<void> {
    const isDone = await this.actions.shiftScans(id, by);
    this.told.set(isDone ? '' : `The ${by === 1 ? 'last' : 'first'} frame has a scan already: there is no room to put them on.`);
  }
}
