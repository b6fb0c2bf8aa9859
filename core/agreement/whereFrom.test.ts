import { describe, expect, it } from 'vitest';
import { agreementBy, rankDisagreement } from './whereFrom.ts';
import type { ComparedMark } from './whereFrom.ts';

let candidates = 0;
const mark = (
  item: string,
  first: number | null,
  second: number | null,
  more: Partial<ComparedMark> = {},
): ComparedMark => ({
  what: 'mark',
  candidate: candidates++,
  item,
  domain: 'technique',
  observability: 'seen',
  station: 'knee',
  examiners: 'A and B',
  variant: 'usual',
  weight: 1,
  first,
  second,
  ...more,
});

describe('where disagreement comes from', () => {
  it('weighs items by how far apart the marks are: 2/3 and 1/3', () => {
    const ranked = rankDisagreement([
      mark('b', 0.5, 1),
      mark('b', 1, 0.5),
      mark('a', 0, 1, { weight: 2 }),
      mark('a', 1, null, { weight: 2 }),
      mark('c', 1, 1),
    ]);
    expect(ranked.map((r) => r.item)).toEqual(['a', 'b', 'c']);
    expect(ranked[0]?.share).toBeCloseTo(2 / 3, 12);
    expect(ranked[1]?.share).toBeCloseTo(1 / 3, 12);
    expect(ranked.at(-1)?.cumulative).toBeCloseTo(1, 12);
    expect(ranked[0]).toMatchObject({ pairs: 1, disagreements: 1 });
  });

  it('gives no share where nobody disagrees', () => {
    expect(rankDisagreement([mark('a', 1, 1)])[0]).toMatchObject({ share: 0, cumulative: 0 });
  });

  it('tells marks and declared results apart, facet by facet', () => {
    const marks = [
      mark('a', 1, 1),
      mark('a', 0, 1, { examiners: 'A and C', observability: 'felt' }),
      mark('r', 0, 0, { what: 'declared' }),
      mark('r', -1, 0, { what: 'declared' }),
    ];
    const byExaminers = agreementBy(marks, 'examiners');
    expect(byExaminers.map((s) => [s.name, s.percentAgreement.estimate])).toEqual([
      ['A and B', 1],
      ['A and C', 0],
    ]);
    const declared = agreementBy(marks, 'station', 'declared');
    expect(declared).toHaveLength(1);
    expect(declared[0]).toMatchObject({ pairs: 2 });
    expect(declared[0]?.percentAgreement.estimate).toBe(0.5);
  });
});
