import type { EventBody, MarkEvent, Sheet } from '@kritikos/contracts/marking';
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
  body,
  ...more,
});
const done = (item: string, value: number | string | null = 1): EventBody => ({
  type: 'mark',
  item,
  value,
  observation: 'observed',
  manner: 'done',
  prompted: false,
});
const send = (events: MarkEvent[], who = examiner, version = sheet.checklist.id) =>
  who.call('POST', `/sheets/${sheet.id}/events`, { checklistVersionId: version, events });
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
    expect((await send([tap])).body.acknowledged).toEqual([tap.id]);
    expect((await send([tap, tap])).body.acknowledged).toEqual([tap.id, tap.id]);
    expect(await server.db('mark_event').where({ sheet_id: sheet.id })).toHaveLength(1);
    expect((await reload()).state.marks).toMatchObject([{ item: 'consent', value: 1 }]);
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
  ])('refuses %s and points at it', async (_, body, why) => {
    const fine = event(done('hand-hygiene'));
    const response = await send([fine, event(body)]);
    expect(response.status).toBe(422);
    expect(response.body.errors[0].pointer).toMatch(/^\/events\/1\/body\//);
    expect(response.body.errors[0].detail).toMatch(why);
    expect(await server.db('mark_event').where({ id: fine.id })).toHaveLength(0);
  });

  it('refuses a second event in the place of another', async () => {
    const response = await send([event(done('consent', 0), { sequence: 0 })]);
    expect(response.status).toBe(422);
    expect(response.body.errors[0].detail).toMatch(/the place/);
  });

  it('is closed to other examiners, for reading and for marking', async () => {
    expect((await other.call('GET', `/sheets/${sheet.id}`)).status).toBe(403);
    const response = await send([event(done('consent'))], other);
    expect(response.status).toBe(403);
    expect(response.body.detail).toMatch(/another examiner’s sheet/);
  });

  it('refuses marks made on another version of the checklist', async () => {
    const response = await send([event(done('consent'))], examiner, newId());
    expect(response.status).toBe(409);
    expect(response.body.type).toBe('urn:kritikos:problem:stale-checklist');
  });

  it('does not take an event that was sent to another sheet', async () => {
    const [foreign] = await server.db('mark_event').whereNot({ sheet_id: sheet.id }).limit(1);
    const response = await send([event(done('consent'), { id: foreign.id })]);
    expect(response.status).toBe(422);
  });

  it('keeps the database and the device in step: the projection is the fold of the events', async () => {
    const { items, faults, variants } = sheet.checklist.content;
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
        const events = bodies.map((b) => event(b));
        await send(events).expect(200);
        const folded = events.reduce((now, e) => afterEvent(now, e.body, e.at), before);
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
    await send([event({ type: 'safety', note: 'Sharp pain', remaining: 200 })]).expect(200);
    expect((await reload()).state).toMatchObject({
      safetyEvents: 1,
      clock: { running: false, remaining: 200 },
    });
    const lead = await server.lead();
    const examinations = (await lead.call('GET', '/examinations')).body;
    const { attention } = (await lead.call('GET', `/examinations/${examinations[0].id}/marking`))
      .body;
    expect(attention).toContainEqual(
      expect.objectContaining({ sheetId: sheet.id, reason: 'safety event' }),
    );
  });

  it('submits once; after that marks are refused, but retries are still acknowledged', async () => {
    const last = [event({ type: 'rating', grade: 3 }), event({ type: 'submit' })];
    expect((await send(last)).body.submittedAt).not.toBeNull();
    expect((await send(last)).status).toBe(200);
    const late = await send([event(done('consent', 0))]);
    expect(late.status).toBe(409);
    expect(late.body.type).toBe('urn:kritikos:problem:already-submitted');
  });

  it('shows the lead the sheet with everything that was tapped, and nobody can change that', async () => {
    const lead = await server.lead();
    const record = (await lead.call('GET', `/sheets/${sheet.id}/record`)).body;
    expect(record.events.at(-1).body.type).toBe('submit');
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
    const response = await third.call('POST', `/sheets/${open.id}/events`, {
      checklistVersionId: found.checklist.id,
      events: [event({ type: 'submit' })],
    });
    expect(response.status).toBe(422);
    expect(response.body.errors[0].detail).toMatch(/overall grade first/);
  });

  it('is a matter of open marking, but a sheet under way can be finished', async () => {
    const lead = await server.lead();
    const [{ id }] = (await lead.call('GET', '/examinations')).body;
    const third = await server.signIn(EXAMINERS[2].email);
    const [station] = (await third.call('GET', '/own/stations')).body;
    const open = station.sheets.find((s: { submittedAt: unknown }) => !s.submittedAt);
    const found: Sheet = (await third.call('GET', `/sheets/${open.id}`)).body;
    const tap = (body: EventBody) =>
      third.call('POST', `/sheets/${open.id}/events`, {
        checklistVersionId: found.checklist.id,
        events: [event(body)],
      });
    await lead.call('PUT', `/examinations/${id}/marking`, { open: false }).expect(200);
    expect((await tap(done('consent'))).status).toBe(409);
    await lead.call('PUT', `/examinations/${id}/marking`, { open: true }).expect(200);
    expect((await tap(done('consent'))).status).toBe(200);
    await lead.call('PUT', `/examinations/${id}/marking`, { open: false }).expect(200);
    expect((await tap(done('hand-hygiene'))).status).toBe(200);
  });
});
