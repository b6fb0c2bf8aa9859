import { procedureById } from '@kritikos/catalogue/procedures';
import type { ChecklistVersion } from '@kritikos/contracts/checklists';
import type { Examination } from '@kritikos/contracts/examinations';
import type { BankStation } from '@kritikos/contracts/stations';
import { beforeAll, describe, expect, it } from 'vitest';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
beforeAll(async () => {
  lead = await server.lead();
});

const knee = {
  title: 'Knee that gave way',
  procedures: [{ procedure: 'lachman-anterior-translation' }],
  patient: { condition: 'acl-rupture', side: 'left', degree: null },
  minutes: 8,
  equipment: ['couch'],
};
const make = async (wanted: object): Promise<BankStation> =>
  (await lead.call('POST', '/bank-stations', wanted).expect(200)).body;
const checklistOf = async ({ checklistVersionId }: BankStation): Promise<ChecklistVersion> =>
  (await lead.call('GET', `/checklist-versions/${checklistVersionId}`).expect(200)).body;
const examine = async (bankVersionId: string): Promise<Examination> => {
  const wanted = { title: 'Any', school: 'S', cohort: '1', heldOn: '2031-01-01', zone: 'UTC' };
  const { id } = (await lead.call('POST', '/examinations', wanted).expect(200)).body;
  return (await lead.call('POST', `/examinations/${id}/stations`, { bankVersionId }).expect(200))
    .body;
};

describe('a station of the bank', () => {
  it('derives its key from the patient: a complete tear answers, a healthy knee does not', async () => {
    const answers = async (condition: string) => {
      const { content } = await checklistOf(
        await make({ ...knee, patient: { ...knee.patient, condition } }),
      );
      return content.items.flatMap((item) => (item.kind === 'choice' ? [item.answer] : []));
    };
    expect(await answers('acl-rupture')).not.toEqual(await answers('nothing-wrong'));
    expect(await answers('nothing-wrong')).not.toContain('positive');
  });

  it('of two procedures asks once for what both ask, and is shortened where it is told to', async () => {
    const both = ['lachman-anterior-translation', 'faber'];
    const whole = await make({ ...knee, procedures: both.map((procedure) => ({ procedure })) });
    const keeps = procedureById('faber')
      ?.checklist.items.slice(-5)
      .map(({ key }) => key);
    const short = await make({
      ...knee,
      procedures: [{ procedure: both[0] }, { procedure: both[1], keeps }],
    });
    expect(short.items).toBeLessThan(whole.items);
    expect((await checklistOf(short)).content.procedures.map((p) => p.procedure)).toEqual(both);
  });

  it('is refused where a procedure must not be done on its patient, or is made for that', async () => {
    const shoulder = {
      ...knee,
      title: 'Shoulder that slips',
      procedures: [{ procedure: 'er90-strength' }],
      patient: { condition: 'shoulder-instability', side: 'right', degree: null },
    };
    const refused = await lead.call('POST', '/bank-stations', shoulder).expect(422);
    expect(refused.body.errors).toEqual([
      {
        pointer: '/patient',
        detail: expect.stringMatching(
          /^Patte test must not be done on this patient: .*slips out.* station of refraining\.$/,
        ),
      },
    ]);
    const refrain = { ...shoulder.patient, refrain: true };
    const made = await make({ ...shoulder, patient: refrain });
    expect(made.patient).toEqual(refrain);
    const { content } = await checklistOf(made);
    expect(content.withheld?.map(({ procedure }) => procedure)).toEqual(['er90-strength']);
    expect(content.items.map(({ key }) => key)).toContain('refrains');
    const inVain = { ...shoulder, patient: { ...refrain, condition: 'nothing-wrong' } };
    const vain = await lead.call('POST', '/bank-stations', inVain).expect(422);
    expect(vain.body.errors[0].pointer).toBe('/patient/refrain');
  });

  it('is refused in words where it cannot be', async () => {
    const refused = async (change: object) =>
      (await lead.call('POST', '/bank-stations', { ...knee, ...change }).expect(422)).body.errors;
    const patient = { ...knee.patient, condition: 'no-such-thing' };
    expect(await refused({ patient })).toEqual([
      { pointer: '/patient/condition', detail: 'is not known' },
    ]);
    expect(await refused({ procedures: [{ procedure: 'no-such-thing' }] })).toEqual([
      {
        pointer: '/procedures/0/procedure',
        detail: 'is neither in the catalogue nor on the shelf',
      },
    ]);
    const [{ detail }] = await refused({
      procedures: [{ procedure: 'faber', keeps: ['consent'] }],
    });
    expect(detail).toMatch(/keep/);
  });

  it('changed makes a version; examinations keep theirs, and only the same two are an anchor', async () => {
    const first = await make(knee);
    const before = [await examine(first.versionId), await examine(first.versionId)];
    const second: BankStation = (
      await lead
        .call('POST', `/bank-stations/${first.id}/versions`, { ...knee, minutes: 9 })
        .expect(200)
    ).body;
    expect([second.version, second.minutes, second.uses]).toEqual([2, 9, 2]);
    const after = await examine(second.versionId);
    expect(before[0]?.stationList[0]).toMatchObject({ minutes: 8, bankVersionId: first.versionId });
    expect(after.stationList[0]?.minutes).toBe(9);
    const anchors = await server
      .db('anchor')
      .whereIn(
        'examination_id',
        [...before, after].map((e) => e.id),
      )
      .select('examination_id', 'other_examination_id');
    const [one, other] = before.map((e) => e.id);
    expect(anchors).toHaveLength(2);
    expect(anchors).toContainEqual({ examination_id: one, other_examination_id: other });
    // The wording is the same, so the items are, and what is known of them goes on.
    const items = async ({ checklistVersionId }: BankStation): Promise<string[]> =>
      server
        .db('checklist_item')
        .where({ version_id: checklistVersionId })
        .orderBy('position')
        .pluck('item_id');
    expect(await items(second)).toEqual(await items(first));
    await expect(
      server
        .db('station')
        .where({ id: after.stationList[0]?.id })
        .update({ bank_version_id: first.versionId }),
    ).rejects.toThrow(/names the version of the bank/);
  });

  it('is retired and taken back, and what is not in the bank cannot be examined', async () => {
    const station = await make(knee);
    const path = `/bank-stations/${station.id}/retirement`;
    expect((await lead.call('PUT', path, { retired: true })).body.retired).toBe(true);
    const listed: BankStation[] = (await lead.call('GET', '/bank-stations?retired=with&limit=200'))
      .body.stations;
    expect(listed.at(-1)?.retired).toBe(true);
    expect((await lead.call('PUT', path, { retired: false })).body.retired).toBe(false);
    const { id } = await server.db('examination').first('id');
    await lead
      .call('POST', `/examinations/${id}/stations`, { bankVersionId: id })
      .expect((response) => expect([404, 409]).toContain(response.status));
  });
});

describe('an item', () => {
  it('keeps its identity while it says the same, and names the one that it follows when it does not', async () => {
    const station = await make(knee);
    const { checklistId, content } = await checklistOf(station);
    const [first, second] = content.items;
    const items = content.items.map((item) =>
      item.key === first?.key
        ? { ...item, text: 'Says hello and gives a name' }
        : item.key === second?.key
          ? { ...item, weight: item.weight + 1 }
          : item,
    );
    const next: ChecklistVersion = (
      await lead
        .call('POST', `/checklists/${checklistId}/versions`, { ...content, items })
        .expect(200)
    ).body;
    const identities = async (version: string) =>
      new Map<string, string>(
        (await server.db('checklist_item').where({ version_id: version })).map((row) => [
          row.key,
          row.item_id,
        ]),
      );
    const [was, is] = [await identities(station.checklistVersionId), await identities(next.id)];
    for (const { key } of content.items.slice(1)) expect(is.get(key)).toBe(was.get(key));
    const reworded = await server
      .db('item')
      .where({ id: is.get(first?.key ?? '') })
      .first();
    expect(reworded.follows).toBe(was.get(first?.key ?? ''));
    expect(reworded.id).not.toBe(reworded.follows);
  });
});
