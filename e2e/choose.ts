import { expect } from '@playwright/test';
import type { Locator, Page } from '@playwright/test';

/**
 * Takes an option of a list that opens under a field. Long lists are virtual: an option that is
 * further down is not there until somebody scrolls to it, and a list that has just opened scrolls
 * back to what is chosen, so an option that was seen may be gone a moment later. It is therefore
 * looked for and taken in one go.
 */
export async function choose(page: Page, field: string, name: string): Promise<void> {
  await page.getByRole('combobox').filter({ hasText: field }).click();
  const takes = (list: HTMLElement | SVGElement, wanted: string): boolean => {
    const options = [...list.querySelectorAll<HTMLElement>('[role=option]')];
    const option = options.find((o) => o.innerText.toLowerCase().includes(wanted.toLowerCase()));
    if (option) option.click();
    else list.scrollTop = list.scrollTop + 120;
    return option !== undefined;
  };
  await expect.poll(() => page.getByRole('listbox').evaluate(takes, name)).toBe(true);
  // A list that is still closing takes the next click for its own.
  await expect(page.getByRole('option')).toHaveCount(0);
}

/**
 * Takes what a menu offers. The click is sent to the item itself: a menu moves with its button while
 * the page settles, and takes the focus as it opens, so that on a slow machine a finger comes down
 * beside the item, or a key on another.
 */
export async function fromMenu(button: Locator, item: string | RegExp): Promise<void> {
  await button.click();
  const items = button.page().locator('.v-list-item');
  await items.filter({ hasText: item }).dispatchEvent('click');
  // A menu that is still closing takes the next click for its own.
  await expect(items).toHaveCount(0);
}
