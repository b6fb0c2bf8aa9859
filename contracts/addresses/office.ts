import { z } from 'zod';
import { trail, trailPage } from '../audit.ts';
import { job } from '../jobs.ts';
import type { Contracts } from '../contract.ts';
import { SIGNED_IN, ADMINISTRATOR, reads } from './access.ts';

/** Long work, live pages, the audit, and this description itself. */
export const office = {
  'POST /examinations/:examination/recomputation': {
    says: 'Score every submitted sheet anew and compare what is kept; a job',
    access: reads('examination'),
    answers: job,
  },
  'GET /jobs/:job': {
    says: 'How far a job is, and what came of it',
    access: SIGNED_IN,
    answers: job,
  },
  'DELETE /jobs/:job': {
    says: 'Call a job off',
    access: SIGNED_IN,
    answers: job,
  },
  'GET /hints': {
    says: 'A stream that tells when something of an examination changed that the caller may read',
    access: SIGNED_IN,
    answers: 'events',
  },
  'GET /audit': {
    says: 'Who did what and when, a page of it',
    access: ADMINISTRATOR,
    query: trailPage,
    answers: trail,
  },
  'GET /openapi.json': {
    says: 'This description of the API (OpenAPI 3.1)',
    access: SIGNED_IN,
    answers: z.looseObject({ openapi: z.string(), paths: z.record(z.string(), z.unknown()) }),
  },
} as const satisfies Contracts;
