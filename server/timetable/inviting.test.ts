import type { ExaminersJoined } from '@kritikos/contracts/accounts';
import type { Resources } from '@kritikos/contracts/timetable';
import { beforeAll, describe, expect, it } from 'vitest';
import { EXAMINERS } from '../demo/people.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
let examination: string;
beforeAll(async () => {
  lead = await server.lead();
  const wanted = { title: 'Invited', school: 'School', cohort: 'Invited', zone: 'UTC' };
  const made = await lead.call('POST', '/examinations', { ...wanted, heldOn: '2035-05-05' });
  examination = made.body.id;
});
const invite = (people: object[]) =>
  lead.call('POST', `/examinations/${examination}/examiners`, { people });
const takingPart = async () => {
  const path = `/examinations/${examination}/resources`;
  const { examiners } = (await lead.call('GET', path).expect(200)).body as Resources;
  return examiners.filter(({ takesPart }) => takesPart).map(({ email }) => email);
};

describe('examiners who are invited inside an examination', () => {
  it('take part, one or several, whether they have an account or not', async () => {
    const [known] = EXAMINERS;
    const people = [
      { name: 'Una Lark', email: 'Una@orrinmouth.example' },
      { name: 'As written here', email: known.email },
      { name: 'Vic Moss', email: 'vic@orrinmouth.example' },
    ];
    const { joined } = (await invite(people).expect(200)).body as ExaminersJoined;
    expect(joined.map(({ name, known: had }) => [name, had])).toEqual([
      ['Una Lark', false],
      [known.name, true],
      ['Vic Moss', false],
    ]);
    expect(joined.map(({ passOn }) => passOn !== null)).toEqual([true, false, true]);
    for (const { passOn } of joined) if (passOn) server.keepSecret(passOn.split('#')[1] ?? '');
    expect((await takingPart()).sort()).toEqual(
      [known.email, 'una@orrinmouth.example', 'vic@orrinmouth.example'].sort(),
    );
    // Asked again, they are known and nothing is done twice.
    const again = (await invite(people).expect(200)).body as ExaminersJoined;
    expect(again.joined.every((one) => one.known && one.passOn === null)).toBe(true);
    expect(await takingPart()).toHaveLength(3);
  });

  it('join those who stood at a station before anybody was chosen', async () => {
    const id = await server.thisYears();
    await server.db('examination_examiner').where({ examination_id: id }).delete();
    const read = async () =>
      (
        (await lead.call('GET', `/examinations/${id}/resources`).expect(200)).body as Resources
      ).examiners.filter(({ takesPart }) => takesPart).length;
    const before = await read();
    expect(before).toBeGreaterThan(0);
    const { body } = await lead
      .call('POST', `/examinations/${id}/examiners`, {
        people: [{ name: 'Wes Nye', email: 'wes@orrinmouth.example' }],
      })
      .expect(200);
    server.keepSecret(body.joined[0].passOn.split('#')[1]);
    expect(await read()).toBe(before + 1);
  });

  it('are all invited or nobody, and what is in the way is said of each', async () => {
    const accounts = await server.db('account').count('* as n').first();
    await server
      .db('account')
      .where({ email: EXAMINERS[7].email })
      .update({ disabled_at: server.db.fn.now() });
    const { body } = await invite([
      { name: 'Xan', email: 'xan@orrinmouth.example' },
      { name: 'Xan', email: 'XAN@orrinmouth.example' },
      { name: 'Lead', email: lead.account?.email },
      { name: 'Off', email: EXAMINERS[7].email },
    ]).expect(422);
    expect(body.title).toBe('Nobody was invited');
    expect(body.errors).toEqual([
      { pointer: '/people/1/email', detail: 'stands in the list twice' },
      {
        pointer: '/people/2/email',
        detail: 'has an account without the role of examiner; an administrator gives it',
      },
      {
        pointer: '/people/3/email',
        detail: 'has an account that is disabled; an administrator enables it',
      },
    ]);
    expect(await server.db('account').count('* as n').first()).toEqual(accounts);
    const bad = await invite([{ name: 'Y', email: 'no address' }]).expect(422);
    expect(bad.body.errors[0].pointer).toBe('/people/0/email');
  });
});
