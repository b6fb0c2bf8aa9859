import type { Trail } from '@kritikos/contracts/audit';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import type { ChainedEntry } from './chain.ts';

/** Writes down who did what to which thing. Call it in the transaction that does it. */
export async function recordAction(
  db: Database,
  entry: { accountId: string | null; action: string; subject?: string; detail?: object },
): Promise<void> {
  await db('audit_entry').insert({
    id: newId(),
    account_id: entry.accountId,
    action: entry.action,
    subject: entry.subject ?? null,
    detail: JSON.stringify(entry.detail ?? {}),
  });
}

/** Writes down that somebody asked for what is not open to them. */
export async function recordRefusal(
  db: Database,
  accountId: string,
  { method, path }: { readonly method: string; readonly path: string },
): Promise<void> {
  const detail = { method, path: path.slice(0, 300) };
  await recordAction(db, { accountId, action: 'refused', detail });
}

const ENTRY = `e.id, to_char(e.at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"') as at,
  e.account_id as "accountId", e.action, e.subject, e.detail::text as detail`;

/** Takes the right to seal for this transaction; false where another process has it. */
export async function takeSealing(trx: Database): Promise<boolean> {
  const { rows } = await trx.raw(`select pg_try_advisory_xact_lock(hashtext('audit')) as mine`);
  return rows[0].mine;
}

/** Entries that are not in the chain yet, in the order in which they go into it. */
export async function unsealedEntries(trx: Database, most: number): Promise<ChainedEntry[]> {
  const { rows } = await trx.raw(
    `select ${ENTRY} from audit_entry e left join audit_link l on l.entry_id = e.id
     where l.position is null order by e.at, e.id limit ?`,
    [most],
  );
  return rows;
}

export interface Link {
  readonly position: number;
  readonly hash: Buffer;
}

export async function lastLink(db: Database): Promise<Link | undefined> {
  return db('audit_link').orderBy('position', 'desc').first('position', 'hash');
}

export async function insertLinks(
  trx: Database,
  links: readonly (Link & { entryId: string })[],
): Promise<void> {
  await trx('audit_link').insert(
    links.map(({ position, hash, entryId }) => ({ position, hash, entry_id: entryId })),
  );
}

/** A stretch of the chain with its entries. */
export async function linksAfter(
  db: Database,
  position: number,
  most: number,
): Promise<(Link & { entry: ChainedEntry })[]> {
  const { rows } = await db.raw(
    `select l.position, l.hash, ${ENTRY} from audit_link l join audit_entry e on e.id = l.entry_id
     where l.position > ? order by l.position limit ?`,
    [position, most],
  );
  return rows.map(({ position: place, hash, ...entry }: Link & ChainedEntry) => ({
    position: place,
    hash,
    entry,
  }));
}

/** A page of the trail, the newest entries first. */
export async function readTrail(
  db: Database,
  {
    before,
    action,
    limit,
  }: { before?: string | undefined; action?: string | undefined; limit: number },
): Promise<Trail> {
  const { rows } = await db.raw(
    `select e.id, e.at, a.name as account, e.action, e.subject, e.detail, l.position
     from audit_entry e
       left join account a on a.id = e.account_id
       left join audit_link l on l.entry_id = e.id
     where (:before::uuid is null or (e.at, e.id) < (select b.at, b.id from audit_entry b where b.id = :before))
       and (:action::text is null or e.action = :action)
     order by e.at desc, e.id desc limit :limit + 1`,
    { before: before ?? null, action: action ?? null, limit },
  );
  const entries = rows.slice(0, limit);
  return {
    entries: entries.map((row: { at: Date }) => ({ ...row, at: row.at.toISOString() })),
    more: rows.length > limit,
    actions: await db('audit_entry').distinct('action').orderBy('action').pluck('action'),
  };
}
