import type {
  EventBody,
  MarkEvent,
  OwnStation,
  Recorded,
  Sheet,
  SheetRecord,
} from '@kritikos/contracts/marking';
import type { StandardsPage } from '@kritikos/contracts/standards';
import { beforeAll, describe, expect, it } from 'vitest';
import { EXAMINERS } from '../demo/people.ts';
import { newId } from '../http/newId.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';
import { verifyKept } from './verifyKept.ts';

const server = await startServer('demo');
let lead: Caller;
let examiner: Caller;
let id: string;
let sequence = 0;
const REASON = { reason: 'The comment names another candidate.' };
const readSheet = async (): Promise<Sheet> =>
  (await examiner.call('GET', `/sheets/${id}`).expect(200)).body;
const record = async (): Promise<SheetRecord> =>
  (await lead.call('GET', `/sheets/${id}/record`).expect(200)).body;
const own = async () => {
  const stations: OwnStation[] = (await examiner.call('GET', '/own/stations')).body;
  return stations.flatMap(({ sheets }) => sheets).find((sheet) => sheet.id === id);
};
const keptItems = () => server.db('sheet_item').where({ sheet_id: id }).orderBy('item').select();
const done = (item: string, value: number): EventBody => ({
  type: 'mark',
  item,
  value,
  observation: 'observed',
  manner: 'done',
  prompted: false,
});
async function send(...bodies: EventBody[]): Promise<Recorded> {
  const { checklist } = await readSheet();
  const events = bodies.map((body): MarkEvent => ({
    id: newId(),
    device: 'couch',
    sequence: sequence++,
    at: new Date().toISOString(),
    clockAhead: 0,
    checklistVersionId: checklist.id,
    body,
  }));
  const sent = { account: examiner.account?.id, events };
  return (await examiner.call('POST', `/sheets/${id}/events`, sent).expect(200)).body;
}

beforeAll(async () => {
  lead = await server.lead();
  examiner = await server.signIn(EXAMINERS[0].email);
  const stations: OwnStation[] = (await examiner.call('GET', '/own/stations')).body;
  const [waiting] = stations.flatMap(({ sheets }) =>
    sheets.filter(({ submittedAt }) => submittedAt === null),
  );
  id = waiting?.id ?? '';
  const { checklist } = await readSheet();
  const acts = checklist.content.items.filter(({ kind }) => kind === 'done');
  await send(...acts.map(({ key }) => done(key, 1)), { type: 'rating', grade: 3 });
  await send({ type: 'submit' });
});

describe('a submitted sheet', () => {
  it('is reopened by its lead, with a reason, and by nobody else', async () => {
    const before = await record();
    expect(before).toMatchObject({ reopenable: true, reopenings: [] });
    await examiner.call('POST', `/sheets/${id}/reopening`, REASON).expect(403);
    await lead.call('POST', `/sheets/${id}/reopening`, { reason: 'Slip' }).expect(422);
    await lead.call('POST', `/sheets/${newId()}/reopening`, REASON).expect(404);
    expect((await record()).sheet.state.submittedAt).not.toBeNull();

    const after: SheetRecord = (
      await lead.call('POST', `/sheets/${id}/reopening`, REASON).expect(200)
    ).body;
    expect(after).toMatchObject({
      percent: null,
      reopenable: false,
      reopenings: [{ by: lead.account?.name, ...REASON, percent: before.percent }],
    });
    // Every mark is where it was; only the score is gone, and with it what the items earned.
    expect(after.sheet.state).toEqual({ ...before.sheet.state, submittedAt: null });
    expect(await keptItems()).toEqual([]);
    const again = await lead.call('POST', `/sheets/${id}/reopening`, REASON);
    expect([again.status, again.body.title]).toEqual([409, 'The sheet is not submitted']);
    const audited = await server.db('audit_entry').where({ action: 'sheet reopened' });
    expect(audited).toMatchObject([{ subject: id, detail: REASON }]);
  });

  it('is in its examiner’s hand then, with the reason, and the lead is told that it waits', async () => {
    expect(await own()).toMatchObject({ submittedAt: null, reopened: REASON.reason });
    expect((await readSheet()).reopened).toMatchObject(REASON);
    const { examination_id } = await server
      .db('station')
      .where({ id: (await readSheet()).stationId })
      .first();
    const { attention } = (await lead.call('GET', `/examinations/${examination_id}/marking`)).body;
    expect(attention).toContainEqual(
      expect.objectContaining({
        sheetId: id,
        reason: expect.stringContaining('reopened and not submitted again') as string,
      }),
    );
  });

  it('takes a correction, is submitted anew, and is scored as it stands', async () => {
    const { checklist, state } = await readSheet();
    const item = checklist.content.items.find((one) => one.kind === 'done');
    const mark = state.marks.find((one) => one.item === item?.key);
    const value = mark?.value === 1 ? 0 : 1;
    const corrected = await send(done(item?.key ?? '', value));
    expect(corrected.answers[0]?.outcome).toBe('kept');
    // The submission of before does not hand the sheet in again.
    await expect(
      server.tools.db.raw('select submit_sheet(?, ?, ?)', [id, '{"unmarked": []}', '[]']),
    ).rejects.toThrow(/was not handed in/);
    const { answers, submittedAt } = await send({ type: 'submit' });
    expect(answers[0]?.outcome).toBe('kept');
    expect(submittedAt).not.toBeNull();
    const now = await record();
    expect(now).toMatchObject({ reopenable: true, sheet: { reopened: null } });
    expect(await own()).toMatchObject({ reopened: null });
    const kept = (await keptItems()).find((one) => one.item === item?.key);
    expect(Number(kept?.share)).toBe(value);
    expect((await verifyKept(server.db)).differing).toEqual([]);
  });

  it('stays as it was signed once a decision knows it', async () => {
    const { stationId } = await readSheet();
    const { examination_id } = await server.db('station').where({ id: stationId }).first();
    const page: StandardsPage = (
      await lead.call('GET', `/examinations/${examination_id}/standards`)
    ).body;
    const body = {
      settings: page.draft,
      reason: 'The board saw every station.',
      follows: page.decisions[0]?.id ?? null,
    };
    await lead.call('POST', `/examinations/${examination_id}/decisions`, body).expect(200);
    expect(await record()).toMatchObject({ reopenable: false });
    const late = await lead.call('POST', `/sheets/${id}/reopening`, REASON);
    expect([late.status, late.body.title]).toEqual([409, 'A signed decision knows this sheet']);
  });

  it('cannot be reopened past the function, by the role of the application', async () => {
    const refused = /permission denied/;
    const db = server.tools.db;
    await expect(db('sheet').where({ id }).update({ submitted_at: null })).rejects.toThrow(refused);
    await expect(db('sheet_item').where({ sheet_id: id }).del()).rejects.toThrow(refused);
    await expect(
      db.raw('select reopen_sheet(?, ?, ?, ?)', [
        id,
        newId(),
        examiner.account?.id ?? '',
        REASON.reason,
      ]),
    ).rejects.toThrow(/does not lead the examination/);
  });
});
