import { expect, test } from '@playwright/test';
import type { Browser, Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { callApi, LEAD, signIn } from './people.ts';

/** The demo's examination of next year: planned, with a panel at work. */
async function nextYears(page: Page): Promise<string> {
  const all = await callApi<{ id: string; title: string }[]>(page.request, 'get', '/examinations');
  return all.find(({ title }) => title === 'Second-year special tests, 2027')?.id ?? '';
}

test('the demo’s plan is rehearsed, and one more second examiner is taken from it', async ({
  page,
}) => {
  await signIn(page, LEAD);
  await page.goto(`/examinations/${await nextYears(page)}/rehearsal`);
  await expect(page.getByText(/Learnt from Orthopedic special tests, second year/)).toBeVisible();
  const ability = page.getByLabel('Ability');
  const learnt = await ability.inputValue();
  await ability.fill('-2');
  await page.getByRole('button', { name: 'Rehearse', exact: true }).click();
  await expect(page.getByRole('alert').first()).toContainText('must not be below 0');
  await ability.fill(learnt);
  await page.getByLabel('Rehearsals').fill('40');
  await page.getByRole('button', { name: 'Rehearse', exact: true }).click();
  await expect(page.getByText(/The examination will be dependable to 0\.\d\d/)).toBeVisible({
    timeout: 200_000,
  });
  await expect(page.getByText(/The cut will lie near \d+\.\d %/)).toBeVisible();
  const more = page.getByRole('row', { name: /One more second examiner/ });
  const pairs = await more.getByRole('cell').nth(1).innerText();
  expect(Number(pairs)).toBeGreaterThan(36);
  await more.getByRole('button', { name: 'Take this plan' }).click();
  await expect(page).toHaveURL(/timetable/);
  await expect(page.getByLabel('Sheets marked twice')).toHaveValue(pairs);
});

test('the papers are made, all from one button', async ({ page }) => {
  await signIn(page, LEAD);
  await page.goto(`/examinations/${await nextYears(page)}/papers`);
  await page.getByLabel('Letter').check();
  await page.getByRole('button', { name: 'Make all papers' }).click();
  const archive = page.getByRole('link', { name: /^Letter, / });
  await expect(archive).toBeVisible({ timeout: 200_000 });
  const [download] = await Promise.all([page.waitForEvent('download'), archive.click()]);
  expect(download.suggestedFilename()).toBe('Second-year special tests, 2027, papers Letter.zip');
  const content = await readFile(await download.path());
  // The signature of a ZIP file.
  expect(content.subarray(0, 4).toString('latin1')).toBe('PK\u0003\u0004');
  expect(content.byteLength).toBeGreaterThan(50_000);
});

const standardsOf = (page: Page, examination: string) =>
  callApi<{ draft: { handCuts: Record<string, number> } }>(
    page.request,
    'get',
    `/examinations/${examination}/standards`,
  );

/** A judge on a phone of their own, who sits by the link alone. */
async function sit(browser: Browser, link: string): Promise<Page> {
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await phone.newPage();
  page.setDefaultTimeout(60_000);
  await page.goto(link);
  return page;
}

/** Goes through the stations, judging each thing a half and so many steps more, less one. */
async function judge(page: Page, stations: number, taps: number): Promise<void> {
  for (let station = 0; station < stations; station++) {
    for (const slider of await page.getByRole('slider').all()) {
      await slider.press('5');
      for (let i = 1; i < taps; i++) await slider.press('ArrowRight');
    }
    await page.getByRole('button', { name: 'On', exact: true }).click();
  }
}

test('a panel of four judges comes in two rounds to a cut beside the other methods', async ({
  page,
  browser,
}) => {
  page.setDefaultTimeout(60_000);
  await signIn(page, LEAD);
  const all = await callApi<{ id: string; title: string }[]>(page.request, 'get', '/examinations');
  const id = all.find(({ title }) => title === 'Orthopedic special tests, second year')?.id ?? '';
  const title = `Panel of a browser ${Date.now()}`;
  await page.goto(`/examinations/${id}/panels`);
  await page.getByRole('button', { name: 'New panel' }).click();
  await page.getByLabel('What it is called').fill(title);
  await page.getByRole('combobox').filter({ hasText: 'What is judged' }).click();
  await page.getByRole('option', { name: 'each station as a whole' }).click();
  await page.getByRole('button', { name: 'Make it' }).click();
  const card = page
    .locator('section.panel')
    .filter({ has: page.getByRole('heading', { name: title }) });
  await expect(card).toBeVisible();

  const judges: Page[] = [];
  for (const name of ['Una Hollis', 'Vero Stant', 'Wyn Marsh', 'Xanthe Boll']) {
    await card.getByRole('button', { name: 'Give a seat' }).click();
    await page.getByLabel('Name', { exact: true }).fill(name);
    await page.getByRole('button', { name: 'Give the seat' }).click();
    const link = await page.getByLabel('Link', { exact: true }).inputValue();
    await page.getByRole('button', { name: 'Done' }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    judges.push(await sit(browser, link));
  }
  for (const own of judges)
    await expect(own.getByText('The first round is not open yet')).toBeVisible();
  await card.getByRole('button', { name: 'Open round 1' }).click();

  await test.step('each alone: a half, a half, more and much more', async () => {
    for (const [i, own] of judges.entries()) {
      await expect(own.getByText('Station 1', { exact: true })).toBeVisible();
      await judge(own, 8, [1, 2, 3, 6][i] ?? 1);
      await expect(own.getByText('all is kept')).toBeVisible();
      // A page that is opened anew, as on another device, has everything.
      if (i === 0) {
        await own.reload();
        await expect(own.locator('output').first()).toHaveText('50 %');
        for (let n = 0; n < 8; n++)
          await own.getByRole('button', { name: 'On', exact: true }).click();
      }
      await own.getByRole('button', { name: 'On', exact: true }).click();
      await own.getByRole('button', { name: /^Hand in/ }).click();
      await expect(own.getByText('Round 1 is handed in')).toBeVisible();
    }
  });

  await test.step('the spread without names, and again', async () => {
    await expect(card.getByText('handed in', { exact: false })).toHaveCount(4);
    await card.getByRole('button', { name: 'Close round 1' }).click();
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    // 50, 55, 60 and 75: a mean of 60.
    await expect(card.getByText('A candidate passes with 60.0 %')).toBeVisible();
    await expect(card.getByText('Xanthe Boll stands more than two')).toBeVisible();
    const [first, , , last] = judges as [Page, Page, Page, Page];
    await expect(first.getByText('The panel came to 60.0 %')).toBeVisible();
    await expect(first.getByText('Xanthe')).toHaveCount(0);
    await card.getByRole('button', { name: 'Open round 2' }).click();
    await expect(last.getByText('Round 2.')).toBeVisible();
    for (let station = 0; station < 8; station++) {
      const less = last.getByRole('button', { name: /: less$/ });
      for (let i = 0; i < 3; i++) await less.click();
      await last.getByRole('button', { name: 'On', exact: true }).click();
    }
    await expect(last.getByText('all is kept')).toBeVisible();
    for (const own of judges) {
      await expect(own.getByText('Round 2.')).toBeVisible();
      if (own !== last)
        for (let n = 0; n < 8; n++)
          await own.getByRole('button', { name: 'On', exact: true }).click();
      await own.getByRole('button', { name: 'On', exact: true }).click();
      await own.getByRole('button', { name: /^Hand in/ }).click();
      await expect(own.getByText('Round 2 is handed in')).toBeVisible();
    }
    await card.getByRole('button', { name: 'Close round 2' }).click();
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    await expect(card.getByText('A candidate passes with 56.3 %')).toBeVisible();
  });

  await test.step('it stands beside the other methods, and its cuts can be taken', async () => {
    await page.goto(`/examinations/${id}/standards`);
    const row = page.getByRole('row', { name: new RegExp(`${title}, round 2`) });
    await expect(row).toContainText('56.3');
    await row.getByRole('button').click();
    await expect(page.getByLabel(/by hand/i).first()).toHaveValue('56.3');
    await page.getByRole('button', { name: 'Sign this standard' }).click();
    await expect(page.getByLabel(/^Reason/)).toHaveValue(
      `The cuts are those of ${title}, round 2. `,
    );
    // The next lead finds the discussion as it was.
    await page.getByRole('button', { name: 'Not yet' }).click();
    await page.getByRole('button', { name: 'Take the cuts by hand back' }).click();
    await expect(page.getByLabel(/by hand/i).first()).toHaveValue('');
    await expect.poll(async () => (await standardsOf(page, id)).draft.handCuts).toEqual({});
  });
});
