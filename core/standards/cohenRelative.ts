import { quantileOfSorted } from '../numerics/summary.ts';

/**
 * Cohen's relative standard (Cohen-Schotanus & van der Vleuten 2010): a share of what the best
 * candidates score, the chance score allowed for:
 * `cut = chance + multiplier * (percentile - chance)`.
 *
 * The original takes .6 of the 95th percentile; the modification (Taylor 2011) .65 of the 90th.
 * Returns `null` without scores. Throws `RangeError` for a percentile outside [0, 1] or a multiplier
 * that is not above 0. Worked value: percentile 90, chance 0, multiplier .6 give 54.
 */
export function cohenRelative(
  scores: readonly number[],
  percentile = 0.95,
  multiplier = 0.6,
  chance = 0,
): number | null {
  if (!(percentile >= 0 && percentile <= 1))
    throw new RangeError(`The percentile is a share from 0 to 1, such as 0.95, not ${percentile}.`);
  if (!(multiplier > 0)) throw new RangeError(`The multiplier must be above 0, not ${multiplier}.`);
  if (scores.length === 0) return null;
  const best = quantileOfSorted(
    [...scores].sort((a, b) => a - b),
    percentile,
  );
  return chance + multiplier * (best - chance);
}
