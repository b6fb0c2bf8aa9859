import type { Page } from '@playwright/test';

/** Opens a phase of an examination by its cycle; the page below may have a link of the same name. */
export async function openPhase(page: Page, name: RegExp): Promise<void> {
  await page
    .getByRole('navigation', { name: 'The examination’s cycle' })
    .getByRole('link', { name })
    .click();
}
