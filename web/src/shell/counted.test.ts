import { describe, expect, it } from 'vitest';
import { counted } from './counted.ts';

describe('a number with what it counts', () => {
  it.each([
    [0, '0 items'],
    [1, '1 item'],
    [2, '2 items'],
  ])('%i', (n, words) => expect(counted(n, 'item')).toBe(words));
  it('takes the words for many where they are not regular', () =>
    expect([counted(1, 'sheet is', 'sheets are'), counted(2, 'sheet is', 'sheets are')]).toEqual([
      '1 sheet is',
      '2 sheets are',
    ]));
});
