import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { fromMenu } from './choose.ts';
import { LEAD, signIn } from './people.ts';

const bring = (page: Page, file: object) =>
  page.locator('input[type=file]').setInputFiles({
    name: 'procedures.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(file)),
  });

test('a procedure of the school’s own is brought in, mended on the way, examined, and retired', async ({
  page,
}) => {
  const NAME = `Ober, our way ${Date.now()}`;
  await signIn(page, LEAD);

  const file = await test.step('one of the catalogue is saved as a beginning', async () => {
    await page.goto('/catalogue/ober');
    const saved = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the procedure as JSON' }).click();
    return JSON.parse(await readFile(await (await saved).path(), 'utf8'));
  });
  const [own] = file.procedures;
  own.names = [NAME];
  own.figure.decides.band[1] = 200;

  await test.step('what cannot be read is refused with its place', async () => {
    await page.goto('/catalogue');
    await page.getByRole('link', { name: 'The school’s shelf' }).click();
    await page.getByRole('button', { name: 'Bring procedures in' }).click();
    await bring(page, { ...file, procedures: [{ ...own, region: 'tail' }] });
    await expect(page.getByRole('alert')).toContainText('/procedures/0/region');
    await expect(page.getByRole('button', { name: 'Take onto the shelf' })).toBeDisabled();
  });

  await test.step('what is unsound is named, and put right by what is offered', async () => {
    await bring(page, file);
    const dialog = page.getByRole('dialog');
    await expect(dialog).toContainText('/id is ober, which is a procedure of the catalogue');
    await expect(dialog).toContainText(/\/figure\/decides\/band\/1 is 200°/);
    await expect(page.getByRole('button', { name: 'Take onto the shelf' })).toBeDisabled();
    for (let left = await dialog.locator('li').count(); left > 0; left--) {
      await dialog.getByRole('button', { name: /^Put / }).first().click();
      await expect(dialog.locator('li')).toHaveCount(left - 1);
    }
    await expect(dialog).toContainText('Sound. 1 procedure can be taken.');
    await page.getByRole('button', { name: 'Take onto the shelf' }).click();
    await expect(page.getByText(`On the shelf now: ${NAME}.`)).toBeVisible();
  });

  await test.step('it is found and drawn like the others', async () => {
    await page.goto('/catalogue');
    await page.getByRole('searchbox').fill(NAME);
    await page.getByRole('link', { name: NAME }).click();
    await expect(page.getByRole('heading', { name: NAME })).toBeVisible();
    await expect(page.getByText('The school’s own, from its shelf')).toBeVisible();
    await expect(page.getByRole('img', { name: /right side tested/ })).toBeVisible();
  });

  await test.step('and practised where a link asks for it, however late the shelf is read', async () => {
    const id = new URL(page.url()).pathname.split('/').at(-1);
    await page.goto(`/catalogue/practice?procedure=${id}`);
    await expect(page.getByRole('heading', { level: 1 })).toContainText(NAME);
  });

  const station = `Station of ${NAME}`;
  const can = page.getByRole('button', { name: `What can be done with ${NAME}` });
  const choose = async () => {
    await page.goto('/bank');
    await fromMenu(page.getByRole('button', { name: 'New station' }), 'From procedures');
    await page.getByLabel('Title', { exact: true }).fill(station);
    await page.getByLabel('Procedures, one or several').fill(NAME);
  };
  await test.step('a station is made of it', async () => {
    await choose();
    await page.getByRole('option', { name: NAME }).click();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByText(`${station} is in the bank.`)).toBeVisible();
    await page.getByRole('textbox', { name: 'Title, procedure, patient' }).fill(NAME);
    await expect(page.getByRole('row').filter({ hasText: station })).toContainText(NAME);
  });

  await test.step('retired, it is offered no more; undone, it is', async () => {
    await page.goto('/catalogue/shelf');
    const row = page.getByRole('row').filter({ hasText: NAME });
    await expect(row.getByRole('cell').nth(4)).toHaveText('1');
    await fromMenu(can, 'Retire');
    await expect(page.getByText(`${NAME} is retired: no new station asks it.`)).toBeVisible();
    await choose();
    await expect(page.getByRole('option', { name: NAME })).toHaveCount(0);
    await page.goto('/catalogue/shelf');
    await fromMenu(can, 'Bring back');
    await expect(page.getByText(`${NAME} is back.`)).toBeVisible();
  });

  await test.step('the shelf goes out as a file that comes back as it stands', async () => {
    const saved = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the shelf as JSON' }).click();
    const shelf = JSON.parse(await readFile(await (await saved).path(), 'utf8'));
    await page.getByRole('button', { name: 'Bring procedures in' }).click();
    await bring(page, shelf);
    await expect(page.getByText('All of this stands on the shelf already.')).toBeVisible();
  });
});
