import type { Database } from '../db/database.ts';
import { BEGINNING, linkHash } from './chain.ts';
import * as audit from './repository.ts';

const BATCH = 1000;

/**
 * Takes the entries that were written since into the chain, a batch at a time, and says how many.
 * Where another server process is sealing, it leaves that to it.
 */
export async function sealAudit(db: Database): Promise<number> {
  let sealed = 0;
  for (;;) {
    const now = await db.transaction(async (trx) => {
      if (!(await audit.takeSealing(trx))) return 0;
      const entries = await audit.unsealedEntries(trx, BATCH);
      const last = await audit.lastLink(trx);
      let position = last?.position ?? 0;
      let hash: Buffer = last?.hash ?? BEGINNING;
      const links = entries.map((entry) => {
        position += 1;
        hash = linkHash(hash, position, entry);
        return { position, hash, entryId: entry.id };
      });
      if (links.length > 0) await audit.insertLinks(trx, links);
      return links.length;
    });
    sealed += now;
    if (now < BATCH) return sealed;
  }
}

export type Verification =
  | { readonly whole: true; readonly links: number; readonly head: string }
  | { readonly whole: false; readonly at: number; readonly why: string };

/**
 * Goes through the whole chain. `expected` is a link noted earlier, outside the database: that it
 * still stands proves that nothing before it was touched, not even by somebody who can write here.
 */
export async function verifyAudit(
  db: Database,
  expected?: { position: number; hash: string },
): Promise<Verification> {
  let position = 0;
  let hash: Buffer = BEGINNING;
  for (;;) {
    const links = await audit.linksAfter(db, position, BATCH);
    for (const link of links) {
      position += 1;
      if (link.position !== position) {
        return { whole: false, at: position, why: 'An entry is missing here.' };
      }
      hash = linkHash(hash, position, link.entry);
      if (!hash.equals(link.hash)) {
        return { whole: false, at: position, why: 'This entry, or one before it, was changed.' };
      }
      if (expected?.position === position && hash.toString('hex') !== expected.hash) {
        return { whole: false, at: position, why: 'It is not the link that was noted earlier.' };
      }
    }
    if (links.length < BATCH) break;
  }
  if (expected && expected.position > position) {
    return { whole: false, at: position, why: 'Entries after it are missing.' };
  }
  return { whole: true, links: position, head: hash.toString('hex') };
}
