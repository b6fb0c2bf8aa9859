import type { Database } from '../db/database.ts';

export type Purpose = 'invitation' | 'new-password' | 'panel-seat' | 'feedback';

export interface Link {
  readonly id: string;
  readonly purpose: Purpose;
  readonly subject: string;
  readonly expiresAt: string;
  readonly used: boolean;
  readonly revoked: boolean;
  readonly expired: boolean;
}

export async function insertLink(
  db: Database,
  link: {
    id: string;
    purpose: Purpose;
    tokenHash: Buffer;
    subject: string;
    madeBy: string | null;
    days: number;
  },
): Promise<void> {
  await db.raw(
    `insert into link (id, purpose, token_hash, subject, made_by, expires_at)
     values (:id, :purpose, :tokenHash, :subject, :madeBy, now() + :days * interval '1 day')`,
    link,
  );
}

/** Links that were not used yet hold no longer. */
export async function revokeLinks(db: Database, purpose: Purpose, subject: string): Promise<void> {
  await db('link')
    .where({ purpose, subject, used_at: null, revoked_at: null })
    .update({ revoked_at: db.fn.now() });
}

export async function findLink(db: Database, tokenHash: Buffer): Promise<Link | undefined> {
  const { rows } = await db.raw(
    `select id, purpose, subject, expires_at as "expiresAt", used_at is not null as used,
       revoked_at is not null as revoked, expires_at < now() as expired
     from link where token_hash = ?`,
    [tokenHash],
  );
  const [row] = rows;
  return row && { ...row, expiresAt: row.expiresAt.toISOString() };
}

/** Uses a link up; false where somebody else just did. */
export async function useLink(db: Database, id: string): Promise<boolean> {
  const used = await db('link').where({ id, used_at: null }).update({ used_at: db.fn.now() });
  return used === 1;
}
