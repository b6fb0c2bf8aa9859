import { CATALOGUE } from '@kritikos/catalogue/known';
import { turnedChecklist } from '@kritikos/catalogue/turnedChecklist';
import type { ChecklistVersion } from '@kritikos/contracts/checklists';
import type {
  Draft,
  DraftAnswer,
  DraftNews,
  DraftSummary,
  VersionUse,
} from '@kritikos/contracts/drafts';
import type { BankStation } from '@kritikos/contracts/stations';
import { changesTo, contentOf, itemPiece } from '@kritikos/core/checklists/pieces';
import type { PlacedItem } from '@kritikos/core/checklists/pieces';
import { beforeAll, describe, expect, it } from 'vitest';
import { createAccount } from '../accounts/service.ts';
import { DEMO_PASSWORD } from '../demo/people.ts';
import { newId } from '../http/newId.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

const server = await startServer('demo');
let lead: Caller;
let other: Caller;
beforeAll(async () => {
  lead = await server.lead();
  const person = { email: 'writes@orrinmouth.example', name: 'W. Ritter', password: DEMO_PASSWORD };
  await createAccount(server.db, person, ['lead'], null);
  other = await server.signIn(person.email);
});

const bankStation = async (
  title = 'Knee that gave way',
  other: { readonly procedure?: string; readonly condition?: string } = {},
): Promise<BankStation> =>
  (
    await lead
      .call('POST', '/bank-stations', {
        title,
        procedures: [{ procedure: other.procedure ?? 'lachman-anterior-translation' }],
        patient: { condition: other.condition ?? 'acl-rupture', side: 'left', degree: null },
        minutes: 8,
        equipment: ['couch'],
      })
      .expect(200)
  ).body;
const begin = async (station: BankStation, by = lead): Promise<Draft> =>
  (await by.call('POST', `/bank-stations/${station.id}/drafts`).expect(200)).body;

interface Change {
  readonly piece: string;
  readonly value: unknown;
  readonly seen: number;
}
const send = (by: Caller, draft: Draft, changes: Change[], id = newId()) =>
  by.call('POST', `/drafts/${draft.id}/changes`, { id, changes });
const sent = async (...args: Parameters<typeof send>): Promise<DraftAnswer> =>
  (await send(...args).expect(200)).body;
const pieceOf = ({ pieces }: Pick<Draft, 'pieces'>, name: string) =>
  pieces.find(({ piece }) => piece === name);
const contentIn = ({ pieces }: Draft) =>
  contentOf(Object.fromEntries(pieces.map(({ piece, value }) => [piece, value])));
const firstItem = (draft: Draft) => contentIn(draft).items[0] ?? { key: '', text: '' };
/** The first item of the draft with other words, as one that was read at `seen`. */
function reworded(draft: Draft, text: string, seen = 0): Change {
  const piece = itemPiece(firstItem(draft).key);
  const { place, item } = pieceOf(draft, piece)?.value as PlacedItem;
  return { piece, value: { place, item: { ...item, text } }, seen };
}

describe('a draft', () => {
  it('begins as the checklist is, once: whoever begins it again opens the same', async () => {
    const station = await bankStation();
    const draft = await begin(station);
    const version: ChecklistVersion = (
      await lead.call('GET', `/checklist-versions/${station.checklistVersionId}`).expect(200)
    ).body;
    expect(contentIn(draft)).toEqual(version.content);
    expect(pieceOf(draft, 'minutes')?.value).toBe(8);
    expect((await begin(station, other)).id).toBe(draft.id);
    const list: DraftSummary[] = (await lead.call('GET', '/drafts').expect(200)).body;
    expect(list.find(({ id }) => id === draft.id)).toMatchObject({
      title: station.title,
      items: version.content.items.length,
    });
  });

  it('may be incomplete, and is kept word by word', async () => {
    const draft = await begin(await bankStation());
    const answer = await sent(lead, draft, [
      reworded(draft, ''),
      { piece: 'stopRule', value: '', seen: 0 },
    ]);
    expect(answer).toMatchObject({ sequence: 2, beside: [] });
    const again: Draft = (await lead.call('GET', `/drafts/${draft.id}`).expect(200)).body;
    expect(firstItem(again).text).toBe('');
    expect(pieceOf(again, 'stopRule')).toMatchObject({ value: '', sequence: 2 });
  });

  it('takes what two people did to different pieces', async () => {
    const draft = await begin(await bankStation());
    await sent(lead, draft, [reworded(draft, 'Asks first')]);
    await sent(other, draft, [{ piece: 'stopRule', value: 'Stop.', seen: 0 }]);
    await other.call('PUT', `/drafts/${draft.id}/presence`).expect(200);
    const news: DraftNews = (await lead.call('GET', `/drafts/${draft.id}/news?since=1`).expect(200))
      .body;
    expect(news.pieces).toMatchObject([{ piece: 'stopRule', value: 'Stop.', by: 'W. Ritter' }]);
    const now: Draft = (await lead.call('GET', `/drafts/${draft.id}`).expect(200)).body;
    expect(firstItem(now).text).toBe('Asks first');
    expect(now.others).toEqual(['W. Ritter']);
  });

  it('that is none is not there, whichever way it is asked for', async () => {
    for (const [method, way] of [
      ['GET', ''],
      ['GET', '/news?since=0'],
      ['GET', '/history'],
      ['PUT', '/presence'],
    ] as const) {
      await lead.call(method, `/drafts/${newId()}${way}`).expect(404);
    }
  });

  it('overwrites nobody: what was written on top of an older piece is kept beside', async () => {
    const draft = await begin(await bankStation());
    const [mine, theirs] = [reworded(draft, 'Mine'), reworded(draft, 'Theirs')];
    await sent(other, draft, [theirs]);
    const answer = await sent(lead, draft, [mine]);
    expect(answer.beside).toEqual([mine.piece]);
    expect(answer.pieces).toMatchObject([{ sequence: 1, by: 'W. Ritter' }]);
    const { changes } = (await lead.call('GET', `/drafts/${draft.id}/history`).expect(200)).body;
    expect(changes.map(({ taken }: { taken: boolean }) => taken)).toEqual([false, true]);
    expect(changes[0].value.item.text).toBe('Mine');
    // Having seen it, the writer may insist.
    const insisting = await sent(lead, draft, [{ ...mine, seen: 1 }]);
    expect(insisting.beside).toEqual([]);
  });

  it('loses nothing of a hundred changes that two people send at once', async () => {
    const draft = await begin(await bankStation());
    const item = (key: string) => ({
      ...firstItem(draft),
      key,
      text: `Looks at ${key}`,
      kind: 'done',
    });
    const add = (by: Caller, key: string) =>
      sent(by, draft, [{ piece: `item/${key}`, value: { place: 'b1', item: item(key) }, seen: 0 }]);
    const writers = [lead, other].flatMap((by, who) =>
      Array.from({ length: 20 }, (_, i) => add(by, `new-${who}-${i}`)),
    );
    const answers = await Promise.all(writers);
    expect(new Set(answers.map(({ sequence }) => sequence)).size).toBe(40);
    const now: Draft = (await lead.call('GET', `/drafts/${draft.id}`).expect(200)).body;
    const added = contentIn(now).items.filter(({ key }) => key.startsWith('new-'));
    expect(added).toHaveLength(40);
  });

  it('writes the same sending once, however often it comes', async () => {
    const draft = await begin(await bankStation());
    const id = newId();
    const change = reworded(draft, 'Once');
    const first = await sent(lead, draft, [change], id);
    expect(await sent(lead, draft, [change], id)).toEqual(first);
    const { total } = (await lead.call('GET', `/drafts/${draft.id}/history`).expect(200)).body;
    expect(total).toBe(1);
  });

  it('refuses what no checklist has a place for, says where, and changes nothing', async () => {
    const draft = await begin(await bankStation());
    const { piece, value } = reworded(draft, 'Looks');
    const strange = { ...(value as PlacedItem), item: { ...firstItem(draft), domain: 'luck' } };
    const refused = await send(lead, draft, [{ piece, value: strange, seen: 0 }]).expect(422);
    expect(refused.body.errors[0].pointer).toBe('/changes/0/value/item/domain');
    await send(lead, draft, [{ piece: 'item/elsewhere', value, seen: 0 }]).expect(422);
    await send(lead, draft, [{ piece: 'weather', value: 'fine', seen: 0 }]).expect(422);
    const { total } = (await lead.call('GET', `/drafts/${draft.id}/history`).expect(200)).body;
    expect(total).toBe(0);
  });

  it('is for leads only', async () => {
    const examiner = await server.signIn('examiner1@orrinmouth.example');
    await examiner.call('GET', '/drafts').expect(403);
    await server.anyone.call('GET', '/drafts').expect(401);
  });
});

describe('publishing a draft', () => {
  const publish = (draft: Draft, sequence: number) =>
    lead.call('POST', `/drafts/${draft.id}/publication`, { sequence });

  it('makes the next version of the checklist and of its station, and closes the draft', async () => {
    const station = await bankStation();
    const draft = await begin(station);
    await sent(lead, draft, [
      reworded(draft, 'Gains spoken agreement before touching'),
      { piece: 'minutes', value: 10, seen: 0 },
    ]);
    const version: ChecklistVersion = (await publish(draft, 2).expect(200)).body;
    expect(version).toMatchObject({ version: 2, frozenAt: null });
    expect(version.content.items[0]?.text).toBe('Gains spoken agreement before touching');
    const bank: BankStation[] = (await lead.call('GET', '/bank-stations?limit=200').expect(200))
      .body.stations;
    const now = bank.find(({ id }) => id === station.id);
    expect(now).toMatchObject({ version: 2, minutes: 10, checklistVersionId: version.id });
    expect(now?.patient).toEqual(station.patient);
    const late = await send(lead, draft, [reworded(draft, 'Late', 1)]).expect(409);
    expect(late.body.title).toBe('This draft is closed');
    const versions: VersionUse[] = (
      await lead.call('GET', `/checklists/${version.checklistId}/versions`).expect(200)
    ).body;
    expect(versions.map((one) => [one.version, one.madeBy])).toEqual([
      [2, lead.account?.name],
      [1, lead.account?.name],
    ]);
  });

  it('is refused in words where something is missing, and nothing is closed', async () => {
    const draft = await begin(await bankStation());
    const critical = contentIn(draft).items.findIndex((item) => item.criticality !== 'none');
    const item = contentIn(draft).items[critical] ?? firstItem(draft);
    const { place } = pieceOf(draft, itemPiece(item.key))?.value as PlacedItem;
    await sent(lead, draft, [
      { piece: 'stopRule', value: '', seen: 0 },
      {
        piece: itemPiece(item.key),
        value: { place, item: { ...item, criticalReason: ' ' } },
        seen: 0,
      },
    ]);
    const refused = await publish(draft, 2).expect(422);
    expect(refused.body.title).toBe('This draft cannot be published yet');
    const pointers = refused.body.errors.map(({ pointer }: { pointer: string }) => pointer);
    expect(pointers).toContain('/stopRule');
    expect(pointers).toContain(`/items/${critical}/criticalReason`);
    expect((await lead.call('GET', `/drafts/${draft.id}`).expect(200)).body.closedAt).toBeNull();
  });

  it('is refused where the patient was changed to one on whom it must not be done', async () => {
    const station = await bankStation('Hand that will not stay up', {
      procedure: 'er90-strength',
      condition: 'posterior-cuff-tear',
    });
    const draft = await begin(station);
    const has = { condition: 'shoulder-instability', side: 'left', degree: null } as const;
    await sent(lead, draft, [{ piece: 'patient', value: { has }, seen: 0 }]);
    const refused = await publish(draft, 1).expect(422);
    expect(refused.body.errors[0].detail).toMatch(/must not be done on this patient/);

    // Made for leaving it undone it is refused until its items ask for that, and the other way round.
    const refrain = { ...has, refrain: true };
    await sent(lead, draft, [{ piece: 'patient', value: { has: refrain }, seen: 1 }]);
    const not = await publish(draft, 2).expect(422);
    expect(not.body.errors).toEqual([
      { pointer: '/withheld', detail: expect.stringMatching(/^is not what this patient forbids/) },
    ]);
    const turned = turnedChecklist(contentIn(draft), refrain, CATALOGUE);
    const pieces = Object.fromEntries(draft.pieces.map(({ piece, value }) => [piece, value]));
    const changes = changesTo(pieces, turned).map((change) => ({ ...change, seen: 0 }));
    await sent(lead, draft, changes);
    await sent(lead, draft, [{ piece: 'patient', value: { has: null }, seen: 2 }]);
    const inVain = await publish(draft, 3 + changes.length).expect(422);
    expect(inVain.body.errors[0].detail).toMatch(/^leaves undone what may be done/);
    await sent(lead, draft, [
      { piece: 'patient', value: { has: refrain }, seen: 3 + changes.length },
    ]);
    const published = await publish(draft, 4 + changes.length).expect(200);
    expect(published.body.content.withheld).toEqual(turned.withheld);
  });

  it('waits until whoever publishes has seen everything', async () => {
    const draft = await begin(await bankStation());
    await sent(lead, draft, [reworded(draft, 'Asks before touching')]);
    await sent(other, draft, [{ piece: 'stopRule', value: 'Stop when asked to.', seen: 0 }]);
    const refused = await publish(draft, 1).expect(409);
    expect(refused.body.title).toMatch(/changed this draft meanwhile/);
    await publish(draft, 2).expect(200);
  });

  it('needs a change', async () => {
    const draft = await begin(await bankStation());
    expect((await publish(draft, 0).expect(409)).body.title).toBe('Nothing has changed');
  });

  it('keeps the statistics of items that say the same, and begins anew for a reworded one', async () => {
    // Of a checklist that has no draft: the tests before this one have begun some.
    const marked = await server
      .db('sheet as h')
      .join('checklist_version as v', 'v.id', 'h.checklist_version_id')
      .whereNotNull('h.kept_shares')
      .whereNotIn(
        'v.checklist_id',
        server.db('draft').whereNull('closed_at').select('checklist_id'),
      )
      .orderBy('h.id')
      .first('h.checklist_version_id', 'v.checklist_id as checklistId');
    const { checklistId } = marked;
    const uses = async (version: string) =>
      (await lead.call('GET', `/checklist-versions/${version}/earlier`).expect(200)).body;
    const before = await uses(marked.checklist_version_id);
    const draft: Draft = (await lead.call('POST', `/checklists/${checklistId}/drafts`).expect(200))
      .body;
    await sent(lead, draft, [reworded(draft, 'Says hello before anything else')]);
    const { id } = (await publish(draft, 1).expect(200)).body;
    const after = await uses(id);
    const { key } = firstItem(draft);
    expect(after[key]).toBeUndefined();
    expect(before[key].marked).toBeGreaterThan(0);
    const { [key]: _, ...others } = before;
    void _;
    expect(after).toEqual(others);
  });
});

describe('a draft that was put away', () => {
  it('can be taken out again, as long as there is no other', async () => {
    const station = await bankStation();
    const draft = await begin(station);
    const away = (state: boolean) => lead.call('PUT', `/drafts/${draft.id}/away`, { away: state });
    expect((await away(true).expect(200)).body.closedAt).not.toBeNull();
    expect((await away(false).expect(200)).body.closedAt).toBeNull();
    await away(true).expect(200);
    const next = await begin(station);
    expect(next.id).not.toBe(draft.id);
    expect((await away(false).expect(409)).body.detail).toMatch(/another draft/);
  });
});

describe('the draft of a checklist that stations share', () => {
  it('is written for one of them at a time, and says so', async () => {
    const [{ versionId }] = (await lead.call('GET', '/checklists').expect(200)).body;
    const wanted = { title: 'Any', school: 'S', cohort: '1', heldOn: '2031-01-01', zone: 'UTC' };
    const { id } = (await lead.call('POST', '/examinations', wanted).expect(200)).body;
    const shared = { title: 'Shares a checklist', minutes: 8, checklistVersionId: versionId };
    await lead.call('POST', `/examinations/${id}/stations`, shared).expect(200);
    const bank: BankStation[] = (await lead.call('GET', '/bank-stations?limit=200').expect(200))
      .body.stations;
    const station = bank.find(({ title }) => title === shared.title);
    if (!station) throw new Error('no station');
    const draft = await begin(station);
    const refused = await lead.call('POST', `/checklists/${draft.checklistId}/drafts`).expect(409);
    expect(refused.body.title).toBe('This checklist is being written already');
  });
});
