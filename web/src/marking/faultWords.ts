import type { SheetMark } from '@kritikos/contracts/marking';
import { decidingFault } from '@kritikos/core/marking/faultMarks';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import { describeValue } from './describeEvent.ts';

/**
 * What a fault seen has to do with the mark of its item, for the line under the item: it made the
 * mark, or would leave less than the hand did. '' where neither.
 */
export function faultWords(
  content: ChecklistContent,
  key: string,
  seen: readonly string[],
  mark: SheetMark | undefined,
): string {
  const fault = decidingFault(content, key, seen);
  const item = content.items.find((i) => i.key === key);
  if (!fault || !item || mark?.observation !== 'observed') return '';
  if (mark.byFault !== null) return `by the fault: ${fault.text}`;
  if (Number(mark.value) <= fault.grade) return '';
  const would = describeValue(item, { ...mark, value: fault.grade, manner: 'done' });
  return `your mark stands; the fault “${fault.text}” would make it ${would}`;
}
