import { simulatedSeverity, USUAL_SPREADS } from '@kritikos/core/timetable/precision';
import type { MarkedSlot } from '@kritikos/core/timetable/precision';

/** Half-widths of the interval of a severity under a plan, in percent points. */
export interface Precision {
  readonly halfWidth: number | null;
  readonly worst: number | null;
}

export interface PrecisionJob {
  readonly slots: readonly MarkedSlot[];
  readonly seed: number;
}

/** It is simulated as long as a study of that many sheets takes a moment. */
const SIMULATIONS = 20;
const MOST_SHEETS = 1_500;

/** How sure severities will be under a plan; `null` where it is too large to be simulated. */
export function precisionOf(
  { slots, seed }: PrecisionJob,
  progress?: (share: number) => void,
): Precision | null {
  const sheets = slots.filter(({ station }) => station !== null).length;
  if (sheets > MOST_SHEETS) return null;
  return simulatedSeverity(slots, USUAL_SPREADS, SIMULATIONS, seed, progress);
}

/** Runs in a worker thread: the same of a plan that is kept already. */
export default function run(job: PrecisionJob): Precision | null {
  return precisionOf(job);
}
