import type {
  EventBody,
  MarkEvent,
  OwnStation,
  Recorded,
  Sheet,
} from '@kritikos/contracts/marking';
import type { CandidateReport, Results } from '@kritikos/contracts/results';
import type { SafetyOccurrence } from '@kritikos/contracts/safety';
import type { Decision, StandardsPage } from '@kritikos/contracts/standards';
import { parse } from 'csv-parse/sync';
import { beforeAll, describe, expect, it } from 'vitest';
import { IMPERFECTIONS } from '../demo/imperfections.ts';
import { EXAMINERS } from '../demo/people.ts';
import { newId } from '../http/newId.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
const { safetyEvent } = IMPERFECTIONS;
let lead: Caller;
let address: string;
const occurrences = async (): Promise<SafetyOccurrence[]> =>
  (await lead.call('GET', `${address}/safety`).expect(200)).body;
const results = async (): Promise<Results> =>
  (await lead.call('GET', `${address}/results`).expect(200)).body;
const standards = async (): Promise<StandardsPage> =>
  (await lead.call('GET', `${address}/standards`).expect(200)).body;

beforeAll(async () => {
  lead = await server.lead();
  address = `/examinations/${await server.thisYears()}`;
});

describe('a safety event', () => {
  it('is seen where the standard is set, in the report, on the candidate’s page and in the file', async () => {
    const [one, ...others] = await occurrences();
    expect(others).toEqual([]);
    expect(one).toMatchObject({
      candidateNumber: safetyEvent?.candidate,
      position: safetyEvent?.position,
      late: false,
      followUp: null,
    });
    expect(one?.note).toMatch(/^Simulated patient felt the shoulder slip/);
    expect((await standards()).safety).toEqual([one]);
    const listed = (await results()).candidates.find((c) => c.number === safetyEvent?.candidate);
    expect(listed?.safetyEvents).toEqual({ all: 1, laid: 0, open: 1 });
    const report: CandidateReport = (
      await lead.call('GET', `${address}/results/candidates/${listed?.candidateId}`)
    ).body;
    expect(report.stations.flatMap((station) => station.safety)).toEqual([one]);
    const { text } = await lead.call('GET', `${address}/results.csv`);
    const rows = parse(text, { bom: true, columns: true }) as Record<string, string>[];
    expect(rows.filter((row) => row['safety events'] !== '0')).toMatchObject([
      { number: `${safetyEvent?.candidate}`, 'safety events not followed up': '1' },
    ]);
  });

  it('is followed up by the lead, in words; what was said before stays, and the newest counts', async () => {
    const [one] = await occurrences();
    const path = `${address}/safety/${one?.id}`;
    const found = { laidTo: 'another cause', text: 'The patient had slept badly; rested, well.' };
    const examiner = await server.signIn(EXAMINERS[0].email);
    await examiner.call('POST', path, found).expect(403);
    await lead.call('POST', path, { ...found, text: 'Cramp' }).expect(422);
    await lead.call('POST', path, { ...found, laidTo: 'nobody' }).expect(422);
    await lead.call('POST', `${address}/safety/${newId()}`, found).expect(404);
    const others = server.db('examination').whereNot({ id: address.split('/')[2] ?? '' });
    const { id: other } = (await others.first('id')) as { id: string };
    await lead.call('POST', `/examinations/${other}/safety/${one?.id}`, found).expect(404);
    expect((await occurrences())[0]?.followUp).toBeNull();

    await lead.call('POST', path, found).expect(200);
    expect((await occurrences())[0]?.followUp).toMatchObject({ ...found, by: lead.account?.name });
    const anew = { laidTo: 'candidate', text: 'The patient said stop twice before it.' };
    const answer: SafetyOccurrence[] = (await lead.call('POST', path, anew).expect(200)).body;
    expect(answer[0]?.followUp).toMatchObject(anew);
    const written = server.db('safety_follow_up').where({ tap: one?.id }).orderBy('at');
    expect(await written.pluck('text')).toEqual([found.text, anew.text]);
    await expect(
      server.tools.db('safety_follow_up').where({ tap: one?.id }).update({ laid_to: 'candidate' }),
    ).rejects.toThrow(/permission denied/);
    const audited = await server.db('audit_entry').where({ action: 'safety event followed up' });
    expect(audited.map(({ subject }) => subject as string)).toEqual([one?.id, one?.id]);
  });

  it('decides where the rule asks for it: laid to the candidate it fails, open it leaves undecided', async () => {
    const [one] = await occurrences();
    const path = `${address}/safety/${one?.id}`;
    const sign = async (safetyEventFails: boolean) => {
      const { draft, decisions } = await standards();
      const rule = { ...draft.rule, safetyEventFails, criticalFailureFails: false };
      const settings = { ...draft, rule: { ...rule, fewestStationsPassed: 0, parts: {} } };
      const body = {
        settings,
        reason: 'A trial of what the rule asks for.',
        follows: decisions[0]?.id ?? null,
      };
      const decision: Decision = (await lead.call('POST', `${address}/decisions`, body).expect(200))
        .body;
      return decision.outcomes.find(({ candidate }) => candidate === one?.candidateId);
    };
    const without = await sign(false);
    expect(without?.reasons.join(' ')).not.toMatch(/safety event/);
    expect(await sign(true)).toMatchObject({
      outcome: 'fail',
      reasons: [...(without?.reasons ?? []), 'One safety event is laid to the candidate.'],
    });
    await lead.call('POST', path, {
      laidTo: 'another cause',
      text: 'Looked at again: the couch had slipped.',
    });
    expect(await sign(true)).toMatchObject({ outcome: without?.outcome });
    await server.db.raw('alter table safety_follow_up disable trigger all');
    await server.db('safety_follow_up').del();
    await server.db.raw('alter table safety_follow_up enable trigger all');
    const open = await sign(true);
    // By everything else they pass; what nobody has followed up yet leaves it undecided.
    expect(without?.outcome).toBe('pass');
    expect(open).toMatchObject({
      outcome: 'incomplete',
      reasons: ['A safety event has not been followed up, so it is undecided.'],
    });
  });
});

describe('a slip', () => {
  let examiner: Caller;
  let sheet: Sheet;
  let sequence = 0;
  const tap = (body: EventBody): MarkEvent => ({
    id: newId(),
    device: 'slip',
    sequence: sequence++,
    at: new Date().toISOString(),
    clockAhead: 0,
    checklistVersionId: sheet.checklist.id,
    body,
  });
  const send = async (...events: MarkEvent[]): Promise<Recorded> =>
    (
      await examiner
        .call('POST', `/sheets/${sheet.id}/events`, { account: examiner.account?.id, events })
        .expect(200)
    ).body;
  const ofSheet = async () => (await occurrences()).filter((o) => o.sheetId === sheet.id);

  beforeAll(async () => {
    examiner = await server.signIn(EXAMINERS[0].email);
    const stations: OwnStation[] = (await examiner.call('GET', '/own/stations')).body;
    const open = stations.flatMap((s) => s.sheets).find((s) => s.submittedAt === null);
    sheet = (await examiner.call('GET', `/sheets/${open?.id}`)).body;
  });

  it('taken back is no event any more, and stays in the stream; what is written goes to its event', async () => {
    const slip = tap({ type: 'safety', note: '', remaining: 300 });
    const stop = tap({ type: 'safety', note: '', remaining: 200 });
    await send(slip);
    await send(stop);
    expect(await ofSheet()).toHaveLength(2);
    await send(
      tap({ type: 'safety-taken-back', safety: slip.id, running: true, remaining: 190 }),
      tap({ type: 'safety-note', safety: stop.id, note: 'Cramp in the calf; rested.' }),
    );
    expect(await ofSheet()).toMatchObject([{ id: stop.id, note: 'Cramp in the calf; rested.' }]);
    const now: Sheet = (await examiner.call('GET', `/sheets/${sheet.id}`)).body;
    expect(now.state.safety.map(({ id }) => id)).toEqual([stop.id]);
    expect(now.state.clock).toMatchObject({ running: true, remaining: 190 });
    const stream = server.db('mark_event').where({ sheet_id: sheet.id }).orderBy('arrival');
    const types = (await stream.pluck('body')).map(({ type }: EventBody) => type);
    expect(types).toEqual(['safety', 'safety', 'safety-taken-back', 'safety-note']);
  });

  it('after the submission is late, and whoever takes an earlier one back then does so too late', async () => {
    const [before] = await ofSheet();
    await send(tap({ type: 'rating', grade: 3 }), tap({ type: 'submit' }));
    const late = tap({ type: 'safety', note: 'Felt faint at the door.', remaining: 0 });
    const back = { type: 'safety-taken-back', running: false, remaining: 0 } as const;
    await send(late);
    await send(tap({ ...back, safety: before?.id ?? '' }));
    expect(await ofSheet()).toMatchObject([
      { id: before?.id, late: false },
      { id: late.id, late: true, note: 'Felt faint at the door.' },
    ]);
    await send(tap({ ...back, safety: late.id }));
    expect((await ofSheet()).map(({ id }) => id)).toEqual([before?.id]);
  });
});
