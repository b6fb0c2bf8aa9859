import { mean } from '../numerics/summary.ts';
import type { RatedSheet } from './ratedSheet.ts';

/** Two sheets of one candidate at one station. */
export interface SheetPair {
  readonly candidate: number;
  readonly first: RatedSheet;
  readonly second: RatedSheet;
}

/** Two examiners by name, who is first being the same throughout, with all that both have marked. */
export interface ExaminerPair {
  readonly first: string;
  readonly second: string;
  readonly sheets: readonly SheetPair[];
}

/**
 * Every pair of examiners who marked a candidate in common, the pair with most candidates first.
 * Different pairs are never pooled: "first" and "second" are people, and who of a pair is first is
 * whoever stands first on the sheets that are given.
 */
export function examinerPairs(candidates: readonly (readonly RatedSheet[])[]): ExaminerPair[] {
  const pairs = new Map<string, { first: string; second: string; sheets: SheetPair[] }>();
  for (const sheets of candidates) {
    for (const [i, one] of sheets.entries()) {
      for (const other of sheets.slice(i + 1)) {
        const known = pairs.get(keyOf(one, other)) ?? pairs.get(keyOf(other, one));
        const pair = known ?? { first: one.examiner, second: other.examiner, sheets: [] };
        if (!known) pairs.set(keyOf(one, other), pair);
        const [first, second] = pair.first === one.examiner ? [one, other] : [other, one];
        pair.sheets.push({ candidate: one.candidate, first, second });
      }
    }
  }
  return [...pairs.values()].sort((a, b) => b.sheets.length - a.sheets.length);
}

function keyOf(first: RatedSheet, second: RatedSheet): string {
  return `${first.examiner}\u001f${second.examiner}`;
}

/** Mean of the first minus the second examiner's score, in percent points; `null` without pairs. */
export function meanScoreDifference(pairs: readonly SheetPair[]): number | null {
  return mean(
    pairs.flatMap(({ first, second }) =>
      first.percent === null || second.percent === null ? [] : [first.percent - second.percent],
    ),
  );
}
