import tCdf from '@stdlib/stats-base-dists-t-cdf';
import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { leastSquares } from '../numerics/leastSquares.ts';
import { Z_95 } from '../numerics/normal.ts';
import { mean, standardDeviation } from '../numerics/summary.ts';

export interface Limit {
  readonly estimate: number;
  readonly lower: number;
  readonly upper: number;
}

export interface BlandAltman {
  /** Mean of first minus second. */
  readonly bias: Limit;
  readonly lowerLimit: Limit;
  readonly upperLimit: Limit;
  readonly sd: number;
  /** Slope of the difference on the mean of both: away from 0, the bias grows with what is measured. */
  readonly proportionalBias: { readonly slope: Limit; readonly p: number } | null;
  readonly n: number;
  readonly notes: readonly string[];
}

/** Below this the published interval of a limit holds too seldom (table in docs/methods.md). */
const FEW_PAIRS = 16;
const FEW_NOTE =
  'With fewer than 16 pairs the intervals of the limits hold in about 90, not 95, of 100 cases.';

/**
 * Limits of agreement of two measurements of the same subjects: 95 % of their differences lie
 * within `bias -+ 1.96 SD`, each with its interval, `SE(limit) = sqrt(3 / n) SD`.
 *
 * `first` and `second` run parallel, in the same unit. Returns `null` for fewer than three pairs.
 * Source: Bland & Altman 1986; the regression of difference on mean, their 1999 paper, section 3.
 * Worked value: their two peak flow meters, 17 subjects, give bias -2.1 and SD 38.8 l/min.
 */
export function blandAltman(
  first: readonly number[],
  second: readonly number[],
): BlandAltman | null {
  const n = first.length;
  if (n < 3) return null;
  const differences = first.map((x, i) => x - (second[i] as number));
  const middles = first.map((x, i) => (x + (second[i] as number)) / 2);
  const bias = mean(differences) as number;
  const sd = standardDeviation(differences) as number;
  const t = tQuantile(0.975, n - 1);
  const within = (estimate: number, error: number): Limit => ({
    estimate,
    lower: estimate - t * error,
    upper: estimate + t * error,
  });
  const limitError = Math.sqrt(3 / n) * sd;
  return {
    bias: within(bias, sd / Math.sqrt(n)),
    lowerLimit: within(bias - Z_95 * sd, limitError),
    upperLimit: within(bias + Z_95 * sd, limitError),
    sd,
    proportionalBias: slopeOn(middles, differences),
    n,
    notes: n < FEW_PAIRS ? [FEW_NOTE] : [],
  };
}

function slopeOn(x: readonly number[], y: readonly number[]): BlandAltman['proportionalBias'] {
  const line = leastSquares(x, y);
  if (!line || line.residualSd === null) return null;
  const error = line.residualSd / Math.sqrt(line.sumSquaresX);
  const reach = tQuantile(0.975, line.n - 2) * error;
  const { slope } = line;
  const p = error === 0 ? (slope === 0 ? 1 : 0) : 2 * tCdf(-Math.abs(slope / error), line.n - 2);
  return { slope: { estimate: slope, lower: slope - reach, upper: slope + reach }, p };
}
