import type { Job } from '@kritikos/contracts/jobs';
import type { BankMade, BankPage, BankStation } from '@kritikos/contracts/stations';
import { procedureById } from '@kritikos/catalogue/procedures';
import { liftChecklist } from '@kritikos/catalogue/stationChecklist';
import { beforeAll, describe, expect, it } from 'vitest';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
beforeAll(async () => {
  lead = await server.lead();
});

const look = async (query = ''): Promise<BankPage> =>
  (await lead.call('GET', `/bank-stations?${query || 'limit=200'}`).expect(200)).body;
const titles = ({ stations }: BankPage) => stations.map(({ title }) => title);
const file = (id: string) => {
  const procedure = procedureById(id);
  if (!procedure) throw new Error(id);
  return liftChecklist({ ...procedure, title: procedure.names[0] ?? procedure.title });
};

describe('looking in the bank', () => {
  it('finds by region, kind, structure, condition, domain and minutes, and all of them together', async () => {
    const all = await look();
    expect(all.total).toBe(all.stations.length);
    const of = (test: (station: BankStation) => boolean) =>
      all.stations.filter(test).map(({ title }) => title);
    const asks = (station: BankStation, test: (id: string) => boolean | undefined) =>
      station.procedures.some(test);
    expect(titles(await look('region=knee'))).toEqual(of(({ region }) => region === 'knee'));
    const laxity = of((s) => asks(s, (id) => procedureById(id)?.kind === 'laxity'));
    expect(titles(await look('kind=laxity'))).toEqual(laxity);
    expect(laxity.length).toBeGreaterThan(0);
    expect(laxity.length).toBeLessThan(all.total);
    const structure = 'anterior cruciate ligament';
    const loading = of((s) => asks(s, (id) => procedureById(id)?.structures.includes(structure)));
    expect(titles(await look(`structure=${encodeURIComponent(structure)}`))).toEqual(loading);
    expect(loading.length).toBeGreaterThan(0);
    expect(titles(await look('mostMinutes=7'))).toEqual(of(({ minutes }) => minutes <= 7));
    const [first] = all.stations;
    const condition = first?.patient?.condition ?? '';
    expect(titles(await look(`condition=${condition}`))).toEqual(
      of(({ patient }) => patient?.condition === condition),
    );
    const { rows } = await server.db.raw(
      `select distinct version_id from checklist_weight where domain = 'interpretation' and percent >= 25`,
    );
    const interpreting = rows.map((row: { version_id: string }) => row.version_id);
    expect(titles(await look('domain=interpretation'))).toEqual(
      of(({ checklistVersionId }) => interpreting.includes(checklistVersionId)),
    );
    const both = await look('region=knee&kind=laxity');
    expect(titles(both)).toEqual(titles(both).filter((title) => laxity.includes(title)));
  });

  it('finds by words: of the title, the names of a procedure, the patient, the equipment', async () => {
    const byProcedure = await look('words=lachman');
    expect(byProcedure.total).toBeGreaterThan(0);
    for (const { procedures } of byProcedure.stations) {
      expect(procedures.join(' ')).toMatch(/lachman/);
    }
    expect((await look('words=lachman%20nowhere')).total).toBe(0);
    // As the catalogue finds it, misspelt.
    expect(await look('words=lachmann')).toEqual(byProcedure);
    // A percent sign is a sign, not a pattern.
    expect((await look('words=%25')).total).toBe(0);
  });

  it('is paged, and says how many there are', async () => {
    const all = await look();
    const page = await look('limit=2&offset=1');
    expect(page.total).toBe(all.total);
    expect(titles(page)).toEqual(titles(all).slice(1, 3));
  });

  it('weighs the domains of every version to a hundred', async () => {
    const { rows } = await server.db.raw(
      `select sum(percent) as whole from checklist_weight group by version_id`,
    );
    for (const { whole } of rows) expect(whole).toBeCloseTo(100, 3);
  });
});

describe('how a station behaved', () => {
  it('is worked out in a job, once, and found by', async () => {
    const asked: Job = (await lead.call('POST', '/bank-stations/behaviour').expect(200)).body;
    await expect
      .poll(async () => (await lead.call('GET', `/jobs/${asked.id}`)).body.state)
      .toBe('done');
    expect((await lead.call('POST', '/bank-stations/behaviour').expect(200)).body).toBeNull();
    const all = await look();
    const marked = all.stations.flatMap(({ behaviour }) => behaviour ?? []);
    const used = await server
      .db('sheet as h')
      .join('station as s', 's.id', 'h.station_id')
      .join('bank_station_version as v', 'v.id', 's.bank_version_id')
      .whereNotNull('h.submitted_at')
      .countDistinct('v.bank_station_id as n');
    expect(marked.length).toBe(Number(used[0]?.n));
    // Plain SQL beside it: the mean percent of the sheets of the newest examination.
    const { rows } = await server.db.raw(
      `select v.title, avg(h.percent)::float8 as facility, count(distinct h.candidate_id)::int as n
       from sheet h join station s on s.id = h.station_id
         join bank_station_version v on v.id = s.bank_version_id
       where h.submitted_at is not null and s.examination_id = ? group by v.title`,
      [await server.thisYears()],
    );
    for (const { title, facility, n } of rows) {
      const station = all.stations.find((one) => one.title === title);
      expect(station?.behaviour?.facility).toBeCloseTo(facility, 9);
      expect(station?.behaviour?.candidates).toBe(n);
      expect(station?.behaviour?.agreement).toBeGreaterThan(0.5);
    }
    const disputed = await look('leastDisputed=1&order=disputed');
    expect(disputed.total).toBeGreaterThan(0);
    expect(disputed.stations.every((one) => (one.behaviour?.disputed ?? 0) > 0)).toBe(true);
    const facilities = (await look('order=facility')).stations.flatMap(
      (one) => one.behaviour?.facility ?? [],
    );
    expect(facilities).toEqual([...facilities].sort((a, b) => a - b));
    const cuts = marked.flatMap(({ cut }) => cut ?? []);
    const middle = [...cuts].sort((a, b) => a - b)[Math.floor(cuts.length / 2)] ?? 0;
    expect((await look(`leastCut=${middle}`)).total).toBe(
      cuts.filter((cut) => cut >= middle).length,
    );
    expect((await look('leastUses=2')).stations.every(({ uses }) => uses >= 2)).toBe(true);
  });
});

describe('a station made', () => {
  it('like another keeps its checklist, and the statistics of its items', async () => {
    const like = (await look('leastUses=1')).stations[0];
    if (!like) throw new Error('no station');
    const { station }: BankMade = (
      await lead
        .call('POST', '/bank-stations/copies', { bankVersionId: like.versionId, title: 'A copy' })
        .expect(200)
    ).body;
    expect(station).toMatchObject({ title: 'A copy', minutes: like.minutes, uses: 0 });
    const read = async (version: string, part = '') =>
      (await lead.call('GET', `/checklist-versions/${version}${part}`).expect(200)).body;
    expect((await read(station.checklistVersionId)).content).toEqual(
      (await read(like.checklistVersionId)).content,
    );
    expect(await read(station.checklistVersionId, '/earlier')).toEqual(
      await read(like.checklistVersionId, '/earlier'),
    );
  });

  it('from a finished file has its checklist', async () => {
    const checklist = file('faber');
    const { station, draftId }: BankMade = (
      await lead
        .call('POST', '/bank-stations/files', { title: 'From a file', minutes: 7, checklist })
        .expect(200)
    ).body;
    expect(draftId).toBeNull();
    expect(station.items).toBe(checklist.items.length);
  });

  it('from an unfinished file waits as a draft that says what the file said', async () => {
    const whole = file('faber');
    const checklist = { ...whole, stopRule: '', items: whole.items.slice(2) };
    const { station, draftId }: BankMade = (
      await lead
        .call('POST', '/bank-stations/files', { title: 'To be mended', minutes: 7, checklist })
        .expect(200)
    ).body;
    expect(station.items).toBe(whole.items.length);
    const draft = (await lead.call('GET', `/drafts/${draftId}`).expect(200)).body;
    const standing = draft.pieces.filter(({ value }: { value: unknown }) => value !== null);
    const items = standing.filter(({ piece }: { piece: string }) => piece.startsWith('item/'));
    expect(items).toHaveLength(checklist.items.length);
    expect((await look('words=mended')).stations[0]?.draftId).toBe(draftId);
  });

  it('from the file of a procedure that nobody knows is refused in words, and nothing is made', async () => {
    const whole = file('faber');
    const procedures = whole.procedures.map((own) => ({ ...own, procedure: 'no-such-test' }));
    const sent = { title: 'Unknown', minutes: 7, checklist: { ...whole, procedures } };
    const refused = await lead.call('POST', '/bank-stations/files', sent).expect(422);
    expect(refused.body.errors).toEqual([
      {
        pointer: '/checklist/procedures/0/procedure',
        detail: 'names no-such-test, which is neither in the catalogue nor on the shelf',
      },
    ]);
    expect((await look('words=unknown')).total).toBe(0);
  });
});
