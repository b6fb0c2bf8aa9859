import { describe, expect, it } from 'vitest';
import { disputeOf } from './disputeKind.ts';
import { mcNemar } from './marginalTest.ts';
import type { Subject } from './ratedSheet.ts';
import { ratedSheet } from './testing/ratedSheets.ts';

/** So many candidates whom the named examiners marked so. */
const marked = (times: number, marks: Readonly<Record<string, number>>): Subject[] =>
  Array.from({ length: times }, (_, candidate) => ({
    candidate,
    place: 0,
    marks: Object.entries(marks).map(([examiner, mark]) => ({
      sheet: ratedSheet(candidate, examiner, [], []),
      mark,
    })),
  }));
/** Two examiners and a table of cells: rows the first, columns the second, from 0 to 1. */
const table = (a: number, b: number, c: number, d: number) =>
  disputeOf(
    [
      ...marked(a, { A: 0, B: 0 }),
      ...marked(b, { A: 0, B: 1 }),
      ...marked(c, { A: 1, B: 0 }),
      ...marked(d, { A: 1, B: 1 }),
    ],
    [0, 1],
  );

describe('McNemar’s test', () => {
  // Exact binomial by hand: 2 (1 + 10) / 2^10.
  it('gives the exact two-sided p for one against nine', () => {
    expect(mcNemar(1, 9)).toBeCloseTo(22 / 1024, 12);
  });

  // Agresti, Categorical Data Analysis: approval ratings, 86 against 150, z^2 = 17.36 (from memory).
  it('gives p below .0001 for Agresti’s approval ratings', () => {
    expect((150 - 86) ** 2 / (150 + 86)).toBeCloseTo(17.36, 2);
    expect(mcNemar(86, 150)).toBeCloseTo(3.1e-5, 5);
  });

  it('is undefined without discordant pairs', () => {
    expect(mcNemar(0, 0)).toBeNull();
  });
});

describe('where a dispute of two examiners comes from', () => {
  it('is one-sided where one is the harsher, who is named', () => {
    expect(table(4, 9, 0, 7)).toEqual({ kind: 'one-sided', examiner: 'A', direction: 'harsher' });
    expect(table(4, 0, 9, 7)).toEqual({ kind: 'one-sided', examiner: 'B', direction: 'harsher' });
  });
  it('is ambiguous where both split at random', () =>
    expect(table(6, 4, 5, 5).kind).toBe('ambiguous'));
  it('is skewed where nearly everyone gets the mark', () =>
    expect(table(0, 1, 1, 28).kind).toBe('skewed'));
  it('is agreed where marks vary and match', () => expect(table(9, 1, 1, 9).kind).toBe('agreed'));
  it('gives no verdict on four candidates', () =>
    expect(table(2, 2, 0, 0)).toEqual({ kind: 'too few', examiner: null, direction: null }));
});

describe('where a dispute of three comes from', () => {
  const withThird = (c: number) => [
    ...marked(8, { A: 1, C: c }),
    ...marked(8, { B: 1, C: c }),
    ...marked(4, { A: 1, C: 1 }),
    ...marked(4, { B: 0, C: 0 }),
  ];

  it('is one examiner against all others, whoever stood beside', () => {
    expect(disputeOf(withThird(0), [0, 1])).toEqual({
      kind: 'one-sided',
      examiner: 'C',
      direction: 'harsher',
    });
    const mild = withThird(0).map((subject) => ({
      ...subject,
      marks: subject.marks.map(({ sheet, mark }) => ({ sheet, mark: 1 - Number(mark) })),
    }));
    expect(disputeOf(mild, [0, 1])).toMatchObject({ examiner: 'C', direction: 'milder' });
  });

  it('is nobody’s where one pair errs to the one side and the other pair to the other', () => {
    // Pooled as first and second this would look the same; by name C is lower as often as higher.
    const crossed = [
      ...marked(7, { A: 1, C: 0 }),
      ...marked(7, { B: 0, C: 1 }),
      ...marked(3, { A: 1, C: 1 }),
    ];
    const { kind, examiner } = disputeOf(crossed, [0, 1]);
    expect([kind, examiner]).not.toEqual(['one-sided', 'C']);
  });

  it('asks for more where three are tried: p .0625 of one among two speaks, among three does not', () => {
    const five = marked(5, { A: 0, B: 1 });
    expect(disputeOf(five, [0, 1]).kind).toBe('one-sided');
    const agreeing = [...five, ...marked(3, { A: 1, C: 1 })];
    expect(disputeOf(agreeing, [0, 1]).kind).toBe('ambiguous');
  });
});
