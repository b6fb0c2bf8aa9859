import type { Examination } from '@kritikos/contracts/examinations';
import type { Cohort } from '@kritikos/contracts/people';
import { beforeAll, describe, expect, it } from 'vitest';
import { EXAMINERS } from '../demo/people.ts';
import { lastCohort } from '../rehearsal/repository.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';
import { relatedSittings } from '../years/repository.ts';

const server = await startServer('demo');
let lead: Caller;
let cohort: Cohort;
beforeAll(async () => {
  lead = await server.lead();
  const wanted = { name: 'Spring intake', year: 2032 };
  cohort = (await lead.call('POST', '/cohorts', wanted).expect(200)).body;
});

const details = (change: object = {}) => ({
  ...{ title: 'Written in haste', school: 'School', cohort: { id: cohort.id } as unknown },
  ...{ heldOn: '2033-06-01', zone: 'Europe/Lisbon' },
  ...change,
});
const made = async (change: object = {}): Promise<Examination> =>
  (await lead.call('POST', '/examinations', details(change)).expect(200)).body;
const read = async (id: string): Promise<Examination> =>
  (await lead.call('GET', `/examinations/${id}`).expect(200)).body;
const add = (number: string, name: string) =>
  lead
    .call('POST', `/cohorts/${cohort.id}/students`, {
      ...{ number, name, extraTime: 0, seatedBreaks: false },
    })
    .expect(200);

describe('a new examination', () => {
  it('is of a cohort that there is, whatever its year, or of one that is made by its name', async () => {
    expect(await made()).toMatchObject({ cohort: 'Spring intake', cohortId: cohort.id });
    const cohorts = await server.db('cohort').count('* as n').first();
    const named = await made({ cohort: 'Autumn intake' });
    expect(named.cohortId).not.toBe(cohort.id);
    expect(await server.db('cohort').where({ id: named.cohortId }).first('name', 'year')).toEqual({
      name: 'Autumn intake',
      year: 2033,
    });
    expect((await made({ cohort: 'Autumn intake' })).cohortId).toBe(named.cohortId);
    expect(Number((await server.db('cohort').count('* as n').first())?.n)).toBe(
      Number(cohorts?.n) + 1,
    );
  });

  it('of a cohort that there is not is refused beside its field', async () => {
    const strange = details({ cohort: { id: '0198c5a0-0000-7000-8000-000000000000' } });
    const { body } = await lead.call('POST', '/examinations', strange).expect(422);
    expect(body.errors).toEqual([{ pointer: '/cohort', detail: 'is no cohort that there is' }]);
  });

  it('takes a cohort that has nobody, or nobody more, with what is wrong', async () => {
    const { id } = await made();
    const path = `/examinations/${id}/candidates/from-cohort`;
    const nobody = await lead.call('POST', path, { circuits: [] }).expect(409);
    expect(nobody.body.detail).toMatch(/^Cohort Spring intake has no student who is not retired/);
    await add('S-1', 'Wim');
    await add('S-2', 'Xia');
    await lead.call('POST', path, { circuits: [] }).expect(200);
    const again = await lead.call('POST', path, { circuits: [] }).expect(409);
    expect(again.body.detail).toBe(
      'All 2 students of cohort Spring intake are candidates already.',
    );
  });
});

describe('what an examination says of itself', () => {
  it('can be changed while nothing hangs on it', async () => {
    const { id, held } = await made();
    expect(held).toEqual({});
    const change = { title: 'Shoulder and knee', heldOn: '2033-06-02', zone: 'UTC', cohort: 'Y3' };
    const changed = await lead.call('PUT', `/examinations/${id}`, details(change)).expect(200);
    expect(changed.body).toMatchObject(change);
  });

  it('keeps its cohort once there are candidates, and says so beside the field', async () => {
    const { id } = await made();
    await lead.csv(`/examinations/${id}/candidates`, 'number,name\n1,Yaw Zola').expect(200);
    const other = details({ cohort: 'Another', title: 'Also changed' });
    const cohorts = await server.db('cohort').pluck('id');
    const { body } = await lead.call('PUT', `/examinations/${id}`, other).expect(422);
    expect(body.errors).toEqual([
      { pointer: '/cohort', detail: 'It has candidates of this cohort.' },
    ]);
    expect(await read(id)).toMatchObject({ title: 'Written in haste' });
    expect(await server.db('cohort').pluck('id')).toEqual(cohorts);
    // What the page holds back, the database does too.
    await expect(
      server
        .db('examination')
        .where({ id })
        .update({ cohort_id: (await made({ cohort: 'Z' })).cohortId }),
    ).rejects.toThrow(/has candidates in it/);
    await lead
      .call('PUT', `/examinations/${id}`, details({ title: 'Its title is free' }))
      .expect(200);
  });

  it('keeps everything once marking was opened and a decision is signed', async () => {
    const { heldOn, zone, title, school, id, held } = await read(await server.thisYears());
    expect(Object.keys(held).sort()).toEqual(['cohort', 'heldOn', 'school', 'title', 'zone']);
    const same = { title, school, cohort: { id: (await read(id)).cohortId }, heldOn, zone };
    await lead.call('PUT', `/examinations/${id}`, same).expect(200);
    for (const [field, value] of [
      ['title', 'Other'],
      ['school', 'Other'],
      ['heldOn', '2020-01-01'],
      ['zone', 'UTC'],
    ] as const) {
      const { body } = await lead
        .call('PUT', `/examinations/${id}`, { ...same, [field]: value })
        .expect(422);
      expect(body.errors).toEqual([{ pointer: `/${field}`, detail: held[field] }]);
      const column = field === 'heldOn' ? 'held_on' : field;
      await expect(
        server
          .db('examination')
          .where({ id })
          .update({ [column]: value }),
      ).rejects.toThrow(/a decision names|times of examination/);
    }
  });
});

describe('an examination that was made by mistake', () => {
  it('is deleted while nothing is in it, with what was only wished for', async () => {
    const { id, deletable } = await made();
    expect(deletable).toBe(true);
    await lead.call('DELETE', `/examinations/${id}`).expect(200);
    await lead.call('GET', `/examinations/${id}`).expect(404);
    const noted = await server
      .db('audit_entry')
      .where({ subject: id })
      .orderBy('at')
      .pluck('action');
    expect(noted).toEqual(['examination created', 'examination deleted']);
  });

  it('is not deleted once something is in it', async () => {
    const { id } = await made();
    await lead.csv(`/examinations/${id}/candidates`, 'number,name\n1,Abe Bly').expect(200);
    expect((await read(id)).deletable).toBe(false);
    const { body } = await lead.call('DELETE', `/examinations/${id}`).expect(409);
    expect(body.title).toBe('The examination is not empty');
    const followed = await made();
    await lead
      .call('POST', `/examinations/${followed.id}/next`, {
        ...{ title: 'Next', cohort: { id: cohort.id }, heldOn: '2034-06-01' },
      })
      .expect(200);
    await lead.call('DELETE', `/examinations/${followed.id}`).expect(409);
  });

  it('is put away: its examiners see it no more, and it is brought back whole', async () => {
    const id = await server.thisYears();
    const before = await read(id);
    const [name] = Object.values(EXAMINERS).map((one) => one.email);
    const examiner = await server.signIn(name ?? '');
    const own = async () =>
      (await examiner.call('GET', '/own/stations').expect(200)).body as { examination: string }[];
    const stations = await own();
    const path = `/examinations/${id}/put-away`;
    if (before.markingOpen) {
      await lead.call('PUT', path, { putAway: true }).expect(409);
      await lead.call('PUT', `/examinations/${id}/marking`, { open: false }).expect(200);
    }
    await lead.call('PUT', path, { putAway: true }).expect(200);
    expect((await own()).length).toBeLessThan(stations.length);
    await lead.call('PUT', `/examinations/${id}/marking`, { open: true }).expect(409);
    const listed = (await lead.call('GET', '/examinations').expect(200)).body as Examination[];
    expect(listed.find((one) => one.id === id)).toMatchObject({ putAway: true });
    await lead.call('PUT', path, { putAway: false }).expect(200);
    expect(await own()).toEqual(stations.map((one) => ({ ...one, markingOpen: false })));
    expect(await read(id)).toEqual({ ...before, markingOpen: false });
  });

  it('counts among the years no more', async () => {
    const id = await server.thisYears();
    const viewer = lead.account?.id ?? '';
    const related = async () => (await relatedSittings(server.db, id, viewer, 5)).map((e) => e.id);
    const [own, last = '', ...older] = await related();
    await lead.call('PUT', `/examinations/${last}/marking`, { open: false }).expect(200);
    await lead.call('PUT', `/examinations/${last}/put-away`, { putAway: true }).expect(200);
    expect(await related()).toEqual([own, ...older]);
    expect((await lastCohort(server.db, id, viewer))?.id).not.toBe(last);
    await lead.call('PUT', `/examinations/${last}/put-away`, { putAway: false }).expect(200);
    expect(await related()).toEqual([own, last, ...older]);
    expect((await lastCohort(server.db, id, viewer))?.id).toBe(last);
  });
});
