import { expect, test } from '@playwright/test';
import type { Locator, Page } from '@playwright/test';
import { choose, fromMenu } from './choose.ts';
import { openPhase } from './cycle.ts';
import { EXAMINER, inOwnBrowser, LEAD, signIn } from './people.ts';

const SEVEN = [
  'Groin pain on sitting',
  'Shoulder that slips',
  'Unsteady ankle',
  'Thumb side of the wrist',
  'Tingling little finger',
  'Knee that catches',
  'Ache on reaching up',
];
const OWN = 'Heel cord that gave way';

const note = (page: Page, rule: string) => page.locator(`.note[data-rule="${rule}"]`);
const row = (page: Page, words: string) =>
  page.locator('li[data-key]').filter({ has: page.locator(`textarea[title^="${words}"]`) });
const wordsOf = (page: Page, item: number) =>
  page.getByLabel(`Words of item ${item}`, { exact: true });

/** Takes an option of a field that is in sight. */
async function pick(page: Page, field: Locator, option: string): Promise<void> {
  await field.click();
  const options = page.getByRole('option');
  // To the option itself: the list moves with its field while the findings change above it.
  await options.filter({ hasText: new RegExp(`^${option}$`) }).dispatchEvent('click');
  // A list that was still opening may not have closed.
  await expect(async () => {
    if ((await options.count()) > 0) await page.keyboard.press('Escape');
    await expect(options).toHaveCount(0, { timeout: 1000 });
  }).toPass();
}

/** Presses what a finding offers, and sees that the finding is gone. */
async function putRight(page: Page, rule: string): Promise<void> {
  const found = note(page, rule).first();
  await expect(found).toBeVisible();
  const before = await note(page, rule).count();
  await found.getByRole('button').first().click();
  await expect(note(page, rule)).toHaveCount(before - 1);
}

async function saved(page: Page): Promise<void> {
  await expect(page.getByRole('status').filter({ hasText: 'All saved' })).toBeVisible();
}

test('an examination of eight stations from the bank and from a checklist that is read along', async ({
  page,
  browser,
}) => {
  test.setTimeout(600_000);
  // Where something is missing it is said soon, not at the very end.
  page.setDefaultTimeout(60_000);
  const title = `Eight stations ${Date.now()}`;

  await test.step('a station is made from a procedure; its checklist is opened in the workshop', async () => {
    await signIn(page, LEAD);
    await page.goto('/bank');
    await fromMenu(page.getByRole('button', { name: 'New station' }), 'From procedures');
    await page.getByLabel('Title', { exact: true }).fill(OWN);
    await page.getByLabel('Procedures, one or several').fill('Thompson');
    await page
      .getByRole('option', { name: /Thompson/ })
      .first()
      .click();
    await page.keyboard.press('Escape');
    await page.getByLabel('What the simulated patient has').fill('Achilles');
    await page
      .getByRole('option', { name: /Achilles/ })
      .first()
      .click();
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByText(`${OWN} is in the bank.`)).toBeVisible();
    const can = page.getByRole('button', { name: `What can be done with ${OWN}` });
    await fromMenu(can, 'Write its checklist');
    await expect(wordsOf(page, 1)).toBeVisible();
  });

  await test.step('two acts and vague words are found as they are typed, and mended', async () => {
    await wordsOf(page, 3).fill('Supports the ankle and squeezes the calf');
    await expect(note(page, 'two-acts')).toContainText('“Squeezes the calf”');
    await putRight(page, 'two-acts');
    await expect(row(page, 'Squeezes the calf')).toHaveCount(1);
    await wordsOf(page, 3).fill('Supports the ankle with adequate care');
    // What is left as it is is found no more, until somebody looks again.
    await page.getByRole('button', { name: /^Leave as it is: “adequate”/ }).click();
    await expect(note(page, 'vague')).toHaveCount(0);
    await page.getByRole('button', { name: 'Look at it again' }).click();
    await putRight(page, 'vague');
    await expect(wordsOf(page, 3)).toHaveValue('Supports the ankle with care');
    await saved(page);
  });

  await test.step('a scale without anchors, a reason that is missing', async () => {
    const item = page.locator('li[data-key]').nth(3);
    await item.locator('button.kind').click();
    await pick(page, item.getByRole('combobox').filter({ hasText: 'Done or not' }), 'Graded');
    await putRight(page, 'no-anchors');
    await pick(
      page,
      item.getByRole('combobox').filter({ hasText: 'Counts by its weight' }),
      'Missing it is noted on the report',
    );
    await note(page, 'no-reason').getByRole('button').first().click();
    await item.getByLabel('Why it counts for so much').fill('A hand that slips hurts.');
    await expect(note(page, 'no-reason')).toHaveCount(0);
    await item.locator('button.kind').click();
  });

  await test.step('a key that the patient does not show, and one that is missing', async () => {
    const item = page
      .locator('li[data-key]')
      .filter({ has: page.getByRole('button', { name: 'Declared' }) })
      .first();
    await item.locator('button.kind').click();
    const keys = item.getByRole('radio');
    await expect(keys.first()).toBeVisible();
    const right = await keys.evaluateAll((all) =>
      all.findIndex((one) => (one as unknown as { checked: boolean }).checked),
    );
    await keys.nth(right === 0 ? 1 : 0).check();
    await putRight(page, 'cannot-show');
    await expect(keys.nth(right)).toBeChecked();
    await item
      .getByRole('button', { name: /^Take .* out$/ })
      .nth(right)
      .click();
    await note(page, 'no-key').getByRole('button').first().click();
    await item.getByRole('radio').first().check();
    await expect(note(page, 'no-key')).toHaveCount(0);
    // It was not meant: what was taken out comes back, step by step, and nothing before it goes.
    for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Undo' }).click();
    await expect(item.getByRole('radio').nth(right)).toBeChecked();
    await expect(note(page, 'no-reason')).toHaveCount(0);
    // Two choices, one drawing of the page after the other, are two steps.
    await item.getByRole('radio').evaluateAll(async (all, own) => {
      for (const at of [own === 0 ? 1 : 0, own]) {
        (all[at] as HTMLElement).click();
        await new Promise(requestAnimationFrame);
      }
    }, right);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(item.getByRole('radio').nth(right === 0 ? 1 : 0)).toBeChecked();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(item.getByRole('radio').nth(right)).toBeChecked();
    await item.locator('button.kind').click();
  });

  await test.step('the comparison, the stop rule, the critical part, the time', async () => {
    for (const one of await page.locator('ol[data-list="comparison"] button.more').all()) {
      await fromMenu(one, 'Take it out');
    }
    await putRight(page, 'no-comparison');
    await expect(row(page, 'Tests both sides')).toHaveCount(1);

    await page.getByRole('tab', { name: 'Around them' }).click();
    await page.getByLabel('Stop rule').fill('');
    await page.getByRole('tab', { name: 'Items' }).click();
    await putRight(page, 'no-stop-rule');

    if ((await note(page, 'critical-lost').count()) === 0) {
      // Something fails the station already: it is made to be noted only.
      const failing = page.locator('li[data-key]').filter({ hasText: 'must not be missed' });
      for (const item of await failing.all()) {
        await item.locator('button.kind').click();
        await pick(
          page,
          item.getByRole('combobox').filter({ hasText: 'Missing it fails the station' }),
          'Missing it is noted on the report',
        );
      }
    }
    await putRight(page, 'critical-lost');

    await page.getByLabel('Minutes').fill('2');
    await putRight(page, 'too-many');
    await expect(page.getByLabel('Minutes')).not.toHaveValue('2');
    await saved(page);
  });

  await test.step('a count joins by the keyboard’s hand, the sheet shows it, and it is published', async () => {
    await page.getByRole('button', { name: 'New item under Perform' }).click();
    await page.keyboard.type('Squeezes the full set');
    const item = row(page, 'Squeezes the full set');
    await item.locator('button.kind').click();
    await pick(page, item.getByRole('combobox').filter({ hasText: 'Done or not' }), 'Counted');
    await item.getByLabel('Unit').fill('squeezes');
    await item.locator('.handle').focus();
    const place = await item.getAttribute('data-key');
    await page.keyboard.press('ArrowUp');
    await expect(page.locator(`li[data-key="${place}"] .handle`)).toBeFocused();
    await saved(page);
    await page.getByRole('tab', { name: 'Preview' }).click();
    const sheet = page.frameLocator('iframe');
    const counted = sheet.locator('[data-item]').filter({ hasText: 'Squeezes the full set' });
    for (let i = 0; i < 3; i++) await counted.getByRole('button', { name: 'One more' }).click();
    await expect(counted).toContainText('within the band');
    await page.getByRole('tab', { name: 'History' }).click();
    await expect(page.getByRole('cell', { name: '“Squeezes the full set”' }).first()).toBeVisible();
    await page.getByRole('button', { name: 'Publish', exact: true }).click();
    await expect(page.getByRole('dialog')).toContainText('new “Squeezes the full set”');
    await expect(page.getByRole('dialog')).not.toContainText('still lacks');
    await page.getByRole('button', { name: 'Publish it' }).click();
    // Back where it was opened, with a word that it is done.
    await expect(page.getByRole('status').filter({ hasText: 'is published' })).toBeVisible();
    await expect(page).toHaveURL(/\/bank$/);
  });

  await test.step('what earlier examinations say of an item is found, and gone when it is reworded', async () => {
    for (const [station, rule] of [
      ['Unsteady ankle', 'one-sided'],
      ['Tingling little finger', 'ambiguous'],
    ] as const) {
      await page.goto('/bank');
      const can = page.getByRole('button', { name: `What can be done with ${station}` });
      await fromMenu(can, /^Write/);
      const found = note(page, rule).first();
      await expect(found).toContainText(/agreed on it in \d+ % of \d+ candidates/);
      const before = await note(page, rule).count();
      await found.getByRole('button').first().click();
      await expect(page.locator('textarea:focus')).toBeVisible();
      await page.keyboard.type(', as the briefing shows it');
      await expect(note(page, rule)).toHaveCount(before - 1);
      await saved(page);
    }
  });

  await test.step('what everybody does is found once it is no longer asked for safety’s sake', async () => {
    await page.goto('/bank');
    const can = page.getByRole('button', { name: 'What can be done with Unsteady ankle' });
    await fromMenu(can, /^Write/);
    const hands = row(page, 'Cleans hands');
    await hands.locator('button.kind').click();
    await hands.getByLabel('Summed for safety').uncheck();
    await expect(note(page, 'skewed')).toContainText(/It earned \d+ % on \d+ sheets/);
    await putRight(page, 'skewed');
    await expect(hands).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(hands).toHaveCount(1);
    await saved(page);
  });

  await test.step('the examination takes seven stations of the bank and its own', async () => {
    await page.goto('/examinations');
    await page.getByRole('button', { name: 'New examination' }).click();
    await page.getByLabel('Title').fill(title);
    await page.getByLabel('School').fill('Orrinmouth College of Physiotherapy');
    await choose(page, 'Cohort', 'A new cohort');
    await page.getByLabel('Name of the new cohort').fill(`Workshop ${title}`);
    await page.getByRole('button', { name: 'Make it' }).click();
    await page.getByRole('link', { name: 'Blueprint and order' }).click();
    const stations = page.locator('ol[data-list="examination"] li[data-key]');
    for (const [i, station] of SEVEN.entries()) {
      await page.getByRole('textbox', { name: 'Find in the bank' }).fill(station);
      // The list is read anew a moment later, and whoever presses before presses beside.
      const found = page.locator('ol[data-list="bank"] li');
      await expect(found).toHaveCount(1);
      await expect(found).toContainText(station);
      await page.getByRole('button', { name: `Add ${station}`, exact: true }).click();
      await expect(stations).toHaveCount(i + 1);
    }
    await page.getByRole('textbox', { name: 'Find in the bank' }).fill(OWN);
    const dragged = page.locator('ol[data-list="bank"] li').filter({ hasText: OWN });
    await expect(page.locator('ol[data-list="bank"] li')).toHaveCount(1);
    await dragged.scrollIntoViewIfNeeded();
    const from = await dragged.locator('.handle').boundingBox();
    const to = await stations.last().locator('.handle').boundingBox();
    if (!from || !to) throw new Error('nothing to drag');
    await page.mouse.move(from.x + 10, from.y + 10);
    await page.mouse.down();
    await page.mouse.move(from.x + 10, from.y - 20, { steps: 4 });
    await page.mouse.move(to.x + 10, to.y + 4, { steps: 12 });
    await page.mouse.up();
    await expect(stations).toHaveCount(8);
    const placeOfOwn = async () =>
      (await stations.allInnerTexts()).findIndex((words) => words.includes(OWN));
    for (let place = await placeOfOwn(); place > 0; place--) {
      await stations.nth(place).locator('.handle').focus();
      await page.keyboard.press('ArrowUp');
      await expect.poll(placeOfOwn).toBe(place - 1);
    }
    await expect(stations.first()).toContainText(OWN);

    await page.getByLabel('Wanted for knee, Technique, per cent').fill('40');
    await page.keyboard.press('Tab');
    await expect(
      page.getByRole('listitem').filter({ hasText: /knee, technique: \d+ % of 40 % wanted/ }),
    ).toBeVisible();
    await expect(page.getByRole('cell', { name: /^couch/ })).toBeVisible();
    await page.reload();
    await expect(page.getByLabel('Wanted for knee, Technique, per cent')).toHaveValue('40');
  });

  await test.step('and hands its checklist to the marking sheet', async () => {
    await page.getByRole('link', { name: 'Back to prepare' }).click();
    await page.locator('input[type="file"]').setInputFiles({
      name: 'list.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('number,name\n1,Ada Quist'),
    });
    await page.getByRole('button', { name: 'Import 1 candidate' }).click();
    for (let station = 1; station <= 8; station++) {
      await choose(page, `Add an examiner to station ${station}`, 'Tomasz Adeyemi');
      await expect(
        page.getByRole('button', { name: `Take Tomasz Adeyemi off station ${station}` }),
      ).toBeVisible();
    }
    await page.getByRole('button', { name: 'Plan who marks whom' }).click();
    await expect(page.getByText('8 sheets, 0 of them pairs')).toBeVisible();
    await openPhase(page, /^Mark/);
    await page.getByRole('button', { name: 'Open marking' }).click();
    await page.getByRole('button', { name: 'Open all the same' }).click();
    await expect(page.getByRole('button', { name: 'Close marking' })).toBeVisible();
    const tablet = await inOwnBrowser(browser, EXAMINER(1));
    await tablet.goto('/stations');
    const section = tablet.locator('section').filter({ hasText: title });
    await section.getByRole('link', { name: 'Next: candidate 1' }).first().click();
    const counted = tablet.locator('[data-item]').filter({ hasText: 'Squeezes the full set' });
    for (let i = 0; i < 3; i++) await counted.getByRole('button', { name: 'One more' }).click();
    await expect(counted).toContainText('within the band');
    await expect(tablet.getByText('All saved')).toBeVisible();
    await tablet.reload();
    await expect(counted).toContainText('within the band');
    await tablet.context().close();
  });
});

test('two leads write one draft and lose nothing', async ({ page, browser }) => {
  page.setDefaultTimeout(60_000);
  await signIn(page, LEAD);
  await page.goto('/checklists');
  await page.getByRole('textbox', { name: 'Find by title or region' }).fill('Trendelenburg');
  await page
    .getByRole('button', { name: /^Write / })
    .first()
    .click();
  await expect(wordsOf(page, 1)).toBeVisible();
  const address = page.url();
  const other = await inOwnBrowser(browser, LEAD);
  await other.goto(address);
  await expect(wordsOf(other, 1)).toBeVisible();

  await wordsOf(page, 1).fill('Asks whether she may touch');
  await wordsOf(other, 2).fill('Watches from behind');
  await expect(wordsOf(other, 1)).toHaveValue('Asks whether she may touch');
  await expect(wordsOf(page, 2)).toHaveValue('Watches from behind');

  // The same item at the same time: one stands, the other is beside it.
  await other.context().setOffline(true);
  await wordsOf(other, 3).fill('Written without a network');
  await expect(other.getByText(/No connection: 1 change only on this page/)).toBeVisible();
  await wordsOf(page, 3).fill('Written meanwhile');
  await saved(page);
  await other.context().setOffline(false);
  await expect(other.getByText('while you did')).toBeVisible();
  await expect(wordsOf(other, 3)).toHaveValue('Written meanwhile');
  await other.getByRole('button', { name: 'Put mine in its place' }).click();
  await expect(wordsOf(page, 3)).toHaveValue('Written without a network');
  await other.getByRole('tab', { name: 'History' }).click();
  await expect(other.getByText('not taken: somebody else had changed it meanwhile')).toBeVisible();
  await other.context().close();

  await fromMenu(page.getByRole('button', { name: 'More', exact: true }), 'Put this draft away');
  await expect(page).toHaveURL(/\/checklists$/);
});
