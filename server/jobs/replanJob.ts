import type { PlanningProblem, Slot } from '@kritikos/core/timetable/problem';
import { replanned } from '@kritikos/core/timetable/replan';
import type { Happened, Replanned } from '@kritikos/core/timetable/replan';

export interface ReplanJob {
  readonly problem: PlanningProblem;
  readonly slots: readonly Slot[];
  readonly happened: Happened;
  readonly seed: number;
}

/** Runs in a worker thread: the rest of a day planned again. */
export default function run({ problem, slots, happened, seed }: ReplanJob): Promise<Replanned> {
  return replanned(problem, slots, happened, { seed, nodes: 2_000, seconds: 15 });
}
