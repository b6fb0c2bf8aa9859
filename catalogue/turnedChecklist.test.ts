import type { DraftContent } from '@kritikos/core/checklists/draftChecklist';
import { describe, expect, it } from 'vitest';
import { derivedChecklist } from './derivedChecklist.ts';
import { CATALOGUE } from './known.ts';
import { turnedChecklist, withholdsTheSame } from './turnedChecklist.ts';

const slips = { condition: 'shoulder-instability', side: 'left', degree: null } as const;
const refrain = { ...slips, refrain: true } as const;
const sound = { condition: 'nothing-wrong', side: 'left', degree: null } as const;
const derive = (ids: readonly string[], patient: Parameters<typeof derivedChecklist>[1]) =>
  derivedChecklist(
    ids.map((procedure) => ({ procedure })),
    patient,
    CATALOGUE,
  );
const keysOf = ({ items }: DraftContent) => items.map(({ key }) => key);

describe('a checklist turned to a patient on whom it must not be done', () => {
  it('says what a station made for that patient says, where nothing was written otherwise', () => {
    for (const id of ['er90-strength', 'biceps-load-ii']) {
      const turned = turnedChecklist(derive([id], sound), refrain, CATALOGUE);
      expect(turned).toEqual(derive([id], refrain));
      expect(withholdsTheSame(turned, derive([id], refrain))).toBe(true);
      expect(withholdsTheSame(derive([id], sound), derive([id], refrain))).toBe(false);
    }
  });

  it('and back again says what it said, in its order', () => {
    const before = derive(['er90-strength'], sound);
    const back = turnedChecklist(turnedChecklist(before, refrain, CATALOGUE), sound, CATALOGUE);
    expect(keysOf(back)).toEqual(keysOf(before));
    expect(back.withheld).toBeUndefined();
    expect(back.faults.map(({ key }) => key).sort()).toEqual(
      before.faults.map(({ key }) => key).sort(),
    );
    expect(back.items).toEqual(before.items);
  });

  it('keeps what was written by hand, and no rule that leads nowhere', () => {
    const plain: DraftContent = derive(['er90-strength'], sound);
    const [first] = plain.items;
    const act = plain.items.find(({ domain }) => domain === 'technique');
    if (!first || !act) throw new Error('The procedure has lost its items.');
    const own = { ...first, key: 'asks-for-help', text: 'Asks a colleague to look on' };
    const written: DraftContent = {
      ...plain,
      items: [
        own,
        ...plain.items.map((item) => (item === first ? { ...item, text: 'Cleans' } : item)),
      ],
      order: [{ earns: first.key, before: act.key }],
      branches: [{ when: first.key, is: [0], skips: [act.key] }],
    };
    const turned = turnedChecklist(written, refrain, CATALOGUE);
    expect(turned.items[0]).toBe(own);
    expect(turned.items[1]).toMatchObject({ key: first.key, text: 'Cleans' });
    expect(keysOf(turned)).not.toContain(act.key);
    expect([turned.order, turned.branches]).toEqual([[], []]);
    for (const { item } of turned.faults) expect(keysOf(turned)).toContain(item);
  });

  it('leaves the other procedure of the station as it is, whatever its keys are called', () => {
    const ids = ['er90-strength', 'infraspinatus-er-side'];
    const before = derive(ids, sound);
    const turned = turnedChecklist(before, refrain, CATALOGUE);
    const ofOther = (content: DraftContent) =>
      content.items
        .filter(({ procedure }) => procedure === 'infraspinatus-er-side')
        .map(({ text }) => text);
    expect(ofOther(before).length).toBeGreaterThan(3);
    expect(ofOther(turned)).toEqual(ofOther(before));
    expect(turned.withheld?.map(({ procedure }) => procedure)).toEqual(['er90-strength']);
    expect(new Set(keysOf(turned)).size).toBe(turned.items.length);
  });
});
