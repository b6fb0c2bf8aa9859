import type { JobKind } from '@kritikos/contracts/jobs';
import { importStudents } from '../people/importing.ts';
import { agreementWork } from '../agreement/working.ts';
import { behaviourWork } from '../stations/behaviour.ts';
import { rehearsalWork } from '../rehearsal/service.ts';
import { papersWork } from '../papers/service.ts';
import { timetableWork } from '../timetable/work.ts';
import { bootstrapWork } from '../standards/signing.ts';
import type { Worker } from './jobs.ts';
import { recompute } from './pool.ts';

/** What each kind of job does. */
export function workersOn(url: string): Readonly<Record<JobKind, Worker>> {
  return {
    'student-import': importStudents,
    agreement: agreementWork,
    behaviour: behaviourWork,
    bootstrap: bootstrapWork,
    timetable: timetableWork,
    papers: papersWork,
    rehearsal: rehearsalWork,
    recomputation: (_, { question }, around) =>
      recompute({ ...(question as { examination: string }), url }, around),
  };
}
