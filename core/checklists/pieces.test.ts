import { describe, expect, it } from 'vitest';
import type { DraftContent } from './draftChecklist.ts';
import { difference } from './difference.ts';
import { changedPieces, changesTo, contentOf, piecesOf, withChanges } from './pieces.ts';
import { doneItem, SOUND } from './testing/soundChecklist.ts';

const pieces = piecesOf(SOUND);
const keysOf = ({ items }: DraftContent) => items.map(({ key }) => key);
const inOrder = (...order: number[]): DraftContent => ({
  ...SOUND,
  items: order.flatMap((i) => SOUND.items[i] ?? []),
});

describe('a draft in pieces', () => {
  it('is the same draft again', () => {
    expect(contentOf(pieces)).toEqual(SOUND);
  });

  it('is the very same pieces where a change says what stands already', () => {
    const said = Object.entries(pieces).map(([piece, value]) => ({
      piece,
      value: structuredClone(value),
    }));
    expect(withChanges(pieces, said)).toBe(pieces);
    expect(withChanges(pieces, [{ piece: 'no-such', value: null }])).toBe(pieces);
    const [{ piece = '' } = {}] = said;
    expect(withChanges(pieces, [{ piece, value: null }])).not.toHaveProperty([piece]);
  });

  it('takes out what a checklist need not have and has no more, and nothing of the station', () => {
    const withheld = [{ procedure: 'patte', why: 'It would slip.', acts: ['Presses'] }];
    const stands = { ...piecesOf({ ...SOUND, withheld }), title: 'Shoulder' };
    expect(changesTo(stands, SOUND)).toEqual([{ piece: 'withheld', value: null }]);
    expect(changesTo(stands, { ...SOUND, withheld })).toEqual([]);
  });

  it('changes one piece where one item is moved, wherever to', () => {
    for (let from = 0; from < SOUND.items.length; from++) {
      for (let to = 0; to < SOUND.items.length; to++) {
        const order = SOUND.items.map((_, i) => i).filter((i) => i !== from);
        order.splice(to, 0, from);
        const moved = inOrder(...order);
        const after = piecesOf(moved, pieces);
        expect(changedPieces(pieces, after)).toHaveLength(from === to ? 0 : 1);
        expect(keysOf(contentOf(after))).toEqual(keysOf(moved));
      }
    }
  });

  it('keeps what two people did to different items, whoever comes first', () => {
    const reworded = {
      ...SOUND,
      items: SOUND.items.map((i) => (i.key === 'ramp' ? { ...i, text: 'Ramps' } : i)),
    };
    const grown = { ...SOUND, items: [doneItem('new', 'Looks'), ...SOUND.items.slice(1)] };
    const one = changedPieces(pieces, piecesOf(reworded, pieces));
    const other = changedPieces(pieces, piecesOf(grown, pieces));
    const there = contentOf(withChanges(withChanges(pieces, one), other));
    expect(there).toEqual(contentOf(withChanges(withChanges(pieces, other), one)));
    expect(keysOf(there)).toEqual(['new', 'angle', 'stops', 'ramp', 'both-sides', 'result']);
    expect(there.items.find(({ key }) => key === 'ramp')?.text).toBe('Ramps');
  });

  it('orders two items that were put at the same place at once, and both the same way', () => {
    const put = (key: string) => {
      const content = { ...SOUND, items: [...SOUND.items, doneItem(key, 'Looks')] };
      return changedPieces(pieces, piecesOf(content, pieces));
    };
    const both = [put('b'), put('a')];
    const one = contentOf(both.reduce(withChanges, pieces));
    const other = contentOf(both.reverse().reduce(withChanges, pieces));
    expect(keysOf(one)).toEqual(keysOf(other));
    expect(keysOf(one).slice(-2)).toEqual(['a', 'b']);
  });
});

describe('the difference of two versions', () => {
  it('is nothing between a version and itself', () => {
    expect(difference(SOUND, SOUND)).toEqual({ items: [], around: [] });
  });

  it('says what was added, removed, changed and moved, item by item', () => {
    const [consent, angle, stops, ramp, both, result] = SOUND.items;
    if (!consent || !angle || !stops || !ramp || !both || !result) throw new Error('items');
    const after = {
      ...SOUND,
      stopRule: 'Stop at once.',
      items: [consent, stops, { ...ramp, weight: 4 }, both, angle, doneItem('new', 'Looks')],
    };
    const { items, around } = difference(SOUND, after);
    expect(around).toEqual(['stopRule']);
    expect(Object.fromEntries(items.map(({ key, change }) => [key, change]))).toEqual({
      angle: 'moved',
      ramp: 'changed',
      new: 'added',
      result: 'removed',
    });
    expect(items.find(({ key }) => key === 'ramp')?.parts).toEqual([
      { part: 'weight', before: 1, after: 4 },
    ]);
  });
});
