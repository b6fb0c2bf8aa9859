import { earnedShare } from '@kritikos/core/scoring/mark';
import type { MarkValue, RetestValue, SidesValue } from '@kritikos/core/scoring/mark';
import type { ChecklistItem, Scale } from '@kritikos/core/scoring/checklist';
import type { SheetMark } from '@kritikos/contracts/marking';

export interface MarkChoice {
  readonly value: number | string;
  readonly label: string;
  /** Said aloud by a screen reader, shown on hover. */
  readonly meaning: string;
}

/** The buttons of a scale, in the order of the digit keys that set them; none where a number is read. */
export function choicesOf(scale: Scale): readonly MarkChoice[] {
  switch (scale.kind) {
    case 'done':
      return [
        { value: 1, label: 'Done', meaning: 'Done' },
        { value: 0, label: 'Not', meaning: 'Not done' },
      ];
    case 'graded':
      return scale.anchors.map((anchor, grade) => ({
        value: grade,
        label: String(grade),
        meaning: anchor,
      }));
    case 'choice':
      return scale.options.map(({ key, label }) => ({ value: key, label, meaning: label }));
    default:
      return [];
  }
}

/** The halves of a pair as they stand. */
export function sidesOn(mark: SheetMark | undefined): SidesValue {
  return isObserved(mark) ? (mark.value as SidesValue) : { left: null, right: null };
}
export function retestOn(mark: SheetMark | undefined): RetestValue {
  return isObserved(mark)
    ? (mark.value as RetestValue)
    : { before: null, after: null, changed: [] };
}
/** The findings that were named. */
export function namedOn(mark: SheetMark | undefined): readonly string[] {
  return isObserved(mark) ? (mark.value as readonly string[]) : [];
}

function isObserved(mark: SheetMark | undefined): mark is SheetMark {
  return mark?.observation === 'observed' && mark.value !== null;
}

/**
 * What a digit key makes of an item: its button, the half of a pair that is due, a finding more or
 * less, a count; `undefined` where it has none.
 */
export function valueOfDigit(
  item: ChecklistItem,
  mark: SheetMark | undefined,
  digit: number,
): MarkValue | undefined {
  const on = (scale: Scale) => valueOn(scale, digit);
  switch (item.kind) {
    case 'sides': {
      const now = sidesOn(mark);
      const half = now.left === null || now.right !== null ? 'left' : 'right';
      const value = on(item[half]);
      return value === undefined ? undefined : { ...now, [half]: value };
    }
    case 'retest': {
      const now = retestOn(mark);
      const half = now.before === null || now.after !== null ? 'before' : 'after';
      const value = on(item[half]);
      return value === undefined ? undefined : { ...now, [half]: value };
    }
    case 'cluster': {
      const option = item.options[digit - 1];
      return option && toggled(namedOn(mark), option.key);
    }
    default:
      return on(item);
  }
}

function valueOn(scale: Scale, digit: number): number | string | undefined {
  if (scale.kind === 'count') return digit <= scale.maximum ? digit : undefined;
  return choicesOf(scale)[digit - 1]?.value;
}

/** A list with one more in it, or one less. */
export function toggled(list: readonly string[], one: string): readonly string[] {
  return list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
}

/** What the mark says, for the line under the item: the anchor, the band, the manner. */
export function describeMark(item: ChecklistItem, mark: SheetMark | undefined): string {
  if (!mark) return wanted(item);
  if (mark.observation === 'not-observed') return 'not observed';
  if (mark.observation === 'not-applicable') return 'does not apply';
  const parts = [earned(item, mark)];
  if (mark.manner === 'said-only') parts.push('said only');
  if (mark.manner === 'mimed') parts.push('mimed');
  if (mark.prompted) parts.push('prompted');
  return parts.filter(Boolean).join(' · ');
}

function earned(item: ChecklistItem, mark: SheetMark): string {
  const share = earnedShare(item, mark) ?? 0;
  switch (item.kind) {
    case 'graded':
      return item.anchors[Number(mark.value)] ?? '';
    case 'measured':
    case 'count':
    case 'hold':
      return share === 1 ? 'within the band' : share === 0.5 ? 'near the band' : 'off the band';
    case 'sides': {
      const { left, right } = sidesOn(mark);
      return left === null ? 'the left is missing' : right === null ? 'the right is missing' : '';
    }
    case 'retest': {
      const { before, after, changed } = retestOn(mark);
      if (changed.length > 0) return `not comparable, changed: ${changed.join(', ')}`;
      return before === null ? 'before is missing' : after === null ? 'after is missing' : '';
    }
    case 'cluster':
      return share === 1
        ? 'the combination is complete'
        : share > 0
          ? 'a part of the combination'
          : 'not the combination';
    default:
      return '';
  }
}

/** What a number should be, before it is read. */
function wanted(item: ChecklistItem): string {
  switch (item.kind) {
    case 'measured':
    case 'count':
    case 'hold':
      return bandOf(item);
    case 'retest':
      return item.settings.length > 0 ? `the same ${item.settings.join(', ')}` : '';
    default:
      return '';
  }
}

function bandOf(scale: Extract<Scale, { kind: 'measured' | 'count' | 'hold' }>): string {
  const { lower, upper } = scale;
  const unit = scale.kind === 'hold' ? 's' : scale.unit;
  const full = scale.kind === 'measured' ? scale.fullTolerance : 0;
  const tolerance = full > 0 ? ` ± ${full}` : '';
  return lower === upper ? `${lower}${tolerance} ${unit}` : `${lower}–${upper}${tolerance} ${unit}`;
}
