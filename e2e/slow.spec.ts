import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import type { BankPage } from '@kritikos/contracts/stations';
import type { Examination, ExaminationSummary } from '@kritikos/contracts/examinations';
import { callApi, EXAMINER, inOwnBrowser, LEAD, signIn } from './people.ts';

/**
 * On a slow line answers come while somebody writes on. What they are writing is never replaced by an
 * older answer, and it arrives. Each page is held to it here: the answer of an earlier change, or of a
 * page that was read before it, is let through only when the next thing stands half written.
 */
let own: string;

/** An examination of our own, like this year's: what is written here disturbs nobody. */
async function ownExamination(page: Page): Promise<string> {
  if (own) return own;
  const list = await callApi<ExaminationSummary[]>(page.request, 'get', '/examinations');
  const year = list.find(({ title }) => title === 'Orthopedic special tests, second year');
  const made = await callApi<Examination>(page.request, 'post', `/examinations/${year?.id}/next`, {
    ...{ title: `Slow line ${Date.now()}`, cohort: 'Slow', heldOn: '2028-05-05' },
  });
  own = made.id;
  return own;
}

/** Holds back the answers to these requests until they are let through, in their order. */
async function holdBack(page: Page, methods: readonly string[], address: RegExp) {
  const held: (() => void)[] = [];
  let holding = true;
  let answers = 0;
  page.on('response', (response) => {
    const request = response.request();
    if (methods.includes(request.method()) && address.test(request.url())) answers++;
  });
  await page.route(address, async (route) => {
    if (!holding || !methods.includes(route.request().method())) return route.fallback();
    const response = await route.fetch();
    await new Promise<void>((resolve) => held.push(resolve));
    await route.fulfill({ response });
  });
  return {
    /** How many answers are there and held. */
    count: () => held.length,
    /** How many have arrived. */
    arrived: () => answers,
    letThrough: async () => {
      holding = false;
      for (const go of held.splice(0)) go();
      await page.waitForLoadState('networkidle');
    },
  };
}

test.beforeEach(async ({ page }) => {
  await signIn(page, LEAD);
});

test('the blueprint: a cell that is being written stays when the order of stations is answered', async ({
  page,
}) => {
  await page.goto(`/examinations/${await ownExamination(page)}/blueprint`);
  const knee = page.getByLabel('Wanted for knee, Technique, per cent');
  await expect(knee).toBeVisible();
  const order = await holdBack(page, ['PUT'], /\/stations\/order$/);
  const stations = page.locator('[data-list="examination"] li');
  const second = await stations.nth(1).getAttribute('data-key');
  await stations.nth(1).locator('.handle').focus();
  await page.keyboard.press('ArrowUp');
  await expect.poll(order.count).toBe(1);
  // Half written while the answer comes, and after it.
  await knee.click();
  await page.keyboard.type('3');
  await order.letThrough();
  await page.keyboard.type('7');
  await expect(knee).toHaveValue('37');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/knee, technique: \d+ % of 37 % wanted/)).toBeVisible();
  await expect(stations.first()).toHaveAttribute('data-key', second ?? '');
  await page.reload();
  await expect(knee).toHaveValue('37');
  await expect(stations.first()).toHaveAttribute('data-key', second ?? '');
});

test('the order of stations: an older answer does not put the page back', async ({ page }) => {
  await page.goto(`/examinations/${await ownExamination(page)}/blueprint`);
  const stations = page.locator('[data-list="examination"] li');
  await expect(stations.nth(7)).toBeVisible();
  const keys = await stations.evaluateAll((list) => list.map((one) => one.dataset.key ?? ''));
  const order = await holdBack(page, ['PUT'], /\/stations\/order$/);
  await stations.nth(3).locator('.handle').focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowUp');
  await expect.poll(order.count).toBe(1);
  await order.letThrough();
  const moved = [keys[3], ...keys.slice(0, 3), ...keys.slice(4)];
  const now = () => stations.evaluateAll((list) => list.map((one) => one.dataset.key));
  await expect.poll(now).toEqual(moved);
  // The orders between need not travel: the second that does is the newest.
  await expect.poll(order.arrived).toBe(2);
  await page.reload();
  await expect.poll(now).toEqual(moved);
});

test('a cell and the next cell: the second is not lost to the answer of the first', async ({
  page,
}) => {
  await page.goto(`/examinations/${await ownExamination(page)}/blueprint`);
  const [knee, hip] = ['knee', 'hip'].map((region) =>
    page.getByLabel(`Wanted for ${region}, Interpretation, per cent`),
  ) as [ReturnType<Page['getByLabel']>, ReturnType<Page['getByLabel']>];
  await expect(knee).toBeVisible();
  const wanted = await holdBack(page, ['PUT'], /\/blueprint$/);
  await knee.fill('5');
  await knee.press('Tab');
  await expect.poll(wanted.count).toBe(1);
  await hip.fill('6');
  await hip.press('Tab');
  await wanted.letThrough();
  await expect(page.getByText(/hip, interpretation: \d+ % of 6 % wanted/)).toBeVisible();
  await page.reload();
  await expect(knee).toHaveValue('5');
  await expect(hip).toHaveValue('6');
});

test('resources: a number that is being written stays, and two things counted at once both arrive', async ({
  page,
}) => {
  await page.goto(`/examinations/${await ownExamination(page)}/resources`);
  await page.getByRole('tab', { name: 'Equipment', exact: true }).click();
  const counts = page.getByRole('table').getByRole('textbox', { name: 'pieces' });
  await expect(counts.first()).toBeVisible();
  const kept = await holdBack(page, ['PUT'], /\/resources\/equipment$/);
  await counts.nth(0).fill('21');
  await counts.nth(1).fill('22');
  await expect.poll(kept.count).toBe(1);
  await counts.nth(2).fill('');
  await page.keyboard.type('2');
  await kept.letThrough();
  await page.keyboard.type('3');
  await expect(counts.nth(2)).toHaveValue('23');
  await page.keyboard.press('Tab');
  await expect
    .poll(async () => {
      const { equipment } = await callApi<{ equipment: { pieces: number | null }[] }>(
        ...([page.request, 'get', `/examinations/${own}/resources`] as const),
      );
      return equipment.slice(0, 3).map(({ pieces }) => pieces);
    })
    .toEqual([21, 22, 23]);
  await page.reload();
  await page.getByRole('tab', { name: 'Equipment', exact: true }).click();
  await expect(counts.nth(0)).toHaveValue('21');
  await expect(counts.nth(1)).toHaveValue('22');
  await expect(counts.nth(2)).toHaveValue('23');
});

test('resources: a second change of one examiner keeps the first', async ({ page }) => {
  await page.goto(`/examinations/${await ownExamination(page)}/resources`);
  const [first, second] = [0, 1].map((n) => page.getByLabel(/ takes part$/).nth(n)) as [
    ReturnType<Page['getByLabel']>,
    ReturnType<Page['getByLabel']>,
  ];
  await expect(first).toBeVisible();
  const [one, two] = [await first.isChecked(), await second.isChecked()];
  const kept = await holdBack(page, ['PUT'], /\/resources\/examiners$/);
  const place = await second.boundingBox();
  await first.click();
  await expect.poll(kept.count).toBe(1);
  // The page is told of the change before its answer is there, and nothing moves under the finger.
  await expect(page.getByRole('button', { name: /^Limit when/ })).toHaveCount(1);
  expect(await second.boundingBox()).toEqual(place);
  await second.click();
  // Whoever leaves now is asked first: something is on the way, and something waits for it.
  const asked = page.waitForEvent('dialog');
  const leaving = page.goto('about:blank').catch(() => undefined);
  const question = await asked;
  expect(question.type()).toBe('beforeunload');
  await question.dismiss();
  await leaving;
  await kept.letThrough();
  await expect(first).toBeChecked({ checked: !one });
  await expect(second).toBeChecked({ checked: !two });
  await expect.poll(kept.arrived).toBe(2);
  await page.reload();
  await expect(first).toBeChecked({ checked: !one });
  await expect(second).toBeChecked({ checked: !two });
});

test('the timetable: what is asked is written on while an older answer comes', async ({ page }) => {
  await page.goto(`/examinations/${await ownExamination(page)}/timetable`);
  const [reading, change] = [page.getByLabel('Reading, min'), page.getByLabel('Change, min')];
  await expect(reading).toBeVisible();
  const wish = await holdBack(page, ['PUT'], /\/timetable$/);
  await reading.fill('4');
  await expect.poll(wish.count).toBe(1);
  await change.fill('');
  await change.pressSequentially('2.');
  await wish.letThrough();
  await change.pressSequentially('5');
  await expect(reading).toHaveValue('4');
  await expect(change).toHaveValue('2.5');
  await expect
    .poll(async () => {
      const { wish: now } = await callApi<{ wish: { changeMinutes: number } }>(
        ...([page.request, 'get', `/examinations/${own}/timetable`] as const),
      );
      return now.changeMinutes;
    })
    .toBe(2.5);
});

test('the workshop: words and a weight that are being written stay when an older saving is answered', async ({
  page,
}) => {
  const bank = await callApi<BankPage>(
    ...([page.request, 'get', '/bank-stations?words=Unsteady%20ankle'] as const),
  );
  const draft = await callApi<{ id: string }>(
    ...([page.request, 'post', `/bank-stations/${bank.stations[0]?.id}/drafts`] as const),
  );
  await page.goto(`/drafts/${draft.id}`);
  const words = page.getByLabel('Words of item 2', { exact: true });
  const weight = page.getByLabel('Weight of item 3', { exact: true });
  await expect(words).toBeVisible();
  const before = await words.inputValue();
  const saving = await holdBack(page, ['POST'], /\/drafts\/[^/]+\/changes$/);
  await words.press('End');
  await page.keyboard.type(' slowly');
  await expect.poll(saving.count).toBe(1);
  await weight.click();
  await weight.press('Control+a');
  await page.keyboard.type('1.');
  await saving.letThrough();
  await page.keyboard.type('5');
  await expect(weight).toHaveValue('1.5');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('status').filter({ hasText: 'All saved' })).toBeVisible();
  await page.reload();
  await expect(weight).toHaveValue('1.5');
  await expect(words).toHaveValue(`${before} slowly`);
  await callApi(page.request, 'put', `/drafts/${draft.id}/away`, { away: true });
});

test('panels: a seat that is being given stays written while the page is read again', async ({
  page,
}) => {
  const examination = await ownExamination(page);
  const { stationList } = await callApi<Examination>(
    ...([page.request, 'get', `/examinations/${examination}`] as const),
  );
  await callApi(page.request, 'post', `/examinations/${examination}/panels`, {
    ...{ title: 'Slow panel', method: 'angoff-percent', level: 'item' },
    ...{ asksHofstee: false, asksBeuk: false, showsFacilities: false },
    stations: [stationList[0]?.id],
  });
  await page.goto(`/examinations/${examination}/panels`);
  await page.getByRole('button', { name: /seat/i }).first().click();
  const name = page.getByRole('dialog').getByLabel('Name', { exact: true });
  await expect(name).toBeVisible();
  const reading = await holdBack(page, ['GET'], /\/panels$/);
  await name.pressSequentially('Hedda ');
  // Another lead gives a seat meanwhile: the page is told, and reads again.
  const panels = await callApi<{ panels: { id: string }[] }>(
    ...([page.request, 'get', `/examinations/${examination}/panels`] as const),
  );
  await callApi(page.request, 'post', `/panels/${panels.panels[0]?.id}/seats`, {
    ...{ name: 'Somebody else', email: null },
  });
  await reading.letThrough();
  await name.pressSequentially('Quill');
  await expect(name).toHaveValue('Hedda Quill');
});

test('the standard: a cut that is being written by hand stays while another is computed and kept', async ({
  page,
}) => {
  const list = await callApi<ExaminationSummary[]>(page.request, 'get', '/examinations');
  const year = list.find(({ title }) => title === 'Orthopedic special tests, second year');
  await page.goto(`/examinations/${year?.id}/standards`);
  const first = page.locator('section[data-station="1"]').getByLabel('By hand');
  const second = page.locator('section[data-station="2"]').getByLabel('By hand');
  await expect(first).toBeVisible();
  const draft = await holdBack(page, ['PUT'], /\/standards\/draft$/);
  await first.fill('61');
  await first.press('Tab');
  await expect.poll(draft.count).toBe(1);
  await second.click();
  await second.pressSequentially('6');
  await draft.letThrough();
  await second.pressSequentially('2.5');
  await expect(second).toHaveValue('62.5');
  await second.press('Tab');
  await expect(first).toHaveValue('61');
  const kept = async () => {
    const { draft: now } = await callApi<{ draft: { handCuts: Record<string, number> } }>(
      ...([page.request, 'get', `/examinations/${year?.id}/standards`] as const),
    );
    return Object.values(now.handCuts).sort();
  };
  await expect.poll(kept).toEqual([61, 62.5]);
  // As it was, for the tests after this one.
  for (const field of [first, second]) {
    await field.fill('');
    await field.press('Tab');
  }
  await expect.poll(kept).toEqual([]);
});

test('the sheet: a comment that is being written stays while the one before it is taken', async ({
  browser,
}) => {
  const page = await inOwnBrowser(browser, EXAMINER(1));
  await page.goto('/stations');
  await page
    .getByRole('link', { name: /candidate 2[45]$/i })
    .last()
    .click();
  const comment = page.getByRole('textbox', { name: 'Comment' });
  await expect(comment).toBeVisible();
  const before = await comment.inputValue();
  const taps = await holdBack(page, ['POST'], /\/events$/);
  await comment.press('End');
  await page.keyboard.type('Asks first, ');
  await expect.poll(taps.count).toBe(1);
  await page.keyboard.type('then explains, ');
  await taps.letThrough();
  await page.keyboard.type('and waits.');
  const whole = `${before}Asks first, then explains, and waits.`;
  await expect(comment).toHaveValue(whole);
  await comment.press('Tab');
  await expect(page.getByText('All saved')).toBeVisible();
  await page.reload();
  await expect(comment).toHaveValue(whole);
  await page.context().close();
});

test('practice: what was placed and asked for stays when the school’s shelf is read', async ({
  page,
}) => {
  const shelf = await holdBack(page, ['GET'], /\/shelf$/);
  await page.goto('/catalogue/practice');
  const angle = page.getByLabel('The deciding angle, in degrees');
  await expect(angle).toBeVisible();
  await expect.poll(shelf.count).toBe(1);
  const asked = await page.getByRole('heading', { level: 1 }).innerText();
  await angle.press('ArrowRight');
  const placed = await angle.getAttribute('aria-valuenow');
  await page.getByRole('button', { name: 'Show what is accepted' }).click();
  await expect(page.getByText(/Angle \d+° outside the band/)).toBeVisible();
  await shelf.letThrough();
  await expect(page.getByText(/Angle \d+° outside the band/)).toBeVisible();
  await expect(angle).toHaveAttribute('aria-valuenow', placed ?? 'none');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(asked);
});
