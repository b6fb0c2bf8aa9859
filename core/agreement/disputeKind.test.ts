import { describe, expect, it } from 'vitest';
import { fromCounts } from './crossTable.ts';
import { disputeKind } from './disputeKind.ts';
import { mcNemar } from './marginalTest.ts';

const kind = (a: number, b: number, c: number, d: number) =>
  disputeKind(
    fromCounts(
      [0, 1],
      [
        [a, b],
        [c, d],
      ],
    ),
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

describe('where a dispute comes from', () => {
  it('is one-sided where one examiner is the harsher', () =>
    expect(kind(4, 9, 0, 7)).toBe('one-sided'));
  it('is ambiguous where both split at random', () => expect(kind(6, 4, 5, 5)).toBe('ambiguous'));
  it('is skewed where nearly everyone gets the mark', () =>
    expect(kind(0, 1, 1, 28)).toBe('skewed'));
  it('is agreed where marks vary and match', () => expect(kind(9, 1, 1, 9)).toBe('agreed'));
  it('gives no verdict on four pairs', () => expect(kind(2, 2, 0, 0)).toBe('too few'));
});
