import { createHash, randomBytes } from 'node:crypto';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { HttpProblem } from '../http/problems.ts';
import * as repository from './linkRepository.ts';
import type { Purpose } from './linkRepository.ts';

const DAYS = { invitation: 7, 'new-password': 1, 'panel-seat': 30, feedback: 90 } as const;

/** What the database keeps of the secret part of a link. */
function hashOf(token: string): Buffer {
  return createHash('sha256').update(token).digest();
}

/**
 * Makes a link for one purpose and one person; older ones for the same hold no longer. The secret
 * part is answered once; of it a hash is kept, and until it has left, a letter holds it sealed.
 */
export async function makeLink(
  trx: Database,
  purpose: Purpose,
  subject: string,
  madeBy: string | null,
): Promise<{ readonly id: string; readonly token: string }> {
  const token = randomBytes(32).toString('base64url');
  const id = newId();
  await repository.revokeLinks(trx, purpose, subject);
  await repository.insertLink(trx, {
    id,
    purpose,
    tokenHash: hashOf(token),
    subject,
    madeBy,
    days: DAYS[purpose],
  });
  return { id, token };
}

/** The link that this is the secret of, as long as it holds; else a problem that says what to do. */
export async function requireLink(
  db: Database,
  purposes: readonly Purpose[],
  token: string,
  /** Who can make another one. */
  maker = 'an administrator',
): Promise<repository.Link> {
  const found = await repository.findLink(db, hashOf(token));
  if (!found || !purposes.includes(found.purpose)) {
    throw gone('This link is none of ours', 'Open it again from the message, whole.');
  }
  if (found.used) throw gone('This link was used already', 'Sign in, or ask for another link.');
  if (found.revoked) throw gone('There is a newer link', 'Open the one in the newest message.');
  if (found.expired) throw gone('This link has expired', `Ask ${maker} for another one.`);
  return found;
}

function gone(title: string, detail: string): HttpProblem {
  return new HttpProblem(410, 'gone', title, detail);
}
