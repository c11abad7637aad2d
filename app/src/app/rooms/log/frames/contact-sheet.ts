import { CdkFixedSizeVirtualScroll, CdkVirtualForOf, CdkVirtualScrollViewport } from '@angular/cdk/scrolling';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  input,
  model,
  output,
  signal,
  viewChild,
} from '@angular/core';
import {
  momentOfStayAt,
  type FrameMeant,
  frameName,
  lookAsMeant,
  type PlacedFrame,
  thumbnailIdOf,
  type Verdict,
  wideDepartures,
} from '@roam-dial/core/log';
import { departureWords, looksWords, settingsWords, VERDICT_KEYS, VERDICT_WORDS } from '../../../words/log';
import type { Wording } from '../../../words/wording';
import { KeptPicture } from '../../../shared/picture/kept-picture';
import { rangeOf, type SheetGroup, sheetRows, stepped } from '../sheet-rows';

/** A cell is so wide, and a line so high: virtual scrolling wants them alike. */
const CELL_PX = 132;
const ROW_PX = 136;
/** Before a frame's own id in the page. */
const FRAME_ID = 'frame-';
const KEYS_OF_WAY = ['ArrowRight', 'ArrowLeft', 'ArrowDown', 'ArrowUp', 'Home', 'End'];

export interface Judged {
  readonly ids: readonly string[];
  readonly verdict: Verdict | null;
}

export interface MovedFrames {
  readonly ids: readonly string[];
  readonly group: SheetGroup;
}

/** The frames of a walk stop by stop: what was set, where it departs from the card, and what became of each. Only lines in view are drawn. */
@Component({
  selector: 'rd-contact-sheet',
  imports: [CdkFixedSizeVirtualScroll, CdkVirtualForOf, CdkVirtualScrollViewport, KeptPicture],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './contact-sheet.html',
  styleUrl: './contact-sheet.scss',
  host: { '(keydown)': 'press($event)', '(click)': 'pick($event)' },
})
export class ContactSheet {
  readonly groups = input.required<readonly SheetGroup[]>();
  readonly meant = input.required<(one: PlacedFrame) => FrameMeant>();
  readonly wording = input.required<Wording>();
  readonly isPhone = input(false);
  readonly activeId = model<string | null>(null);
  readonly chosen = model<ReadonlySet<string>>(new Set());
  readonly judged = output<Judged>();
  readonly moved = output<MovedFrames>();
  readonly removed = output<readonly string[]>();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly viewport = viewChild.required(CdkVirtualScrollViewport);
  private readonly width = signal(690);
  protected readonly rowPx = ROW_PX;
  protected readonly frameName = frameName;
  protected readonly thumbnailIdOf = thumbnailIdOf;
  private readonly gutter = computed(() => (this.isPhone() ? 0 : 124));
  private readonly columns = computed(() =>
    Math.max(2, Math.floor((this.width() - this.gutter() - 24) / (this.isPhone() ? 116 : CELL_PX))),
  );
  protected readonly rows = computed(() =>
    sheetRows(
      this.groups().filter(({ frames }) => frames.length > 0),
      this.columns(),
    ),
  );
  /** Stops without frames share a line, to be dragged to; the thumb drags nothing. */
  protected readonly empty = computed(() => (this.isPhone() ? [] : this.groups().filter(({ frames }) => frames.length === 0)));
  protected readonly count = computed(() => this.groups().reduce((sum, { frames }) => sum + frames.length, 0));

  constructor() {
    const watch = new ResizeObserver(([entry]) => {
      this.width.set(entry?.contentRect.width ?? this.width());
      this.viewport().checkViewportSize();
      this.bringIntoView(this.activeId());
    });
    watch.observe(this.host.nativeElement);
    inject(DestroyRef).onDestroy(() => watch.disconnect());
    effect(() => this.bringIntoView(this.activeId()));
  }

  protected readonly byId = (_: number, row: { readonly id: string }): string => row.id;

  protected lines(one: PlacedFrame): {
    readonly set: string;
    readonly apart: string;
    readonly verdict: string;
    readonly isAsked: boolean;
  } {
    const { frame, stay, atMs } = one;
    const card = stay === null ? null : momentOfStayAt(stay, atMs);
    const [widest] = card === null ? [] : wideDepartures(frame, card);
    const asked = frame.sight === null ? '' : looksWords(lookAsMeant(frame.sight, frame, this.meant()(one)).looksLike);
    return {
      set: settingsWords(frame, this.wording()),
      apart: widest === undefined ? '' : departureWords(widest, this.wording()),
      verdict: frame.verdict === null ? asked : VERDICT_WORDS[frame.verdict],
      isAsked: frame.verdict === null,
    };
  }

  protected countOf({ frames }: SheetGroup): string {
    const good = frames.filter(({ frame }) => frame.verdict === 'good').length;
    return good === 0 ? String(frames.length) : `${frames.length}, ${good} good`;
  }

  protected pick(event: MouseEvent): void {
    const id = (event.target as Element).closest('.frame')?.id.slice(FRAME_ID.length);
    if (id === undefined) return;
    if (event.shiftKey && this.activeId() !== null) this.chosen.set(new Set(rangeOf(this.rows(), this.activeId() as string, id)));
    else if (event.ctrlKey || event.metaKey) this.toggle(id);
    else this.chosen.set(new Set([id]));
    this.activeId.set(id);
  }

  protected press(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const isDone = KEYS_OF_WAY.includes(event.key) ? this.step(event) : this.act(event.key);
    if (!isDone) return;
    event.preventDefault();
    // Keys of the whole window (n, s, …) are other ones.
    event.stopPropagation();
  }

  protected startDrag(id: string, event: DragEvent): void {
    if (!this.chosen().has(id)) this.chosen.set(new Set([id]));
    this.activeId.set(id);
    event.dataTransfer?.setData('text/plain', [...this.chosen()].join(' '));
  }

  protected allow(event: DragEvent): void {
    if (event.dataTransfer?.types.includes('Files') !== true) event.preventDefault();
  }

  protected drop(group: SheetGroup, event: DragEvent): void {
    if (event.dataTransfer?.types.includes('Files') === true || this.chosen().size === 0) return;
    event.preventDefault();
    this.moved.emit({ ids: [...this.chosen()], group });
  }

  private toggle(id: string): void {
    this.chosen.update((ids) => {
      const others = new Set(ids);
      if (!others.delete(id)) others.add(id);
      return others;
    });
  }

  private step(event: KeyboardEvent): boolean {
    const [from, to] = [this.activeId(), stepped(this.rows(), this.activeId(), event.key)];
    if (to === null) return false;
    this.chosen.set(new Set(event.shiftKey && from !== null ? [...this.chosen(), ...rangeOf(this.rows(), from, to)] : [to]));
    this.activeId.set(to);
    return true;
  }

  private act(key: string): boolean {
    const ids = [...this.chosen()];
    if (ids.length === 0) return false;
    const verdict = VERDICT_KEYS.find(([one]) => one === key)?.[1] ?? (key === 'Backspace' ? null : undefined);
    if (verdict !== undefined) {
      this.judged.emit({ ids, verdict });
      this.goOn(ids);
      return true;
    }
    if (key === 'Delete') {
      this.removed.emit(ids);
      return true;
    }
    return (key === '[' || key === ']') && this.moveBy(ids, key === ']' ? 1 : -1);
  }

  /** One frame is judged after the other; several stay chosen. */
  private goOn(ids: readonly string[]): void {
    const next = stepped(this.rows(), this.activeId(), 'ArrowRight');
    if (ids.length > 1 || next === null) return;
    this.chosen.set(new Set([next]));
    this.activeId.set(next);
  }

  private moveBy(ids: readonly string[], by: 1 | -1): boolean {
    const groups = this.groups();
    const at = groups.findIndex(({ frames }) => frames.some(({ frame }) => frame.id === this.activeId()));
    const group = groups[at + by];
    if (group === undefined) return false;
    this.moved.emit({ ids, group });
    return true;
  }

  private bringIntoView(id: string | null): void {
    const line = this.rows().findIndex(({ frames }) => frames.some(({ frame }) => frame.id === id));
    if (line === -1) return;
    const viewport = this.viewport();
    const [top, size] = [viewport.measureScrollOffset(), viewport.getViewportSize()];
    if (line * ROW_PX < top) viewport.scrollToOffset(line * ROW_PX);
    else if ((line + 1) * ROW_PX > top + size) viewport.scrollToOffset((line + 1) * ROW_PX - size);
  }
}
