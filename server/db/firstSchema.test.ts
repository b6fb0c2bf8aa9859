import type { Results } from '@kritikos/contracts/results';
import type { Decision, Rereading, StandardsPage } from '@kritikos/contracts/standards';
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import { beforeAll, describe, expect, it } from 'vitest';
import { offerCatalogue } from '../checklists/service.ts';
import { rowsInDump } from '../testing/firstSchemaDump.ts';
import { verifyKept } from '../marking/verifyKept.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('first schema');
let lead: Caller;
let id: string;

beforeAll(async () => {
  lead = await server.lead();
  id = await server.thisYears();
});

const countOf = async (table: string) =>
  Number((await server.db(table).count('* as n').first())?.n);

describe('a database of the first schema, brought up to date', () => {
  it.each([
    ['account', 7],
    ['candidate', 24],
    ['checklist_version', 128],
    ['station', 4],
    ['sheet', 128],
    ['mark_event', 2267],
    ['sheet_mark', 1697],
    ['sheet_fault', 154],
    ['decision', 2],
    ['audit_entry', 21],
  ])('keeps every %s', async (table, counted) => {
    expect(rowsInDump(table)).toHaveLength(counted);
    expect(await countOf(table)).toBeGreaterThanOrEqual(counted);
  });

  it('makes its leads administrators who lead every examination that there is', async () => {
    const { rows } = await server.db.raw(
      `select a.email, a.roles, e.id as examination, l.may from account a cross join examination e
         left join examination_lead l on l.account_id = a.id and l.examination_id = e.id`,
    );
    const leads = rowsInDump('account').filter((line) => line.includes(`'lead'`));
    const led = rows.filter((row: { may: string | null }) => row.may === 'lead');
    expect(led).toHaveLength(leads.length * rowsInDump('examination').length);
    for (const { email, roles } of led) {
      expect(roles).toEqual(['administrator', 'lead']);
      expect(leads.join()).toContain(email);
    }
    const examiners = rows.filter((row: { may: string | null }) => row.may === null);
    expect(examiners.map((row: { roles: string[] }) => row.roles)).toEqual(
      rowsInDump('account')
        .slice(leads.length)
        .map(() => ['examiner']),
    );
  });

  it('makes every candidate a student of the cohort that was only a word', async () => {
    const { rows } = await server.db.raw(`
      select k.id, k.number, s.name, g.name as cohort, k.state from candidate k
        join student s on s.id = k.student_id
        join examination e on e.id = k.examination_id
        join cohort g on g.id = s.cohort_id and g.id = e.cohort_id`);
    const written = rowsInDump('candidate');
    expect(rows).toHaveLength(written.length);
    for (const { id: candidate, number, name, cohort, state } of rows) {
      const line = written.find((row) => row.includes(candidate));
      expect(line).toContain(`, ${number}, '${name.replaceAll("'", "''")}'`);
      expect(rowsInDump('examination').join()).toContain(`'${cohort}'`);
      expect(state).toBe('expected');
    }
  });

  it('puts every station in the bank, as it was', async () => {
    const { rows } = await server.db.raw(`
      select s.id from station s join bank_station_version v on v.id = s.bank_version_id
      where (v.title, v.minutes, v.checklist_version_id) = (s.title, s.minutes, s.checklist_version_id)`);
    expect(rows).toHaveLength(rowsInDump('station').length);
  });

  it('keeps every mark as it stood, letter by letter', async () => {
    const { rows } = await server.db.raw(
      `select sheet_id || ' ' || item || ' ' || coalesce(number_value::text, choice_value, '-') || ' '
         || observation || ' ' || manner || ' ' || prompted || ' ' || event_id as mark from sheet_mark`,
    );
    const kept = rows.map((row: { mark: string }) => row.mark).sort();
    expect(kept).toEqual(rowsInDump('sheet_mark').map(markIn).sort());
  });

  it('keeps every event with its id, its place on its device and its body', async () => {
    const events = await server.db('mark_event').select('id', 'device', 'sequence', 'body');
    const written = rowsInDump('mark_event');
    for (const { id: event, device, sequence, body } of events.slice(0, 300)) {
      const row = written.find((line) => line.includes(`'${event}'`));
      expect(row).toContain(`'${device}', ${sequence}, `);
      expect(row).toContain(`"type": "${body.type}"`);
    }
  });

  it('keeps signed decisions as they were signed, and can read them', async () => {
    const page: StandardsPage = (await lead.call('GET', `/examinations/${id}/standards`)).body;
    expect(page.decisions.map((d) => d.number)).toEqual([2, 1]);
    for (const summary of page.decisions) {
      const decision: Decision = (await lead.call('GET', `/decisions/${summary.id}`).expect(200))
        .body;
      const written = rowsInDump('decision').find((line) => line.includes(decision.id));
      expect(decision.outcomes).toHaveLength(24);
      expect(written).toContain(`"total": ${decision.total}`);
      for (const { candidate, outcome } of decision.outcomes) {
        expect(written).toMatch(
          new RegExp(`"outcome": "${outcome}"[^}]*"candidate": "${candidate}"`),
        );
      }
    }
  });

  it('reads a decision of the first schema again, and says whom the present rule changes', async () => {
    const page: StandardsPage = (await lead.call('GET', `/examinations/${id}/standards`)).body;
    for (const { id: decision, schema, passed } of page.decisions) {
      expect(schema).toBe(1);
      const again: Rereading = (
        await lead.call('GET', `/decisions/${decision}/rereading`).expect(200)
      ).body;
      const signed: Decision = (await lead.call('GET', `/decisions/${decision}`)).body;
      for (const { candidate, before, after, reasons } of again.changed) {
        expect(signed.outcomes.find((o) => o.candidate === candidate)?.outcome).toBe(before);
        expect(after).not.toBe(before);
        // The score and the cut are the same, so a pass can be lost only through a critical item.
        if (before === 'pass') expect(reasons.join(' ')).toMatch(/critical item|Stations passed/);
      }
      expect(again.changed.length).toBeLessThan(passed);
    }
  });

  it('knows by name what its sheets only counted', async () => {
    const { rows } = await server.db.raw(`
      select h.critical_missed, h.critical_met, h.critical_unseen, v.content
      from sheet h join checklist_version v on v.id = h.checklist_version_id
      where h.submitted_at is not null`);
    expect(rows).toHaveLength(124);
    const sizes = { missed: 0, met: 0, unseen: 0 };
    for (const { critical_missed, critical_met, critical_unseen, content } of rows) {
      const keys = content.items
        .filter((item: ChecklistItem) => item.criticality === 'fails-station')
        .map((item: ChecklistItem) => item.key);
      for (const key of [...critical_missed, ...critical_met, ...critical_unseen]) {
        expect(keys).toContain(key);
      }
      sizes.missed += critical_missed.length;
      sizes.met += critical_met.length;
      sizes.unseen += critical_unseen.length;
    }
    // What the dump's sheets counted as critical failures before they were named.
    expect(sizes.missed).toBe(countedBefore());
    expect(sizes.met).toBeGreaterThan(80);
  });

  it('keeps what every item of a submitted sheet earned, as the core scores it', async () => {
    const sheets = await server.db('sheet').whereNotNull('submitted_at').pluck('id');
    expect(sheets).toHaveLength(124);
    expect(await verifyKept(server.db)).toMatchObject({ sheets: 124, differing: [] });
    expect(await countOf('sheet_item')).toBeGreaterThan(1_600);
  });

  it('gives every item an identity, one for all versions that say the same', async () => {
    const { rows } = await server.db.raw(`
      select c.item_id, v.checklist_id, count(*) as versions, count(distinct i.item ->> 'text') as texts
      from checklist_item c
        join checklist_version v on v.id = c.version_id
        cross join jsonb_array_elements(v.content -> 'items') i(item)
      where i.item ->> 'key' = c.key group by c.item_id, v.checklist_id`);
    expect(rows.every((row: { texts: number }) => row.texts === 1)).toBe(true);
    expect(new Set(rows.map((row: { item_id: string }) => row.item_id)).size).toBe(rows.length);
    const { rows: asked } = await server.db.raw(
      `select sum(jsonb_array_length(content -> 'items')) as n from checklist_version`,
    );
    expect(await countOf('checklist_item')).toBe(asked[0].n);
  });

  it('is offered the corrected catalogue beside its checklists, of which none is touched', async () => {
    const contents = async () =>
      (
        await server.db.raw(
          `select md5(string_agg(content::text, '' order by id)) as all from checklist_version where version = 1`,
        )
      ).rows[0].all;
    const before = await contents();
    await offerCatalogue(server.db);
    expect(await contents()).toBe(before);
    expect(await countOf('checklist_version')).toBeGreaterThan(128);
    const { rows } = await server.db.raw(
      `select distinct origin from checklist_version where version > 1`,
    );
    expect(rows).toEqual([{ origin: 'catalogue' }]);
  });

  it('still answers on every page of the examination', async () => {
    for (const page of ['', '/standards', '/agreement', '/results', '/marking', '/calibration']) {
      await lead.call('GET', `/examinations/${id}${page}`).expect(200);
    }
    const results: Results = (await lead.call('GET', `/examinations/${id}/results`)).body;
    expect(results.candidates).toHaveLength(24);
    const { candidateId } = results.candidates[0] ?? {};
    await lead.call('GET', `/examinations/${id}/results/candidates/${candidateId}`).expect(200);
  });

  it('still lets its examiners go on with the sheets they had begun', async () => {
    const begun = await server
      .db('sheet as h')
      .join('account as a', 'a.id', 'h.examiner_id')
      .whereNotNull('h.started_at')
      .whereNull('h.submitted_at')
      .select('h.id', 'a.email');
    expect(begun).toHaveLength(4);
    for (const { id: sheet, email } of begun) {
      const examiner = await server.signIn(email);
      const { state } = (await examiner.call('GET', `/sheets/${sheet}`).expect(200)).body;
      expect(state.marks.length).toBeGreaterThan(3);
    }
  });
});

/** The sum of the column `critical_failures`, as the dump has it, from the scores beside it. */
function countedBefore(): number {
  return rowsInDump('sheet').reduce((sum, line) => {
    const [, list = ''] = /"criticalFailures": \[([^\]]*)\]/.exec(line) ?? [];
    return sum + (list.match(/"[^"]+"/g)?.length ?? 0);
  }, 0);
}

/** `('sheet', 'item', 1.0000, NULL, 'observed', 'done', false, 'at', 'event')` as the query says it. */
function markIn(line: string): string {
  const [sheet, item, number, choice, observation, manner, prompted, , event] = line
    .slice(1, -1)
    .split(', ')
    .map((cell) => cell.replace(/^'|'$/g, ''));
  const value = number !== 'NULL' ? number : choice !== 'NULL' ? choice : '-';
  return [sheet, item, value, observation, manner, prompted, event].join(' ');
}
