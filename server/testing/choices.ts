import type { ChecklistItem } from '@kritikos/core/scoring/checklist';

/** Values that can stand on an item, for tests that draw marks at random. */
export function choicesOfItem(item: ChecklistItem): (number | string)[] {
  switch (item.kind) {
    case 'done':
      return [0, 1];
    case 'graded':
      return item.anchors.map((_, grade) => grade);
    case 'measured':
      return [item.minimum, item.lower, item.upper, item.maximum];
    case 'choice':
      return item.options.map((option) => option.key);
  }
}
