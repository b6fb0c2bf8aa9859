import type { ChecklistContent, Fault } from '../scoring/checklist.ts';
import type { StateMark } from './sheetState.ts';

/**
 * The fault that decides the mark of an item: of those seen that spoil it, the one that leaves least.
 * None where no such fault was seen, or where the item is not marked by grades.
 */
export function decidingFault(
  { items, faults }: Pick<ChecklistContent, 'items' | 'faults'>,
  item: string,
  seen: readonly string[],
): Fault | undefined {
  const kind = items.find(({ key }) => key === item)?.kind;
  if (kind !== 'done' && kind !== 'graded') return undefined;
  return faults
    .filter((fault) => fault.item === item && seen.includes(fault.key))
    .reduce<Fault | undefined>(
      (least, fault) => (least && least.grade <= fault.grade ? least : fault),
      undefined,
    );
}

/**
 * What the faults seen make of an item’s mark: the fault that marks it now, `'clear'` where the
 * fault that had marked it was taken back, `'keep'` where nothing changes.
 *
 * A mark that a hand made is kept. Whoever marked the act looked at the act; the fault says more
 * about it, and a question on the screen would take the eyes off the candidate. The sheet says beside
 * the mark that the fault would leave less.
 */
export function markByFaults(
  content: Pick<ChecklistContent, 'items' | 'faults'>,
  item: string,
  seen: readonly string[],
  mark: Pick<StateMark, 'byFault' | 'value'> | undefined,
): Fault | 'clear' | 'keep' {
  if (mark && mark.byFault === null) return 'keep';
  const fault = decidingFault(content, item, seen);
  if (!fault) return mark ? 'clear' : 'keep';
  return mark?.byFault === fault.key ? 'keep' : fault;
}
