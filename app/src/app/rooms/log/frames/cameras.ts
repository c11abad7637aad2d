import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import type { KitItem } from '@roam-dial/core/kit';
import { MINUTES_PER_DAY, walkClock } from '@roam-dial/core/light';
import { clockOfPair, type LogCamera, type LogFrame, type PlacedFrame, proposeClock, type WalkLog } from '@roam-dial/core/log';
import { wallMinuteAt } from '@roam-dial/core/outing';
import { LogActions } from '../../../state/log/log.actions';
import { type RatherOn, ratherOn } from '../../../state/log/which-walk';
import { WorkspaceStore } from '../../../state/workspace/workspace.store';
import { wordingSignal } from '../../../state/workspace/wording.store';
import { ChoiceField } from '../../../fields/choice-field';
import { ValueField } from '../../../fields/value-field';
import { clockCodec, shiftCodec } from '../../../fields/codec';
import { counted } from '../../../words/counted';
import { nameOf } from '../../../words/name';

const UNKNOWN = '';

function areTakenAlike(a: readonly PlacedFrame[], b: readonly PlacedFrame[]): boolean {
  const isAlike = (one: PlacedFrame, other: PlacedFrame): boolean =>
    one.frame === other.frame ||
    (one.stay === other.stay &&
      one.frame.id === other.frame.id &&
      one.frame.wallMs === other.frame.wallMs &&
      one.frame.position === other.frame.position &&
      one.frame.placedByHand === other.frame.placedByHand);
  return a.length === b.length && a.every((one, k) => isAlike(one, b[k] as PlacedFrame));
}

/** The cameras that the frames were taken with: which of the kit each is, and what its clock is off by. */
@Component({
  selector: 'rd-cameras',
  imports: [ChoiceField, MatButtonModule, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './cameras.html',
  styleUrl: './cameras.scss',
})
export class Cameras {
  readonly log = input.required<WalkLog>();
  readonly placed = input.required<readonly PlacedFrame[]>();
  readonly active = input<PlacedFrame | null>(null);

  protected readonly actions = inject(LogActions);
  protected readonly codec = shiftCodec();
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  protected readonly wording = wordingSignal();
  private readonly kit = computed(() => this.workspace()?.kit ?? []);
  protected readonly bodies = computed(() => this.choicesOf('body'));
  protected readonly lenses = computed(() => this.choicesOf('lens'));
  protected readonly lensLines = computed(() =>
    this.log().lenses.flatMap((lens) => {
      const own = this.files().filter(({ lensName }) => lensName === lens.name);
      const says = this.sayOf(this.lenses(), lens.lensId);
      const name = nameOf(lens, 'A lens without a name');
      return own.length === 0 ? [] : [{ lens, name, words: counted(own.length, 'frame', 'frames'), says }];
    }),
  );
  /** Of frames that cameras wrote; what is decided of them changes nothing here. */
  private readonly written = computed(() => this.placed().filter(({ frame }) => frame.source.kind === 'file'), {
    equal: areTakenAlike,
  });
  private readonly files = computed(() => this.written().map(({ frame }) => frame));
  private readonly known = computed(() => this.workspace() ?? null, {
    equal: (a, b) => a === b || (a?.walks === b?.walks && a?.outings === b?.outings),
  });
  protected readonly clock = computed(() => clockCodec(this.wording().clockStyle, (minute) => this.wording().clock(minute)));
  protected readonly lines = computed(() =>
    this.log()
      .cameras.filter(({ name }) => this.filesOf(name).length > 0)
      .map((camera) => ({
        ...this.lineOf(camera),
        name: nameOf(camera, 'A camera without a name'),
        says: this.sayOf(this.bodies(), camera.bodyId),
        rather: this.ratherOf(camera),
      })),
  );
  /** All is said, and no clock or walk is in doubt; one that the person set is not. */
  protected readonly isSaid = computed(
    () =>
      this.lines().every(
        ({ camera, says, proposal, rather }) =>
          says !== null && rather === null && (proposal === null || camera.shiftBy !== 'frames'),
      ) && this.lensLines().every(({ says }) => says !== null),
  );
  protected readonly said = computed(() => {
    const is = (says: string | null): string => (says === null || says === '' ? '' : `is ${says}`);
    const clock = (shiftS: number): string => (shiftS === 0 ? '' : `its clock ${this.codec.format(shiftS)}`);
    const joined = (...parts: readonly string[]): string => `${parts.filter((part) => part !== '').join(', ')}.`;
    return [
      ...this.lines().map(({ name, says, words, camera }) => ({ name, words: joined(is(says), words, clock(camera.shiftS)) })),
      ...this.lensLines().map(({ name, says, words }) => ({ name, words: joined(is(says) || words) })),
    ];
  });
  /** Asked for as long as something is open when a log comes up, or gets another camera; not closed while one answers. */
  protected readonly isOpen = linkedSignal({
    source: () => `${this.log().id}/${this.lines().length}/${this.lensLines().length}`,
    computation: () => !untracked(this.isSaid),
  });

  private choicesOf(kind: KitItem['kind']): readonly { readonly value: string; readonly label: string }[] {
    const own = this.kit().filter((item) => item.kind === kind);
    return [{ value: UNKNOWN, label: 'not said yet' }, ...own.map(({ id, name }) => ({ value: id, label: name }))];
  }

  /** Frames that a camera wrote itself: film has no clock to be put right. */
  private filesOf(cameraName: string): readonly LogFrame[] {
    return this.files().filter(({ bodyName }) => bodyName === cameraName);
  }

  /** What of the kit it was said to be: null as long as it is asked, and nothing to be asked where the kit has none. */
  private sayOf(choices: readonly { readonly value: string; readonly label: string }[], id: string | null): string | null {
    const said = id === null ? undefined : choices.find(({ value }) => value === id)?.label;
    return said ?? (choices.length > 1 ? null : '');
  }

  /** Where frames of a camera rather belong, in words. */
  private ratherOf({ name }: LogCamera): { readonly on: RatherOn; readonly name: string; readonly words: string } | null {
    const known = this.known();
    const on = known === null ? null : ratherOn(known, this.log(), this.written(), name);
    if (on === null) return null;
    const walkName = `${nameOf(on.walk, 'Unnamed walk')}, ${this.wording().day(on.walk.day)} ${on.walk.day.slice(0, 4)}`;
    const those = on.inStays === on.of ? 'They all lie' : `${on.inStays} of ${on.of} lie`;
    return { on, name: walkName, words: `${those} in the stays of ${walkName}.` };
  }

  /** One frame whose time is known puts all of its camera right. */
  protected takenAt(cameraName: string, minute: number): void {
    const [log, active] = [this.log(), this.active()];
    const clock = walkClock(log.day, log.timeZone);
    if (active === null || clock === null) return;
    // A time of day says no day: that of the two days of the walk which is nearer to what the camera says.
    const nearMs = active.atMs ?? clock.msAt(minute);
    const apartMs = (ms: number): number => Math.abs(ms - nearMs);
    const [onDay, after] = [clock.msAt(minute), minute < MINUTES_PER_DAY / 2 ? clock.msAt(minute + MINUTES_PER_DAY) : Infinity];
    const shiftS = clockOfPair(log, active.frame, apartMs(after) < apartMs(onDay) ? after : onDay);
    if (shiftS !== null) this.actions.setClock(log, cameraName, shiftS, 'pair');
  }

  /** What the wall showed when the chosen frame was taken, if it is this camera's. */
  protected takenMinOf({ name }: LogCamera): number | null {
    const [log, active] = [this.log(), this.active()];
    if (active === null || active.atMs === null || active.frame.bodyName !== name) return null;
    const minute = Math.floor(wallMinuteAt(log.day, log.timeZone, active.atMs));
    return ((minute % MINUTES_PER_DAY) + MINUTES_PER_DAY) % MINUTES_PER_DAY;
  }

  private lineOf(camera: LogCamera) {
    const own = this.filesOf(camera.name);
    const proposal = proposeClock(this.log(), own);
    const count = counted(own.length, 'frame', 'frames');
    if (proposal === null) {
      const hasTimes = own.some(({ wallMs }) => wallMs !== null);
      const why = hasTimes ? 'this walk has no stops yet to match them to' : 'none of them with a time';
      return { camera, words: `${count}, ${why}`, proposal: null };
    }
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
