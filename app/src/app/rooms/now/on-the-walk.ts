import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { Body } from '@roam-dial/core/kit';
import { LAST_WALK_MINUTE } from '@roam-dial/core/light';
import { pictureLightAt, type Stop } from '@roam-dial/core/stop';
import { OutingActions } from '../../state/outing/outing.actions';
import { DevicePositionStore } from '../../state/device/device-position';
import { WakeLock } from './wake-lock';
import { wordingSignal } from '../../state/workspace/wording.store';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import { nameOf } from '../../words/name';
import { MISS_CHOICES, NOTE_WORDS } from '../../words/walk/outing';
import { pictureLightWords } from '../../words/windows';
import { cardRows } from '../../shared/card/card-rows';
import { CardSight } from '../../shared/card/card-sight';
import { chanceSentence, inFocusWords } from '../../shared/card/sentences';
import { ladderLines, nextStep } from '../../shared/card/ladder-lines';
import { SpotLight } from '../../shared/card/spot-light';
import { FileActions } from '../../shared/files/file-actions';
import { ComeBack } from './come-back';
import { FieldChecks } from './field-checks';
import { FilmFrame } from './film-frame';
import { NowState } from './now-state';
import { aheadWords, careWords, rideWords, waitWords, wayWords } from './now-words';
import { RehearsalBar } from './rehearsal-bar';
import { RestPanel } from './rest-panel';
import { WalkSummary } from './walk-summary';
import { timeOn } from '../../words/walk/times';

type Asking = 'nothing' | 'missed' | 'note' | 'comeBack' | 'film' | 'other';

/** So long before one has to go to the last ride it is said aloud (s). */
const PRESSING_MIN = 15;

/** Where one is in the walk, what to set, how long the light lasts, when to go on, and one thumb's worth of buttons. */
@Component({
  selector: 'rd-on-the-walk',
  imports: [
    CardSight,
    ComeBack,
    WalkSummary,
    FieldChecks,
    FilmFrame,
    MatButtonModule,
    RehearsalBar,
    RestPanel,
    RouterLink,
    SpotLight,
  ],
  providers: [NowState],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './on-the-walk.html',
  styleUrl: './on-the-walk.scss',
})
export class OnTheWalk {
  protected readonly state = inject(NowState);
  protected readonly actions = inject(OutingActions);
  private readonly store = inject(WorkspaceStore);
  private readonly position = inject(DevicePositionStore);
  private readonly files = inject(FileActions);
  private readonly wakeLock = inject(WakeLock);
  protected readonly wording = wordingSignal();

  protected readonly asking = signal<Asking>('nothing');
  protected readonly missChoices = MISS_CHOICES;
  protected readonly noteWords = NOTE_WORDS;
  protected readonly undoLabel = computed(() => this.history().undo);
  private readonly workspace = toSignal(this.store.workspace$);
  private readonly history = toSignal(this.store.history$, { initialValue: { undo: null, redo: null } });
  protected readonly device = toSignal(this.position.position$, { initialValue: { kind: 'off' } as const });
  protected readonly isAwake = toSignal(this.wakeLock.isHeld$, { initialValue: false });

  protected readonly view = computed(() => {
    const [now, wording] = [this.state.now(), this.wording()];
    if (now === null) return null;
    const { walk, today, standing, outing } = now;
    const stop = this.state.stop();
    const left = this.state.left();
    return {
      walk,
      standing,
      outing,
      stop,
      name: stop === null ? '' : nameOf(stop),
      clock: wording.clock(this.state.minute()),
      isOffDay: now.minute < 0 || now.minute > LAST_WALK_MINUTE,
      place: stop === null ? '' : `${today.indexOf(stop) + 1} of ${today.length}`,
      isGot: standing.kind === 'there' && standing.isGot,
      way: standing.kind === 'onTheWay' && left !== null ? wayWords(left, now.minute, wording) : '',
      next: this.nextWords(),
      running: now,
      isRehearsal: outing.clock.kind === 'simulated',
    };
  });

  protected readonly light = computed(() => {
    const [stop, day, leaveBy] = [this.state.stop(), this.state.day(), this.state.leaveBy()];
    if (stop === null) return null;
    const wording = this.wording();
    return {
      left:
        day === null
          ? 'Its light is being measured'
          : pictureLightWords(pictureLightAt(day, this.state.cardMinute()), this.state.cardMinute(), wording),
      leave: leaveBy === null ? '' : `Leave by ${wording.clock(Math.min(LAST_WALK_MINUTE, leaveBy))}`,
    };
  });

  protected readonly ride = computed(() => {
    const [ride, now] = [this.state.ride(), this.state.now()];
    if (ride === null || now === null) return null;
    return { words: rideWords(ride, now.minute, this.wording()), isPressing: now.minute >= ride.leaveByMin - PRESSING_MIN };
  });

  protected readonly isOnFilm = computed(() => this.state.card()?.kit.body.medium === 'film');
  /** The body that film is exposed in: the walk's own, or another one in the bag. */
  protected readonly filmBody = computed<Body | null>(() => {
    const own = this.state.card()?.kit.body;
    if (own?.medium === 'film') return own;
    const kit = this.workspace()?.kit ?? [];
    return kit.find((item): item is Body => item.kind === 'body' && item.medium === 'film' && item.inBag) ?? null;
  });

  protected readonly set = computed(() => {
    const [card, wording] = [this.state.card(), this.wording()];
    if (card === null) return null;
    const finding = this.state.finding();
    const lines = finding === null ? [] : ladderLines(finding.card, finding.answer, wording);
    return {
      rows: cardRows(card, wording),
      chance: `${chanceSentence(card)}.`,
      inFocus: inFocusWords(card, wording),
      step: nextStep(lines),
      ahead: aheadWords(this.state.ahead(), card, wording),
      care: careWords(card, this.state.standing()?.kind === 'onTheWay'),
      isFor: this.state.standing()?.kind === 'onTheWay' ? `For ${wording.clock(this.state.cardMinute())}:` : '',
    };
  });
  protected readonly wait = computed(() => {
    const wait = this.state.wait();
    return wait === null ? null : waitWords(wait, this.wording());
  });

  private nextWords(): string {
    const [now, left] = [this.state.now(), this.state.left()];
    if (now?.next == null) return '';
    const { walk: on, next, standing } = now;
    const at = timeOn(on, next.arriveMin, this.wording());
    const walk = standing.kind === 'there' && left?.way.to === next ? `, ${left.way.walkMin} min on foot` : '';
    return `Then ${nameOf(next)} at ${at}${walk}`;
  }

  protected ask(what: Asking): void {
    this.asking.update((now) => (now === what ? 'nothing' : what));
  }

  protected done(): void {
    this.asking.set('nothing');
  }

  protected note(stop: Stop, text: string): void {
    if (text.trim() === '') return;
    void this.actions.note(stop, text.trim());
    this.done();
  }

  protected async savePicture(): Promise<void> {
    try {
      await this.files.savePicture();
    } catch (error) {
      this.store.notify(error instanceof Error ? error.message : String(error));
    }
  }

  protected undo(): void {
    this.store.undo();
  }

  protected turnPosition(isOn: boolean): void {
    this.position.turn(isOn);
  }
}
