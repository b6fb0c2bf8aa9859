import type { ChecklistItem } from '../scoring/checklist.ts';
import type { Observation } from '../scoring/mark.ts';

/**
 * Says in words why a value cannot stand on an item, or `null` where it can. An observed mark
 * needs a value in the item's own range; one not observed or not applicable must have none.
 */
export function whyNotMarkable(
  item: ChecklistItem,
  value: number | string | null,
  observation: Observation,
): string | null {
  if (observation !== 'observed') {
    return value === null ? null : 'must be empty where nothing was observed';
  }
  switch (item.kind) {
    case 'done':
      return value === 0 || value === 1 ? null : 'must be 0 (not done) or 1 (done)';
    case 'graded': {
      const top = item.anchors.length - 1;
      const fits =
        typeof value === 'number' && Number.isInteger(value) && value >= 0 && value <= top;
      return fits ? null : `must be a grade from 0 to ${top}`;
    }
    case 'measured': {
      const fits = typeof value === 'number' && value >= item.minimum && value <= item.maximum;
      return fits ? null : `must be from ${item.minimum} to ${item.maximum} ${item.unit}`;
    }
    case 'choice': {
      const keys = item.options.map((option) => option.key);
      return keys.includes(String(value)) ? null : `must be one of ${keys.join(', ')}`;
    }
  }
}
