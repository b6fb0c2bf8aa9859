import { describe, expect, it } from 'vitest';
import type { Database } from '../db/database.ts';
import { startServer } from '../testing/startServer.ts';
import { verifyKept } from './verifyKept.ts';

const server = await startServer('demo');

/** Writes past everything that keeps a submitted sheet as it is, as somebody with the database might. */
async function tamper(change: (trx: Database) => PromiseLike<unknown>): Promise<void> {
  await server.db.transaction(async (trx) => {
    await trx.raw('set local session_replication_role = replica');
    await change(trx);
  });
}

describe('going through what is kept', () => {
  it('finds every sheet of the demo kept as it scores', async () => {
    const { sheets, differing } = await verifyKept(server.db);
    const submitted = await server.db('sheet').whereNotNull('submitted_at').count('* as n').first();
    expect(sheets).toBe(Number(submitted?.n));
    expect(sheets).toBeGreaterThan(100);
    expect(differing).toEqual([]);
  });

  it('finds a share, a category, an item and a score that were changed afterwards', async () => {
    const sheets = await server.db('sheet').whereNotNull('submitted_at').orderBy('id').limit(5);
    const [share, category, item, score, row] = sheets.map((sheet) => sheet.id as string);
    await tamper((trx) =>
      trx('sheet_item').where({ sheet_id: share, item: 'consent' }).update({ share: 0.25 }),
    );
    await tamper((trx) =>
      trx('sheet_item').where({ sheet_id: category, item: 'consent' }).update({ category: '7' }),
    );
    await tamper((trx) => trx('sheet_item').where({ sheet_id: item, item: 'consent' }).delete());
    await tamper((trx) => trx('sheet').where({ id: score }).increment('percent', 0.001));
    await tamper((trx) =>
      trx('sheet')
        .where({ id: row })
        .update({ kept_categories: trx.raw(`array_append(kept_categories, '1')`) }),
    );
    const { differing } = await verifyKept(server.db);
    expect(differing).toEqual([
      { sheet: share, what: ['consent'] },
      { sheet: category, what: ['consent'] },
      { sheet: item, what: ['consent'] },
      { sheet: score, what: ['the score'] },
      { sheet: row, what: ['the row of all items'] },
    ]);
  });

  it('is needed only against whoever can go past the database: it refuses the change itself', async () => {
    await expect(server.db('sheet_item').update({ share: 0 })).rejects.toThrow(/append-only/);
    await expect(server.db('sheet_item').delete()).rejects.toThrow(/append-only/);
  });
});
