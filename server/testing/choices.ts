import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import type { MarkValue, Value } from '@kritikos/core/scoring/mark';

/** Values that can stand on an item, for tests that draw marks at random. */
export function choicesOfItem(item: ChecklistItem): MarkValue[] {
  switch (item.kind) {
    case 'done':
      return [0, 1];
    case 'graded':
      return item.anchors.map((_, grade) => grade);
    case 'measured':
    case 'count':
    case 'hold':
      return ['minimum' in item ? item.minimum : 0, item.lower, item.upper, item.maximum];
    case 'choice':
      return item.options.map((option) => option.key);
    case 'sides':
      return choicesOfItem({ ...item, ...item.left }).map((left) => ({
        left: left as Value,
        right: null,
      }));
    case 'retest':
      return choicesOfItem({ ...item, ...item.before }).flatMap((before) =>
        [[], item.settings].map((changed) => ({ before: before as Value, after: null, changed })),
      );
    case 'cluster':
      return [[], item.needs, item.options.map((option) => option.key)];
  }
}
