import { DOMAINS } from '@kritikos/core/scoring/checklist';
import { z } from 'zod';
import { id, instant, page } from './primitives.ts';
import { safetyOccurrence } from './safety.ts';
import { release } from './standards.ts';

const percent = z.number().nullable();

export const candidateResult = z.object({
  candidateId: id,
  number: z.int(),
  /** The student's number in the cohort, by which a school knows them. */
  studentNumber: z.string(),
  name: z.string(),
  stations: z.array(
    z.object({
      stationId: id,
      percent,
      /** Under the newest decision's cuts and rule; none while nothing is signed. */
      outcome: z.enum(['passed', 'not passed', 'undecided']).nullable(),
      /** Critical items missed under that rule, by what they ask. */
      criticalMissed: z.array(z.string()),
      criticalUnseen: z.array(z.string()),
    }),
  ),
  domains: z.record(z.enum(DOMAINS), percent),
  safety: percent,
  /** Safety events that stand, by what became of them. */
  safetyEvents: z.object({ all: z.int(), laid: z.int(), open: z.int() }),
  mean: percent,
  outcome: z.enum(['pass', 'fail', 'incomplete']).nullable(),
  reasons: z.array(z.string()),
});
export type CandidateResult = z.infer<typeof candidateResult>;

/** A page is everybody of a large examination: an order by a column is one of all of them. */
export const resultPage = page.extend({
  limit: z.coerce.number().int().min(1).max(1000).default(100),
});

export const results = z.object({
  decision: z
    .object({
      id,
      number: z.int(),
      signedBy: z.string(),
      signedAt: instant,
      meanCut: z.number(),
      /** Nothing is shown to a candidate before. */
      release: release.nullable(),
    })
    .nullable(),
  /** Sheets submitted after the decision was signed, which it does not know. */
  submittedSince: z.int(),
  stations: z.array(
    z.object({ stationId: id, position: z.int(), title: z.string(), cut: z.number().nullable() }),
  ),
  total: z.int(),
  candidates: z.array(candidateResult),
});
export type Results = z.infer<typeof results>;

export const candidateReport = z.object({
  examination: z.object({ title: z.string(), school: z.string(), heldOn: z.string() }),
  decision: results.shape.decision,
  result: candidateResult,
  stations: z.array(
    z.object({
      stationId: id,
      title: z.string(),
      procedure: z.string(),
      cut: z.number().nullable(),
      percent,
      sheets: z.array(
        z.object({
          sheetId: id,
          examiner: z.string(),
          percent,
          grade: z.string().nullable(),
          comment: z.string(),
          missed: z.array(
            z.object({ text: z.string(), earned: z.number(), critical: z.boolean() }),
          ),
          notObserved: z.int(),
          unmarked: z.int(),
        }),
      ),
      safety: z.array(safetyOccurrence),
    }),
  ),
});
export type CandidateReport = z.infer<typeof candidateReport>;
