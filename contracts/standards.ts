import { z } from 'zod';
import { id, instant, text } from './primitives.ts';

export const examRule = z.object({
  semMultiplier: z.number().min(0).max(3),
  fewestStationsPassed: z.int().min(0).max(60),
  criticalFailureFails: z.boolean(),
});

export const standardSettings = z.object({
  borderline: z.number().min(1).max(5),
  rule: examRule,
  handCuts: z.record(
    id,
    z.number().min(0, 'a cut lies between 0 and 100').max(100, 'a cut lies between 0 and 100'),
  ),
});
export type Settings = z.infer<typeof standardSettings>;

export const stationData = z.object({
  station: id,
  title: z.string(),
  position: z.int(),
  records: z.array(
    z.object({
      candidate: id,
      percent: z.number().nullable(),
      grade: z.number().nullable(),
      criticalFailures: z.int(),
    }),
  ),
});

const stationCut = z.object({
  station: id,
  title: z.string(),
  cut: z.number().nullable(),
  byHand: z.boolean(),
  standardError: z.number().nullable(),
  bootstrapError: z.number().nullable(),
  rSquared: z.number().nullable(),
  n: z.int(),
});

/** A signed decision: never changed, only followed by a new one. */
export const decision = z.object({
  id,
  number: z.int().positive(),
  settings: standardSettings,
  reason: z.string(),
  signedBy: z.string(),
  signedAt: instant,
  total: z.number(),
  sem: z.number().nullable(),
  cuts: z.array(stationCut),
  passed: z.int(),
  failed: z.int(),
  incomplete: z.int(),
  outcomes: z.array(
    z.object({
      candidate: id,
      outcome: z.enum(['pass', 'fail', 'incomplete']),
      total: z.number().nullable(),
      stationsPassed: z.int(),
      reasons: z.array(z.string()),
    }),
  ),
});
export type Decision = z.infer<typeof decision>;

export const standardsPage = z.object({
  data: z.array(stationData),
  candidates: z.array(z.object({ id, number: z.int() })),
  /** Sheets planned but not submitted; a standard set now does not know them. */
  outstanding: z.int(),
  draft: standardSettings,
  decisions: z.array(decision.omit({ outcomes: true })),
});
export type StandardsPage = z.infer<typeof standardsPage>;

export const signOff = z.object({
  settings: standardSettings,
  reason: text(1000, 10),
  /** The decision that this one follows, so that two leads do not overwrite each other. */
  follows: id.nullable(),
});
export type SignOff = z.infer<typeof signOff>;
