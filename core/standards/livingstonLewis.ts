import { mean, variance } from '../numerics/summary.ts';
import { decisionQuality } from './trueScores.ts';
import type { DecisionQuality, TrueScores } from './trueScores.ts';

export interface LivingstonLewis extends DecisionQuality {
  /** The number of right-or-wrong tasks that would be as reliable as this score. */
  readonly effectiveLength: number;
  readonly trueScores: TrueScores;
  readonly n: number;
  readonly notes: readonly string[];
}

/**
 * How accurate and how consistent pass and fail are, from one examination, for scores of any kind
 * (Livingston & Lewis 1995).
 *
 * The score is likened to n right-or-wrong tasks of the same reliability r,
 *   n = [(m - min)(max - m) - r s^2] / [s^2 (1 - r)],
 * true scores to a four-parameter beta whose moments are the factorial moments of the scores
 * (Lord 1965; Hanson 1991); where no such beta has its ends within the scale, to a beta over the
 * whole scale (and a note says so). Then see `decisionQuality`.
 *
 * `scores`, `range` and `cut` in one unit; a score equal to the cut passes. Returns `null` with
 * fewer than three scores or none that vary. Throws `RangeError` for a reliability outside (0, 1)
 * or a cut outside the range. Worked value: see the test, which counts parallel examinations.
 */
export function livingstonLewis(
  scores: readonly number[],
  reliability: number,
  cut: number,
  range: readonly [number, number] = [0, 100],
): LivingstonLewis | null {
  const [least, most] = range;
  if (!(reliability > 0 && reliability < 1)) {
    throw new RangeError('The reliability must lie between 0 and 1.');
  }
  if (!(cut >= least && cut <= most)) {
    throw new RangeError(`The cut ${cut} lies outside the scores from ${least} to ${most}.`);
  }
  const outside = scores.find((x) => x < least || x > most);
  if (outside !== undefined) {
    throw new RangeError(`Score ${outside} lies outside the range from ${least} to ${most}.`);
  }
  const average = mean(scores);
  const spread = variance(scores);
  if (average === null || spread === null || scores.length < 3 || spread === 0) return null;
  const exact =
    ((average - least) * (most - average) - reliability * spread) / (spread * (1 - reliability));
  const tasks = Math.max(2, Math.round(exact));
  const shares = scores.map((x) => (x - least) / (most - least));
  const { trueScores, notes } = fitTrueScores(shares, tasks);
  const trueCut = (cut - least) / (most - least);
  // The tasks that must be done are the least whole number that reaches the cut.
  const passing = Math.ceil(trueCut * tasks - 1e-9);
  return {
    ...decisionQuality(trueScores, tasks, passing, trueCut),
    effectiveLength: exact,
    trueScores,
    n: scores.length,
    notes,
  };
}

/** A beta with the moments of the true scores; `shares` are scores in [0, 1]. */
export function fitTrueScores(
  shares: readonly number[],
  tasks: number,
): { trueScores: TrueScores; notes: string[] } {
  const moments = trueMoments(shares, tasks);
  const four = tasks >= 4 ? fourParameterBeta(moments) : null;
  if (four) return { trueScores: four, notes: [] };
  return {
    trueScores: twoParameterBeta(moments),
    notes: [
      'The true scores are fitted by mean and spread only; their ends do not lie within the scale.',
    ],
  };
}

/** Raw moments E(t^k), k = 1..4: `E[x (x - 1) .. (x - k + 1)] / [n (n - 1) .. (n - k + 1)]`. */
function trueMoments(shares: readonly number[], n: number): number[] {
  return [1, 2, 3, 4].map((k) => {
    if (k > n) return NaN;
    let below = 1;
    for (let j = 0; j < k; j++) below *= n - j;
    const sum = shares.reduce((total, share) => {
      let product = 1;
      for (let j = 0; j < k; j++) product *= n * share - j;
      return total + product;
    }, 0);
    return sum / shares.length / below;
  });
}

/** By mean, variance, skewness and kurtosis (Hanson 1991); `null` where they belong to no such beta. */
function fourParameterBeta([m1 = 0, m2 = 0, m3 = 0, m4 = 0]: number[]): TrueScores | null {
  const s2 = m2 - m1 * m1;
  if (!(s2 > 0)) return null;
  const skew = (m3 - 3 * m1 * m2 + 2 * m1 ** 3) / s2 ** 1.5;
  const kurtosis = (m4 - 4 * m1 * m3 + 6 * m1 * m1 * m2 - 3 * m1 ** 4) / (s2 * s2);
  const r = (6 * (kurtosis - skew ** 2 - 1)) / (6 + 3 * skew ** 2 - 2 * kurtosis);
  if (!(r > 0)) return null;
  const root = Math.sqrt(
    1 - (24 * (r + 1)) / ((r + 2) * (r + 3) * kurtosis - 3 * (r - 6) * (r + 1)),
  );
  if (!Number.isFinite(root)) return null;
  const [small, large] = [(r / 2) * (1 - root), (r / 2) * (1 + root)];
  const [alpha, beta] = skew < 0 ? [large, small] : [small, large];
  const width = Math.sqrt((s2 * r * r * (r + 1)) / (alpha * beta));
  const lower = m1 - (width * alpha) / r;
  const upper = lower + width;
  if (!(alpha > 0 && beta > 0 && lower >= 0 && upper <= 1)) return null;
  return { alpha, beta, lower, upper };
}

function twoParameterBeta([m1 = 0.5, m2 = 0]: number[]): TrueScores {
  const s2 = Math.max(m2 - m1 * m1, 1e-6);
  const size = Math.max((m1 * (1 - m1)) / s2 - 1, 1e-3);
  return { alpha: m1 * size, beta: (1 - m1) * size, lower: 0, upper: 1 };
}
