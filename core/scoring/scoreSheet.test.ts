import { describe, expect, it } from 'vitest';
import type { ChecklistItem } from './checklist.ts';
import { callOf, distanceToBand, earnedShare } from './mark.ts';
import type { Mark } from './mark.ts';
import { scoreSheet } from './scoreSheet.ts';

const base = {
  text: 'An act',
  domain: 'technique',
  weight: 1,
  observability: 'seen',
  criticality: 'none',
  safety: false,
  saidEarns: false,
} as const;
const done: ChecklistItem = { ...base, key: 'done', kind: 'done' };
const graded: ChecklistItem = { ...base, key: 'graded', kind: 'graded', anchors: ['0', '1', '2'] };
const angle: ChecklistItem = {
  ...base,
  key: 'angle',
  kind: 'measured',
  unit: '°',
  lower: 20,
  upper: 30,
  fullTolerance: 0,
  halfTolerance: 5,
  step: 1,
  minimum: 0,
  maximum: 135,
};
const result: ChecklistItem = {
  ...base,
  key: 'result',
  kind: 'choice',
  options: [
    { key: 'negative', label: 'Negative', call: 0 },
    { key: 'equivocal', label: 'Equivocal', call: 1 },
    { key: 'positive', label: 'Positive', call: 2 },
  ],
  answer: 'equivocal',
};
const mark = (item: string, value: number | string | null, more: Partial<Mark> = {}): Mark => ({
  item,
  value,
  observation: 'observed',
  manner: 'done',
  prompted: false,
  at: 0,
  ...more,
});

describe('what a mark earns', () => {
  it('gives a graded item its share, capped below the top when prompted', () => {
    expect(earnedShare(graded, mark('graded', 1))).toBe(0.5);
    expect(earnedShare(graded, mark('graded', 2))).toBe(1);
    expect(earnedShare(graded, mark('graded', 2, { prompted: true }))).toBe(0.5);
  });

  it('gives nothing for mimed, and for said only unless the item says so', () => {
    expect(earnedShare(done, mark('done', 1, { manner: 'mimed' }))).toBe(0);
    expect(earnedShare(done, mark('done', 1, { manner: 'said-only' }))).toBe(0);
    expect(
      earnedShare({ ...done, saidEarns: true }, mark('done', 1, { manner: 'said-only' })),
    ).toBe(1);
  });

  // The knee brief's own rule for Lachman: 20–30 full, 15–19 and 31–35 half, else none.
  it.each([
    [20, 1],
    [30, 1],
    [15, 0.5],
    [35, 0.5],
    [14, 0],
    [36, 0],
  ])('an angle of %d° against 20–30° earns %d', (value, share) => {
    expect(earnedShare(angle, mark('angle', value))).toBe(share);
  });

  it('measures the distance to a band without rounding surprises', () => {
    expect(distanceToBand(0.3, 0.1, 0.1)).toBe(0.2);
  });

  it('tells over-calling from under-calling', () => {
    expect(callOf(result, mark('result', 'positive'))).toBe('over');
    expect(callOf(result, mark('result', 'negative'))).toBe('under');
    expect(callOf(result, mark('result', 'equivocal'))).toBe('right');
  });
});

describe('the score of a sheet', () => {
  it('weighs the shares: weights 1 and 3, shares 1 and .5, give 62.5 %', () => {
    const score = scoreSheet(
      [done, { ...graded, weight: 3 }],
      [mark('done', 1), mark('graded', 1)],
      null,
    );
    expect(score.percent).toBe(62.5);
    expect(score.domains.technique).toEqual({ earned: 2.5, possible: 4, percent: 62.5 });
  });

  it('leaves not applicable items and other variants out of both sums', () => {
    const other = { ...done, key: 'other', variants: ['seated'] };
    const score = scoreSheet(
      [done, graded, other],
      [mark('done', 1), mark('graded', null, { observation: 'not-applicable' })],
      'supine',
    );
    expect(score).toMatchObject({ percent: 100, notApplicable: ['graded'], unmarked: [] });
  });

  it('counts not observed apart from not done, and does not score a sheet with too much of it', () => {
    const items = ['a', 'b', 'c', 'd'].map((key) => ({ ...done, key }));
    const three = ['a', 'b', 'c'].map((key) => mark(key, 1));
    const quarter = scoreSheet(
      items,
      [...three, mark('d', null, { observation: 'not-observed' })],
      null,
    );
    expect(quarter).toMatchObject({ percent: 100, notObserved: ['d'] });
    const half = scoreSheet(items, three.slice(0, 2), null);
    expect(half).toMatchObject({ percent: null, unmarked: ['c', 'd'] });
    expect(half.notes[0]).toMatch(/50 % of the weight .* not scorable/);
  });

  it('sums safety apart and names critical failures and flags', () => {
    const safe = { ...done, key: 'safe', safety: true, criticality: 'fails-station' } as const;
    const asked = { ...done, key: 'asked', safety: true, criticality: 'flag' } as const;
    const score = scoreSheet(
      [safe, asked, done],
      [mark('safe', 0), mark('asked', 0), mark('done', 1)],
      null,
    );
    expect(score.safety.percent).toBe(0);
    expect(score.critical).toEqual({ missed: ['safe'], met: [], unseen: [] });
    expect(score.flags).toEqual(['asked']);
  });

  it('tells a critical item that nobody observed from one that was met', () => {
    const critical = (key: string) => ({ ...done, key, criticality: 'fails-station' }) as const;
    const other = { ...critical('other'), variants: ['sitting'] };
    const items = [critical('a'), critical('b'), critical('c'), critical('d'), other];
    const score = scoreSheet(
      items,
      [
        mark('a', 1),
        mark('b', null, { observation: 'not-observed' }),
        mark('d', null, { observation: 'not-applicable' }),
      ],
      'lying',
    );
    expect(score.critical).toEqual({ missed: [], met: ['a'], unseen: ['b', 'c'] });
  });

  it('applies an order rule from the times of the marks', () => {
    const rules = { mostUnobservedShare: 0.25, order: [{ earns: 'done', before: 'graded' }] };
    const late = [mark('done', 1, { at: 20 }), mark('graded', 2, { at: 10 })];
    const early = [mark('done', 1, { at: 5 }), mark('graded', 2, { at: 10 })];
    expect(scoreSheet([done, graded], late, null, rules).percent).toBe(50);
    expect(scoreSheet([done, graded], early, null, rules).percent).toBe(100);
  });

  it('has no score for an empty sheet, and says so', () => {
    const score = scoreSheet([done], [], null);
    expect(score.percent).toBeNull();
    expect(score.notes[0]).toMatch(/No item was marked/);
  });
});
