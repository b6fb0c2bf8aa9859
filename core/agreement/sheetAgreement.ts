import type { Estimate } from '../numerics/estimate.ts';
import { mean } from '../numerics/summary.ts';
import { belongsToVariant } from '../scoring/checklist.ts';
import type { ChecklistItem } from '../scoring/checklist.ts';
import type { Mark } from '../scoring/mark.ts';
import { categoriesOf, categoryOf, POOLED, pooledCategoryOf } from './category.ts';
import type { Category } from './category.ts';
import { clusteredAgreement, clusteredKappa } from './clusteredKappa.ts';
import type { ClusteredPair } from './clusteredKappa.ts';
import { cohenKappa } from './cohenKappa.ts';
import { crossTable } from './crossTable.ts';
import type { CrossTable } from './crossTable.ts';
import { disputeKind } from './disputeKind.ts';
import type { DisputeKind } from './disputeKind.ts';
import { percentAgreement } from './percentAgreement.ts';
import { prevalenceBias } from './prevalenceBias.ts';

/** One examiner's submitted sheet, as far as agreement needs it. */
export interface ComparedSheet {
  readonly variant: string;
  readonly percent: number | null;
  readonly marks: readonly Mark[];
}

/** The two sheets of one candidate at one station, the first examiner's first. */
export interface SheetPair {
  readonly first: ComparedSheet;
  readonly second: ComparedSheet;
}

export interface Coefficients {
  readonly pairs: number;
  readonly missing: number;
  readonly percentAgreement: Estimate;
  readonly kappa: Estimate;
  readonly prevalenceIndex: number | null;
  readonly biasIndex: number | null;
  readonly pabak: Estimate;
}

/** Two marks of one item on one pair of sheets, as they stand in the table of the item. */
export interface MarkPair {
  readonly pair: number;
  readonly item: string;
  readonly first: string | number | null;
  readonly second: string | number | null;
}

/** The coefficients that every table of the slice is described by. */
export function describeTable(table: CrossTable): Coefficients {
  return {
    pairs: table.n,
    missing: table.missing,
    percentAgreement: percentAgreement(table),
    kappa: cohenKappa(table),
    ...prevalenceBias(table),
  };
}

/** The pairs of marks of one item; pairs in which either variant does not ask for it are left out. */
export function itemPairs(item: ChecklistItem, pairs: readonly SheetPair[]): MarkPair[] {
  return markPairs(item, pairs, categoryOf);
}

export function itemTable(item: ChecklistItem, marks: readonly MarkPair[]): CrossTable {
  return tableOf(marks, categoriesOf(item));
}

/** Describes the agreement on one item, and where a dispute about it comes from. */
export function itemAgreement(
  item: ChecklistItem,
  pairs: readonly SheetPair[],
): Coefficients & { dispute: DisputeKind } {
  const table = itemTable(item, itemPairs(item, pairs));
  return { ...describeTable(table), dispute: disputeKind(table) };
}

/** All marks of all items of a station in one table of no, part and full mark. */
export function pooledPairs(
  items: readonly ChecklistItem[],
  pairs: readonly SheetPair[],
): MarkPair[] {
  return items.flatMap((item) => markPairs(item, pairs, pooledCategoryOf));
}

export function pooledTable(marks: readonly MarkPair[]): CrossTable {
  return tableOf(marks, POOLED);
}

/** Describes the agreement on all items of a station; errors go by candidates, not by marks. */
export function pooledAgreement(marks: readonly MarkPair[]): Coefficients {
  return describePooled(
    marks.map(({ pair, first, second }) => ({ candidate: pair, first, second })),
    POOLED.map((category) => category.key),
  );
}

/** The coefficients of pairs of marks of which several are of one candidate. */
export function describePooled(
  pairs: readonly ClusteredPair[],
  categories: readonly (string | number)[],
): Coefficients {
  const table = crossTable(
    pairs.map(({ first, second }) => [first, second] as const),
    categories,
  );
  const described = describeTable(table);
  const agreement = clusteredAgreement(pairs, categories);
  // PABAK is the agreement on another scale, and so are its error and its interval.
  const k = categories.length;
  const adjusted = (po: number | null) => (po === null ? null : (k * po - 1) / (k - 1));
  const { lower, upper, standardError } = agreement;
  return {
    ...described,
    percentAgreement: agreement,
    kappa: clusteredKappa(pairs, categories),
    pabak: {
      ...described.pabak,
      lower: adjusted(lower),
      upper: adjusted(upper),
      standardError: standardError === null ? null : (k / (k - 1)) * standardError,
    },
  };
}

/** Mean of the first minus the second examiner's score, in percent points; `null` without pairs. */
export function meanScoreDifference(pairs: readonly SheetPair[]): number | null {
  const differences = pairs.flatMap(({ first, second }) =>
    first.percent === null || second.percent === null ? [] : [first.percent - second.percent],
  );
  return mean(differences);
}

function markPairs(
  item: ChecklistItem,
  pairs: readonly SheetPair[],
  classify: (item: ChecklistItem, mark: Mark) => string | number | null,
): MarkPair[] {
  const categoryOn = (sheet: ComparedSheet) => {
    const mark = sheet.marks.find((m) => m.item === item.key);
    return mark ? classify(item, mark) : null;
  };
  return pairs.flatMap(({ first, second }, pair) => {
    if (!belongsToVariant(item, first.variant) || !belongsToVariant(item, second.variant))
      return [];
    return [{ pair, item: item.key, first: categoryOn(first), second: categoryOn(second) }];
  });
}

function tableOf(marks: readonly MarkPair[], categories: readonly Category[]): CrossTable {
  return crossTable(
    marks.map((m) => [m.first, m.second] as const),
    categories.map((c) => c.key),
  );
}
