import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { Z_95 } from './normal.ts';

/**
 * What every method of the core answers with: never a silent number.
 *
 * `estimate` is `null` where the statistic is undefined, and then `notes` says why in words that
 * a clinician understands. It is never NaN, and never 0 or 1 by convention.
 */
export interface Estimate {
  readonly estimate: number | null;
  readonly lower: number | null;
  readonly upper: number | null;
  readonly standardError: number | null;
  /** The name of the method and its source, for example `Cohen 1960`. */
  readonly method: string;
  /** How many subjects (candidates, pairs, marks) were used after missing data were set aside. */
  readonly n: number;
  readonly notes: readonly string[];
}

/** An estimate that does not exist, with the reason. */
export function undefinedEstimate(method: string, n: number, reason: string): Estimate {
  return {
    estimate: null,
    lower: null,
    upper: null,
    standardError: null,
    method,
    n,
    notes: [reason],
  };
}

interface Known {
  readonly estimate: number;
  readonly standardError: number | null;
  readonly method: string;
  readonly n: number;
  readonly notes?: readonly string[];
  /** Where the statistic can lie at all; the interval is cut off there. */
  readonly within?: readonly [number, number];
  /** Degrees of freedom of the error; the interval then takes Student's t instead of 1.96. */
  readonly freedom?: number;
}

/**
 * An estimate with its 95 % interval, `estimate -+ t SE` with t of so many degrees of freedom, or
 * 1.96 where none are named; no interval without an error, or with an error of 0.
 */
export function intervalAround(known: Known): Estimate {
  const { estimate, standardError, method, n, notes = [], within = [-Infinity, Infinity] } = known;
  const { freedom } = known;
  const multiple = freedom === undefined ? Z_95 : freedom > 0 ? tQuantile(0.975, freedom) : null;
  const reach = standardError && multiple !== null ? multiple * standardError : null;
  return {
    estimate,
    lower: reach === null ? null : Math.max(within[0], estimate - reach),
    upper: reach === null ? null : Math.min(within[1], estimate + reach),
    standardError,
    method,
    n,
    notes,
  };
}
