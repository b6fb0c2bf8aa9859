import type { Knex } from 'knex';
import pg from 'pg';

/**
 * What is only ever added to: streams, decisions, the audit, and whatever names the past. The role
 * that the application works under may write new rows there and can do no more.
 */
export const ONLY_ADDED = [
  'item',
  'checklist_item',
  'bank_station_version',
  'shelf_version',
  'draft_change',
  'decision',
  'decision_sheet',
  'release',
  'audit_entry',
  'audit_link',
  'timetable_change',
  'timetable_copy',
  'panel_judgement',
  'panel_round_event',
  'safety_follow_up',
] as const;

/**
 * What only functions of the database write, which look first whether it may be (migrations 25 and
 * 31): taps, what they make of a sheet, what an item of it earned, and that a sheet was reopened.
 */
export const ONLY_BY_FUNCTION = [
  'mark_event',
  'sheet_mark',
  'sheet_fault',
  'sheet_item',
  'sheet_reopening',
] as const;

/** Of these the role writes some columns and no others; `[]` is none at all. */
export const ONLY_COLUMNS: Readonly<
  Record<string, { readonly insert: readonly string[]; readonly update: readonly string[] }>
> = {
  // Planned by the application; marked, scored and submitted by functions.
  sheet: {
    insert: ['id', 'station_id', 'candidate_id', 'examiner_id', 'checklist_version_id', 'variants'],
    update: [],
  },
  // Made, given roles and disabled by functions.
  account: { insert: [], update: ['password_hash'] },
};

/** Settings are made once, and stay. */
export const ONLY_MADE = ['setting'] as const;

/** Schemas that the application works in; the second is the job queue’s. */
const SCHEMAS = ['public', 'boss'] as const;

/**
 * Gives the application’s role what it needs and no more: every table to read and write, but those
 * that are only added to. Makes the role where it is missing and the owner may make roles.
 */
export async function limitRole(owner: Knex, url: string): Promise<void> {
  const { username, password } = new URL(url);
  const role = pg.escapeIdentifier(decodeURIComponent(username));
  const { rows } = await owner.raw('select from pg_roles where rolname = ?', [
    decodeURIComponent(username),
  ]);
  if (rows.length === 0) {
    const secret = pg.escapeLiteral(decodeURIComponent(password));
    await owner.raw(`create role ${role} login password ${secret}`);
  }
  for (const schema of SCHEMAS) {
    await owner.raw(`grant usage on schema ${schema} to ${role}`);
    await owner.raw(
      `grant select, insert, update, delete on all tables in schema ${schema} to ${role}`,
    );
    await owner.raw(`grant usage on all sequences in schema ${schema} to ${role}`);
    await owner.raw(`grant execute on all functions in schema ${schema} to ${role}`);
  }
  const never = [...ONLY_ADDED, ...ONLY_MADE].join(', ');
  await owner.raw(`revoke update, delete on ${never} from ${role}`);
  await owner.raw(`revoke insert, update, delete on ${ONLY_BY_FUNCTION.join(', ')} from ${role}`);
  for (const [table, { insert, update }] of Object.entries(ONLY_COLUMNS)) {
    await owner.raw(`revoke insert, update on ${table} from ${role}`);
    for (const [right, columns] of Object.entries({ insert, update })) {
      if (columns.length > 0)
        await owner.raw(`grant ${right} (${columns.join(', ')}) on ${table} to ${role}`);
    }
  }
  await owner.raw(`revoke delete on account from ${role}`);
}
