import { standardErrorOfMeasurement } from '@kritikos/core/reliability/standardError';
import { internalConsistency } from '@kritikos/core/reliability/internalConsistency';
import { intraclass } from '@kritikos/core/reliability/intraclass';
import { readNumbers, readRatings, spreadOut } from './readRatings.ts';

/** The six intraclass correlations of a ratings file. */
export async function icc(file: string) {
  const rows = spreadOut(await readRatings(file, 'interval'));
  const { forms, semAgreement, semConsistency, mdc95, subjects, raters, missing } =
    intraclass(rows);
  return { ...forms, semAgreement, semConsistency, mdc95, subjects, raters, missing };
}

/** How well the columns of a table of scores hang together. */
export async function reliability(file: string) {
  const { columns, rows } = await readNumbers(file);
  const { alpha, alphaIfDeleted, itemTotal, guttmanLambda2, spearmanBrown, n, leftOut } =
    internalConsistency(rows);
  const byColumn = (values: readonly (number | null)[]) =>
    Object.fromEntries(columns.map((column, j) => [column, values[j] ?? null]));
  return {
    alpha,
    alphaIfDeleted: byColumn(alphaIfDeleted),
    itemTotal: byColumn(itemTotal),
    guttmanLambda2,
    spearmanBrown,
    sem: standardErrorOfMeasurement(rows),
    n,
    leftOut,
  };
}
