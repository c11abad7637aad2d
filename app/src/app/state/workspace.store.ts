import { Injectable, inject } from '@angular/core';
import { BehaviorSubject, firstValueFrom, map, type Observable, ReplaySubject, shareReplay, Subject, take } from 'rxjs';
import { applyChanges, changesBetween, type DocumentChange, reversed, type Workspace } from '../data/workspace';
import { type StoredWorkspace, WorkspaceRepository } from '../data/workspace.repository';

interface Edit {
  readonly label: string;
  readonly mergeKey: string | null;
  readonly at: number;
  readonly changes: readonly DocumentChange[];
}

export interface EditOptions {
  /** What undo says it takes back: "move Orrel Steps". */
  readonly label: string;
  /** Edits with the same key in quick succession are one step of undo: a drag, a word being typed. */
  readonly mergeKey?: string;
}

export interface History {
  readonly undo: string | null;
  readonly redo: string | null;
}

export interface WriteFailure {
  readonly message: string;
}

const MERGE_WITHIN_MS = 1500;
const LONGEST_HISTORY = 200;
/** No reading has this revision: the next one is taken over. */
const NOT_READ = -1;

/** One edit that leads from the first's before to the second's after, document by document. */
function merged(first: readonly DocumentChange[], second: readonly DocumentChange[]): readonly DocumentChange[] {
  const byKey = new Map(first.map((change) => [`${change.table}/${change.key}`, change]));
  for (const change of second) {
    const key = `${change.table}/${change.key}`;
    const earlier = byKey.get(key);
    byKey.set(key, earlier === undefined ? change : { ...change, before: earlier.before });
  }
  return [...byKey.values()];
}

/**
 * The workspace as everyone sees it: what is stored, with what is not stored yet on top. An edit shows at once and is
 * written behind; where the browser refuses the write, it stays on top, is reported, and can be tried again.
 */
@Injectable({ providedIn: 'root' })
export class WorkspaceStore {
  private readonly repository = inject(WorkspaceRepository);
  private stored: StoredWorkspace | null = null;
  private writtenRevision = 0;
  private unwritten: readonly DocumentChange[] = [];
  private waiting: readonly DocumentChange[] = [];
  private isWriting = false;
  private writing = Promise.resolve();
  private done: readonly Edit[] = [];
  private undone: readonly Edit[] = [];
  private current: Workspace | null = null;

  private readonly workspaceSubject = new ReplaySubject<Workspace>(1);
  private readonly historySubject = new BehaviorSubject<History>({ undo: null, redo: null });
  private readonly failureSubject = new BehaviorSubject<WriteFailure | null>(null);
  private readonly noticeSubject = new Subject<string>();
  private readonly unseededSubject = new Subject<void>();

  readonly workspace$: Observable<Workspace> = this.workspaceSubject.asObservable();
  readonly settings$ = this.workspace$.pipe(
    map(({ settings }) => settings),
    shareReplay({ bufferSize: 1, refCount: true }),
  );
  readonly history$ = this.historySubject.asObservable();
  readonly writeFailure$ = this.failureSubject.asObservable();
  /** What has just been done and can be undone, for a passing notice. */
  readonly notice$ = this.noticeSubject.asObservable();
  /** Once, in a browser that has never held anything. */
  readonly unseeded$ = this.unseededSubject.pipe(take(1));

  /** Starts to listen to the stored data. */
  open(): void {
    this.repository.stored$.subscribe({
      next: (stored) => {
        // Read before a write of ours and delivered after it: to show it would take back, for a moment, what was typed.
        if (stored.revision < this.writtenRevision) return;
        // Our own write come back: what is shown already, in new objects, for which everything would be worked out again.
        if (stored.revision === this.stored?.revision && stored.isSeeded === this.stored.isSeeded) return;
        this.stored = stored;
        if (stored.isSeeded) this.publish();
        else this.unseededSubject.next();
      },
      error: (error: unknown) => this.fail(error),
    });
  }

  async seed(first: Workspace): Promise<void> {
    try {
      await this.repository.seed(first);
    } catch (error) {
      this.fail(error);
    }
    // Shown at once, stored or not; what another tab may have put in first follows by the stream.
    if (this.current !== null) return;
    this.stored = { ...first, isSeeded: true, revision: NOT_READ };
    this.publish();
  }

  /** Applies a pure change to the workspace, remembers it for undo and writes it behind. */
  edit({ label, mergeKey }: EditOptions, change: (workspace: Workspace) => Workspace): void {
    if (this.current === null) return;
    const changes = changesBetween(this.current, change(this.current));
    if (changes.length === 0) return;
    this.remember({ label, mergeKey: mergeKey ?? null, at: performance.now(), changes });
    this.apply(changes);
  }

  /** Says what was done in a notice that offers to undo it. */
  announce(message: string): void {
    this.noticeSubject.next(message);
  }

  undo(): void {
    const last = this.done.at(-1);
    if (last === undefined) return;
    this.done = this.done.slice(0, -1);
    this.undone = [...this.undone, last];
    this.apply(reversed(last.changes));
    this.publishHistory();
  }

  redo(): void {
    const last = this.undone.at(-1);
    if (last === undefined) return;
    this.undone = this.undone.slice(0, -1);
    this.done = [...this.done, last];
    this.apply(last.changes);
    this.publishHistory();
  }

  /** Tries again to write what the browser refused. */
  retry(): void {
    this.write(this.unwritten);
  }

  /** When everything that was edited so far has been written, or refused. */
  async written(): Promise<void> {
    await this.writing;
  }

  hasUnwritten(): boolean {
    return this.unwritten.length > 0;
  }

  /** The workspace now; undo and exports need no stream. */
  snapshot(): Promise<Workspace> {
    return firstValueFrom(this.workspace$);
  }

  private remember(edit: Edit): void {
    const last = this.done.at(-1);
    const merges = edit.mergeKey !== null && last?.mergeKey === edit.mergeKey && edit.at - last.at < MERGE_WITHIN_MS;
    this.done = merges
      ? [...this.done.slice(0, -1), { ...edit, changes: merged(last.changes, edit.changes) }]
      : [...this.done, edit].slice(-LONGEST_HISTORY);
    this.undone = [];
    this.publishHistory();
  }

  private apply(changes: readonly DocumentChange[]): void {
    this.unwritten = merged(this.unwritten, changes);
    this.publish();
    this.write(changes);
  }

  /** One write at a time; what is edited meanwhile, as in a drag, goes together in the next. */
  private write(changes: readonly DocumentChange[]): void {
    const isWriting = this.waiting.length > 0 || this.isWriting;
    this.waiting = merged(this.waiting, changes);
    if (!isWriting) this.writing = this.writeWaiting();
  }

  private async writeWaiting(): Promise<void> {
    this.isWriting = true;
    while (this.waiting.length > 0) {
      const batch = this.waiting;
      this.waiting = [];
      try {
        this.settle(batch, await this.repository.write(batch));
      } catch (error) {
        this.fail(error);
      }
    }
    this.isWriting = false;
  }

  /** A document that was changed again in the meantime stays unwritten until its own write is through. */
  private settle(changes: readonly DocumentChange[], revision: number): void {
    this.writtenRevision = Math.max(this.writtenRevision, revision);
    this.unwritten = this.unwritten.filter(
      (waiting) =>
        !changes.some(({ table, key, after }) => table === waiting.table && key === waiting.key && after === waiting.after),
    );
    if (this.stored !== null) {
      // With another tab's write in between, only a reading knows what the data has become.
      const isNext = revision === this.stored.revision + 1;
      this.stored = { ...applyChanges(this.stored, changes), isSeeded: true, revision: isNext ? revision : NOT_READ };
    }
    if (this.unwritten.length === 0) this.failureSubject.next(null);
  }

  private publish(): void {
    if (this.stored === null) return;
    this.current = applyChanges(this.stored, this.unwritten);
    this.workspaceSubject.next(this.current);
  }

  private publishHistory(): void {
    this.historySubject.next({ undo: this.done.at(-1)?.label ?? null, redo: this.undone.at(-1)?.label ?? null });
  }

  private fail(error: unknown): void {
    const message = error instanceof Error ? `${error.name}: ${error.message}` : String(error);
    this.failureSubject.next({ message });
  }
}
