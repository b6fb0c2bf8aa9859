import { COEFFICIENTS } from '@kritikos/core/agreement/everyCoefficient';
import { z } from 'zod';
import { job } from './jobs.ts';
import { sheet } from './marking.ts';
import { id } from './primitives.ts';

/** A figure with its 95 % interval, and in words why one of them is not there. */
export const figure = z.object({
  estimate: z.number().nullable(),
  lower: z.number().nullable(),
  upper: z.number().nullable(),
  notes: z.array(z.string()).readonly(),
});
export type Figure = z.infer<typeof figure>;

export const estimate = figure.extend({
  standardError: z.number().nullable(),
  method: z.string(),
  n: z.int(),
});

const agreed = {
  /** Candidates whom two examiners or more marked here. */
  candidates: z.int(),
  /** Marks that can be compared, each candidate once an item. */
  marks: z.int(),
  examiners: z.int(),
  /** Cohen’s kappa is `null` unless there are two examiners. */
  coefficients: z.record(z.enum(COEFFICIENTS), figure.nullable()),
  prevalenceIndex: z.number().nullable(),
};
export const agreedOn = z.object(agreed);
export type Agreed = z.infer<typeof agreedOn>;

const limit = z.object({ estimate: z.number(), lower: z.number(), upper: z.number() });

const limitOfAgreement = limit.extend({
  blandAltman: z.object({ lower: z.number(), upper: z.number() }),
});

/** First minus second, in the unit of the item. */
const limits = z.object({
  bias: limit,
  lowerLimit: limitOfAgreement,
  upperLimit: limitOfAgreement,
  sd: z.number(),
  proportionalBias: z.object({ slope: limit, p: z.number() }).nullable(),
  n: z.int(),
  notes: z.array(z.string()).readonly(),
});

export const itemAgreement = z.object({
  item: z.string(),
  text: z.string(),
  kind: z.string(),
  domain: z.string(),
  observability: z.string(),
  /** What was declared, apart from technique. */
  declared: z.boolean(),
  /** Near misses count in part: the grades of the declared scale, with linear weights. */
  weighted: z.boolean(),
  dispute: z.object({
    kind: z.enum(['agreed', 'skewed', 'one-sided', 'ambiguous', 'too few']),
    examiner: z.string().nullable(),
    direction: z.enum(['harsher', 'milder']).nullable(),
  }),
  /** Share of all disagreement of the station. */
  share: z.number(),
  measured: z
    .object({
      unit: z.string(),
      within: figure,
      pairs: z.array(
        z.object({
          first: z.string(),
          second: z.string(),
          n: z.int(),
          limits: limits.nullable(),
        }),
      ),
    })
    .nullable(),
  ...agreed,
});
export type ItemAgreement = z.infer<typeof itemAgreement>;

const group = z.object({
  name: z.string(),
  candidates: z.int(),
  marks: z.int(),
  /** `null` where there are too few candidates to say. */
  agreement: agreedOn.nullable(),
});
export type GroupAgreement = z.infer<typeof group>;

export const stationAgreement = z.object({
  stationId: id,
  position: z.int(),
  title: z.string(),
  /** Candidates marked by several, and in how many of them the recorded variants differ. */
  candidates: z.int(),
  variantsDiffer: z.int(),
  examiners: z.array(z.string()),
  technique: agreedOn,
  declared: agreedOn.nullable(),
  /** ICC(2,1) of the scores, in percent points. */
  scores: figure.extend({
    candidates: z.int(),
    sem: z.number().nullable(),
    smallestRealChange: z.number().nullable(),
  }),
  pairs: z.array(
    z.object({
      first: z.string(),
      second: z.string(),
      candidates: z.int(),
      /** Mean of first minus second examiner’s score, in percent points. */
      meanDifference: z.number().nullable(),
      agreement: agreedOn,
    }),
  ),
  byDomain: z.array(group),
  byObservability: z.array(group),
  /** By the variants that all saw. */
  byVariant: z.array(group),
  items: z.array(itemAgreement),
});
export type StationAgreement = z.infer<typeof stationAgreement>;

/** How severe each examiner is over all stations, and whose outcome hangs on it. */
export const severities = z.object({
  examiners: z.array(
    z.object({
      examiner: z.string(),
      /** Percent points below the average examiner; mild is negative. */
      severity: z.number(),
      lower: z.number().nullable(),
      upper: z.number().nullable(),
      marks: z.int(),
    }),
  ),
  /** Standard deviation between examiners, in percent points. */
  spread: z.number().nullable(),
  sheets: z.int(),
  model: z.string(),
  notes: z.array(z.string()),
  /** By the newest decision; `null` while nothing is signed. */
  touched: z
    .array(
      z.object({
        candidateNumber: z.int(),
        before: z.enum(['pass', 'fail', 'incomplete']),
        after: z.enum(['pass', 'fail', 'incomplete']),
        mean: z.number(),
        adjusted: z.number(),
      }),
    )
    .nullable(),
});
export type Severities = z.infer<typeof severities>;

export const agreementOverview = z.object({
  /** The result in words, over what is known so far. */
  sentence: z.string(),
  doubleMarked: z.int(),
  planned: z.int(),
  stations: z.array(stationAgreement),
  /** Stations that are still being worked out. */
  awaited: z.array(z.object({ position: z.int(), title: z.string() })),
  severity: severities.nullable(),
  /** The work that is under way; `null` where everything is known. */
  job: job.nullable(),
});
export type AgreementOverview = z.infer<typeof agreementOverview>;

const pairOfExaminers = z.object({ first: z.string(), second: z.string(), candidates: z.int() });

/** Which marks a table is of: an item, or all of a domain, a way of knowing, a variant, or declared. */
export const TABLE_FACETS = ['domain', 'observability', 'variant', 'declared'] as const;

/** The table behind a number, for two examiners by name, with the first sheets of a cell. */
export const agreementTable = z.object({
  station: z.string(),
  text: z.string(),
  /** Every two who marked a candidate in common, and which of them the table is of. */
  pairs: z.array(pairOfExaminers),
  pair: z.int(),
  categories: z.array(z.object({ key: z.union([z.string(), z.number()]), label: z.string() })),
  counts: z.array(z.array(z.int())),
  cells: z.array(
    z.object({
      candidateNumber: z.int(),
      item: z.string(),
      /** What the item asks. */
      asks: z.string(),
      row: z.int(),
      column: z.int(),
      firstSheet: id,
      secondSheet: id,
    }),
  ),
});
export type AgreementTable = z.infer<typeof agreementTable>;

/** Two examiners’ readings of one number, candidate by candidate. */
export const agreementLimits = z.object({
  station: z.string(),
  text: z.string(),
  unit: z.string(),
  pairs: z.array(pairOfExaminers),
  pair: z.int(),
  limits: limits.nullable(),
  points: z.array(
    z.object({
      candidateNumber: z.int(),
      first: z.number(),
      second: z.number(),
      firstSheet: id,
      secondSheet: id,
    }),
  ),
});
export type AgreementLimits = z.infer<typeof agreementLimits>;

export const comparison = z.object({
  first: sheet,
  second: sheet,
  differing: z.array(z.string()),
});
export type Comparison = z.infer<typeof comparison>;
