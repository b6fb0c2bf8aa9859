import { z } from 'zod';

const design = z.object({
  /** How many stations, and where it is known what a second one buys, how many examiners each. */
  stations: z.int(),
  examiners: z.int().nullable(),
  generalizability: z.number().nullable(),
  dependability: z.number().nullable(),
  /** Standard error of measurement of a candidate’s mean, in percent points. */
  sem: z.number(),
});
export type Design = z.infer<typeof design>;

/** How far an examination can be trusted. */
export const trust = z.object({
  sentence: z.string(),
  candidates: z.int(),
  stations: z.int(),
  sheets: z.int(),
  alpha: z.object({
    estimate: z.number().nullable(),
    lower: z.number().nullable(),
    upper: z.number().nullable(),
  }),
  /** Where differences between sheets come from; the shares sum to 1. */
  shares: z.array(
    z.object({
      source: z.enum(['candidate', 'station', 'candidate:station', 'examiner', 'rest']),
      variance: z.number(),
      share: z.number(),
    }),
  ),
  held: design.nullable(),
  /** How sure the side of the required mean is, by the newest decision. */
  atCut: z.number().nullable(),
  designs: z.array(design),
  notes: z.array(z.string()),
});
export type Trust = z.infer<typeof trust>;
