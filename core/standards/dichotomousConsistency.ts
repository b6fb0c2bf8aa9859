import { mean, variance } from '../numerics/summary.ts';
import { chanceToReach, decisionQuality } from './trueScores.ts';
import type { DecisionQuality } from './trueScores.ts';

/** KR-21 (Kuder & Richardson 1937) of scores out of n right-or-wrong items, with divisor n - 1 in the variance. */
export function kr21(scores: readonly number[], items: number): number | null {
  const m = mean(scores);
  const s2 = variance(scores);
  if (m === null || s2 === null || s2 === 0 || items < 2) return null;
  return (items / (items - 1)) * (1 - (m * (items - m)) / (items * s2));
}

/**
 * Huynh's consistency (1976) of a pass mark on n right-or-wrong items: true scores are beta with
 * `alpha = (1 / KR21 - 1) m`, `beta = -alpha + n / KR21 - n`, scores beta-binomial.
 *
 * `scores` are numbers right; `cut` is the least that passes. Returns `null` where KR-21 is not
 * above 0. Worked value: m 6.5 of 10 and KR-21 .6 give alpha 4.33, beta 2.33.
 */
export function huynh(
  scores: readonly number[],
  items: number,
  cut: number,
): DecisionQuality | null {
  const reliability = kr21(scores, items);
  const m = mean(scores);
  if (reliability === null || m === null || reliability <= 0) return null;
  const { alpha, beta } = huynhBeta(m, reliability, items);
  return decisionQuality({ alpha, beta, lower: 0, upper: 1 }, items, cut, cut / items);
}

export function huynhBeta(
  m: number,
  reliability: number,
  items: number,
): { alpha: number; beta: number } {
  const alpha = (1 / reliability - 1) * m;
  return { alpha, beta: items / reliability - items - alpha };
}

/**
 * Subkoviak's consistency (1976): every candidate's true share is drawn towards the mean,
 * `t = r x / n + (1 - r) m / n`; with P the binomial chance to reach the cut, the candidate is
 * classed alike twice with `P^2 + (1 - P)^2`; the mean over candidates is the consistency.
 *
 * `reliability` defaults to KR-21. Returns `null` where there is none.
 * Worked value: one item, r = 0, m = .5: P = .5 for everybody, consistency .5.
 */
export function subkoviak(
  scores: readonly number[],
  items: number,
  cut: number,
  reliability = kr21(scores, items),
): { consistency: number; kappa: number | null } | null {
  const m = mean(scores);
  if (reliability === null || m === null) return null;
  const chances = scores.map((x) => {
    const t = (reliability * x + (1 - reliability) * m) / items;
    return chanceToReach(cut, items, Math.min(1, Math.max(0, t)));
  });
  const consistency = mean(chances.map((p) => p * p + (1 - p) ** 2)) as number;
  const pass = mean(chances) as number;
  const byChance = pass ** 2 + (1 - pass) ** 2;
  return {
    consistency,
    kappa: byChance >= 1 - 1e-12 ? null : (consistency - byChance) / (1 - byChance),
  };
}
