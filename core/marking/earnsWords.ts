import type { ChecklistItem, Scale } from '../scoring/checklist.ts';
import { bandWords } from './bandWords.ts';

/** What earns the whole mark, in words. */
export function earnsWords(item: ChecklistItem): string {
  switch (item.kind) {
    case 'sides':
      return `left: ${scaleWords(item.left)}; right: ${scaleWords(item.right)}`;
    case 'retest':
      return `before: ${scaleWords(item.before)}; after: ${scaleWords(item.after)}${item.settings.length > 0 ? `; the same ${item.settings.join(', ')}` : ''}`;
    case 'cluster': {
      const named = (keys: readonly string[]) =>
        item.options
          .filter(({ key }) => keys.includes(key))
          .map(({ label }) => label)
          .join(', ');
      const from = item.from ? `, and at least ${item.from.atLeast} of ${named(item.from.of)}` : '';
      return `names ${named(item.needs)}${from}`;
    }
    default:
      return scaleWords(item);
  }
}

function scaleWords(scale: Scale): string {
  switch (scale.kind) {
    case 'done':
      return 'done';
    case 'graded':
      return scale.anchors.map((anchor, grade) => `${grade}: ${anchor}`).join('; ');
    case 'measured':
      return `${bandWords(scale.lower, scale.upper, scale.unit)}${scale.fullTolerance > 0 ? ` ± ${scale.fullTolerance}` : ''}`;
    case 'count':
      return bandWords(scale.lower, scale.upper, scale.unit);
    case 'hold':
      return bandWords(scale.lower, scale.upper, 's');
    case 'choice':
      return `key: ${scale.options.find(({ key }) => key === scale.answer)?.label ?? scale.answer}`;
  }
}
