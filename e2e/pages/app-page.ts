import { expect, type Locator, type Page } from '@playwright/test';

export type CardRow = 'aperture' | 'focus' | 'shutter' | 'iso' | 'meter' | 'flash';

/** The frame: spine, rooms, card, settings; what a person finds on every screen. */
export class AppPage {
  readonly card: Locator;
  readonly spine: Locator;
  readonly timeHandle: Locator;

  constructor(readonly page: Page) {
    this.card = page.getByRole('article', { name: 'Dial card' });
    this.spine = page.locator('rd-spine');
    this.timeHandle = page.getByRole('slider', { name: 'Time of day' });
  }

  async open(path = '/'): Promise<void> {
    await this.page.goto(path);
    await expect(this.page.locator('rd-root main').or(this.page.locator('rd-card-room')).first()).toBeVisible();
    await expect(
      this.card.or(this.page.getByText('No walk yet').first()).or(this.page.getByText('This walk has no stops yet')).first(),
    ).toBeVisible();
  }

  number(row: CardRow): Locator {
    return this.card.locator(`[data-row="${row}"] [data-number]`);
  }

  note(row: CardRow): Locator {
    return this.card.locator(`[data-row="${row}"] .note`);
  }

  async expectNumbers(numbers: Partial<Record<CardRow, string>>): Promise<void> {
    for (const [row, text] of Object.entries(numbers)) await expect(this.number(row as CardRow)).toHaveText(text);
  }

  stop(name: string): Locator {
    return this.spine.getByRole('button', { name: new RegExp(`^\\d* ?${name}`) }).first();
  }

  /** Chooses a stop and waits until everything is about it. */
  async choose(name: string): Promise<void> {
    await this.stop(name).click();
    await expect(this.card.getByRole('heading', { name, exact: true })).toBeVisible();
    await expect(
      this.field('Name of the stop')
        .or(this.page.getByRole('heading', { level: 1, name: 'Kit' }))
        .first(),
    ).toBeAttached();
  }

  async stopNames(): Promise<string[]> {
    return this.spine.locator('.stop .name').allTextContents();
  }

  async room(name: 'Walk' | 'Kit' | 'Card'): Promise<void> {
    await this.page.getByRole('navigation', { name: 'Rooms' }).getByRole('link', { name }).click();
    await expect(this.page.getByRole('heading', { level: 1, name: name === 'Card' ? 'Dial card' : name })).toBeAttached();
  }

  async settings(): Promise<Locator> {
    await this.page.getByRole('button', { name: /^(Settings|More)$/ }).click();
    const dialog = this.page.getByRole('dialog');
    await expect(dialog).toBeVisible();
    return dialog;
  }

  /** The field with this label in the room's form; the first where several share it. */
  field(label: string): Locator {
    return this.page.getByRole('main').getByLabel(label, { exact: true }).first();
  }

  async fill(label: string, text: string): Promise<void> {
    await this.field(label).fill(text);
    await this.field(label).press('Enter');
  }
}
