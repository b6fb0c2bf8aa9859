import type { MarkValue } from '@kritikos/core/scoring/mark';
import type { EventBody, MarkEvent, Recorded, Sheet } from '@kritikos/contracts/marking';
import { afterEvent } from '@kritikos/core/marking/sheetState';
import { choicesOfItem } from '../testing/choices.ts';
import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { EXAMINERS } from '../demo/people.ts';
import { newId } from '../http/newId.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let examiner: Caller;
let other: Caller;
let sheet: Sheet;
let sequence = 0;

const event = (body: EventBody, more: Partial<MarkEvent> = {}): MarkEvent => ({
  id: newId(),
  device: 'tablet',
  sequence: sequence++,
  at: new Date().toISOString(),
  clockAhead: 0,
  checklistVersionId: sheet.checklist.id,
  body,
  ...more,
});
const done = (item: string, value: MarkValue = 1): EventBody => ({
  type: 'mark',
  item,
  value,
  observation: 'observed',
  manner: 'done',
  prompted: false,
});
const send = (events: unknown[], who = examiner, to = sheet.id) =>
  who.call('POST', `/sheets/${to}/events`, { account: who.account?.id, events });
const outcomes = (response: { body: Recorded }) => response.body.answers.map((a) => a.outcome);
const reasonOf = (response: { body: Recorded }, place: number) => {
  const answer = response.body.answers[place];
  return answer?.outcome === 'refused' ? answer.reason : '';
};
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const reload = async () => (await examiner.call('GET', `/sheets/${sheet.id}`)).body as Sheet;

beforeAll(async () => {
  examiner = await server.signIn(EXAMINERS[0].email);
  other = await server.signIn(EXAMINERS[1].email);
  const [station] = (await examiner.call('GET', '/own/stations')).body;
  const open = station.sheets.find((s: { submittedAt: unknown }) => !s.submittedAt);
  sheet = (await examiner.call('GET', `/sheets/${open.id}`)).body;
});

describe('marking a sheet', () => {
  it('keeps a tap, and keeps it once however often it is sent', async () => {
    const tap = event(done('consent'));
    expect((await send([tap])).body.answers).toEqual([{ outcome: 'kept', id: tap.id }]);
    expect(outcomes(await send([tap, tap]))).toEqual(['kept', 'kept']);
    expect(await server.db('mark_event').where({ sheet_id: sheet.id })).toHaveLength(1);
    const now = await reload();
    expect(now.state.marks).toMatchObject([{ item: 'consent', value: 1 }]);
    expect(now.tapped).toEqual([tap.id]);
  });

  it.each([
    ['a grade above the anchors', done('shin-grip', 3), /a grade from 0 to 2/],
    ['half a grade', done('shin-grip', 0.5), /a grade from 0 to 2/],
    ['an angle no knee has', done('knee-angle', 400), /from 0 to 135/],
    ['an option that is none', done('end-point', 'mushy'), /one of negative, positive/],
    ['an item that is none', done('nowhere'), /is not on this checklist/],
    ['an observed mark without a value', done('consent', null), /must be 0/],
    [
      'a variant that is none',
      { type: 'variant', variant: 'upside-down' } as const,
      /not a variant/,
    ],
    [
      'a comment with a vertical tab',
      { type: 'comment', text: 'slow\u000bhands' } as const,
      /characters that cannot be stored/,
    ],
  ])('refuses %s in words, and takes the taps around it', async (_, body, why) => {
    const around = [event(done('hand-hygiene')), event(done('hand-hygiene', 0))];
    const bad = event(body);
    const response = await send([around[0], bad, around[1]]).expect(200);
    expect(outcomes(response)).toEqual(['kept', 'refused', 'kept']);
    expect(response.body.answers[1].id).toBe(bad.id);
    expect(reasonOf(response, 1)).toMatch(why);
    const written = await server
      .db('mark_event')
      .whereIn('id', [bad.id, ...around.map((e) => e.id)]);
    expect(written).toHaveLength(2);
  });

  it('names what is no tap at all, and takes the rest', async () => {
    const fine = event(done('consent'));
    const huge = event(done('consent'), { sequence: 2 ** 31 });
    const response = await send([null, 'tap', { id: 'x' }, huge, fine]).expect(200);
    expect(outcomes(response)).toEqual(['refused', 'refused', 'refused', 'refused', 'kept']);
    expect(response.body.answers[0].id).toBeNull();
    expect(reasonOf(response, 3)).toMatch(/sequence/);
  });

  it('refuses a second event in the place of another', async () => {
    const response = await send([event(done('consent', 0), { sequence: 0 })]);
    expect(reasonOf(response, 0)).toMatch(/its place/);
  });

  it('refuses the same id with another body; in capitals it is the same id', async () => {
    const tap = event(done('consent'));
    await send([tap]);
    expect(reasonOf(await send([{ ...tap, body: done('consent', 0) }]), 0)).toMatch(/same id/);
    const shouted = await send([{ ...tap, id: tap.id.toUpperCase() }]);
    expect(shouted.body.answers).toEqual([{ outcome: 'kept', id: tap.id }]);
  });

  it('is closed to other examiners, for reading and for marking', async () => {
    expect((await other.call('GET', `/sheets/${sheet.id}`)).status).toBe(403);
    const response = await send([event(done('consent'))], other);
    expect(response.status).toBe(403);
    expect(response.body.detail).toMatch(/another examiner’s sheet/);
  });

  it('is not written to by whoever else signed in on the device meanwhile', async () => {
    const response = await examiner.call('POST', `/sheets/${sheet.id}/events`, {
      account: other.account?.id,
      events: [event(done('consent'))],
    });
    expect(response.status).toBe(409);
    expect(response.body.type).toBe('urn:kritikos:problem:other-account');
  });

  it('takes no attempt that the station does not allow', async () => {
    const { allowed } = sheet.checklist.content.attempts;
    expect(allowed).toBeLessThan(3);
    const third = { ...done('consent'), attempt: 3 };
    const response = await send([
      event(third),
      event({ type: 'clear', item: 'consent', attempt: 3 }),
    ]);
    expect(outcomes(response)).toEqual(['refused', 'refused']);
    expect(reasonOf(response, 0)).toMatch(/attempt 3; a candidate may begin here (once|twice)\.$/);
  });

  it('refuses a checklist version that is nowhere', async () => {
    const response = await send([event(done('consent'), { checklistVersionId: newId() })]);
    expect(reasonOf(response, 0)).toMatch(/checklist version that is not here/);
  });

  it('does not take an event that was sent to another sheet', async () => {
    const [foreign] = await server.db('mark_event').whereNot({ sheet_id: sheet.id }).limit(1);
    const response = await send([event(done('consent'), { id: foreign.id })]);
    expect(reasonOf(response, 0)).toMatch(/same id/);
  });

  it('keeps the database and the device in step: the projection is the fold of the events', async () => {
    const { items, faults, procedures } = sheet.checklist.content;
    const variants = procedures.flatMap((own) => own.variants);
    const body = fc.oneof(
      fc
        .constantFrom(...items)
        .chain((item) =>
          fc.constantFrom(...choicesOfItem(item)).map((value) => done(item.key, value)),
        ),
      fc.constantFrom(...items).map((item): EventBody => ({ type: 'clear', item: item.key })),
      fc
        .tuple(fc.constantFrom(...faults), fc.boolean())
        .map(([fault, present]): EventBody => ({ type: 'fault', fault: fault.key, present })),
      fc
        .constantFrom(...variants)
        .map((variant): EventBody => ({ type: 'variant', variant: variant.key })),
      fc.integer({ min: 1, max: 5 }).map((grade): EventBody => ({ type: 'rating', grade })),
      fc.string({ maxLength: 40 }).map((text): EventBody => ({ type: 'comment', text })),
    );
    await fc.assert(
      fc.asyncProperty(fc.array(body, { minLength: 1, maxLength: 12 }), async (bodies) => {
        const before = (await reload()).state;
        // A device gives its taps times that grow; two in one millisecond it does not make.
        const from = Date.now() - bodies.length;
        await pause(bodies.length);
        const events = bodies.map((b, i) => event(b, { at: new Date(from + i).toISOString() }));
        await send(events).expect(200);
        const folded = events.reduce((now, e) => afterEvent(now, e.body, e), before);
        const after = (await reload()).state;
        const sorted = <T extends { item: string }>(marks: T[]) =>
          [...marks].sort((a, b) => (a.item < b.item ? -1 : 1));
        expect(sorted(after.marks)).toEqual(sorted(folded.marks));
        expect([...after.faults].sort()).toEqual([...folded.faults].sort());
        expect({ ...after, marks: [], faults: [] }).toEqual({ ...folded, marks: [], faults: [] });
      }),
      { numRuns: 25 },
    );
  });

  it('takes concurrent batches one after the other, none lost', async () => {
    const events = Array.from({ length: 20 }, () => event(done('consent')));
    const responses = await Promise.all(events.map((e) => send([e])));
    expect(responses.map((r) => r.status)).toEqual(events.map(() => 200));
    const ids = await server.db('mark_event').whereIn(
      'id',
      events.map((e) => e.id),
    );
    expect(ids).toHaveLength(20);
  });

  it('records a safety event in one, stops the clock, and shows it to the lead', async () => {
    const stop = event({ type: 'safety', note: 'Sharp pain', remaining: 200 });
    await send([stop]).expect(200);
    // The answer was lost, so the device sends it again: it counts once.
    await send([stop]).expect(200);
    expect((await reload()).state).toMatchObject({
      safety: [{ id: stop.id, remaining: 200, note: 'Sharp pain' }],
      clock: { running: false, remaining: 200 },
    });
    const lead = await server.lead();
    const id = await server.thisYears();
    const { attention } = (await lead.call('GET', `/examinations/${id}/marking`)).body;
    expect(attention).toContainEqual(
      expect.objectContaining({ sheetId: sheet.id, reason: 'safety event' }),
    );
  });

  it('submits once; what comes after is kept as late and shown to the lead', async () => {
    const last = [event({ type: 'rating', grade: 3 }), event({ type: 'submit' })];
    const { submittedAt } = (await send(last)).body;
    // Two taps of one millisecond stand one after the other.
    const behind = Date.parse(submittedAt) - Date.parse(last[1]?.at ?? '');
    expect(behind).toBeGreaterThanOrEqual(0);
    expect(behind).toBeLessThan(10);
    expect(outcomes(await send(last))).toEqual(['kept', 'kept']);
    const before = await reload();
    await pause(5);
    const late = event(done('consent', 0));
    expect(outcomes(await send([late]))).toEqual(['late']);
    expect(outcomes(await send([late]))).toEqual(['late']);
    expect((await reload()).state).toEqual(before.state);
  });

  it('shows the lead the sheet with everything that was tapped, and nobody can change that', async () => {
    const lead = await server.lead();
    const record = (await lead.call('GET', `/sheets/${sheet.id}/record`)).body;
    expect(record.events.at(-1)).toMatchObject({
      late: 'after-submission',
      account: examiner.account?.name,
    });
    expect(record.events.at(-2).body.type).toBe('submit');
    const id = await server.thisYears();
    const { attention } = (await lead.call('GET', `/examinations/${id}/marking`)).body;
    expect(attention.find((a: { sheetId: string }) => a.sheetId === sheet.id).reason).toMatch(
      /1 late tap$/,
    );
    expect(record.events[0].body).toMatchObject({ type: 'mark', item: 'consent' });
    await expect(server.db('mark_event').where({ sheet_id: sheet.id }).delete()).rejects.toThrow(
      /append-only/,
    );
  });
});

describe('the end of a sheet', () => {
  it('needs the overall grade', async () => {
    const third = await server.signIn(EXAMINERS[2].email);
    const [station] = (await third.call('GET', '/own/stations')).body;
    const open = station.sheets.find((s: { submittedAt: unknown }) => !s.submittedAt);
    const found: Sheet = (await third.call('GET', `/sheets/${open.id}`)).body;
    const version = { checklistVersionId: found.checklist.id };
    const [consent, submit] = [
      event(done('hand-hygiene'), version),
      event({ type: 'submit' }, version),
    ];
    const response = await send([consent, submit], third, open.id);
    expect(outcomes(response)).toEqual(['kept', 'refused']);
    expect(reasonOf(response, 1)).toMatch(/overall grade first/);
  });

  it('waits for the taps before it: with one refused it is refused, and the rest stands', async () => {
    const third = await server.signIn(EXAMINERS[2].email);
    const [station] = (await third.call('GET', '/own/stations')).body;
    const open = station.sheets.find((s: { submittedAt: unknown }) => !s.submittedAt);
    const found: Sheet = (await third.call('GET', `/sheets/${open.id}`)).body;
    const version = { checklistVersionId: found.checklist.id };
    const response = await send(
      [
        event({ type: 'rating', grade: 4 }, version),
        event(done('nowhere'), version),
        event({ type: 'submit' }, version),
      ],
      third,
      open.id,
    );
    expect(outcomes(response)).toEqual(['kept', 'refused', 'refused']);
    const after: Sheet = (await third.call('GET', `/sheets/${open.id}`)).body;
    expect(after.state).toMatchObject({ rating: 4, submittedAt: null });
  });

  it('is a matter of open marking, but a sheet under way can be finished', async () => {
    const lead = await server.lead();
    const id = await server.thisYears();
    const third = await server.signIn(EXAMINERS[3].email);
    const [station] = (await third.call('GET', '/own/stations')).body;
    const open = station.sheets.find((s: { submittedAt: unknown }) => !s.submittedAt);
    const found: Sheet = (await third.call('GET', `/sheets/${open.id}`)).body;
    const tap = (body: EventBody) =>
      send([event(body, { checklistVersionId: found.checklist.id })], third, open.id);
    await lead.call('PUT', `/examinations/${id}/marking`, { open: false }).expect(200);
    const closed = await tap(done('consent'));
    expect(closed.body).toMatchObject({ status: 409, type: 'urn:kritikos:problem:marking-closed' });
    await lead.call('PUT', `/examinations/${id}/marking`, { open: true }).expect(200);
    expect((await tap(done('consent'))).status).toBe(200);
    await lead.call('PUT', `/examinations/${id}/marking`, { open: false }).expect(200);
    expect((await tap(done('hand-hygiene'))).status).toBe(200);
  });
});
