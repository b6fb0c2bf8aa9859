import type { SheetMark } from '@kritikos/contracts/marking';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import { cameTooLate, skippedItems } from '@kritikos/core/scoring/rulesOfOrder';

export const SKIPPED = 'does not apply now';
export const TOO_LATE = 'came too late, earns nothing';

/** Of every item its mark of the last attempt in which it was marked. */
export function standingMarks(marks: readonly SheetMark[]): ReadonlyMap<string, SheetMark> {
  const newest = new Map<string, SheetMark>();
  for (const mark of marks) {
    const before = newest.get(mark.item);
    if (!before || before.attempt <= mark.attempt) newest.set(mark.item, mark);
  }
  return newest;
}

/** What the rules of the checklist make of items, in words; the same rules score the sheet. */
export function ruledItems(
  content: ChecklistContent | undefined,
  marks: ReadonlyMap<string, SheetMark>,
): ReadonlyMap<string, string> {
  const ruled = new Map<string, string>();
  if (!content) return ruled;
  for (const mark of marks.values()) {
    if (cameTooLate(mark, content.order, marks)) ruled.set(mark.item, TOO_LATE);
  }
  for (const key of skippedItems(content.branches, marks)) ruled.set(key, SKIPPED);
  return ruled;
}
