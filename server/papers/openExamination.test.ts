import { openExamination, openExaminationSchema } from '@kritikos/contracts/openExamination';
import type { OpenExamination } from '@kritikos/contracts/openExamination';
import type { Timetable } from '@kritikos/contracts/timetable';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { beforeAll, describe, expect, it } from 'vitest';
import { firstWord } from '../accounts/firstWord.ts';
import { SECRET_KEY, startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';
import { publishNextYears } from './testing/published.ts';

const server = await startServer('demo');
const other = await startServer('empty');
let lead: Caller;
let next: string;
let timetable: Timetable;
beforeAll(async () => {
  ({ lead, next, timetable } = await publishNextYears(server));
});

describe('the examination as a file', () => {
  const fileOf = async (caller: Caller, id: string): Promise<OpenExamination> =>
    JSON.parse((await caller.call('GET', `/examinations/${id}/file`).expect(200)).text);

  it('fits its published schema, as a general checker of JSON Schema sees it', async () => {
    const fits = new Ajv2020({ strict: false, validateFormats: false }).compile(
      openExaminationSchema(),
    );
    const file = await fileOf(lead, next);
    expect(fits(file) || fits.errors).toBe(true);
    expect(fits({ ...file, format: 'other' })).toBe(false);
  });

  it('can be written of every examination, with or without a plan, marked or not', async () => {
    const examinations = await server.db('examination').select('id', 'title');
    expect(examinations.length).toBeGreaterThan(2);
    for (const { id } of examinations) {
      if (!(await server.db('examination_lead').where({ examination_id: id }).first())) continue;
      const file = await fileOf(lead, id);
      expect(openExamination.safeParse(file).error?.issues).toBeUndefined();
    }
    // Before a plan is published nobody stands in a circuit.
    await server.db('candidate').where({ examination_id: next }).update({ circuit: '' });
    expect((await fileOf(lead, next)).candidates[0]?.circuit).toBe('');
  });

  it('comes back as it went, read by this installation again', async () => {
    const file = await fileOf(lead, next);
    expect(file.timetable?.slots.length).toBeGreaterThan(180);
    const { examination, told } = (
      await lead
        .call('POST', '/examinations/files', {
          ...file,
          examination: { ...file.examination, title: 'Read again' },
          // A couch of this house has one station of an examination; the copy stands there too.
        })
        .expect(200)
    ).body;
    expect(told).toEqual(['The timetable came as a draft: look at it, and publish it.']);
    const again = await fileOf(lead, examination);
    expect(again.examination.title).toBe('Read again');
    expect({ ...again, examination: file.examination }).toEqual(file);
    // The stations are anchors: the bank's own versions, not copies.
    const used = await server
      .db('station')
      .whereIn('examination_id', [next, examination])
      .countDistinct('bank_version_id as n');
    expect(Number(used[0]?.n)).toBe(file.stations.length);
  });

  it('is read by another installation, which says who and what could not come along', async () => {
    const file = await fileOf(lead, next);
    const first = await other.agent();
    const made = await first.post('/api/accounts/first-administrator').send({
      name: 'Odile Farrant',
      email: 'odile@another.example',
      password: 'a-goniometer-and-a-tape',
      word: firstWord(SECRET_KEY),
    });
    expect(made.status).toBe(200);
    await other
      .db('account')
      .where({ email: 'odile@another.example' })
      .update({ roles: ['administrator', 'lead'] });
    const token = (await first.get('/api/session')).body.csrfToken;
    const { status, body } = await first
      .post('/api/examinations/files')
      .set('x-csrf-token', token)
      .send(file);
    expect([status, body.detail]).toEqual([200, undefined]);
    expect(body.told).toHaveLength(2);
    expect(body.told[0]).toMatch(/have no account as an examiner here/);
    expect(body.told[1]).toMatch(/timetable names examiners/);
    const { text } = await first.get(`/api/examinations/${body.examination}/file`);
    const again: OpenExamination = JSON.parse(text);
    expect({ ...again, examiners: [], timetable: null }).toEqual({
      ...file,
      examiners: [],
      timetable: null,
    });
    expect(openExamination.safeParse(again).success).toBe(true);
  });

  it('is refused whole, with the path of what is wrong', async () => {
    const file = await fileOf(lead, next);
    const before = await server.db('examination').count('* as n').first();
    const send = (changed: object) =>
      lead.call('POST', '/examinations/files', { ...file, ...changed });
    const [first, ...rest] = file.candidates;
    const refusals = [
      [{ version: 9 }, '/version', /up to 1/],
      [{ candidates: [{ ...first, number: 2 }, ...rest] }, '/candidates', /number twice/],
      [
        {
          examiners: [{ ...file.examiners[0], conflicts: [{ candidate: 999, reason: 'sister' }] }],
        },
        '/examiners/0/conflicts/0/candidate',
        /999 is no candidate/,
      ],
      [
        {
          stations: file.stations.map((own, i) =>
            i > 0
              ? own
              : {
                  ...own,
                  checklist: JSON.parse(
                    JSON.stringify(own.checklist).replaceAll(
                      own.checklist.procedures[0]?.procedure ?? '',
                      'never-heard-of',
                    ),
                  ),
                },
          ),
        },
        '/stations/0/checklist/procedures/0/procedure',
        /onto the shelf first/,
      ],
    ] as const;
    for (const [changed, pointer, detail] of refusals) {
      const { status, body } = await send(changed);
      expect(status).toBe(422);
      const own = body.errors.find((one: { pointer: string }) => one.pointer === pointer);
      expect(own?.detail, JSON.stringify(body.errors).slice(0, 400)).toMatch(detail);
    }
    expect(await server.db('examination').count('* as n').first()).toEqual(before);
    expect(timetable.plans[0]?.state).toBe('published');
  });

  it('leaves out who is absent or has withdrawn, with their time, on the day that it happens', async () => {
    const before = await fileOf(lead, next);
    const [absent, withdrawn] = before.candidates;
    const conflict = {
      account_id: (await server.db('account').first('id')).id,
      reason: 'a relative',
    };
    for (const [own, state] of [
      [absent, 'absent'],
      [withdrawn, 'withdrawn'],
    ] as const) {
      const row = await server
        .db('candidate')
        .where({ examination_id: next, number: own?.number })
        .first();
      await server.db('conflict_of_interest').insert({ ...conflict, student_id: row.student_id });
      await lead
        .call('PUT', `/candidates/${row.id}/state`, { state, reason: 'said so this morning' })
        .expect(200);
    }
    const file = await fileOf(lead, next);
    expect(openExamination.safeParse(file).error?.issues).toBeUndefined();
    const left = file.candidates.map(({ number }) => number);
    expect(left).toEqual(before.candidates.slice(2).map(({ number }) => number));
    const gone = [absent?.number, withdrawn?.number];
    const stayed = before.timetable?.slots.filter(({ candidate }) => !gone.includes(candidate));
    expect(file.timetable?.slots).toEqual(stayed);
    expect(stayed?.length).toBeLessThan(before.timetable?.slots.length ?? 0);
  });

  it('names an examiner and a patient of its plan who do not take part any more', async () => {
    const before = await fileOf(lead, next);
    await server.db('examination_examiner').where({ examination_id: next }).delete();
    await server.db('examination_patient').where({ examination_id: next }).delete();
    const file = await fileOf(lead, next);
    expect(openExamination.safeParse(file).error?.issues).toBeUndefined();
    expect(file.timetable).toEqual(before.timetable);
  });
});
