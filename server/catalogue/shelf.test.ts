import type { Procedure } from '@kritikos/catalogue/procedure';
import { procedureById } from '@kritikos/catalogue/procedures';
import type { ChecklistSummary, ChecklistVersion } from '@kritikos/contracts/checklists';
import { readOpenCatalogue } from '@kritikos/contracts/openCatalogue';
import type { ShelfProcedure, ShelfReport } from '@kritikos/contracts/shelf';
import type { BankPage, BankStation } from '@kritikos/contracts/stations';
import type { MeasuredItem } from '@kritikos/core/scoring/checklist';
import { beforeAll, describe, expect, it } from 'vitest';
import { EXAMINERS } from '../demo/people.ts';
import { HEEL_RAISE } from '../demo/schoolProcedures.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
beforeAll(async () => {
  lead = await server.lead();
});

const shelf = async (): Promise<ShelfProcedure[]> =>
  (await lead.call('GET', '/shelf').expect(200)).body;
const bring = (...procedures: Procedure[]) => lead.call('POST', '/shelf', { procedures });
const report = async (...procedures: Procedure[]): Promise<ShelfReport> =>
  (await lead.call('POST', '/shelf/report', { procedures }).expect(200)).body;
const lachman = procedureById('lachman-anterior-translation') as Procedure;
/** A procedure of the catalogue, under a name of the school's. */
const own = (id: string, change: Partial<Procedure> = {}): Procedure => ({
  ...lachman,
  id,
  names: [`${id} of the school`],
  ...change,
});
const bend = lachman.checklist.items.findIndex(
  ({ kind, text }) => kind === 'measured' && text.includes('Knee flexion'),
);
const withBend = (change: Partial<MeasuredItem>): Procedure['checklist'] => ({
  ...lachman.checklist,
  items: lachman.checklist.items.map((item, i) =>
    i === bend ? ({ ...item, ...change } as MeasuredItem) : item,
  ),
});
const station = (procedure: string) => ({
  title: `Station of ${procedure}`,
  procedures: [{ procedure }],
  patient: { condition: 'acl-rupture', side: 'left', degree: null },
  minutes: 8,
  equipment: ['couch'],
});

describe('the answers of the shelf', () => {
  it('are read by who leads or examines, and by nobody else who is signed in', async () => {
    const examiner = await server.signIn(EXAMINERS[3].email);
    const seen = async () => (await examiner.call('GET', '/shelf').expect(200)).body.length;
    expect(await seen()).toBe((await shelf()).length);
    expect(await seen()).toBeGreaterThan(0);
    for (const roles of [['judge'], ['administrator'], ['office']]) {
      await server.db('account').where({ id: examiner.account?.id }).update({ roles });
      expect([roles, await seen()]).toEqual([roles, 0]);
    }
    await server
      .db('account')
      .where({ id: examiner.account?.id })
      .update({ roles: ['examiner'] });
  });
});

describe('the school’s shelf', () => {
  it('says what a file would do before it does it', async () => {
    const [heel] = (await shelf()).filter(({ procedure }) => procedure.id === HEEL_RAISE.id);
    if (!heel) throw new Error('the demo has nothing on its shelf');
    const renamed = { ...heel.procedure, title: 'Another title' };
    expect(await report(own('own-fresh'), heel.procedure)).toEqual([
      expect.objectContaining({ procedure: 'own-fresh', state: 'new', version: 1, unsound: [] }),
      expect.objectContaining({ state: 'same', version: 1, unsound: [] }),
    ]);
    expect((await report(renamed))[0]).toMatchObject({ state: 'changed', version: 2 });
    expect(await shelf()).toHaveLength(1);
  });

  it('refuses a band that leaves the joint’s range: what, where, the nearest, and takes nothing', async () => {
    const bad = own('own-bad', { checklist: withBend({ upper: 170, maximum: 180 }) });
    const before = await shelf();
    const { body } = await bring(own('own-good'), bad).expect(422);
    expect(body.errors).toEqual([
      {
        pointer: `/procedures/1/checklist/items/${bend}/upper`,
        detail: 'is 170°, and Knee flexion goes from -10° to 150°; the nearest that would do: 150°',
      },
    ]);
    expect(await shelf()).toEqual(before);
    const offered = (await lead.call('GET', '/checklists')).body as ChecklistSummary[];
    expect(offered.map(({ procedureId }) => procedureId)).not.toContain('own-good');
    // What the report offers instead puts it right.
    const [, { unsound } = { unsound: [] }] = await report(own('own-good'), bad);
    expect(unsound[0]?.instead).toBe(150);
    await bring(own('own-bad', { checklist: withBend({ upper: 150, maximum: 180 }) })).expect(200);
  });

  it('keeps the catalogue’s names for the catalogue', async () => {
    const { body } = await bring(lachman).expect(422);
    expect(body.errors).toEqual([
      {
        pointer: '/procedures/0/id',
        detail: expect.stringMatching(/nearest that would do: own-lachman/),
      },
    ]);
  });

  it('refuses one procedure twice in a file', async () => {
    const { body } = await bring(own('own-twice'), own('own-twice')).expect(422);
    expect(body.errors).toEqual([{ pointer: '/procedures/1/id', detail: 'names own-twice twice' }]);
  });

  it('is used like the catalogue: found in the bank, derived with a key, offered as a checklist', async () => {
    await bring(own('own-used')).expect(200);
    const { body: made } = await lead.call('POST', '/bank-stations', station('own-used'));
    const ofCatalogue = (await lead.call('POST', '/bank-stations', station(lachman.id)))
      .body as BankStation;
    const contentOf = async ({ checklistVersionId }: BankStation) =>
      (
        (await lead.call('GET', `/checklist-versions/${checklistVersionId}`).expect(200))
          .body as ChecklistVersion
      ).content;
    const [mine, theirs] = [await contentOf(made), await contentOf(ofCatalogue)];
    expect(mine.items).toEqual(theirs.items);
    expect(mine.procedures[0]?.procedure).toBe('own-used');
    expect(made.region).toBe('knee');
    const found = async (query: string) =>
      (
        (await lead.call('GET', `/bank-stations?${query}`).expect(200)).body as BankPage
      ).stations.map(({ title }) => title);
    expect(await found('words=own-used')).toEqual(['Station of own-used']);
    expect(await found('kind=laxity&words=own-used')).toEqual(['Station of own-used']);
    expect(await found('kind=effusion&words=own-used')).toEqual([]);
    expect((await shelf()).find(({ procedure }) => procedure.id === 'own-used')?.stations).toBe(1);
    const offered = (await lead.call('GET', '/checklists')).body as ChecklistSummary[];
    expect(offered).toContainEqual(
      expect.objectContaining({ procedureId: 'own-used', version: 1, region: 'knee' }),
    );
  });

  it('keeps what stood there as a version, and leaves stations the checklist that they have', async () => {
    await bring(own('own-twofold')).expect(200);
    const { body: made } = await lead.call('POST', '/bank-stations', station('own-twofold'));
    await bring(own('own-twofold', { checklist: withBend({ lower: 10, upper: 25 }) })).expect(200);
    const now = (await shelf()).find(({ procedure }) => procedure.id === 'own-twofold');
    expect(now?.version).toBe(2);
    const kept = await server
      .db('shelf_version')
      .where({ procedure_id: 'own-twofold', version: 1 })
      .first('content');
    expect(kept.content.checklist.items[bend].lower).toBe(
      (lachman.checklist.items[bend] as MeasuredItem).lower,
    );
    const { body: same } = await lead.call('GET', `/bank-stations/${made.id}`);
    expect(same.checklistVersionId).toBe(made.checklistVersionId);
    const versions = await server
      .db('checklist_version as v')
      .join('checklist as c', 'c.id', 'v.checklist_id')
      .where({ 'c.procedure_id': 'own-twofold', 'c.bank_station_id': null })
      .orderBy('v.version')
      .select('v.version', 'v.origin');
    expect(versions).toEqual([
      { version: 1, origin: 'shelf' },
      { version: 2, origin: 'shelf' },
    ]);
    // The same once more is no version.
    await bring(own('own-twofold', { checklist: withBend({ lower: 10, upper: 25 }) })).expect(200);
    expect((await shelf()).find(({ procedure }) => procedure.id === 'own-twofold')?.version).toBe(
      2,
    );
  });

  it('retires a procedure from the choice, and brings it back', async () => {
    const stood = (await bring(own('own-old')).expect(200)).body as ShelfProcedure[];
    const { id } = stood.find(({ procedure }) => procedure.id === 'own-old') as ShelfProcedure;
    await lead.call('POST', '/bank-stations', station('own-old')).expect(200);
    const retire = (retired: boolean) =>
      lead.call('PUT', `/shelf/${id}/retirement`, { retired }).expect(200);
    expect((await retire(true)).body.retired).toBe(true);
    const { body } = await lead.call('POST', '/bank-stations', station('own-old')).expect(422);
    expect(body.errors).toEqual([
      {
        pointer: '/procedures/0/procedure',
        detail: 'is retired from the shelf; bring it back there first',
      },
    ]);
    const offers = async () =>
      ((await lead.call('GET', '/checklists')).body as ChecklistSummary[]).filter(
        ({ procedureId, title }) => procedureId === 'own-old' && title === 'own-old of the school',
      ).length;
    // The station that asks it keeps its own.
    expect(await offers()).toBe(1);
    await retire(false);
    expect(await offers()).toBe(2);
    await lead.call('POST', '/bank-stations', station('own-old')).expect(200);
  });

  it('is read by everybody who is signed in, and changed by leads alone', async () => {
    const examiner = await server.signIn(EXAMINERS[0].email);
    await examiner.call('GET', '/shelf').expect(200);
    await examiner.call('POST', '/shelf', { procedures: [own('own-theirs')] }).expect(403);
    await server.anyone.call('GET', '/shelf').expect(401);
  });

  it('comes back from the open format as it stands', async () => {
    const [first] = await shelf();
    if (!first) throw new Error('nothing on the shelf');
    const file = { format: 'kritikos-catalogue', version: 1, procedures: [first.procedure] };
    expect(readOpenCatalogue(JSON.stringify(file)).procedures).toEqual([first.procedure]);
    expect((await report(first.procedure))[0]?.state).toBe('same');
  });

  it('is written once where two people bring the same in at once', async () => {
    const both = await Promise.all([bring(own('own-both')), bring(own('own-both'))]);
    expect(both.map(({ status }) => status)).toEqual([200, 200]);
    const versions = await server.db('shelf_version').where({ procedure_id: 'own-both' });
    expect(versions).toHaveLength(1);
  });
});
