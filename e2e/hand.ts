import type { Locator, Page } from '@playwright/test';

/**
 * Somebody's hand on a page that is new to them: it uses only what can be seen there, never an
 * address, and is counted. A key that stands for a click (Enter) counts as one.
 */
export class Hand {
  clicks = 0;
  characters = 0;

  constructor(readonly page: Page) {}

  async click(what: Locator): Promise<void> {
    await what.click();
    this.clicks++;
  }

  /** By what a button or a link says. */
  async press(name: string | RegExp, within: Page | Locator = this.page): Promise<void> {
    const exact = typeof name === 'string';
    const button = within.getByRole('button', { name, exact });
    await this.click(button.or(within.getByRole('link', { name, exact })));
  }

  /** Into a field, one click; what stood there is written over. */
  async write(field: Locator, words: string): Promise<void> {
    await this.click(field);
    await field.fill(words);
    this.characters += words.length;
  }

  /** Into the field that the page or dialog began in, which needs no click. */
  async writeOn(field: Locator, words: string): Promise<void> {
    await field.and(this.page.locator(':focus')).fill(words);
    this.characters += words.length;
  }

  /** Into the field behind the one that was written in, by the key that leads there. */
  async writeNext(field: Locator, words: string): Promise<void> {
    await this.page.keyboard.press('Tab');
    await this.writeOn(field, words);
  }

  /** Takes an option of the list that is open. */
  async take(option: string | RegExp): Promise<void> {
    const found = this.page.getByRole('option', { name: option }).first();
    await found.waitFor();
    await found.dispatchEvent('click');
    this.clicks++;
  }

  /** A file from the machine: the field, the file, and the window's own button. */
  async bring(field: Locator, name: string, words: string): Promise<void> {
    await field.setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(words) });
    this.clicks += 3;
  }
}
