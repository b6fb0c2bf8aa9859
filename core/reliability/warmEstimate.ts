import { GradeMoments } from './gradeMoments.ts';

/**
 * Warm's weighted likelihood estimate of one location (1989): the root of
 * `total - sum E_i + sum M3_i / (2 sum V_i)`, where E, V and M3 are mean, variance and third
 * central moment of the grade in each observation. Unlike the maximum likelihood it is finite for
 * the lowest and the highest total, and nearly without bias.
 *
 * `rest[i]` is what the other facets add to the location in observation i, `steps` the thresholds
 * of the rating scale. Found by bisection: the function falls, so there is one root.
 * Worked value: one item of difficulty 0 answered 1 of 0..1: p solves 1 - p + (1 - 2p)/2 = 0,
 * p = .75, a location of log 3.
 */
export function estimateWarm(
  total: number,
  rest: readonly number[],
  steps: ArrayLike<number>,
): number {
  const moments = new GradeMoments(steps);
  const slope = (location: number) => {
    let expected = 0;
    let variance = 0;
    let third = 0;
    for (const other of rest) {
      moments.at(location + other);
      expected += moments.mean;
      variance += moments.variance;
      third += moments.third;
    }
    return total - expected + third / (2 * Math.max(variance, 1e-300));
  };
  let low = -30;
  let high = 30;
  while (high - low > 1e-8) {
    const middle = (low + high) / 2;
    if (slope(middle) > 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
