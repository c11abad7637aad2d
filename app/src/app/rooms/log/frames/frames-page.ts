import { minuteAt } from '@roam-dial/core/outing';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import type { Body, Film } from '@roam-dial/core/kit';
import { type FrameMeant, frameMeant, NOT_PLANNED, type PlacedFrame, type Verdict } from '@roam-dial/core/log';
import { FilmActions } from '../../../state/outing/film.actions';
import { LogActions } from '../../../state/log/log.actions';
import { FramesReading } from '../../../state/log/frames-reading';
import { LogStore } from '../../../state/log/log.store';
import { phoneLayout } from '../../../state/device/phone-layout';
import { WorkspaceStore } from '../../../state/workspace/workspace.store';
import { wordingSignal } from '../../../state/workspace/wording.store';
import { ChoiceField } from '../../../fields/choice-field';
import { readWords } from '../../../words/log';
import { Cameras } from './cameras';
import { ContactSheet, type Judged, type MovedFrames } from './contact-sheet';
import { FrameFiles } from './frame-files';
import { FrameDetail, type ShownSubject } from './frame-detail';
import { Rolls } from './rolls';
import { BETWEEN, sheetGroups } from '../sheet-rows';

const MOST_LINES_SHOWN = 5;
/** Between the stops, as a choice. */
const NOWHERE = '';

/** The frames of the walk: read from files, put to its stops, and gone through. */
@Component({
  selector: 'rd-frames-page',
  imports: [Cameras, ChoiceField, ContactSheet, FrameDetail, FrameFiles, MatButtonModule, MatProgressBarModule, Rolls],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './frames-page.html',
  styleUrl: './frames-page.scss',
})
export class FramesPage {
  protected readonly actions = inject(LogActions);
  protected readonly film = inject(FilmActions);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly reader = inject(FramesReading);
  private readonly logs = inject(LogStore);
  private readonly walked = toSignal(this.logs.log$);
  protected readonly reading = toSignal(this.reader.state$);
  protected readonly wording = wordingSignal();
  protected readonly isPhone = phoneLayout();
  protected readonly activeId = signal<string | null>(null);
  protected readonly chosen = signal<ReadonlySet<string>>(new Set());

  protected readonly walk = computed(() => this.walked()?.walk ?? null);
  protected readonly log = computed(() => this.walked()?.log ?? null);
  protected readonly filmBody = computed(
    () => this.workspace()?.kit.find((item): item is Body => item.kind === 'body' && item.medium === 'film') ?? null,
  );
  /** Every time of which there is something, and the one on screen, where that is not the walk's own day alone. */
  protected readonly times = computed(() => {
    const filled = new Set(this.workspace()?.frames.map(({ logId }) => logId));
    const logs = (this.walked()?.logs ?? []).filter(({ id, rolls }) => filled.has(id) || rolls.length > 0 || id === this.log()?.id);
    const isOwnDay = logs.length === 1 && logs[0]?.day === this.walk()?.day;
    return isOwnDay ? [] : logs.map(({ id, day }) => ({ value: id, label: this.wording().day(day) }));
  });
  protected readonly placed = computed(() => this.walked()?.placed ?? []);
  protected readonly frames = computed(() => this.placed().map(({ frame }) => frame));
  protected readonly groups = computed(() => {
    const log = this.log();
    return log === null ? [] : sheetGroups(log, this.placed());
  });
  protected readonly places = computed(() => [
    ...new Map(this.log()?.stays.map(({ stopId, name }) => [stopId, { value: stopId, label: name || 'Unnamed stop' }])).values(),
    { value: NOWHERE, label: BETWEEN },
  ]);
  protected readonly active = computed(() => this.placed().find(({ frame }) => frame.id === this.activeId()) ?? null);
  protected readonly takenAt = computed(() => {
    const [active, walk] = [this.active(), this.walk()];
    if (active === null || active.atMs === null || walk === null) return '';
    return this.wording().clock(Math.floor(((minuteAt(walk, active.atMs) % 1440) + 1440) % 1440));
  });
  /** What is told of single files, of all and not only of the first. */
  protected readonly showsAll = linkedSignal({ source: () => this.reading()?.doing === 'facts', computation: () => false });
  protected readonly told = computed(() => {
    const state = this.reading();
    if (state === undefined) return null;
    const lines = [
      ...state.problems.map((words) => ({ words, warns: true })),
      ...state.notes.map((words) => ({ words, warns: false })),
    ];
    const shown = this.showsAll() ? lines : lines.slice(0, MOST_LINES_SHOWN);
    return state.read + state.known + lines.length === 0
      ? null
      : { words: readWords(state), lines: shown, more: lines.length - shown.length };
  });
  /** What the plan says of each frame, against which what it looks like is held. */
  protected readonly meant = computed(() => {
    const [log, kit] = [this.log(), this.workspace()?.kit ?? []];
    return (one: PlacedFrame): FrameMeant => (log === null ? NOT_PLANNED : frameMeant(kit, log, one));
  });
  protected readonly share = computed(() => {
    const state = this.reading();
    return state === undefined || state.of === 0 ? 0 : (100 * state.done) / state.of;
  });

  protected showLog(id: string): void {
    this.activeId.set(null);
    this.chosen.set(new Set());
    this.logs.show(id);
  }

  protected take(event: Event): void {
    const field = event.target as HTMLInputElement;
    const files = [...(field.files ?? [])];
    field.value = '';
    const walk = this.walk();
    if (walk !== null) void this.reader.read(walk, files);
  }

  protected loadRoll(body: Body): void {
    const walk = this.walk();
    const film = this.workspace()?.kit.find((item): item is Film => item.kind === 'film' && item.id === body.filmId) ?? null;
    if (walk !== null) void this.film.load(walk, body, film);
  }

  protected stop(): void {
    this.reader.stop();
  }

  protected judge({ ids, verdict }: Judged): void {
    this.actions.judge(ids, verdict);
  }

  protected judgeActive(verdict: Verdict | null): void {
    const id = this.activeId();
    if (id !== null) this.actions.judge([id], verdict);
  }

  protected moveActive(stopId: string): void {
    const [id, place] = [this.activeId(), this.places().find(({ value }) => value === stopId)];
    if (id !== null && place !== undefined) this.actions.move([id], stopId === NOWHERE ? null : stopId, place.label);
  }

  protected move({ ids, group }: MovedFrames): void {
    this.actions.move(ids, group.stopId, group.name);
  }

  protected remove(ids: readonly string[]): void {
    this.actions.remove(ids);
    this.chosen.set(new Set());
    this.activeId.set(null);
  }

  protected showSubject({ at, sight }: ShownSubject): void {
    const id = this.activeId();
    if (id !== null) this.actions.showSubject(id, at, sight);
  }
}
