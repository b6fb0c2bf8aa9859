import type { HouseProposal } from '@kritikos/contracts/house';
import type { Resources } from '@kritikos/contracts/timetable';
import { beforeAll, describe, expect, it } from 'vitest';
import { createAccount } from '../accounts/service.ts';
import { DEMO_PASSWORD } from '../demo/people.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

/** What is the house's, and what an examination may say of it. */
const server = await startServer('demo');
let administrator: Caller;
/** Leads this year's examination beside the administrator. */
let lead: Caller;
/** Leads an examination of their own, as anybody with the role may make one. */
let stranger: Caller;
let office: Caller;
let id: string;
let own: string;

async function person(name: string, roles: ('lead' | 'office')[]): Promise<Caller> {
  const email = `${name.toLowerCase()}@orrinmouth.example`;
  await createAccount(server.db, { email, name, password: DEMO_PASSWORD }, roles, null);
  return server.signIn(email);
}
beforeAll(async () => {
  administrator = await server.lead();
  lead = await person('Imke', ['lead']);
  stranger = await person('Jonas', ['lead']);
  office = await person('Ravi', ['office']);
  id = await server.thisYears();
  await server
    .db('examination_lead')
    .insert({ examination_id: id, account_id: lead.account?.id, may: 'lead' });
  const { cohort_id } = await server.db('examination').where({ id }).first();
  const { name } = await server.db('cohort').where({ id: cohort_id }).first();
  const made = await stranger
    .call('POST', '/examinations', {
      ...{ title: 'Mine', school: 'S', cohort: name, heldOn: '2027-05-05', zone: 'UTC' },
    })
    .expect(200);
  own = made.body.id;
  await server.db('examination').where({ id: own }).update({ cohort_id });
  await stranger
    .call('POST', `/examinations/${own}/candidates/from-cohort`, { circuits: [] })
    .expect(200);
});

const read = async (who: Caller, examination: string): Promise<Resources> =>
  (await who.call('GET', `/examinations/${examination}/resources`).expect(200)).body;
const put = (who: Caller, examination: string, part: string, body: object) =>
  who.call('PUT', `/examinations/${examination}/resources/${part}`, body).expect(200);
const proposals = async (): Promise<HouseProposal[]> =>
  (await office.call('GET', '/house/proposals').expect(200)).body;
const decide = (proposal: HouseProposal | undefined, take: boolean) =>
  office.call('PUT', `/house/proposals/${proposal?.id}`, { take });

describe('why somebody must not mark somebody', () => {
  it('is read by whoever wrote it down and by administrators; that it is so, by all who plan', async () => {
    const [examiner] = (await read(lead, id)).examiners;
    const { id: candidateId } = await server
      .db('candidate')
      .where({ examination_id: id, number: 5 })
      .first();
    const { accountId, takesPart, present, regions } = examiner as Resources['examiners'][number];
    const base = { accountId, takesPart, present, regions };
    const conflicts = [{ candidateId, reason: 'was treated by her in March' }];
    await put(lead, id, 'examiners', { examiners: [{ ...base, conflicts }] });
    const seen = async (who: Caller, examination: string) =>
      (await read(who, examination)).examiners
        .find((one) => one.accountId === accountId)
        ?.conflicts.map(({ reason, writtenBy, own: mine }) => [reason, writtenBy, mine]);
    const reason = 'was treated by her in March';
    expect(await seen(lead, id)).toEqual([[reason, 'Imke', true]]);
    expect(await seen(administrator, id)).toEqual([[reason, 'Imke', true]]);
    expect(await seen(stranger, own)).toEqual([[null, 'Imke', false]]);

    // Another can neither take it out, nor put other words in its place, nor read it in a file.
    const theirs = await server
      .db('candidate as c')
      .join('candidate as o', 'o.student_id', 'c.student_id')
      .where({ 'c.examination_id': own, 'o.id': candidateId })
      .first('c.id');
    for (const others of [[], [{ candidateId: theirs.id, reason: 'nothing at all' }]]) {
      await put(stranger, own, 'examiners', { examiners: [{ ...base, conflicts: others }] });
      expect(await seen(lead, id)).toEqual([[reason, 'Imke', true]]);
    }
    const file = await stranger.call('GET', `/examinations/${own}/file`).expect(200);
    expect(file.text).not.toContain('March');
    expect(file.text).toContain('told in confidence');
    const kept = [{ candidateId, reason: null }];
    await put(lead, id, 'examiners', { examiners: [{ ...base, conflicts: kept }] });
    expect(await seen(lead, id)).toEqual([[reason, 'Imke', true]]);
    await put(lead, id, 'examiners', { examiners: [{ ...base, conflicts: [] }] });
    expect(await seen(stranger, own)).toEqual([]);
  });
});

describe('what is the house’s', () => {
  it('is proposed by a lead, taken by the office, and then so for everybody', async () => {
    const before = await read(administrator, id);
    const [examiner] = before.examiners;
    const { accountId } = examiner as Resources['examiners'][number];
    await put(stranger, own, 'rooms', { rooms: [{ id: null, name: 'Attic', couches: 3 }] });
    await put(stranger, own, 'equipment', { equipment: [{ what: 'Goniometer', pieces: 77 }] });
    await put(stranger, own, 'patients', {
      patients: [{ id: null, name: 'Bo Lind', takesPart: true, barred: ['no-such'] }],
    });
    const { body } = await put(stranger, own, 'examiners', {
      examiners: [{ accountId, takesPart: true, regions: ['knee'] }],
    });
    expect(body.keepsHouse).toBe(false);
    const words = [
      'A new room, Attic has 3 couches',
      'Of Goniometer there are 77',
      'A new simulated patient, Bo Lind must not undergo no-such',
      `${examiner?.name} examines knee`,
    ];
    expect(body.proposals.map((one: HouseProposal) => one.words)).toEqual(words);
    const { examiners, rooms, equipment, patients } = await read(administrator, id);
    expect({ examiners, rooms, equipment, patients }).toEqual({
      ...{ examiners: before.examiners, rooms: before.rooms },
      ...{ equipment: before.equipment, patients: before.patients },
    });
    // That they take part is the examination's own.
    const theirs = body.examiners.find((one: { accountId: string }) => one.accountId === accountId);
    expect([theirs.takesPart, theirs.regions]).toEqual([true, examiner?.regions]);

    const waiting = await proposals();
    expect(waiting.map((one) => [one.words, one.madeBy, one.examination])).toEqual(
      words.map((each) => [each, 'Jonas', 'Mine']),
    );
    await decide(waiting[0], true).expect(200);
    await decide(waiting[1], false).expect(200);
    expect((await decide(waiting[0], true)).status).toBe(404);
    const after = await read(stranger, own);
    expect(after.rooms.map(({ name }) => name)).toContain('Attic');
    expect(after.proposals.map((one) => one.words)).toEqual(words.slice(2));
    expect(after.equipment).toEqual(
      expect.not.arrayContaining([expect.objectContaining({ pieces: 77 })]),
    );
  });

  it('is decided by the office and by administrators, and by no lead', async () => {
    await stranger.call('GET', '/house/proposals').expect(403);
    const [first] = await proposals();
    await lead.call('PUT', `/house/proposals/${first?.id}`, { take: true }).expect(403);
    await administrator.call('GET', '/house/proposals').expect(200);
  });

  it('proposed twice is one proposal', async () => {
    const count = (await proposals()).length;
    for (let i = 0; i < 2; i++)
      await put(stranger, own, 'rooms', { rooms: [{ id: null, name: 'Cellar', couches: 1 }] });
    expect(await proposals()).toHaveLength(count + 1);
  });

  it('stays what a station of another examination stands on, and says no more of it', async () => {
    const { body } = await put(administrator, id, 'rooms', {
      rooms: [{ id: null, name: 'Hall', couches: 2 }],
    });
    const hall = body.rooms.find((room: { name: string }) => room.name === 'Hall');
    const [station] = await server.db('station').where({ examination_id: id }).orderBy('position');
    await put(administrator, id, 'places', {
      places: [{ stationId: station.id, circuit: 1, roomId: hall.id, couch: 2 }],
    });
    await put(stranger, own, 'rooms', { rooms: [], removed: [hall.id] });
    const asked = (await proposals()).find(({ words }) => words.startsWith('Hall'));
    const refused = await decide(asked, true);
    expect([refused.status, refused.body.detail]).toEqual([
      409,
      'A station of another examination stands there at couch 2. Move it first; nothing was changed.',
    ]);
    expect((await proposals()).map((one) => one.id)).toContain(asked?.id);
  });
});
