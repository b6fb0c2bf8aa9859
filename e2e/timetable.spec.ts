import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { callApi, inOwnBrowser, LEAD, signIn } from './people.ts';

const CANDIDATES = 48;

/** An examination like this year's, with eight stations, for so many new candidates. */
async function examination(page: Page): Promise<string> {
  const api = page.request;
  const all = await callApi<{ id: string; title: string }[]>(api, 'get', '/examinations');
  const like = all.find(({ title }) => title === 'Orthopedic special tests, second year');
  const heldOn = '2029-05-18';
  const made = await callApi<{ id: string }>(api, 'post', `/examinations/${like?.id}/next`, {
    title: `Planned by a browser ${Date.now()}`,
    cohort: '2029',
    heldOn,
  });
  const { csrfToken } = (await (await api.get('/api/session')).json()) as { csrfToken: string };
  const rows = Array.from({ length: CANDIDATES }, (_, i) => `${i + 1},Student ${i + 1}`);
  const taken = await api.post(`/api/examinations/${made.id}/candidates`, {
    headers: { 'x-csrf-token': csrfToken, 'content-type': 'text/csv' },
    data: ['number,name', ...rows].join('\n'),
  });
  expect(taken.ok()).toBe(true);
  return made.id;
}
const cell = (page: Page, name: RegExp) =>
  page.locator('.cell').and(page.getByRole('button', { name }));
const told = (page: Page) => page.locator('.outcome');
const said = (page: Page) =>
  page.locator('p[role="status"]').filter({ hasNotText: 'sheets marked twice' });

test('48 candidates over 8 stations and 2 circuits: planned, changed by hand and by key, and again when an examiner falls ill', async ({
  page,
  browser,
}) => {
  page.setDefaultTimeout(60_000);
  await signIn(page, LEAD);
  const id = await examination(page);

  await test.step('who takes part comes from a file; a wrong one is refused cell by cell', async () => {
    await page.goto(`/examinations/${id}/resources`);
    await expect(page.getByRole('heading', { name: 'Who and what may be used' })).toBeVisible();
    const file = (content: string) =>
      page.locator('input[type="file"]').setInputFiles({
        name: 'examiners.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from(content),
      });
    await file('email,regions\nexaminer1@orrinmouth.example,tail\n');
    await expect(page.getByText(/No station is of the region “tail”/)).toBeVisible();
    const rows = Array.from(
      { length: 20 },
      (_, i) => `examiner${i + 1}@orrinmouth.example,${i < 8 ? 'knee' : 'all'}`,
    );
    await file(['email,regions', ...rows].join('\n'));
    await expect(page.getByText('20 rows taken.')).toBeVisible();
    await expect(page.getByRole('checkbox', { name: 'Tomasz Adeyemi takes part' })).toBeChecked();
  });

  await test.step('a day that is too short is refused in words; a longer one is planned', async () => {
    await page.goto(`/examinations/${id}/timetable`);
    await expect(page.getByText('No plan yet')).toBeVisible();
    await page.getByLabel('Circuits').fill('2');
    await page.getByLabel('Sheets marked twice').fill('48');
    await page.getByLabel('until at most').fill('09:30');
    await page.getByRole('button', { name: 'Plan the day' }).click();
    await expect(
      page.getByRole('alert').filter({ hasText: '48 candidates do not fit' }),
    ).toBeVisible();
    await page.getByLabel('until at most').fill('17:30');
    await page.getByRole('button', { name: 'Plan the day' }).click();
    await expect(page.locator('.cell').first()).toBeVisible();
    await expect(page.locator('.cell')).toHaveCount(48 * 8);
    await expect(page.locator('.circuit')).toHaveCount(2);
    await expect(page.getByText('reached', { exact: true })).toBeVisible();
    await expect(page.getByText('48 of 48 asked')).toBeVisible();
  });

  const first = cell(page, /^candidate 1, 1 /);
  const second = cell(page, /^candidate 2, 2 /);
  await test.step('two candidates change places by dragging one onto the other; another lead sees it', async () => {
    const other = await inOwnBrowser(browser, LEAD);
    await other.goto(`/examinations/${id}/timetable`);
    await expect(cell(other, /^candidate 1, 1 /)).toBeVisible();
    await first.scrollIntoViewIfNeeded();
    const [from, to] = [await first.boundingBox(), await second.boundingBox()];
    if (!from || !to) throw new Error('The board is not there.');
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(to.x + 4, to.y + 4, { steps: 6 });
    await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 4 });
    await expect(told(page)).toContainText('candidate 1 and candidate 2 change places');
    await page.mouse.up();
    await expect(said(page)).toContainText('Candidate 1 and candidate 2 change places.');
    await expect(cell(page, /^candidate 2, 1 /)).toBeVisible();
    await expect(cell(other, /^candidate 2, 1 /)).toBeVisible();
    await other.context().close();
  });

  await test.step('and back by the keyboard, where a wrong place says what it would break', async () => {
    await cell(page, /^candidate 2, 1 /).focus();
    await page.keyboard.press('Enter');
    await expect(told(page)).toContainText('candidate 2 is picked up');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowDown');
    await expect(told(page)).toContainText('change places');
    await page.keyboard.press('Escape');
    await expect(told(page)).toHaveCount(0);
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowDown');
    await expect(told(page)).toContainText('candidate 2 and candidate 1 change places');
    await page.keyboard.press('Enter');
    await expect(said(page)).toContainText('Candidate 2 and candidate 1 change places.');
    await expect(cell(page, /^candidate 1, 1 /)).toBeVisible();
  });

  let examiner = '';
  await test.step('an examiner who may not examine there is refused; the changes are undone', async () => {
    // Twelve examine everything, and twelve posts are not of the knee: at the knee stand the others.
    const knee = page
      .locator('.stint')
      .and(page.getByRole('button', { name: / at 1 / }))
      .first();
    examiner = ((await knee.getAttribute('aria-label')) ?? '').replace(/ at 1 .*$/, '');
    await knee.focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowDown');
    await expect(told(page)).toContainText(`${examiner} may not examine 2 `);
    await page.keyboard.press('Enter');
    await expect(
      page.getByRole('alert').filter({ hasText: 'The day could not be run so' }),
    ).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(said(page)).toContainText('Undone: candidate 2 and candidate 1');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(said(page)).toContainText('Undone: candidate 1 and candidate 2');
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  });

  await test.step('it is published; a table of it leaves the house', async () => {
    await page.getByRole('button', { name: 'Publish' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
    await expect(page.locator('.state')).toHaveText('published');
    const table = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Table' }).click();
    expect((await table).suggestedFilename()).toMatch(/\.csv$/);
    await expect(page.getByText('still holds')).toBeVisible();
    const { sheets } = await callApi<{ sheets: number }>(
      page.request,
      'get',
      `/examinations/${id}`,
    );
    expect(sheets).toBe(48 * 8 + 48);
  });

  await test.step('at noon an examiner falls ill: few are told, the draft is published, the table is stale', async () => {
    await page.getByRole('button', { name: 'Plan the rest again' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('combobox', { name: 'Examiners who cannot go on' }).fill(examiner);
    await page.getByRole('option', { name: examiner }).dispatchEvent('click');
    await dialog.getByRole('button', { name: 'Show the difference' }).click();
    await expect(dialog.getByText(/are told something new, \d+ nothing/)).toBeVisible();
    await expect(dialog.locator('.people li').filter({ hasText: examiner }).first()).toContainText(
      'no longer',
    );
    await dialog.getByRole('button', { name: 'Make it a draft' }).click();
    await expect(page.locator('.state')).toHaveText('draft');
    await expect(page.getByText(/planned again from \d\d:\d\d on plan/)).toBeVisible();
    await page.getByRole('button', { name: 'Publish' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
    await expect(page.locator('.state')).toHaveText('published');
    await expect(page.getByText('stale: it does not hold any more')).toBeVisible();
  });
});
