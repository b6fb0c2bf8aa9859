import { connectedSets } from './connectedness.ts';
import type { FacetMeasures } from './facetMeasures.ts';
import type { Factor } from './factor.ts';
import { inseparable, sayInseparable } from './identification.ts';
import { MOST_ITERATIONS, RatingScale } from './ratingScale.ts';

/** By how much the correction of joint estimates is too little for the steps of a rating scale: by simulation at 20 to 6 marks a candidate. */
export const STEPS_APART =
  'The thresholds lie 2 to 11 % too far from 0, the further the fewer marks a candidate has.';

export interface RaschResult {
  readonly facets: readonly FacetMeasures[];
  /** `thresholds[k - 1]`: step from grade k - 1 to k, in logits; they sum to 0. */
  readonly thresholds: readonly number[];
  readonly grades: readonly number[];
  readonly iterations: number;
  readonly n: number;
  readonly notes: readonly string[];
}

/**
 * Many-facet Rasch measurement: ability, difficulty and severity on one scale, so that a
 * candidate's measure does not hang on which examiners happened to watch.
 *
 *   log(P_k / P_k-1) = ability_c - sum over the other facets of (difficulty, severity) - tau_k
 *
 * for grades 0..K (the rating scale model); joint maximum likelihood by Newton steps, a facet at
 * a time. Joint estimates spread too far; facets other than the first and the steps are drawn
 * together by (m - 1) / m, m marks a candidate (Wright & Douglas 1977), and candidates are then
 * measured anew by Warm's weighted likelihood (1989), which is finite for all-pass and all-fail. For
 * the steps between grades that correction is too little, and a note says by how much.
 *
 * Sources: Linacre 1989; Wright & Masters 1982 for fit and separation. `marks` are whole grades;
 * grades that nobody used are closed up, and a note says so. Refused with `RangeError`: marks that
 * are not whole, one grade only, and designs whose levels cannot all be told apart: the rank of the
 * design is checked before anything is fitted, and the message names the groups and what would join
 * them. Fit is taken at the joint estimates as they are before correction.
 * Worked value: two items with p .5 and .75 for everybody differ by log 3 before correction.
 */
export function manyFacetRasch(marks: Float64Array, factors: readonly Factor[]): RaschResult {
  if (factors.length < 2) throw new RangeError('Name candidates and one facet more.');
  const sets = connectedSets(factors);
  if (sets.length > 1) {
    throw new RangeError(
      `The design falls apart into ${sets.length} unconnected sets; measures cannot be compared across them, so nothing is fitted.`,
    );
  }
  const apart = inseparable(factors);
  if (apart.length > 0)
    throw new RangeError(sayInseparable(apart, factors[0]?.name ?? 'candidate'));
  const { grades, scores, notes } = closeUp(marks);
  const model = new RatingScale(scores, grades.length - 1, factors);
  const iterations = model.fit();
  if (iterations >= MOST_ITERATIONS) {
    notes.push(
      'The search did not settle; the measures are rough. Are there enough marks a level?',
    );
  }
  model.takeFit();
  model.drawTogether();
  model.measureCandidates();
  return {
    facets: factors.map((_, f) => model.describe(f, grades)),
    thresholds: [...model.steps],
    grades,
    iterations,
    n: marks.length,
    notes: [...notes, ...model.notes(), ...(model.steps.length > 1 ? [STEPS_APART] : [])],
  };
}

/** Grades as they occur, closed up to 0..K. */
function closeUp(marks: Float64Array) {
  const grades = [...new Set(marks)].sort((a, b) => a - b);
  const odd = grades.find((g) => !Number.isInteger(g));
  if (odd !== undefined) throw new RangeError(`Mark ${odd} is not a whole grade.`);
  if (grades.length < 2) throw new RangeError('All marks are equal; nothing can be measured.');
  if (grades.length > 100)
    throw new RangeError(`${grades.length} grades are too many; a rating scale has few.`);
  const place = new Map(grades.map((g, k) => [g, k]));
  const gaps = (grades.at(-1) as number) - (grades[0] as number) + 1 - grades.length;
  const notes =
    gaps > 0
      ? [`${gaps} grades between the lowest and the highest were never used and are closed up.`]
      : [];
  return { grades, scores: Uint8Array.from(marks, (g) => place.get(g) as number), notes };
}
