import { planDay } from '@kritikos/core/timetable/planDay';
import { simulatedSeverity, USUAL_SPREADS } from '@kritikos/core/timetable/precision';
import type { Plan, PlanningProblem } from '@kritikos/core/timetable/problem';
import type { Told } from './told.ts';

export interface TimetableJob {
  readonly problem: PlanningProblem;
  readonly seed: number;
}

export interface TimetableFound {
  readonly plan: Plan;
  readonly precision: { readonly halfWidth: number | null; readonly worst: number | null } | null;
}

/** Steps of the search; the clock is only for a machine that stands still. */
const BUDGET = { nodes: 2_000, seconds: 120 };
/** A severity's precision is simulated as long as a study of that many sheets takes a moment. */
const SIMULATIONS = 20;
const MOST_SHEETS = 1_500;

/** Runs in a worker thread: a plan, told as soon as there is one, and how sure severities will be. */
export default async function run({
  problem,
  seed,
  port,
}: TimetableJob & Told): Promise<TimetableFound> {
  const plan = await planDay(problem, { seed, ...BUDGET }, (found, share) => {
    port.postMessage({ found });
    port.postMessage(share * 0.8);
  });
  port.postMessage({ found: plan });
  port.postMessage(0.8);
  const sheets = plan.slots.filter(({ station }) => station !== null).length;
  const precision =
    sheets <= MOST_SHEETS
      ? simulatedSeverity(plan.slots, USUAL_SPREADS, SIMULATIONS, seed, (share) =>
          port.postMessage(0.8 + 0.2 * share),
        )
      : null;
  return { plan, precision };
}
