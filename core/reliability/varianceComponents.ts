import type { Factor } from './factor.ts';
import { maximise } from './likelihoodSearch.ts';
import { findNesting, refuseIdentical } from './nesting.ts';
import { ProfiledModel } from './profiledLikelihood.ts';

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
 * 2451.25 within. Throws `RangeError` where a factor cannot be told apart from the
 * residual or from another factor, or leaves nothing for it; a note names what is nested in what.
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
  refuseIdentical(factors);
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
    notes: [
      ...zero.map(
        (name) =>
          `The variance of ${name} is estimated as zero; it may be small or negative by chance.`,
      ),
      ...nestingNotes(factors),
    ],
  };
  return { components, gamma, model };
}

/** What a component means where a factor is nested in another; interactions are so by their name. */
function nestingNotes(factors: readonly Factor[]): string[] {
  const parts = (name: string) => new Set(name.split(':'));
  return findNesting(factors).nested.flatMap(([inner, outer]) => {
    const named = [...parts(outer)].every((part) => parts(inner).has(part));
    return named
      ? []
      : [
          `Every ${inner} is found with one ${outer} only: the variance of ${inner} is that within ${outer}.`,
        ];
  });
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
  for (const factor of factors) {
    if (leavesNothing(marks, factor)) {
      throw new RangeError(
        `Marks with the same ${factor.name} never differ, so that nothing is left to tell the others from.`,
      );
    }
  }
}

/** Whether all marks of each level are one and the same: the likelihood then has no greatest value. */
function leavesNothing(marks: Float64Array, { level, levels }: Factor): boolean {
  const first = new Float64Array(levels).fill(NaN);
  for (const [i, mark] of marks.entries()) {
    const own = level[i] as number;
    const known = first[own] as number;
    if (Number.isNaN(known)) first[own] = mark;
    else if (Math.abs(mark - known) > 1e-10 * Math.max(1, Math.abs(known))) return false;
  }
  return true;
}
