import type { ChecklistContent, ChecklistItem } from '../scoring/checklist.ts';
import type { DraftContent, DraftItem, DraftScale } from './draftChecklist.ts';
import { withScales } from './draftChecklist.ts';

/**
 * A draft as the sheet can show it already: what is missing is filled with something that can be
 * marked, and says that it is missing. For looking at, never for marking anybody.
 */
export function markable(draft: DraftContent): ChecklistContent {
  return { ...draft, items: draft.items.map(markableItem) };
}

function markableItem(item: DraftItem): ChecklistItem {
  const text = item.text.trim() === '' ? '(no words yet)' : item.text;
  const filled = withScales({ ...item, text, weight: item.weight ?? 1 }, markableScale);
  const whole =
    filled.kind === 'cluster' ? { ...filled, options: filled.options.map(named) } : filled;
  return whole as ChecklistItem;
}

function markableScale(scale: DraftScale): DraftScale {
  switch (scale.kind) {
    case 'graded': {
      const anchors = scale.anchors.map((anchor) => anchor.trim() || '(not described yet)');
      return { ...scale, anchors: anchors.length < 2 ? ['(none)', '(all)'] : anchors };
    }
    case 'measured': {
      const lower = scale.lower ?? scale.upper ?? 0;
      const upper = scale.upper ?? lower;
      return {
        ...scale,
        lower,
        upper,
        fullTolerance: scale.fullTolerance ?? 0,
        halfTolerance: scale.halfTolerance ?? 0,
        step: scale.step === null || scale.step <= 0 ? 1 : scale.step,
        minimum: scale.minimum ?? lower - 90,
        maximum: scale.maximum ?? upper + 90,
      };
    }
    case 'count':
    case 'hold': {
      const lower = scale.lower ?? 0;
      const upper = scale.upper ?? lower;
      const halfTolerance = scale.halfTolerance ?? 0;
      return { ...scale, lower, upper, halfTolerance, maximum: scale.maximum ?? upper + 10 };
    }
    case 'choice':
      return { ...scale, options: scale.options.map(named) };
    default:
      return scale;
  }
}

function named<Option extends { readonly label: string }>(option: Option): Option {
  return option.label.trim() === '' ? { ...option, label: '(no words yet)' } : option;
}
