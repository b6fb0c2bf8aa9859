import type { Letter } from '@kritikos/contracts/accounts';
import type { Database } from '../db/database.ts';

/** A letter as it is kept: `{link}` stands where its link goes, which is sealed apart. */
export interface KeptLetter {
  readonly id: string;
  readonly recipient: string;
  readonly subject: string;
  readonly body: string;
  readonly linkId: string;
  /** `null` once it has left, or its link holds no more. */
  readonly sealed: Buffer | null;
}

export async function insertLetter(db: Database, { linkId, ...letter }: KeptLetter): Promise<void> {
  await forgetExpired(db);
  await db('letter').insert({ ...letter, link_id: linkId });
}

/** What can be used no more need not be kept. */
async function forgetExpired(db: Database): Promise<void> {
  await db.raw(
    `update letter l set sealed = null from link k
     where k.id = l.link_id and l.sealed is not null and k.expires_at < now()`,
  );
}

const KEPT = `l.id, l.recipient, l.subject, l.body, l.link_id as "linkId", l.sealed`;

/** Takes letters that wait, for this transaction; another process takes others. */
export async function takeWaiting(trx: Database, most: number): Promise<KeptLetter[]> {
  const { rows } = await trx.raw(
    `select ${KEPT} from letter l join link k on k.id = l.link_id
     where l.sealed is not null and k.expires_at > now()
     order by l.written_at limit ? for update of l skip locked`,
    [most],
  );
  return rows;
}

export async function noteSent(db: Database, id: string): Promise<void> {
  await db('letter').where({ id }).update({ sent_at: db.fn.now(), problem: null, sealed: null });
}

export async function noteProblem(db: Database, id: string, problem: string): Promise<void> {
  await db('letter').where({ id }).update({ problem });
}

/** To whom was written, what for, and what became of it; not what it says. */
export async function listLetters(db: Database): Promise<Letter[]> {
  const { rows } = await db.raw(
    `select l.id, l.recipient, l.subject, l.problem, l.written_at as "writtenAt",
       l.sent_at as "sentAt", l.sealed is not null and k.expires_at > now() as waits,
       k.purpose, case
         when k.used_at is not null then 'used'
         when k.revoked_at is not null then 'revoked'
         when k.expires_at < now() then 'expired'
         when k.id is not null then 'holds' end as link
     from letter l left join link k on k.id = l.link_id
     order by l.written_at desc, l.id desc limit 200`,
  );
  return rows.map((row: Letter & { writtenAt: Date; sentAt: Date | null }) => ({
    ...row,
    writtenAt: row.writtenAt.toISOString(),
    sentAt: row.sentAt?.toISOString() ?? null,
  }));
}
