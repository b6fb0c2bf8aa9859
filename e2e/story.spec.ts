import { belongsToVariant } from '@kritikos/core/scoring/checklist';
import type { Session } from '@kritikos/contracts/accounts';
import type { EventBody, OwnStation, Sheet } from '@kritikos/contracts/marking';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { randomUUID } from 'node:crypto';
import { choose } from './choose.ts';
import { openPhase } from './cycle.ts';
import { callApi, EXAMINER, inOwnBrowser, LEAD, signIn } from './people.ts';

const CANDIDATES = ['Ada Quist', 'Ben Oduya', 'Cleo Marsh', 'Dario Venn', 'Esi Holt', 'Finn Abe'];
const FILE = ['number,name', ...CANDIDATES.map((name, i) => `${i + 1},${name}`)].join('\n');

/** Taps every item to its best mark, then the named ones otherwise. */
async function markSheet(page: Page, otherwise: Record<string, string>): Promise<void> {
  const rows = page.locator('[data-item]');
  await expect(rows.first()).toBeVisible();
  for (const row of await rows.all()) {
    const key = (await row.getAttribute('data-item')) ?? '';
    const wanted = otherwise[key];
    if (wanted) await row.getByRole('button', { name: wanted }).click();
    else if (await row.getByRole('button', { name: 'More' }).isVisible())
      await row.getByRole('button', { name: 'More' }).click();
    else if (await row.getByRole('button', { name: 'Done', exact: true }).isVisible())
      await row.getByRole('button', { name: 'Done', exact: true }).click();
    else await row.getByRole('button').last().click();
  }
}

/** The other candidates are marked over the API, so that the regression has points to go through. */
async function markOverApi(page: Page, title: string): Promise<void> {
  const { account } = await callApi<Session>(page.request, 'get', '/session');
  const stations = await callApi<OwnStation[]>(page.request, 'get', '/own/stations');
  const station = stations.find((s) => s.examinationTitle === title);
  for (const { id, candidateNumber, submittedAt } of station?.sheets ?? []) {
    if (submittedAt || candidateNumber === 1) continue;
    const sheet = await callApi<Sheet>(page.request, 'get', `/sheets/${id}`);
    const items = sheet.checklist.content.items.filter((i) =>
      belongsToVariant(i, sheet.state.variants),
    );
    const missed = 2 * (candidateNumber - 2);
    const bodies: EventBody[] = items.map((item, i) => ({
      type: 'mark',
      item: item.key,
      value:
        item.kind === 'choice'
          ? item.answer
          : item.kind === 'measured'
            ? item.lower
            : i < missed && item.criticality === 'none'
              ? 0
              : item.kind === 'graded'
                ? 2
                : 1,
      observation: 'observed',
      manner: 'done',
      prompted: false,
    }));
    bodies.push({ type: 'rating', grade: Math.max(1, 6 - candidateNumber) }, { type: 'submit' });
    await callApi(page.request, 'post', `/sheets/${id}/events`, {
      account: account?.id,
      events: bodies.map((body, sequence) => ({
        id: randomUUID(),
        device: 'api',
        sequence,
        at: new Date(Date.now() - 60_000 + sequence).toISOString(),
        clockAhead: 0,
        checklistVersionId: sheet.checklist.id,
        body,
      })),
    });
  }
}

test('from a list of candidates to a signed pass mark', async ({ page, browser }) => {
  // Two minutes on a quiet machine at the very worst; a shared one can stand still for as long.
  test.setTimeout(600_000);
  const title = `Story ${Date.now()}`;

  await test.step('the lead makes an examination and imports candidates', async () => {
    await signIn(page, LEAD);
    await page.getByRole('button', { name: 'New examination' }).click();
    await page.getByLabel('Title').fill(title);
    await page.getByLabel('School').fill('Orrinmouth College of Physiotherapy');
    await choose(page, 'Cohort', 'A new cohort');
    await page.getByLabel('Name of the new cohort').fill(title);
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByRole('heading', { name: 'Prepare' })).toBeVisible();

    const upload = page.locator('input[type="file"]');
    const bad = FILE.replace('3,Cleo Marsh', 'three,');
    await upload.setInputFiles({
      name: 'list.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(bad),
    });
    await expect(page.getByText('"three" is not a whole number')).toBeVisible();
    await expect(page.getByText('The name is empty.')).toBeVisible();
    await upload.setInputFiles({
      name: 'list.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(FILE),
    });
    await page.getByRole('button', { name: 'Import 6 candidates' }).click();
    await expect(page.getByRole('cell', { name: 'Finn Abe' })).toBeVisible();
  });

  await test.step('adds a station with two examiners and opens marking', async () => {
    await page.getByLabel('Station of the bank').fill('Knee that gave');
    await page.getByRole('option', { name: 'Knee that gave way' }).first().click();
    await page.getByRole('button', { name: 'Add station' }).click();
    for (const name of ['Tomasz Adeyemi', 'Leilani Brandvold']) {
      await choose(page, 'Add an examiner to station 1', name);
      await expect(page.getByRole('button', { name: `Take ${name} off station 1` })).toBeVisible();
    }
    await page.getByRole('button', { name: 'Plan who marks whom' }).click();
    await expect(page.getByText('12 sheets, 6 of them pairs')).toBeVisible();
    await openPhase(page, /^Mark/);
    await page.getByRole('button', { name: 'Open marking' }).click();
    await expect(page.getByRole('dialog')).toContainText('2 briefings are not read');
    await page.getByRole('button', { name: 'Open all the same' }).click();
    await expect(page.getByRole('button', { name: 'Close marking' })).toBeVisible();
  });

  await test.step('two examiners mark candidate 1 and disagree on one item', async () => {
    for (const [i, disputed] of [
      'Close below the joint line',
      'Grip at mid-shin or calf',
    ].entries()) {
      const tablet = await inOwnBrowser(browser, EXAMINER(i + 1));
      await markOverApi(tablet, title);
      await tablet.goto('/stations');
      const section = tablet.locator('section').filter({ hasText: title });
      await section.getByRole('link', { name: 'Next: candidate 1' }).click();
      await expect(tablet.getByRole('button', { name: 'Clear pass' })).toBeDisabled();
      await markSheet(tablet, { 'shin-grip': disputed });
      await tablet.getByRole('button', { name: 'Clear pass' }).click();
      await expect(tablet.getByRole('status')).toHaveText(/All saved/);
      await tablet.getByRole('button', { name: /^Review/ }).click();
      await tablet.getByRole('button', { name: 'Submit', exact: true }).click();
      await expect(section.getByText('6 of 6 submitted')).toBeVisible();
      await tablet.context().close();
    }
  });

  await test.step('the lead sees that very item, its table, and the two sheets', async () => {
    await openPhase(page, /^Agree/);
    const row = page.locator('tr[data-item="shin-grip"]');
    await expect(row.getByRole('button', { name: /^Table behind/ })).toHaveText('83 %');
    await expect(
      page.locator('tr[data-item="consent"]').getByRole('button', { name: /^Table behind/ }),
    ).toHaveText('100 %');
    await row.getByRole('button', { name: /^Table behind/ }).click();
    await page.getByRole('link', { name: 'Candidate 1', exact: true }).click();
    await expect(page.getByText('The two sheets differ on 1 item,')).toBeVisible();
    await expect(page.locator('tr.differs')).toHaveCount(2);
    await expect(page.locator('tr.differs').first()).toContainText('Grips the shin');
  });

  await test.step('sets the standard, watches the consequence, and signs', async () => {
    await openPhase(page, /^Set the standard/);
    await expect(page.getByText(/pass · \d+ fail/)).toBeVisible();
    const before = await page
      .locator('section[aria-live=polite]')
      .getByText(/must reach/)
      .innerText();
    const slider = page.getByRole('slider', { name: 'Borderline point of the scale' });
    await slider.focus();
    for (let i = 0; i < 10; i++) await slider.press('ArrowRight');
    await expect(page.locator('section[aria-live=polite]').getByText(/must reach/)).not.toHaveText(
      before,
    );
    await page.getByLabel('By hand').fill('100');
    await page.getByLabel('By hand').press('Enter');
    await expect(page.getByText('Mean of 1 station must reach 100.0 %')).toBeVisible();
    await page.getByRole('button', { name: 'Sign this standard' }).click();
    await page
      .getByLabel('Reason, for the board and for appeals')
      .fill('Agreed by the panel, cut by hand.');
    const sign = page.getByRole('button', { name: 'Sign', exact: true });
    // Marking is still open, which is asked about.
    await expect(sign).toBeDisabled();
    await page.getByLabel('Sign all the same').check();
    await sign.click();
    await expect(page.getByText('No. 1, in force')).toBeVisible();
  });

  await test.step('the candidates’ outcomes follow', async () => {
    await openPhase(page, /^Report/);
    const ada = page.getByRole('row').filter({ hasText: 'Ada Quist' });
    await expect(ada).toContainText('fail');
    await expect(ada).toContainText('is below the required 100.0 %');
    await expect(page.getByRole('row').filter({ hasText: 'Ben Oduya' })).toContainText('pass');
    await ada.getByRole('link').click();
    await expect(page.getByRole('heading', { name: '▲ Not passed' })).toBeVisible();
    await expect(page.getByText('Grips the shin close below the joint line')).toBeVisible();
  });
});

test('from a disagreement to a standard by another method, and to what the years say', async ({
  page,
}) => {
  await signIn(page, LEAD);
  await page.goto('/examinations');
  await page.getByRole('link', { name: 'Orthopedic special tests, second year' }).click();

  await test.step('the item that both split on is named, with its table', async () => {
    await openPhase(page, /^Agree/);
    await page.getByRole('button', { name: '2 · Groin pain on sitting' }).click();
    const row = page.locator('tr[data-item="pelvis-level"]');
    await expect(row).toContainText('ambiguous');
    await row.getByRole('button', { name: /^Table behind/ }).click();
    await expect(page.getByRole('dialog')).toContainText('Pairs that differ');
    await page.getByRole('button', { name: 'Close', exact: true }).click();
  });

  await test.step('so is the hard examiner, with the file and the command that say it again', async () => {
    await expect(page.getByText(/Greta Mukherjee marks \d\.\d points lower/)).toBeVisible();
    await page
      .getByRole('button', { name: 'The file and the command behind the severities' })
      .click();
    const dialog = page.getByRole('dialog');
    await expect(dialog).toContainText('kritikos -- severity sheets-with-examiners.csv --model');
    const download = page.waitForEvent('download');
    await dialog.getByRole('link', { name: 'sheets-with-examiners.csv' }).click();
    expect((await download).suggestedFilename()).toBe('sheets-with-examiners.csv');
    await dialog.getByRole('button', { name: 'Close' }).click();
  });

  await test.step('a plot shows its numbers, and gives them and itself away', async () => {
    const figure = page.locator('figure').last();
    for (const [button, name] of [
      ['Save picture', 'severity-percent-points.png'],
      ['Save as CSV', 'severity-percent-points.csv'],
    ] as const) {
      const download = page.waitForEvent('download');
      await figure.getByRole('button', { name: button }).click();
      expect((await download).suggestedFilename()).toBe(name);
    }
    await figure.getByRole('button', { name: 'Show the numbers' }).click();
    await expect(figure.getByRole('row').nth(1)).toContainText('Greta Mukherjee');
  });

  await test.step('another method is chosen, and another again for one station', async () => {
    await openPhase(page, /^Set the standard/);
    const required = page.locator('section[aria-live=polite]').getByText(/must reach/);
    await expect(required).toBeVisible();
    const before = await required.innerText();
    await page.getByRole('button', { name: 'Borderline group, mean' }).click();
    await expect(page.getByText('Borderline group, mean, chosen')).toBeVisible();
    await expect(required).not.toHaveText(before);
    await choose(page, 'Method of station 1', 'Fixed percentage');
    await expect(page.locator('[data-station="1"]')).toContainText('60.0 %');
    await page.locator('[data-station="1"]').getByText('Every method at this station').click();
    await expect(page.getByText('Come above').first()).toBeVisible();
    await page.getByRole('combobox').filter({ hasText: 'Domains that must be passed' }).click();
    await page.getByRole('option', { name: 'Technique' }).click();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('option')).toHaveCount(0);
    await expect(page.locator('tr[data-part="technique"]')).toContainText('60.0 %');
    await page.getByRole('button', { name: 'Every candidate, part by part' }).click();
    await expect(page.getByRole('dialog')).toContainText('Critical items missed');
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    await page.getByRole('button', { name: 'Sign this standard' }).click();
    await page
      .getByLabel('Reason, for the board and for appeals')
      .fill('The panel prefers the borderline group this year.');
    await page.getByLabel('Sign all the same').check();
    await page.getByRole('button', { name: 'Sign', exact: true }).click();
    await expect(page.getByText('Borderline group, mean; 1 station otherwise')).toBeVisible();
  });

  await test.step('and the years say which cohort was the better one', async () => {
    await page.getByRole('link', { name: 'Over the years' }).click();
    await expect(page.getByText(/^Cohort 2026 did \d+\.\d points better than 2025/)).toBeVisible();
    await expect(page.getByText('▲ changed beyond its error, not used')).toBeVisible();
    await page.getByRole('link', { name: 'Shoulder that slips' }).click();
    await expect(page.getByText(/took the place of/).first()).toBeVisible();
  });
});
