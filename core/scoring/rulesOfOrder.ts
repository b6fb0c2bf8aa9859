import type { BranchRule, OrderRule } from './checklist.ts';
import type { Mark } from './mark.ts';

/** What branch and order rules look at. */
export type RuledMark = Pick<Mark, 'item' | 'observation' | 'value' | 'at'>;
export type MarksByItem = ReadonlyMap<string, RuledMark>;

const NONE: ReadonlySet<string> = new Set();

/** The items that do not apply, because of what others were marked with. */
export function skippedItems(
  branches: readonly BranchRule[],
  marks: MarksByItem,
): ReadonlySet<string> {
  if (branches.length === 0) return NONE;
  const hold = branches.filter(({ when, is }) => {
    const mark = marks.get(when);
    return mark?.observation === 'observed' && is.some((value) => value === mark.value);
  });
  return new Set(hold.flatMap(({ skips }) => skips));
}

/** True where an order rule asks for this mark before another that was set earlier. */
export function cameTooLate(
  mark: RuledMark,
  order: readonly OrderRule[],
  marks: MarksByItem,
): boolean {
  return order.some((rule) => {
    if (rule.earns !== mark.item) return false;
    const other = marks.get(rule.before);
    return other !== undefined && other.observation === 'observed' && other.at < mark.at;
  });
}
