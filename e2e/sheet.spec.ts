import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { EXAMINER, signIn } from './people.ts';

/** Opens the sheet of candidate 24, who came late and is unmarked in the demo. */
async function openSheet(page: Page, examiner: number): Promise<void> {
  await signIn(page, EXAMINER(examiner));
  await page
    .getByRole('link', { name: /candidate 24$/i })
    .first()
    .click();
  await expect(page.locator('[data-item]').first()).toBeVisible();
}
const item = (page: Page, key: string) => page.locator(`[data-item="${key}"]`);
const saved = (page: Page) => expect(page.getByRole('status')).toHaveText(/All saved/);

for (const [width, height] of [
  [1280, 800],
  [1024, 768],
  [820, 1180],
] as const) {
  test(`the whole sheet fits ${width}x${height}, every target big enough for a thumb`, async ({
    page,
  }) => {
    await page.setViewportSize({ width, height });
    for (const examiner of [1, 2, 3, 4]) {
      await openSheet(page, examiner);
      const overflow = await page
        .locator('.body')
        .evaluate((body) => body.scrollHeight - body.clientHeight);
      expect(overflow).toBeLessThanOrEqual(1);
      for (const row of await page.locator('[data-item]').all())
        await expect(row).toBeInViewport({ ratio: 1 });
      for (const button of await page.locator('.body button, footer button').all()) {
        const box = await button.boundingBox();
        expect(box?.height).toBeGreaterThanOrEqual(48);
        expect(box?.width).toBeGreaterThanOrEqual(48);
      }
      await page.context().clearCookies();
    }
  });
}

test('a mark survives a reload', async ({ page }) => {
  await openSheet(page, 1);
  await item(page, 'consent').getByRole('button', { name: 'Not done' }).click();
  await saved(page);
  await page.reload();
  await expect(item(page, 'consent').getByRole('button', { name: 'Not done' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
});

test('without a network marks wait on the device, are counted, survive a reload, and go when it is back', async ({
  page,
  context,
}) => {
  await openSheet(page, 2);
  // The page must be one that the service worker serves, or the reload below finds nothing.
  await page.waitForFunction(
    'navigator.serviceWorker.ready.then((r) => r.active?.state === "activated")',
  );
  await context.setOffline(true);
  await item(page, 'consent').getByRole('button', { name: 'Done', exact: true }).click();
  await item(page, 'both-sides').getByRole('button').nth(2).click();
  await expect(page.getByRole('status')).toHaveText(/3 waiting, no network/); // two marks and the clock
  // Until then the browser would ask whether to leave; a reload that is answered with yes loses the tap.
  await expect(page.getByRole('status')).toHaveAttribute('aria-busy', 'false');
  await page.reload();
  await expect(item(page, 'both-sides').getByRole('button').nth(2)).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(page.getByRole('status')).toHaveText(/3 waiting/);
  await context.setOffline(false);
  await saved(page);
});

test('everything works from the keyboard', async ({ page }) => {
  await openSheet(page, 3);
  const pressed = (key: string, n: number) =>
    expect(item(page, key).getByRole('button').nth(n)).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('1');
  await pressed('hand-hygiene', 0);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('2');
  await pressed('consent', 1);
  await page.keyboard.press('Control+z');
  await expect(item(page, 'consent').getByRole('button').nth(1)).toHaveAttribute(
    'aria-pressed',
    'false',
  );
  await page.keyboard.press('1');
  await page.keyboard.press('s');
  await expect(item(page, 'consent')).toContainText('said only');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('3');
  await pressed('screens-shoulder', 2);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('1');
  await page.keyboard.type('85');
  await page.keyboard.press('Enter');
  await expect(item(page, 'abduction')).toContainText('within the band');
  await page.getByLabel('Arm abduction at the start, in °').blur();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('o');
  await expect(item(page, 'couch-edge')).toContainText('not observed');
  await page.keyboard.press('c');
  await page.keyboard.type('Calm and slow.');
  await page.keyboard.press('Escape');
  await page.keyboard.press('v');
  await expect(page.locator('.variant select')).toBeFocused();
  await page.locator('.variant select').selectOption('seated');
  await expect(item(page, 'steadies-shoulder')).toBeVisible();
  await expect(item(page, 'couch-edge')).toHaveCount(0);
  await page.locator('.variant select').blur();
  await page.keyboard.press('r');
  await expect(page.getByRole('dialog')).toContainText('items have no mark');
  await expect(page.getByRole('button', { name: /^Submit/ })).toBeDisabled();
  await page.keyboard.press('Escape');
  await saved(page);
});

test('a fault marks the item that it spoils, says so, keeps what a hand marked, and goes whole', async ({
  page,
}) => {
  await openSheet(page, 4);
  const fault = page.getByRole('button', { name: 'Calf tense', exact: true });
  const slack = item(page, 'slack-calf');
  const pressed = (name: string, is: boolean) =>
    expect(slack.getByRole('button', { name, exact: true })).toHaveAttribute(
      'aria-pressed',
      String(is),
    );
  await fault.click();
  await pressed('Not done', true);
  await expect(slack).toContainText('by the fault: Calf tense');
  await fault.click();
  await pressed('Not done', false);
  // One Undo is the fault and its mark.
  await page.getByRole('button', { name: /^Undo: Fault taken back: Calf tense/ }).click();
  await expect(
    page.getByText(/^Taken back: Fault taken back: Calf tense, with its mark/),
  ).toBeVisible();
  await pressed('Not done', true);
  await page.getByRole('button', { name: /^Undo: Fault seen: Calf tense/ }).click();
  await pressed('Not done', false);
  await slack.getByRole('button', { name: 'Done', exact: true }).click();
  await fault.click();
  await pressed('Done', true);
  await expect(slack).toContainText('your mark stands; the fault “Calf tense” would make it Not');
  await page.reload();
  await expect(slack).toContainText('your mark stands');
  await fault.click();
  await expect(slack).not.toContainText('your mark stands');
  await saved(page);
});

test('a safety stop is one action and stops the clock; a slip is taken back by Undo or by its name', async ({
  page,
}) => {
  await openSheet(page, 4);
  const stop = page.getByRole('button', { name: /^Safety stop/ });
  const strip = page.locator('.safety-strip');
  await item(page, 'consent').getByRole('button', { name: 'Done', exact: true }).click();
  const running = page.getByRole('button', { name: /Stop the clock/ });
  await expect(running).toBeVisible();
  await stop.click();
  await expect(page.getByRole('button', { name: /Start the clock/ })).toBeVisible();
  await expect(stop).toContainText('1 recorded');
  // The last good mark stays.
  await page.getByRole('button', { name: /^Undo: Safety stop at/ }).click();
  await expect(strip).toHaveCount(0);
  await expect(running).toBeVisible();
  await expect(
    item(page, 'consent').getByRole('button', { name: 'Done', exact: true }),
  ).toHaveAttribute('aria-pressed', 'true');
  await stop.click();
  await page.getByLabel('What happened, and what you did').fill('Cramp in the calf; rested.');
  await page.getByLabel('What happened, and what you did').blur();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('What happened, and what you did')).toHaveValue(
    'Cramp in the calf; rested.',
  );
  await strip.getByRole('button', { name: /take it back/ }).click();
  await expect(strip).toHaveCount(0);
  await expect(stop).not.toContainText('recorded');
  await saved(page);
});

test('signed out, the marks are kept, and go by themselves once somebody signs in again', async ({
  page,
  context,
}) => {
  await openSheet(page, 1);
  await context.clearCookies();
  await item(page, 'thigh-held').getByRole('button').nth(2).click();
  await expect(page.getByRole('alert')).toContainText('You are not signed in');
  await expect(page.getByRole('alert')).toContainText('kept on this device');
  await expect(page.getByRole('status')).toHaveText(/waiting, signed out/);
  // Another tab of the same browser signs in; this one goes on without a button.
  const other = await context.newPage();
  await signIn(other, EXAMINER(1));
  await page.bringToFront();
  await saved(page);
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('a refused tap is set aside with its reason, and is done again or dropped with a word', async ({
  page,
}) => {
  await openSheet(page, 2);
  // On the way to the server the comments get a character that no paper has.
  await page.route('**/events', (route) => {
    const body =
      route
        .request()
        .postData()
        ?.replace(/"text":"/, '"text":"\\u000b') ?? '';
    return route.continue({ postData: body });
  });
  await page.getByLabel('Comment').fill('Slow hands');
  await page.getByLabel('Comment').blur();
  await item(page, 'consent').getByRole('button', { name: 'Not done' }).click();
  const aside = page.getByRole('alert').filter({ hasText: 'set aside' });
  await expect(aside).toContainText('Comment: Slow hands');
  await expect(aside).toContainText('characters that cannot be stored');
  await expect(page.getByRole('status')).toHaveText(/1 set aside/);
  await expect(item(page, 'consent').getByRole('button', { name: 'Not done' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  const answered = page.waitForResponse('**/events');
  await aside.getByRole('button', { name: 'Do it again' }).click();
  await answered;
  await expect(aside).toContainText('characters that cannot be stored');
  await page.unroute('**/events');
  await aside.getByRole('button', { name: 'Drop it' }).click();
  await expect(aside.getByRole('button', { name: 'Drop it' })).toBeDisabled();
  await aside.getByLabel('Why it is dropped').fill('Typed it anew');
  await aside.getByRole('button', { name: 'Drop it' }).click();
  await expect(aside).toHaveCount(0);
  await saved(page);
});

test('what another examiner left on the tablet is counted, not shown, and waits for them', async ({
  page,
  context,
}) => {
  await openSheet(page, 3);
  await page.waitForFunction(
    'navigator.serviceWorker.ready.then((r) => r.active?.state === "activated")',
  );
  await context.setOffline(true);
  await item(page, 'consent').getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.getByRole('status')).toHaveText(/\d waiting/);
  await context.clearCookies();
  await context.setOffline(false);
  await signIn(page, EXAMINER(4));
  await expect(page.getByText(/marks? of another examiner waits? on this device/)).toBeVisible();
  await context.clearCookies();
  await openSheet(page, 3);
  await saved(page);
  await expect(
    item(page, 'consent').getByRole('button', { name: 'Done', exact: true }),
  ).toHaveAttribute('aria-pressed', 'true');
  await page.goto('/stations');
  await expect(page.getByText('Everything that you marked on this device is saved.')).toBeVisible();
});

test('a submitted sheet asks nothing before it is submitted', async ({ page }) => {
  await signIn(page, EXAMINER(1));
  await page
    .getByRole('link', { name: /, submitted/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: 'Submitted' })).toBeDisabled();
  await page.keyboard.press('r');
  await page.keyboard.press('!');
  await expect(page.getByText('All saved')).toBeVisible();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Safety stop/ })).not.toContainText('recorded');
});
