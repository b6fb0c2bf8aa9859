import { createHash } from 'node:crypto';

/** An entry as the chain sees it: every column as text, so that it reads the same for ever. */
export interface ChainedEntry {
  readonly id: string;
  /** UTC with microseconds. */
  readonly at: string;
  readonly accountId: string | null;
  readonly action: string;
  readonly subject: string | null;
  /** The detail as PostgreSQL prints it. */
  readonly detail: string;
}

/** What the first link follows. */
export const BEGINNING = Buffer.alloc(32);

/**
 * The hash of the link at `position` (counted from 1): SHA-256 over the link before it, the
 * position and the entry. Whoever changes, removes or inserts an entry must change every later
 * link too, and with them the last one, which the school notes elsewhere.
 */
export function linkHash(before: Buffer, position: number, entry: ChainedEntry): Buffer {
  const { id, at, accountId, action, subject, detail } = entry;
  return createHash('sha256')
    .update(before)
    .update(JSON.stringify([position, id, at, accountId, action, subject, detail]))
    .digest();
}
