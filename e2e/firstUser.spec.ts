import { expect, test } from '@playwright/test';
import type { Browser, Page } from '@playwright/test';
import { Hand } from './hand.ts';
import { PASSWORD } from './people.ts';
import { EMPTY_PORT, FIRST_WORD } from './playwright.config.ts';

const CANDIDATES = ['Ada Quist', 'Ben Oduya', 'Cleo Marsh', 'Dario Venn'];
const LIST = ['number,name', ...CANDIDATES.map((name, i) => `${i + 1},${name}`)].join('\n');
const STATIONS = [
  ['Knee that gave way', 'lachman', /^Lachman/],
  ['Heel cord', 'thompson', /^Thompson/],
  ['Ache on reaching up', 'hawkins', /^Hawkins/],
  ['Tennis arm', 'cozen', /^Cozen/],
] as const;
const EXAMINERS = ['Bo Lind', 'Cy Orr', 'Di Ash', 'Ed Roe', 'Fay Moss'];
const addressOf = (name: string) => `${name.split(' ')[0]?.toLowerCase()}@orrin.example`;
const ADDRESSES = EXAMINERS.map((name) => `${name}, ${addressOf(name)}`).join('\n');
const GRADES = ['Excellent', 'Clear pass', 'Borderline pass', 'Clear fail'];

const spoken = (buttons: (HTMLElement | SVGElement)[]) =>
  buttons.map((one) => one.getAttribute('aria-label') ?? one.textContent?.trim() ?? '');

/** Marks a sheet by taps alone: so many of the first acts are missed, all else is at its best. */
async function markSheet(hand: Hand, candidate: number): Promise<void> {
  const rows = hand.page.locator('[data-item]');
  await expect(rows.first()).toBeVisible();
  let toMiss = 3 * (candidate - 1);
  for (const row of await rows.all()) {
    const names = await row.getByRole('button').evaluateAll(spoken);
    const missed = names.includes('Done') && toMiss-- > 0;
    const wanted = missed ? 'Not done' : (names.find((n) => n === 'Done' || n === 'More') ?? '');
    const at = names.includes(wanted) ? names.indexOf(wanted) : names.length - 1;
    await hand.click(row.getByRole('button').nth(at));
  }
  await hand.press(GRADES[candidate - 1] ?? '');
  await expect(hand.page.getByRole('status').filter({ hasText: 'All saved' })).toBeVisible();
  await hand.press(/^Review/);
  await hand.press('Submit');
}

/** Somebody who was handed a link marks all that is theirs to mark. */
async function examine(browser: Browser, link: string): Promise<Hand> {
  const context = await browser.newContext({ viewport: { width: 1180, height: 820 } });
  const hand = new Hand(await context.newPage());
  await hand.page.goto(link);
  await hand.write(hand.page.getByRole('textbox', { name: /assword/ }), PASSWORD);
  await hand.press('Keep it and sign in');
  await expect(hand.page.getByRole('heading', { name: 'My stations' })).toBeVisible();
  await expect(hand.page.getByText(/\d+ of \d+ submitted/).first()).toBeVisible();
  const toMark = hand.page.getByRole('link', { name: /^Candidate \d+, to mark/ });
  for (let left = await toMark.count(); left > 0; left--) {
    await expect(toMark).toHaveCount(left);
    const next = hand.page.getByRole('link', { name: /^Next: candidate/ }).first();
    const candidate = Number(/\d+/.exec(await next.innerText())?.[0]);
    await hand.click(next);
    await markSheet(hand, candidate);
    await expect(hand.page.getByRole('heading', { name: 'My stations' })).toBeVisible();
  }
  // The last of it may be on its way.
  await expect(
    hand.page.getByText('Everything that you marked on this device is saved.'),
  ).toBeVisible();
  await expect(hand.page.getByRole('link', { name: /^(Next:|Continue) candidate/ })).toHaveCount(0);
  await context.close();
  return hand;
}

const heading = (page: Page, name: string) => page.getByRole('heading', { name, exact: true });

test('from an empty installation to a signed mark by what is on the screen, counted', async ({
  page,
  browser,
}) => {
  const lead = new Hand(page);
  const dialog = page.getByRole('dialog');
  const phase = (name: RegExp) =>
    lead.click(
      page.getByRole('navigation', { name: 'The examination’s cycle' }).getByRole('link', { name }),
    );
  const links: string[] = [];

  await test.step('the first account, and an examination', async () => {
    // The address that the start printed is the only one.
    await page.goto(`http://127.0.0.1:${EMPTY_PORT}/`);
    await lead.write(page.getByLabel('Word from the start'), FIRST_WORD);
    await lead.writeNext(page.getByLabel('Your name'), 'Ana Só');
    await lead.writeNext(page.getByLabel('E-mail'), 'ana@orrin.example');
    await lead.writeNext(
      page.getByLabel('Password, 12 characters or more', { exact: true }),
      PASSWORD,
    );
    await lead.press('Make the account');
    await lead.press('New examination');
    await lead.writeOn(dialog.getByLabel('Title'), 'Spring examination');
    await lead.writeNext(dialog.getByLabel('School'), 'Orrin College');
    await lead.writeNext(dialog.getByLabel('Cohort'), '2026');
    await lead.press('Make it');
    await expect(heading(page, 'Prepare').first()).toBeVisible();
  });

  await test.step('four stations, made in the bank and taken from it', async () => {
    await lead.press('Make a new one in the bank');
    for (const [title, words, option] of STATIONS) {
      await lead.press('New station');
      await lead.click(page.locator('.v-list-item').filter({ hasText: 'From procedures' }));
      await lead.writeOn(dialog.getByLabel('Title', { exact: true }), title);
      await lead.writeNext(dialog.getByLabel('Procedures, one or several'), words);
      await lead.take(option);
      await page.keyboard.press('Escape');
      await lead.press('Make it');
      await expect(page.getByText(`${title} is in the bank.`)).toBeVisible();
    }
    await lead.press('Examinations');
    await lead.press('Spring examination');
    await phase(/^Prepare/);
    for (const [i, [title]] of STATIONS.entries()) {
      await lead.click(page.getByRole('combobox', { name: 'Station of the bank' }));
      await lead.take(title);
      await lead.press('Add station');
      await expect(page.getByText(`${i + 1} · ${title}`)).toBeVisible();
    }
  });

  await test.step('candidates and examiners from lists', async () => {
    await lead.bring(page.locator('input[type="file"]'), 'list.csv', LIST);
    await lead.press('Import 4 candidates');
    await expect(page.getByRole('cell', { name: 'Dario Venn' })).toBeVisible();
    await lead.press('Several from a list');
    await lead.write(page.getByLabel('Names and addresses, one in a line'), ADDRESSES);
    await lead.press('Invite 5 examiners');
    await expect(page.getByText('can mark here once they chose a password')).toBeVisible();
    links.push(...(await page.locator('code').filter({ hasText: 'welcome#' }).allInnerTexts()));
    expect(links).toHaveLength(5);
    // Each is copied into a message of one's own.
    for (const name of EXAMINERS) await lead.press(`Copy the link for ${name}`);
  });

  await test.step('a timetable with sheets marked twice, published', async () => {
    await lead.press('Make a timetable');
    await lead.write(page.getByLabel('Sheets marked twice'), '4');
    await lead.press('Plan the day');
    await expect(page.getByText('4 of 4 asked')).toBeVisible();
    await lead.press('Publish');
    await lead.press('Publish', dialog);
    await expect(page.getByText('Plan 1 is published')).toBeVisible();
  });

  const taps: number[] = [];
  await test.step('marking is opened, five examiners mark, and it is closed', async () => {
    await phase(/^Mark/);
    await lead.press('Open marking');
    await lead.press('Open all the same');
    await expect(page.getByRole('button', { name: 'Close marking' })).toBeVisible();
    for (const link of links) taps.push((await examine(browser, link)).clicks);
    await lead.press('Close marking');
    await expect(page.getByRole('button', { name: 'Open marking' })).toBeVisible();
  });

  await test.step('the standard is looked at and signed', async () => {
    await phase(/^Set the standard/);
    await lead.press('Sign this standard');
    await lead.writeOn(
      dialog.getByLabel('Reason, for the board and for appeals'),
      'Borderline regression, as the board agreed.',
    );
    await lead.press('Sign', dialog);
    await expect(page.getByText('No. 1, in force')).toBeVisible();
    await phase(/^Report/);
    await expect(page.getByRole('row').filter({ hasText: 'Ada Quist' })).toContainText('pass');
    await expect(page.getByRole('row').filter({ hasText: 'Dario Venn' })).toContainText('fail');
  });

  const counted = `${lead.clicks} clicks and ${lead.characters} characters of the lead; ${taps.join(', ')} taps of the examiners`;
  console.log(counted);
  // A first user needed 277 clicks and 965 characters once, some 90 clicks of them detours.
  expect(lead.clicks, counted).toBeLessThan(190);
});
