import { categoryOf } from '../agreement/category.ts';
import type { ChecklistItem } from './checklist.ts';
import type { Mark } from './mark.ts';
import type { SheetScore } from './scoreSheet.ts';

export const ITEM_STATES = ['earned', 'unmarked', 'not-observed', 'not-applicable'] as const;
export type ItemState = (typeof ITEM_STATES)[number];

/** What is kept of one item of a submitted sheet: why it has no share, or which, and its category. */
export interface KeptItem {
  readonly item: string;
  readonly state: ItemState;
  readonly share: number | null;
  /** Where the mark stands among the categories of its item; as text, whatever the kind. */
  readonly category: string | null;
}

/**
 * Every item that a submitted sheet was asked for, as it counted. Fixed then, so that agreement,
 * standards and results read it and nothing scores twice.
 */
export function keptItems(
  items: readonly ChecklistItem[],
  marks: readonly Mark[],
  score: SheetScore,
): KeptItem[] {
  return items.flatMap(({ key }, i): KeptItem[] => {
    const state = stateOf(key, score);
    if (state === null) return [];
    if (state !== 'earned') return [{ item: key, state, share: null, category: null }];
    const share = score.shares[key] ?? 0;
    const mark = countingMark(key, marks, score.attempt);
    const category = mark ? categoryOf(items[i] as ChecklistItem, mark, share) : null;
    return [{ item: key, state, share, category: category === null ? null : String(category) }];
  });
}

/** `null` where the variants that were seen do not ask for the item. */
function stateOf(key: string, score: SheetScore): ItemState | null {
  // Own ones only: an item may be called like what every object has.
  if (Object.hasOwn(score.shares, key)) return 'earned';
  if (score.unmarked.includes(key)) return 'unmarked';
  if (score.notObserved.includes(key)) return 'not-observed';
  return score.notApplicable.includes(key) ? 'not-applicable' : null;
}

/** The newest mark of the item up to the attempt that counted. */
function countingMark(key: string, marks: readonly Mark[], last: number): Mark | undefined {
  return marks
    .filter((mark) => mark.item === key && (mark.attempt ?? 1) <= last)
    .sort((a, b) => (b.attempt ?? 1) - (a.attempt ?? 1))[0];
}
