import { mean, variance } from '../numerics/summary.ts';

export interface ContrastingCuts {
  /** Where the two normal curves cross between the means; `null` where they do not. */
  readonly normal: number | null;
  /** The score at which the fewest candidates are on the wrong side; the middle where several are. */
  readonly leastMisclassified: number | null;
  readonly misclassified: number | null;
}

/**
 * Contrasting groups (Berk 1976): the cut that best parts candidates judged competent from those
 * judged not competent.
 *
 * Normal curves with each group's own mean and variance cross where
 * `(x - m1)^2 / v1 + log v1 = (x - m2)^2 / v2 + log v2`; the root between the means is taken.
 * Worked value: means 40 and 60 with equal variances cross at 50.
 */
export function contrastingGroups(
  notCompetent: readonly number[],
  competent: readonly number[],
): ContrastingCuts {
  return { normal: crossing(notCompetent, competent), ...leastWrong(notCompetent, competent) };
}

function crossing(low: readonly number[], high: readonly number[]): number | null {
  const m1 = mean(low);
  const m2 = mean(high);
  const v1 = variance(low);
  const v2 = variance(high);
  if (m1 === null || m2 === null || !v1 || !v2 || m1 >= m2) return null;
  if (Math.abs(v1 - v2) < 1e-9 * v1) return (m1 + m2) / 2;
  const a = 1 / v1 - 1 / v2;
  const b = -2 * (m1 / v1 - m2 / v2);
  const c = (m1 * m1) / v1 - (m2 * m2) / v2 + Math.log(v1 / v2);
  const root = b * b - 4 * a * c;
  if (root < 0) return null;
  const roots = [-1, 1].map((sign) => (-b + sign * Math.sqrt(root)) / (2 * a));
  return roots.find((x) => x > m1 && x < m2) ?? null;
}

function leastWrong(
  low: readonly number[],
  high: readonly number[],
): { leastMisclassified: number | null; misclassified: number | null } {
  const scores = [...new Set([...low, ...high])].sort((a, b) => a - b);
  if (low.length === 0 || high.length === 0)
    return { leastMisclassified: null, misclassified: null };
  const wrongAt = (cut: number) =>
    low.filter((s) => s >= cut).length + high.filter((s) => s < cut).length;
  const cuts = scores.slice(1).map((s, i) => ((scores[i] as number) + s) / 2);
  const wrong = cuts.map(wrongAt);
  const least = Math.min(...wrong);
  const best = cuts.filter((_, i) => wrong[i] === least);
  const middle = mean(best);
  return { leastMisclassified: middle, misclassified: middle === null ? null : least };
}
