import type { Account } from '@kritikos/contracts/accounts';
import type { Request } from 'express';
import session from 'express-session';
import type { SessionData } from 'express-session';
import { createHash } from 'node:crypto';
import type { Database } from '../db/database.ts';

declare module 'express-session' {
  interface SessionData {
    accountId: string;
  }
}
declare module 'express-serve-static-core' {
  interface Request {
    /** Who calls, read in the same statement as the session. */
    caller?: Account | null;
  }
}

type Done<T = void> = (error?: unknown, result?: T) => void;
type Stored = SessionData & { caller?: Account | null };

/**
 * Sessions in PostgreSQL, so that any server process can answer the next request. The id in the
 * cookie opens a session; the database keeps only its hash. A session and its account are read in
 * one statement, because every request needs both.
 */
export class SessionStore extends session.Store {
  constructor(
    private readonly db: Database,
    private readonly lifetime: number,
  ) {
    super();
  }

  override get(sid: string, done: Done<SessionData | null>): void {
    this.db
      .raw(
        `select s.data, a.id, a.email, a.name, a.roles
         from session s left join account a on a.id = s.account_id and a.disabled_at is null
         where s.id_hash = ? and s.expires_at > now()`,
        [hashOf(sid)],
      )
      .options({ name: 'session' }) // prepared once a connection
      .then(({ rows: [row] }) => {
        if (!row) return done(null, null);
        const { data, ...account } = row;
        done(null, { ...data, caller: account.id === null ? null : account });
      })
      .catch(done);
  }

  override createSession(request: Request, stored: Stored) {
    request.caller = stored.caller ?? null;
    // Off the object itself: it is compared with the session at the end, and saved where it differs.
    delete stored.caller;
    return super.createSession(request, stored);
  }

  override set(sid: string, data: SessionData, done: Done = () => {}): void {
    this.db
      .raw(
        `insert into session (id_hash, account_id, data, expires_at)
         values (?, ?, ?, now() + ? * interval '1 millisecond')
         on conflict (id_hash) do update
           set account_id = excluded.account_id, data = excluded.data, expires_at = excluded.expires_at`,
        [hashOf(sid), data.accountId ?? null, JSON.stringify(data), this.lifetime],
      )
      .then(() => done(), done);
  }

  override destroy(sid: string, done: Done = () => {}): void {
    this.db('session')
      .where({ id_hash: hashOf(sid) })
      .delete()
      .then(() => done(), done);
  }
}

/** Ends the sessions of an account, and those that have run out. */
export async function endSessions(db: Database, accountId: string): Promise<void> {
  await db('session')
    .where({ account_id: accountId })
    .orWhere('expires_at', '<', db.fn.now())
    .delete();
}

/** What the database keeps of a session id. */
export function hashOf(sid: string): Buffer {
  return createHash('sha256').update(sid).digest();
}
