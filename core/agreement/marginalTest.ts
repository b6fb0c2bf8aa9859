import chisquareCdf from '@stdlib/stats-base-dists-chisquare-cdf';
import { Matrix, solve } from 'ml-matrix';
import type { CrossTable } from './crossTable.ts';

/**
 * McNemar's test (1947) that two raters use a two-category scale equally often, in its exact
 * binomial form for up to 25 discordant pairs, else the chi-square form without correction.
 *
 * `b` and `c` are the two discordant counts. Returns the two-sided p, or `null` without any
 * discordant pair. Worked value: b = 1, c = 9 gives 2 * (1 + 10) / 2^10 = 0.0215.
 */
export function mcNemar(b: number, c: number): number | null {
  const n = b + c;
  if (n === 0) return null;
  if (n > 25) return 1 - chisquareCdf((b - c) ** 2 / n, 1);
  let tail = 0;
  let choose = 1;
  for (let i = 0; i <= Math.min(b, c); i++) {
    tail += choose;
    choose = (choose * (n - i)) / (i + 1);
  }
  return Math.min(1, (2 * tail) / 2 ** n);
}

export interface StuartMaxwell {
  readonly chiSquare: number;
  readonly df: number;
  readonly p: number;
}

/**
 * Test of Stuart (1955) and Maxwell (1970) that two raters use every one of k categories equally
 * often: `d' V^-1 d` with d the differences of the marginal totals of k - 1 categories,
 * `V_ii = n_i. + n_.i - 2 n_ii`, `V_ij = -(n_ij + n_ji)`. For two categories it is McNemar's
 * chi-square.
 *
 * Categories on which the raters never differ tell nothing. Where the others fall into blocks
 * between which nobody moved, V has one rank less for every block: the statistic is the sum over
 * the blocks, on the sum of their degrees of freedom (the rank of V). `null` where nobody disagrees.
 * Worked values: cells 10, 2 / 8, 20 give (2 - 8)^2 / 10 = 3.6 on 1 degree; two such tables side by
 * side 7.2 on 2.
 */
export function stuartMaxwell(table: CrossTable): StuartMaxwell | null {
  const blocks = blocksOf(table).map((block) => chiSquareOf(table, block));
  if (blocks.length === 0) return null;
  const chiSquare = blocks.reduce((sum, block) => sum + block.chiSquare, 0);
  const df = blocks.reduce((sum, block) => sum + block.df, 0);
  return { chiSquare, df, p: 1 - chisquareCdf(chiSquare, df) };
}

/** The categories that are tied together by pairs of marks that differ, block by block. */
function blocksOf({ counts, rowTotals }: CrossTable): number[][] {
  const differ = (i: number, j: number) => (counts[i]?.[j] ?? 0) + (counts[j]?.[i] ?? 0) > 0;
  const left = new Set(rowTotals.keys());
  const blocks: number[][] = [];
  for (const first of left) {
    const block = [first];
    left.delete(first);
    // The block grows while it is gone through.
    for (const i of block) {
      for (const j of left) {
        if (!differ(i, j)) continue;
        block.push(j);
        left.delete(j);
      }
    }
    if (block.length > 1) blocks.push(block);
  }
  return blocks;
}

/** The statistic of one block, which all but one of its categories carry. */
function chiSquareOf(
  { counts, rowTotals, columnTotals }: CrossTable,
  block: readonly number[],
): Omit<StuartMaxwell, 'p'> {
  const count = (i: number, j: number) => counts[i]?.[j] ?? 0;
  const free = block.slice(0, -1);
  const d = free.map((i) => (rowTotals[i] ?? 0) - (columnTotals[i] ?? 0));
  const v = new Matrix(
    free.map((i) =>
      free.map((j) =>
        i === j
          ? (rowTotals[i] ?? 0) + (columnTotals[i] ?? 0) - 2 * count(i, i)
          : -(count(i, j) + count(j, i)),
      ),
    ),
  );
  const turned = solve(v, Matrix.columnVector(d)).to1DArray();
  return {
    chiSquare: d.reduce((sum, x, i) => sum + x * (turned[i] as number), 0),
    df: free.length,
  };
}

/** Pairs in which the first rater chose the lower category, and the other way round. */
export function discordance(table: CrossTable): { firstLower: number; secondLower: number } {
  let firstLower = 0;
  let secondLower = 0;
  for (const [i, row] of table.counts.entries()) {
    for (const [j, count] of row.entries()) {
      if (i < j) firstLower += count;
      if (i > j) secondLower += count;
    }
  }
  return { firstLower, secondLower };
}
