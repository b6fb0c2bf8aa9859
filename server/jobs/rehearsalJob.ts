import type { Assumptions } from '@kritikos/core/rehearsal/assumptions';
import type { RehearsedPlan } from '@kritikos/core/rehearsal/plan';
import { rehearsals } from '@kritikos/core/rehearsal/rehearse';
import type { Rehearsal } from '@kritikos/core/rehearsal/rehearse';

export interface RehearsalJob {
  readonly plan: RehearsedPlan;
  readonly assumptions: Assumptions;
  readonly seed: number;
  readonly from: number;
  readonly count: number;
}

/** Runs in a worker thread: some of the rehearsals of a plan. */
export default function run({ plan, assumptions, seed, from, count }: RehearsalJob): Rehearsal[] {
  return [...rehearsals(plan, assumptions, seed, { from, count })];
}
