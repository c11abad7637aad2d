import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import {
  clockOfPair,
  dayClock,
  type KitItem,
  type LogCamera,
  type LogFrame,
  MINUTES_PER_DAY,
  type PlacedFrame,
  proposeClock,
  type WalkLog,
  wallMinuteAt,
} from '@roam-dial/core';
import { LogActions } from '../../state/actions/log.actions';
import { WorkspaceStore } from '../../state/workspace.store';
import { wordingSignal } from '../../state/wording.store';
import { ChoiceField } from '../../ui/choice-field';
import { ValueField } from '../../ui/value-field';
import { clockCodec, shiftCodec } from '../../wording/codec';
import { counted } from '../../wording/counted';

const UNKNOWN = '';

/** The cameras that the frames were taken with: which of the kit each is, and what its clock is off by. */
@Component({
  selector: 'rd-cameras',
  imports: [ChoiceField, MatButtonModule, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (line of lines(); track line.camera.name) {
      <div class="camera">
        <p>
          <strong>{{ line.camera.name || 'A camera without a name' }}</strong>
          <span class="soft of">{{ line.words }}</span>
        </p>
        <rd-choice-field
          label="Which body of yours"
          [value]="line.camera.bodyId ?? ''"
          [choices]="bodies()"
          (changed)="actions.setBody(log(), line.camera.name, $event === '' ? null : $event)"
        />
        <rd-value-field
          label="Its clock needs"
          [value]="line.camera.shiftS"
          [codec]="codec"
          (changed)="actions.setClock(log(), line.camera.name, $event, 'typed')"
        />
        @if (line.takenMin !== null) {
          <rd-value-field
            label="This frame was taken at"
            [value]="line.takenMin"
            [codec]="clock()"
            (changed)="takenAt(line.camera.name, $event)"
          />
        }
        @if (line.proposal !== null) {
          <button mat-button type="button" (click)="actions.setClock(log(), line.camera.name, line.proposal.shiftS, 'frames')">
            {{ line.proposal.words }}
          </button>
        }
      </div>
    }
    @for (line of lensLines(); track line.lens.name) {
      <div class="camera lens">
        <p>
          <strong>{{ line.lens.name || 'A lens without a name' }}</strong>
          <span class="soft of">{{ line.words }}</span>
        </p>
        <rd-choice-field
          label="Which lens of yours"
          [value]="line.lens.lensId ?? ''"
          [choices]="lenses()"
          (changed)="actions.setLens(log(), line.lens.name, $event === '' ? null : $event)"
        />
      </div>
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
    .camera {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 140px 112px 168px;
      gap: 0 var(--space-3);
      align-items: center;
      font-size: var(--text-small);
    }
    .camera > button {
      grid-column: 1 / -1;
      justify-self: end;
    }
    @include phone.below {
      .camera {
        grid-template-columns: 1fr 1fr;
        p {
          grid-column: 1 / -1;
        }
      }
    }
  `,
})
export class Cameras {
  readonly log = input.required<WalkLog>();
  readonly frames = input.required<readonly LogFrame[]>();
  readonly active = input<PlacedFrame | null>(null);

  protected readonly actions = inject(LogActions);
  protected readonly codec = shiftCodec();
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  protected readonly wording = wordingSignal();
  protected readonly bodies = computed(() => this.choicesOf('body'));
  protected readonly lenses = computed(() => this.choicesOf('lens'));
  protected readonly lensLines = computed(() =>
    this.log().lenses.flatMap((lens) => {
      const own = this.frames().filter(({ lensName, source }) => lensName === lens.name && source.kind === 'file');
      return own.length === 0 ? [] : [{ lens, words: counted(own.length, 'frame', 'frames') }];
    }),
  );
  protected readonly clock = computed(() => clockCodec(this.wording().clockStyle, (minute) => this.wording().clock(minute)));
  protected readonly lines = computed(() =>
    this.log()
      .cameras.filter(({ name }) => this.filesOf(name).length > 0)
      .map((camera) => ({ ...this.lineOf(camera), takenMin: this.takenMinOf(camera) })),
  );

  private choicesOf(kind: KitItem['kind']): readonly { readonly value: string; readonly label: string }[] {
    const own = (this.workspace()?.kit ?? []).filter((item) => item.kind === kind);
    return [{ value: UNKNOWN, label: 'not said yet' }, ...own.map(({ id, name }) => ({ value: id, label: name }))];
  }

  /** Frames that a camera wrote itself: film has no clock to be put right. */
  private filesOf(cameraName: string): readonly LogFrame[] {
    return this.frames().filter(({ bodyName, source }) => bodyName === cameraName && source.kind === 'file');
  }

  /** One frame whose time is known puts all of its camera right. */
  protected takenAt(cameraName: string, minute: number): void {
    const [log, active] = [this.log(), this.active()];
    const reallyMs = dayClock(log.day, log.timeZone)?.msAt(minute);
    const shiftS = active === null || reallyMs === undefined ? null : clockOfPair(log, active.frame, reallyMs);
    if (shiftS !== null) this.actions.setClock(log, cameraName, shiftS, 'pair');
  }

  /** What the wall showed when the chosen frame was taken, if it is this camera's. */
  private takenMinOf({ name }: LogCamera): number | null {
    const [log, active] = [this.log(), this.active()];
    if (active === null || active.atMs === null || active.frame.bodyName !== name) return null;
    const minute = Math.floor(wallMinuteAt(log.day, log.timeZone, active.atMs));
    return ((minute % MINUTES_PER_DAY) + MINUTES_PER_DAY) % MINUTES_PER_DAY;
  }

  private lineOf(camera: LogCamera) {
    const own = this.filesOf(camera.name);
    const proposal = proposeClock(this.log(), own);
    const count = counted(own.length, 'frame', 'frames');
    if (proposal === null) return { camera, words: `${count}, none of them with a time`, proposal: null };
    const differs = Math.abs(proposal.shiftS - camera.shiftS) >= 1;
    const inStays = differs ? '' : `, ${proposal.inStays} of them in stays of the walk`;
    return {
      camera,
      words: `${count}${inStays}`,
      proposal: differs
        ? {
            shiftS: proposal.shiftS,
            words: `${this.codec.format(proposal.shiftS)} puts ${proposal.inStays} of ${proposal.frames} into stays`,
          }
        : null,
    };
  }
}
