/** A straight line fitted by ordinary least squares, with what its intervals need. */
export interface Line {
  readonly intercept: number;
  readonly slope: number;
  /** Share of the variance of y that the line explains; `null` where y does not vary. */
  readonly rSquared: number | null;
  /** Residual standard deviation with divisor n - 2; `null` for n = 2. */
  readonly residualSd: number | null;
  readonly meanX: number;
  readonly sumSquaresX: number;
  readonly n: number;
}

/**
 * Ordinary least squares of y on x, `y = intercept + slope * x`.
 *
 * Returns `null` where no line exists: fewer than two points, or all x equal.
 * Source: any textbook, for example Draper & Smith, Applied Regression Analysis, chapter 1.
 * Worked value: x = 1, 2, 3, y = 2, 4, 6 gives slope 2, intercept 0.
 */
export function leastSquares(x: ArrayLike<number>, y: ArrayLike<number>): Line | null {
  const n = x.length;
  if (n < 2) return null;
  let meanX = 0;
  let meanY = 0;
  for (let i = 0; i < n; i++) {
    meanX += (x[i] as number) / n;
    meanY += (y[i] as number) / n;
  }
  let sxx = 0;
  let sxy = 0;
  let syy = 0;
  for (let i = 0; i < n; i++) {
    const dx = (x[i] as number) - meanX;
    const dy = (y[i] as number) - meanY;
    sxx += dx * dx;
    sxy += dx * dy;
    syy += dy * dy;
  }
  // Means carry rounding error, so "all equal" is judged against the size of the numbers.
  if (sxx <= 1e-20 * n * Math.max(1, meanX * meanX)) return null;
  const slope = sxy / sxx;
  const residualSquares = Math.max(0, syy - slope * sxy);
  return {
    slope,
    intercept: meanY - slope * meanX,
    rSquared: syy <= 1e-20 * n * Math.max(1, meanY * meanY) ? null : (slope * sxy) / syy,
    residualSd: n > 2 ? Math.sqrt(residualSquares / (n - 2)) : null,
    meanX,
    sumSquaresX: sxx,
    n,
  };
}
