import type { Cohort, Student, StudentPage } from '@kritikos/contracts/people';
import type { Examination } from '@kritikos/contracts/examinations';
import { beforeAll, describe, expect, it } from 'vitest';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
let cohort: Cohort;

beforeAll(async () => {
  lead = await server.lead();
  cohort = (await lead.call('POST', '/cohorts', { name: 'Evening', year: 2031 }).expect(200)).body;
});

const add = (number: string, name: string, more: object = {}) =>
  lead.call('POST', `/cohorts/${cohort.id}/students`, { number, name, ...more });
const students = async (query = ''): Promise<StudentPage> =>
  (await lead.call('GET', `/cohorts/${cohort.id}/students${query}`).expect(200)).body;

describe('a cohort', () => {
  it('is made once a year under one name', async () => {
    const again = await lead.call('POST', '/cohorts', { name: 'Evening', year: 2031 });
    expect(again.status).toBe(422);
    expect(again.body.errors[0].detail).toMatch(/is a cohort of 2031 already/);
    await lead.call('POST', '/cohorts', { name: 'Evening', year: 2032 }).expect(200);
  });

  it('holds students with their adjustments, found by a part of number or name', async () => {
    await add('E-10', 'Bea Two', { extraTime: 25, seatedBreaks: true }).expect(200);
    await add('E-09', 'Ada One').expect(200);
    const { total, students: all } = await students();
    expect([total, all.map((s) => s.number)]).toEqual([2, ['E-09', 'E-10']]);
    expect(all[1]).toMatchObject({ extraTime: 25, seatedBreaks: true, examinations: 0 });
    expect((await students('?search=bea')).students.map((s) => s.name)).toEqual(['Bea Two']);
    expect((await students('?search=%25')).total).toBe(0);
  });

  it('takes no number that is another person’s, in whichever cohort', async () => {
    const { number, name } = await server
      .db('student as s')
      .join('cohort as c', 'c.id', 's.cohort_id')
      .where('c.name', '2026')
      .first('s.number', 's.name');
    const taken = await add(number, 'Somebody New');
    expect(taken.status).toBe(422);
    expect(taken.body.errors[0].detail).toBe(`is the number of ${name}, cohort 2026`);
    const [first, second] = (await students()).students as [Student, Student];
    const { body } = await lead.call('PUT', `/students/${first.id}`, {
      number: second.number,
      name: first.name,
    });
    expect(body.errors[0].pointer).toBe('/number');
    expect((await students()).students[0]).toEqual(first);
  });

  it('keeps who is retired, offers them to no examination, and takes them back', async () => {
    const [first] = (await students()).students as [Student];
    await lead.call('PUT', `/students/${first.id}/retirement`, { retired: true }).expect(200);
    expect((await students()).students.at(-1)).toMatchObject({ id: first.id, retired: true });
    const examination = await newExamination();
    const taken = await take(examination.id, ['Red']);
    expect(taken.candidates).toBe(1);
    await lead.call('PUT', `/students/${first.id}/retirement`, { retired: false }).expect(200);
    expect((await take(examination.id, ['Red'])).candidates).toBe(2);
  });
});

async function newExamination(): Promise<Examination> {
  const wanted = {
    title: 'Evening examination',
    school: 'School',
    cohort: 'Evening',
    heldOn: '2031-06-01',
    zone: 'UTC',
  };
  return (await lead.call('POST', '/examinations', wanted).expect(200)).body;
}

const take = async (examination: string, circuits: string[]): Promise<Examination> =>
  (
    await lead
      .call('POST', `/examinations/${examination}/candidates/from-cohort`, { circuits })
      .expect(200)
  ).body;

describe('candidates', () => {
  it('are the students of the cohort, numbered in their order and dealt over the circuits', async () => {
    for (const n of [1, 2, 3]) await add(`E-2${n}`, `Student ${n}`).expect(200);
    const examination = await newExamination();
    await take(examination.id, ['Red', 'Blue']);
    const { candidates } = (
      await lead.call('GET', `/examinations/${examination.id}/candidates`).expect(200)
    ).body;
    expect(
      candidates.map((c: { number: number; studentNumber: string; circuit: string }) => [
        c.number,
        c.studentNumber,
        c.circuit,
      ]),
    ).toEqual([
      [1, 'E-09', 'Red'],
      [2, 'E-10', 'Blue'],
      [3, 'E-21', 'Red'],
      [4, 'E-22', 'Blue'],
      [5, 'E-23', 'Red'],
    ]);
    const again = await lead.call(
      'POST',
      `/examinations/${examination.id}/candidates/from-cohort`,
      { circuits: [] },
    );
    expect(again.status).toBe(409);
  });

  it('of a list are the students whom they name, by number or by a name that is one person’s', async () => {
    const examination = await newExamination();
    const list = [
      'number,name,student',
      '7,Bea Two,',
      '8,Anything,E-21',
      '9,Cleo New,E-90',
      '10,Dan New,',
    ].join('\n');
    await lead.csv(`/examinations/${examination.id}/candidates`, list).expect(200);
    const rows = await server
      .db('candidate as k')
      .join('student as s', 's.id', 'k.student_id')
      .where('k.examination_id', examination.id)
      .orderBy('k.number')
      .select('k.number as place', 's.number', 's.name');
    expect(rows).toEqual([
      { place: 7, number: 'E-10', name: 'Bea Two' },
      { place: 8, number: 'E-21', name: 'Student 1' },
      { place: 9, number: 'E-90', name: 'Cleo New' },
      { place: 10, number: expect.stringMatching(/^10/), name: 'Dan New' },
    ]);
  });

  it('twice in one list, or under a number of another cohort, are refused whole', async () => {
    const examination = await newExamination();
    const { number } = await server.db('student').whereNot({ cohort_id: cohort.id }).first();
    const list = ['number,name,student', '1,A,E-21', '2,B,E-21', `3,C,${number}`].join('\n');
    const { status, body } = await lead.csv(`/examinations/${examination.id}/candidates`, list);
    expect(status).toBe(422);
    expect(body.errors.map((e: { pointer: string }) => e.pointer)).toEqual([
      '/row 3/student',
      '/row 4/student',
    ]);
    expect((await lead.call('GET', `/examinations/${examination.id}`)).body.candidates).toBe(0);
  });

  it('who are absent or withdraw keep their place, with a reason, and are planned no sheet', async () => {
    const examination = await newExamination();
    await take(examination.id, []);
    const { candidates } = (await lead.call('GET', `/examinations/${examination.id}/candidates`))
      .body;
    const path = `/candidates/${candidates[0].id}/state`;
    await lead.call('PUT', path, { state: 'withdrawn' }).expect(422);
    const { body } = await lead
      .call('PUT', path, { state: 'withdrawn', reason: 'Moved to another school' })
      .expect(200);
    expect(body).toMatchObject({ state: 'withdrawn', stateReason: 'Moved to another school' });
    expect(Date.parse(body.stateSince)).toBeGreaterThan(Date.now() - 60_000);
    const back = await lead.call('PUT', path, { state: 'expected' }).expect(200);
    expect(back.body).toMatchObject({ state: 'expected', stateSince: null, stateReason: null });
    await expect(
      server.db('candidate').where({ id: candidates[0].id }).update({ state: 'absent' }),
    ).rejects.toThrow(/candidate_state_has_reason/);
  });
});
