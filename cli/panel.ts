import { angoff } from '@kritikos/core/standards/angoff';
import { reachesCut } from '@kritikos/core/standards/reachesCut';
import { hofstee } from '@kritikos/core/standards/hofstee';
import type { HofsteeBounds } from '@kritikos/core/standards/hofstee';
import { livingstonLewis } from '@kritikos/core/standards/livingstonLewis';
import { asBadInput } from './badInput.ts';
import { leftOutNotes, readColumns } from './readColumns.ts';
import { readJudgements } from './readJudgements.ts';
import { cutOn, scoresOn } from './scales.ts';

/** Angoff's cut from a table of judgements: one row a judge, one column an item. */
export async function angoffCut(file: string, flags: { percent?: boolean }) {
  const { columns, rows } = await readJudgements(file, flags);
  const { estimate, lower, upper, standardError, n, notes, judges } = asBadInput(() =>
    angoff(
      rows,
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
  const scale = scoresOn(lowest, highest);
  const { values, leftOut } = await readColumns(file, [score], [scale]);
  const scores = values[0] ?? [];
  const { fewestFails, mostFails } = bounds;
  const lowestCut = cutOn(scale, '--lowest-cut', bounds.lowestCut);
  const highestCut = cutOn(scale, '--highest-cut', bounds.highestCut);
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
  const scale = scoresOn(flags.lowest, flags.highest);
  const { values, leftOut } = await readColumns(file, [flags.score], [scale]);
  const scores = values[0] ?? [];
  const cut = cutOn(scale, '--cut', flags.cut);
  const result = asBadInput(() =>
    livingstonLewis(scores, flags.reliability, cut, [flags.lowest, flags.highest]),
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
