import type { BrowserContext, Page } from '@playwright/test';

export type Who = 'nobody' | 'lead' | 'examiner' | 'first';

/** One state of one screen: how to get there, and what shows that it is reached. */
export interface Scene {
  readonly name: string;
  readonly who: Who;
  /** Where it is; `:e` stands for the demo examination. */
  readonly path: string;
  /** Text that shows that the page is there. */
  readonly sign: string | RegExp;
  /** What to do there before the picture. */
  readonly then?: (page: Page, context: BrowserContext) => Promise<void>;
  /** Screens of the examiner are looked at on a phone too. */
  readonly phone?: true;
}

const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).first();
const settle = (page: Page) => page.waitForTimeout(350);
/** Answers every request of this kind with something else, from now on. */
const answering = (pattern: string, status: number, body: object) => async (page: Page) => {
  await page.route(pattern, (route) =>
    route.fulfill({ status, contentType: 'application/json', body: JSON.stringify(body) }),
  );
  await page.reload();
};
const fault = {
  type: 'urn:kritikos:problem:fault',
  title: 'Something went wrong on the server',
  status: 500,
  detail: 'Nothing was half-saved. Try again; if it happens again, tell whoever runs this server.',
};
const openSheet = async (page: Page) => {
  await page
    .getByRole('link', { name: /candidate 24/i })
    .first()
    .click();
  await page.locator('[data-item]').first().waitFor();
};

export const SCENES: readonly Scene[] = [
  { name: 'sign in', who: 'nobody', path: '/sign-in', sign: 'Sign in', phone: true },
  {
    name: 'sign in refused',
    who: 'nobody',
    path: '/sign-in',
    sign: 'Sign in',
    phone: true,
    then: async (page) => {
      await page.getByLabel('E-mail').fill('nobody@orrinmouth.example');
      await page.getByLabel('Password').fill('not this one');
      await button(page, 'Sign in').click();
      await page.getByRole('alert').waitFor();
    },
  },
  {
    name: 'no such page',
    who: 'nobody',
    path: '/nowhere',
    sign: 'There is no such page',
    phone: true,
  },
  { name: 'first account', who: 'first', path: '/first-lead', sign: 'Make the first account' },
  { name: 'examinations', who: 'lead', path: '/examinations', sign: 'Examinations' },
  {
    name: 'new examination',
    who: 'lead',
    path: '/examinations',
    sign: 'Examinations',
    then: async (page) => {
      await button(page, 'New examination').click();
      await page.getByRole('dialog').waitFor();
      await settle(page);
    },
  },
  {
    name: 'the own menu',
    who: 'lead',
    path: '/examinations',
    sign: 'Examinations',
    then: async (page) => {
      await button(page, /· lead/).click();
      await settle(page);
    },
  },
  {
    name: 'change password',
    who: 'lead',
    path: '/examinations',
    sign: 'Examinations',
    then: async (page) => {
      await button(page, /· lead/).click();
      await page.getByText('Change password').click();
      await page.getByRole('dialog').waitFor();
      await settle(page);
    },
  },
  { name: 'audit', who: 'lead', path: '/audit', sign: 'signed in' },
  { name: 'overview', who: 'lead', path: '/examinations/:e', sign: 'Stations' },
  { name: 'prepare', who: 'lead', path: '/examinations/:e/preparation', sign: 'Plan the sheets' },
  {
    name: 'prepare, a list open',
    who: 'lead',
    path: '/examinations/:e/preparation',
    sign: 'Plan the sheets',
    then: async (page) => {
      await page.getByLabel('Procedure').fill('knee');
      await settle(page);
    },
  },
  {
    name: 'prepare, refused',
    who: 'lead',
    path: '/examinations/:e/preparation',
    sign: 'Plan the sheets',
    then: async (page) => {
      await page.getByLabel('Station title').fill('One more');
      await page.getByLabel('Procedure').fill('Lachman test');
      await page.getByRole('option', { name: 'Lachman test', exact: true }).click();
      await button(page, 'Add station').click();
      await page.getByRole('alert').waitFor();
    },
  },
  { name: 'calibrate', who: 'lead', path: '/examinations/:e/calibration', sign: 'Calibrate' },
  { name: 'mark', who: 'lead', path: '/examinations/:e/marking', sign: 'Sheets that want a look' },
  {
    name: 'one sheet’s record',
    who: 'lead',
    path: '/examinations/:e/marking',
    sign: 'Sheets that want a look',
    then: async (page) => {
      await page.getByRole('link', { name: 'open the sheet' }).first().click();
      await page.getByText('Everything that was tapped').waitFor();
    },
  },
  {
    name: 'agree',
    who: 'lead',
    path: '/examinations/:e/agreement',
    sign: /planned pairs of sheets/,
  },
  {
    name: 'the table behind',
    who: 'lead',
    path: '/examinations/:e/agreement',
    sign: /planned pairs of sheets/,
    then: async (page) => {
      await page.locator('tr[data-item] button').first().click();
      await page.getByRole('dialog').waitFor();
      await settle(page);
    },
  },
  {
    name: 'two sheets',
    who: 'lead',
    path: '/examinations/:e/agreement',
    sign: /planned pairs of sheets/,
    then: async (page) => {
      await page.locator('tr[data-item="shin-grip"] button').first().click();
      await page.getByRole('dialog').getByRole('link').first().click();
      await page.getByText(/The two sheets/).waitFor();
    },
  },
  {
    name: 'set the standard',
    who: 'lead',
    path: '/examinations/:e/standards',
    sign: 'Consequence',
  },
  {
    name: 'sign',
    who: 'lead',
    path: '/examinations/:e/standards',
    sign: 'Consequence',
    then: async (page) => {
      await button(page, 'Sign this standard').click();
      await page.getByRole('dialog').waitFor();
      await settle(page);
    },
  },
  { name: 'report', who: 'lead', path: '/examinations/:e/results', sign: 'Report' },
  {
    name: 'one candidate',
    who: 'lead',
    path: '/examinations/:e/results',
    sign: 'Report',
    phone: true,
    then: async (page) => {
      await page.locator('table a').first().click();
      await page.getByRole('heading', { level: 1 }).waitFor();
      await settle(page);
    },
  },
  {
    name: 'a page that fails',
    who: 'lead',
    path: '/examinations/:e/results',
    sign: 'Report',
    then: async (page) => {
      await answering('**/api/examinations/*/results**', 500, fault)(page);
      await page.getByRole('alert').waitFor();
    },
  },
  {
    name: 'a page that loads',
    who: 'lead',
    path: '/examinations/:e/results',
    sign: 'Report',
    then: async (page) => {
      await page.route('**/api/examinations/*/results**', () => undefined);
      await page.reload();
      await page.getByRole('progressbar').first().waitFor();
    },
  },
  {
    name: 'catalogue',
    who: 'lead',
    path: '/catalogue',
    sign: 'Catalogue of procedures',
    phone: true,
  },
  {
    name: 'a procedure',
    who: 'lead',
    path: '/catalogue/mcmurray-rotation-extension',
    sign: 'McMurray test',
    phone: true,
  },
  { name: 'bench', who: 'lead', path: '/catalogue/bench', sign: 'Interpretation bench' },
  { name: 'practice', who: 'lead', path: '/catalogue/practice', sign: 'Yours', phone: true },
  { name: 'my stations', who: 'examiner', path: '/stations', sign: 'My stations', phone: true },
  {
    name: 'my stations, none',
    who: 'examiner',
    path: '/stations',
    sign: 'My stations',
    phone: true,
    then: async (page) => {
      await answering('**/api/own/stations', 200, [])(page);
      await page.getByText('not assigned to a station').waitFor();
    },
  },
  {
    name: 'briefing',
    who: 'examiner',
    path: '/stations',
    sign: 'My stations',
    phone: true,
    then: async (page) => {
      await page.getByRole('link', { name: 'Briefing', exact: true }).first().click();
      await page.getByText('Cautions').waitFor();
    },
  },
  {
    name: 'sheet',
    who: 'examiner',
    path: '/stations',
    sign: 'My stations',
    phone: true,
    then: openSheet,
  },
  {
    name: 'sheet, marked',
    who: 'examiner',
    path: '/stations',
    sign: 'My stations',
    phone: true,
    then: async (page) => {
      await openSheet(page);
      for (const row of (await page.locator('[data-item]').all()).slice(0, 6))
        await row.getByRole('button').last().click();
      await settle(page);
    },
  },
  {
    name: 'sheet, review',
    who: 'examiner',
    path: '/stations',
    sign: 'My stations',
    phone: true,
    then: async (page) => {
      await openSheet(page);
      await button(page, /^Review/).click();
      await page.getByRole('dialog').waitFor();
      await settle(page);
    },
  },
  {
    name: 'sheet, no network',
    who: 'examiner',
    path: '/stations',
    sign: 'My stations',
    phone: true,
    then: async (page, context) => {
      await openSheet(page);
      await context.setOffline(true);
      await page.locator('[data-item] button').first().click();
      await page.getByText(/no network/).waitFor();
    },
  },
  {
    name: 'sheet, signed out',
    who: 'examiner',
    path: '/stations',
    sign: 'My stations',
    phone: true,
    then: async (page) => {
      await openSheet(page);
      await page.route('**/events', (route) =>
        route.fulfill({
          status: 401,
          contentType: 'application/problem+json',
          body: JSON.stringify({
            type: 'urn:kritikos:problem:not-signed-in',
            title: 'You are not signed in',
            status: 401,
          }),
        }),
      );
      await page.locator('[data-item] button').first().click();
      await page.getByRole('alert').waitFor();
    },
  },
  {
    name: 'sheet, a tap set aside',
    who: 'examiner',
    path: '/stations',
    sign: 'My stations',
    phone: true,
    then: async (page) => {
      await openSheet(page);
      await page.route('**/events', async (route) => {
        const { events } = route.request().postDataJSON() as { events: { id: string }[] };
        const answers = events.map(({ id }) => ({
          outcome: 'refused',
          id,
          reason: 'This cannot be stored: body/text contains characters that cannot be stored.',
        }));
        await route.fulfill({ json: { answers, before: 0, stamp: 0, submittedAt: null } });
      });
      await page.locator('[data-item] button').first().click();
      await page.getByText(/set aside/).waitFor();
    },
  },
  {
    name: 'sheet, submitted',
    who: 'examiner',
    path: '/stations',
    sign: 'My stations',
    phone: true,
    then: async (page) => {
      await page
        .getByRole('link', { name: /submitted$/ })
        .first()
        .click();
      await page.locator('[data-item]').first().waitFor();
    },
  },
];
