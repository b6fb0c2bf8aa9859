import type { Account } from '@kritikos/contracts/accounts';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { conflict, HttpProblem, notFound } from '../http/problems.ts';
import * as letters from './repository.ts';
import { seal, unseal } from './sealing.ts';

/** Stands in the text of a letter where its link goes. */
export const LINK = '{link}';

/** Writes a letter that carries a link, in the transaction that makes the link. */
export async function writeLetter(
  trx: Database,
  secretKey: string,
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
  await letters.insertLetter(trx, { id, ...kept, sealed: seal(secretKey, id, link) });
}

/** The whole text of a letter that waits; `null` where it was sealed under another key. */
export function textOf(secretKey: string, { id, body, sealed }: letters.KeptLetter): string | null {
  const link = sealed && unseal(secretKey, id, sealed);
  return link && body.replace(LINK, () => link);
}

/**
 * Opens a letter where no mail server is set, as the simulated post office does: somebody has to pass
 * its link on. Whoever reads another's letter is written down.
 */
export async function readLetter(
  db: Database,
  post: { readonly sends: boolean },
  secretKey: string,
  id: string,
  by: Account,
): Promise<{ body: string }> {
  if (post.sends) {
    throw conflict(
      'Letters leave by mail here',
      'Nobody but who they are for reads them. Send the link again where one did not arrive.',
    );
  }
  return db.transaction(async (trx) => {
    const known = (await letters.listLetters(trx)).find((letter) => letter.id === id);
    const found = await letters.findWaiting(trx, id);
    if (!known) throw notFound('letter');
    const body = found ? textOf(secretKey, found) : null;
    if (body === null) {
      throw new HttpProblem(
        410,
        'gone',
        found ? 'It was sealed under another key' : 'Its link holds no more',
        'What it said is not kept. Send the link again.',
      );
    }
    const { recipient, subject } = known;
    await recordAction(trx, {
      accountId: by.id,
      action: 'letter read',
      subject: id,
      detail: { recipient, subject },
    });
    return { body };
  });
}
