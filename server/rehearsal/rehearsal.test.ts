import type { Job } from '@kritikos/contracts/jobs';
import { rehearsalResult } from '@kritikos/contracts/rehearsal';
import type { RehearsalPage, RehearsalResult } from '@kritikos/contracts/rehearsal';
import { beforeAll, describe, expect, it } from 'vitest';
import { playRehearsalsAgain } from './playAgain.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
let next: string;
beforeAll(async () => {
  lead = await server.lead();
  next = (await server.db('examination').orderBy('held_on', 'desc').first('id')).id;
});

const page = async (id = next): Promise<RehearsalPage> =>
  (await lead.call('GET', `/examinations/${id}/rehearsal`).expect(200)).body;
async function over(asked: Job): Promise<Job> {
  const { body } = await lead.call('GET', `/jobs/${asked.id}`).expect(200);
  return ['waiting', 'running'].includes(body.state) ? over(body) : body;
}
const asked = (suggested: RehearsalPage['suggested'], wanted: object = {}) => ({
  assumptions: suggested.assumptions,
  rehearsals: 40,
  seed: 7,
  pairs: null,
  asMarked: true,
  ...wanted,
});
async function rehearse(wanted: object = {}, id = next): Promise<RehearsalResult> {
  const { suggested } = await page(id);
  const { body } = await lead
    .call('POST', `/examinations/${id}/rehearsal`, asked(suggested, wanted))
    .expect(200);
  const done = await over(body);
  expect(done).toMatchObject({ state: 'done', problem: null });
  return rehearsalResult.parse(done.result);
}

describe('the rehearsal of next year’s plan', () => {
  it('supposes what the last cohort showed, and rehearses the plan as it is', async () => {
    const { suggested, planned, missing, newest } = await page();
    expect(missing).toBeNull();
    expect(newest).toBeNull();
    expect(suggested.from).toBe('Orthopedic special tests, second year');
    expect(suggested.assumptions.ability).toBeGreaterThan(3);
    expect(planned).toMatch(/^36 candidates at 5 stations, \d+ examiners, 36 sheets marked twice/);
    const result = await rehearse();
    expect(result).toMatchObject({
      candidates: 36,
      pairs: 36,
      rehearsals: 40,
      from: 'plan 1, draft',
    });
    expect(result.stations).toHaveLength(5);
    expect(result.cut?.sd).toBeGreaterThan(0);
    expect(result.kappa?.estimate.mean).toBeGreaterThan(0.4);
    expect(result.sentences.join(' ')).not.toMatch(/NaN|undefined/);
    // A second examiner for a whole circuit of the day marks half of the candidates once more.
    expect(result.oneMoreExaminer?.pairs).toBe(54);
    expect(result.oneMoreExaminer?.kappa?.halfWidth).toBeLessThan(result.kappa?.halfWidth ?? 0);
    expect(result.oneMoreStation?.mean).toBeGreaterThan(0);
    expect((await page()).newest?.result).toEqual(result);
  });

  it('supposes of each station what earlier marks say, unless all are to be alike', async () => {
    const { stations, suggested } = await page();
    expect(stations).toHaveLength(5);
    const marked = stations.filter(({ mean }) => mean !== null);
    expect(marked.length).toBeGreaterThan(2);
    for (const { mean, carries, known, items } of marked) {
      expect(mean).toBeGreaterThan(40);
      expect(carries).toBeGreaterThanOrEqual(0);
      expect(known).toBeGreaterThan(items / 2);
    }
    const { mean, difficulty } = suggested.assumptions;
    const means = marked.map((own) => own.mean ?? 0);
    expect(mean).toBe(Math.round(means.reduce((sum, own) => sum + own, 0) / means.length));
    // Of the demo's items some everybody has and some few do.
    expect(difficulty).toBeGreaterThan(0.5);
    const alike = { ...suggested.assumptions, mean: 50 };
    const low = await rehearse({ assumptions: alike, asMarked: false });
    const high = await rehearse({ assumptions: { ...alike, mean: 80 }, asMarked: false });
    const asTheyWere = await rehearse({ assumptions: { ...alike, mean: 80 } });
    expect(high.passed.mean).toBeGreaterThan(low.passed.mean);
    expect(asTheyWere.cut?.mean).not.toBe(high.cut?.mean);
  });

  it('is another with other pairs, and the same with the same seed', async () => {
    const few = await rehearse({ pairs: 10 });
    const many = await rehearse({ pairs: 60 });
    expect([few.pairs, many.pairs]).toEqual([10, 60]);
    expect(many.icc?.halfWidth).toBeLessThan(few.icc?.halfWidth ?? 0);
    expect(await rehearse({ pairs: 10 })).toEqual(few);
  });

  it('goes without a plan too, as far as there are candidates and stations', async () => {
    const thisYears = await server.thisYears();
    const result = await rehearse({ pairs: 48 }, thisYears);
    expect(result.from).toMatch(/no plan yet/);
    expect(result.oneMoreExaminer).toBeNull();
    const bare = {
      title: 'Bare',
      school: 'S',
      cohort: 'of 2041',
      heldOn: '2041-05-21',
      zone: 'Europe/Lisbon',
    };
    const { id } = (await lead.call('POST', '/examinations', bare).expect(200)).body;
    const nothing = await page(id);
    expect(nothing.missing).toMatch(/Add two stations/);
    expect(nothing.suggested.from).toBeNull();
    const refused = await lead.call(
      'POST',
      `/examinations/${id}/rehearsal`,
      asked(nothing.suggested),
    );
    expect([refused.status, refused.body.title]).toEqual([409, 'There is nothing to rehearse yet']);
  });
});

describe('assumptions that cannot be', () => {
  it('are refused with words at their field, and nothing is rehearsed', async () => {
    const { suggested } = await page();
    const before = await server.db('job').where({ kind: 'rehearsal' }).count('* as n').first();
    const send = (wanted: object) =>
      lead.call('POST', `/examinations/${next}/rehearsal`, asked(suggested, wanted));
    for (const [wanted, pointer, detail] of [
      [
        { assumptions: { ...suggested.assumptions, ability: -1 } },
        '/assumptions/ability',
        /must not be below 0: a spread is a standard deviation/,
      ],
      [
        { assumptions: { ...suggested.assumptions, slips: 2 } },
        '/assumptions/slips',
        /must not be above half/,
      ],
      [{ pairs: 181 }, '/pairs', /more than the 180 sheets of 36 candidates at 5 stations/],
      [{ rehearsals: 1 }, '/rehearsals', /40 or more/],
    ] as const) {
      const { status, body } = await send(wanted);
      expect([status, body.errors[0].pointer]).toEqual([422, pointer]);
      expect(body.errors[0].detail).toMatch(detail);
    }
    expect(await server.db('job').where({ kind: 'rehearsal' }).count('* as n').first()).toEqual(
      before,
    );
  });
});

describe('a rehearsal that an earlier source of chance played', { timeout: 120_000 }, () => {
  it('is read until it was played again, once, in the same words', async () => {
    const before = await rehearse();
    expect(before.generator).toBe(2);
    // As it was kept before results named their source.
    const kept = () => server.db('job').where({ kind: 'rehearsal', examination_id: next });
    await kept().update({ result: server.db.raw("result - 'generator'") });
    expect((await page()).newest?.result.generator).toBe(1);
    await playRehearsalsAgain(server.tools.db, server.tools.jobs);
    await playRehearsalsAgain(server.tools.db, server.tools.jobs);
    const [again, ...older] = await kept().orderBy('made_at', 'desc').select('id', 'result');
    await over({ id: again.id } as Job);
    const { result } = (await page()).newest ?? {};
    expect(result).toEqual(before);
    expect(older.every((job) => job.result !== null)).toBe(true);
    await playRehearsalsAgain(server.tools.db, server.tools.jobs);
    expect(await kept()).toHaveLength(older.length + 1);
  });
});
