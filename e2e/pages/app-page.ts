import { expect, type Locator, type Page } from '@playwright/test';
import { rowsStored } from '../fixtures/stored.js';

export type CardRow = 'aperture' | 'focus' | 'shutter' | 'iso' | 'meter' | 'flash';

/** The frame: spine, rooms, card, settings; what a person finds on every screen. */
export class AppPage {
  readonly card: Locator;
  readonly spine: Locator;
  readonly timeHandle: Locator;
  private readonly bar: Locator;
  private readonly more: Locator;
  private readonly moreRooms: Locator;

  constructor(readonly page: Page) {
    this.card = page.getByRole('article', { name: 'Dial card' });
    this.spine = page.locator('rd-spine');
    this.bar = page.getByRole('navigation', { name: 'Rooms', exact: true });
    this.more = this.bar.getByRole('button', { name: 'More', exact: true });
    this.moreRooms = page.getByRole('navigation', { name: 'More rooms' });
    this.timeHandle = page.getByRole('slider', { name: 'Time of day' });
  }

  async open(path = '/'): Promise<void> {
    await this.page.goto(path);
    await expect(this.page.locator('rd-root main').or(this.page.locator('rd-card-in-hand')).first()).toBeVisible();
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
    await expect(this.card.getByText('the walls here are not measured yet')).toHaveCount(0);
    await expect(
      this.field('Name of the stop')
        .or(this.page.getByRole('heading', { level: 1, name: /^(Kit|Set-up|Light|Meter)$/ }))
        .first(),
    ).toBeAttached();
  }

  async expectStops(count: number): Promise<void> {
    await expect(this.spine.locator('.stop .name')).toHaveCount(count);
  }

  async stopNames(): Promise<string[]> {
    return this.spine.locator('.stop .name').allTextContents();
  }

  /** Waits until the page does not hold its reader back any more: everything is written. */
  async expectStored(): Promise<void> {
    const holdsBack = (): Promise<boolean> =>
      this.page.evaluate(() => !window.dispatchEvent(new Event('beforeunload', { cancelable: true })));
    await expect.poll(holdsBack).toBe(false);
  }

  /** Waits until every file that the service worker lays by is there: from then on the net may go. */
  async untilPrefetched(): Promise<void> {
    await this.page.evaluate(async () => {
      const ready = await navigator.serviceWorker.ready;
      while (ready.active?.state !== 'activated') await new Promise((resolve) => setTimeout(resolve, 100));
    });
    // The prefetch is through when every file of the manifest is in a cache.
    await expect
      .poll(
        () =>
          this.page.evaluate(async () => {
            const manifest = (await (await fetch('ngsw.json')).json()) as {
              assetGroups: { installMode: string; urls: string[] }[];
            };
            const urls = manifest.assetGroups.filter((group) => group.installMode === 'prefetch').flatMap((group) => group.urls);
            const cached = new Set<string>();
            for (const key of await caches.keys()) {
              for (const request of await (await caches.open(key)).keys()) cached.add(new URL(request.url).pathname);
            }
            return urls.filter((url) => !cached.has(url));
          }),
        { timeout: 30_000 },
      )
      .toEqual([]);
  }

  async reload(): Promise<void> {
    await this.expectStored();
    await this.page.reload();
  }

  /** Small pictures of frames, patches and places that the browser holds. */
  keptPictures(): Promise<number> {
    return rowsStored(this.page, 'roam-dial', 'sights');
  }

  async room(name: string): Promise<void> {
    // In the hand the bar holds five; the others are under More.
    if ((await this.more.isVisible()) && (await this.bar.getByRole('link', { name }).count()) === 0) {
      await this.more.click();
      await this.moreRooms.getByRole('link', { name }).click();
    } else await this.bar.getByRole('link', { name }).click();
    await expect(this.page.getByRole('heading', { level: 1, name: name === 'Card' ? 'Dial card' : name })).toBeAttached();
  }

  /** What the bar leads to, and what is under More in the hand. */
  async rooms(): Promise<readonly string[]> {
    const inBar = await this.bar.getByRole('link').allInnerTexts();
    if (!(await this.more.isVisible())) return inBar;
    await this.more.click();
    await expect(this.moreRooms.getByRole('link').first()).toBeVisible();
    const underMore = await this.moreRooms.getByRole('link').allInnerTexts();
    await this.page.keyboard.press('Escape');
    await expect(this.moreRooms).toHaveCount(0);
    return [...inBar, ...underMore];
  }

  /** Goes through every page of every room that the screen leads to; what is new in the list of rooms is looked at as well. */
  async everyPage(look: (where: string) => Promise<void>): Promise<void> {
    for (const room of await this.rooms()) {
      await this.room(room);
      // A room draws its tabs with its view.
      await expect(this.page.locator('main [aria-busy=true]')).toHaveCount(0);
      const tabs = await this.page.getByRole('main').getByRole('tab').allInnerTexts();
      if (tabs.length === 0) await look(room);
      for (const tab of tabs) {
        const link = this.page.getByRole('main').getByRole('tab', { name: tab, exact: true });
        await link.click();
        await expect(link).toHaveAttribute('aria-selected', 'true');
        await expect(
          this.page.getByRole('tabpanel').locator('> :not(router-outlet)').filter({ visible: true }).first(),
        ).toBeVisible();
        await look(`${room}, ${tab}`);
      }
    }
  }

  /** The fields of the whole walk are made when they come into view; what is made above them meanwhile moves them out of it again. */
  async editWalk(): Promise<void> {
    await expect(async () => {
      await this.page.getByRole('heading', { name: 'The walk', exact: true }).scrollIntoViewIfNeeded();
      await expect(this.page.getByLabel('Body', { exact: true })).toBeVisible({ timeout: 1000 });
    }).toPass();
  }

  async setUpPage(name: 'What limits it' | 'As light goes' | 'Where to stand' | 'My hands'): Promise<void> {
    const tab = this.page.getByRole('tab', { name });
    await tab.click();
    await expect(tab).toHaveAttribute('aria-selected', 'true');
    await expect(this.page.getByRole('main').locator('h2').first()).toBeVisible();
  }

  /** Presses at the middle of one place and lets go at the middle of another. */
  async drag(from: Locator, to: { readonly x: number; readonly y: number }): Promise<void> {
    const box = await from.boundingBox();
    if (box === null) throw new Error('nothing to take hold of');
    await this.page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await this.page.mouse.down();
    await this.page.mouse.move(to.x, to.y, { steps: 8 });
    await this.page.mouse.up();
  }

  /** The middle of a text of a chart's axis. */
  async axisText(chart: string, text: string): Promise<{ readonly x: number; readonly y: number }> {
    const label = this.page.locator(`${chart} text.axis`).getByText(text, { exact: true });
    await label.scrollIntoViewIfNeeded();
    const box = await label.boundingBox();
    if (box === null) throw new Error(`no ${text} on ${chart}`);
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
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
