import { describe, expect, it } from 'vitest';
import { jitter } from './jitter.ts';

describe('jitter', () => {
  const ids = Array.from({ length: 500 }, (_, i) => `0192-candidate-${i}`);

  it('never moves a point as far as the next grade, and moves both ways', () => {
    const shifts = ids.map(jitter);
    expect(Math.max(...shifts.map(Math.abs))).toBeLessThanOrEqual(0.16);
    expect(Math.min(...shifts)).toBeLessThan(-0.1);
    expect(Math.max(...shifts)).toBeGreaterThan(0.1);
  });

  it('is the same for the same candidate', () => {
    expect(jitter('a')).toBe(jitter('a'));
    expect(new Set(ids.map(jitter)).size).toBeGreaterThan(490);
  });
});
