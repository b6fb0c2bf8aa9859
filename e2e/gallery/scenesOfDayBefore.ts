import type { Page } from '@playwright/test';
import { callApi } from '../people.ts';
import type { Scene } from './scene.ts';

type Then = NonNullable<Scene['then']>;
const settle = (page: Page) => page.waitForTimeout(350);
const NEXT_YEAR = 'Second-year special tests, 2027';
const THIS_YEAR = 'Orthopedic special tests, second year';
const PAPERS = '**/api/examinations/*/papers';
const PANELS = '**/api/examinations/*/panels';
const REHEARSAL = '**/api/examinations/*/rehearsal';

const examination = async (page: Page, title = NEXT_YEAR): Promise<string> => {
  const all = await callApi<{ id: string; title: string }[]>(page.request, 'get', '/examinations');
  return all.find((one) => one.title === title)?.id ?? '';
};
/** A page of next year's examination; `before` may change what the server answers. */
const nextYears = (
  page: 'rehearsal' | 'panels' | 'papers',
  name: string,
  then: Then = () => Promise.resolve(),
  before: (page: Page) => Promise<unknown> = () => Promise.resolve(),
): Scene => ({
  name: `${page}, ${name}`,
  who: 'lead',
  path: '/examinations',
  sign: 'New examination',
  then: async (browser, context) => {
    await before(browser);
    await browser.goto(`/examinations/${await examination(browser)}/${page}`);
    await browser.getByRole('heading', { level: 1 }).waitFor();
    await then(browser, context);
    await settle(browser);
  },
});
const failing = (path: string) => (page: Page) =>
  page.route(path, (route) =>
    route.fulfill({
      status: 503,
      json: {
        type: 'urn:kritikos:problem:fault',
        title: 'The server is restarting',
        status: 503,
        detail: 'Nothing was half-saved. Try again in a minute.',
      },
    }),
  );
const button = (page: Page, name: string) => page.getByRole('button', { name, exact: true });
const dialog: Then = (page) => page.getByRole('dialog').waitFor();
const alerted: Then = (page) => page.getByRole('alert').first().waitFor();
const rehearsed: Then = async (page) => {
  await page.getByLabel('Rehearsals', { exact: true }).fill('40');
  await button(page, 'Rehearse').click();
  await page.getByText(/The examination will be dependable/).waitFor();
};
const inView =
  (words: string | RegExp): Then =>
  async (page) => {
    await page.getByText(words).first().scrollIntoViewIfNeeded();
    await page.mouse.wheel(0, 500);
  };
const steps =
  (...all: Then[]): Then =>
  async (page, context) => {
    for (const step of all) await step(page, context);
  };
const onCard =
  (name: string, ...more: Then[]): Then =>
  async (page, context) => {
    await page.getByRole('button', { name }).first().click();
    await steps(dialog, ...more)(page, context);
  };

interface Seat {
  readonly link: string;
}
type Method = 'angoff-percent' | 'angoff-yes-no' | 'angoff-points' | 'ebel';
/** A seat of a panel that is made for it at this year's examination, with its first round open. */
async function freshSeat(page: Page, method: Method, opened: boolean): Promise<string> {
  const id = await examination(page, THIS_YEAR);
  const { stationList } = await callApi<{ stationList: { id: string }[] }>(
    page.request,
    'get',
    `/examinations/${id}`,
  );
  const title = `Gallery ${method} ${Date.now()}`;
  const { panels } = await callApi<{ panels: { id: string; title: string }[] }>(
    page.request,
    'post',
    `/examinations/${id}/panels`,
    {
      title,
      method,
      level: 'item',
      stations: stationList.slice(0, 2).map((station) => station.id),
      asksHofstee: method === 'ebel',
      asksBeuk: method === 'ebel',
      showsFacilities: true,
    },
  );
  const panel = panels.find((one) => one.title === title)?.id ?? '';
  const { link } = await callApi<Seat>(page.request, 'post', `/panels/${panel}/seats`, {
    name: 'Imre Castellane',
    email: null,
  });
  if (opened) await callApi(page.request, 'post', `/panels/${panel}/rounds`);
  return link;
}
const judge = (
  name: string,
  method: Method,
  { opened = true, then = () => Promise.resolve() }: { opened?: boolean; then?: Then } = {},
): Scene => ({
  name: `judge, ${name}`,
  who: 'lead',
  path: '/examinations',
  sign: 'New examination',
  phone: true,
  then: async (page, context) => {
    await page.goto(await freshSeat(page, method, opened));
    await page.getByText(opened ? 'Round 1.' : 'not open yet').waitFor();
    await then(page, context);
    await settle(page);
  },
});
const firstItem: Then = async (page) => {
  await page.locator('ol > li').first().scrollIntoViewIfNeeded();
  await page.mouse.wheel(0, 400);
};
const pressed =
  (name: string, times = 1): Then =>
  async (page) => {
    for (let i = 0; i < times; i++) await page.getByRole('button', { name }).first().click();
  };

/** What is done before the day: rehearsed, printed, and judged by a panel; in every state. */
export const SCENES_OF_DAY_BEFORE: readonly Scene[] = [
  nextYears('rehearsal', 'not rehearsed', (page) =>
    page.getByText('What is supposed').first().waitFor(),
  ),
  nextYears('rehearsal', 'what is supposed of each station', async (page) => {
    await page.getByText('What is supposed of each station').click();
    await page.mouse.wheel(0, 300);
  }),
  nextYears('rehearsal', 'refused', async (page, context) => {
    await page.getByLabel('Ability', { exact: true }).fill('-2');
    await button(page, 'Rehearse').click();
    await alerted(page, context);
  }),
  nextYears('rehearsal', 'running', async (page) => {
    await page.getByLabel('Rehearsals', { exact: true }).fill('200');
    await button(page, 'Rehearse').click();
    await page.getByRole('progressbar').first().waitFor();
    await page.waitForTimeout(900);
    await page.getByRole('progressbar').first().scrollIntoViewIfNeeded();
  }),
  nextYears('rehearsal', 'done', steps(rehearsed, inView(/dependable to/))),
  nextYears(
    'rehearsal',
    'what one more buys',
    steps(rehearsed, inView('One more second examiner')),
  ),
  nextYears('rehearsal', 'cannot be read', alerted, failing(REHEARSAL)),
  nextYears('papers', 'as it opens'),
  nextYears('papers', 'made', async (page) => {
    await button(page, 'Make all papers').click();
    await page.getByRole('link', { name: /^A4, / }).first().waitFor({ timeout: 60_000 });
  }),
  nextYears('papers', 'cannot be read', alerted, failing(PAPERS)),
  nextYears('panels', 'a panel at work'),
  nextYears('panels', 'a round that is closed', inView('A candidate passes with')),
  nextYears('panels', 'a new panel', onCard('New panel')),
  nextYears('panels', 'a seat', onCard('Give a seat')),
  nextYears(
    'panels',
    'a link',
    onCard('Give a seat', async (page) => {
      await page.getByLabel('Name', { exact: true }).fill(`Imre Castellane ${Date.now()}`);
      await button(page, 'Give the seat').click();
      await page.getByLabel('Link', { exact: true }).waitFor();
    }),
  ),
  nextYears('panels', 'close with somebody missing', onCard('Close round 2')),
  nextYears('panels', 'none yet', undefined, (page) =>
    page.route(PANELS, (route) => route.fulfill({ json: { panels: [] } })),
  ),
  judge('before the first round', 'angoff-percent', { opened: false }),
  judge('percent', 'angoff-percent', { then: firstItem }),
  judge('yes or no', 'angoff-yes-no', { then: steps(firstItem, pressed('Would earn it')) }),
  judge('points', 'angoff-points', { then: firstItem }),
  judge('Ebel', 'ebel', { then: firstItem }),
  judge('Ebel, the grid', 'ebel', {
    then: steps(pressed('Medium'), pressed('Essential'), pressed('On', 2)),
  }),
  judge('the whole', 'ebel', { then: pressed('On', 3) }),
  judge('handing in', 'angoff-percent', { then: pressed('On', 2) }),
  judge('no network', 'angoff-percent', {
    then: async (page, context) => {
      await context.setOffline(true);
      await page
        .getByRole('button', { name: /: more$/ })
        .first()
        .click();
      await page.getByText(/for the network/).waitFor();
    },
  }),
  {
    name: 'judge, a link that is none',
    who: 'nobody',
    path: `/panel#${'x'.repeat(43)}`,
    sign: 'This seat cannot be taken',
    phone: true,
  },
];
