import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { EMPTY_PORT, FIRST_WORD } from './playwright.config.ts';
import { EXAMINER, LEAD, signIn } from './people.ts';

/** In the light theme against all rules; in the dark one against those that a theme can break. */
async function expectAccessible(page: Page, what: string): Promise<void> {
  await dress(page, 'light');
  const rules = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'];
  await expectNone(axeOn(page).withTags(rules), `${what}, light`);
  await dress(page, 'dark');
  await expectNone(axeOn(page).withRules(['color-contrast']), `${what}, dark`);
}

/** There are no frames, so the page alone is asked; what is right need not be listed. */
function axeOn(page: Page): AxeBuilder {
  return new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
}

async function dress(page: Page, colorScheme: 'light' | 'dark'): Promise<void> {
  await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
  const theme = colorScheme === 'light' ? 'paper' : 'hall';
  await expect(page.locator(`.v-application.v-theme--${theme}`)).toBeVisible();
  // What is still fading in has no contrast yet.
  await expect.poll(() => page.evaluate(STILL_MOVING), 'what still moves').toEqual([]);
}

/** What runs and comes to an end, by its element; asked again and again, as a wait in the page for an
 * end that never comes would say nothing of what it waited for. */
const STILL_MOVING = `document.getAnimations()
  .filter((one) => one.playState === 'running' || one.pending)
  .filter((one) => Number.isFinite(one.effect?.getComputedTiming().endTime))
  .map((one) => one.effect.target?.className + ' ' + (one.transitionProperty ?? one.animationName))`;

async function expectNone(axe: AxeBuilder, what: string): Promise<void> {
  const { violations } = await axe.analyze();
  const found = violations.map(
    (v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`,
  );
  expect(found, what).toEqual([]);
}

const LEADS_PAGES = {
  'before the day': [
    ['', 'Stations'],
    ['/preparation', 'Sheets without a timetable'],
    ['/blueprint', 'What stands out'],
    ['/timetable', 'What is asked'],
    ['/resources', 'Who and what may be used'],
  ],
  'around the day': [
    ['/rehearsal', 'Rehearsal'],
    ['/panels', 'Provisional standard by a panel'],
    ['/papers', 'Papers'],
    ['/calibration', 'Calibrate'],
    ['/marking', 'Sheets that want a look'],
  ],
  'after the day': [
    ['/agreement', 'Agree'],
    ['/standards', 'Consequence'],
    ['/results', 'Report'],
    ['/trust', 'The figures'],
    ['/years', 'The stations that stayed the same'],
  ],
} as const;
for (const [when, pages] of Object.entries(LEADS_PAGES)) {
  test(`the lead’s pages ${when} are accessible`, async ({ page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await signIn(page, LEAD);
    await page.getByRole('link', { name: 'Orthopedic special tests, second year' }).click();
    await expect(page.getByRole('heading', { name: 'Stations' })).toBeVisible();
    const base = page.url();
    for (const [path, sign] of pages) {
      await page.goto(base + path);
      await expect(page.getByRole('heading', { name: sign, exact: true }).first()).toBeVisible();
      await page.waitForLoadState('networkidle');
      await expectAccessible(page, path || 'overview');
    }
  });
}

test('signing in, the house and the letters are accessible', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.goto('/sign-in');
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await expectAccessible(page, 'sign-in');
  await signIn(page, LEAD);
  for (const [path, sign] of [
    ['/people', 'People'],
    ['/house', 'The house'],
    ['/post', 'Letters'],
  ] as const) {
    await page.goto(path);
    await expect(page.getByRole('heading', { name: sign, exact: true })).toBeVisible();
    await page.waitForLoadState('networkidle');
    await expectAccessible(page, path);
  }
});

test('the bank and the workshop are accessible', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await signIn(page, LEAD);
  await page.goto('/bank');
  await expect(page.getByRole('heading', { name: 'Station bank' })).toBeVisible();
  await page.waitForLoadState('networkidle');
  await expectAccessible(page, 'bank');
  await page.goto('/checklists');
  await page.getByRole('link', { name: 'Tight front of the hip' }).click();
  await expect(page.getByLabel('Words of item 1', { exact: true })).toBeVisible();
  await page.locator('button.kind').nth(2).click();
  for (const tab of ['Items', 'Rules and faults', 'Around them', 'History', 'Versions']) {
    await page.getByRole('tab', { name: tab, exact: true }).click();
    await page.waitForLoadState('networkidle');
    await expectAccessible(page, tab);
  }
});

test('the timetable is accessible', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await signIn(page, LEAD);
  await page.getByRole('link', { name: 'Second-year special tests, 2027' }).click();
  await expect(page.getByRole('heading', { name: 'Stations' })).toBeVisible();
  const base = page.url();
  await page.goto(`${base}/timetable`);
  await page.locator('.cell').nth(3).click();
  await expect(page.getByRole('region', { name: 'The place that is chosen' })).toBeVisible();
  await page.waitForLoadState('networkidle');
  await expectAccessible(page, 'the board, a place chosen');
  for (const tab of ['Who does what', 'Who can be compared', 'Gathering']) {
    await page.getByRole('tab', { name: tab, exact: true }).click();
    await expectAccessible(page, tab);
  }
  for (const act of ['Plan the rest again', 'Publish']) {
    await page.getByRole('button', { name: act }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await expectAccessible(page, act);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
  await page.goto(`${base}/resources`);
  for (const tab of ['Examiners', 'Simulated patients', 'Rooms and couches', 'Equipment']) {
    await page.getByRole('tab', { name: tab, exact: true }).click();
    await page.waitForLoadState('networkidle');
    await expectAccessible(page, tab);
  }
});

test('the catalogue is accessible', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await signIn(page, EXAMINER(1));
  for (const [path, sign] of [
    ['', 'Catalogue of procedures'],
    ['/mcmurray-rotation-extension', 'McMurray test'],
    ['/bench', 'Interpretation bench'],
    ['/practice', 'Yours'],
    ['/shelf', 'The school’s shelf'],
  ] as const) {
    await page.goto(`/catalogue${path}`);
    await expect(page.getByRole('heading', { name: sign, exact: true })).toBeVisible();
    await page.waitForLoadState('networkidle');
    await expectAccessible(page, path || 'catalogue');
  }
});

test('the examiner’s pages are accessible', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await signIn(page, EXAMINER(1));
  await expect(page.getByRole('heading', { name: /Station 1/ }).first()).toBeVisible();
  await expectAccessible(page, 'my stations');
  await page.getByRole('link', { name: 'Briefing', exact: true }).first().click();
  await expect(page.getByRole('heading', { name: 'Cautions' })).toBeVisible();
  await expectAccessible(page, 'briefing');
  await page.goto('/stations');
  await page
    .getByRole('link', { name: /candidate 24$/i })
    .first()
    .click();
  await expect(page.locator('[data-item]').first()).toBeVisible();
  await expectAccessible(page, 'sheet');
  await page.keyboard.press('r');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.waitForTimeout(300);
  await expectAccessible(page, 'review');
});

test('an empty installation leads to the first account and on to the first examination', async ({
  page,
}) => {
  await page.goto(`http://127.0.0.1:${EMPTY_PORT}/`);
  await expect(page.getByRole('heading', { name: 'Make the first account' })).toBeVisible();
  await page.getByLabel('Word from the start').fill('not-this');
  await page.getByLabel('Your name').fill('Ana Só');
  await page.getByLabel('E-mail').fill('ana@orrinmouth.example');
  await page.getByLabel('Password, 12 characters or more').fill('short');
  await page.getByRole('button', { name: 'Make the account' }).click();
  await expect(page.getByText('needs 12 characters or more')).toBeVisible();
  await page.getByLabel('Password, 12 characters or more').fill('long enough for this');
  await page.getByRole('button', { name: 'Make the account' }).click();
  await expect(page.getByText('is not the one that was printed')).toBeVisible();
  await page.getByLabel('Word from the start').fill(FIRST_WORD);
  await page.getByRole('button', { name: 'Make the account' }).click();
  await expect(page.getByText('There is no examination yet.')).toBeVisible();
});

test('an examiner is kept out of the lead’s pages', async ({ page }) => {
  await signIn(page, EXAMINER(1));
  await page.goto('/examinations');
  await expect(page).toHaveURL(/\/stations/);
});

test('wrong passwords and dead links are said plainly', async ({ page }) => {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill(LEAD);
  await page.getByLabel('Password').fill('not the password');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toContainText('E-mail and password do not match');
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'There is no such page' })).toBeVisible();
});
