import { focusSoon, isFocusLost } from './focus-soon';

const frames = async (count: number): Promise<void> => {
  for (let k = 0; k < count; k++) await new Promise((resolve) => requestAnimationFrame(resolve));
};

describe('where the keyboard goes', () => {
  beforeEach(() => {
    document.body.innerHTML = '<nav><a href="#" id="link">Kit</a></nav><button id="other">Other</button>';
  });

  it('goes to what comes later, and selects the text of a field', async () => {
    focusSoon(() => document.querySelector<HTMLInputElement>('#late'));
    await frames(3);
    document.body.insertAdjacentHTML('beforeend', '<input id="late" value="New lens" />');
    await frames(3);
    const late = document.querySelector<HTMLInputElement>('#late');
    expect(document.activeElement).toBe(late);
    expect([late?.selectionStart, late?.selectionEnd]).toEqual([0, 8]);
  });

  it('can go to a heading', async () => {
    document.body.insertAdjacentHTML('beforeend', '<h1>Kit</h1>');
    focusSoon(() => document.querySelector('h1'));
    await frames(3);
    expect(document.activeElement?.tagName).toBe('H1');
  });

  it('leaves somebody where they have gone meanwhile', async () => {
    focusSoon(() => document.querySelector<HTMLElement>('#late'));
    document.querySelector<HTMLElement>('#other')?.focus();
    await frames(2);
    document.body.insertAdjacentHTML('beforeend', '<input id="late" />');
    await frames(3);
    expect(document.activeElement?.id).toBe('other');
  });

  it('goes where it was wanted last, though what was wanted first comes first', async () => {
    focusSoon(() => document.querySelector<HTMLElement>('#other'));
    focusSoon(() => document.querySelector<HTMLElement>('#late'));
    await frames(2);
    document.body.insertAdjacentHTML('beforeend', '<input id="late" />');
    await frames(3);
    expect(document.activeElement?.id).toBe('late');
  });

  it('is lost on the page and on the links of the rooms, not on a button', () => {
    expect(isFocusLost()).toBe(true);
    document.querySelector<HTMLElement>('#link')?.focus();
    expect(isFocusLost()).toBe(true);
    document.querySelector<HTMLElement>('#other')?.focus();
    expect(isFocusLost()).toBe(false);
  });
});
