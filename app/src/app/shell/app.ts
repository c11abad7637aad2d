import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, Injector, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { DEFAULT_SETTINGS } from '@roam-dial/core/formats/archive';
import { DialCard } from '../shared/card/dial-card';
import { Spine } from '../shared/spine/spine';
import { AppActions } from '../state/app/app.actions';
import { FileDrop } from './file-drop';
import { HandleFollowsStay } from '../state/selection/handle-follows-stay';
import { SelectionStore } from '../state/selection/selection.store';
import { Shortcuts } from './shortcuts';
import { WorkspaceStore } from '../state/workspace/workspace.store';
import { OutingStore } from '../state/outing/outing.store';
import { phoneLayout } from '../state/device/phone-layout';
import { asideSentence } from './aside-sentence';
import { Overlays } from './overlays';
import { RoomHeadings } from './room-headings';
import { barOf, roomAt, ROOMS } from './rooms';
import { Updates } from './updates';
import { fetched } from '../base/fetched';
import { PartMissing } from '../ui/part-missing';

/** The frame: spine, rooms, dial card; a bottom bar in the hand. */
@Component({
  selector: 'rd-root',
  imports: [DialCard, MatButtonModule, PartMissing, RouterLink, RouterLinkActive, RouterOutlet, Spine],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './app.html',
  styleUrl: './app.scss',
  host: {
    '(window:keydown)': 'shortcuts.handle($event)',
    '(window:beforeunload)': 'holdBack($event)',
    '(window:dragover)': 'dragOver($event)',
    '(window:drop)': 'drop($event)',
    '(document:dragleave)': 'dragLeave($event)',
    '[class.drop]': 'isOver()',
  },
})
export class App {
  protected readonly shortcuts = inject(Shortcuts);
  private readonly store = inject(WorkspaceStore);
  protected readonly actions = inject(AppActions);
  private readonly overlays = inject(Overlays);
  private readonly injector = inject(Injector);

  protected readonly workspace = toSignal(this.store.workspace$);
  protected readonly history = toSignal(this.store.history$, { initialValue: { undo: null, redo: null } });
  protected readonly writeFailure = toSignal(this.store.writeFailure$, { initialValue: null });
  protected readonly onlyInMemory = toSignal(this.store.onlyInMemory$, { initialValue: null });
  protected readonly openFailure = toSignal(this.store.openFailure$, { initialValue: null });
  protected readonly plainNotice = toSignal(this.overlays.plain$, { initialValue: null });
  protected readonly aside = toSignal(this.store.aside$, { initialValue: [] });
  protected readonly asideWords = computed(() => asideSentence(this.aside()));
  protected readonly isUpdateReady = signal(false);
  private readonly updates = inject(Updates);
  protected readonly isPhone = phoneLayout();
  protected readonly isRunning = toSignal(inject(OutingStore).isRunning$, { initialValue: false });
  private readonly address = toSignal(inject(SelectionStore).room$, { initialValue: '' });
  private readonly room = computed(() => roomAt(ROOMS, this.address()));
  private readonly settings = computed(() => this.workspace()?.settings ?? DEFAULT_SETTINGS);
  protected readonly isNight = computed(() => this.settings().theme === 'night');
  /** At the table spine and card stand beside every room but the card's own and where a walk begins. */
  protected readonly hasSides = computed(() => !this.isPhone() && this.room()?.hasSides !== false);
  protected readonly bar = computed(() =>
    barOf(ROOMS, { isPhone: this.isPhone(), isRunning: this.isRunning(), hasSides: this.hasSides() }),
  );
  protected readonly isUnderMore = computed(() => this.bar().apart.some((room) => room === this.room()));
  private readonly fileDrop = inject(FileDrop);
  /** A file is held over the window. */
  protected readonly isOver = signal(false);

  constructor() {
    this.store.unseeded$.pipe(takeUntilDestroyed()).subscribe(() => void this.actions.seedDemo());
    this.store.notice$
      .pipe(takeUntilDestroyed())
      .subscribe(({ message, offersUndo }) => void this.overlays.notify(message, offersUndo ? () => this.store.undo() : null));
    this.shortcuts.sheetWanted$.pipe(takeUntilDestroyed()).subscribe(() => this.openSheet());
    effect(() => document.documentElement.setAttribute('data-theme', this.settings().theme));
    this.updates.ready$.pipe(takeUntilDestroyed()).subscribe(() => this.isUpdateReady.set(true));
    const begun = [inject(HandleFollowsStay).begin(), inject(RoomHeadings).begin()];
    inject(DestroyRef).onDestroy(() => {
      for (const one of begun) one.unsubscribe();
    });
    void this.open();
  }

  private async open(): Promise<void> {
    await this.store.open();
    if (this.openFailure() !== null) return;
    const { ThumbnailCleanup } = await fetched('Tidying up', () => import('../state/app/thumbnail-cleanup'));
    await this.injector.get(ThumbnailCleanup).begin();
  }

  /** The browser asks before a page with something unwritten is left. */
  protected holdBack(event: BeforeUnloadEvent): void {
    if (this.store.wouldLose()) event.preventDefault();
  }

  protected dragOver(event: DragEvent): void {
    if (!this.fileDrop.isWanted(event)) return;
    event.preventDefault();
    this.isOver.set(true);
  }

  protected dragLeave({ relatedTarget }: DragEvent): void {
    if (relatedTarget === null) this.isOver.set(false);
  }

  protected drop(event: DragEvent): void {
    this.isOver.set(false);
    if (!this.fileDrop.isWanted(event)) return;
    event.preventDefault();
    void this.fileDrop.drop(event);
  }

  protected undo(): void {
    this.store.undo();
  }

  protected redo(): void {
    this.store.redo();
  }

  /** Once more without leaving the page; where that fails again, a new page asks anew. */
  protected retryOpen(): void {
    void this.open();
  }

  protected reload(): void {
    location.reload();
  }

  protected forgetPlain(): void {
    this.overlays.forgetPlain();
  }

  protected retryWrite(): void {
    this.store.retry();
  }

  protected saveCopy(): void {
    void this.actions.exportAll();
  }

  protected takeUpdate(): void {
    void this.updates.take();
  }

  /** What could not be read, as it is stored. */
  protected saveAside(): void {
    this.actions.exportAside(this.aside());
  }

  protected openSettings(): void {
    void this.overlays.openSettings();
  }

  protected openMore(): void {
    void this.overlays.openMore();
  }

  protected openSheet(): void {
    void this.overlays.openShortcuts();
  }
}
