import { varianceComponents } from '@kritikos/core/reliability/varianceComponents';
import { asBadInput, BadInput } from './badInput.ts';
import { readMarks, termsOf } from './readMarks.ts';

/** Variance components of a long file of marks, streamed, for a model such as "candidate + examiner". */
export async function variance(file: string, model: string, fixed: string) {
  if (fixed.trim() !== '1') throw new BadInput('Only the intercept can be fixed: --fixed 1.');
  const { marks, factors, missing } = await readMarks(file, termsOf(model));
  const result = asBadInput(() => varianceComponents(marks, factors));
  return {
    components: { ...result.components, residual: result.residual },
    fixed: { intercept: result.intercept },
    logRestrictedLikelihood: result.logRestrictedLikelihood,
    iterations: result.iterations,
    n: result.n,
    missing,
    notes: result.notes,
  };
}
