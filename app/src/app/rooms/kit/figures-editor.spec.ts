import { TestBed } from '@angular/core/testing';
import { DEFAULT_FIGURES, FIGURE_RANGES, type Figures } from '@roam-dial/core/kit';
import { FiguresEditor } from './figures-editor';

function editor(figures: Partial<Figures>) {
  const fixture = TestBed.createComponent(FiguresEditor);
  fixture.componentRef.setInput('figures', figures);
  fixture.detectChanges();
  const changes: Partial<Figures>[] = [];
  fixture.componentInstance.changed.subscribe((change) => changes.push(change));
  const root = fixture.nativeElement as HTMLElement;
  const type = (label: string, text: string): void => {
    const field = [...root.querySelectorAll('rd-value-field')].find((one) => one.querySelector('label')?.textContent === label);
    const input = field?.querySelector('input') ?? null;
    if (input === null) throw new Error(`no ${label}`);
    input.value = text;
    input.dispatchEvent(new Event('change'));
    fixture.detectChanges();
  };
  return { root, changes, type };
}

describe('the figures of judgement', () => {
  it('has a field for every one of them, within its range', () => {
    const { root } = editor({});
    expect(root.querySelectorAll('rd-value-field')).toHaveLength(Object.keys(FIGURE_RANGES).length);
    for (const [key, [low, high]] of Object.entries(FIGURE_RANGES)) {
      const value = DEFAULT_FIGURES[key as keyof Figures];
      expect([key, value >= low && value <= high]).toEqual([key, true]);
    }
  });
  it('keeps what is otherwise, and forgets what is as it was', () => {
    const { changes, type } = editor({ walkingStops: -1 });
    type('Bracing gains', '2.5');
    type('Walking costs', '-2');
    expect(changes).toEqual([{ walkingStops: -1, braceStops: 2.5 }, {}]);
  });
  it('refuses what cannot be, and keeps it on the line', () => {
    const { root, changes, type } = editor({});
    type('Bracing gains', 'plenty');
    type('A pan follows', '1.2');
    expect(changes).toEqual([]);
    expect(root.querySelectorAll('mat-error')).toHaveLength(2);
  });
  it('says what the default was, and goes back to all of them', () => {
    const { root, changes } = editor({ mainsHz: 60, ringPrice: 0.3 });
    expect(root.textContent).toContain('2 changed');
    expect(root.textContent).toContain('else 50');
    root.querySelector('button')?.click();
    [...root.querySelectorAll('button')].find((one) => one.textContent?.includes('Back to all defaults'))?.click();
    expect(changes.at(-1)).toEqual({});
  });
});
