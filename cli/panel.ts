import { angoff } from '@kritikos/core/standards/angoff';
import { reachesCut } from '@kritikos/core/standards/reachesCut';
import { hofstee } from '@kritikos/core/standards/hofstee';
import type { HofsteeBounds } from '@kritikos/core/standards/hofstee';
import { livingstonLewis } from '@kritikos/core/standards/livingstonLewis';
import { extent } from '@kritikos/core/numerics/summary';
import { asBadInput, BadInput } from './badInput.ts';
import { leftOutNotes, readColumns } from './readColumns.ts';
import { readNumbers } from './readRatings.ts';

/** Angoff's cut from a table of judgements: one row a judge, one column an item. */
export async function angoffCut(file: string, { percent }: { percent?: boolean }) {
  const { columns, rows } = await readNumbers(file);
  const all = rows.flat().filter((x) => x !== null);
  const [, greatest] = extent(all);
  if (percent && all.some((x) => x > 0) && greatest <= 1) {
    throw new BadInput(
      'All judgements are 1 or less, so they look like shares: leave out --percent. Nothing was computed.',
    );
  }
  if (!percent && greatest > 1 && greatest <= 100) {
    throw new BadInput(
      `Judgements go up to ${greatest}, so they look like percentages: say --percent. Nothing was computed.`,
    );
  }
  const judgements = rows.map((row) => row.map((x) => (x === null || !percent ? x : x / 100)));
  const { estimate, lower, upper, standardError, n, notes, judges } = asBadInput(() =>
    angoff(
      judgements,
      columns.map(() => 1),
    ),
  );
  return { cut: estimate, lower, upper, standardError, judges, n, notes };
}

export interface HofsteeFlags extends HofsteeBounds {
  score: string;
  lowest: number;
  highest: number;
}

/** Where the panel's line of acceptable cuts and fails meets the curve of the scores. */
export async function hofsteeCut(
  file: string,
  { score, lowest, highest, ...bounds }: HofsteeFlags,
) {
  const { values, leftOut } = await readColumns(file, [score]);
  const scores = values[0] ?? [];
  const { lowestCut, highestCut, fewestFails, mostFails } = bounds;
  const { estimate, n, notes } = asBadInput(() =>
    hofstee(scores, { lowestCut, highestCut, fewestFails, mostFails }, [lowest, highest]),
  );
  const failRate =
    estimate === null ? null : scores.filter((s) => !reachesCut(s, estimate)).length / n;
  return { cut: estimate, failRate, n, notes: [...notes, ...leftOutNotes(leftOut, 'score')] };
}

export interface LivingstonLewisFlags {
  score: string;
  reliability: number;
  cut: number;
  lowest: number;
  highest: number;
}

/** Accuracy and consistency of pass and fail at a cut. */
export async function decisionsAtCut(file: string, flags: LivingstonLewisFlags) {
  const { values, leftOut } = await readColumns(file, [flags.score]);
  const scores = values[0] ?? [];
  const result = asBadInput(() =>
    livingstonLewis(scores, flags.reliability, flags.cut, [flags.lowest, flags.highest]),
  );
  const notes = leftOutNotes(leftOut, 'score');
  if (!result) {
    return {
      accuracy: null,
      consistency: null,
      kappa: null,
      n: scores.length,
      notes: ['Fewer than three scores, or scores that do not vary.', ...notes],
    };
  }
  const { accuracy, falsePass, falseFail, consistency, kappa, passRate, effectiveLength } = result;
  return {
    accuracy,
    falsePass,
    falseFail,
    consistency,
    kappa,
    passRate,
    effectiveLength,
    n: result.n,
    notes: [...result.notes, ...notes],
  };
}
