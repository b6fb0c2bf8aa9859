import { extent } from '../numerics/summary.ts';
import type { Tally } from './tally.ts';

/** Agreement weights: `weights[i][j]` is 1 on the diagonal and falls to 0 for the worst disagreement. */
export type Weights = readonly (readonly number[])[];

export const WEIGHT_SCHEMES = ['unweighted', 'linear', 'quadratic'] as const;
export type WeightScheme = (typeof WEIGHT_SCHEMES)[number];

/**
 * Weights for k ordered categories (Cohen 1968): `1 - |i - j| / (k - 1)` linear,
 * `1 - (i - j)^2 / (k - 1)^2` quadratic, 1 and 0 unweighted. Categories count by their rank, so
 * that all grades of the scale must be among them, used or not.
 */
export function agreementWeights(k: number, scheme: WeightScheme): Weights {
  const span = Math.max(1, k - 1);
  return Array.from({ length: k }, (_, i) =>
    Array.from({ length: k }, (_, j) => {
      const distance = Math.abs(i - j) / span;
      if (scheme === 'unweighted') return i === j ? 1 : 0;
      return 1 - (scheme === 'linear' ? distance : distance * distance);
    }),
  );
}

/**
 * The same on a scale whose grades need not be evenly spaced: distance is the difference of the
 * grades over that of the highest and the lowest. Grades that nobody used belong to the scale too.
 * Throws `RangeError` for a scale of one grade. Worked value: on the scale 0, 1, 2, 3, 5 the grades
 * 3 and 5 are as far apart as 0 and 2, linear weight .6.
 */
export function weightsOfScale(scale: readonly number[], scheme: WeightScheme): Weights {
  const [least, greatest] = extent(scale);
  const span = greatest - least;
  if (!(span > 0)) throw new RangeError('A scale needs two grades at least.');
  return scale.map((a) =>
    scale.map((b) => {
      const distance = Math.abs(a - b) / span;
      if (scheme === 'unweighted') return a === b ? 1 : 0;
      return 1 - (scheme === 'linear' ? distance : distance * distance);
    }),
  );
}

/**
 * The weights to use with a tally: those given, else none.
 * Throws `RangeError` where they do not fit its categories, lie outside [0, 1], or give a
 * disagreement as much as an agreement.
 */
export function weightsOf({ categories }: Tally, weights?: Weights): Weights {
  const q = categories.length;
  if (weights === undefined) return agreementWeights(q, 'unweighted');
  if (weights.length !== q || weights.some((line) => line.length !== q)) {
    throw new RangeError(`The weights must form a table of ${q} by ${q}, one line a category.`);
  }
  for (const [i, line] of weights.entries()) {
    for (const [j, w] of line.entries()) {
      if (!(w >= 0 && w <= 1)) throw new RangeError(`Weight ${w} is not between 0 and 1.`);
      if (i === j && w !== 1) throw new RangeError('The weight of full agreement must be 1.');
    }
  }
  return weights;
}

/** The weights line by line, each the mean of (i, j) and (j, i), for loops that count nanoseconds. */
export function symmetricWeights(weights: Weights): Float64Array {
  const q = weights.length;
  return Float64Array.from({ length: q * q }, (_, at) => {
    const [i, j] = [Math.floor(at / q), at % q];
    return ((weights[i]?.[j] ?? 0) + (weights[j]?.[i] ?? 0)) / 2;
  });
}

/**
 * The least (weighted) agreement that two raters can have who use the categories with these shares.
 *
 * Without weights `sum_i max(0, r_i + c_i - 1)`: where one category is common, they meet in it
 * willy-nilly. With weights, the highest of the one set against the lowest of the other, which is
 * the worst for weights that fall with distance.
 */
export function leastAgreement(
  first: ArrayLike<number>,
  second: ArrayLike<number>,
  weights: Weights,
): number {
  const q = weights.length;
  const plain = weights.every((line, i) => line.every((w, j) => w === (i === j ? 1 : 0)));
  if (plain) {
    let sum = 0;
    for (let i = 0; i < q; i++)
      sum += Math.max(0, (first[i] as number) + (second[i] as number) - 1);
    return sum;
  }
  const left = Array.from(first);
  const right = Array.from(second);
  let [i, j, sum] = [0, q - 1, 0];
  while (i < q && j >= 0) {
    const both = Math.min(left[i] as number, right[j] as number);
    sum += both * (weights[i]?.[j] ?? 0);
    left[i] = (left[i] as number) - both;
    right[j] = (right[j] as number) - both;
    if ((left[i] as number) <= 1e-12) i++;
    else j--;
  }
  return sum;
}
