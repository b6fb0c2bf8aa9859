import { describe, expect, it } from 'vitest';
import { BIN, sharesByBin } from './sharesByBin.ts';

describe('scores in classes', () => {
  it('stand from their lower end, 100 in the last, and add up to one', () => {
    const shares = sharesByBin([0, 4.99, 5, 62, 100]);
    expect(shares).toHaveLength(100 / BIN);
    expect(shares.filter(({ share }) => share > 0)).toEqual([
      { from: 0, share: 0.4 },
      { from: 5, share: 0.2 },
      { from: 60, share: 0.2 },
      { from: 95, share: 0.2 },
    ]);
    expect(sharesByBin([]).every(({ share }) => share === 0)).toBe(true);
  });
});
