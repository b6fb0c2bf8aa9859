import { expect, test } from '@playwright/test';
import { fromMenu } from './choose.ts';
import { callApi, LEAD, signIn } from './people.ts';

test('a dialog begins on its first field, is sent with Enter, and gives the focus back', async ({
  page,
}) => {
  await page.goto('/sign-in');
  // Sign-in begins where one writes, and a way leads past the bar.
  await expect(page.getByLabel('E-mail')).toBeFocused();
  await signIn(page, LEAD);
  await page.goto('/cohorts');
  const opener = page.getByRole('button', { name: 'New cohort' });
  await opener.click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByLabel('Name', { exact: true })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await expect(opener).toBeFocused();

  await opener.click();
  await expect(dialog.getByLabel('Name', { exact: true })).toBeFocused();
  await page.keyboard.type(`By key ${Date.now()}`);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/cohorts\/[\da-f-]+$/);

  // What opened it from a menu is gone with the menu; its button is there.
  await page.goto('/bank');
  const menu = page.getByRole('button', { name: 'New station' });
  await fromMenu(menu, 'From procedures');
  await expect(dialog.getByLabel('Title', { exact: true })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await expect(menu).toBeFocused();
});

test('the first key past the address leads past the bar', async ({ page }) => {
  await signIn(page, LEAD);
  await page.goto('/cohorts');
  await expect(page.getByRole('heading', { name: 'Cohorts' })).toBeVisible();
  await page.keyboard.press('Tab');
  const skip = page.getByRole('link', { name: 'To the content' });
  await expect(skip).toBeFocused();
  await expect(skip).toBeInViewport();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: 'New cohort' })).toBeFocused();
});

test('no page of a lead is wider than a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, LEAD);
  const all = await callApi<{ id: string; submitted: number }[]>(
    page.request,
    'get',
    '/examinations',
  );
  const marked = all.find(({ submitted }) => submitted > 0)?.id;
  const pages: [string, string][] = [
    ['/examinations', 'Examinations'],
    ['/bank', 'Station bank'],
    ['/people', 'People'],
    ['preparation', 'Prepare'],
    ['blueprint', 'Blueprint'],
    ['rehearsal', 'Rehearsal'],
    ['results', 'Report'],
    ['standards', 'Set the standard'],
  ];
  for (const [path, heading] of pages) {
    await page.goto(path.startsWith('/') ? path : `/examinations/${marked}/${path}`);
    await expect(page.getByRole('heading', { name: heading, level: 1 })).toBeVisible();
    await expect(page.getByRole('progressbar')).toHaveCount(0);
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(wide, path).toBeLessThanOrEqual(390);
  }
});
