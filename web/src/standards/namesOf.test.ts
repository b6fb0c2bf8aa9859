import { describe, expect, it } from 'vitest';
import { namesOf } from './namesOf.ts';

const numbers = new Map(Array.from({ length: 20 }, (_, i) => [`c${i}`, 20 - i] as const));

describe('candidates in a cell', () => {
  it('are their numbers in order, a dozen at most, or nobody', () => {
    expect(namesOf([], numbers)).toBe('nobody');
    expect(namesOf(['c0', 'c19', 'c10'], numbers)).toBe('1, 10, 20');
    expect(namesOf([...numbers.keys()], numbers)).toBe(
      '1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12 and 8 more',
    );
  });
});
