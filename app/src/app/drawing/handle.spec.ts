import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { PlacePx } from './grip';
import { Handle, type HandleStep } from './handle';

@Component({
  imports: [Handle],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg>
      <g
        rdHandle="Length"
        hasPages
        hasEnds
        [low]="1"
        [high]="9"
        [value]="4"
        reading="4 m"
        (stepped)="steps.push($event)"
        (toEnd)="ends.push($event)"
        (grabbed)="grabs.push($event)"
        (dragged)="drags.push($event)"
        (released)="releases = releases + 1"
      />
      <g rdHandle="Leftwards" growsLeft [low]="1" [high]="9" [value]="4" reading="4 m" (stepped)="leftwards.push($event.by)" />
    </svg>
  `,
})
class Drawing {
  readonly heard: string[] = [];
  readonly steps: HandleStep[] = [];
  readonly leftwards: number[] = [];
  readonly ends: number[] = [];
  readonly grabs: PlacePx[] = [];
  readonly drags: PlacePx[] = [];
  releases = 0;
}

function drawn() {
  const fixture = TestBed.createComponent(Drawing);
  fixture.detectChanges();
  const { heard } = fixture.componentInstance;
  (fixture.nativeElement as HTMLElement).addEventListener('keydown', ({ key }) => heard.push(key));
  const handles = [...(fixture.nativeElement as HTMLElement).querySelectorAll('g')] as SVGGElement[];
  const [first, second] = handles as [SVGGElement, SVGGElement];
  const captured: number[] = [];
  first.setPointerCapture = (id) => captured.push(id);
  const press = (target: Element, key: string, more: KeyboardEventInit = {}): boolean =>
    target.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }));
  const point = (kind: string, clientX: number, button = 0): boolean =>
    first.dispatchEvent(Object.assign(new MouseEvent(kind, { clientX, clientY: 7, button, bubbles: true }), { pointerId: 3 }));
  return { drawing: fixture.componentInstance, first, second, press, point, captured };
}

describe('a handle on a drawing', () => {
  it('is a slider with its reading', () => {
    const { first } = drawn();
    const said = ['role', 'tabindex', 'aria-label', 'aria-valuemin', 'aria-valuemax', 'aria-valuenow', 'aria-valuetext'];
    expect(said.map((name) => first.getAttribute(name))).toEqual(['slider', '0', 'Length', '1', '9', '4', '4 m']);
  });

  it('steps by arrows, finely with Shift, by signs, by the page, and goes to its ends', () => {
    const { drawing, first, press } = drawn();
    press(first, 'ArrowUp');
    press(first, 'ArrowLeft', { shiftKey: true });
    press(first, '+', { shiftKey: true });
    press(first, '-');
    press(first, 'PageDown');
    press(first, 'Home');
    press(first, 'End');
    expect(drawing.steps).toEqual([
      { by: 1, size: 'usual' },
      { by: -1, size: 'fine' },
      { by: 1, size: 'usual' },
      { by: -1, size: 'usual' },
      { by: -1, size: 'large' },
    ]);
    expect(drawing.ends).toEqual([1, 9]);
    expect(drawing.heard).toEqual([]);
  });

  it('leaves other keys, and those of the browser, to whom they are for', () => {
    const { drawing, first, second, press } = drawn();
    expect(press(first, 'Tab')).toBe(true);
    expect(press(first, 'ArrowLeft', { altKey: true })).toBe(true);
    expect(press(first, '+', { ctrlKey: true })).toBe(true);
    press(second, 'PageUp');
    press(second, 'Home');
    expect(drawing.heard).toEqual(['Tab', 'ArrowLeft', '+', 'PageUp', 'Home']);
    expect([drawing.steps, drawing.ends, drawing.leftwards]).toEqual([[], [], []]);
  });

  it('grows to the left where more lies there, and upwards all the same', () => {
    const { drawing, second, press } = drawn();
    for (const key of ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown']) press(second, key);
    expect(drawing.leftwards).toEqual([1, -1, 1, -1]);
  });

  it('is dragged only while it is held, by the first button', () => {
    const { drawing, point, captured } = drawn();
    point('pointermove', 5);
    point('pointerdown', 10, 2);
    point('pointermove', 11);
    expect([drawing.grabs, drawing.drags, captured]).toEqual([[], [], []]);
    point('pointerdown', 10);
    point('pointermove', 30);
    point('pointerup', 30);
    point('pointermove', 50);
    point('pointercancel', 50);
    expect(captured).toEqual([3]);
    expect(drawing.grabs).toEqual([{ xPx: 10, yPx: 7 }]);
    expect(drawing.drags).toEqual([{ xPx: 30, yPx: 7 }]);
    expect(drawing.releases).toBe(1);
  });
});
