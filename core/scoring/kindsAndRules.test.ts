import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { whyNotMarkable } from '../marking/checkMark.ts';
import type { ChecklistItem } from './checklist.ts';
import { keptItems } from './keptItems.ts';
import { earnedShare } from './mark.ts';
import type { MarkValue } from './mark.ts';
import { DEFAULT_RULES, scoreSheet } from './scoreSheet.ts';
import { itemBase, markOn } from './testing/items.ts';

// The knee brief: three twists each way; common practice, no source: a nerve compression of 15 to 20 s.
const twists: ChecklistItem = {
  ...itemBase,
  key: 'twists',
  kind: 'count',
  unit: 'twists',
  lower: 3,
  upper: 3,
  halfTolerance: 1,
  maximum: 10,
};
const compression: ChecklistItem = {
  ...itemBase,
  key: 'compression',
  kind: 'hold',
  lower: 15,
  upper: 20,
  halfTolerance: 5,
  maximum: 120,
};
const degrees = {
  kind: 'measured',
  unit: '°',
  fullTolerance: 0,
  halfTolerance: 5,
  step: 5,
  minimum: 0,
  maximum: 180,
} as const;
const rotation: ChecklistItem = {
  ...itemBase,
  key: 'rotation',
  kind: 'sides',
  left: { ...degrees, lower: 40, upper: 45 },
  right: { ...degrees, lower: 20, upper: 25 },
};
const squat: ChecklistItem = {
  ...itemBase,
  key: 'squat',
  kind: 'retest',
  before: { kind: 'graded', anchors: ['no pain', 'some', 'familiar pain'] },
  after: { kind: 'graded', anchors: ['no pain', 'some', 'familiar pain'] },
  settings: ['step height', 'cue'],
};
const meniscus: ChecklistItem = {
  ...itemBase,
  key: 'meniscus',
  kind: 'cluster',
  options: ['history', 'line', 'end-feel', 'twist', 'laxity'].map((key) => ({ key, label: key })),
  needs: ['history', 'line'],
  from: { atLeast: 1, of: ['end-feel', 'twist'] },
  never: ['laxity'],
};
const shareOf = (item: ChecklistItem, value: MarkValue) =>
  earnedShare(item, markOn(item.key, value));

describe('what the further kinds of items earn', () => {
  it.each([
    [twists, 3, 1],
    [twists, 2, 0.5],
    [twists, 4, 0.5],
    [twists, 1, 0],
    [compression, 15, 1],
    [compression, 20, 1],
    [compression, 10, 0.5],
    [compression, 9, 0],
    // Each side is half of the mark, on its own band; a side that was left out earns nothing.
    [rotation, { left: 45, right: 20 }, 1],
    [rotation, { left: 45, right: 40 }, 0.5],
    [rotation, { left: 50, right: 20 }, 0.75],
    [rotation, { left: null, right: 25 }, 0.5],
    // Before and after likewise; a changed setting spoils what came after.
    [squat, { before: 2, after: 2, changed: [] }, 1],
    [squat, { before: 2, after: 1, changed: [] }, 0.75],
    [squat, { before: 2, after: 2, changed: ['cue'] }, 0.5],
    [squat, { before: 2, after: null, changed: [] }, 0.5],
    [meniscus, ['history', 'line', 'twist'], 1],
    [meniscus, ['history', 'line'], 0.5],
    [meniscus, ['history', 'line', 'twist', 'laxity'], 0],
    [meniscus, [], 0],
  ] as const)('%o with %o earns %d', (item, value, share) => {
    expect(whyNotMarkable(item, value, 'observed')).toBeNull();
    expect(shareOf(item, value)).toBe(share);
  });

  it.each([
    [twists, 2.5, 'must be a whole number from 0 to 10 twists'],
    [compression, 121, 'must be from 0 to 120 seconds'],
    [rotation, 40, 'must have left and right'],
    [rotation, { left: null, right: null }, 'must have left or right'],
    [rotation, { left: 40, right: 181 }, 'right must be from 0 to 180 °'],
    [squat, { before: 2, after: 1 }, 'must say which settings were changed, or none'],
    [squat, { before: 2, after: 1, changed: ['shoes'] }, 'has no setting shoes'],
    [squat, { before: 3, after: 1, changed: [] }, 'before must be a grade from 0 to 2'],
    [meniscus, ['effusion'], 'must be of history, line, end-feel, twist, laxity'],
    [meniscus, 'history', 'must be the findings that were named'],
  ] as unknown as readonly [ChecklistItem, MarkValue, string][])(
    '%o refuses %o in words',
    (item, value, why) => {
      expect(whyNotMarkable(item, value, 'observed')).toBe(why);
    },
  );
});

describe('the rules of a checklist', () => {
  const straight: ChecklistItem = { ...itemBase, key: 'straight-knee', kind: 'done' };
  const bent: ChecklistItem = { ...itemBase, key: 'bent-knee', kind: 'done' };
  const items = [straight, bent, twists];

  it('leave out of both sums what a branch skips, and do not call it missed', () => {
    const rules = {
      ...DEFAULT_RULES,
      branches: [{ when: 'straight-knee', is: [1], skips: ['bent-knee'] }],
    };
    const positive = scoreSheet(
      items,
      [markOn('straight-knee', 1), markOn('twists', 3)],
      {},
      rules,
    );
    expect(positive).toMatchObject({
      percent: 100,
      notApplicable: ['bent-knee'],
      unmarked: [],
      shares: { 'straight-knee': 1, twists: 1 },
    });
    const negative = scoreSheet(
      items,
      [markOn('straight-knee', 0), markOn('twists', 3)],
      {},
      rules,
    );
    expect(negative.unmarked).toEqual(['bent-knee']);
    const unseen = markOn('straight-knee', null, { observation: 'not-observed' });
    expect(scoreSheet(items, [unseen], {}, rules).notApplicable).toEqual([]);
  });

  it('let the last attempt count item by item, or the better of the two', () => {
    const marks = [
      markOn('straight-knee', 1),
      markOn('bent-knee', 1),
      markOn('twists', 3),
      markOn('bent-knee', 0, { attempt: 2 }),
    ];
    const last = scoreSheet(items, marks, {}, DEFAULT_RULES);
    expect([last.percent, last.attempt]).toEqual([(100 * 2) / 3, 2]);
    const attempts = { allowed: 2, counts: 'best' } as const;
    const best = scoreSheet(items, marks, {}, { ...DEFAULT_RULES, attempts });
    expect([best.percent, best.attempt]).toEqual([100, 1]);
    // In whatever order the marks of the attempts stand.
    expect(scoreSheet(items, [...marks].reverse(), {}, DEFAULT_RULES)).toEqual(last);
    expect(keptItems(items, marks, last).map(({ category }) => category)).toEqual(['1', '0', '1']);
    expect(keptItems(items, marks, best).map(({ category }) => category)).toEqual(['1', '1', '1']);
  });
});

describe('what is kept of a submitted sheet', () => {
  it('adds up to its score again, whatever was marked', () => {
    const all = [twists, compression, rotation, squat, meniscus];
    const value: Record<string, readonly MarkValue[]> = {
      twists: [0, 2, 3],
      compression: [5, 12, 17],
      rotation: [
        { left: 40, right: 30 },
        { left: null, right: 20 },
      ],
      squat: [{ before: 2, after: 2, changed: ['cue'] }],
      meniscus: [[], ['history'], ['history', 'line', 'twist']],
    };
    const marks = fc.tuple(
      ...all.map(({ key }) =>
        fc.option(
          fc.oneof(
            fc.constantFrom(...(value[key] ?? [])).map((v) => markOn(key, v)),
            fc
              .constantFrom('not-observed', 'not-applicable')
              .map((observation) => markOn(key, null, { observation } as const)),
          ),
          { nil: null },
        ),
      ),
    );
    fc.assert(
      fc.property(marks, (drawn) => {
        const made = drawn.filter((mark) => mark !== null);
        const score = scoreSheet(all, made, {}, { ...DEFAULT_RULES, mostUnobservedShare: 1 });
        const kept = keptItems(all, made, score);
        expect(kept.map(({ item }) => item)).toEqual(all.map(({ key }) => key));
        const shares = kept.flatMap(({ share }) => (share === null ? [] : [share]));
        const mean = shares.reduce((sum, share) => sum + share, 0) / shares.length;
        if (shares.length === 0) expect(score.percent).toBeNull();
        else expect(score.percent).toBeCloseTo(100 * mean, 9);
        for (const { state, share, category } of kept) {
          expect([share === null, category === null]).toEqual(
            state === 'earned' ? [false, false] : [true, true],
          );
        }
      }),
    );
  });

  it('says in the words of the rules why an item has no share', () => {
    const items = ['a', 'b', 'c', 'd'].map((key): ChecklistItem => ({
      ...itemBase,
      key,
      kind: 'done',
    }));
    const seated: ChecklistItem = { ...itemBase, key: 'e', kind: 'done', variants: ['seated'] };
    const marks = [
      markOn('a', 1),
      markOn('b', null, { observation: 'not-observed' }),
      markOn('c', null, { observation: 'not-applicable' }),
      markOn('e', 1),
    ];
    const score = scoreSheet([...items, seated], marks, {});
    expect(keptItems([...items, seated], marks, score)).toEqual([
      { item: 'a', state: 'earned', share: 1, category: '1' },
      { item: 'b', state: 'not-observed', share: null, category: null },
      { item: 'c', state: 'not-applicable', share: null, category: null },
      { item: 'd', state: 'unmarked', share: null, category: null },
    ]);
  });
});
