import { describe, expect, it } from 'vitest';
import { sampleOf } from './sampleOf.ts';

const upTo = (n: number) => Array.from({ length: n }, (_, i) => i);

describe('a sample of a list', () => {
  it('is the list where it is short enough', () => expect(sampleOf(upTo(5), 5)).toEqual(upTo(5)));

  it('takes one of each part, none twice, and the same every time', () => {
    const drawn = sampleOf(upTo(2100), 1000);
    expect(new Set(drawn).size).toBe(1000);
    expect(drawn).toEqual([...drawn].sort((a, b) => a - b));
    expect(drawn.every((x, i) => x >= Math.floor(2.1 * i) && x < 2.1 * (i + 1))).toBe(true);
    expect(sampleOf(upTo(2100), 1000)).toEqual(drawn);
    expect(sampleOf(upTo(2100), 1000, 2)).not.toEqual(drawn);
  });

  it('does not fall into step with a plan that takes every tenth', () => {
    const tenths = sampleOf(upTo(10_000), 1000).filter((x) => x % 10 === 0).length;
    // Binomial, 1,000 draws at .1: within four standard deviations of 9.5.
    expect(Math.abs(tenths - 100)).toBeLessThan(38);
  });
});
