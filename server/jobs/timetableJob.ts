import { planDay } from '@kritikos/core/timetable/planDay';
import type { Plan, PlanningProblem } from '@kritikos/core/timetable/problem';
import { precisionOf } from './precisionJob.ts';
import type { Precision } from './precisionJob.ts';
import type { Told } from './told.ts';

export interface TimetableJob {
  readonly problem: PlanningProblem;
  readonly seed: number;
}

export interface TimetableFound {
  readonly plan: Plan;
  readonly precision: Precision | null;
}

/** Steps of the search; the clock is only for a machine that stands still. */
const BUDGET = { nodes: 2_000, seconds: 120 };

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
  const precision = precisionOf({ slots: plan.slots, seed }, (share) =>
    port.postMessage(0.8 + 0.2 * share),
  );
  return { plan, precision };
}
