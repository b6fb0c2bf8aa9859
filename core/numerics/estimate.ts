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
