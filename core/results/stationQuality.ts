import { reachesCut } from '../standards/reachesCut.ts';
import { leastSquares } from '../numerics/leastSquares.ts';
import { mean, standardDeviation } from '../numerics/summary.ts';

export interface StationQuality {
  readonly n: number;
  readonly mean: number | null;
  readonly sd: number | null;
  /** How much of the checklist score the overall grade explains. */
  readonly rSquared: number | null;
  /** Inter-grade discrimination: points of score that one grade more goes with (the slope). */
  readonly interGrade: number | null;
  readonly failing: number | null;
}

/**
 * The figures of one station (Pell, Fuller, Homer & Roberts 2010): R-squared of checklist score on
 * overall grade, slope in points a grade, number below the cut. `scores[i]`, `grades[i]` of one
 * candidate; NaN or `null` where missing.
 * Worked value: grades 1..5 with scores 30..90 in steps of 15 give 15 points a grade, R-squared 1.
 */
export function stationQuality(
  scores: ArrayLike<number>,
  grades: ArrayLike<number | null>,
  cut: number | null,
): StationQuality {
  const own: number[] = [];
  const x: number[] = [];
  const y: number[] = [];
  for (let i = 0; i < scores.length; i++) {
    const score = scores[i] as number;
    const grade = grades[i] ?? null;
    if (Number.isNaN(score)) continue;
    own.push(score);
    if (grade === null || Number.isNaN(grade)) continue;
    x.push(grade);
    y.push(score);
  }
  const line = leastSquares(x, y);
  return {
    n: own.length,
    mean: mean(own),
    sd: standardDeviation(own),
    rSquared: line?.rSquared ?? null,
    interGrade: line?.slope ?? null,
    failing: cut === null ? null : own.filter((s) => !reachesCut(s, cut)).length,
  };
}

export interface BetweenGroups {
  /** Share of the variance of scores that lies between the groups (eta squared), in [0, 1]. */
  readonly share: number | null;
  readonly groups: readonly { readonly group: number; readonly n: number; readonly mean: number }[];
}

/**
 * How much of a station's variance lies between groups that should not matter: circuits,
 * examiners, days. `eta^2 = SS between / SS total`; by chance alone it is about
 * (groups - 1) / (n - 1). Worked value: scores 1, 1 and 3, 3 in two groups give 1.
 */
export function betweenGroups(scores: ArrayLike<number>, group: ArrayLike<number>): BetweenGroups {
  const sums = new Map<number, { n: number; sum: number }>();
  let n = 0;
  let total = 0;
  let squares = 0;
  for (let i = 0; i < scores.length; i++) {
    const score = scores[i] as number;
    if (Number.isNaN(score)) continue;
    const own = sums.get(group[i] as number) ?? { n: 0, sum: 0 };
    own.n++;
    own.sum += score;
    sums.set(group[i] as number, own);
    n++;
    total += score;
    squares += score * score;
  }
  const groups = [...sums]
    .sort(([a], [b]) => a - b)
    .map(([name, own]) => ({ group: name, n: own.n, mean: own.sum / own.n }));
  const all = squares - (total * total) / n;
  const between = groups.reduce((sum, g) => sum + g.n * (g.mean - total / n) ** 2, 0);
  return { share: n > 1 && all > 1e-9 * Math.max(1, squares) ? between / all : null, groups };
}
