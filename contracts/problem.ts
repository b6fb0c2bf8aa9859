import { z } from 'zod';

/** The stable names of everything that can go wrong, as the last part of the problem's `type`. */
export const PROBLEM_TYPES = [
  'not-signed-in',
  'not-allowed',
  'bad-credentials',
  'too-many-attempts',
  'forged-request',
  'not-found',
  'gone',
  'invalid',
  'unreadable',
  'too-large',
  'unsupported-type',
  'conflict',
  'other-account',
  'marking-closed',
  'frozen',
  'unavailable',
  'fault',
] as const;
export type ProblemType = (typeof PROBLEM_TYPES)[number];

/** RFC 9457 problem details: what happened, where, and what to do now. */
export const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string().optional(),
  /** Fields at fault, as JSON pointers into the request. */
  errors: z.array(z.object({ pointer: z.string(), detail: z.string() })).optional(),
});
export type Problem = z.infer<typeof problem>;
