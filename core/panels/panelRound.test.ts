import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { angoff } from '../standards/angoff.ts';
import { panelBeuk, panelHofstee } from './compromise.ts';
import { mayJudge, pointsOf } from './panel.ts';
import type { Placement, Subject } from './panel.ts';
import { ebelOfJudge, panelRound } from './panelRound.ts';
import { cellKey } from './panel.ts';
import type { Judgements } from './panelRound.ts';

const subject = (key: string, station = 'S', weight = 1): Subject => ({
  key,
  station,
  weight,
  points: 1,
});
const says = (shares: Record<string, number>): Judgements => ({
  shares,
  placements: {},
  cells: {},
});

describe('a round of a panel', () => {
  /**
   * Three judges on five items, percent form: the layout of the textbook example of Cizek & Bunch
   * 2007, chapter 6 (numbers from memory, worked by hand here): sums 3.2, 2.9 and 3.5 of 5 items.
   */
  it('comes to Angoff’s cut, the mean of the judges, with SD / sqrt(judges)', () => {
    const items = ['a', 'b', 'c', 'd', 'e'].map((key) => subject(key));
    const judges = [
      says({ a: 0.9, b: 0.7, c: 0.6, d: 0.5, e: 0.5 }),
      says({ a: 0.8, b: 0.6, c: 0.6, d: 0.5, e: 0.4 }),
      says({ a: 0.9, b: 0.8, c: 0.7, d: 0.6, e: 0.5 }),
    ];
    const { cut, judges: own, spread } = panelRound('angoff-percent', items, judges);
    expect(own.map((judge) => judge.cut)).toEqual([64, 58, 70].map((n) => expect.closeTo(n, 9)));
    expect(cut.estimate).toBeCloseTo(64, 9);
    expect(spread).toBeCloseTo(6, 9);
    expect(cut.standardError).toBeCloseTo(6 / Math.sqrt(3), 9);
    // Student's t with 2 degrees of freedom, two-sided 5 %: 4.303 (any table).
    expect((cut.upper as number) - 64).toBeCloseTo(4.3027 * (6 / Math.sqrt(3)), 3);
  });

  it('comes to the share of yes in the yes/no form (Impara & Plake 1997)', () => {
    const items = ['a', 'b', 'c', 'd'].map((key) => subject(key));
    const judges = [says({ a: 1, b: 1, c: 0, d: 0 }), says({ a: 1, b: 1, c: 1, d: 0 })];
    expect(panelRound('angoff-yes-no', items, judges).cut.estimate).toBeCloseTo(62.5, 9);
  });

  it('weighs items within a station, and stations alike, as the total of a candidate does', () => {
    const items = [subject('a', 'S', 3), subject('b', 'S', 1), subject('c', 'T', 10)];
    const round = panelRound('angoff-percent', items, [says({ a: 0.8, b: 0.4, c: 0.5 })]);
    expect(round.stations.map(({ cut }) => cut.estimate)).toEqual(
      [70, 50].map((n) => expect.closeTo(n, 9)),
    );
    expect(round.cut.estimate).toBeCloseTo(60, 9);
    expect(round.cut.notes).toContain('One judge alone gives a cut without an error.');
  });

  it('is Angoff’s of the core wherever every station has one judge’s worth of items', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(share, share, share), { minLength: 2, maxLength: 9 }),
        (rows) => {
          const items = [subject('a', 'S', 2), subject('b', 'S'), subject('c', 'S')];
          const judges = rows.map(([a, b, c]) => says({ a, b, c }));
          const ours = panelRound('angoff-percent', items, judges).cut;
          const theirs = angoff(rows, [2, 1, 1]);
          expect(ours.estimate).toBeCloseTo(theirs.estimate as number, 9);
          expect(ours.standardError).toBeCloseTo(theirs.standardError as number, 9);
        },
      ),
    );
  });

  it('leaves out of the examination’s cut whoever left a station blank, and says so', () => {
    const items = [subject('a', 'S'), subject('b', 'T')];
    const round = panelRound('angoff-percent', items, [says({ a: 0.6, b: 0.6 }), says({ a: 0.9 })]);
    expect(round.cut).toMatchObject({ estimate: expect.closeTo(60, 9), n: 1 });
    expect(round.cut.notes.join(' ')).toMatch(/1 of 2 judges left a station blank/);
    expect(round.stations[0]?.cut.n).toBe(2);
    expect(round.judges[1]).toMatchObject({ cut: null, far: false });
  });

  it('names a judge who stands apart, and nobody where all agree', () => {
    const at = (...cuts: number[]) =>
      panelRound(
        'angoff-percent',
        [subject('a')],
        cuts.map((cut) => says({ a: cut / 100 })),
      ).judges.map(({ far }) => far);
    expect(at(60, 61, 59, 85)).toEqual([false, false, false, true]);
    expect(at(60, 61, 59, 63)).toEqual([false, false, false, false]);
    expect(at(60, 90)).toEqual([false, false]);
  });

  it('names the items that judges split on', () => {
    const items = [subject('alike'), subject('apart')];
    const judges = [0.2, 0.9, 0.2, 0.9].map((apart) => says({ alike: 0.6, apart }));
    const { subjects } = panelRound('angoff-percent', items, judges);
    expect(subjects.map(({ split }) => split)).toEqual([false, true]);
    expect(subjects[1]?.values).toEqual([0.2, 0.2, 0.9, 0.9]);
    const votes = (...list: number[]) =>
      panelRound(
        'angoff-yes-no',
        [subject('a')],
        list.map((a) => says({ a })),
      ).subjects[0]?.split;
    expect([votes(1, 1, 0), votes(1, 1, 1, 1, 0), votes(1, 1, 1)]).toEqual([true, false, false]);
  });

  it('holds judges against what candidates earned', () => {
    const items = ['a', 'b', 'c', 'd'].map((key) => subject(key));
    const earned = { a: 0.9, b: 0.7, c: 0.5, d: 0.3 };
    const round = panelRound(
      'angoff-percent',
      items,
      [says({ a: 0.8, b: 0.6, c: 0.4, d: 0.2 }), says({ a: 0.2, b: 0.4, c: 0.6, d: 0.8 })],
      earned,
    );
    expect(round.judges.map(({ againstData }) => againstData)).toEqual([
      expect.closeTo(1, 9),
      expect.closeTo(-1, 9),
    ]);
  });

  it('refuses a share that nobody can mean', () => {
    expect(() => panelRound('angoff-percent', [subject('a')], [says({ a: 60 })])).toThrow(
      'A share lies between 0 and 1, not at 60.',
    );
  });
});

describe('Ebel’s grid', () => {
  /** Livingston & Zieky 1982's kind of worked grid (from memory): shares of cells times what they hold. */
  it('gives each item the share of its cell: the cut is the weighted mean over the cells', () => {
    const essentialEasy: Placement = { relevance: 'essential', difficulty: 'easy' };
    const importantHard: Placement = { relevance: 'important', difficulty: 'hard' };
    const items = ['a', 'b', 'c', 'd', 'e'].map((key) => subject(key));
    const judge: Judgements = {
      shares: {},
      placements: {
        a: essentialEasy,
        b: essentialEasy,
        c: essentialEasy,
        d: importantHard,
        e: importantHard,
      },
      cells: { [cellKey(essentialEasy)]: 0.9, [cellKey(importantHard)]: 0.4 },
    };
    // (3 x 90 + 2 x 40) / 5 = 70
    expect(panelRound('ebel', items, [judge]).cut.estimate).toBeCloseTo(70, 9);
    expect(ebelOfJudge(items, judge).cut.estimate).toBeCloseTo(70, 9);
  });

  it('leaves an item in a cell without a share out of the cut', () => {
    const judge: Judgements = {
      shares: {},
      placements: {
        a: { relevance: 'essential', difficulty: 'easy' },
        b: { relevance: 'acceptable', difficulty: 'hard' },
      },
      cells: { 'essential, easy': 0.8 },
    };
    const round = panelRound('ebel', [subject('a'), subject('b')], [judge]);
    expect(round.cut.estimate).toBeCloseTo(80, 9);
  });
});

describe('the compromises of a panel', () => {
  const scores = Array.from({ length: 100 }, (_, i) => i + 1);

  it('draws Hofstee’s line through the mean answers', () => {
    const answers = [
      { lowestCut: 0.35, highestCut: 0.55, fewestFails: 0, mostFails: 1 },
      { lowestCut: 0.45, highestCut: 0.65, fewestFails: 0, mostFails: 1 },
    ];
    // The worked value of the method: scores 1..100, 40..60 and 0..1 meet at 50.
    expect(panelHofstee(scores, answers).estimate).toBeCloseTo(50, 0);
    expect(panelHofstee(scores, [{ lowestCut: 0.4 }]).notes).toEqual([
      'No judge has answered all four questions.',
    ]);
    const crossed = { lowestCut: 0.7, highestCut: 0.5, fewestFails: 0, mostFails: 0.4 };
    expect(panelHofstee(scores, [crossed]).estimate).toBeNull();
  });

  it('draws Beuk’s through theirs (worked value: judges 50, 40 % and 60, 60 % meet at 53.5)', () => {
    const answers = [
      { beukCut: 0.5, passRate: 0.4 },
      { beukCut: 0.6, passRate: 0.6 },
    ];
    expect(panelBeuk(scores, answers).estimate).toBeCloseTo(53.5, 1);
    expect(panelBeuk(scores, []).estimate).toBeNull();
  });
});

describe('what is judged', () => {
  it('has points by its kind', () => {
    const base = {
      key: 'k',
      text: 't',
      domain: 'technique',
      weight: 1,
      observability: 'seen',
      criticality: 'none',
      safety: false,
      saidEarns: false,
    } as const;
    expect(pointsOf({ ...base, kind: 'done' })).toBe(1);
    expect(pointsOf({ ...base, kind: 'graded', anchors: ['a', 'b', 'c', 'd'] })).toBe(3);
    expect(
      pointsOf({ ...base, kind: 'hold', lower: 1, upper: 2, halfTolerance: 1, maximum: 9 }),
    ).toBe(2);
    expect(
      pointsOf({
        ...base,
        kind: 'choice',
        options: [{ key: 'x', label: 'X', call: 0 }],
        answer: 'x',
      }),
    ).toBe(1);
  });

  it('is no yes or no of a whole station', () => {
    expect(mayJudge('angoff-yes-no', 'station')).toBe(false);
    expect(mayJudge('angoff-percent', 'station')).toBe(true);
  });
});
