import { PROCEDURES } from '@kritikos/catalogue/procedures';
import { liftChecklist } from '@kritikos/catalogue/stationChecklist';
import { asKind, ITEM_KINDS } from '@kritikos/core/checklists/asKind';
import { piecesOf } from '@kritikos/core/checklists/pieces';
import { SOUND } from '@kritikos/core/checklists/testing/soundChecklist';
import { describe, expect, it } from 'vitest';
import { checklistContent } from './checklists.ts';
import { draftContent } from './draftContent.ts';
import { draftChanges } from './drafts.ts';
import { readDraftChecklist } from './openChecklist.ts';
import { RefusedFile } from './openFile.ts';

const ID = '01900000-0000-7000-8000-000000000000';
const sent = (...changes: { piece: string; value: unknown }[]) =>
  draftChanges.safeParse({ id: ID, changes: changes.map((one) => ({ ...one, seen: 0 })) });
const pathsOf = (result: ReturnType<typeof sent>) =>
  result.error?.issues.map(({ path }) => path.join('/')) ?? [];

describe('a draft', () => {
  it('is every published checklist as it is', () => {
    for (const procedure of PROCEDURES) {
      const content = liftChecklist(procedure);
      expect(draftContent.parse(content)).toEqual(checklistContent.parse(content));
    }
  });

  it('may lack what a published one must have, item by item in every way of marking', () => {
    for (const kind of ITEM_KINDS) {
      const items = SOUND.items.map((item) => ({
        ...asKind(item, kind),
        text: '',
        weight: null,
      }));
      const content = { ...SOUND, items, stopRule: '' };
      expect(draftContent.safeParse(content).success).toBe(true);
      expect(checklistContent.safeParse(content).success).toBe(false);
    }
  });
});

describe('a change of a piece', () => {
  const pieces = Object.entries(piecesOf(SOUND)).map(([piece, value]) => ({ piece, value }));

  it('is any piece of a draft as it is, or an item that is gone', () => {
    expect(sent(...pieces).success).toBe(true);
    expect(sent({ piece: 'item/consent', value: null }).success).toBe(true);
    expect(
      sent({ piece: 'minutes', value: 9 }, { piece: 'patient', value: { has: null } }).success,
    ).toBe(true);
  });

  it('is refused where it is no piece, another’s item, or a part that cannot be gone', () => {
    const [first] = pieces;
    expect(pathsOf(sent({ piece: 'weather', value: 'fine' }))).toEqual(['changes/0/piece']);
    expect(pathsOf(sent({ piece: 'item/other', value: first?.value }))).toEqual([
      'changes/0/value/item/key',
    ]);
    expect(pathsOf(sent({ piece: 'stopRule', value: null }))).toEqual(['changes/0/value']);
    expect(pathsOf(sent({ piece: 'minutes', value: 61 }))).toEqual(['changes/0/value']);
    for (const piece of ['item/__proto__', 'constructor', 'toString', '__proto__']) {
      expect(pathsOf(sent({ piece, value: null }))).toEqual(['changes/0/piece']);
    }
  });

  it('names the part of an item that does not fit', () => {
    const value = { place: 'a0', item: { ...SOUND.items[0], weight: 'heavy' } };
    expect(pathsOf(sent({ piece: 'item/consent', value }))).toEqual([
      'changes/0/value/item/weight',
    ]);
  });
});

describe('the file of a draft', () => {
  const file = (checklist: object) =>
    JSON.stringify({ format: 'kritikos-checklist', version: 2, checklist });

  it('may lack a stop rule, faults and rules', () => {
    const { procedures, items } = SOUND;
    expect(readDraftChecklist(file({ procedures, items }))).toMatchObject({
      stopRule: '',
      faults: [],
      attempts: { allowed: 1, counts: 'last' },
    });
  });

  it('is refused for what a draft cannot be either, and for nothing else', () => {
    const items = [{ ...SOUND.items[0], domain: 'luck' }];
    const read = () => readDraftChecklist(file({ procedures: SOUND.procedures, items }));
    expect(read).toThrow(RefusedFile);
    try {
      read();
    } catch (error) {
      const { problems } = error as RefusedFile;
      expect(problems.map(({ path }) => path)).toEqual(['/checklist/items/0/domain']);
    }
  });
});
