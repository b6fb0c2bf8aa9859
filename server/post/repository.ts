import type { Letter } from '@kritikos/contracts/accounts';
import type { Database } from '../db/database.ts';

export type NewLetter = Pick<Letter, 'id' | 'recipient' | 'subject' | 'body'>;

export async function insertLetter(db: Database, letter: NewLetter): Promise<void> {
  await db('letter').insert(letter);
}

/** Takes letters that wait, for this transaction; another process takes others. */
export async function takeWaiting(trx: Database, most: number): Promise<NewLetter[]> {
  const { rows } = await trx.raw(
    `select id, recipient, subject, body from letter
     where sent_at is null and written_at > now() - interval '7 days'
     order by written_at limit ? for update skip locked`,
    [most],
  );
  return rows;
}

export async function noteSent(db: Database, id: string): Promise<void> {
  await db('letter').where({ id }).update({ sent_at: db.fn.now(), problem: null });
}

export async function noteProblem(db: Database, id: string, problem: string): Promise<void> {
  await db('letter').where({ id }).update({ problem });
}

export async function listLetters(db: Database): Promise<Letter[]> {
  const rows = await db('letter')
    .orderBy('written_at', 'desc')
    .limit(200)
    .select('id', 'recipient', 'subject', 'body', 'problem')
    .select({ writtenAt: 'written_at', sentAt: 'sent_at' });
  return rows.map((row) => ({
    ...row,
    writtenAt: row.writtenAt.toISOString(),
    sentAt: row.sentAt?.toISOString() ?? null,
  }));
}
