import { GENERATOR, seededChance } from '../numerics/random.ts';
import type { RandomGenerator } from '../numerics/random.ts';
import { quantileOfSorted, standardDeviation } from '../numerics/summary.ts';

export interface BootstrapCut {
  /** Standard deviation of the resampled cuts; `null` where too few resamples gave a line. */
  readonly standardError: number | null;
  /** Percentile interval, 95 %. */
  readonly lower: number | null;
  readonly upper: number | null;
  /** Resamples that gave a line. */
  readonly used: number;
  readonly resamples: number;
}

/**
 * Bootstrap error of a borderline-regression cut: candidates are drawn with replacement, the line
 * is fitted anew, the cut is read off (Efron & Tibshirani 1993, chapter 6; pairs are resampled,
 * so unequal spread around the line is allowed for).
 *
 * Resamples in which all grades are equal give no line and are left out. The running sums are
 * taken about the first candidate to keep digits. Cost: `resamples` x n additions.
 */
export function bootstrapCut(
  scores: ArrayLike<number>,
  grades: ArrayLike<number>,
  borderline: number,
  resamples = 2000,
  seed = 1,
  generator: RandomGenerator = GENERATOR,
): BootstrapCut {
  const n = scores.length;
  const chance = seededChance(seed, generator);
  const cuts: number[] = [];
  if (n < 3) return { standardError: null, lower: null, upper: null, used: 0, resamples };
  const x0 = grades[0] as number;
  const y0 = scores[0] as number;
  const xs = Float64Array.from({ length: n }, (_, i) => (grades[i] as number) - x0);
  const ys = Float64Array.from({ length: n }, (_, i) => (scores[i] as number) - y0);
  const drawn = new Int32Array(n);
  for (let resample = 0; resample < resamples; resample++) {
    let sx = 0;
    let sy = 0;
    let sxx = 0;
    let sxy = 0;
    chance.fill(drawn, n);
    for (let draw = 0; draw < n; draw++) {
      const i = drawn[draw] as number;
      const x = xs[i] as number;
      const y = ys[i] as number;
      sx += x;
      sy += y;
      sxx += x * x;
      sxy += x * y;
    }
    const spread = sxx - (sx * sx) / n;
    if (spread <= 1e-9) continue;
    const slope = (sxy - (sx * sy) / n) / spread;
    cuts.push(y0 + sy / n + slope * (borderline - x0 - sx / n));
  }
  if (cuts.length < 2) {
    return { standardError: null, lower: null, upper: null, used: cuts.length, resamples };
  }
  const standardError = standardDeviation(cuts);
  cuts.sort((a, b) => a - b);
  return {
    standardError,
    lower: quantileOfSorted(cuts, 0.025),
    upper: quantileOfSorted(cuts, 0.975),
    used: cuts.length,
    resamples,
  };
}
