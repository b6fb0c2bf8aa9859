import { pairsForSeverity, USUAL_SPREADS } from '@kritikos/core/timetable/precision';
import type { PlanningProblem, Slot } from '@kritikos/core/timetable/problem';
import { expose } from 'comlink';

const SIMULATIONS = 8;

/** Simulates beside the page, so that nothing there waits for it. */
const work = {
  severity: (
    problem: PlanningProblem,
    slots: readonly Slot[],
    halfWidth: number,
    seed: number,
    progress: (share: number) => void,
  ) =>
    pairsForSeverity(
      problem,
      slots,
      halfWidth,
      { spreads: USUAL_SPREADS, simulations: SIMULATIONS, seed },
      progress,
    ),
};
export type PrecisionWork = typeof work;

expose(work);
