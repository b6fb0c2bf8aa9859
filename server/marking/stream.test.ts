import type { EventBody, MarkEvent, Recorded, Sheet } from '@kritikos/contracts/marking';
import { afterEvent } from '@kritikos/core/marking/sheetState';
import type { SheetState } from '@kritikos/core/marking/sheetState';
import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { EXAMINERS } from '../demo/people.ts';
import { newId } from '../http/newId.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

/** The order that counts of two taps, wherever and whenever they arrive. */
const server = await startServer('demo');
const START = Date.now() - 600_000;
let examiner: Caller;
let blank: Sheet;

const at = (second: number) => new Date(START + second * 1000).toISOString();
const mark = (item: string, value: number): EventBody => ({
  type: 'mark',
  item,
  value,
  observation: 'observed',
  manner: 'done',
  prompted: false,
});
const tap = (device: string, sequence: number, second: number, body: EventBody): MarkEvent => ({
  id: newId(),
  device,
  sequence,
  at: at(second),
  clockAhead: 0,
  checklistVersionId: blank.checklist.id,
  body,
});
const send = async (sheet: string, events: readonly MarkEvent[]): Promise<Recorded> =>
  (
    await examiner
      .call('POST', `/sheets/${sheet}/events`, { account: examiner.account?.id, events })
      .expect(200)
  ).body;
const read = async (sheet: string): Promise<Sheet> =>
  (await examiner.call('GET', `/sheets/${sheet}`).expect(200)).body;
const valueOn = (sheet: Sheet, item: string) =>
  sheet.state.marks.find((m) => m.item === item)?.value;

beforeAll(async () => {
  examiner = await server.signIn(EXAMINERS[0].email);
  const [station] = (await examiner.call('GET', '/own/stations')).body;
  const open = station.sheets.find((s: { submittedAt: unknown }) => !s.submittedAt);
  blank = await read(open.id);
});

/** A fresh sheet of the same station, for a candidate of its own. */
async function freshSheet(): Promise<string> {
  const planned = await server.db('sheet').where({ id: blank.id }).first();
  const { examination_id } = await server.db('station').where({ id: blank.stationId }).first();
  const numbers = await server.db('candidate').where({ examination_id }).pluck('number');
  const number = Math.max(...numbers) + 1;
  const { cohort_id } = await server.db('examination').where({ id: examination_id }).first();
  const student = { id: newId(), cohort_id, number: `s${number}`, name: 'Somebody else' };
  await server.db('student').insert(student);
  const candidate = { id: newId(), examination_id, number, student_id: student.id };
  await server.db('candidate').insert(candidate);
  const { station_id, examiner_id, checklist_version_id, variants } = planned;
  const id = newId();
  await server.db('sheet').insert({
    id,
    candidate_id: candidate.id,
    station_id,
    examiner_id,
    checklist_version_id,
    variants: JSON.stringify(variants),
  });
  return id;
}

describe('two tablets on one sheet', () => {
  it('a tablet that was offline does not overwrite what the other marked later', async () => {
    const sheet = await freshSheet();
    await send(sheet, [tap('ward-a', 0, 60, mark('consent', 1))]);
    await send(sheet, [tap('ward-b', 0, 20, mark('consent', 0))]);
    expect(valueOn(await read(sheet), 'consent')).toBe(1);
  });

  it('goes by the corrected time, not by a clock that is wrong', async () => {
    const sheet = await freshSheet();
    const anHour = 3_600_000;
    const fast = { ...tap('fast', 0, 10 + 3600, mark('consent', 0)), clockAhead: anHour };
    await send(sheet, [fast]);
    await send(sheet, [tap('right', 0, 20, mark('consent', 1))]);
    expect(valueOn(await read(sheet), 'consent')).toBe(1);
    const event = await server.db('mark_event').where({ id: fast.id }).first();
    expect(event.happened_at.toISOString()).toBe(at(10));
  });

  it('nothing has happened after it arrived: a clock in the future does not win for ever', async () => {
    const sheet = await freshSheet();
    const year = 365 * 24 * 3600;
    await send(sheet, [tap('ahead', 0, year, mark('consent', 0))]);
    const after = (Date.now() - START) / 1000 + 0.05;
    await new Promise((resolve) => setTimeout(resolve, 60));
    await send(sheet, [tap('right', 0, after, mark('consent', 1))]);
    expect(valueOn(await read(sheet), 'consent')).toBe(1);
  });

  it('of two taps at one time the later arrival counts', async () => {
    const sheet = await freshSheet();
    await send(sheet, [tap('a', 0, 30, mark('consent', 0))]);
    await send(sheet, [tap('b', 0, 30, mark('consent', 1))]);
    expect(valueOn(await read(sheet), 'consent')).toBe(1);
  });

  it('tells a tablet that the other one wrote meanwhile', async () => {
    const sheet = await freshSheet();
    const first = await send(sheet, [tap('a', 0, 1, mark('consent', 0))]);
    const other = await send(sheet, [tap('b', 0, 2, mark('consent', 1))]);
    const again = await send(sheet, [tap('a', 1, 3, mark('consent', 0))]);
    expect(other.before).toBe(first.stamp);
    expect(again.before).toBe(other.stamp);
    expect((await read(sheet)).stamp).toBe(again.stamp);
  });
});

describe('a batch in the wrong order', () => {
  it('ends right, and what was tapped first keeps its place when it is corrected later', async () => {
    const sheet = await freshSheet();
    const taps = [
      tap('t', 0, 1, mark('hand-hygiene', 0)),
      tap('t', 1, 2, mark('consent', 1)),
      tap('t', 2, 3, mark('hand-hygiene', 1)),
    ];
    await send(sheet, taps.toReversed());
    const { marks } = (await read(sheet)).state;
    expect(marks.map((m) => [m.item, m.value, m.at])).toEqual([
      ['hand-hygiene', 1, Date.parse(at(1))],
      ['consent', 1, Date.parse(at(2))],
    ]);
  });

  it('of taps in one millisecond the device’s own order counts', async () => {
    const sheet = await freshSheet();
    await send(sheet, [
      tap('t', 1, 5, { type: 'clear', item: 'consent' }),
      tap('t', 0, 5, mark('consent', 1)),
    ]);
    expect(valueOn(await read(sheet), 'consent')).toBeUndefined();
  });

  it('whatever order the taps arrive in, the sheet is the fold of them in theirs', async () => {
    const items = blank.checklist.content.items.filter((i) => i.kind === 'done').slice(0, 3);
    const [fault] = blank.checklist.content.faults;
    const body = fc.oneof(
      fc
        .tuple(fc.constantFrom(...items), fc.integer({ min: 0, max: 1 }))
        .map(([item, value]) => mark(item.key, value)),
      fc.constantFrom(...items).map((item): EventBody => ({ type: 'clear', item: item.key })),
      fc
        .boolean()
        .map((present): EventBody => ({ type: 'fault', fault: fault?.key ?? '', present })),
      fc
        .option(fc.integer({ min: 1, max: 5 }))
        .map((grade): EventBody => ({ type: 'rating', grade })),
      fc.string({ maxLength: 9 }).map((text): EventBody => ({ type: 'comment', text })),
      fc.boolean().map((running): EventBody => ({ type: 'clock', running, remaining: 9.5 })),
      fc.constant<EventBody>({ type: 'safety', note: '', remaining: 3 }),
      fc.nat(9).map((of): EventBody => ({ type: 'safety-note', safety: `${of}`, note: 'Cramp' })),
      fc.nat(9).map((of): EventBody => ({
        type: 'safety-taken-back',
        safety: `${of}`,
        running: true,
        remaining: 2.5,
      })),
    );
    await fc.assert(
      fc.asyncProperty(
        fc.array(body, { minLength: 2, maxLength: 10 }),
        fc.infiniteStream(fc.nat()),
        async (bodies, shuffle) => {
          const sheet = await freshSheet();
          const ids = bodies.map(() => newId());
          // What is said of a safety event names the tap of that place, whatever that one was.
          const taps = bodies.map((b, i) => {
            const named = 'safety' in b ? { ...b, safety: ids[Number(b.safety)] ?? newId() } : b;
            return { ...tap('t', i, i, named), id: ids[i] ?? '' };
          });
          const arriving = taps
            .map((t) => [shuffle.next().value as number, t] as const)
            .sort((a, b) => a[0] - b[0]);
          for (const [, one] of arriving) await send(sheet, [one]);
          const empty: SheetState = blank.state;
          const folded = taps.reduce((now, t) => afterEvent(now, t.body, t), empty);
          expect((await read(sheet)).state).toEqual(folded);
        },
      ),
      { numRuns: 12 },
    );
  });
});

describe('one time for all', () => {
  it('begun, submitted and the clock are on the corrected time of the taps', async () => {
    const sheet = await freshSheet();
    await send(sheet, [
      tap('t', 1, 12, { type: 'clock', running: true, remaining: 480 }),
      tap('t', 2, 300, { type: 'rating', grade: 3 }),
      tap('t', 3, 301, { type: 'submit' }),
    ]);
    const row = await server.db('sheet').where({ id: sheet }).first();
    expect(row.started_at.toISOString()).toBe(at(12));
    expect(row.submitted_at.toISOString()).toBe(at(301));
    expect(row.clock.since).toBe(at(12));
  });

  it('a measurement keeps every decimal that the stream keeps', async () => {
    const sheet = await freshSheet();
    const value = 27.12345678901234;
    const item = blank.checklist.content.items.find((i) => i.kind === 'measured')?.key ?? '';
    await send(sheet, [tap('t', 0, 1, mark(item, value))]);
    expect(valueOn(await read(sheet), item)).toBe(value);
  });
});

describe('what the database itself refuses', () => {
  it('an event that happened at another time than its clocks say', async () => {
    const row = await server.db('mark_event').first();
    const { arrival, ...copy } = row;
    void arrival;
    const forged = { ...copy, id: newId(), sequence: 9999, body: JSON.stringify(copy.body) };
    await expect(server.db('mark_event').insert({ ...forged, happened_at: at(1) })).rejects.toThrow(
      /mark_event_happened/,
    );
  });

  it('a sheet that is submitted before it is begun', async () => {
    const sheet = await freshSheet();
    await expect(
      server
        .db('sheet')
        .where({ id: sheet })
        .update({ started_at: at(5), submitted_at: at(4) }),
    ).rejects.toThrow(/sheet_on_one_time/);
  });

  it('taking back that marking was opened, and another checklist under a station', async () => {
    const { examination_id } = await server.db('station').where({ id: blank.stationId }).first();
    await expect(
      server.db('examination').where({ id: examination_id }).update({ marking_opened_at: null }),
    ).rejects.toThrow(/has been opened/);
    const others = await server
      .db('checklist_version')
      .whereNot({ checklist_id: blank.checklist.checklistId })
      .first();
    await expect(
      server
        .db('station')
        .where({ id: blank.stationId })
        .update({ checklist_version_id: others.id }),
    ).rejects.toThrow(/keeps its checklist/);
  });
});

describe('an examiner taken off a station', () => {
  it('finishes what was begun, and begins nothing', async () => {
    const [begun, untouched] = [await freshSheet(), await freshSheet()];
    await send(begun, [tap('t', 0, 1, mark('consent', 1))]);
    await server
      .db('station_examiner')
      .where({ station_id: blank.stationId, account_id: examiner.account?.id })
      .delete();
    await send(begun, [tap('t', 1, 2, mark('hand-hygiene', 1))]);
    const refused = await examiner.call('POST', `/sheets/${untouched}/events`, {
      account: examiner.account?.id,
      events: [tap('t', 0, 1, mark('consent', 1))],
    });
    expect(refused.status).toBe(403);
    expect(refused.body.detail).toMatch(/taken off this station/);
    const own = (await examiner.call('GET', '/own/stations')).body;
    const station = own.find((s: { stationId: string }) => s.stationId === blank.stationId);
    expect(station.assigned).toBe(false);
    const shown = station.sheets.map((s: { id: string }) => s.id);
    expect(shown).toContain(begun);
    expect(shown).not.toContain(untouched);
  });
});
