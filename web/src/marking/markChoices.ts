import { earnedShare } from '@kritikos/core/scoring/mark';
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import type { SheetMark } from '@kritikos/contracts/marking';

export interface MarkChoice {
  readonly value: number | string;
  readonly label: string;
  /** Said aloud by a screen reader, shown on hover. */
  readonly meaning: string;
}

/** The buttons of an item, in the order of the digit keys that set them; none where a number is typed. */
export function choicesOf(item: ChecklistItem): readonly MarkChoice[] {
  switch (item.kind) {
    case 'done':
      return [
        { value: 1, label: 'Done', meaning: 'Done' },
        { value: 0, label: 'Not', meaning: 'Not done' },
      ];
    case 'graded':
      return item.anchors.map((anchor, grade) => ({
        value: grade,
        label: String(grade),
        meaning: anchor,
      }));
    case 'choice':
      return item.options.map(({ key, label }) => ({ value: key, label, meaning: label }));
    default:
      return [];
  }
}

/** What the mark says, for the line under the item: the anchor, the band, the manner. */
export function describeMark(item: ChecklistItem, mark: SheetMark | undefined): string {
  if (!mark) return item.kind === 'measured' ? bandOf(item) : '';
  if (mark.observation === 'not-observed') return 'not observed';
  if (mark.observation === 'not-applicable') return 'does not apply';
  const parts: string[] = [];
  if (item.kind === 'graded') parts.push(item.anchors[Number(mark.value)] ?? '');
  if (item.kind === 'measured') {
    const share = earnedShare(item, mark);
    parts.push(share === 1 ? 'within the band' : share === 0.5 ? 'near the band' : 'off the band');
  }
  if (mark.manner === 'said-only') parts.push('said only');
  if (mark.manner === 'mimed') parts.push('mimed');
  if (mark.prompted) parts.push('prompted');
  return parts.filter(Boolean).join(' · ');
}

function bandOf(item: Extract<ChecklistItem, { kind: 'measured' }>): string {
  const { lower, upper, unit, fullTolerance } = item;
  const tolerance = fullTolerance > 0 ? ` ± ${fullTolerance}` : '';
  return lower === upper ? `${lower}${tolerance} ${unit}` : `${lower}–${upper}${tolerance} ${unit}`;
}
