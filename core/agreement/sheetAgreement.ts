import type { Estimate } from '../numerics/estimate.ts';
import { mean } from '../numerics/summary.ts';
import type { ChecklistItem } from '../scoring/checklist.ts';
import { categoriesOf, POOLED } from './category.ts';
import { clusteredAgreement, clusteredKappa, tableOf } from './clusteredKappa.ts';
import type { ClusteredPair } from './clusteredKappa.ts';
import { cohenKappa } from './cohenKappa.ts';
import { tableOfCells } from './crossTable.ts';
import type { Cell, CrossTable } from './crossTable.ts';
import { disputeKind } from './disputeKind.ts';
import type { DisputeKind } from './disputeKind.ts';
import { percentAgreement } from './percentAgreement.ts';
import { prevalenceBias } from './prevalenceBias.ts';

export interface Coefficients {
  readonly pairs: number;
  readonly missing: number;
  readonly percentAgreement: Estimate;
  readonly kappa: Estimate;
  readonly prevalenceIndex: number | null;
  readonly biasIndex: number | null;
  readonly pabak: Estimate;
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

/** The table of one item from its counted cells, in the order of the item's categories. */
export function itemTable(item: ChecklistItem, cells: Iterable<Cell>): CrossTable {
  return tableOfCells(
    cells,
    categoriesOf(item).map((category) => category.key),
  );
}

/** Describes the agreement on one item, and where a dispute about it comes from. */
export function itemAgreement(
  item: ChecklistItem,
  cells: Iterable<Cell>,
): Coefficients & { dispute: DisputeKind } {
  const table = itemTable(item, cells);
  return { ...describeTable(table), dispute: disputeKind(table) };
}

/** All marks of all items of a station in one table of no, part and full mark. */
export function pooledTable(cells: Iterable<Cell>): CrossTable {
  return tableOfCells(
    cells,
    POOLED.map((category) => category.key),
  );
}

/** Describes the agreement on all items of a station; errors go by candidates, not by marks. */
export function pooledAgreement(pairs: readonly ClusteredPair[]): Coefficients {
  return describePooled(
    pairs,
    POOLED.map((category) => category.key),
  );
}

/** The coefficients of pairs of marks of which several are of one candidate. */
export function describePooled(
  pairs: readonly ClusteredPair[],
  categories: readonly (string | number)[],
): Coefficients {
  const table = tableOf(pairs, categories);
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
export function meanScoreDifference(
  pairs: readonly { readonly first: number | null; readonly second: number | null }[],
): number | null {
  const differences = pairs.flatMap(({ first, second }) =>
    first === null || second === null ? [] : [first - second],
  );
  return mean(differences);
}
