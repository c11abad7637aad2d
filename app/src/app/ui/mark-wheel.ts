import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  input,
  output,
  untracked,
  viewChild,
} from '@angular/core';

/** Width of a mark, px: as wide as a thumb. */
const MARK_PX = 72;

/** A row of marks under the thumb: swiped, tapped, stepped at its ends, or moved by arrow keys. */
@Component({
  selector: 'rd-mark-wheel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      type="button"
      class="plain-button"
      [attr.aria-label]="lessLabel()"
      [disabled]="index() <= 0"
      (click)="choose(index() - 1)"
    >
      −
    </button>
    <div
      #track
      class="track figure"
      role="slider"
      tabindex="0"
      aria-valuemin="0"
      [attr.aria-label]="label()"
      [attr.aria-valuemax]="marks().length - 1"
      [attr.aria-valuenow]="index()"
      [attr.aria-valuetext]="prefix() + marks()[index()]"
      (scrollend)="settle()"
      (click)="tap($event)"
      (keydown)="key($event)"
    >
      @for (mark of marks(); track $index) {
        <span class="mark" [class.here]="$index === index()" [attr.data-index]="$index">
          @if ($index === index()) {
            <small class="soft">{{ prefix() }}</small>
          }
          {{ mark }}
        </span>
      }
    </div>
    <button
      type="button"
      class="plain-button"
      [attr.aria-label]="moreLabel()"
      [disabled]="index() >= last()"
      (click)="choose(index() + 1)"
    >
      +
    </button>
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      min-width: 0;
    }
    .plain-button {
      flex: none;
      width: 56px;
      min-height: 48px;
      border: 1px solid var(--ink-soft);
      font-size: 1.25rem;
    }
    .plain-button:disabled {
      color: var(--rule);
    }
    .track {
      display: flex;
      flex: 1;
      min-width: 0;
      height: 48px;
      border-top: 1px solid var(--ink-soft);
      border-bottom: 1px solid var(--ink-soft);
      overflow-x: auto;
      overscroll-behavior-x: contain;
      scroll-snap-type: x mandatory;
      scrollbar-width: none;
    }
    /* Room for the first and the last mark to stand in the middle. */
    .track::before,
    .track::after {
      flex: 0 0 calc(50% - 36px);
      content: '';
    }
    .mark {
      flex: none;
      display: flex;
      align-items: baseline;
      justify-content: center;
      gap: 4px;
      width: 72px;
      line-height: 46px;
      color: var(--ink-soft);
      scroll-snap-align: center;
      white-space: nowrap;
    }
    .mark.here {
      color: var(--ink);
      font-size: 1.25rem;
      font-weight: 700;
      box-shadow: inset 0 -3px 0 var(--mark);
    }
    small {
      font-size: 0.75rem;
      font-weight: 400;
    }
  `,
})
export class MarkWheel {
  readonly label = input.required<string>();
  readonly lessLabel = input.required<string>();
  readonly moreLabel = input.required<string>();
  /** Before the mark that is under the thumb: "ISO". */
  readonly prefix = input('');
  readonly marks = input.required<readonly string[]>();
  readonly index = input.required<number>();
  readonly chosen = output<number>();

  protected readonly last = computed(() => this.marks().length - 1);
  private readonly track = viewChild.required<ElementRef<HTMLElement>>('track');

  constructor() {
    // Once the marks are laid out: before, there is nothing to scroll along.
    afterRenderEffect(() => {
      const [index] = [this.index(), this.marks()];
      untracked(() => this.track().nativeElement.scrollTo?.({ left: index * MARK_PX }));
    });
  }

  protected choose(index: number): void {
    const within = Math.min(this.last(), Math.max(0, index));
    if (within !== this.index()) this.chosen.emit(within);
  }

  /** Where a swipe has come to rest. */
  protected settle(): void {
    this.choose(Math.round(this.track().nativeElement.scrollLeft / MARK_PX));
  }

  protected tap({ target }: Event): void {
    const index = (target as HTMLElement).closest<HTMLElement>('.mark')?.dataset['index'];
    if (index !== undefined) this.choose(Number(index));
  }

  protected key(event: KeyboardEvent): void {
    const steps: Readonly<Record<string, number>> = {
      ArrowLeft: -1,
      ArrowDown: -1,
      ArrowRight: 1,
      ArrowUp: 1,
      PageDown: -3,
      PageUp: 3,
    };
    const to = event.key === 'Home' ? 0 : event.key === 'End' ? this.last() : this.index() + (steps[event.key] ?? NaN);
    if (Number.isNaN(to)) return;
    event.preventDefault();
    this.choose(to);
  }
}
