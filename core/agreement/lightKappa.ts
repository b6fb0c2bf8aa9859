import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { kappaOfCounts } from './cohenKappa.ts';
import { noErrorNote } from './chanceCorrected.ts';
import { INTERVAL_METHOD } from './linearised.ts';
import { numericalInterval } from './numericalPulls.ts';
import { countComparable } from './tally.ts';
import type { Prepared, Tally } from './tally.ts';
import { symmetricWeights, weightsOf } from './weights.ts';
import type { Weights } from './weights.ts';

/**
 * Light's kappa (1971): the plain mean of Cohen's kappa over all pairs of raters who have subjects
 * in common. Missing marks: pairwise. It has no formula for its error: the pull of every
 * kind of subject is found by differences, and the interval is `coefficientInterval`'s. Worked value: for two raters it is Cohen's kappa.
 */
export function lightKappa(tally: Tally, weights?: Weights): Estimate {
  const method = 'Light 1971';
  const n = countComparable(tally);
  const kappas = pairKappas(tally, weights)(tally.times);
  const defined = kappas.filter((kappa) => kappa !== null);
  if (defined.length === 0) {
    return undefinedEstimate(
      method,
      n,
      'No pair of raters has marks that vary on common subjects.',
    );
  }
  const without = kappas.length - defined.length;
  const estimate = defined.reduce((sum, kappa) => sum + kappa, 0) / defined.length;
  const found = numericalInterval(tally, (own) => prepareLightKappa(own, weights), -1);
  const left = without > 0 ? [`${without} pairs of raters have no kappa and were left out.`] : [];
  return {
    estimate,
    lower: found?.lower ?? null,
    upper: found?.upper ?? null,
    standardError: found?.standardError ?? null,
    method: found ? `${method}; ${INTERVAL_METHOD}` : method,
    n,
    notes: found && found.lower === null ? [...left, noErrorNote(estimate, n)] : left,
  };
}

export function prepareLightKappa(tally: Tally, weights?: Weights): Prepared {
  const kappasFor = pairKappas(tally, weights);
  return (times) => {
    const defined = kappasFor(times).filter((kappa) => kappa !== null);
    return defined.length === 0
      ? null
      : defined.reduce((sum, kappa) => sum + kappa, 0) / defined.length;
  };
}

/** Cohen's kappa of every pair of raters that occurs, for any counts of the rows. */
function pairKappas(tally: Tally, weights?: Weights) {
  const { start, rater, category, raters } = tally;
  const q = tally.categories.length;
  const used = symmetricWeights(weightsOf(tally, weights));
  const pairs = new Map<number, number>();
  const row: number[] = [];
  const cell: number[] = [];
  for (let p = 0; p + 1 < start.length; p++) {
    for (let i = start[p] as number; i < (start[p + 1] as number); i++) {
      for (let j = i + 1; j < (start[p + 1] as number); j++) {
        // Within a row the raters stand in ascending order or not; the pair is named the same way.
        const [a, b] = (rater[i] as number) < (rater[j] as number) ? [i, j] : [j, i];
        const name = (rater[a] as number) * raters + (rater[b] as number);
        const pair = pairs.get(name) ?? pairs.size;
        pairs.set(name, pair);
        row.push(p);
        cell.push(pair * q * q + (category[a] as number) * q + (category[b] as number));
      }
    }
  }
  const counts = new Float64Array(pairs.size * q * q);
  return (times: ArrayLike<number>): (number | null)[] => {
    counts.fill(0);
    for (let m = 0; m < cell.length; m++) {
      const at = cell[m] as number;
      counts[at] = (counts[at] as number) + (times[row[m] as number] as number);
    }
    return Array.from({ length: pairs.size }, (_, pair) =>
      kappaOfCounts(counts, q, used, pair * q * q),
    );
  };
}
