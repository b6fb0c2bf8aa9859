import { HybridCholesky } from '../numerics/hybridCholesky.ts';
import { minimiseEven } from '../numerics/minimise.ts';

/** One random factor: `level[i]` is the level of mark i, a whole number below `levels`. */
export interface Factor {
  readonly name: string;
  readonly levels: number;
  readonly level: Int32Array;
}

export interface VarianceComponents {
  /** Variance of each factor, in the squared unit of the marks. */
  readonly components: Readonly<Record<string, number>>;
  readonly residual: number;
  readonly intercept: number;
  readonly logRestrictedLikelihood: number;
  readonly iterations: number;
  readonly n: number;
  readonly notes: readonly string[];
}

/**
 * Variance components of `mark ~ 1 + (1|factor) + ...` by restricted maximum likelihood, for any
 * crossed, nested, unbalanced or incomplete layout.
 *
 * With theta_k = sigma_k / sigma, Lambda = diag(theta) and A = Lambda Z'Z Lambda + I, sigma and the
 * intercept are profiled out, and what remains is minimised over theta:
 *   -2 log L = log|A| + log r + (n - 1) (1 + log(2 pi s / (n - 1)))
 *   r = 1'1 - (L^-1 Lambda Z'1)'(L^-1 Lambda Z'1),  s = the penalised residual sum of squares.
 * Z'Z is never formed densely; see HybridCholesky.
 *
 * Source: Bates, Maechler, Bolker & Walker 2015 (the profiled REML criterion of lme4), equation 42;
 * Patterson & Thompson 1971. A variance that would be negative is zero, and a note says so.
 * Worked value: the Dyestuff data of Davies & Goldsmith 1972 give 1764.05 between batches and
 * 2451.25 within. Throws `RangeError` where a factor cannot be told apart from the residual.
 */
export function varianceComponents(
  marks: Float64Array,
  factors: readonly Factor[],
): VarianceComponents {
  const n = marks.length;
  refuseHopeless(n, factors);
  const mean = marks.reduce((sum, y) => sum + y, 0) / n;
  const offsets: number[] = [];
  let size = 0;
  for (const factor of factors) {
    offsets.push(size);
    size += factor.levels;
  }
  const counts = new Float64Array(size);
  const sums = new Float64Array(size);
  let squares = 0;
  for (let i = 0; i < n; i++) {
    const y = (marks[i] as number) - mean;
    squares += y * y;
    for (const [f, { level }] of factors.entries()) {
      const at = (offsets[f] as number) + (level[i] as number);
      counts[at] = (counts[at] as number) + 1;
      sums[at] = (sums[at] as number) + y;
    }
  }
  if (squares <= 1e-20 * n * Math.max(1, mean * mean)) {
    throw new RangeError('All marks are equal, so there is no variance to divide.');
  }
  const cholesky = new HybridCholesky(counts, together(factors, offsets, size, n));

  const profile = (theta: readonly number[]) => {
    const scales = new Float64Array(size);
    for (const [f, { levels }] of factors.entries())
      scales.fill(theta[f] as number, offsets[f], (offsets[f] as number) + levels);
    const one = counts.map((c, i) => c * (scales[i] as number));
    const own = sums.map((s, i) => s * (scales[i] as number));
    const logDeterminant = cholesky.factor(scales, [one, own]);
    let oneOne = n;
    let oneOwn = 0;
    let ownOwn = squares;
    for (let i = 0; i < size; i++) {
      const a = one[i] as number;
      const b = own[i] as number;
      oneOne -= a * a;
      oneOwn -= a * b;
      ownOwn -= b * b;
    }
    const shift = oneOwn / oneOne;
    const rest = Math.max(ownOwn - shift * shift * oneOne, Number.MIN_VALUE);
    const criterion =
      logDeterminant + Math.log(oneOne) + (n - 1) * (1 + Math.log((2 * Math.PI * rest) / (n - 1)));
    return { criterion, residual: rest / (n - 1), intercept: mean + shift };
  };

  const start = startingPoint(factors, offsets, counts, sums, squares / n);
  const { at, iterations } = minimiseEven((theta) => profile(theta).criterion, start);
  const theta = at.map((t) => (t < 1e-4 ? 0 : t));
  const { criterion, residual, intercept } = profile(theta);
  const zero = factors.filter((_, f) => theta[f] === 0).map((factor) => factor.name);
  return {
    components: Object.fromEntries(
      factors.map(({ name }, f) => [name, (theta[f] as number) ** 2 * residual]),
    ),
    residual,
    intercept,
    logRestrictedLikelihood: -criterion / 2,
    iterations,
    n,
    notes: zero.map(
      (name) =>
        `The variance of ${name} is estimated as zero; it may be small or negative by chance.`,
    ),
  };
}

/** How often two levels of different factors meet in a mark. */
function together(
  factors: readonly Factor[],
  offsets: readonly number[],
  size: number,
  n: number,
): Map<number, number>[] {
  const neighbours = Array.from({ length: size }, () => new Map<number, number>());
  for (let f = 0; f < factors.length; f++) {
    for (let g = 0; g < f; g++) {
      for (let i = 0; i < n; i++) {
        const a = (offsets[f] as number) + ((factors[f] as Factor).level[i] as number);
        const b = (offsets[g] as number) + ((factors[g] as Factor).level[i] as number);
        const own = neighbours[a] as Map<number, number>;
        const met = (own.get(b) ?? 0) + 1;
        own.set(b, met);
        (neighbours[b] as Map<number, number>).set(a, met);
      }
    }
  }
  return neighbours;
}

/** Rough variances of the level means, as a place to begin. */
function startingPoint(
  factors: readonly Factor[],
  offsets: readonly number[],
  counts: Float64Array,
  sums: Float64Array,
  total: number,
): number[] {
  const shares = factors.map(({ levels }, f) => {
    const from = offsets[f] as number;
    let between = 0;
    let noise = 0;
    for (let l = from; l < from + levels; l++) {
      const c = Math.max(1, counts[l] as number);
      between += ((sums[l] as number) / c) ** 2 / levels;
      noise += total / c / levels;
    }
    return Math.max(0.02, (between - noise) / total);
  });
  const residual = Math.max(0.1, 1 - shares.reduce((sum, s) => sum + s, 0));
  return shares.map((share) => Math.sqrt(share / residual));
}

function refuseHopeless(n: number, factors: readonly Factor[]): void {
  if (factors.length === 0) throw new RangeError('The model names no factor.');
  for (const { name, levels } of factors) {
    if (levels < 2)
      throw new RangeError(`${name} has one level only, so its variance cannot be seen.`);
    if (levels >= n)
      throw new RangeError(
        `${name} has a level for every mark, so it cannot be told apart from the residual.`,
      );
  }
}
