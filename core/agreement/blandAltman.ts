import tCdf from '@stdlib/stats-base-dists-t-cdf';
import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { leastSquares } from '../numerics/leastSquares.ts';
import { Z_95 } from '../numerics/normal.ts';
import { sdInterval } from '../numerics/sdInterval.ts';
import { mean, standardDeviation } from '../numerics/summary.ts';

export interface Limit {
  readonly estimate: number;
  readonly lower: number;
  readonly upper: number;
}

export interface LimitOfAgreement extends Limit {
  /** The interval as Bland & Altman published it, for normal differences. */
  readonly blandAltman: { readonly lower: number; readonly upper: number };
}

export interface BlandAltman {
  /** Mean of first minus second. */
  readonly bias: Limit;
  readonly lowerLimit: LimitOfAgreement;
  readonly upperLimit: LimitOfAgreement;
  readonly sd: number;
  /** Slope of the difference on the mean of both: away from 0, the bias grows with what is measured. */
  readonly proportionalBias: { readonly slope: Limit; readonly p: number } | null;
  readonly n: number;
  readonly notes: readonly string[];
}

/** What no interval from so few pairs can know (table in docs/methods.md). */
export const SEEN_TAILS =
  'The intervals of the limits widen for differences that lie far out, as far as the pairs show any: where some do they hold in 87 to 95 of 100 cases, where differences lean to one side in 82 to 88.';

/**
 * Limits of agreement of two measurements of the same subjects: 95 % of their differences lie
 * within `bias -+ 1.96 SD`.
 *
 * The interval of a limit joins that of the bias (Student's t) and that of the SD, each with the
 * distance that it has at that end: for the upper limit `L - sqrt((t se)^2 + (1.96 (SD - l))^2)` to
 * `L + sqrt((t se)^2 + (1.96 (u - SD))^2)`, l and u the limits of the SD (MOVER, Zou 2013), which
 * follow the kurtosis of the differences (`sdInterval`). Bland & Altman's own, `t sqrt(3 / n) SD` to
 * both sides, is for differences that are normal: with tails it holds in 82 to 86 of 100. It stands
 * beside, for whoever compares.
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
  const reach = (t * sd) / Math.sqrt(n);
  const ofSd = sdInterval(differences);
  const inwards = Math.hypot(reach, Z_95 * (sd - ofSd.lower));
  const outwards = Math.hypot(reach, Z_95 * (ofSd.upper - sd));
  const published = t * Math.sqrt(3 / n) * sd;
  const limit = (estimate: number, below: number, above: number): LimitOfAgreement => ({
    estimate,
    lower: estimate - below,
    upper: estimate + above,
    blandAltman: { lower: estimate - published, upper: estimate + published },
  });
  return {
    bias: { estimate: bias, lower: bias - reach, upper: bias + reach },
    lowerLimit: limit(bias - Z_95 * sd, outwards, inwards),
    upperLimit: limit(bias + Z_95 * sd, inwards, outwards),
    sd,
    proportionalBias: slopeOn(middles, differences),
    n,
    notes: [SEEN_TAILS],
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
