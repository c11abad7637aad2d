import { booleanAttribute, Directive, input, output } from '@angular/core';
import { Grip } from './grip';

/** A step by the keyboard, one up or down. */
export interface HandleStep {
  readonly by: 1 | -1;
  /** With Shift fine, by the page large. */
  readonly size: 'fine' | 'usual' | 'large';
}

const ARROWS: Readonly<Record<string, 1 | -1>> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 };
const SIGNS: Readonly<Record<string, 1 | -1>> = { '+': 1, '=': 1, '-': -1, '−': -1 };
const PAGES: Readonly<Record<string, 1 | -1>> = { PageUp: 1, PageDown: -1 };

/** A value on a drawing: a grip for the pointer; arrows, plus and minus for the keyboard; its reading for whoever hears it. */
@Directive({
  selector: '[rdHandle]',
  hostDirectives: [{ directive: Grip, outputs: ['grabbed', 'dragged', 'released'] }],
  host: {
    role: 'slider',
    tabindex: '0',
    '[attr.aria-label]': 'name()',
    '[attr.aria-valuemin]': 'low()',
    '[attr.aria-valuemax]': 'high()',
    '[attr.aria-valuenow]': 'value()',
    '[attr.aria-valuetext]': 'reading()',
    '(keydown)': 'press($event)',
  },
})
export class Handle {
  readonly name = input.required<string>({ alias: 'rdHandle' });
  readonly value = input.required<number>();
  readonly reading = input.required<string>();
  readonly low = input.required<number>();
  readonly high = input.required<number>();
  /** More lies to the left. */
  readonly growsLeft = input(false, { transform: booleanAttribute });
  readonly hasPages = input(false, { transform: booleanAttribute });
  readonly hasEnds = input(false, { transform: booleanAttribute });
  readonly stepped = output<HandleStep>();
  /** Home and End: to the lowest or the highest. */
  readonly toEnd = output<number>();

  protected press(event: KeyboardEvent): void {
    const step = this.stepFor(event);
    const end = { Home: this.low(), End: this.high() }[event.key];
    const isEnd = end !== undefined && this.hasEnds();
    if (step === null && !isEnd) return;
    event.preventDefault();
    event.stopPropagation();
    if (step !== null) this.stepped.emit(step);
    else if (end !== undefined) this.toEnd.emit(end);
  }

  private stepFor({ key, shiftKey, ctrlKey, metaKey, altKey }: KeyboardEvent): HandleStep | null {
    if (ctrlKey || metaKey || altKey) return null;
    const page = PAGES[key];
    if (page !== undefined) return this.hasPages() ? { by: page, size: 'large' } : null;
    const sign = SIGNS[key];
    if (sign !== undefined) return { by: sign, size: 'usual' };
    const arrow = ARROWS[key];
    if (arrow === undefined) return null;
    const isAcross = key === 'ArrowLeft' || key === 'ArrowRight';
    const by = isAcross && this.growsLeft() ? (-arrow as 1 | -1) : arrow;
    return { by, size: shiftKey ? 'fine' : 'usual' };
  }
}
