import { z } from 'zod';
import { sheet } from './marking.ts';
import { id } from './primitives.ts';

export const estimate = z.object({
  estimate: z.number().nullable(),
  lower: z.number().nullable(),
  upper: z.number().nullable(),
  standardError: z.number().nullable(),
  method: z.string(),
  n: z.int(),
  notes: z.array(z.string()).readonly(),
});

const coefficients = {
  pairs: z.int(),
  missing: z.int(),
  percentAgreement: estimate,
  kappa: estimate,
  prevalenceIndex: z.number().nullable(),
  biasIndex: z.number().nullable(),
  pabak: estimate,
};

export const itemAgreement = z.object({
  item: z.string(),
  text: z.string(),
  kind: z.string(),
  domain: z.string(),
  observability: z.string(),
  dispute: z.enum(['agreed', 'skewed', 'one-sided', 'ambiguous', 'too few']),
  ...coefficients,
});
export type ItemAgreement = z.infer<typeof itemAgreement>;

export const stationAgreement = z.object({
  stationId: id,
  position: z.int(),
  title: z.string(),
  /** Candidates marked by both examiners, and in how many of them the recorded variants differ. */
  candidates: z.int(),
  variantsDiffer: z.int(),
  examiners: z.array(z.string()),
  /** Mean of first minus second examiner's score, in percent points. */
  meanDifference: z.number().nullable(),
  items: z.array(itemAgreement),
  ...coefficients,
});
export type StationAgreement = z.infer<typeof stationAgreement>;

export const agreementOverview = z.object({
  doubleMarked: z.int(),
  planned: z.int(),
  stations: z.array(stationAgreement),
});
export type AgreementOverview = z.infer<typeof agreementOverview>;

/** The table behind a number, with the first pairs of sheets of the cell that was asked for. */
export const agreementTable = z.object({
  station: z.string(),
  item: z.string().nullable(),
  text: z.string(),
  first: z.string(),
  second: z.string(),
  categories: z.array(z.object({ key: z.union([z.string(), z.number()]), label: z.string() })),
  counts: z.array(z.array(z.int())),
  pairs: z.array(
    z.object({
      candidateNumber: z.int(),
      item: z.string(),
      row: z.int(),
      column: z.int(),
      firstSheet: id,
      secondSheet: id,
    }),
  ),
});
export type AgreementTable = z.infer<typeof agreementTable>;

export const comparison = z.object({
  first: sheet,
  second: sheet,
  differing: z.array(z.string()),
});
export type Comparison = z.infer<typeof comparison>;
