import { expect, test } from '@playwright/test';
import { fromMenu } from './choose.ts';
import { LEAD, signIn } from './people.ts';

const TITLE = 'Shoulder to be left alone';

test('a station is refused for a patient who must not be tested so, and made for leaving it undone', async ({
  page,
}) => {
  test.setTimeout(300_000);
  page.setDefaultTimeout(60_000);
  const dialog = page.getByRole('dialog');

  await test.step('what the patient forbids is said where the patient is chosen', async () => {
    await signIn(page, LEAD);
    await page.goto('/bank');
    await fromMenu(page.getByRole('button', { name: 'New station' }), 'From procedures');
    await page.getByLabel('Title', { exact: true }).fill(TITLE);
    await page.getByLabel('Procedures, one or several').fill('Patte');
    await page.getByRole('option', { name: /Patte test/ }).click();
    await page.keyboard.press('Escape');
    // A search finds patients by the words of their group too.
    await page.getByLabel('What the simulated patient has').fill('must not be tested');
    await page.getByRole('option', { name: /Shoulder that slips forwards/ }).click();
    await expect(dialog.getByText(/Patte test must not be done on this patient/)).toBeVisible();
  });

  await test.step('made all the same it is refused in words, and nothing is lost', async () => {
    await dialog.getByRole('button', { name: 'Make it' }).click();
    await expect(
      dialog
        .getByRole('alert')
        .filter({ hasText: /slips out/ })
        .last(),
    ).toBeVisible();
    await expect(dialog.getByLabel('Title', { exact: true })).toHaveValue(TITLE);
  });

  await test.step('made for it, its sheet asks for leaving it undone and says why', async () => {
    await dialog.getByLabel('The station is for recognising this and leaving it undone').check();
    await dialog.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByText(`${TITLE} is in the bank.`)).toBeVisible();
    const made = page.getByRole('row').filter({ hasText: TITLE });
    await page.getByRole('textbox', { name: 'Title, procedure, patient' }).fill(TITLE);
    await expect(made).toContainText('to be left untested');
    const can = page.getByRole('button', { name: `What can be done with ${TITLE}` });
    await fromMenu(can, 'Write its checklist');
    await page.getByRole('tab', { name: 'Preview' }).click();
    const sheet = page.frameLocator('iframe[title="The marking sheet of this draft"]');
    await expect(sheet.getByText(/^Must not be done on this patient\./)).toBeVisible();
    const leaves = sheet.locator('[data-item="refrains"]');
    await expect(leaves).toContainText('Leaves undone: Patte test');
    await expect(leaves).toContainText('must not be missed');
    await expect(sheet.getByText('Supports the elbow from below')).toHaveCount(0);
    await expect(sheet.getByText('Variant seen')).toHaveCount(0);
    await sheet.getByRole('button', { name: 'Does it all the same' }).click();
    await expect(leaves.getByRole('button', { pressed: true })).toHaveText(/Not/);
  });

  await test.step('turned to a sound patient in the workshop it asks for the test, and back again', async () => {
    await page.getByRole('tab', { name: 'Around them' }).click();
    const patient = page.getByRole('combobox', { name: 'What the simulated patient has' });
    const words = () =>
      page
        .getByRole('textbox', { name: /^Words of item \d+$/ })
        .evaluateAll((fields) => fields.map((field) => (field as HTMLTextAreaElement).value));
    const chosen = async (search: string, option: RegExp) => {
      await patient.fill(search);
      await page.getByRole('option', { name: option }).click();
    };
    await chosen('nothing wrong', /^Nothing wrong/);
    await page.getByRole('button', { name: 'Ask for it again' }).click();
    await expect(page.getByText(/leave undone what may be done/)).toHaveCount(0);
    await page.getByRole('tab', { name: 'Items', exact: true }).click();
    await expect.poll(words).toContain('Supports the elbow from below');
    expect(await words()).not.toContain('Leaves undone: Patte test');
    await page.getByRole('tab', { name: 'Around them' }).click();
    await chosen('slips forwards', /Shoulder that slips forwards/);
    await page.getByLabel('The station is for recognising this and leaving it undone').check();
    await page.getByRole('button', { name: 'Ask for leaving it undone' }).click();
    await page.getByRole('tab', { name: 'Items', exact: true }).click();
    await expect.poll(words).toContain('Leaves undone: Patte test');
    expect(await words()).not.toContain('Supports the elbow from below');
  });

  await test.step('put away again, nobody who looks for a shoulder that slips finds it', async () => {
    await page.goto('/bank');
    await fromMenu(page.getByRole('button', { name: `What can be done with ${TITLE}` }), 'Retire');
    await expect(page.getByRole('row').filter({ hasText: TITLE })).toHaveCount(0);
  });
});
