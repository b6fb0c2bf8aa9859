import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import type { House } from '../http/route.ts';
import * as letters from './repository.ts';
import { seal, unseal } from './sealing.ts';

/** Stands in the text of a letter where its link goes. */
export const LINK = '{link}';

/**
 * Writes a letter that carries a link, in the transaction that makes the link. Where no mail server
 * takes letters, whoever makes the link passes it on: then the letter says that somebody was to be
 * written to and carries nothing.
 */
export async function writeLetter(
  trx: Database,
  { secretKey, sends }: House,
  letter: {
    readonly recipient: string;
    readonly subject: string;
    /** With `LINK` where it goes. */
    readonly body: string;
    readonly linkId: string;
    readonly link: string;
  },
): Promise<void> {
  const { link, ...kept } = letter;
  const id = newId();
  const sealed = sends ? seal(secretKey, id, link) : null;
  await letters.insertLetter(trx, { id, ...kept, sealed });
}

/** The whole text of a letter that waits; `null` where it was sealed under another key. */
export function textOf(secretKey: string, { id, body, sealed }: letters.KeptLetter): string | null {
  const link = sealed && unseal(secretKey, id, sealed);
  return link && body.replace(LINK, () => link);
}
