import type { Page } from '@playwright/test';
import type { Scene, Who } from './scene.ts';
import { SCENES_OF_DAY_BEFORE } from './scenesOfDayBefore.ts';
import { SCENES_OF_PREPARING } from './scenesOfPreparing.ts';
import { SCENES_OF_TIMETABLE } from './scenesOfTimetable.ts';

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
type Then = NonNullable<Scene['then']>;
const openSheet: Then = async (page) => {
  await page
    .getByRole('link', { name: /candidate 24/i })
    .first()
    .click();
  await page.locator('[data-item]').first().waitFor();
};

const onPhone = (scene: Scene): Scene => ({ ...scene, phone: true });
const scene =
  (who: Who) =>
  (name: string, path: string, sign: Scene['sign'], then?: Then): Scene => ({
    name,
    who,
    path,
    sign,
    ...(then ? { then } : {}),
  });
const nobody = scene('nobody');
const lead = scene('lead');
const examiner = scene('examiner');
/** A page of the demo examination. */
const examined = (name: string, page: string, sign: Scene['sign'], then?: Then) =>
  lead(name, `/examinations/:e${page}`, sign, then);
/** A sheet of the first examiner, opened from the list of stations. */
const onSheet = (name: string, then?: Then) =>
  onPhone(
    examiner(name, '/stations', 'My stations', async (page, context) => {
      await openSheet(page, context);
      await then?.(page, context);
    }),
  );
const untilDialog: Then = async (page) => {
  await page.getByRole('dialog').waitFor();
  await settle(page);
};
const openMenu: Then = async (page) => {
  await button(page, 'Ines Okafor-Lindqvist').click();
  await settle(page);
};
const untilAlert: Then = (page) => page.getByRole('alert').waitFor();

const cohort = (name: string, then: Then) =>
  lead(name, '/cohorts', 'New cohort', async (page, context) => {
    await page.getByRole('link', { name: '2026', exact: true }).click();
    await page.getByText('Amara Whitlock').waitFor();
    await then(page, context);
  });
async function bring(page: Page, content: string): Promise<void> {
  const buffer = Buffer.from(content);
  await page
    .locator('input[type="file"]')
    .setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer });
  await button(page, 'Read the whole list').click();
}

export const SCENES: readonly Scene[] = [
  onPhone(nobody('sign in', '/sign-in', 'Sign in')),
  onPhone(
    nobody('sign in refused', '/sign-in', 'Sign in', async (page, context) => {
      await page.getByLabel('E-mail').fill('nobody@orrinmouth.example');
      await page.getByLabel('Password').fill('not this one');
      await button(page, 'Sign in').click();
      await untilAlert(page, context);
    }),
  ),
  onPhone(nobody('no such page', '/nowhere', 'There is no such page')),
  scene('first')('first account', '/first-administrator', 'Make the first account'),
  lead('examinations', '/examinations', 'New examination'),
  lead('new examination', '/examinations', 'New examination', async (page, context) => {
    await button(page, 'New examination').click();
    await untilDialog(page, context);
  }),
  lead('the own menu', '/examinations', 'New examination', openMenu),
  lead('change password', '/examinations', 'New examination', async (page, context) => {
    await openMenu(page, context);
    await page.getByText('Change password').click();
    await untilDialog(page, context);
  }),
  lead('people', '/people', 'may sign in'),
  lead('invite somebody', '/people', 'may sign in', async (page, context) => {
    await button(page, 'Invite somebody').click();
    await untilDialog(page, context);
    await page.getByRole('button', { name: 'Invite', exact: true }).click();
    await page.getByText('Choose a role.').waitFor();
  }),
  lead('the last administrator', '/people', 'may sign in', async (page, context) => {
    await button(page, 'administrator, Ines Okafor-Lindqvist').click();
    await untilAlert(page, context);
  }),
  lead('letters', '/post', 'Letters'),
  lead('house', '/house', 'The house'),
  onPhone(nobody('a link that is none', `/welcome#${'x'.repeat(43)}`, 'This link is none of ours')),
  lead('cohorts', '/cohorts', 'New cohort'),
  lead('new cohort', '/cohorts', 'New cohort', async (page, context) => {
    await button(page, 'New cohort').click();
    await untilDialog(page, context);
  }),
  cohort('cohort', async () => undefined),
  cohort('a student', async (page, context) => {
    await button(page, /Amara Whitlock/).click();
    await untilDialog(page, context);
  }),
  cohort('a list looked at', async (page) => {
    await bring(page, 'number,name\n900,Anew One\n26001,Amara Whitlock-Reyes');
    await page.getByText('1 new student').waitFor();
  }),
  cohort('a list that cannot be taken', async (page) => {
    await bring(page, 'number,name\n900,\n900,Twice');
    await page.getByText(/cannot be taken/).waitFor();
  }),
  lead('bank', '/bank', 'Unsteady ankle'),
  ...SCENES_OF_PREPARING,
  ...SCENES_OF_TIMETABLE,
  ...SCENES_OF_DAY_BEFORE,
  lead('audit', '/audit', 'signed in'),
  lead('for programs', '/for-programs', 'Who is signed in here'),
  examined('overview', '', 'Stations'),
  examined('prepare', '/preparation', 'Sheets without a timetable'),
  examined('prepare, a list open', '/preparation', 'Sheets without a timetable', async (page) => {
    await page.getByLabel('Station of the bank').fill('knee');
    await settle(page);
  }),
  examined(
    'prepare, refused',
    '/preparation',
    'Sheets without a timetable',
    async (page, context) => {
      await page.getByLabel('Station of the bank').fill('Unsteady');
      await page.getByRole('option', { name: 'Unsteady ankle' }).first().click();
      await button(page, 'Add station').click();
      await untilAlert(page, context);
    },
  ),
  examined(
    'a candidate’s state',
    '/preparation',
    'Sheets without a timetable',
    async (page, context) => {
      await button(page, 'expected, candidate 3').click();
      await untilDialog(page, context);
      await page.getByLabel('absent').check();
    },
  ),
  examined('calibrate', '/calibration', 'Calibrate'),
  examined('mark', '/marking', 'Sheets that want a look'),
  examined('one sheet’s record', '/marking', 'Sheets that want a look', async (page) => {
    await page.getByRole('link', { name: 'open the sheet' }).first().click();
    await page.getByText('Everything that was tapped').waitFor();
  }),
  examined('agree', '/agreement', 'How severe each examiner is'),
  examined('agree, item by item', '/agreement', 'How severe each examiner is', async (page) => {
    await page.getByRole('heading', { name: 'Item by item' }).scrollIntoViewIfNeeded();
    await page.mouse.wheel(0, 560);
    await settle(page);
  }),
  examined('agree, by pair and part', '/agreement', 'How severe each examiner is', async (page) => {
    await page.getByRole('heading', { name: 'Where it comes from' }).scrollIntoViewIfNeeded();
    await settle(page);
  }),
  examined('agree, severity', '/agreement', 'How severe each examiner is', async (page) => {
    await page.getByText('For information: no score').scrollIntoViewIfNeeded();
    await settle(page);
  }),
  examined('a plot’s numbers', '/agreement', 'How severe each examiner is', async (page) => {
    await page.getByRole('button', { name: 'Show the numbers' }).last().click();
    await page.getByText('For information: no score').scrollIntoViewIfNeeded();
    await settle(page);
  }),
  examined(
    'limits of agreement',
    '/agreement',
    'How severe each examiner is',
    async (page, context) => {
      await button(page, 'limits of agreement').first().click();
      await untilDialog(page, context);
      await page.getByText('95 of 100 differences').waitFor();
    },
  ),
  examined(
    'the table behind',
    '/agreement',
    'How severe each examiner is',
    async (page, context) => {
      await page.locator('tr[data-item] button').first().click();
      await untilDialog(page, context);
    },
  ),
  examined('two sheets', '/agreement', 'How severe each examiner is', async (page) => {
    await page.locator('tr[data-item="shin-grip"] button').first().click();
    await page.getByRole('dialog').getByRole('link').first().click();
    await page.getByText(/The two sheets/).waitFor();
  }),
  examined('set the standard', '/standards', 'Consequence'),
  examined('every method at a station', '/standards', 'Consequence', async (page) => {
    await page.getByText('Every method at this station').first().click();
    await page.getByText('Come above').first().waitFor();
    await page.locator('details[open]').first().scrollIntoViewIfNeeded();
    await settle(page);
  }),
  examined('methods for the whole', '/standards', 'Consequence', async (page) => {
    await page.getByText('Every station by one method').scrollIntoViewIfNeeded();
    await page.mouse.wheel(0, 500);
    await settle(page);
  }),
  examined('sign', '/standards', 'Consequence', async (page, context) => {
    await button(page, 'Sign this standard').click();
    await untilDialog(page, context);
  }),
  examined('report', '/results', 'Report'),
  examined('release', '/results', 'Report', async (page, context) => {
    await button(page, 'Release results').click();
    await untilDialog(page, context);
  }),
  onPhone(
    examined('one candidate', '/results', 'Report', async (page) => {
      await page.locator('table a').first().click();
      await page.getByRole('heading', { level: 1 }).waitFor();
      await settle(page);
    }),
  ),
  examined('a page that fails', '/results', 'Report', async (page, context) => {
    await answering('**/api/examinations/*/results**', 500, fault)(page);
    await untilAlert(page, context);
  }),
  examined('a page that loads', '/results', 'Report', async (page) => {
    await page.route('**/api/examinations/*/results**', () => undefined);
    await page.reload();
    await page.getByRole('progressbar').first().waitFor();
  }),
  examined('how far it can be trusted', '/trust', /dependability of/),
  examined('over the years', '/years', /Cohort 2026 did/),
  lead('a station over the years', '/bank', 'Unsteady ankle', async (page) => {
    await page
      .getByRole('row', { name: /Shoulder that slips/ })
      .getByRole('link')
      .last()
      .click();
    await page.getByText('took the place of').first().waitFor();
  }),
  onPhone(lead('catalogue', '/catalogue', 'Catalogue of procedures')),
  onPhone(lead('a procedure', '/catalogue/mcmurray-rotation-extension', 'McMurray test')),
  onPhone(lead('a close-up', '/catalogue/talar-tilt-neutral', 'Talar tilt')),
  lead('bench', '/catalogue/bench', 'Interpretation bench'),
  onPhone(lead('practice', '/catalogue/practice', 'Yours')),
  onPhone(examiner('my stations', '/stations', 'My stations')),
  onPhone(
    examiner('my stations, none', '/stations', 'My stations', async (page) => {
      await answering('**/api/own/stations', 200, [])(page);
      await page.getByText('not assigned to a station').waitFor();
    }),
  ),
  onPhone(
    examiner('briefing', '/stations', 'My stations', async (page) => {
      await page.getByRole('link', { name: 'Briefing', exact: true }).first().click();
      await page.getByText('Cautions').waitFor();
    }),
  ),
  onSheet('sheet'),
  onSheet('sheet, marked', async (page) => {
    for (const row of (await page.locator('[data-item]').all()).slice(0, 6))
      await row.getByRole('button').last().click();
    await settle(page);
  }),
  onSheet('sheet, review', async (page, context) => {
    await button(page, /^Review/).click();
    await untilDialog(page, context);
  }),
  onSheet('sheet, no network', async (page, context) => {
    await context.setOffline(true);
    await page.locator('[data-item] button').first().click();
    await page.getByText(/no network/).waitFor();
  }),
  onSheet('sheet, signed out', async (page, context) => {
    const problem = {
      type: 'urn:kritikos:problem:not-signed-in',
      title: 'You are not signed in',
      status: 401,
    };
    await page.route('**/events', (route) =>
      route.fulfill({
        status: 401,
        contentType: 'application/problem+json',
        body: JSON.stringify(problem),
      }),
    );
    await page.locator('[data-item] button').first().click();
    await untilAlert(page, context);
  }),
  onSheet('sheet, a tap set aside', async (page) => {
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
    await page
      .getByText(/set aside/)
      .first()
      .waitFor();
  }),
  onPhone(
    examiner('sheet, submitted', '/stations', 'My stations', async (page) => {
      await page
        .getByRole('link', { name: /submitted$/ })
        .first()
        .click();
      await page.locator('[data-item]').first().waitFor();
    }),
  ),
];
