import { describe, expect, it } from 'vitest';
import { examinerPairs, meanScoreDifference } from './examinerPairs.ts';
import { sheetsByCandidate } from './ratedSheet.ts';
import { ratedSheet } from './testing/ratedSheets.ts';

const sheet = (candidate: number, examiner: string, percent: number | null) =>
  ratedSheet(candidate, examiner, [], [], { percent });
const candidates = sheetsByCandidate([
  sheet(1, 'A', 80),
  sheet(1, 'C', 70),
  sheet(2, 'C', 66),
  sheet(2, 'A', 60),
  sheet(3, 'B', 50),
  sheet(3, 'C', null),
  sheet(4, 'A', 90),
  sheet(4, 'B', 80),
  sheet(4, 'C', 85),
  sheet(5, 'A', 40),
]);

describe('pairs of examiners', () => {
  it('are named, each the same way round throughout, and all of a candidate’s are used', () => {
    const pairs = examinerPairs(candidates);
    expect(
      pairs.map(({ first, second, sheets }) => [first, second, sheets.map((s) => s.candidate)]),
    ).toEqual([
      ['A', 'C', [1, 2, 4]],
      ['B', 'C', [3, 4]],
      ['A', 'B', [4]],
    ]);
    expect(pairs[0]?.sheets[1]?.first.examiner).toBe('A');
  });

  it('differ in their scores by those that both have: (10 - 6 + 5) / 3', () => {
    const [ac, bc] = examinerPairs(candidates);
    expect(meanScoreDifference(ac?.sheets ?? [])).toBeCloseTo(3, 12);
    expect(meanScoreDifference(bc?.sheets ?? [])).toBeCloseTo(-5, 12);
    expect(meanScoreDifference([])).toBeNull();
  });

  it('leave out who was marked once', () => {
    expect(candidates.map(([first]) => first?.candidate)).toEqual([1, 2, 3, 4]);
  });
});
