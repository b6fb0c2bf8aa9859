import { describe, expect, it } from 'vitest';
import type { ChecklistItem, SeenVariants } from './checklist.ts';
import { callOf, distanceToBand, earnedShare } from './mark.ts';
import type { Mark } from './mark.ts';
import { DEFAULT_RULES, scoreSheet } from './scoreSheet.ts';
import { itemBase, markOn as mark } from './testing/items.ts';

const done: ChecklistItem = { ...itemBase, key: 'done', kind: 'done' };
const graded: ChecklistItem = {
  ...itemBase,
  key: 'graded',
  kind: 'graded',
  anchors: ['0', '1', '2'],
};
const angle: ChecklistItem = {
  ...itemBase,
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
  ...itemBase,
  key: 'result',
  kind: 'choice',
  options: [
    { key: 'negative', label: 'Negative', call: 0 },
    { key: 'equivocal', label: 'Equivocal', call: 1 },
    { key: 'positive', label: 'Positive', call: 2 },
  ],
  answer: 'equivocal',
};

/** A procedure without variants. */
const ANY: SeenVariants = {};

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

  it('gives a choice all for the key, half for what is partly right, else nothing', () => {
    const partly: ChecklistItem = { ...result, partly: ['positive'] };
    expect(earnedShare(partly, mark('result', 'equivocal'))).toBe(1);
    expect(earnedShare(partly, mark('result', 'positive'))).toBe(0.5);
    expect(earnedShare(partly, mark('result', 'negative'))).toBe(0);
    expect(earnedShare(result, mark('result', 'positive'))).toBe(0);
  });

  it('gives neither share nor call where nothing was observed, or nothing stands', () => {
    const unseen = { observation: 'not-observed' } as const;
    for (const [item, value] of [
      [done, 1],
      [graded, 2],
      [angle, 25],
      [result, 'equivocal'],
    ] as const) {
      expect(earnedShare(item, mark(item.key, value, unseen))).toBeNull();
      expect(earnedShare(item, mark(item.key, null))).toBeNull();
    }
    expect(callOf(result, mark('result', 'positive', unseen))).toBeNull();
    expect(callOf(result, mark('result', null))).toBeNull();
    expect(callOf(done, mark('done', 1))).toBeNull();
  });

  it('tells over-calling from under-calling', () => {
    expect(callOf(result, mark('result', 'positive'))).toBe('over');
    expect(callOf(result, mark('result', 'negative'))).toBe('under');
    expect(callOf(result, mark('result', 'equivocal'))).toBe('right');
  });

  it('calls a void trial neither over nor under, and a word of nobody’s nothing', () => {
    const voidable: ChecklistItem = {
      ...result,
      options: [...result.options, { key: 'guarded', label: 'Guarded, void', call: null }],
    };
    expect(callOf(voidable, mark('result', 'guarded'))).toBe('void');
    expect(callOf({ ...voidable, answer: 'guarded' }, mark('result', 'positive'))).toBe('void');
    expect(callOf({ ...voidable, answer: 'guarded' }, mark('result', 'guarded'))).toBe('right');
    const twin = { key: 'positive-late', label: 'Positive, late', call: 2 };
    const twins: ChecklistItem = {
      ...result,
      options: [...result.options, twin],
      answer: 'positive',
    };
    expect(callOf(twins, mark('result', 'positive-late'))).toBeNull();
    expect(callOf(voidable, mark('result', 'firm'))).toBeNull();
    expect(callOf({ ...voidable, answer: 'firm' }, mark('result', 'positive'))).toBeNull();
  });
});

describe('the score of a sheet', () => {
  it('weighs the shares: weights 1 and 3, shares 1 and .5, give 62.5 %', () => {
    const score = scoreSheet(
      [done, { ...graded, weight: 3 }],
      [mark('done', 1), mark('graded', 1)],
      ANY,
    );
    expect(score.percent).toBe(62.5);
    expect(score.domains.technique).toEqual({ earned: 2.5, possible: 4, percent: 62.5 });
  });

  it('leaves not applicable items and other variants out of both sums', () => {
    const other = { ...done, key: 'other', variants: ['seated'] };
    const score = scoreSheet(
      [done, graded, other],
      [mark('done', 1), mark('graded', null, { observation: 'not-applicable' })],
      { own: 'supine' },
    );
    expect(score).toMatchObject({ percent: 100, notApplicable: ['graded'], unmarked: [] });
  });

  it('counts not observed apart from not done, and does not score a sheet with too much of it', () => {
    const items = ['a', 'b', 'c', 'd'].map((key) => ({ ...done, key }));
    const three = ['a', 'b', 'c'].map((key) => mark(key, 1));
    const quarter = scoreSheet(
      items,
      [...three, mark('d', null, { observation: 'not-observed' })],
      ANY,
    );
    expect(quarter).toMatchObject({ percent: 100, notObserved: ['d'] });
    const half = scoreSheet(items, three.slice(0, 2), ANY);
    expect(half).toMatchObject({ percent: null, unmarked: ['c', 'd'] });
    expect(half.notes[0]).toMatch(/50 % of the weight .* not scorable/);
  });

  it('sums safety apart and names critical failures and flags', () => {
    const safe = { ...done, key: 'safe', safety: true, criticality: 'fails-station' } as const;
    const asked = { ...done, key: 'asked', safety: true, criticality: 'flag' } as const;
    const score = scoreSheet(
      [safe, asked, done],
      [mark('safe', 0), mark('asked', 0), mark('done', 1)],
      ANY,
    );
    expect(score.safety.percent).toBe(0);
    expect(score.critical).toEqual({ missed: ['safe'], met: [], unseen: [] });
    expect(score.flags).toEqual(['asked']);
  });

  it('flags a missed item that flags, and no other: not a met one, not one without consequence', () => {
    const flag = (key: string) => ({ ...done, key, criticality: 'flag' }) as const;
    const score = scoreSheet(
      [flag('met'), flag('missed'), done],
      [mark('met', 1), mark('missed', 0), mark('done', 0)],
      ANY,
    );
    expect(score.flags).toEqual(['missed']);
    expect(score.critical).toEqual({ missed: [], met: [], unseen: [] });
  });

  it('says how much may go unobserved, and asks for an item of a school only in that school', () => {
    const items = ['a', 'b'].map((key) => ({ ...done, key }));
    const rules = { ...DEFAULT_RULES, mostUnobservedShare: 0.4 };
    expect(scoreSheet(items, [mark('a', 1)], ANY, rules).notes).toEqual([
      '50 % of the weight was not marked or not observed; at most 40 % may be, so the sheet is not scorable.',
    ]);
    const seated = { ...done, key: 'seated', variants: ['seated'] };
    const of = (seen: SeenVariants) => scoreSheet([done, seated], [], seen).unmarked;
    expect(of({ own: 'seated' })).toEqual(['done', 'seated']);
    expect(scoreSheet([done, seated], [], { own: 'seated' }).critical.unseen).toEqual([]);
    expect(of({ own: 'lying' })).toEqual(['done']);
    expect(of(ANY)).toEqual(['done']);
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
      { own: 'lying' },
    );
    expect(score.critical).toEqual({ missed: [], met: ['a'], unseen: ['b', 'c'] });
  });

  it('applies an order rule from the times of the marks', () => {
    const rules = { ...DEFAULT_RULES, order: [{ earns: 'done', before: 'graded' }] };
    const late = [mark('done', 1, { at: 20 }), mark('graded', 2, { at: 10 })];
    const early = [mark('done', 1, { at: 5 }), mark('graded', 2, { at: 10 })];
    expect(scoreSheet([done, graded], late, ANY, rules).percent).toBe(50);
    expect(scoreSheet([done, graded], early, ANY, rules).percent).toBe(100);
    // At one time both earn; the rule is about the item that it names and about what was seen.
    const together = [mark('done', 1, { at: 10 }), mark('graded', 2, { at: 10 })];
    expect(scoreSheet([done, graded], together, ANY, rules).percent).toBe(100);
    const unseen = [late[0] as Mark, mark('graded', null, { at: 10, observation: 'not-observed' })];
    const lenient = { ...rules, mostUnobservedShare: 1 };
    expect(scoreSheet([done, graded], unseen, ANY, lenient).percent).toBe(100);
    expect(scoreSheet([done, graded], [late[0] as Mark], ANY, lenient).percent).toBe(100);
    const other = { ...rules, order: [{ earns: 'graded', before: 'angle' }] };
    const three = [...late, mark('angle', 25, { at: 5 })];
    expect(scoreSheet([done, graded, angle], three, ANY, other).domains.technique.earned).toBe(2);
  });

  it('has no score for an empty sheet, and says so', () => {
    const score = scoreSheet([done], [], ANY);
    expect(score.percent).toBeNull();
    expect(score.notes[0]).toMatch(/No item was marked/);
  });
});
