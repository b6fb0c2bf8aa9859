import type { Job } from '@kritikos/contracts/jobs';
import type { Examination } from '@kritikos/contracts/examinations';
import type { Plan, Resources, Timetable, TimetableWish } from '@kritikos/contracts/timetable';
import { faultsIn } from '@kritikos/core/timetable/faults';
import { checkPlan } from '@kritikos/core/timetable/testing/checkPlan';
import { beforeAll, describe, expect, it } from 'vitest';
import { simulateDraftsAgain } from './simulateAgain.ts';
import { startServer } from '../testing/startServer.ts';
import { timetableWork } from './work.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
let bank: { versionId: string }[];
beforeAll(async () => {
  lead = await server.lead();
  bank = (await lead.call('GET', '/bank-stations?limit=200').expect(200)).body.stations;
});

const WISH: TimetableWish = {
  sessions: [{ date: '2031-05-21', from: '08:30', until: '17:30' }],
  circuits: 2,
  readingMinutes: 2,
  changeMinutes: 1,
  rests: 0,
  breaks: null,
  quarantineMinutes: null,
  pairs: 0,
  seed: 7,
};
let year = 2031;

/** An examination with so many stations and candidates, and the examiners of the house at hand. */
async function examine(stations: number, candidates: number, examiners: number): Promise<string> {
  const heldOn = `${year++}-05-21`;
  const wanted = {
    title: 'Any',
    school: 'S',
    cohort: `of ${heldOn}`,
    heldOn,
    zone: 'Europe/Lisbon',
  };
  const { id } = (await lead.call('POST', '/examinations', wanted).expect(200)).body;
  for (const { versionId } of bank.slice(0, stations))
    await lead
      .call('POST', `/examinations/${id}/stations`, { bankVersionId: versionId })
      .expect(200);
  const rows = Array.from({ length: candidates }, (_, i) => `${i + 1},Student ${i + 1}`);
  await lead.csv(`/examinations/${id}/candidates`, ['number,name', ...rows].join('\n')).expect(200);
  const { examiners: all } = await resourcesOf(id);
  await lead
    .call('PUT', `/examinations/${id}/resources/examiners`, {
      examiners: all.slice(0, examiners).map(({ accountId }) => ({ accountId, takesPart: true })),
    })
    .expect(200);
  return id;
}
const resourcesOf = async (id: string): Promise<Resources> =>
  (await lead.call('GET', `/examinations/${id}/resources`).expect(200)).body;
const timetableOf = async (id: string): Promise<Timetable> =>
  (await lead.call('GET', `/examinations/${id}/timetable`).expect(200)).body;

async function jobOf(id: string): Promise<Job> {
  let { body: job } = await lead.call('POST', `/examinations/${id}/timetable`).expect(200);
  while (['waiting', 'running'].includes(job.state)) {
    await new Promise((resolve) => setTimeout(resolve, 100));
    job = (await lead.call('GET', `/jobs/${job.id}`).expect(200)).body;
  }
  return job;
}
async function planned(id: string, wish: Partial<TimetableWish> = {}): Promise<Plan> {
  await lead.call('PUT', `/examinations/${id}/timetable`, { ...WISH, ...wish }).expect(200);
  const job = await jobOf(id);
  expect([job.state, job.problem]).toEqual(['done', null]);
  return planOf(id, (job.result as { timetable: string }).timetable);
}
const planOf = async (id: string, plan: string): Promise<Plan> =>
  (await lead.call('GET', `/examinations/${id}/timetables/${plan}`).expect(200)).body;
const change = (id: string, plan: Plan, revision: number, what: object) =>
  lead.call('POST', `/examinations/${id}/timetables/${plan.id}/changes`, {
    revision,
    change: what,
  });
const publish = (id: string, plan: Plan, revision = 0) =>
  lead.call('PUT', `/examinations/${id}/timetables/${plan.id}/publication`, { revision });

describe('the timetable of an examination', () => {
  it('is planned in a job from what there is, and breaks no rule', async () => {
    const id = await examine(4, 12, 10);
    const plan = await planned(id, { pairs: 8 });
    expect([plan.number, plan.state, plan.slots.length]).toEqual([1, 'draft', 48]);
    expect(checkPlan(plan.problem, plan.slots)).toEqual([]);
    expect(plan.slots.filter(({ second }) => second !== null)).toHaveLength(8);
    expect(plan.length).toBeGreaterThanOrEqual(plan.bound - 1e-6);
    // 8:30 on the wall in Lisbon in May is 7:30 in UTC; the first bell rings after 2 minutes of reading.
    const [first] = plan.slots;
    expect(new Date((first?.start ?? 0) * 60_000).toISOString()).toBe('2031-05-21T07:32:00.000Z');
    expect(plan.precision?.halfWidth).toBeGreaterThan(0);
    const again = await planned(id, { pairs: 8 });
    expect(again.slots).toEqual(plan.slots);
    // A new draft takes the place of the old one.
    expect((await timetableOf(id)).plans.map(({ number }) => number)).toEqual([2]);
  });

  it('simulates a draft again that an earlier source of chance simulated, and nothing published', async () => {
    const id = await examine(3, 9, 9);
    const plan = await planned(id, { pairs: 6 });
    expect([plan.generator, plan.precision?.halfWidth]).toEqual([2, expect.any(Number)]);
    const row = () => server.db('timetable').where({ id: plan.id });
    const earlier = { halfWidth: 99, worst: 99 };
    await row().update({ generator: 1, precision: JSON.stringify(earlier) });
    await simulateDraftsAgain(server.tools.db);
    const again = await planOf(id, plan.id);
    expect(again.generator).toBe(2);
    // The same simulations, but for the order in which the sheets are gone through.
    expect(again.precision?.halfWidth).toBeCloseTo(plan.precision?.halfWidth ?? NaN, 0);
    await publish(id, plan).expect(200);
    await row().update({ generator: 1, precision: JSON.stringify(earlier) });
    await simulateDraftsAgain(server.tools.db);
    expect(await planOf(id, plan.id)).toMatchObject({ generator: 1, precision: earlier });
  });

  it('heeds regions, presence and conflicts, and says whom it delays', async () => {
    const id = await examine(4, 9, 9);
    const { examiners, regions } = await resourcesOf(id);
    const own = examiners.filter(({ takesPart }) => takesPart);
    const candidates = (await lead.call('GET', `/examinations/${id}/candidates`).expect(200)).body
      .candidates;
    await lead
      .call('PUT', `/examinations/${id}/resources/examiners`, {
        examiners: own.map(({ accountId }, i) => ({
          accountId,
          takesPart: true,
          regions: i === 0 ? [regions[0]] : null,
          present:
            i === 1 ? [{ start: '2031-05-21T07:30:00Z', end: '2031-05-21T08:30:00Z' }] : null,
          conflicts: i === 2 ? [{ candidateId: candidates[0].id, reason: 'sister' }] : [],
        })),
      })
      .expect(200);
    const plan = await planned(id);
    expect(checkPlan(plan.problem, plan.slots)).toEqual([]);
    expect(
      plan.problem.examiners.find(({ id: name }) => name === own[1]?.name)?.available,
    ).toHaveLength(1);
    expect(plan.problem.candidates[0]?.conflicts).toEqual([own[2]?.name]);
    const restricted = plan.problem.examiners.find(({ id: name }) => name === own[0]?.name);
    expect(restricted?.stations?.length).toBeLessThan(4);
    // What becomes known later shows as a fault of the plan that stands: the slots stay.
    const marked = plan.slots.find(({ examiner }) => examiner === own[3]?.name);
    expect(marked).toBeDefined();
  });

  it.each<[string, Partial<TimetableWish>, RegExp]>([
    [
      'more candidates than the day holds',
      { sessions: [{ date: '2031-05-21', from: '08:30', until: '09:00' }] },
      /do not fit: the days hold/,
    ],
    [
      'sessions that overlap',
      {
        sessions: [
          { date: '2031-05-21', from: '08:30', until: '12:00' },
          { date: '2031-05-21', from: '11:00', until: '15:00' },
        ],
      },
      /overlap/,
    ],
  ])('refuses %s in words, and keeps what there was', async (_, wish, words) => {
    const id = await examine(3, 6, 6);
    const before = await planned(id);
    await lead.call('PUT', `/examinations/${id}/timetable`, { ...WISH, ...wish }).expect(200);
    const job = await jobOf(id);
    expect([job.state, job.problem]).toEqual(['failed', expect.stringMatching(words)]);
    expect((await timetableOf(id)).plans.map((one) => one.id)).toEqual([before.id]);
  });

  it.each([
    ['0 minutes of a break', { breaks: { afterRounds: 3, minutes: 0 } }],
    ['no session', { sessions: [] }],
    [
      'a session that ends before it begins',
      { sessions: [{ date: '2031-05-21', from: '12:00', until: '08:00' }] },
    ],
    ['no circuit', { circuits: 0 }],
  ])('does not take %s as a wish', async (_, wish) => {
    const id = await examine(1, 1, 1);
    const refused = await lead
      .call('PUT', `/examinations/${id}/timetable`, { ...WISH, ...wish })
      .expect(422);
    expect(refused.body.errors.length).toBeGreaterThan(0);
    expect((await timetableOf(id)).wish).toMatchObject({ circuits: 1 });
  });

  it('keeps the best plan that there was when it is stopped by hand, and says so', async () => {
    const id = await examine(4, 12, 10);
    const stopped = new AbortController();
    const work = { question: { examination: id, wish: WISH }, ownerId: lead.account?.id ?? '' };
    const { timetable } = (await timetableWork(server.tools.db, work, {
      signal: stopped.signal,
      // It is called off at the first sign of life after a plan was found.
      progress: () => stopped.abort(),
    })) as { timetable: string };
    const plan = await planOf(id, timetable);
    expect(plan.unmet.at(-1)).toMatchObject({
      rule: 'clock',
      why: expect.stringMatching(/stopped by hand/),
    });
    expect(checkPlan(plan.problem, plan.slots)).toEqual([]);
    // Called off before there was one, there is none.
    const early = new AbortController();
    early.abort();
    await expect(
      timetableWork(server.tools.db, work, { signal: early.signal, progress: () => undefined }),
    ).rejects.toThrow();
    expect((await timetableOf(id)).plans.map((one) => one.id)).toEqual([timetable]);
  });

  it('asks for what is missing before it plans', async () => {
    const id = await examine(0, 3, 2);
    const refused = await lead.call('POST', `/examinations/${id}/timetable`).expect(409);
    expect(refused.body.detail).toBe('Add stations first.');
  });

  it('says where nobody may examine, and where a patient may play at no station', async () => {
    const id = await examine(2, 2, 2);
    const { examiners, regions, procedures } = await resourcesOf(id);
    const strange = ['elbow', 'ankle', 'hip'].find((region) => !regions.includes(region));
    await lead
      .call('PUT', `/examinations/${id}/resources/examiners`, {
        examiners: [
          { accountId: examiners[0]?.accountId, takesPart: true, regions: [strange] },
          { accountId: examiners[1]?.accountId, takesPart: false },
        ],
      })
      .expect(200);
    await lead.call('PUT', `/examinations/${id}/timetable`, WISH).expect(200);
    expect((await jobOf(id)).problem).toMatch(
      /Nobody may examine station 1 .*Name an examiner for it/,
    );
    await lead
      .call('PUT', `/examinations/${id}/resources/examiners`, {
        examiners: [0, 1, 2, 3].map((i) => ({
          accountId: examiners[i]?.accountId,
          takesPart: true,
        })),
      })
      .expect(200);
    const barred = { id: null, name: 'Oona Barred', takesPart: true, barred: procedures };
    await lead
      .call('PUT', `/examinations/${id}/resources/patients`, { patients: [barred] })
      .expect(200);
    expect((await jobOf(id)).problem).toMatch(/Oona Barred may play no station’s patient/);
    await lead.call('PUT', `/examinations/${id}/resources/patients`, { patients: [] }).expect(200);
  });
});

describe('a change by hand', () => {
  it('is taken where the day can be run, refused where not, and undone', async () => {
    const id = await examine(3, 6, 7);
    const plan = await planned(id);
    const [one, other] = [plan.slots[0], plan.slots.find((s) => s.circuit === 1)];
    const exchange = { kind: 'exchange', one: one?.candidate, other: other?.candidate };
    expect((await change(id, plan, 0, exchange).expect(200)).body).toEqual({ revision: 1 });
    const after = await planOf(id, plan.id);
    expect(checkPlan(after.problem, after.slots)).toEqual([]);
    expect(after.slots.find(({ candidate }) => candidate === one?.candidate)?.circuit).toBe(1);
    expect(after.changes).toEqual([
      {
        revision: 1,
        words: `${one?.candidate} and ${other?.candidate} change places`,
        by: expect.any(String),
      },
    ]);
    // A second examiner who is at their own station meanwhile cannot be there.
    const there = after.slots.find((s) => s.start === one?.start && s.station !== one.station);
    const twice = {
      kind: 'second',
      candidate: after.slots[0]?.candidate,
      station: after.slots[0]?.station,
      second: there?.examiner,
    };
    const refused = await change(id, plan, 1, twice).expect(409);
    expect(refused.body.detail).toMatch(
      new RegExp(`${there?.examiner} is at .* at the same time.*Nothing was changed`),
    );
    expect((await planOf(id, plan.id)).slots).toEqual(after.slots);
    // Whoever looks at an older revision changes nothing.
    expect((await change(id, plan, 0, exchange).expect(409)).body.title).toMatch(
      /changed the plan meanwhile/,
    );
    const undone = await lead
      .call('POST', `/examinations/${id}/timetables/${plan.id}/undoing`, { revision: 1 })
      .expect(200);
    expect(undone.body.slots).toEqual(plan.slots);
    expect([undone.body.revision, undone.body.changes]).toEqual([2, []]);
    const nothing = await lead
      .call('POST', `/examinations/${id}/timetables/${plan.id}/undoing`, { revision: 2 })
      .expect(409);
    expect(nothing.body.title).toBe('There is nothing to undo');
    expect(
      (await change(id, plan, 2, { ...exchange, one: 'candidate 99' }).expect(422)).body.errors[0]
        .detail,
    ).toMatch(/does not have candidate 99/);
  });

  it('cannot put anybody in two places, whatever the service thinks: the database holds it', async () => {
    const id = await examine(2, 2, 4);
    const plan = await planned(id, { circuits: 1 });
    const [one, other] = plan.slots.filter(({ start }) => start === plan.slots[0]?.start);
    expect(one && other).toBeTruthy();
    const people = await server
      .db('slot_person')
      .where({ timetable_id: plan.id, part: 'examiner' })
      .orderBy(['starts', 'candidate_id']);
    await expect(
      server
        .db('slot_person')
        .where({
          timetable_id: plan.id,
          candidate_id: people[0].candidate_id,
          starts: people[0].starts,
        })
        .update({ account_id: people[1].account_id }),
    ).rejects.toThrow(/slot_examiner_in_one_place/);
  });
});

describe('a plan that is published', () => {
  it('brings sheets, circuits and examiners; a newer one makes its copies stale', async () => {
    const id = await examine(3, 6, 7);
    const plan = await planned(id, { pairs: 3 });
    const csv = await lead
      .call('POST', `/examinations/${id}/timetables/${plan.id}/copies`)
      .expect(200);
    // A time that sorts as text and that a spreadsheet takes for one.
    expect(csv.text.split('\n')[1]).toMatch(/^"plan 1, draft",1,A,2031-05-21 08:32,2031-05-21 /);
    expect((await timetableOf(id)).copies).toMatchObject([{ number: 1, stale: false }]);
    const published: Timetable = (await publish(id, plan).expect(200)).body;
    expect(published.plans[0]?.state).toBe('published');
    const { body: examination } = await lead.call('GET', `/examinations/${id}`).expect(200);
    expect([examination.sheets, examination.circuits]).toEqual([6 * 3 + 3, ['A', 'B']]);
    for (const station of examination.stationList) {
      const firsts = station.examiners.filter(
        (one: { circuit: string | null }) => one.circuit !== null,
      );
      expect(new Set(firsts.map((one: { circuit: string }) => one.circuit)).size).toBeGreaterThan(
        0,
      );
    }
    // The overview counts the same sheets as the plan: a firsthand and what is marked twice.
    const counted = (examination as Examination).stationList.flatMap(({ examiners }) => examiners);
    expect(counted.reduce((sum, { sheets }) => sum + sheets, 0)).toBe(examination.sheets);
    // The older way to plan sheets is shut while a timetable stands.
    expect((await lead.call('POST', `/examinations/${id}/plan`).expect(409)).body.title).toMatch(
      /follow from the timetable/,
    );
    expect(
      (
        await change(id, plan, 0, {
          kind: 'exchange',
          one: 'candidate 1',
          other: 'candidate 2',
        }).expect(409)
      ).body.title,
    ).toBe('This plan is published');
    const next = await planned(id, { pairs: 0 });
    expect((await timetableOf(id)).plans.map(({ state }) => state)).toEqual(['draft', 'published']);
    await publish(id, next).expect(200);
    const after = await timetableOf(id);
    expect(after.plans.map(({ state }) => state)).toEqual(['published', 'superseded']);
    expect(after.copies).toMatchObject([{ number: 1, stale: true }]);
    expect((await lead.call('GET', `/examinations/${id}`)).body.sheets).toBe(18);
  });

  it('plans no sheet for whoever has withdrawn since, and tells it', async () => {
    const id = await examine(2, 4, 5);
    const plan = await planned(id, { circuits: 1 });
    const { body } = await lead.call('GET', `/examinations/${id}/candidates`).expect(200);
    const gone = body.candidates[1];
    await lead
      .call('PUT', `/candidates/${gone.id}/state`, { state: 'withdrawn', reason: 'moved away' })
      .expect(200);
    const now = await planOf(id, plan.id);
    expect(faultsIn(now.problem, now.slots).map(({ words }) => words)).toContain(
      `candidate ${gone.number} is not expected any more`,
    );
    await publish(id, plan).expect(200);
    expect((await lead.call('GET', `/examinations/${id}`)).body.sheets).toBe(3 * 2);
  });

  it('is not published where somebody in it does not take part any more', async () => {
    const id = await examine(2, 2, 5);
    const plan = await planned(id, { circuits: 1 });
    const { examiners } = await resourcesOf(id);
    const used = new Set(plan.slots.map(({ examiner }) => examiner));
    const gone = examiners.filter(({ takesPart, name }) => takesPart && used.has(name));
    await lead
      .call('PUT', `/examinations/${id}/resources/examiners`, {
        examiners: gone.map(({ accountId }) => ({ accountId, takesPart: false })),
      })
      .expect(200);
    expect((await publish(id, plan).expect(409)).body.detail).toMatch(/does not take part/);
    const dropped = await lead
      .call('DELETE', `/examinations/${id}/timetables/${plan.id}`)
      .expect(200);
    expect(dropped.body.plans).toEqual([]);
    await lead.call('GET', `/examinations/${id}/timetables/${plan.id}`).expect(404);
  });
});

describe('the rest of a day', () => {
  it('is told before it is taken, moves few, and keeps what has begun', async () => {
    const id = await examine(3, 9, 4);
    const plan = await planned(id, { circuits: 1 });
    await publish(id, plan).expect(200);
    const noon = plan.slots[12]?.start ?? 0;
    const now = new Date(noon * 60_000).toISOString();
    const ill = plan.slots.at(-1)?.examiner ?? '';
    const asked = { now, examiners: [ill], take: false };
    const path = `/examinations/${id}/timetables/${plan.id}/rest`;
    const told = (await lead.call('POST', path, asked).expect(200)).body;
    expect(told.plan).toBeNull();
    expect(told.people.map(({ who, as }: { who: string; as: string }) => `${as} ${who}`)).toEqual([
      `examiner ${ill}`,
      expect.stringMatching(/^examiner /),
    ]);
    expect((await timetableOf(id)).plans).toHaveLength(1);
    const taken = (await lead.call('POST', path, { ...asked, take: true }).expect(200)).body;
    expect(taken.people).toEqual(told.people);
    const draft = await planOf(id, taken.plan);
    expect([draft.state, draft.follows, draft.replannedAt]).toEqual(['draft', 1, now]);
    expect(draft.slots.filter(({ start }) => start <= noon)).toEqual(
      plan.slots.filter(({ start }) => start <= noon),
    );
    expect(draft.slots.some(({ start, examiner }) => start > noon && examiner === ill)).toBe(false);
    expect(checkPlan(draft.problem, draft.slots)).toEqual([]);
    const strange = await lead
      .call('POST', path, { now, examiners: ['Nobody Such'], take: true })
      .expect(422);
    expect(strange.body.errors).toEqual([
      { pointer: '/examiners', detail: 'names Nobody Such, who is not in the plan' },
    ]);
  });
});
