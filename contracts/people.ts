import { z } from 'zod';
import { id, text } from './primitives.ts';

export const newCohort = z.object({ name: text(60), year: z.int().min(1900).max(2199) });
export type NewCohort = z.infer<typeof newCohort>;

/** An intake of students; somebody is a candidate of an examination as one of its students. */
export const cohort = newCohort.extend({
  id,
  students: z.int(),
  retired: z.int(),
  examinations: z.int(),
});
export type Cohort = z.infer<typeof cohort>;

export const newStudent = z.object({
  number: text(20),
  name: text(120),
  /** Per cent of the time that a station gives beyond the usual. */
  extraTime: z.int().min(0).max(200).default(0),
  seatedBreaks: z.boolean().default(false),
});
export type NewStudent = z.infer<typeof newStudent>;

export const student = newStudent.extend({
  id,
  cohortId: id,
  retired: z.boolean(),
  /** In how many examinations this student is a candidate. */
  examinations: z.int(),
});
export type Student = z.infer<typeof student>;

export const studentPage = z.object({ total: z.int(), students: z.array(student) });
export type StudentPage = z.infer<typeof studentPage>;

export const studentSearch = z.object({
  offset: z.coerce.number().int().nonnegative().max(10_000_000).default(0),
  limit: z.coerce.number().int().min(1).max(200).default(100),
  /** A part of the number or the name. */
  search: text(60).optional(),
});

export const retirement = z.object({ retired: z.boolean() });

export const CANDIDATE_STATES = ['expected', 'absent', 'withdrawn'] as const;
export const candidateState = z.enum(CANDIDATE_STATES);

/** Absent and withdrawn have a reason; expected again needs none. */
export const candidateStateChange = z.discriminatedUnion('state', [
  z.object({ state: z.literal('expected') }),
  z.object({ state: z.literal('absent'), reason: text(300, 3) }),
  z.object({ state: z.literal('withdrawn'), reason: text(300, 3) }),
]);
export type CandidateStateChange = z.infer<typeof candidateStateChange>;

/** The students of the examination's cohort become candidates, spread over these circuits. */
export const cohortCandidates = z.object({ circuits: z.array(text(40)).max(12) });
export type CohortCandidates = z.infer<typeof cohortCandidates>;
