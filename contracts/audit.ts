import { z } from 'zod';
import { id, instant, text } from './primitives.ts';

/** One thing that somebody did, or tried to. */
export const auditEntry = z.object({
  id,
  at: instant,
  /** The name of who did it; null where nobody was signed in. */
  account: z.string().nullable(),
  action: z.string(),
  subject: z.string().nullable(),
  detail: z.record(z.string(), z.unknown()),
  /** The place in the chain of hashes; null for a moment, until the entry is sealed. */
  position: z.int().nullable(),
});
export type AuditEntry = z.infer<typeof auditEntry>;

export const trailPage = z.object({
  /** The entry that the page follows; without it the newest. */
  before: id.optional(),
  action: text(60).optional(),
  limit: z.coerce.number().int().min(1).max(200).default(100),
});

export const trail = z.object({
  entries: z.array(auditEntry),
  more: z.boolean(),
  /** Every action that occurs, to choose from. */
  actions: z.array(z.string()),
});
export type Trail = z.infer<typeof trail>;
