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
  const slope = (location: number) => {
    let expected = 0;
    let variance = 0;
    let third = 0;
    for (const other of rest) {
      const m = gradeMoments(location + other, steps);
      expected += m.mean;
      variance += m.variance;
      third += m.third;
    }
    return total - expected + third / (2 * variance);
  };
  let low = -30;
  let high = 30;
  while (high - low > 1e-9) {
    const middle = (low + high) / 2;
    if (slope(middle) > 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

function gradeMoments(location: number, steps: ArrayLike<number>) {
  let exponent = 0;
  let largest = 0;
  const exponents = [0];
  for (let k = 0; k < steps.length; k++) {
    exponent += location - (steps[k] as number);
    exponents.push(exponent);
    largest = Math.max(largest, exponent);
  }
  const weights = exponents.map((x) => Math.exp(x - largest));
  const sum = weights.reduce((s, w) => s + w, 0);
  const mean = weights.reduce((s, w, k) => s + (k * w) / sum, 0);
  let variance = 0;
  let third = 0;
  for (const [k, w] of weights.entries()) {
    variance += ((k - mean) ** 2 * w) / sum;
    third += ((k - mean) ** 3 * w) / sum;
  }
  return { mean, variance: Math.max(variance, 1e-300), third };
}
