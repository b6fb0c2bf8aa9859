import type { Page } from '@playwright/test';
import type { Scene } from './scene.ts';

type Then = NonNullable<Scene['then']>;
const settle = (page: Page) => page.waitForTimeout(350);
const lead = (name: string, path: string, sign: Scene['sign'], then?: Then): Scene => ({
  name,
  who: 'lead',
  path,
  sign,
  ...(then ? { then } : {}),
});

const HIP = 'Tight front of the hip';
const KNEE = 'Knee struck from outside';
const IMPORT = 'Outer thigh, from a colleague’s file';
const NEXT_YEAR = 'Second-year special tests, 2027';

/** A draft of the demo, opened in the workshop. */
const workshop = (name: string, draft: string, then: Then = () => Promise.resolve()) =>
  lead(`workshop, ${name}`, '/checklists', 'Being written', async (page, context) => {
    await page.getByRole('link', { name: draft }).click();
    await page.getByLabel('Words of item 1', { exact: true }).waitFor();
    await then(page, context);
    await settle(page);
  });
const tab = async (page: Page, name: string) => {
  await page.getByRole('tab', { name, exact: true }).click();
  await settle(page);
};
/** The first item of a phase, opened and marked in another way. */
const markedAs =
  (kind: string): Then =>
  async (page) => {
    const item = page.locator('ol[data-list="technique"] li[data-key]').nth(1);
    await item.locator('button.kind').click();
    await item.getByRole('combobox').first().click();
    await page.getByRole('option', { name: kind, exact: true }).click();
    await settle(page);
    await item.scrollIntoViewIfNeeded();
  };
const more = async (page: Page, what: string) => {
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByText(what).click();
  await settle(page);
};
const bring = (page: Page, content: unknown) =>
  page.locator('input[type="file"]').setInputFiles({
    name: 'checklist.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(content)),
  });

const newStation = (name: string, choice: string, then: Then = () => Promise.resolve()) =>
  lead(`bank, ${name}`, '/bank', 'Unsteady ankle', async (page, context) => {
    await page.getByRole('button', { name: 'New station' }).click();
    await page.getByText(choice, { exact: true }).click();
    await page.getByRole('dialog').waitFor();
    await then(page, context);
    await settle(page);
  });
const blueprint = (name: string, then: Then = () => Promise.resolve()) =>
  lead(`blueprint, ${name}`, '/examinations', 'New examination', async (page, context) => {
    await page.getByRole('link', { name: NEXT_YEAR }).click();
    await page
      .getByRole('link', { name: /^Prepare/ })
      .first()
      .click();
    await page.getByRole('link', { name: 'Blueprint and order' }).click();
    await page.getByText('What stands out').waitFor();
    await then(page, context);
    await settle(page);
  });

/** The shelf, with a file of one of its procedures changed in this way. */
const onShelf = (name: string, change: (procedure: Written) => object, sign: string) =>
  lead(`shelf, ${name}`, '/catalogue/shelf', 'The school’s shelf', async (page) => {
    const shelf = (await (await page.request.get('/api/shelf')).json()) as { procedure: Written }[];
    const procedures = shelf.slice(0, 1).map(({ procedure }) => change(procedure));
    await page.getByRole('button', { name: 'Bring procedures in' }).click();
    await bring(page, { format: 'kritikos-catalogue', version: 1, procedures });
    await page.getByText(sign).waitFor();
    await settle(page);
  });
interface Written {
  readonly figure: { readonly decides: object };
  readonly loads: readonly object[];
}
const SCENES_OF_THE_SHELF: readonly Scene[] = [
  lead('shelf', '/catalogue/shelf', 'Single-leg heel raise'),
  lead('shelf, what can be done', '/catalogue/shelf', 'Single-leg heel raise', async (page) => {
    await page.getByRole('button', { name: /^What can be done/ }).click();
    await settle(page);
  }),
  lead('shelf, retired', '/catalogue/shelf', 'The school’s shelf', async (page) => {
    await page.route('**/api/shelf', async (route) => {
      const shelf = (await (await route.fetch()).json()) as object[];
      await route.fulfill({ json: shelf.map((own) => ({ ...own, retired: true })) });
    });
    await page.reload();
    await page.getByText('· retired').waitFor();
  }),
  lead('shelf, nothing yet', '/catalogue/shelf', 'The school’s shelf', async (page) => {
    await page.route('**/api/shelf', (route) => route.fulfill({ json: [] }));
    await page.reload();
    await page.getByText('Nothing stands here yet').waitFor();
  }),
  lead('shelf, before a file', '/catalogue/shelf', 'The school’s shelf', async (page) => {
    await page.getByRole('button', { name: 'Bring procedures in' }).click();
    await settle(page);
  }),
  onShelf('as it stands', (own) => own, 'All of this stands on the shelf already'),
  onShelf('a change that is sound', (own) => ({ ...own, title: 'Said anew' }), 'can be taken'),
  onShelf(
    'unsound',
    (own) => ({
      ...own,
      id: 'ober',
      followUp: ['calf-squeez', 'something-else-altogether'],
      figure: { ...own.figure, decides: { ...own.figure.decides, band: [-90, -22] } },
      loads: own.loads.map((load) => ({ ...load, structure: 'Achiles tendon' })),
    }),
    'to put right',
  ),
  onShelf('that cannot be read', () => ({ region: 'tail' }), 'Nothing was taken'),
  lead('a procedure of the school', '/catalogue/own-heel-raise', 'Single-leg heel raise'),
];

/** Preparing: the bank, the workshop, the blueprint, next year's. */
export const SCENES_OF_PREPARING: readonly Scene[] = [
  lead('checklists', '/checklists', 'Being written'),
  lead('checklists, none like that', '/checklists', 'Being written', async (page) => {
    await page.getByRole('textbox', { name: 'Find by title or region' }).fill('nothing like it');
    await page.getByText('Nothing like that.').waitFor();
  }),
  workshop('two acts, vague, no anchors', HIP),
  workshop('one side, no stop rule, too many', KNEE),
  workshop('a file to be mended', IMPORT),
  ...['Graded', 'Measured', 'Counted', 'Held', 'Declared', 'Both sides', 'Before and after'].map(
    (kind) => workshop(`marked as ${kind.toLowerCase()}`, HIP, markedAs(kind)),
  ),
  workshop('marked as a combination', HIP, async (page, context) => {
    await markedAs('Combination')(page, context);
    await page.getByRole('button', { name: 'One finding more' }).click();
  }),
  workshop('what can be done with an item', HIP, async (page) => {
    await page.getByRole('button', { name: 'More for item 3' }).click();
  }),
  workshop('rules', HIP, async (page) => {
    await tab(page, 'Rules and faults');
    await page.getByRole('button', { name: 'New order rule' }).click();
    await page.getByRole('button', { name: 'New rule', exact: true }).click();
  }),
  workshop('around the items', KNEE, (page) => tab(page, 'Around them')),
  workshop('preview', HIP, async (page) => {
    await tab(page, 'Preview');
    await page.frameLocator('iframe').locator('[data-item]').first().waitFor();
  }),
  workshop('history', KNEE, (page) => tab(page, 'History')),
  workshop('versions', KNEE, (page) => tab(page, 'Versions')),
  workshop('publish, something is missing', KNEE, async (page) => {
    await page.getByRole('button', { name: 'Publish', exact: true }).click();
    await page.getByText('This one still lacks').waitFor();
  }),
  workshop('how the time is reckoned', HIP, async (page) => {
    await page.getByRole('button', { name: 'how that is reckoned' }).click();
    await page.getByRole('dialog').waitFor();
  }),
  workshop('what can be done with a draft', HIP, async (page) => {
    await page.getByRole('button', { name: 'More', exact: true }).click();
  }),
  workshop('a file of a newer version', HIP, async (page) => {
    await more(page, 'Bring in a file');
    await bring(page, { format: 'kritikos-checklist', version: 9 });
    await page.getByRole('alert').waitFor();
  }),
  workshop('without a network', HIP, async (page, context) => {
    await context.setOffline(true);
    await page.getByLabel('Words of item 2', { exact: true }).fill('Written without a network');
    await page.getByText('No connection').waitFor();
  }),
  workshop('somebody else was there first', HIP, async (page) => {
    await page.route('**/api/drafts/*/changes', async (route) => {
      const { changes } = route.request().postDataJSON() as {
        changes: { piece: string; value: unknown }[];
      };
      const pieces = changes.map((change) => ({ ...change, sequence: 1, by: 'W. Ritter' }));
      const beside = changes.map(({ piece }) => piece);
      await route.fulfill({ json: { sequence: 1, pieces, beside } });
    });
    await page.getByLabel('Words of item 2', { exact: true }).fill('Written at the same time');
    await page.getByText('while you did').waitFor();
  }),
  workshop('not saved, and leaving', HIP, async (page) => {
    await page.route('**/api/drafts/*/changes', (route) =>
      route.fulfill({
        status: 422,
        contentType: 'application/json',
        body: JSON.stringify({
          type: 'urn:kritikos:problem:invalid',
          title: 'Some of this cannot be taken',
          status: 422,
          detail: 'Nothing was saved.',
        }),
      }),
    );
    await page.getByLabel('Words of item 2', { exact: true }).fill('Something refused');
    await page.getByText('1 change not saved').waitFor();
    await page.getByRole('link', { name: 'Checklists' }).last().click();
    await page.getByText('Not everything is saved').waitFor();
  }),
  lead('bank, how it behaved', '/bank', 'Unsteady ankle', async (page) => {
    await page.getByRole('button', { name: /How it behaved/ }).click();
    await page.getByLabel('Disputed items, at least').fill('2');
    await settle(page);
  }),
  lead('bank, nothing like that', '/bank', 'Unsteady ankle', async (page) => {
    await page.getByRole('textbox', { name: /^Title, procedure/ }).fill('nothing like it');
    await page.getByText('Nothing like that.').waitFor();
  }),
  lead('bank, what can be done', '/bank', 'Unsteady ankle', async (page) => {
    await page.getByRole('button', { name: 'What can be done with Unsteady ankle' }).click();
    await settle(page);
  }),
  newStation('from procedures', 'From procedures'),
  newStation('like another', 'From an examination'),
  newStation('from a file that is refused', 'From a file', async (page) => {
    await bring(page, { format: 'kritikos-checklist', version: 2, checklist: { items: 3 } });
    await page.getByRole('alert').waitFor();
  }),
  ...SCENES_OF_THE_SHELF,
  blueprint('regions'),
  blueprint('kinds', async (page) => {
    await page.getByRole('button', { name: 'Kinds of procedure' }).click();
  }),
  blueprint('structures', async (page) => {
    await page.getByRole('button', { name: 'Structures' }).click();
  }),
  blueprint('what can be done with a station', async (page) => {
    await page.getByRole('button', { name: /What can be done with Groin/ }).click();
  }),
  blueprint('nothing like that in the bank', async (page) => {
    await page.getByRole('textbox', { name: 'Find in the bank' }).fill('nothing like it');
    await page.getByText('Nothing like that in the bank.').waitFor();
  }),
  blueprint('what the day needs', async (page) => {
    await page.getByText('What the day needs').scrollIntoViewIfNeeded();
  }),
  lead('blueprint, marking was opened', '/examinations/:e/blueprint', 'What stands out'),
  lead('next year’s', '/examinations', 'New examination', async (page) => {
    await page
      .getByRole('button', { name: /^Next year’s, like/ })
      .nth(1)
      .click();
    await page.getByRole('dialog').waitFor();
    await settle(page);
  }),
];
