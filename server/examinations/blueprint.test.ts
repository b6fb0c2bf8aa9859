import type { Blueprint } from '@kritikos/contracts/blueprint';
import type { Examination } from '@kritikos/contracts/examinations';
import type { BankStation } from '@kritikos/contracts/stations';
import { blueprintCells } from '@kritikos/core/examinations/blueprint';
import { procedureById } from '@kritikos/catalogue/procedures';
import { beforeAll, describe, expect, it } from 'vitest';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
let bank: BankStation[];
/** The demo’s own; what tests make is of later years. */
let thisYears: string;
beforeAll(async () => {
  lead = await server.lead();
  thisYears = await server.thisYears();
  bank = (await lead.call('GET', '/bank-stations?limit=200').expect(200)).body.stations;
});

const examine = async (): Promise<string> => {
  const wanted = { title: 'Any', school: 'S', cohort: '1', heldOn: '2031-01-01', zone: 'UTC' };
  return (await lead.call('POST', '/examinations', wanted).expect(200)).body.id;
};
const add = async (id: string, place: number, position?: number): Promise<Examination> => {
  const bankVersionId = bank[place]?.versionId;
  const body = position === undefined ? { bankVersionId } : { bankVersionId, position };
  return (await lead.call('POST', `/examinations/${id}/stations`, body).expect(200)).body;
};
const titles = ({ stationList }: Examination) => stationList.map(({ title }) => title);
const named = (...places: number[]) => places.map((place) => bank[place]?.title);
const read = async (id: string): Promise<Blueprint> =>
  (await lead.call('GET', `/examinations/${id}/blueprint`).expect(200)).body;

describe('the stations of an examination in preparation', () => {
  it('are put in at a place, ordered, and taken out; the others close up', async () => {
    const id = await examine();
    await add(id, 0);
    await add(id, 1);
    expect(titles(await add(id, 2, 1))).toEqual(named(2, 0, 1));
    const { stationList } = await add(id, 3, 99);
    expect(stationList.map(({ position }) => position)).toEqual([1, 2, 3, 4]);
    const turned = [...stationList].reverse().map((station) => station.id);
    const ordered: Examination = (
      await lead.call('PUT', `/examinations/${id}/stations/order`, { stations: turned }).expect(200)
    ).body;
    expect(titles(ordered)).toEqual(named(3, 1, 0, 2));
    const without: Examination = (
      await lead.call('DELETE', `/stations/${ordered.stationList[1]?.id}`).expect(200)
    ).body;
    expect(titles(without)).toEqual(named(3, 0, 2));
    expect(without.stationList.map(({ position }) => position)).toEqual([1, 2, 3]);
  });

  it('are ordered all at once or not at all', async () => {
    const id = await examine();
    const { stationList } = await add(id, 0);
    const [only] = stationList;
    await add(id, 1);
    const refused = await lead
      .call('PUT', `/examinations/${id}/stations/order`, { stations: [only?.id] })
      .expect(422);
    expect(refused.body.errors[0].detail).toMatch(/each of the 2 stations once/);
  });

  it('stay once marking was opened', async () => {
    const id = thisYears;
    const { stationList }: Examination = (await lead.call('GET', `/examinations/${id}`).expect(200))
      .body;
    const order = stationList.map((station) => station.id).reverse();
    await lead.call('PUT', `/examinations/${id}/stations/order`, { stations: order }).expect(409);
    await lead.call('DELETE', `/stations/${stationList[0]?.id}`).expect(409);
    await lead.call('POST', `/stations/${stationList[0]?.id}/renewal`).expect(409);
  });
});

describe('the blueprint', () => {
  it('weighs what the stations ask, and keeps what is wanted', async () => {
    const id = await examine();
    for (const place of [0, 1, 2]) await add(id, place);
    const wanted = { region: { knee: { technique: 12.5 } }, kind: {}, structure: {} };
    const kept: Blueprint = (
      await lead.call('PUT', `/examinations/${id}/blueprint`, wanted).expect(200)
    ).body;
    expect(kept.wanted).toEqual(wanted);
    expect(await read(id)).toEqual(kept);
    const cells = blueprintCells(
      kept.stations.map((station) => ({
        ...station,
        procedures: station.procedures.map((procedure) => ({
          id: procedure,
          rows: [procedureById(procedure)?.region ?? 'any'],
        })),
      })),
    );
    expect(cells.reduce((sum, { percent }) => sum + percent, 0)).toBeCloseTo(100, 9);
  });

  it('takes no more than a hundred per cent, and no column that it does not have', async () => {
    const id = await examine();
    const put = (technique: object) =>
      lead.call('PUT', `/examinations/${id}/blueprint`, {
        region: { knee: technique },
        kind: {},
        structure: {},
      });
    await put({ technique: 101 }).expect(422);
    await put({ charm: 10 }).expect(422);
    expect((await read(id)).wanted.region).toEqual({});
  });
});

describe('next year’s examination', () => {
  it('has the same stations as anchors, the blueprint and the rules, for another cohort', async () => {
    const from = thisYears;
    const wanted = { region: { knee: { technique: 20 } }, kind: {}, structure: {} };
    await lead.call('PUT', `/examinations/${from}/blueprint`, wanted).expect(200);
    const sent = { title: 'Next year', cohort: 'Cohort 2032', heldOn: '2032-05-01' };
    const next: Examination = (
      await lead.call('POST', `/examinations/${from}/next`, sent).expect(200)
    ).body;
    const before: Examination = (await lead.call('GET', `/examinations/${from}`).expect(200)).body;
    expect(next).toMatchObject({ title: 'Next year', cohort: 'Cohort 2032', candidates: 0 });
    expect(next.warningSeconds).toBe(before.warningSeconds);
    expect(titles(next)).toEqual(titles(before));
    const { rows } = await server.db.raw(
      'select count(*)::int as n from anchor where examination_id = ? and other_examination_id = ?',
      [next.id, from],
    );
    expect(rows[0].n).toBe(before.stationList.length);
    const copied = await read(next.id);
    expect(copied.wanted).toEqual(wanted);
    expect(copied.follows?.id).toBe(from);
    const drafts = await server.db('standard_draft').whereIn('examination_id', [from, next.id]);
    expect(new Set(drafts.map(({ settings }) => JSON.stringify(settings))).size).toBeLessThan(2);
  });

  it('says what has changed in the bank since, and takes it where the lead wants', async () => {
    const from = thisYears;
    const sent = { title: 'The year after', cohort: 'Cohort 2033', heldOn: '2033-05-01' };
    const next: Examination = (
      await lead.call('POST', `/examinations/${from}/next`, sent).expect(200)
    ).body;
    const before = (await read(next.id)).stations[0];
    const draft = (
      await lead.call('POST', `/bank-stations/${before?.bankStationId}/drafts`).expect(200)
    ).body;
    const changes = [{ piece: 'minutes', value: 11, seen: 0 }];
    await lead
      .call('POST', `/drafts/${draft.id}/changes`, {
        id: '01900000-0000-7000-8000-000000000001',
        changes,
      })
      .expect(200);
    await lead.call('POST', `/drafts/${draft.id}/publication`, { sequence: 1 }).expect(200);
    const since = (await read(next.id)).stations[0];
    expect(since?.newest?.version).toBe((before?.bankVersion ?? 0) + 1);
    const renewed: Examination = (
      await lead.call('POST', `/stations/${since?.id}/renewal`).expect(200)
    ).body;
    expect(renewed.stationList[0]).toMatchObject({ position: 1, minutes: 11 });
    const now = (await read(next.id)).stations;
    expect(now[0]?.newest).toBeNull();
    expect(now.map(({ position }) => position)).toEqual(now.map((_, i) => i + 1));
    const again = await lead.call('POST', `/stations/${now[0]?.id}/renewal`).expect(409);
    expect(again.body.title).toBe('There is nothing newer');
    // The examination that it was copied from keeps what it was marked on.
    const old: Examination = (await lead.call('GET', `/examinations/${from}`).expect(200)).body;
    expect(old.stationList[0]?.minutes).toBe(before?.minutes);
  });

  it('is for whoever may read the earlier one', async () => {
    const examiner = await server.signIn('examiner1@orrinmouth.example');
    const sent = { title: 'Mine', cohort: 'X', heldOn: '2032-05-01' };
    await examiner.call('POST', `/examinations/${thisYears}/next`, sent).expect(403);
  });
});
