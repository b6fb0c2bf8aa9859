import { z } from 'zod';
import { id, instant } from './primitives.ts';

export const JOB_KINDS = [
  'student-import',
  'bootstrap',
  'recomputation',
  'agreement',
  'behaviour',
  'timetable',
  'papers',
  'rehearsal',
] as const;
export type JobKind = (typeof JOB_KINDS)[number];

export const JOB_STATES = ['waiting', 'running', 'done', 'failed', 'cancelled'] as const;

/** Long work: how far it is, and what came of it. What the result holds, its kind says. */
export const job = z.object({
  id,
  kind: z.enum(JOB_KINDS),
  state: z.enum(JOB_STATES),
  /** From 0 to 1. */
  progress: z.number(),
  result: z.unknown(),
  /** Why it failed, in a sentence. */
  problem: z.string().nullable(),
  madeAt: instant,
  endedAt: instant.nullable(),
});
export type Job = z.infer<typeof job>;
