import { expect, test } from '@playwright/test';
import { choose, fromMenu } from './choose.ts';
import { openPhase } from './cycle.ts';
import { inOwnBrowser, LEAD, PASSWORD, signIn } from './people.ts';

const LIST = [
  'Key;First name;Surname;Extra time',
  'G-101;Abel;Rusk;',
  'G-102;Bibi;Lund;25 %',
  'G-103;Cato;Okon;',
].join('\n');

const file = (content: string) => ({
  name: 'intake.csv',
  mimeType: 'text/csv',
  buffer: Buffer.from(content),
});

test('an administrator invites a lead, who imports a cohort and examines it at stations of the bank', async ({
  page,
  browser,
}) => {
  const run = Date.now();
  const email = `new-lead-${run}@orrinmouth.example`;
  let link = '';

  await test.step('the administrator invites, and is shown the link once', async () => {
    await signIn(page, LEAD);
    await page.getByRole('link', { name: 'People' }).click();
    await page.getByRole('button', { name: 'Invite somebody' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Rhea Osgood');
    await page.getByLabel('E-mail', { exact: true }).fill(email);
    await page.getByLabel('Lead: plans, analyses and decides').check();
    await page.getByRole('button', { name: 'Invite', exact: true }).click();
    const links = page.getByRole('status', { name: 'Links to pass on' });
    await expect(links).toContainText('Rhea Osgood');
    link = /http:\S+\/welcome#\S+/.exec(await links.locator('code').innerText())?.[0] ?? '';
    expect(link).not.toBe('');
    await links.getByRole('button', { name: 'Done, put them away' }).click();
    await expect(page.getByText(link)).toHaveCount(0);
    // Nobody opens it later: of the letter there is only that it was to be written.
    await page.getByRole('link', { name: 'Letters' }).click();
    await expect(page.getByText(`Your account in Kritikos to ${email}`)).toBeVisible();
    await expect(page.getByText('/welcome#')).toHaveCount(0);
  });

  const context = await browser.newContext();
  const lead = await context.newPage();
  await test.step('the lead chooses a password by the link, which then is used', async () => {
    await lead.goto(link);
    await expect(lead.getByText(email)).toBeVisible();
    await lead.getByLabel('Password, 12 characters or more').fill(PASSWORD);
    await lead.getByRole('button', { name: 'Keep it and sign in' }).click();
    await expect(lead.getByText('There is no examination yet.')).toBeVisible();
    const again = await browser.newPage();
    await again.goto(link);
    await expect(again.getByText('This link was used already')).toBeVisible();
    await again.close();
  });

  await test.step('brings in a list of students, looked at first', async () => {
    await lead.getByRole('link', { name: 'Cohorts' }).click();
    await lead.getByRole('button', { name: 'New cohort' }).click();
    await lead.getByLabel('Name', { exact: true }).fill(`Intake ${run}`);
    await lead.getByRole('button', { name: 'Make it' }).click();
    await expect(lead.getByText('Nobody yet: bring in a list.')).toBeVisible();
    const list = LIST.replaceAll('G-', `${run % 100_000}-`);
    const field = lead.getByLabel('Students, CSV or XLSX', { exact: true });
    await field.setInputFiles(file(list.replace('25 %', 'a quarter')));
    await expect(lead.getByRole('cell', { name: 'Lund' })).toBeVisible();
    // Nothing is guessed of a column called Key, and nothing stands in the field of the number.
    await expect(lead.getByText('-1', { exact: true })).toBeHidden();
    await choose(lead, 'Student’s number', 'Key');
    await lead.getByRole('combobox').filter({ hasText: 'Name, from one column' }).click();
    await lead.getByRole('option', { name: 'First name' }).click();
    await lead.getByRole('option', { name: 'Surname' }).click();
    await lead.keyboard.press('Escape');
    await expect(lead.getByRole('option')).toHaveCount(0);
    await choose(lead, 'Extra time, per cent', 'Extra time');
    await lead.getByRole('button', { name: 'Read the whole list' }).click();
    await expect(lead.getByText('1 cell cannot be taken.')).toBeVisible();

    // Mended, it comes again under its name, which a browser would not tell, and need not be mapped.
    await expect(field).toHaveValue('');
    await field.setInputFiles(file(list));
    await expect(lead.getByText('The columns are mapped as in your last list')).toBeVisible();
    await lead.getByRole('button', { name: 'Read the whole list' }).click();
    await expect(lead.getByText('3 new students')).toBeVisible();
    await lead.getByRole('button', { name: 'Take 3 students' }).click();
    await expect(lead.getByText('The list was taken.')).toBeVisible();
    await expect(lead.getByRole('button', { name: /Bibi Lund/ })).toContainText('25 % extra time');

    await lead.locator('input[type="file"]').setInputFiles(file(list.replace('Rusk', 'Rusk-Bell')));
    await expect(lead.getByText('The columns are mapped as in your last list')).toBeVisible();
    await lead.getByRole('button', { name: 'Read the whole list' }).click();
    await expect(lead.getByText('name was Abel Rusk')).toBeVisible();
    await lead.getByRole('button', { name: 'Take 3 students' }).click();
    await expect(lead.getByRole('button', { name: /Abel Rusk-Bell/ })).toBeVisible();
  });

  await test.step('makes a station of two procedures in the bank', async () => {
    await lead.getByRole('link', { name: 'Stations', exact: true }).click();
    await fromMenu(lead.getByRole('button', { name: 'New station' }), 'From procedures');
    await lead.getByLabel('Title', { exact: true }).fill(`Sore hip ${run}`);
    for (const name of ['FABER', 'Thomas']) {
      await lead.getByRole('combobox', { name: 'Procedures, one or several' }).fill(name);
      await lead
        .getByRole('option', { name: new RegExp(name) })
        .first()
        .click();
    }
    await lead.keyboard.press('Escape');
    await lead.getByRole('button', { name: 'Make it' }).click();
    await expect(lead.getByText(`Sore hip ${run} is in the bank.`)).toBeVisible();
  });

  await test.step('makes an examination of the cohort at stations of the bank', async () => {
    await lead.getByRole('link', { name: 'Examinations' }).click();
    await lead.getByRole('button', { name: 'New examination' }).click();
    await lead.getByLabel('Title').fill(`Ground ${run}`);
    await lead.getByLabel('School').fill('Orrinmouth College of Physiotherapy');
    await choose(lead, 'Cohort', `Intake ${run}`);
    await lead.getByRole('button', { name: 'Make it' }).click();
    await expect(lead.getByRole('heading', { name: 'Prepare' })).toBeVisible();
    await lead.getByLabel('Circuits, with commas between').fill('Green, White');
    await lead.getByRole('button', { name: 'Take the cohort' }).click();
    await expect(lead.getByRole('cell', { name: 'Cato Okon' })).toBeVisible();
    for (const [i, title] of [`Sore hip ${run}`, 'Unsteady ankle'].entries()) {
      await lead.getByLabel('Station of the bank').fill(title);
      await lead.getByRole('option', { name: title }).first().click();
      await lead.getByRole('button', { name: 'Add station' }).click();
      await expect(lead.getByText(`${i + 1} · ${title}`)).toBeVisible();
    }
  });

  await test.step('and says of a candidate that they withdrew, with a reason', async () => {
    await lead.getByRole('button', { name: 'expected, candidate 2' }).click();
    await lead.getByLabel('withdrawn').check();
    await lead.getByLabel('Why').fill('Moved to another school');
    await lead.getByRole('button', { name: 'Keep' }).click();
    await expect(lead.getByRole('button', { name: 'withdrawn, candidate 2' })).toBeVisible();
  });

  await test.step('nobody else sees it until the lead lets them read it', async () => {
    const { pathname } = new URL(lead.url());
    await page.goto(pathname);
    await expect(page.getByText('Other people lead this examination.').first()).toBeVisible();
    await lead.getByRole('combobox').filter({ hasText: 'Let another lead read it' }).click();
    await lead.getByRole('option', { name: 'Ines Okafor-Lindqvist' }).click();
    await expect(
      lead.getByRole('button', { name: 'Take Ines Okafor-Lindqvist off' }),
    ).toBeVisible();
    await page.goto(pathname);
    await expect(page.getByRole('heading', { name: 'Prepare' })).toBeVisible();
  });
  await context.close();
});

test('what examiners tap shows on the page of the lead by itself', async ({ page, browser }) => {
  await signIn(page, LEAD);
  await page.getByRole('link', { name: 'Orthopedic special tests, second year' }).click();
  await openPhase(page, /^Mark \d/);
  const line = page.getByRole('row').filter({ hasText: 'Rosa Castellanos' }).first();
  await expect(line).toBeVisible();
  const before = await line.innerText();
  const tablet = await inOwnBrowser(browser, 'examiner3@orrinmouth.example');
  await tablet.goto('/stations');
  await tablet.getByRole('link', { name: 'Next: candidate 24' }).click();
  await tablet.getByRole('button', { name: 'Done', exact: true }).first().click();
  await expect(tablet.getByRole('status')).toHaveText(/All saved/);
  await expect(line).not.toHaveText(before);
  await tablet.context().close();
});
