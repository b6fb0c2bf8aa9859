import { GENERATORS } from '@kritikos/core/numerics/random';
import { z } from 'zod';
import { id, instant } from './primitives.ts';

const sd = (most: number) =>
  z
    .number('must be a number')
    .min(0, 'must not be below 0: a spread is a standard deviation')
    .max(most, `must not be above ${most}`);

/** What a rehearsal supposes, as standard deviations in percent points; see docs/methods.md. */
export const assumptions = z.object({
  ability: sd(40),
  performance: sd(40),
  severity: sd(30),
  seeing: sd(30),
  /** The share of marks that are slips, in [0, 1]. */
  slips: z
    .number('must be a number')
    .min(0, 'must not be below 0')
    .max(0.5, 'must not be above half'),
  grading: sd(2),
  /** Between the items of a station, in logits; where no earlier marks say. */
  difficulty: sd(3),
  /** The mean score of a station in percent; where no earlier marks say. */
  mean: z
    .number('must be a number')
    .min(0, 'must not be below 0')
    .max(100, 'must not be above 100'),
});

export const rehearsalAsked = z.object({
  assumptions,
  rehearsals: z.int().min(40, 'must be 40 or more').max(2000, 'must be 2000 or fewer'),
  seed: z.int().min(0).max(2_000_000_000),
  /** Sheets marked twice, where no plan says; in place of what the plan says where one does. */
  pairs: z.int().min(0).max(200_000).nullable(),
  /** Stations and items as earlier marks have them; else all alike, by the assumptions alone. */
  asMarked: z.boolean(),
});
export type RehearsalAsked = z.infer<typeof rehearsalAsked>;

const spread = z.object({
  mean: z.number(),
  sd: z.number().nullable(),
  low: z.number(),
  high: z.number(),
  n: z.int(),
});
const coefficient = z.object({ estimate: spread, halfWidth: z.number().nullable() });

export const rehearsalResult = z.object({
  asked: rehearsalAsked,
  from: z.string(),
  stations: z.array(z.object({ id, title: z.string(), carries: spread.nullable() })),
  candidates: z.int(),
  pairs: z.int(),
  sentences: z.array(z.string()),
  /** What the seed became chance by; results that do not name it are of the first. */
  generator: z.literal(GENERATORS).default(1),
  rehearsals: z.int(),
  kappa: coefficient.nullable(),
  icc: coefficient.nullable(),
  cut: spread.nullable(),
  cutError: z.number().nullable(),
  passed: spread,
  dependability: spread.nullable(),
  oneMoreStation: spread.nullable(),
  byExaminer: z.number().nullable(),
  byCircuit: z.number().nullable(),
  /** The same with one more second examiner for the whole day; `null` where no plan tells who is free. */
  oneMoreExaminer: z
    .object({
      pairs: z.int(),
      kappa: coefficient.nullable(),
      icc: coefficient.nullable(),
    })
    .nullable(),
});
export type RehearsalResult = z.infer<typeof rehearsalResult>;

export const rehearsal = z.object({
  suggested: z.object({
    assumptions,
    /** The examination that they were learnt from; `null` where they are the usual ones. */
    from: z.string().nullable(),
    notes: z.array(z.string()),
  }),
  /** What earlier marks say of each station. */
  stations: z.array(
    z.object({
      title: z.string(),
      /** The mean score in percent; `null` where it was not marked yet. */
      mean: z.number().nullable(),
      /** How far ability told there: 1 as at the usual station, 0 not at all. */
      carries: z.number().nullable(),
      /** Items that earlier marks know, of how many. */
      known: z.int(),
      items: z.int(),
    }),
  ),
  /** What would be rehearsed, in a sentence; what keeps it from being rehearsed, if anything does. */
  planned: z.string(),
  missing: z.string().nullable(),
  newest: z.object({ at: instant, result: rehearsalResult }).nullable(),
});
export type RehearsalPage = z.infer<typeof rehearsal>;
