import type { Contracts } from '../contract.ts';
import { job } from '../jobs.ts';
import { rehearsal, rehearsalAsked } from '../rehearsal.ts';
import { leads, reads } from './access.ts';

/** The rehearsal of a planned examination. */
export const rehearsing = {
  'GET /examinations/:examination/rehearsal': {
    says: 'What a rehearsal would suppose and rehearse, and what the newest came to',
    access: reads('examination'),
    answers: rehearsal,
  },
  'POST /examinations/:examination/rehearsal': {
    says: 'Rehearse the planned examination on simulated candidates and examiners, in a job',
    access: leads('examination'),
    body: rehearsalAsked,
    answers: job,
  },
} as const satisfies Contracts;
