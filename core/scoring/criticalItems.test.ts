import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { criticalVerdict } from './criticalItems.ts';

const verdict = (missed: number, observed: number, rule: 'all' | 'majority') =>
  criticalVerdict({ item: 'stop', missed, observed }, rule);

describe('a critical item', () => {
  it('is missed when everybody who observed it says so', () => {
    expect(verdict(1, 1, 'all')).toBe('missed');
    expect(verdict(2, 2, 'all')).toBe('missed');
    expect(verdict(1, 2, 'all')).toBe('met');
    expect(verdict(2, 3, 'all')).toBe('met');
  });

  it('is missed by majority when more than half say so; a tie is met', () => {
    expect(verdict(1, 2, 'majority')).toBe('met');
    expect(verdict(2, 3, 'majority')).toBe('missed');
    expect(verdict(2, 4, 'majority')).toBe('met');
    expect(verdict(3, 4, 'majority')).toBe('missed');
  });

  it('is unseen where nobody observed it', () => {
    expect(verdict(0, 0, 'all')).toBe('unseen');
    expect(verdict(0, 0, 'majority')).toBe('unseen');
  });

  it('is never missed by all and met by the majority', () => {
    fc.assert(
      fc.property(fc.nat(8), fc.nat(8), (a, b) => {
        const [missed, observed] = [Math.min(a, b), Math.max(a, b)];
        if (verdict(missed, observed, 'all') === 'missed') {
          expect(verdict(missed, observed, 'majority')).toBe('missed');
        }
      }),
    );
  });
});
