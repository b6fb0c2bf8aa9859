import { fromLastCohort } from '@kritikos/core/rehearsal/fromLastCohort';
import type { Learnt } from '@kritikos/core/rehearsal/fromLastCohort';
import type { ExaminedScore } from '@kritikos/core/reliability/examinerEffects';

export interface AssumptionsJob {
  readonly scores: readonly ExaminedScore[];
  readonly stations: number;
}

/** Runs in a worker thread: what an earlier examination teaches a rehearsal. */
export default function run({ scores, stations }: AssumptionsJob): Learnt {
  return fromLastCohort(scores, stations);
}
