/** Agreement weights: `weights[i][j]` is 1 on the diagonal and falls to 0 for the worst disagreement. */
export type Weights = readonly (readonly number[])[];

export const WEIGHT_SCHEMES = ['unweighted', 'linear', 'quadratic'] as const;
export type WeightScheme = (typeof WEIGHT_SCHEMES)[number];

/**
 * Weights for k ordered categories (Cohen 1968): `1 - |i - j| / (k - 1)` linear,
 * `1 - (i - j)^2 / (k - 1)^2` quadratic, 1 and 0 unweighted. Categories count by their rank.
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
