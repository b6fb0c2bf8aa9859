import { intervalAround, undefinedEstimate } from '../numerics/estimate.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { mean, standardDeviation } from '../numerics/summary.ts';

/** With t of one degree of freedom two judges who are not of one mind take in most of the scale. */
export const TWO_JUDGES =
  'Two judges say next to nothing of others: with one degree of freedom their interval takes in almost any cut.';

/**
 * What an interval over so few judges cannot know: of a judge apart whom the panel does not happen
 * to hold, none of its cuts says anything (room `judges` of `npm run coverage`).
 */
export const EVEN_JUDGES =
  'The interval takes judges to be spread evenly about the cut: where they lean to one side, or one in eight stands apart, it holds in 80 to 94 of 100 cases, the fewer the further.';

/**
 * A panel's cut: the mean over its judges, with the standard error of a mean, SD / sqrt(judges), and
 * Student's interval with judges - 1 degrees of freedom, within the scale of 0 to 100 percent. A
 * judge without a cut (`null`) is not in it.
 */
export function overJudges(
  cuts: readonly (number | null)[],
  { method, nobody, notes = [] }: { method: string; nobody: string; notes?: readonly string[] },
): Estimate {
  const given = cuts.filter((cut): cut is number => cut !== null);
  const cut = mean(given);
  if (cut === null) return undefinedEstimate(method, 0, nobody);
  const spread = standardDeviation(given);
  return intervalAround({
    estimate: cut,
    standardError: spread === null ? null : spread / Math.sqrt(given.length),
    method,
    n: given.length,
    freedom: given.length - 1,
    within: [0, 100],
    notes: [...notes, ...ofJudges(given.length, spread)],
  });
}

/** What the number of judges and their spread say of the interval. */
function ofJudges(judges: number, spread: number | null): string[] {
  if (judges === 1) return ['One judge alone gives a cut without an error.'];
  if (spread === 0) return ['All judges came to the same cut, so their spread gives no interval.'];
  return [judges === 2 ? TWO_JUDGES : EVEN_JUDGES];
}
