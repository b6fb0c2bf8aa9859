import { expect } from '@playwright/test';
import type { Locator, Page } from '@playwright/test';

/**
 * Takes an option of a list that opens under a field. Long lists are virtual: an option that is
 * further down is not there until somebody scrolls to it.
 */
export async function choose(page: Page, field: string, name: string): Promise<void> {
  await page.getByRole('combobox').filter({ hasText: field }).click();
  const option = page.getByRole('option', { name });
  await expect(async () => {
    if (!(await option.isVisible())) {
      await page.getByRole('listbox').evaluate((list) => list.scrollBy(0, 120));
    }
    await expect(option).toBeVisible({ timeout: 1000 });
  }).toPass();
  // Once, however long it takes: an option that was taken is gone, and cannot be taken again.
  await option.dispatchEvent('click');
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
