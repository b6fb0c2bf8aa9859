import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { EXAMINER, LEAD, signIn } from './people.ts';

test('a procedure is found though misspelt, drawn, and given a patient whose key follows', async ({
  page,
}) => {
  await signIn(page, LEAD);
  await page.getByRole('link', { name: 'Catalogue' }).click();
  await page.getByRole('searchbox', { name: 'Name, synonym, structure' }).fill('lachmann');
  await page.getByRole('link', { name: 'Lachman test', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Lachman test' })).toBeVisible();
  await expect(
    page.getByRole('img', { name: /right side tested: .*knee bent 25 degrees/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Left' }).click();
  await expect(page.getByRole('img', { name: /left side tested/ })).toBeVisible();
  await page.getByRole('combobox').filter({ hasText: 'The patient has' }).click();
  await page.getByRole('option', { name: 'Complete tear of the back cruciate ligament' }).click();
  await expect(page.getByText('States the difference between the sides: Equal')).toBeVisible();
  await expect(page.getByText(/it looks like a torn front cruciate/)).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as FHIR Questionnaire' }).click();
  expect((await saved).suggestedFilename()).toBe('lachman-anterior-translation.questionnaire.json');
});

test('a checklist goes out, is changed, and comes back as the next version', async ({ page }) => {
  await signIn(page, LEAD);
  await page.goto('/catalogue/elbow-varus-stress');
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as JSON' }).click();
  const written = JSON.parse(await readFile(await (await saved).path(), 'utf8'));
  const bringIn = (content: object) =>
    page.locator('input[type=file]').setInputFiles({
      name: 'varus.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(content)),
    });

  written.checklist.items[1].weight = 3;
  await bringIn(written);
  await expect(
    page.getByText(/Version \d+ of “Varus stress test of the elbow” was made/),
  ).toBeVisible();

  written.checklist.items[1].weight = -3;
  await bringIn(written);
  await expect(page.getByRole('alert')).toContainText('Nothing was taken');
  await expect(page.getByRole('alert')).toContainText('/checklist/items/1/weight');
});

test('the bench moves the chance by the likelihood ratio', async ({ page }) => {
  await signIn(page, EXAMINER(1));
  await page.goto('/catalogue/bench?procedure=lachman-anterior-translation');
  // 85 and 94 percent: a ratio of 14.2, odds of 30 : 70 become 6.07, a chance of 86 percent.
  await expect(
    page.getByRole('img', {
      name: 'Chance of the condition: before 30 percent, after test 1 86 percent',
    }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Negative' }).click();
  await expect(page.getByRole('img', { name: /after test 1 6 percent/ })).toBeVisible();
  await expect(page.getByText(/With 30 % before, 94 % of those who test negative/)).toBeVisible();
});

test('practice asks before it shows the band', async ({ page }) => {
  await signIn(page, EXAMINER(1));
  await page.goto('/catalogue/practice');
  await expect(page.getByText('It appears here when you have decided.')).toBeVisible();
  await page.getByRole('button', { name: 'Show what is accepted' }).click();
  await expect(page.getByText(/Angle \d+° outside the band/)).toBeVisible();
  await expect(page.getByText('compare its place').first()).toBeVisible();
});
