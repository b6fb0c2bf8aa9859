import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';

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
