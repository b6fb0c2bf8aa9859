import type { Estimate } from '../numerics/estimate.ts';
import { seededChance } from '../numerics/random.ts';
import { quantileOfSorted, standardDeviation } from '../numerics/summary.ts';
import type { Ratings } from './ratings.ts';

/**
 * Gives a coefficient the percentile interval and the standard error of a bootstrap over subjects
 * (Efron & Tibshirani 1993, chapter 13): subjects are drawn with replacement, seeded.
 *
 * Resamples in which the coefficient is undefined are left out and counted in a note.
 */
export function bootstrapSubjects(
  ratings: Ratings,
  coefficient: (ratings: Ratings) => Estimate,
  resamples: number,
  seed: number,
): Estimate {
  const whole = coefficient(ratings);
  const n = ratings.marks.length;
  if (whole.estimate === null || n < 2 || resamples < 2) return whole;
  const chance = seededChance(seed);
  const values: number[] = [];
  for (let resample = 0; resample < resamples; resample++) {
    const marks = Array.from({ length: n }, () => ratings.marks[chance.below(n)] ?? []);
    const { estimate } = coefficient({ raters: ratings.raters, marks });
    if (estimate !== null) values.push(estimate);
  }
  const left = resamples - values.length;
  const notes =
    left > 0
      ? [
          ...whole.notes,
          `${left} of ${resamples} resamples were left out: the coefficient is undefined in them.`,
        ]
      : whole.notes;
  if (values.length < 2) return { ...whole, notes };
  values.sort((a, b) => a - b);
  return {
    ...whole,
    lower: quantileOfSorted(values, 0.025),
    upper: quantileOfSorted(values, 0.975),
    standardError: standardDeviation(values),
    method: `${whole.method}; percentile bootstrap, ${resamples} resamples`,
    notes,
  };
}
