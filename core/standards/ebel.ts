import type { Estimate } from '../numerics/estimate.ts';
import { overJudges } from './overJudges.ts';

/** One cell of the grid: how many items the panel put there, and how much weight they carry. */
export interface EbelCell {
  readonly difficulty: string;
  readonly relevance: string;
  readonly weight: number;
}

/**
 * Ebel's cut (1972): items are sorted by difficulty and relevance; every judge says for every cell
 * of the grid what share of its items a borderline candidate would get right. A judge's cut is the
 * mean of the shares weighted by what the cells hold, the panel's the mean over judges, in percent.
 *
 * `shares[judge][cell]` in [0, 1], `null` where a judge left a cell blank; empty cells count for
 * nothing. Error and interval are those of a mean over judges (`overJudges`). Throws `RangeError` for a share outside [0, 1].
 * Worked value: cells of weight 3 and 1 with shares .8 and .4 give 70.
 */
export function ebel(
  cells: readonly EbelCell[],
  shares: readonly (readonly (number | null)[])[],
): Estimate & { readonly judges: readonly (number | null)[] } {
  let blanks = 0;
  const judges = shares.map((row) => {
    let earned = 0;
    let possible = 0;
    for (const [c, { weight }] of cells.entries()) {
      const share = row[c] ?? null;
      if (!(weight > 0)) continue;
      if (share === null) {
        blanks++;
        continue;
      }
      if (!(share >= 0 && share <= 1)) {
        throw new RangeError(`Share ${share} is not between 0 and 1.`);
      }
      earned += weight * share;
      possible += weight;
    }
    return possible > 0 ? (100 * earned) / possible : null;
  });
  const notes = blanks > 0 ? [`${blanks} cells were left blank and are not in the cut.`] : [];
  const nobody = 'No judge has judged a cell that holds items.';
  return { ...overJudges(judges, { method: 'Ebel 1972', nobody, notes }), judges };
}
