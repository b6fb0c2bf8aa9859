import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { Z_95 } from '../numerics/normal.ts';
import { exactInterval } from '../numerics/proportion.ts';

/** A coefficient with what each kind of subject does to it: all that an interval needs. */
export interface Linearised {
  readonly estimate: number;
  /**
   * Of each kind of subject, by how much the coefficient would move, times n, if one more like it
   * were there: the influence function. Weighted by `times` the pulls add up to 0.
   */
  readonly pulls: ArrayLike<number>;
  /** How many subjects there are of each kind; need not be whole. */
  readonly times: ArrayLike<number>;
  /** The least value that the coefficient can take with these shares of the categories. */
  readonly lowest: number;
}

/** How many subjects there are in all. */
function subjectsOf({ times }: Linearised): number {
  let n = 0;
  for (let p = 0; p < times.length; p++) n += times[p] as number;
  return n;
}

function momentOf({ pulls, times }: Linearised, power: number): number {
  let sum = 0;
  for (let p = 0; p < pulls.length; p++) {
    sum += (times[p] as number) * (pulls[p] as number) ** power;
  }
  return sum;
}

/** The large-sample standard error, `sqrt(sum of squared pulls) / n`; 0 where no subject pulls. */
export function linearisedError(linearised: Linearised): number {
  return Math.sqrt(momentOf(linearised, 2)) / subjectsOf(linearised);
}

/** Errors below this are rounding, not information. */
const NO_ERROR = 1e-7;

export interface CoefficientInterval {
  readonly lower: number | null;
  readonly upper: number | null;
}

/**
 * The 95 % interval of an agreement coefficient, made to hold at the sizes that schools have.
 *
 * The coefficient is read as a share of its range, `s = (estimate - lowest) / (1 - lowest)`, as if
 * it had been counted in so many subjects that its error came out the same, and gets the exact
 * interval of such a count (Korn & Graubard 1998):
 *
 *   m = s (1 - s) / SE(s)^2 * (z / t_df)^2
 *
 * `smoothed` is the same coefficient with two subjects more, who agree half by chance, so that the
 * error does not collapse where the sample happens to show no rare event. The degrees of freedom
 * follow from the kurtosis k of the pulls, `df = 2 / (k / n + 2 / (n - 1))`: an error that hangs on
 * a handful of subjects is known no better than from a handful (the variance of a variance,
 * for example Searle, Casella & McCulloch 1992). `informants` caps m.
 *
 * Both limits are `null` where the error is zero: there is then nothing to build them on.
 * Held to by `npm run coverage`; the table stands in docs/methods.md.
 */
export function coefficientInterval(
  whole: Linearised,
  smoothed: Linearised,
  informants: number = subjectsOf(whole),
): CoefficientInterval {
  const n = subjectsOf(whole);
  if (n < 2 || linearisedError(whole) < NO_ERROR) return { lower: null, upper: null };
  const lowest = Math.min(whole.lowest, whole.estimate);
  const span = 1 - lowest;
  const share = (whole.estimate - lowest) / span;
  const near = Math.max(1e-3, (smoothed.estimate - lowest) / span);
  const larger = subjectsOf(smoothed);
  const variance = ((linearisedError(smoothed) / span) ** 2 * larger) / n;
  const kurtosis = (larger * momentOf(smoothed, 4)) / momentOf(smoothed, 2) ** 2 - 3;
  const freedom = Math.min(n - 1, Math.max(1, 2 / (kurtosis / larger + 2 / (larger - 1))));
  const effective =
    Math.min(informants, (near * (1 - near)) / variance) * (Z_95 / tQuantile(0.975, freedom)) ** 2;
  const [lower, upper] = exactInterval(share * effective, effective);
  return { lower: lowest + span * lower, upper: lowest + span * upper };
}

/** How the method of an interval is named beside the coefficient. */
export const INTERVAL_METHOD = 'interval by effective sample size (Korn & Graubard 1998)';

/** Subjects that are added to keep an error from collapsing, see `coefficientInterval`. */
export const PSEUDO_SUBJECTS = 2;
