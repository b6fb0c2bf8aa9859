import { Matrix, solve } from 'ml-matrix';
import { MixedModelMatrix } from '../numerics/mixedModelMatrix.ts';

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

/** The shrunken effect of one level of a factor (best linear unbiased prediction) and its error. */
export interface PredictedEffects {
  readonly effect: Float64Array;
  /** Root of the prediction error variance, with the variances taken as known. */
  readonly standardError: Float64Array;
}

/**
 * Variance components of `mark ~ 1 + (1|factor) + ...` by restricted maximum likelihood, for any
 * crossed, nested, unbalanced or incomplete layout.
 *
 * With gamma_f = sigma_f^2 / sigma^2, Lambda = diag(sqrt gamma), A = Lambda Z'Z Lambda + I, sigma
 * and the intercept profiled out, -2 log L is, up to a constant,
 *   d = log|A| + log q + (n - 1) log r,  q = 1'V^-1 1,  r = (y - mu)'V^-1 (y - mu),
 * V = I + Z Lambda^2 Z', and with a = A^-1 Lambda Z'(y - mu), e = A^-1 Lambda Z'1 its slope is
 *   gamma_f dd/dgamma_f = levels_f - tr(A^-1)_f - |e_f|^2 / q - (n - 1) |a_f|^2 / r.
 * The curvature is the average information of Gilmour, Thompson & Cullis (1995), corrected by the
 * steps already taken (BFGS). Z'Z is never formed densely; see MixedModelMatrix.
 *
 * Sources: Patterson & Thompson 1971; Bates, Maechler, Bolker & Walker 2015 (the profiled
 * criterion). A variance that would be negative is zero, and a note says so.
 * Worked value: the Dyestuff data of Davies & Goldsmith 1972 give 1764.05 between batches and
 * 2451.25 within. Throws `RangeError` where a factor cannot be told apart from the residual.
 */
export function varianceComponents(
  marks: Float64Array,
  factors: readonly Factor[],
): VarianceComponents {
  return fitMixedModel(marks, factors).components;
}

/** The same, with the predicted effect of every level of every factor, by the factor's name. */
export function predictEffects(
  marks: Float64Array,
  factors: readonly Factor[],
): { components: VarianceComponents; effects: ReadonlyMap<string, PredictedEffects> } {
  const { components, gamma, model } = fitMixedModel(marks, factors);
  const { residual } = components;
  const point = model.at(gamma);
  const inverse = model.matrix.inverseDiagonal();
  const effects = new Map<string, PredictedEffects>();
  for (const [f, { name, levels }] of factors.entries()) {
    const from = model.offsets[f] as number;
    const scale = Math.sqrt(gamma[f] as number);
    const own = (of: Float64Array) => of.subarray(from, from + levels);
    const once = own(point.e);
    effects.set(name, {
      effect: own(point.a).map((a) => scale * a),
      standardError: own(inverse).map(
        (z, l) => scale * Math.sqrt(residual * (z + (once[l] as number) ** 2 / point.q)),
      ),
    });
  }
  return { components, effects };
}

function fitMixedModel(marks: Float64Array, factors: readonly Factor[]) {
  refuseHopeless(marks, factors);
  const model = new ProfiledModel(marks, factors);
  const { gamma, point, iterations } = maximise(model);
  const zero = factors.filter((_, f) => gamma[f] === 0).map((factor) => factor.name);
  const residual = point.r / (marks.length - 1);
  const n = marks.length;
  const components: VarianceComponents = {
    components: Object.fromEntries(
      factors.map(({ name }, f) => [name, (gamma[f] as number) * residual]),
    ),
    residual,
    intercept: point.mu,
    logRestrictedLikelihood: -(point.d + (n - 1) * (1 + Math.log((2 * Math.PI) / (n - 1)))) / 2,
    iterations,
    n,
    notes: zero.map(
      (name) =>
        `The variance of ${name} is estimated as zero; it may be small or negative by chance.`,
    ),
  };
  return { components, gamma, model };
}

/** The profiled likelihood at one point, with what its slope and its curvature are made of. */
interface Point {
  readonly d: number;
  readonly q: number;
  readonly r: number;
  readonly mu: number;
  readonly a: Float64Array;
  readonly e: Float64Array;
}

class ProfiledModel {
  readonly matrix: MixedModelMatrix;
  readonly offsets: number[] = [];
  readonly n: number;
  private readonly mean: number;
  private readonly squares: number;
  private readonly counts: Float64Array;
  private readonly sums: Float64Array;

  constructor(
    marks: Float64Array,
    readonly factors: readonly Factor[],
  ) {
    this.n = marks.length;
    this.mean = marks.reduce((sum, y) => sum + y, 0) / this.n;
    let size = 0;
    for (const factor of factors) {
      this.offsets.push(size);
      size += factor.levels;
    }
    this.counts = new Float64Array(size);
    this.sums = new Float64Array(size);
    let squares = 0;
    for (let i = 0; i < this.n; i++) {
      const y = (marks[i] as number) - this.mean;
      squares += y * y;
      for (const [f, { level }] of factors.entries()) {
        const at = (this.offsets[f] as number) + (level[i] as number);
        this.counts[at] = (this.counts[at] as number) + 1;
        this.sums[at] = (this.sums[at] as number) + y;
      }
    }
    this.squares = squares;
    this.matrix = new MixedModelMatrix(this.counts, this.meetings(size));
  }

  /** How often two levels of different factors meet in a mark. */
  private meetings(size: number): Map<number, number>[] {
    const { factors, offsets, n } = this;
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

  private scales(gamma: readonly number[]): Float64Array {
    const scales = new Float64Array(this.matrix.size);
    for (const [f, { levels }] of this.factors.entries()) {
      const from = this.offsets[f] as number;
      scales.fill(Math.sqrt(gamma[f] as number), from, from + levels);
    }
    return scales;
  }

  at(gamma: readonly number[]): Point {
    const scales = this.scales(gamma);
    const logDeterminant = this.matrix.rescale(scales);
    const one = this.counts.map((c, i) => c * (scales[i] as number));
    const own = this.sums.map((s, i) => s * (scales[i] as number));
    const e = this.matrix.solve(one);
    const b = this.matrix.solve(own);
    const q = this.n - dot(one, e);
    const shift = -dot(one, b) / q;
    const rest = this.squares - dot(own, b) - shift * shift * q;
    const r = Math.max(rest, Number.MIN_VALUE);
    const a = b.map((x, i) => x - shift * (e[i] as number));
    const d = logDeterminant + Math.log(q) + (this.n - 1) * Math.log(r);
    return { d, q, r, mu: this.mean + shift, a, e };
  }

  /** dd/dgamma of every factor, at the point that was computed last. */
  slope({ q, r, a, e }: Point, gamma: readonly number[]): number[] {
    const inverse = this.matrix.inverseDiagonal();
    return this.factors.map(({ levels }, f) => {
      const from = this.offsets[f] as number;
      let trace = 0;
      let once = 0;
      let squared = 0;
      for (let i = from; i < from + levels; i++) {
        trace += inverse[i] as number;
        once += (e[i] as number) ** 2;
        squared += (a[i] as number) ** 2;
      }
      const slope = levels - trace - once / q - ((this.n - 1) * squared) / r;
      return slope / (gamma[f] as number);
    });
  }

  /** The average information of the profiled criterion: its curvature, nearly. */
  curvature({ q, r, a, e }: Point, gamma: readonly number[]): number[][] {
    const scales = this.scales(gamma);
    const parts = this.factors.map(({ levels }, f) => {
      const from = this.offsets[f] as number;
      const scale = Math.sqrt(gamma[f] as number);
      const v = new Float64Array(this.matrix.size);
      for (let i = from; i < from + levels; i++) v[i] = (a[i] as number) / scale;
      const gv = this.matrix.timesG(v);
      const scaled = gv.map((x, i) => x * (scales[i] as number));
      let toOne = 0;
      let toOwn = 0;
      for (let i = from; i < from + levels; i++) {
        toOne += ((v[i] as number) * (e[i] as number)) / scale;
        toOwn += (v[i] as number) ** 2;
      }
      return { v, gv, scaled, solved: this.matrix.solve(scaled), toOne, toOwn };
    });
    return parts.map((f) =>
      parts.map((g) => {
        const both = dot(f.v, g.gv) - dot(f.scaled, g.solved) - (f.toOne * g.toOne) / q;
        return ((this.n - 1) / r) * (both - (f.toOwn * g.toOwn) / r);
      }),
    );
  }

  /** Rough ratios from the variances of the level means, as a place to begin. */
  start(): number[] {
    const total = this.squares / this.n;
    const shares = this.factors.map(({ levels }, f) => {
      const from = this.offsets[f] as number;
      let between = 0;
      let noise = 0;
      for (let l = from; l < from + levels; l++) {
        const c = Math.max(1, this.counts[l] as number);
        between += ((this.sums[l] as number) / c) ** 2 / levels;
        noise += total / c / levels;
      }
      return Math.max(0.02, (between - noise) / total);
    });
    const residual = Math.max(0.1, 1 - shares.reduce((sum, s) => sum + s, 0));
    return shares.map((share) => share / residual);
  }
}

/** Where the next step would change no ratio by more than this share, the search is over. */
const SMALL_CHANGE = 1e-5;
const MOST_ITERATIONS = 100;
/** A ratio below this is indistinguishable from none; where the slope is up there, it is zero. */
const NEAR_ZERO = 1e-8;

/** A step of the search, and how far the slope turned over it. */
interface Turn {
  readonly step: readonly number[];
  readonly turn: readonly number[];
}

function maximise(model: ProfiledModel) {
  let gamma = model.start();
  let point = model.at(gamma);
  let slope = model.slope(point, gamma);
  const turns: Turn[] = [];
  let iterations = 0;
  let lastChange = 1;
  while (iterations < MOST_ITERATIONS) {
    iterations++;
    const free = gamma.flatMap((g, f) => (g > NEAR_ZERO || (slope[f] as number) < 0 ? [f] : []));
    if (free.length === 0) break;
    const curvature = turns.reduce(corrected, model.curvature(point, gamma));
    // Marks that say nothing of a factor leave no curvature; its ratio then moves by itself at most.
    for (const [f, row] of curvature.entries()) {
      row[f] = Math.max(row[f] as number, Math.abs(slope[f] as number) / (gamma[f] as number));
    }
    const step = newtonStep(curvature, slope, free);
    let length = 1;
    let next = gamma.map((g, f) => moved(g, step[f] as number));
    let there = model.at(next);
    while (!(there.d <= point.d + 1e-12 * Math.abs(point.d)) && length > 1e-3) {
      length /= 4;
      next = gamma.map((g, f) => moved(g, length * (step[f] as number)));
      there = model.at(next);
    }
    const before = { gamma, slope };
    gamma = next;
    point = there;
    const change = Math.max(...gamma.map((g, f) => Math.abs(1 - g / (before.gamma[f] as number))));
    // The next step shrinks at the pace of the last two, or faster.
    const pace = Math.min(1, change / lastChange);
    lastChange = change;
    if (length <= 1e-3 || (length === 1 && change * pace < SMALL_CHANGE)) break;
    slope = model.slope(point, gamma);
    turns.push({
      step: gamma.map((g, f) => g - (before.gamma[f] as number)),
      turn: slope.map((s, f) => s - (before.slope[f] as number)),
    });
    if (turns.length > gamma.length) turns.shift();
  }
  const settled = gamma.map((g) => (g <= 10 * NEAR_ZERO ? 0 : g));
  if (settled.some((g, f) => g !== gamma[f])) point = model.at(settled);
  return { gamma: settled, point, iterations };
}

/** A ratio may fall to a fiftieth in one step, and not below what counts as nothing. */
function moved(gamma: number, step: number): number {
  return Math.max(gamma + step, gamma / 50, NEAR_ZERO);
}

/** The BFGS update of a curvature by a step and what the slope made of it. */
function corrected(curvature: number[][], { step, turn }: Turn): number[][] {
  const bent = curvature.map((row) => row.reduce((sum, c, j) => sum + c * (step[j] as number), 0));
  const along = step.reduce((sum, s, i) => sum + s * (turn[i] as number), 0);
  const through = step.reduce((sum, s, i) => sum + s * (bent[i] as number), 0);
  // Only a turn that the curvature can hardly be wrong about is believed.
  if (!(along > 0.3 * through && along < 3 * through)) return curvature;
  return curvature.map((row, i) =>
    row.map(
      (c, j) =>
        c +
        ((turn[i] as number) * (turn[j] as number)) / along -
        ((bent[i] as number) * (bent[j] as number)) / through,
    ),
  );
}

/** Newton's step over the free factors; the others stay. */
function newtonStep(curvature: number[][], slope: readonly number[], free: number[]): number[] {
  const step = slope.map(() => 0);
  const matrix = new Matrix(free.map((f) => free.map((g) => curvature[f]?.[g] as number)));
  const solved = solve(matrix, Matrix.columnVector(free.map((f) => -(slope[f] as number))), true);
  for (const [k, f] of free.entries()) step[f] = solved.get(k, 0);
  return step;
}

function refuseHopeless(marks: Float64Array, factors: readonly Factor[]): void {
  const n = marks.length;
  if (factors.length === 0) throw new RangeError('The model names no factor.');
  for (const { name, levels } of factors) {
    if (levels < 2) {
      throw new RangeError(`${name} has one level only, so its variance cannot be seen.`);
    }
    if (levels >= n) {
      throw new RangeError(
        `${name} has a level for every mark, so it cannot be told apart from the residual.`,
      );
    }
  }
  const first = marks[0] as number;
  if (marks.every((y) => Math.abs(y - first) <= 1e-10 * Math.max(1, Math.abs(first)))) {
    throw new RangeError('All marks are equal, so there is no variance to divide.');
  }
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += (a[i] as number) * (b[i] as number);
  return sum;
}
