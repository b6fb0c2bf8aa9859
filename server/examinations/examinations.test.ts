import { beforeAll, describe, expect, it } from 'vitest';
import { EXAMINERS } from '../demo/people.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';
import { readCandidateFile } from './candidateFile.ts';

describe('reading a candidate list', () => {
  it('takes commas, semicolons, tabs, a byte-order mark and columns in any order', () => {
    const expected = [{ number: 7, name: 'Ana Só', circuit: 'Green', student: null }];
    for (const file of [
      'number,name,circuit\n7,Ana Só,Green\n',
      '\ufeffName;Circuit;Number\r\nAna Só;Green;7\r\n',
      'number\tname\tcircuit\n\n7\tAna Só\tGreen',
    ]) {
      expect(readCandidateFile(file, new Set())).toEqual({ rows: expected, errors: [] });
    }
  });

  it('names every bad cell by row and column, as the spreadsheet counts them', () => {
    const file = 'number,name\n1,Ana\nx,Ben\n1,\n,Cy\n12,Dee\n';
    const { rows, errors } = readCandidateFile(file, new Set([12]));
    expect(rows).toEqual([{ number: 1, name: 'Ana', circuit: '', student: null }]);
    expect(errors.map(({ row, column }) => `${row} ${column}`)).toEqual([
      '3 number',
      '4 number',
      '4 name',
      '5 number',
      '6 number',
    ]);
    expect(errors[1]?.detail).toBe('Candidate 1 stands in row 2 too.');
    expect(errors[4]?.detail).toBe('Candidate 12 is in this examination already.');
  });

  it('says which columns are missing', () => {
    const { errors } = readCandidateFile('nr,name\n1,Ana\n', new Set());
    expect(errors).toMatchObject([{ row: 1, column: 'number' }]);
  });

  it('says so when the file is empty, or has a header only', () => {
    expect(readCandidateFile('', new Set()).errors[0]?.detail).toMatch(/empty/);
    expect(readCandidateFile('number,name\n', new Set()).errors[0]?.detail).toMatch(/no candidate/);
  });

  it('names a column that stands twice, instead of leaving one out', () => {
    const { errors } = readCandidateFile('number,name,Name\n1,Ana,Só\n', new Set());
    expect(errors).toEqual([
      { row: 1, column: 'name', detail: expect.stringMatching(/stands twice/) },
    ]);
  });

  it.each(['\n', '\r', '\r\n'])('counts before it parses: a million of %j is too many', (end) => {
    const { rows, errors } = readCandidateFile('number,name' + end.repeat(1_000_000), new Set());
    expect(rows).toEqual([]);
    expect(errors).toEqual([
      { row: 1, column: '', detail: 'At most 10000 rows can be taken at once.' },
    ]);
  });

  it('points at a quotation mark out of place', () => {
    expect(readCandidateFile('number,name\n1,"Ana\n', new Set()).errors[0]?.detail).toMatch(
      /quotation mark/,
    );
  });
});

const server = await startServer('demo');
let lead: Caller;
let id: string;
let examiners: { id: string; name: string }[];
let versions: { versionId: string; checklistId: string }[];

beforeAll(async () => {
  lead = await server.lead();
  const body = {
    title: 'Resit',
    school: 'Orrinmouth',
    cohort: '2026',
    heldOn: '2026-12-01',
    zone: 'Europe/Lisbon',
  };
  id = (await lead.call('POST', '/examinations', body).expect(200)).body.id;
  examiners = (await lead.call('GET', '/accounts/examiners')).body;
  versions = (await lead.call('GET', '/checklists')).body;
});

describe('preparing an examination', () => {
  it('imports nothing when one cell is bad, and all when none is', async () => {
    const bad = await lead.csv(`/examinations/${id}/candidates`, 'number,name\n1,Ana\n2,\n');
    expect(bad.status).toBe(422);
    expect(bad.body.errors).toEqual([{ pointer: '/row 3/name', detail: 'The name is empty.' }]);
    expect((await lead.call('GET', `/examinations/${id}/candidates`)).body.total).toBe(0);
    const good =
      'number,name\n' + Array.from({ length: 9 }, (_, i) => `${i + 1},Name ${i + 1}`).join('\n');
    const preview = await lead.csv(`/examinations/${id}/candidates/preview`, good);
    expect(preview.body.rows).toHaveLength(9);
    expect((await lead.call('GET', `/examinations/${id}/candidates`)).body.total).toBe(0);
    await lead.csv(`/examinations/${id}/candidates`, good).expect(200);
    const page = await lead.call('GET', `/examinations/${id}/candidates?offset=6&limit=2`);
    expect(page.body).toMatchObject({ total: 9, candidates: [{ number: 7 }, { number: 8 }] });
  });

  it('does not open marking before there is anything to mark', async () => {
    const response = await lead.call('PUT', `/examinations/${id}/marking`, { open: true });
    expect(response.status).toBe(409);
    expect(response.body.detail).toMatch(/Plan the sheets first/);
  });

  it('plans every candidate once and every third twice', async () => {
    const body = { title: 'Knee', minutes: 8, checklistVersionId: versions[0]?.versionId };
    const made = await lead.call('POST', `/examinations/${id}/stations`, body).expect(200);
    const station = made.body.stationList[0].id;
    const unstaffed = await lead.call('POST', `/examinations/${id}/plan`);
    expect(unstaffed.body.detail).toMatch(/Station 1 has no examiner/);
    const [first, second] = examiners;
    const assigned = [
      { accountId: first?.id, every: 1 },
      { accountId: second?.id, every: 3 },
    ];
    await lead.call('PUT', `/stations/${station}/examiners`, { examiners: assigned }).expect(200);
    const planned = await lead.call('POST', `/examinations/${id}/plan`);
    const all = { sheets: 12, doubleMarked: 3, added: 12, removed: 0, unplanned: 0 };
    expect(planned.body).toEqual(all);
    const again = await lead.call('POST', `/examinations/${id}/plan`);
    expect(again.body).toEqual({ ...all, added: 0 });
  });

  it('planning again removes what the plan no longer wants, and reports what is there', async () => {
    const station = (await lead.call('GET', `/examinations/${id}`)).body.stationList[0].id;
    const [first, second] = examiners;
    const every = async (n: number) => {
      const assigned = [
        { accountId: first?.id, every: 1 },
        { accountId: second?.id, every: n },
      ];
      await lead.call('PUT', `/stations/${station}/examiners`, { examiners: assigned }).expect(200);
      return (await lead.call('POST', `/examinations/${id}/plan`).expect(200)).body;
    };
    expect(await every(5)).toEqual({
      sheets: 11,
      doubleMarked: 2,
      added: 1,
      removed: 2,
      unplanned: 0,
    });
    // Somebody has begun a sheet that the plan then no longer wants: it stays, and is said.
    const begun = await server
      .db('sheet')
      .where({ station_id: station, examiner_id: second?.id })
      .update({ started_at: '2026-11-20T09:00:00Z' })
      .returning('id');
    expect(begun).toHaveLength(2);
    const { sheets, unplanned } = await every(3);
    expect([sheets, unplanned]).toEqual([13, 1]);
    await server.db('sheet').where({ station_id: station }).update({ started_at: null });
    expect(await every(3)).toMatchObject({ sheets: 12, removed: 1, unplanned: 0 });
  });

  it('lets a station change to a version of its own checklist, sheets and all', async () => {
    const [station] = (await lead.call('GET', `/examinations/${id}`)).body.stationList;
    const { checklistId, content } = (
      await lead.call('GET', `/checklist-versions/${station.checklistVersionId}`)
    ).body;
    const made = await lead.call('POST', `/checklists/${checklistId}/versions`, {
      ...content,
      task: 'Worded by the school',
    });
    const change = (checklistVersionId: string | undefined) =>
      lead.call('PATCH', `/stations/${station.id}`, { checklistVersionId });
    const foreign = await change(versions[1]?.versionId);
    expect(foreign.status).toBe(422);
    expect(foreign.body.errors[0].detail).toMatch(/version of another checklist/);
    await change(made.body.id).expect(200);
    const sheets = await server.db('sheet').where({ station_id: station.id });
    expect(new Set(sheets.map((s) => s.checklist_version_id))).toEqual(new Set([made.body.id]));
    await change(station.checklistVersionId).expect(200);
  });

  it('takes only examiners at a station', async () => {
    const { stationList } = (await lead.call('GET', `/examinations/${id}`)).body;
    const response = await lead.call('PUT', `/stations/${stationList[0].id}/examiners`, {
      examiners: [{ accountId: lead.account?.id, every: 1 }],
    });
    expect(response.status).toBe(422);
  });

  it('freezes the checklist when marking opens; editing makes the next version', async () => {
    const opened = await lead
      .call('PUT', `/examinations/${id}/marking`, { open: true })
      .expect(200);
    const station = opened.body.stationList[0];
    expect(station.frozenAt).not.toBeNull();
    const version = (await lead.call('GET', `/checklist-versions/${station.checklistVersionId}`))
      .body;
    await expect(
      server.db('checklist_version').where({ id: version.id }).update({ content: '{}' }),
    ).rejects.toThrow(/is frozen/);
    const content = { ...version.content, task: 'Another task' };
    const next = await lead.call('POST', `/checklists/${version.checklistId}/versions`, content);
    expect(next.body).toMatchObject({ version: version.version + 2, frozenAt: null });
  });

  it('lets the lead say when the clocks warn; every sheet carries it', async () => {
    const warn = (seconds: number) => lead.call('PUT', `/examinations/${id}/warning`, { seconds });
    expect((await lead.call('GET', `/examinations/${id}`)).body.warningSeconds).toBe(60);
    expect((await warn(120).expect(200)).body.warningSeconds).toBe(120);
    expect((await warn(601)).status).toBe(422);
    const inside = await server.signIn(
      EXAMINERS.find((e) => e.name === examiners[0]?.name)?.email ?? '',
    );
    const own = (await inside.call('GET', '/own/stations')).body.find(
      (s: { examinationTitle: string }) => s.examinationTitle === 'Resit',
    );
    const sheet = (await inside.call('GET', `/sheets/${own.sheets[0].id}`)).body;
    expect(sheet.warningSeconds).toBe(120);
  });

  it('a break does not bring preparation back', async () => {
    const close = (open: boolean) => lead.call('PUT', `/examinations/${id}/marking`, { open });
    const closed = (await close(false).expect(200)).body;
    expect(closed.markingOpen).toBe(false);
    expect(closed.markingOpenedAt).not.toBeNull();
    const [station] = closed.stationList;
    const { checklistId } = (
      await lead.call('GET', `/checklist-versions/${station.checklistVersionId}`)
    ).body;
    const other = await server
      .db('checklist_version')
      .where({ checklist_id: checklistId })
      .whereNot({ id: station.checklistVersionId })
      .first();
    const changed = await lead.call('PATCH', `/stations/${station.id}`, {
      checklistVersionId: other.id,
    });
    expect(changed.body).toMatchObject({ status: 409, type: 'urn:kritikos:problem:frozen' });
    const body = { title: 'One more', minutes: 8, checklistVersionId: versions[1]?.versionId };
    expect((await lead.call('POST', `/examinations/${id}/stations`, body)).status).toBe(409);
    const reopened = (await close(true).expect(200)).body;
    expect(reopened.markingOpenedAt).toBe(closed.markingOpenedAt);
  });

  it('names what is wrong inside a checklist', async () => {
    const version = (await lead.call('GET', `/checklist-versions/${versions[0]?.versionId}`)).body;
    const content = structuredClone(version.content);
    content.items[1].key = content.items[0].key;
    content.faults[0].item = 'nowhere';
    const response = await lead.call(
      'POST',
      `/checklists/${version.checklistId}/versions`,
      content,
    );
    expect(response.status).toBe(422);
    const pointers = response.body.errors.map((e: { pointer: string }) => e.pointer);
    expect(pointers).toEqual(expect.arrayContaining(['/items/1/key', '/faults/0/item']));
  });

  it('reads and confirms a briefing, each examiner for the own stations only', async () => {
    const { stationList } = (await lead.call('GET', `/examinations/${id}`)).body;
    const station = stationList[0].id as string;
    const assigned = new Set(stationList[0].examiners.map((e: { name: string }) => e.name));
    const inside = EXAMINERS.find((e) => assigned.has(e.name));
    const outside = EXAMINERS.find((e) => !assigned.has(e.name));
    const stranger = await server.signIn(outside?.email ?? '');
    await stranger.call('GET', `/stations/${station}/briefing`).expect(403);
    const examiner = await server.signIn(inside?.email ?? '');
    const confirmed = await examiner.call('POST', `/stations/${station}/briefing/confirmation`);
    expect(confirmed.body.confirmedAt).not.toBeNull();
    const list = (await lead.call('GET', `/examinations/${id}/calibration`)).body;
    expect(list.filter((c: { confirmedAt: unknown }) => c.confirmedAt)).toHaveLength(1);
  });
});
