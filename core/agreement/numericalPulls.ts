import { coefficientInterval, linearisedError } from './linearised.ts';
import type { CoefficientInterval, Linearised } from './linearised.ts';
import { withPseudoSubjects } from './pseudoSubjects.ts';
import { countComparable, marksPerRow } from './tally.ts';
import type { Prepared, Tally } from './tally.ts';

/** Evaluations times marks above which the pulls would keep a screen waiting. */
const MOST_STEPS = 40_000_000;
const STEP = 1e-3;

/**
 * The pulls of a coefficient that has no formula for them, by central differences in the count of
 * every kind of row; `null` where it is undefined or there are too many kinds.
 */
export function lineariseNumerically(
  tally: Tally,
  prepared: Prepared,
  lowest: number,
): Linearised | null {
  const { times } = tally;
  if (2 * times.length * tally.category.length > MOST_STEPS) return null;
  const estimate = prepared(times);
  if (estimate === null) return null;
  const n = times.reduce((sum, t) => sum + t, 0);
  const moved = Float64Array.from(times);
  const pulls = times.map((t, p) => {
    moved[p] = t + STEP;
    const above = prepared(moved);
    moved[p] = t - STEP;
    const below = prepared(moved);
    moved[p] = t;
    return above === null || below === null ? 0 : (n * (above - below)) / (2 * STEP);
  });
  const mean = pulls.reduce((sum, pull, p) => sum + pull * (times[p] as number), 0) / n;
  return { estimate, pulls: pulls.map((pull) => pull - mean), times, lowest };
}

/** Standard error and interval of a coefficient that has no formula for its error. */
export function numericalInterval(
  tally: Tally,
  prepare: (tally: Tally) => Prepared,
  lowest: number,
): (CoefficientInterval & { readonly standardError: number }) | null {
  const whole = lineariseNumerically(tally, prepare(tally), lowest);
  if (whole === null) return null;
  const larger = withPseudoSubjects(tally);
  const smoothed = lineariseNumerically(larger, prepare(larger), lowest) ?? whole;
  return {
    ...coefficientInterval(whole, smoothed, informants(tally)),
    standardError: linearisedError(whole),
  };
}

/** How many pairs of marks there are: no count can stand for more. */
export function informants(tally: Tally): number {
  const most = marksPerRow(tally).reduce((r, marked) => Math.max(r, marked), 2);
  return (countComparable(tally) * most * (most - 1)) / 2;
}
