import { intervalAround, undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { leastSquares } from '../numerics/leastSquares.ts';
import type { Line } from '../numerics/leastSquares.ts';

export interface BorderlineRegression {
  readonly cut: Estimate;
  readonly line: Line | null;
  /** Candidates whose grade lies within one grade of the borderline point. */
  readonly nearBorderline: number;
}

/** Fewer candidates near the borderline than this and the cut leans on extrapolation. */
const FEW_NEAR_BORDERLINE = 10;
/** Below this the checklist and the overall grade hardly speak of the same thing (common practice, no source). */
const LOW_R_SQUARED = 0.5;

/**
 * Borderline regression: the station's checklist scores are regressed on the examiners' overall
 * grades, and the cut is the score that the line gives at the borderline point of the scale.
 *
 *   score = a + b * grade,  cut = a + b * borderline
 *   SE(cut) = s * sqrt(1/n + (borderline - mean grade)^2 / Sxx)   (error of a fitted mean)
 *   interval  cut -+ t SE, t with n - 2 degrees of freedom
 *
 * `scores` (within `range`, percent unless said) and `grades` run parallel, one entry a candidate; candidates
 * without score or grade are left out by the caller and reported there.
 * Sources: Kramer et al. 2003; Wood, Humphrey-Murray & Norman 2006; the error of a fitted mean
 * and its t interval are in any regression textbook (Draper & Smith 1998, section 3.1). Worked value: grades 1..5 with scores 30, 45, 60, 75, 90 and
 * borderline 2.5 give the cut 52.5.
 */
export function borderlineRegression(
  scores: ArrayLike<number>,
  grades: ArrayLike<number>,
  borderline: number,
  range: readonly [number, number] = [0, 100],
): BorderlineRegression {
  const method = 'borderline regression, least squares';
  const n = scores.length;
  let nearBorderline = 0;
  for (let i = 0; i < n; i++) {
    if (Math.abs((grades[i] as number) - borderline) < 1) nearBorderline++;
  }
  const line = leastSquares(grades, scores);
  if (line === null) {
    const reason =
      n < 2
        ? 'Fewer than two candidates have both a score and an overall grade.'
        : 'Every candidate has the same overall grade, so no line can be drawn.';
    return { cut: undefinedEstimate(method, n, reason), line, nearBorderline };
  }
  const cut = line.intercept + line.slope * borderline;
  const standardError =
    line.residualSd === null
      ? null
      : line.residualSd * Math.sqrt(1 / n + (borderline - line.meanX) ** 2 / line.sumSquaresX);
  return {
    cut: intervalAround({
      estimate: cut,
      standardError,
      method,
      n,
      freedom: n - 2,
      notes: warnings(line, cut, nearBorderline, range),
    }),
    line,
    nearBorderline,
  };
}

/** So few candidates, as the subject of a sentence. */
export function few(n: number): string {
  if (n === 0) return 'No candidate was';
  return n === 1 ? 'Only one candidate was' : `Only ${n} candidates were`;
}

function warnings(
  line: Line,
  cut: number,
  nearBorderline: number,
  [lowest, highest]: readonly [number, number],
): string[] {
  const notes: string[] = [];
  if (line.slope <= 0) {
    notes.push(
      'The line does not rise: better overall grades do not go with better checklist scores. Do not use this cut before the sheets have been looked at.',
    );
  }
  if (nearBorderline < FEW_NEAR_BORDERLINE) {
    notes.push(`${few(nearBorderline)} graded near the borderline; the cut leans on the others.`);
  }
  if (line.rSquared === null) notes.push('All scores are equal, so R-squared is undefined.');
  else if (line.rSquared < LOW_R_SQUARED) {
    notes.push(
      `The overall grade explains ${Math.round(100 * line.rSquared)} % of the score; below 50 % the checklist and the grade may not speak of the same thing.`,
    );
  }
  if (cut < lowest || cut > highest) notes.push('The cut lies outside the possible scores.');
  return notes;
}
