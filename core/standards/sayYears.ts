import type { Estimate } from '../numerics/estimate.ts';
import type { YearsApart } from './acrossYears.ts';

/** The names of two cohorts, as they are spoken of. */
export interface CohortNames {
  readonly now: string;
  readonly then: string;
}

/**
 * What two sittings say of their cohorts and papers, in sentences. A difference within its interval
 * is called no more than that.
 * Worked value: a cohort 6.1 better (2.3 to 9.8) “did better”; a paper .5 easier (-2 to 3) “cannot be
 * told from” the other.
 */
export function sayYears({ cohort, paper, used }: YearsApart, { now, then }: CohortNames): string {
  if (cohort.estimate === null || paper.estimate === null) {
    return `Whether cohort ${now} was better than ${then} or its paper easier cannot be told. ${cohort.notes[0] ?? ''}`.trim();
  }
  const common = `on the ${used.length} stations that stayed the same`;
  const people = beyond(cohort)
    ? `Cohort ${now} did ${points(cohort)} ${cohort.estimate > 0 ? 'better' : 'worse'} than ${then} ${common} (${interval(cohort)})`
    : `Cohort ${now} cannot be told from ${then} ${common} (${points(cohort)} apart, ${interval(cohort)})`;
  const stations = beyond(paper)
    ? `its paper was ${points(paper)} ${paper.estimate > 0 ? 'easier' : 'harder'} (${interval(paper)})`
    : `its paper cannot be told from theirs in difficulty (${points(paper)} apart, ${interval(paper)})`;
  return [`${people}; ${stations}.`, ...cohort.notes].join(' ');
}

/** True where the whole interval lies on one side of no difference. */
function beyond({ lower, upper }: Estimate): boolean {
  return lower !== null && upper !== null && (lower > 0 || upper < 0);
}

function points({ estimate }: Estimate): string {
  return `${Math.abs(estimate ?? NaN).toFixed(1)} points`;
}

function interval({ lower, upper }: Estimate): string {
  if (lower === null || upper === null) return 'no interval';
  return `95\u00a0% ${signed(lower)} to ${signed(upper)}`;
}

function signed(x: number): string {
  return x < 0 ? `−${(-x).toFixed(1)}` : x.toFixed(1);
}
