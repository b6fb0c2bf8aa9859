import type { Examination, Station } from '@kritikos/contracts/examinations';
import type { Sheet } from '@kritikos/contracts/marking';
import type { MeasuredItem } from '@kritikos/core/scoring/checklist';
import { beforeAll, describe, expect, it } from 'vitest';
import { PROCEDURES } from '@kritikos/catalogue/procedures';
import { offerCatalogue } from '../checklists/service.ts';
import { EXAMINERS } from '../demo/people.ts';
import { newId } from '../http/newId.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
let demo: Examination;

beforeAll(async () => {
  lead = await server.lead();
  const id = await server.thisYears();
  demo = (await lead.call('GET', `/examinations/${id}`)).body;
});

/** An examination of one station with this procedure, planned and opened for one examiner. */
async function oneStation(procedure: string): Promise<Examination> {
  const made: Examination = (
    await lead.call('POST', '/examinations', {
      title: `Only ${procedure}`,
      school: 'S',
      cohort: '1',
      heldOn: '2026-12-02',
      zone: 'UTC',
    })
  ).body;
  const checklists = (await lead.call('GET', '/checklists')).body;
  const { versionId } = checklists.find(
    (c: { procedureId: string }) => c.procedureId === procedure,
  );
  const body = { title: 'One', minutes: 8, checklistVersionId: versionId };
  return (await lead.call('POST', `/examinations/${made.id}/stations`, body).expect(200)).body;
}

const only = (examination: Examination) => examination.stationList[0] as Station;
const read = (station: string, readings: Record<string, number>) =>
  lead.call('PUT', `/stations/${station}/readings`, { readings });

describe('the numbers of the person who plays the patient', () => {
  it('stand above the derived one, on the sheet and in its score', async () => {
    const examination = await oneStation('lift-off');
    const station = only(examination);
    expect(station.readable.map(({ item, derived }) => [item, derived])).toContainEqual([
      'gap',
      '2',
    ]);
    await read(station.id, { gap: 6 }).expect(200);

    const examiner = (await lead.call('GET', '/accounts/examiners')).body.find(
      (a: { email: string }) => a.email === EXAMINERS[0].email,
    );
    const examiners = [{ accountId: examiner.id, every: 1 }];
    await lead.call('PUT', `/stations/${station.id}/examiners`, { examiners }).expect(200);
    await lead
      .csv(`/examinations/${examination.id}/candidates`, 'number,name\n1,Ada\n')
      .expect(200);
    await lead.call('POST', `/examinations/${examination.id}/plan`).expect(200);
    await lead.call('PUT', `/examinations/${examination.id}/marking`, { open: true }).expect(200);

    const marking = await server.signIn(EXAMINERS[0].email);
    const own = (await marking.call('GET', '/own/stations')).body.find(
      (s: { stationId: string }) => s.stationId === station.id,
    );
    const sheet: Sheet = (await marking.call('GET', `/sheets/${own.sheets[0].id}`)).body;
    const gap = sheet.checklist.content.items.find((i) => i.key === 'gap') as MeasuredItem;
    expect([gap.lower, gap.upper]).toEqual([6, 6]);

    const bodies = [
      ...sheet.checklist.content.items.map((item) => ({
        type: 'mark',
        item: item.key,
        value:
          item.kind === 'graded'
            ? item.anchors.length - 1
            : item.kind === 'measured'
              ? item.lower
              : item.kind === 'choice'
                ? item.answer
                : 1,
        observation: 'observed',
        manner: 'done',
        prompted: false,
      })),
      { type: 'rating', grade: 5 },
      { type: 'submit' },
    ];
    const events = bodies.map((body, sequence) => ({
      id: newId(),
      device: 'tablet',
      sequence,
      at: new Date(Date.UTC(2026, 10, 20, 9, 0, sequence)).toISOString(),
      clockAhead: 0,
      checklistVersionId: sheet.checklist.id,
      body,
    }));
    await marking
      .call('POST', `/sheets/${sheet.id}/events`, { account: marking.account?.id, events })
      .expect(200);
    // 6 cm are right for this person; against the derived 2 cm they would earn nothing.
    const { percent } = await server.db('sheet').where({ id: sheet.id }).first('percent');
    expect(percent).toBe(100);

    const late = await read(station.id, { gap: 9 });
    expect(late.status).toBe(409);
    expect(late.body.detail).toMatch(/marked by the present readings/);
    await expect(
      server.db('station').where({ id: station.id }).update({ patient_readings: '{"gap": 9}' }),
    ).rejects.toThrow(/has been marked by its readings/);
  });

  it('are those of items that read a number off the patient, nothing else', async () => {
    const station = only(await oneStation('ober'));
    const response = await read(station.id, { angle: -9, hand: 3 });
    expect(response.status).toBe(422);
    expect(response.body.errors).toEqual([
      { pointer: '/readings/hand', detail: expect.stringMatching(/not a number that is read off/) },
    ]);
    await read(station.id, { angle: -9 }).expect(200);
    expect(only((await read(station.id, {})).body).patientReadings).toEqual({});
  });

  it('are the lead’s to keep', async () => {
    const examiner = await server.signIn(EXAMINERS[0].email);
    const station = only(demo);
    await examiner.call('PUT', `/stations/${station.id}/readings`, { readings: {} }).expect(403);
  });
});

describe('a corrected catalogue', () => {
  it('tells a station not yet opened, and leaves alone what is frozen or under way', async () => {
    const station = only(await oneStation('faber'));
    expect(station.offered).toBeNull();
    const version = (await lead.call('GET', `/checklist-versions/${station.checklistVersionId}`))
      .body;
    // The demo has been marked on this one, so nobody can change it any more.
    const marked = demo.stationList[0]?.checklistVersionId;
    await expect(
      server.db('checklist_version').where({ id: marked }).update({ content: '{}' }),
    ).rejects.toThrow(/is frozen/);
    await server.db('checklist_version').insert({
      id: newId(),
      checklist_id: version.checklistId,
      version: version.version + 1,
      content: JSON.stringify({ ...version.content, task: 'Corrected task' }),
      origin: 'catalogue',
    });
    const examinations = (await lead.call('GET', '/examinations')).body;
    const { id } = examinations.find((e: { title: string }) => e.title === 'Only faber');
    const told = only((await lead.call('GET', `/examinations/${id}`)).body);
    expect(told.offered).toMatchObject({ version: version.version + 1 });
    const { stationList } = (await lead.call('GET', `/examinations/${demo.id}`)).body;
    expect(stationList.map((s: Station) => s.offered)).toEqual(Array(8).fill(null));
  });

  it('is taken with one word, and offered once', async () => {
    const station = only(await oneStation('ober'));
    const { checklistId } = (
      await lead.call('GET', `/checklist-versions/${station.checklistVersionId}`)
    ).body;
    await server
      .db('checklist_version')
      .where({ id: station.checklistVersionId })
      .update({ content: server.db.raw(`jsonb_set(content, '{task}', '"As it was"')`) });
    await offerCatalogue(server.db);
    await offerCatalogue(server.db);
    const versions = await server
      .db('checklist_version')
      .where({ checklist_id: checklistId })
      .orderBy('version')
      .select('version', 'origin', 'content');
    expect(versions.map((v) => [v.version, v.origin])).toEqual([
      [1, 'catalogue'],
      [2, 'catalogue'],
    ]);
    expect(versions[1].content.task).toBe(
      PROCEDURES.find(({ id }) => id === 'ober')?.checklist.task,
    );
    const examinations: Examination[] = (await lead.call('GET', '/examinations')).body;
    const lists = await Promise.all(
      examinations.map(
        async (e) =>
          (await lead.call('GET', `/examinations/${e.id}`)).body.stationList as Station[],
      ),
    );
    const told = lists.flat().find(({ id }) => id === station.id);
    if (!told?.offered) throw new Error('Nothing was offered.');
    expect(told.offered).toMatchObject({ version: 2 });
    const taken = await lead
      .call('PATCH', `/stations/${told.id}`, { checklistVersionId: told.offered.versionId })
      .expect(200);
    expect(only(taken.body)).toMatchObject({ version: 2, offered: null });
  });

  it('does not push itself before a school’s own version', async () => {
    const station = only(await oneStation('lift-off'));
    const version = (await lead.call('GET', `/checklist-versions/${station.checklistVersionId}`))
      .body;
    const own = await lead
      .call('POST', `/checklists/${version.checklistId}/versions`, {
        ...version.content,
        task: 'Our own task',
      })
      .expect(200);
    await server.db('checklist_version').insert({
      id: newId(),
      checklist_id: version.checklistId,
      version: own.body.version + 1,
      content: JSON.stringify(version.content),
      origin: 'catalogue',
    });
    const newest = (await lead.call('GET', '/checklists')).body.find(
      (c: { checklistId: string }) => c.checklistId === version.checklistId,
    );
    expect(newest.versionId).toBe(own.body.id);
  });
});
