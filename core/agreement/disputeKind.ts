import type { CrossTable } from './crossTable.ts';
import { discordance, mcNemar } from './marginalTest.ts';
import { percentAgreement } from './percentAgreement.ts';

export type DisputeKind = 'agreed' | 'skewed' | 'one-sided' | 'ambiguous' | 'too few';

/** Below this share of agreement an item is disputed (common practice, no source). */
const DISPUTED_BELOW = 0.8;
/** Above this share of all marks in one category the item hardly varies. */
const SKEWED_ABOVE = 0.9;
const FEWEST_PAIRS = 5;

/**
 * Tells apart why two raters' marks of an item look poor.
 *
 * - *one-sided*: one rater is systematically the harsher (McNemar, p < 0.10: with few pairs a
 *   stricter level would never speak), and the item is disputed;
 * - *ambiguous*: disputed, but in both directions alike;
 * - *skewed*: not disputed, but nearly all marks fall in one category, so kappa says little;
 * - *agreed*: none of these. *too few*: fewer than five pairs, no verdict.
 *
 * Categories must be in order from the lowest mark to the highest.
 */
export function disputeKind(table: CrossTable): DisputeKind {
  if (table.n < FEWEST_PAIRS) return 'too few';
  const agreement = percentAgreement(table).estimate ?? 0;
  if (agreement < DISPUTED_BELOW) {
    const { firstLower, secondLower } = discordance(table);
    const p = mcNemar(firstLower, secondLower);
    return p !== null && p < 0.1 ? 'one-sided' : 'ambiguous';
  }
  const largest = Math.max(
    ...table.categories.map((_, i) => (table.rowTotals[i] ?? 0) + (table.columnTotals[i] ?? 0)),
  );
  return largest / (2 * table.n) > SKEWED_ABOVE ? 'skewed' : 'agreed';
}
