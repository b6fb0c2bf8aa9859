import { describe, expect, it } from 'vitest';
import { startServer } from '../testing/startServer.ts';
import { ONLY_ADDED } from './roles.ts';

const { db: owner, tools } = await startServer('demo');
const { db: application } = tools;

/** SQLSTATE 42501: insufficient privilege (PostgreSQL, appendix A). */
const DENIED = { code: '42501' };

describe('the role that the application works under', () => {
  it.each(ONLY_ADDED)('can add to %s and look at it, and do no more there', async (table) => {
    await expect(application(table).select().limit(1)).resolves.toBeDefined();
    const columns = Object.keys(await owner(table).columnInfo());
    const [column = ''] = columns;
    const change = application(table).update({ [column]: application.ref(column) });
    await expect(change).rejects.toMatchObject(DENIED);
    await expect(application(table).delete()).rejects.toMatchObject(DENIED);
    await expect(application.raw(`truncate ${table} cascade`)).rejects.toMatchObject(DENIED);
    const { rows } = await owner.raw(
      `select has_table_privilege('kritikos_application', ?, 'insert') as may`,
      [table],
    );
    expect(rows[0].may).toBe(true);
  });

  it('cannot change the schema, nor what guards it', async () => {
    for (const statement of [
      'create table mine (id integer)',
      'drop table setting',
      'alter table sheet_item disable trigger sheet_item_stays',
      'create schema mine',
      'set session_replication_role = replica',
    ]) {
      await expect(application.raw(statement), statement).rejects.toMatchObject(DENIED);
    }
  });

  it('names every table that the database itself keeps from changing', async () => {
    const { rows } = await owner.raw(
      `select distinct c.relname as name from pg_trigger t
         join pg_class c on c.oid = t.tgrelid join pg_proc p on p.oid = t.tgfoid
       where p.proname = 'refuse_change' and c.relname not in ('checklist_version', 'item')`,
    );
    for (const { name } of rows as { name: string }[]) expect(ONLY_ADDED).toContain(name);
    expect(rows.length).toBeGreaterThan(5);
  });
});
