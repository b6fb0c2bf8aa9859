import type { Trail } from '@kritikos/contracts/audit';
import { describe, expect, it } from 'vitest';
import { EXAMINERS, LEAD } from '../demo/people.ts';
import { startServer } from '../testing/startServer.ts';
import { sealAudit, verifyAudit } from './service.ts';

const server = await startServer('demo');
const lead = await server.lead();
const trail = async (query = ''): Promise<Trail> =>
  (await lead.call('GET', `/audit${query}`).expect(200)).body;
const actions = async () => (await trail()).entries.map((e) => e.action);

/** What is found after a deed of somebody with every right in the database, before it is undone. */
async function tampered(deed: string, undoing: string) {
  const asOwner = (sql: string) =>
    server.db.transaction(async (trx) => {
      await trx.raw('set local session_replication_role = replica');
      await trx.raw('alter table audit_link drop constraint if exists audit_link_entry_id_key');
      await trx.raw('alter table audit_link drop constraint if exists audit_link_position_check');
      await trx.raw(sql);
    });
  await asOwner(deed);
  const found = await verifyAudit(server.db);
  await asOwner(undoing);
  return found;
}

describe('the trail', () => {
  it('tells who signed in, who failed to, and who signed out', async () => {
    const person = EXAMINERS[1].email;
    await server.agent().post('/api/session').send({ email: person, password: 'not this' });
    const examiner = await server.signIn(person);
    await examiner.call('DELETE', '/session').expect(200);
    expect((await actions()).slice(0, 3)).toEqual(['signed out', 'signed in', 'sign-in failed']);
    const failed = (await trail('?action=sign-in%20failed')).entries[0];
    expect(failed?.detail).toMatchObject({ email: person });
  });

  it('tells of drafts, exports, confirmations and refusals', async () => {
    const id = await server.thisYears();
    const { draft } = (await lead.call('GET', `/examinations/${id}/standards`)).body;
    await lead.call('PUT', `/examinations/${id}/standards/draft`, draft).expect(200);
    await lead.call('GET', `/examinations/${id}/results.csv`).expect(200);
    const examiner = await server.signIn(EXAMINERS[0].email);
    await examiner.call('GET', `/examinations/${id}/results`).expect(403);
    const [refused, , exported, drafted] = (await trail()).entries;
    expect(refused).toMatchObject({
      action: 'refused',
      account: EXAMINERS[0].name,
      detail: { method: 'GET', path: `/examinations/${id}/results` },
    });
    expect(exported).toMatchObject({ action: 'exported', account: LEAD.name });
    expect(drafted?.action).toBe('standard drafted');
    expect((await trail()).actions).toContain('briefing confirmed');
  });

  it('is read page by page, and by the lead only', async () => {
    const first = await trail('?limit=5');
    expect(first).toMatchObject({ more: true });
    const second = await trail(`?limit=5&before=${first.entries.at(-1)?.id}`);
    const whole = await trail('?limit=10');
    expect([...first.entries, ...second.entries].map((e) => e.id)).toEqual(
      whole.entries.map((e) => e.id),
    );
    const examiner = await server.signIn(EXAMINERS[0].email);
    await examiner.call('GET', '/audit').expect(403);
  });

  it('cannot be changed by the application', async () => {
    await expect(server.db('audit_entry').delete()).rejects.toThrow(/append-only/);
    await sealAudit(server.db);
    await expect(server.db('audit_link').delete()).rejects.toThrow(/append-only/);
  });
});

describe('the chain', () => {
  it('takes every entry once, also when two processes seal at the same time', async () => {
    await Promise.all([sealAudit(server.db), sealAudit(server.db)]);
    await sealAudit(server.db);
    const { rows } = await server.db.raw(
      'select (select count(*) from audit_entry) as entries, count(*) as links, max(position) as last from audit_link',
    );
    expect(rows[0].links).toBe(rows[0].entries);
    expect(rows[0].last).toBe(rows[0].entries);
    expect(await verifyAudit(server.db)).toMatchObject({ whole: true, links: rows[0].entries });
  });

  it('does not let writers wait: an entry is written while another process seals', async () => {
    await server.db.transaction(async (trx) => {
      await trx.raw(`select pg_advisory_xact_lock(hashtext('audit'))`);
      await server.signIn(LEAD.email);
      expect(await sealAudit(server.db)).toBe(0);
    });
    expect(await sealAudit(server.db)).toBeGreaterThan(0);
  });

  it.each([
    [
      'changed',
      `update audit_entry set action = action || '!' where id = (select entry_id from audit_link where position = 5)`,
      `update audit_entry set action = rtrim(action, '!') where id = (select entry_id from audit_link where position = 5)`,
    ],
    [
      'removed',
      `update audit_link set position = -position where position = 7`,
      `update audit_link set position = -position where position = -7`,
    ],
    [
      'swapped',
      `update audit_link set entry_id = case position when 3 then (select entry_id from audit_link where position = 4)
         else (select entry_id from audit_link where position = 3) end where position in (3, 4)`,
      `update audit_link set entry_id = case position when 3 then (select entry_id from audit_link where position = 4)
         else (select entry_id from audit_link where position = 3) end where position in (3, 4)`,
    ],
  ])('shows what was %s behind its back', async (_, deed, undoing) => {
    await sealAudit(server.db);
    const found = await tampered(deed, undoing);
    expect(found.whole).toBe(false);
    expect((await verifyAudit(server.db)).whole).toBe(true);
  });

  it('shows that its end is missing, to whoever noted it', async () => {
    await sealAudit(server.db);
    const before = await verifyAudit(server.db);
    if (!before.whole) throw new Error(before.why);
    const noted = { position: before.links, hash: before.head };
    expect((await verifyAudit(server.db, noted)).whole).toBe(true);
    expect(await verifyAudit(server.db, { ...noted, position: noted.position + 1 })).toMatchObject({
      whole: false,
      why: 'Entries after it are missing.',
    });
    expect(await verifyAudit(server.db, { ...noted, hash: '00'.repeat(32) })).toMatchObject({
      whole: false,
    });
  });

  it('hashes as written down in the methods: SHA-256 over the link before and the entry', async () => {
    // By PostgreSQL's own sha256, from the description in docs/operations.md.
    const { rows } = await server.db.raw(`
      select l.hash = sha256(coalesce(b.hash, decode(repeat('00', 32), 'hex')) || convert_to(
        '[' || l.position || ',' || to_json(e.id::text) || ','
          || to_json(to_char(e.at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"')) || ','
          || coalesce(to_json(e.account_id::text)::text, 'null') || ',' || to_json(e.action) || ','
          || coalesce(to_json(e.subject::text)::text, 'null') || ',' || to_json(e.detail::text) || ']',
        'utf8')) as same
      from audit_link l join audit_entry e on e.id = l.entry_id
        left join audit_link b on b.position = l.position - 1
      order by l.position limit 30`);
    expect(rows.map((r: { same: boolean }) => r.same)).toEqual(rows.map(() => true));
  });
});
