import { Injectable, inject } from '@angular/core';
import { EMPTY_ARCHIVE } from '@roam-dial/core/formats/archive';
import {
  BehaviorSubject,
  distinctUntilChanged,
  firstValueFrom,
  map,
  type Observable,
  queueScheduler,
  ReplaySubject,
  Subject,
  take,
} from 'rxjs';
import { mergePatches, patchesBetween, type Patch, applyPatches, invertPatches } from '../../storage/patch';
import { ClearedError, type Loaded, type RowStore } from '../../storage/rows/row-store';
import { hasHadData, rememberHavingData } from '../../storage/rows/had-data';
import { type OpenedRows, RowStorage } from '../../storage/rows/row-storage';
import type { SetAside } from '../../storage/rows/stored-form';
import type { Workspace } from '../../storage/workspace';
import { type EditOptions, following, type History, type HistoryLabels, labelsOf, NO_HISTORY, remembered } from './history';
import { shared } from '../../base/shared';

export interface WriteFailure {
  readonly message: string;
}

/** A passing word; with an offer to undo where it says what has just been done. */
export interface Notice {
  readonly message: string;
  readonly offersUndo: boolean;
}

/** Longer than this a write does not take; it goes on all the same (s). */
const SLOW_WRITE_MS = 10_000;
const SLOW_WRITE = 'the browser has not answered for 10 seconds';

const NOTHING: Loaded = { archive: EMPTY_ARCHIVE, isSeeded: false, revision: 0, aside: [] };

function messageOf(error: unknown): string {
  return error instanceof Error ? `${error.name}: ${error.message}` : String(error);
}

/**
 * The workspace as everyone sees it: what is stored, with what is not stored yet on top. An edit shows at once and is
 * written behind, field by field; where the browser refuses the write, it stays on top, is reported, and can be tried again.
 * docs/decisions/0004-patches.md.
 */
@Injectable({ providedIn: 'root' })
export class WorkspaceStore {
  private readonly storage = inject(RowStorage);
  private rows: RowStore | null = null;
  private loaded: Loaded = NOTHING;
  /** Nothing has ever been written whole: the next write is all there is. */
  private isWholeDue = false;
  private unwritten: readonly Patch[] = [];
  private writing: Promise<void> = Promise.resolve();
  private isWriting = false;
  /** The newest write that was heard of, whoever made it. */
  private newestHeard = 0;
  private history: History = NO_HISTORY;
  private current: Workspace | null = null;
  private hasAskedToPersist = false;

  private readonly workspaceSubject = new ReplaySubject<Workspace>(1);
  private readonly historySubject = new BehaviorSubject<HistoryLabels>({ undo: null, redo: null });
  private readonly failureSubject = new BehaviorSubject<WriteFailure | null>(null);
  private readonly noticeSubject = new Subject<Notice>();
  private readonly unseededSubject = new ReplaySubject<void>(1);
  private readonly onlyInMemorySubject = new BehaviorSubject<string | null>(null);
  private readonly openFailureSubject = new BehaviorSubject<WriteFailure | null>(null);
  private readonly asideSubject = new BehaviorSubject<readonly SetAside[]>([]);

  readonly workspace$: Observable<Workspace> = this.workspaceSubject.asObservable();
  readonly settings$ = this.workspace$.pipe(
    map(({ settings }) => settings),
    distinctUntilChanged(),
    shared(),
  );
  readonly history$: Observable<HistoryLabels> = this.historySubject;
  readonly writeFailure$: Observable<WriteFailure | null> = this.failureSubject;
  readonly notice$: Observable<Notice> = this.noticeSubject;
  /** Once, in a browser that has never held anything. */
  readonly unseeded$ = this.unseededSubject.pipe(take(1));
  /** Why nothing is stored; null where it is. */
  readonly onlyInMemory$: Observable<string | null> = this.onlyInMemorySubject;
  /** Why what is stored could not be read yet; null where it could. */
  readonly openFailure$: Observable<WriteFailure | null> = this.openFailureSubject;
  /** Rows that could not be read, which stay where they are. */
  readonly aside$: Observable<readonly SetAside[]> = this.asideSubject;

  /**
   * Opens what is stored, and listens for what other tabs write. Where the reader of the data cannot be loaded nothing is shown
   * in its place: that is told, and can be tried again.
   */
  async open(): Promise<void> {
    this.openFailureSubject.next(null);
    let opened: OpenedRows;
    try {
      opened = await this.storage.open();
    } catch (error) {
      this.openFailureSubject.next({ message: error instanceof Error ? error.message : String(error) });
      return;
    }
    const { rows, loaded, onlyInMemory } = opened;
    this.rows = rows;
    this.onlyInMemorySubject.next(onlyInMemory);
    this.adopt(loaded);
    if (loaded.isSeeded) this.publish();
    else if (onlyInMemory !== null && hasHadData()) await this.seed(EMPTY_ARCHIVE);
    else this.unseededSubject.next();
    rows.revision$.pipe(distinctUntilChanged()).subscribe({
      next: (revision) => this.onRemoteWrite(revision),
      error: (error: unknown) => this.fail(error),
    });
  }

  /** Puts a first workspace in, shown at once, stored or not; unless another tab was quicker, whose data then follow. */
  async seed(first: Workspace): Promise<void> {
    if (this.loaded.isSeeded || this.current !== null) return;
    this.isWholeDue = true;
    this.loaded = { ...this.loaded, archive: first };
    this.publish();
    this.persist();
    await this.writing;
  }

  /** Applies a pure change to the workspace, remembers it for undo and writes it behind. */
  edit({ label, mergeKey = undefined }: EditOptions, change: (workspace: Workspace) => Workspace): void {
    if (this.current === null) return;
    const patches = patchesBetween(this.current, change(this.current));
    if (patches.length === 0) return;
    this.history = remembered(this.history, { label, mergeKey: mergeKey ?? null, at: performance.now(), patches });
    this.apply(patches);
  }

  /** Applies a change that is nobody's doing, so that there is nothing to undo of it: what a simulated walker does. */
  record(change: (workspace: Workspace) => Workspace): void {
    if (this.current === null) return;
    const patches = patchesBetween(this.current, change(this.current));
    if (patches.length === 0) return;
    this.history = following(this.history, patches);
    this.apply(patches);
  }

  /** Says what was done in a notice that offers to undo it. */
  announce(message: string): void {
    this.noticeSubject.next({ message, offersUndo: true });
  }

  /** Says something that there is nothing to undo of. */
  notify(message: string): void {
    this.noticeSubject.next({ message, offersUndo: false });
  }

  undo(): void {
    const { done, undone } = this.history;
    const last = done.at(-1);
    if (last === undefined) return;
    const made = this.takeBack(last.patches, `“${last.label}” cannot be undone`);
    this.history = {
      done: done.slice(0, -1),
      undone: made.length === 0 ? undone : [...undone, { ...last, patches: invertPatches(made) }],
    };
    this.apply(made);
  }

  redo(): void {
    const { done, undone } = this.history;
    const last = undone.at(-1);
    if (last === undefined) return;
    const made = this.takeBack(invertPatches(last.patches), `“${last.label}” cannot be redone`);
    this.history = { undone: undone.slice(0, -1), done: made.length === 0 ? done : [...done, { ...last, patches: made }] };
    this.apply(made);
  }

  /** Tries again to write what the browser refused. */
  retry(): void {
    this.persist();
  }

  /** When everything that was edited so far has been written, or refused. */
  async written(): Promise<void> {
    await this.writing;
  }

  hasUnwritten(): boolean {
    return this.unwritten.length > 0 || this.isWholeDue;
  }

  /** Whether something would be gone with this page: not written yet, or kept in memory alone. */
  wouldLose(): boolean {
    return this.hasUnwritten() || (this.onlyInMemorySubject.value !== null && this.history.done.length > 0);
  }

  /** The workspace now; undo and exports need no stream. */
  snapshot(): Promise<Workspace> {
    return firstValueFrom(this.workspace$);
  }

  /** What undoing patches really changes: what somebody else has changed since stays as it is, and is said. */
  private takeBack(patches: readonly Patch[], sorry: string): readonly Patch[] {
    if (this.current === null) return [];
    const { data, misfits } = applyPatches(this.current, invertPatches(patches), { isStrict: true });
    const made = patchesBetween(this.current, data);
    if (misfits.length > 0) {
      const message =
        made.length === 0 ? `${sorry}: it has been changed since.` : 'Undone, except where another tab has changed the same thing.';
      this.notify(message);
    }
    return made;
  }

  private apply(patches: readonly Patch[]): void {
    if (this.current !== null && patches.length > 0) {
      this.unwritten = [...this.unwritten, ...patches];
      this.show(applyPatches(this.current, patches).data);
      this.persist();
    }
    this.historySubject.next(labelsOf(this.history));
  }

  /** One write at a time; what is edited meanwhile, as in a drag, goes together in the next. */
  private persist(): void {
    if (this.isWriting || this.rows === null) return;
    this.isWriting = true;
    // A write that hangs is not given up, because it may still arrive; but nobody waits for it without a word.
    const slow = setTimeout(() => this.failureSubject.next({ message: SLOW_WRITE }), SLOW_WRITE_MS);
    this.writing = this.writeAllThereIs(this.rows).finally(() => {
      clearTimeout(slow);
      this.isWriting = false;
      this.catchUp();
    });
  }

  private async writeAllThereIs(rows: RowStore): Promise<void> {
    while (this.hasUnwritten() && this.current !== null) {
      const batch = this.unwritten;
      try {
        if (this.isWholeDue) await this.writeWhole(rows, this.current, batch);
        else await this.writeBatch(rows, batch);
        this.failureSubject.next(null);
        this.askToPersist();
      } catch (error) {
        if (!(error instanceof ClearedError)) {
          this.fail(error);
          return;
        }
        this.isWholeDue = true;
        const message = 'This browser’s data had been cleared; everything you see has been saved again.';
        this.notify(message);
      }
    }
  }

  private async writeWhole(rows: RowStore, whole: Workspace, batch: readonly Patch[]): Promise<void> {
    const isFirst = !this.loaded.isSeeded;
    const written = isFirst ? await rows.seed(whole) : await rows.writeAll(whole);
    this.isWholeDue = false;
    if (written === null) {
      // Another tab was quicker: what it put in is what there is, and edits of the meantime go on top.
      this.adopt(await rows.load());
      this.publish();
      return;
    }
    this.settle(() => whole, written.revision, batch);
  }

  private async writeBatch(rows: RowStore, batch: readonly Patch[]): Promise<void> {
    const { revision, lost } = await rows.write(mergePatches(batch), this.loaded.revision);
    if (revision === this.loaded.revision + 1 && lost.length === 0) {
      this.settle(() => applyPatches(this.loaded.archive, batch).data, revision, batch);
      return;
    }
    // Another tab has written in between: only a reading knows what the data have become.
    this.unwritten = this.unwritten.slice(batch.length);
    this.adopt(await rows.loadSince(this.loaded));
    this.publish();
    if (lost.length > 0) {
      const message = 'What you changed had been removed in another tab, so your change could not be kept.';
      this.notify(message);
    }
  }

  /** A batch is stored; where nothing more waits, what is shown is just what is stored, object for object. */
  private settle(archiveOf: () => Workspace, revision: number, batch: readonly Patch[]): void {
    this.unwritten = this.unwritten.slice(batch.length);
    const isAll = this.unwritten.length === 0 && this.current !== null;
    this.loaded = { ...this.loaded, isSeeded: true, revision, archive: isAll ? (this.current as Workspace) : archiveOf() };
  }

  /** Another tab has written: what it changed is read, and what is unwritten here stays on top. */
  private onRemoteWrite(revision: number): void {
    this.newestHeard = Math.max(this.newestHeard, revision);
    this.catchUp();
  }

  /** Reads what others have written, once nothing is being written here: what was heard meanwhile is not forgotten. */
  private catchUp(): void {
    if (this.rows === null || this.newestHeard <= this.loaded.revision || this.isWriting) return;
    const [rows, heard] = [this.rows, this.newestHeard];
    this.isWriting = true;
    this.writing = (async () => {
      try {
        this.adopt(this.loaded.isSeeded ? await rows.loadSince(this.loaded) : await rows.load());
        if (this.loaded.isSeeded) this.publish();
      } catch (error) {
        // Not asked for again until somebody writes again: it would fail for ever.
        if (this.newestHeard === heard) this.newestHeard = this.loaded.revision;
        if (!(error instanceof ClearedError)) this.fail(error);
      }
    })().finally(() => {
      this.isWriting = false;
      if (this.unwritten.length > 0) this.persist();
      else this.catchUp();
    });
  }

  private adopt(loaded: Loaded): void {
    this.loaded = loaded;
    if (loaded.aside !== this.asideSubject.value) this.asideSubject.next(loaded.aside);
  }

  private publish(): void {
    this.show(applyPatches(this.loaded.archive, this.unwritten).data);
  }

  /** An edit that somebody makes on hearing of another waits until all have heard of the first: nobody hears the newer before the older. */
  private show(workspace: Workspace): void {
    this.current = workspace;
    queueScheduler.schedule(() => this.workspaceSubject.next(workspace));
  }

  /** Browsers clear away what nobody asked them to keep: asked once, when there is something of the person's own. */
  private askToPersist(): void {
    if (this.hasAskedToPersist || this.history.done.length === 0) return;
    this.hasAskedToPersist = true;
    if (this.onlyInMemorySubject.value === null) rememberHavingData();
    void globalThis.navigator?.storage?.persist?.().catch(() => undefined);
  }

  private fail(error: unknown): void {
    this.failureSubject.next({ message: messageOf(error) });
  }
}
