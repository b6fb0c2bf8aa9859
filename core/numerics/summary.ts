/** Arithmetic mean; `null` for no values. */
export function mean(values: ArrayLike<number>): number | null {
  if (values.length === 0) return null;
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i] as number;
  return sum / values.length;
}

/**
 * The least and the greatest value; infinities the wrong way round for none. A loop, because a
 * spread of a hundred thousand values is more than a call takes.
 */
export function extent(values: Iterable<number>): readonly [least: number, greatest: number] {
  let [least, greatest] = [Infinity, -Infinity];
  for (const value of values) {
    if (value < least) least = value;
    if (value > greatest) greatest = value;
  }
  return [least, greatest];
}

/** Sample variance with divisor n - 1; `null` for fewer than two values. Two passes, for accuracy. */
export function variance(values: ArrayLike<number>): number | null {
  const average = mean(values);
  if (average === null || values.length < 2) return null;
  let squares = 0;
  for (let i = 0; i < values.length; i++) squares += ((values[i] as number) - average) ** 2;
  return squares / (values.length - 1);
}

/** Sample standard deviation with divisor n - 1; `null` for fewer than two values. */
export function standardDeviation(values: ArrayLike<number>): number | null {
  const v = variance(values);
  return v === null ? null : Math.sqrt(v);
}

/**
 * Quantile by linear interpolation between order statistics (Hyndman & Fan 1996, type 7; the
 * default of R and of NumPy). `sorted` is ascending and not empty, `probability` lies in [0, 1].
 */
export function quantileOfSorted(sorted: ArrayLike<number>, probability: number): number {
  const position = (sorted.length - 1) * probability;
  const below = Math.floor(position);
  const above = Math.min(below + 1, sorted.length - 1);
  const low = sorted[below] as number;
  return low + (position - below) * ((sorted[above] as number) - low);
}
