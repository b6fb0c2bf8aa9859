import { bankSearch } from '@kritikos/contracts/stations';
import { describe, expect, it } from 'vitest';
import { askable } from './bankWishes.ts';

describe('what is asked of the bank', () => {
  it('is what the contract takes, whatever is being typed', () => {
    for (const typed of [-1, 0, 0.5, 1, 8, 60, 61, 100, 101, 5000]) {
      const wishes = askable({
        words: 'knee',
        mostMinutes: typed,
        leastUses: typed,
        leastFacility: typed,
        leastDisputed: typed,
      });
      expect(bankSearch.safeParse(wishes).success).toBe(true);
      expect(wishes.words).toBe('knee');
    }
  });

  it('leaves out what is not asked', () => {
    expect(askable({ region: undefined, mostMinutes: 8 })).toEqual({ mostMinutes: 8 });
  });
});
