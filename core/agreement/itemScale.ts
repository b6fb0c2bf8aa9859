import { isDeclared } from '../scoring/checklist.ts';
import type { ChecklistItem } from '../scoring/checklist.ts';
import { categoriesOf, partOf, POOLED } from './category.ts';
import type { Category } from './category.ts';
import type { Level } from './krippendorffAlpha.ts';
import type { RatedSheet } from './ratedSheet.ts';
import { weightsOfScale } from './weights.ts';
import type { Weights } from './weights.ts';

/** On what marks are compared: their categories in order, and how far a near miss counts. */
export interface ItemScale {
  readonly categories: readonly Category[];
  readonly level: Level;
  /** `undefined` where a mark is the same or it is not. */
  readonly weights: Weights | undefined;
  /** Where the mark of a sheet at a place stands; `null` where there is none. */
  readonly read: (sheet: RatedSheet, place: number) => string | number | null;
}

/**
 * The scale on which an item declares to be marked. Grades are compared with linear weights over
 * all grades of the scale, used or not, because a grade more is worth the same part of the mark
 * everywhere; all other kinds by whether the marks are the same.
 */
export function scaleOf(item: ChecklistItem): ItemScale {
  const categories = categoriesOf(item);
  const graded = item.kind === 'graded' && categories.length > 1;
  const byText = new Map(categories.map(({ key }) => [String(key), key]));
  return {
    categories,
    level: graded ? 'ordinal' : 'nominal',
    weights: graded
      ? weightsOfScale(
          categories.map(({ key }) => Number(key)),
          'linear',
        )
      : undefined,
    read: ({ categories: marked }, place) => byText.get(marked[place] ?? '') ?? null,
  };
}

/** Items of all kinds together, by whether they earned nothing, a part or all. */
export const POOLED_SCALE: ItemScale = {
  categories: POOLED,
  level: 'nominal',
  weights: undefined,
  read: ({ shares }, place) => {
    const share = shares[place] ?? null;
    return share === null ? null : partOf(share);
  },
};

/** The places on a checklist whose items have this property. */
export function placesOf(
  items: readonly ChecklistItem[],
  holds: (item: ChecklistItem) => boolean,
): number[] {
  return items.flatMap((item, place) => (holds(item) ? [place] : []));
}

/** What hands did, not what was declared. */
export const isTechnique = (item: ChecklistItem): boolean => !isDeclared(item);
