import { intervalAround, undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { mean, quantileOfSorted, standardDeviation } from '../numerics/summary.ts';
import { few } from './borderlineRegression.ts';

/**
 * Borderline group: the cut is the mean, or the median, of the scores of the candidates whom the
 * examiners graded borderline, here within half a grade of the borderline point.
 *
 * Source: Livingston & Zieky 1982. A borderline point between two grades takes both. Error of the
 * mean: SD / sqrt(n), interval by t with n - 1. Worked value: scores 50, 55, 60 of the borderline candidates give 55.
 */
export function borderlineGroup(
  scores: ArrayLike<number>,
  grades: ArrayLike<number>,
  borderline: number,
): { mean: Estimate; median: number | null } {
  const method = 'borderline group, Livingston & Zieky 1982';
  const group: number[] = [];
  for (let i = 0; i < scores.length; i++) {
    if (Math.abs((grades[i] as number) - borderline) <= 0.5) group.push(scores[i] as number);
  }
  const cut = mean(group);
  if (cut === null) {
    return { mean: undefinedEstimate(method, 0, 'Nobody was graded borderline.'), median: null };
  }
  const spread = standardDeviation(group);
  const standardError = spread === null ? null : spread / Math.sqrt(group.length);
  group.sort((a, b) => a - b);
  return {
    mean: intervalAround({
      estimate: cut,
      standardError,
      method,
      n: group.length,
      freedom: group.length - 1,
      notes: group.length < 10 ? [`${few(group.length)} graded borderline.`] : [],
    }),
    median: quantileOfSorted(group, 0.5),
  };
}
