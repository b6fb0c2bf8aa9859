import { describe, expect, it } from 'vitest';
import { itemBase } from '../scoring/testing/items.ts';
import { twoActs } from './twoActs.ts';
import { IN_THE_MAKING, KEPT_OUT } from './testing/handJudged.ts';
import type { Judged, JudgedItem } from './testing/handJudged.ts';
import { vagueWords } from './vagueWords.ts';

/** What the rules say of the words alone. */
function readAs({ text }: JudgedItem): Judged {
  const item = { ...itemBase, key: 'one', kind: 'done', text } as const;
  const two = twoActs(item).length > 0;
  const vague = vagueWords(item).length > 0;
  if (two) return vague ? 'two-acts and vague' : 'two-acts';
  return vague ? 'vague' : 'sound';
}

const misjudged = (items: readonly JudgedItem[]) =>
  items.filter((item) => readAs(item) !== item.judged).map(({ text }) => text);

describe('the reading of words against a hand’s judgement', () => {
  it('has at least 60 judged items, half of them kept out of the making of the rules', () => {
    expect(IN_THE_MAKING.length + KEPT_OUT.length).toBeGreaterThanOrEqual(60);
    expect(KEPT_OUT.length).toBeGreaterThanOrEqual(IN_THE_MAKING.length);
  });

  it('agrees on every item that it was made with', () => {
    expect(misjudged(IN_THE_MAKING)).toEqual([]);
  });

  it('agrees on those kept out', () => {
    expect(misjudged(KEPT_OUT)).toEqual([]);
  });
});
