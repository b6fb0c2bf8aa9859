import { undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';

export interface HofsteeBounds {
  /** Lowest and highest acceptable cut, in the unit of the scores. */
  readonly lowestCut: number;
  readonly highestCut: number;
  /** Lowest and highest acceptable share of fails, in [0, 1]. */
  readonly fewestFails: number;
  readonly mostFails: number;
}

/**
 * Hofstee's compromise (1983): the cut where the line from (lowest cut, most fails) to (highest
 * cut, fewest fails) meets the curve of the share of candidates below each cut.
 *
 * The curve is a staircase; the first cut at which it reaches the line is given. Where the two do
 * not meet within the box, the cut is `null` and the note says which way: no cut is invented.
 * Throws `RangeError` for answers that nobody can mean: shares outside 0..1, cuts outside `range`,
 * a lowest above a highest. Worked value: scores 1..100, bounds 40..60 and 0..1, meet at 50 (half fail, half of the line).
 */
export function hofstee(
  scores: readonly number[],
  bounds: HofsteeBounds,
  range: readonly [number, number] = [-Infinity, Infinity],
): Estimate {
  const method = 'Hofstee 1983';
  const { lowestCut, highestCut, fewestFails, mostFails } = bounds;
  const n = scores.length;
  for (const share of [fewestFails, mostFails]) {
    if (!(share >= 0 && share <= 1)) {
      throw new RangeError(
        `An acceptable share of fails lies between 0 and 1, not at ${share}${share > 1 && share <= 100 ? `; ${share} % is ${share / 100}` : ''}.`,
      );
    }
  }
  for (const cut of [lowestCut, highestCut]) {
    if (!(cut >= range[0] && cut <= range[1])) {
      throw new RangeError(
        `An acceptable cut lies on the scale from ${range[0]} to ${range[1]}, not at ${cut}.`,
      );
    }
  }
  if (!(lowestCut < highestCut && fewestFails < mostFails)) {
    throw new RangeError('The lower bound must lie below the upper one, for cuts and for fails.');
  }
  if (n === 0) return undefinedEstimate(method, 0, 'There is no score.');
  const sorted = [...scores].sort((a, b) => a - b);
  const failing = (cut: number) => sorted.filter((s) => s < cut).length / n;
  const line = (cut: number) =>
    mostFails + ((fewestFails - mostFails) * (cut - lowestCut)) / (highestCut - lowestCut);
  if (failing(lowestCut) > mostFails)
    return undefinedEstimate(
      method,
      n,
      'Even the lowest acceptable cut fails more candidates than acceptable: the line misses the curve.',
    );
  if (failing(highestCut) < fewestFails)
    return undefinedEstimate(
      method,
      n,
      'Even the highest acceptable cut fails fewer candidates than acceptable: the line misses the curve.',
    );
  // The line falls and the curve rises, so they cross once; halving finds it.
  let low = lowestCut;
  let high = highestCut;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (failing(middle) < line(middle)) low = middle;
    else high = middle;
  }
  return { estimate: high, lower: null, upper: null, standardError: null, method, n, notes: [] };
}
