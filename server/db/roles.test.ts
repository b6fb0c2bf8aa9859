import { describe, expect, it } from 'vitest';
import { startServer } from '../testing/startServer.ts';
import { ONLY_ADDED, ONLY_BY_FUNCTION, ONLY_COLUMNS, ONLY_MADE } from './roles.ts';

const { db: owner, tools } = await startServer('demo');
const { db: application } = tools;

/** SQLSTATE 42501: insufficient privilege (PostgreSQL, appendix A). */
const DENIED = { code: '42501' };

const mayInsert = async (table: string): Promise<boolean> => {
  const { rows } = await owner.raw(
    `select has_table_privilege('kritikos_application', ?, 'insert') as may`,
    [table],
  );
  return rows[0].may;
};

describe('the role that the application works under', () => {
  it.each([...ONLY_ADDED, ...ONLY_MADE])(
    'can add to %s and look at it, and do no more there',
    async (table) => {
      await expect(application(table).select().limit(1)).resolves.toBeDefined();
      const columns = Object.keys(await owner(table).columnInfo());
      const [column = ''] = columns;
      const change = application(table).update({ [column]: application.ref(column) });
      await expect(change).rejects.toMatchObject(DENIED);
      await expect(application(table).delete()).rejects.toMatchObject(DENIED);
      await expect(application.raw(`truncate ${table} cascade`)).rejects.toMatchObject(DENIED);
      expect(await mayInsert(table)).toBe(true);
    },
  );

  it.each(ONLY_BY_FUNCTION)('writes nothing in %s by itself', async (table) => {
    const [column = ''] = Object.keys(await owner(table).columnInfo());
    expect(await mayInsert(table)).toBe(false);
    const change = application(table).update({ [column]: application.ref(column) });
    await expect(change).rejects.toMatchObject(DENIED);
    await expect(application(table).delete()).rejects.toMatchObject(DENIED);
  });

  it.each(Object.entries(ONLY_COLUMNS))('writes no other columns of %s', async (table, own) => {
    for (const column of Object.keys(await owner(table).columnInfo())) {
      const { rows } = await owner.raw(
        `select has_column_privilege('kritikos_application', :table, :column, 'insert') as insert,
           has_column_privilege('kritikos_application', :table, :column, 'update') as update`,
        { table, column },
      );
      const may = { insert: own.insert.includes(column), update: own.update.includes(column) };
      expect([column, rows[0]]).toEqual([column, may]);
    }
  });

  it('cannot change what a submitted sheet scored, nor score one that was not handed in', async () => {
    const submitted = await owner('sheet').whereNotNull('submitted_at').first();
    const begun = await owner('sheet').whereNull('submitted_at').whereNotNull('started_at').first();
    const score = JSON.stringify({ ...submitted.score, percent: 100 });
    for (const { id } of [submitted, begun]) {
      const change = application.raw('select submit_sheet(?, ?, ?)', [id, score, '[]']);
      await expect(change).rejects.toMatchObject({ code: '23001' });
    }
    const version = { code: '23001' };
    const use = application.raw('select use_version(?, ?, ?)', [
      submitted.station_id,
      submitted.checklist_version_id,
      '{}',
    ]);
    await expect(use).rejects.toMatchObject(version);
    expect(await owner('sheet').where({ id: submitted.id }).first()).toEqual(submitted);
    await expect(application('sheet').where({ id: submitted.id }).delete()).rejects.toMatchObject({
      code: '23503', // its taps name it
    });
  });

  it('makes no administrator, whoever it says is asking', async () => {
    const examiner = await owner('account').whereRaw(`roles = '{examiner}'`).first();
    const lead = await owner('account').whereRaw(`'administrator' = any(roles)`).first();
    const promote = (giver: string | null) =>
      application.raw('select change_roles(?, ?, ?)', [examiner.id, ['administrator'], giver]);
    for (const giver of [examiner.id, null]) {
      await expect(promote(giver)).rejects.toMatchObject(DENIED);
    }
    const make = (roles: string[], maker: string | null) =>
      application.raw('select make_account(gen_random_uuid(), ?, ?, ?, null, ?)', [
        `${Math.random()}@x.example`,
        'Somebody',
        roles,
        maker,
      ]);
    await expect(make(['administrator'], examiner.id)).rejects.toMatchObject(DENIED);
    await expect(make(['examiner'], null)).rejects.toMatchObject(DENIED);
    const disable = application.raw('select set_disabled(?, true, ?)', [lead.id, examiner.id]);
    await expect(disable).rejects.toMatchObject(DENIED);
    await expect(make(['examiner'], lead.id)).resolves.toBeDefined();
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
    const named: readonly string[] = [...ONLY_ADDED, ...ONLY_BY_FUNCTION];
    for (const { name } of rows as { name: string }[]) expect(named).toContain(name);
    expect(rows.length).toBeGreaterThan(5);
  });
});
