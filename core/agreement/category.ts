import type { ChecklistItem } from '../scoring/checklist.ts';
import { earnedShare } from '../scoring/mark.ts';
import type { Mark } from '../scoring/mark.ts';

export interface Category {
  readonly key: string | number;
  readonly label: string;
}

const EARNED: readonly Category[] = [
  { key: 0, label: 'none' },
  { key: 0.5, label: 'half' },
  { key: 1, label: 'full' },
];

/** The categories in which two examiners can place an item, from the lowest to the highest. */
export function categoriesOf(item: ChecklistItem): readonly Category[] {
  switch (item.kind) {
    case 'done':
      return [
        { key: 0, label: 'not done' },
        { key: 1, label: 'done' },
      ];
    case 'graded':
      return item.anchors.map((_, grade) => ({ key: grade, label: String(grade) }));
    case 'measured':
    case 'count':
    case 'hold':
      return EARNED;
    case 'sides':
    case 'retest':
    case 'cluster':
      return POOLED;
    case 'choice':
      return (
        [...item.options]
          // What stands outside the order comes last.
          .sort((a, b) => (a.call ?? Infinity) - (b.call ?? Infinity))
          .map(({ key, label }) => ({ key, label }))
      );
  }
}

/**
 * Where a mark stands among the categories of its item; `null` where nothing was observed.
 *
 * Done and graded items are compared by what they earn, so that "said only" and "not done" are
 * the same to the candidate; measured, counted and held values by the class they fall in; choices
 * by the option; pairs and clusters by whether they earned nothing, a part or all. `share` is given
 * where the mark earned something else in the end than by itself: it came too late.
 */
export function categoryOf(
  item: ChecklistItem,
  mark: Mark,
  share = earnedShare(item, mark),
): string | number | null {
  if (share === null) return null;
  switch (item.kind) {
    case 'choice':
      return String(mark.value);
    case 'graded':
      return Math.round(share * (item.anchors.length - 1));
    case 'sides':
    case 'retest':
    case 'cluster':
      return partOf(share);
    default:
      return share;
  }
}

/** The three classes in which marks of all kinds of items can be pooled. */
export const POOLED: readonly Category[] = [
  { key: 0, label: 'no mark' },
  { key: 0.5, label: 'part' },
  { key: 1, label: 'full mark' },
];

/** A share among the pooled classes: nothing, some or all of the weight. */
export function partOf(share: number): number {
  return share === 0 || share === 1 ? share : 0.5;
}
