import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';

const measureFaults = readFileSync(new URL('./measureFaults.js', import.meta.url), 'utf8');

/** What is wrong with a page as it stands, in words: seen by axe, and by measuring boxes. */
export async function faultsOf(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    // The list of a field is gone through with the arrows from the field, which keeps the focus.
    .exclude('.v-autocomplete__content .v-list')
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
  const seen = violations.map(
    (v) => `axe ${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`,
  );
  return [...seen, ...(await page.evaluate<string[]>(measureFaults))];
}
