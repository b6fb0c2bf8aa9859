import { describe, expect, it } from 'vitest';
import { scoreSheet } from '../scoring/scoreSheet.ts';
import { markOn } from '../scoring/testing/items.ts';
import { asKind, blankScale, ITEM_KINDS, SCALE_KINDS } from './asKind.ts';
import type { DraftContent, DraftItem } from './draftChecklist.ts';
import { markable } from './markable.ts';
import { byDomain, moveItem, stepItem } from './moveItem.ts';
import { SOUND } from './testing/soundChecklist.ts';

const itemOf = (content: DraftContent, key: string): DraftItem => {
  const item = content.items.find((one) => one.key === key);
  if (!item) throw new Error(key);
  return item;
};
const keysByPhase = (content: DraftContent) =>
  Object.fromEntries(
    byDomain(content.items).map(({ domain, items }) => [domain, items.map(({ key }) => key)]),
  );

describe('an item marked in another way', () => {
  it.each(ITEM_KINDS)('as %s keeps its words, weight and what else is its own', (kind) => {
    for (const item of SOUND.items) {
      const changed = asKind(item, kind);
      expect(changed).toMatchObject({ kind, key: item.key, text: item.text, weight: item.weight });
      expect(changed.criticalReason).toBe(item.criticalReason);
    }
  });

  it('keeps its scale on the way to a pair and back', () => {
    const ramp = itemOf(SOUND, 'ramp');
    const pair = asKind(ramp, 'sides');
    expect(pair).toMatchObject({ left: { kind: 'graded' }, right: { kind: 'graded' } });
    expect(asKind(pair, 'graded')).toEqual(ramp);
    expect(asKind(asKind(ramp, 'retest'), 'graded')).toEqual(ramp);
  });

  it('brings nothing of the old scale into the new one', () => {
    const angle = asKind(itemOf(SOUND, 'angle'), 'done');
    expect(Object.keys(angle)).not.toContain('lower');
  });
});

describe('moving an item', () => {
  it('puts it before another, in that one’s phase', () => {
    const moved = moveItem(SOUND, 'ramp', 'positioning', 'angle');
    expect(keysByPhase(moved).positioning).toEqual(['ramp', 'angle']);
    expect(keysByPhase(moved).technique).toEqual(['stops']);
  });

  it('puts it at the end of a phase, an empty one too', () => {
    expect(keysByPhase(moveItem(SOUND, 'angle', 'technique', null)).technique).toEqual([
      'stops',
      'ramp',
      'angle',
    ]);
    expect(keysByPhase(moveItem(SOUND, 'angle', 'communication', null)).communication).toEqual([
      'angle',
    ]);
  });

  it('steps through its phase and into the next one', () => {
    const once = stepItem(SOUND, 'stops', 1);
    expect(keysByPhase(once).technique).toEqual(['ramp', 'stops']);
    expect(keysByPhase(stepItem(once, 'stops', 1)).comparison).toEqual(['stops', 'both-sides']);
    expect(keysByPhase(stepItem(SOUND, 'stops', -1)).positioning).toEqual(['angle', 'stops']);
  });

  it('goes all the way down and up again, a step at a time', () => {
    let content: DraftContent = SOUND;
    for (let i = 0; i < 20; i++) content = stepItem(content, 'consent', 1);
    expect(itemOf(content, 'consent').domain).toBe('communication');
    for (let i = 0; i < 20; i++) content = stepItem(content, 'consent', -1);
    expect(keysByPhase(content)).toEqual(keysByPhase(SOUND));
  });
});

describe('a draft on the sheet', () => {
  it('is the checklist itself where nothing is missing', () => {
    expect(markable(SOUND)).toEqual(SOUND);
  });

  it('can be marked and scored whatever is missing', () => {
    const items = [...SCALE_KINDS, 'sides', 'retest'].map((kind, i) => {
      const blank = { ...itemOf(SOUND, 'stops'), key: `blank-${i}`, text: '', weight: null };
      const scale = blankScale(SCALE_KINDS[i] ?? 'graded');
      const emptied = Object.fromEntries(
        Object.entries(scale).map(([part, value]) => [
          part,
          typeof value === 'number' ? null : part === 'anchors' ? [] : value,
        ]),
      );
      const item = { ...blank, ...emptied } as DraftItem;
      return kind === 'sides' || kind === 'retest' ? asKind(item, kind) : item;
    });
    const { items: shown } = markable({ ...SOUND, items });
    const marks = shown.map(({ key, kind }) =>
      markOn(
        key,
        kind === 'sides'
          ? { left: 1, right: 0 }
          : kind === 'retest'
            ? { before: 1, after: 0, changed: [] }
            : kind === 'choice'
              ? 'positive'
              : 1,
      ),
    );
    expect(scoreSheet(shown, marks, {}).percent).not.toBeNaN();
    expect(shown.every(({ text }) => text !== '')).toBe(true);
  });
});
