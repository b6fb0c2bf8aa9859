import { z } from 'zod';
import { id, instant } from './primitives.ts';

export const PAPER_SIZES = ['A4', 'Letter'] as const;
export type PaperSize = (typeof PAPER_SIZES)[number];

export const packAsked = z.object({ paper: z.enum(PAPER_SIZES) });

/** An archive of all papers, as they were made. */
export const pack = z.object({
  id,
  paper: z.enum(PAPER_SIZES),
  madeBy: z.string(),
  madeAt: instant,
  /** The plan that it was made from, if one was published. */
  plan: z.int().nullable(),
  bytes: z.int(),
  pages: z.int(),
  files: z.int(),
  /** Another plan holds now, or stations, candidates or sheets have changed since. */
  stale: z.boolean(),
});
export type Pack = z.infer<typeof pack>;

export const packs = z.object({
  /** The newest first. */
  packs: z.array(pack),
  /** What a pack would lack now, and why, in sentences. */
  lacking: z.array(z.string()),
});
export type Packs = z.infer<typeof packs>;
