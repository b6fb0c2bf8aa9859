import type { Page } from '@playwright/test';
import type { Scene } from './scene.ts';

type Then = NonNullable<Scene['then']>;
const settle = (page: Page) => page.waitForTimeout(350);
const NEXT_YEAR = 'Second-year special tests, 2027';
const TIMETABLE = '**/api/examinations/*/timetable';
const PLAN = '**/api/examinations/*/timetables/*';

/** A page of next year's examination, perhaps with other answers than the server's. */
const nextYears = (
  page: 'timetable' | 'resources',
  name: string,
  then: Then = () => Promise.resolve(),
  before: (page: Page) => Promise<unknown> = () => Promise.resolve(),
): Scene => ({
  name: `${page}, ${name}`,
  who: 'lead',
  path: '/examinations',
  sign: 'New examination',
  then: async (browser, context) => {
    const link = browser.getByRole('link', { name: NEXT_YEAR });
    const path = (await link.getAttribute('href')) ?? '';
    await before(browser);
    await browser.goto(`${path}/${page}`);
    await browser
      .getByText(page === 'timetable' ? 'What is asked' : 'asks for no more than it needs')
      .waitFor();
    await browser.waitForLoadState('networkidle');
    await then(browser, context);
    await settle(browser);
  },
});
/** Answers what the server would, but for what is said otherwise. */
const otherwise = (path: string, change: (told: Told) => object) => async (page: Page) => {
  await page.route(path, async (route) => {
    if (route.request().method() !== 'GET') return route.continue();
    const told = (await (await route.fetch()).json()) as Told;
    return route.fulfill({ json: { ...told, ...change(told) } });
  });
};
interface Told {
  readonly plans: readonly object[];
  readonly examiners: readonly object[];
  readonly [part: string]: unknown;
}
const first = ({ plans }: Told, more: object) => ({
  plans: plans.map((plan) => ({ ...plan, ...more })),
});
const onBoard: Then = async (page) => {
  await page.locator('.board').scrollIntoViewIfNeeded();
};
const tab =
  (name: string): Then =>
  async (page) => {
    await page.getByRole('tab', { name, exact: true }).click();
    await page.locator('.page').evaluate((one) => one.lastElementChild?.scrollIntoView());
  };
/** Picks the first candidate up and goes so many places with it. */
const carried =
  (...keys: string[]): Then =>
  async (page) => {
    await page.locator('.cell').first().focus();
    await page.keyboard.press('Enter');
    for (const key of keys) await page.keyboard.press(key);
  };
const JOB = {
  id: '01890000-0000-7000-8000-000000000000',
  kind: 'timetable',
  result: null,
  problem: null,
  madeAt: '2026-11-27T09:00:00.000Z',
  endedAt: null,
};
const planning = (job: object) => async (page: Page) => {
  const answer = { json: { ...JOB, ...job } };
  await page.route('**/api/jobs/*', (route) => route.fulfill(answer));
  await page.route(TIMETABLE, (route) =>
    route.request().method() === 'POST' ? route.fulfill(answer) : route.continue(),
  );
};
const pressed: Then = (page) => page.getByRole('button', { name: 'Plan anew' }).click();
const copy = (stale: boolean) => ({
  what: 'table of all slots',
  number: 1,
  takenBy: 'Ines Okafor-Lindqvist',
  takenAt: '2026-11-27T09:00:00.000Z',
  stale,
});
const PUBLISHED = { state: 'published', publishedAt: '2026-11-27T09:00:00.000Z' };
const restAsked: Then = async (page) => {
  await page.getByRole('button', { name: 'Plan the rest again' }).click();
  await page.getByRole('dialog').waitFor();
};
const file =
  (content: string): Then =>
  async (page) => {
    await page.locator('input[type="file"]').setInputFiles({
      name: 'list.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(content),
    });
  };

/** Who is where, when and with whom, in every state. */
export const SCENES_OF_TIMETABLE: readonly Scene[] = [
  nextYears(
    'timetable',
    'no plan yet',
    undefined,
    otherwise(TIMETABLE, () => ({ plans: [] })),
  ),
  nextYears('timetable', 'cannot be read', undefined, (page) =>
    page.route(PLAN, (route) =>
      route.fulfill({
        status: 503,
        json: {
          type: 'urn:kritikos:problem:fault',
          title: 'The server is restarting',
          status: 503,
        },
      }),
    ),
  ),
  nextYears('timetable', 'planning', pressed, planning({ state: 'running', progress: 0.4 })),
  nextYears(
    'timetable',
    'cannot be planned',
    pressed,
    planning({
      state: 'failed',
      progress: 0,
      problem:
        'This cannot be planned. Everybody who may examine station 3 Ache on reaching up is a conflict of interest for candidate 22. Name one more examiner for it.',
    }),
  ),
  nextYears('timetable', 'a wish that cannot be', async (page) => {
    await page.getByLabel('from', { exact: true }).first().fill('14:00');
    await page.getByRole('alert').first().waitFor();
  }),
  nextYears('timetable', 'the board', onBoard),
  nextYears('timetable', 'a place chosen', async (page, context) => {
    await onBoard(page, context);
    await page.locator('.cell').nth(8).click();
  }),
  nextYears('timetable', 'a post chosen', async (page, context) => {
    await onBoard(page, context);
    await page.locator('.stint').nth(2).click();
  }),
  nextYears('timetable', 'picked up', carried()),
  nextYears('timetable', 'over a place that would do', carried('ArrowDown')),
  nextYears('timetable', 'an examiner over another post', async (page) => {
    await page.locator('.stint').nth(0).focus();
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowDown');
  }),
  nextYears(
    'timetable',
    'changed by hand',
    onBoard,
    otherwise(PLAN, () => ({
      revision: 3,
      changes: [
        {
          revision: 3,
          words: 'candidate 4 and candidate 9 change places',
          by: 'Ines Okafor-Lindqvist',
        },
      ],
    })),
  ),
  nextYears(
    'timetable',
    'somebody left since',
    onBoard,
    otherwise(PLAN, ({ problem }) => {
      const own = problem as { examiners: object[] };
      return { problem: { ...own, examiners: own.examiners.slice(2) } };
    }),
  ),
  nextYears(
    'timetable',
    'much that could not be met',
    undefined,
    otherwise(PLAN, () => ({
      unmet: Array.from({ length: 9 }, (_, i) => ({
        rule: 'examiner',
        who: `${i + 1} Knee that gave way`,
        why: `nobody who may examine 1 Knee that gave way is free for candidate ${i + 1}`,
      })),
    })),
  ),
  nextYears('timetable', 'publish', (page) =>
    page.getByRole('button', { name: 'Publish' }).click(),
  ),
  nextYears('timetable', 'published, a copy that is stale', undefined, async (page) => {
    await otherwise(TIMETABLE, (told) => ({
      ...first(told, PUBLISHED),
      copies: [copy(true), copy(false)],
    }))(page);
    await otherwise(PLAN, () => PUBLISHED)(page);
  }),
  nextYears('timetable', 'superseded', undefined, async (page) => {
    await otherwise(TIMETABLE, (told) => first(told, { ...PUBLISHED, state: 'superseded' }))(page);
    await otherwise(PLAN, () => ({ ...PUBLISHED, state: 'superseded' }))(page);
  }),
  nextYears('timetable', 'the rest again', restAsked),
  nextYears('timetable', 'the rest again, the difference', async (page, context) => {
    await restAsked(page, context);
    await page.getByRole('combobox', { name: 'Examiners who cannot go on' }).fill('Adeyemi');
    await page.getByRole('option').first().dispatchEvent('click');
    await page.getByRole('button', { name: 'Show the difference' }).click();
    await page.getByText(/told something new|told anything new/).waitFor();
  }),
  nextYears('timetable', 'who does what', tab('Who does what')),
  nextYears('timetable', 'who can be compared', tab('Who can be compared')),
  nextYears('timetable', 'who can be compared, on the same sheet', async (page, context) => {
    await tab('Who can be compared')(page, context);
    await page.getByRole('button', { name: 'On the same sheet' }).click();
  }),
  nextYears('timetable', 'gathering', tab('Gathering')),
  nextYears('timetable', 'hours too few for the precision', async (page) => {
    await page.getByLabel('Hours of second examiners').fill('4');
  }),
  nextYears('timetable', 'a precision that cannot be', async (page) => {
    await page.getByLabel('Expected value').fill('1.2');
  }),
  nextYears('timetable', 'a severity simulated', async (page) => {
    await page.getByRole('combobox').filter({ hasText: 'Of what' }).click();
    await page.getByRole('option', { name: 'Severity of an examiner' }).dispatchEvent('click');
    await page.getByRole('button', { name: 'Simulate' }).click();
    await page.getByText('With nobody marked twice').waitFor({ timeout: 60_000 });
  }),
  nextYears('resources', 'examiners'),
  nextYears('resources', 'whom somebody must not mark', (page) =>
    page
      .getByRole('button', { name: /^Somebody whom/ })
      .first()
      .click(),
  ),
  nextYears('resources', 'a list open', (page) =>
    page.locator('.regions .v-field').first().click(),
  ),
  nextYears(
    'resources',
    'a file that cannot be taken',
    file('email,regions\nnobody@orrinmouth.example,tail\n'),
  ),
  nextYears('resources', 'simulated patients', tab('Simulated patients')),
  nextYears(
    'resources',
    'nobody plays yet',
    tab('Simulated patients'),
    otherwise('**/api/examinations/*/resources', () => ({ patients: [] })),
  ),
  nextYears('resources', 'rooms and couches', tab('Rooms and couches')),
  nextYears(
    'resources',
    'no room yet',
    tab('Rooms and couches'),
    otherwise('**/api/examinations/*/resources', () => ({ rooms: [], places: [] })),
  ),
  nextYears('resources', 'equipment', tab('Equipment')),
];
