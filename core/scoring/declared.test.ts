import { describe, expect, it } from 'vitest';
import { clusterShare } from './clusterAnswer.ts';
import { callAgainstKey, sideDifference } from './declaredResult.ts';
import type { SideResult } from './declaredResult.ts';

const named = (...findings: string[]) => new Set(findings);

describe('a cluster answer', () => {
  const meniscus = {
    needs: ['twist history', 'line tenderness'],
    from: { atLeast: 2, of: ['compression pain', 'squat pain', 'springy block'] },
    never: ['end feel empty'],
  };

  it('earns full marks only for the whole combination', () => {
    expect(
      clusterShare(
        meniscus,
        named('twist history', 'line tenderness', 'squat pain', 'springy block'),
      ),
    ).toBe(1);
    expect(clusterShare(meniscus, named('twist history', 'line tenderness', 'squat pain'))).toBe(
      0.5,
    );
    expect(clusterShare(meniscus, named('twist history'))).toBe(0.25);
  });

  it('is spoilt by a finding that speaks for something else', () => {
    const all = ['twist history', 'line tenderness', 'squat pain', 'springy block'];
    expect(clusterShare(meniscus, named(...all, 'end feel empty'))).toBe(0);
  });

  it('is fulfilled by its needs alone where no choice of findings is asked for', () => {
    expect(clusterShare({ needs: ['a', 'b'] }, named('a', 'b', 'c'))).toBe(1);
    const all = { needs: [], from: { atLeast: 2, of: ['a', 'b'] } };
    expect(clusterShare(all, named('a', 'b'))).toBe(1);
  });

  it('refuses a rule that nobody could fulfil', () => {
    expect(() => clusterShare({ needs: [], from: { atLeast: 3, of: ['a'] } }, named())).toThrow(
      /3 of 1/,
    );
    expect(() => clusterShare({ needs: [] }, named())).toThrow(/nothing/);
  });
});

describe('a declared result', () => {
  const side = (more: Partial<SideResult>): SideResult => ({
    class: null,
    grade: null,
    value: null,
    site: null,
    void: null,
    ...more,
  });

  it('is called over, under or right against the key, and void with a reason is none of these', () => {
    const key = side({ class: 'equivocal' });
    expect(callAgainstKey(side({ class: 'positive' }), key)).toBe('over');
    expect(callAgainstKey(side({ class: 'negative' }), key)).toBe('under');
    expect(callAgainstKey(side({ class: 'equivocal' }), key)).toBe('right');
    expect(callAgainstKey(side({ class: 'positive', void: 'guarding' }), key)).toBe('void');
    expect(callAgainstKey(undefined, key)).toBe('missing');
  });

  it('is a pair of sides: 25 right and 18 left differ by 7, a void side by nothing', () => {
    const pair = { left: side({ value: 18 }), right: side({ value: 25 }) };
    expect(sideDifference(pair)).toBe(7);
    expect(sideDifference({ ...pair, left: side({ value: 18, void: 'rolled' }) })).toBeNull();
    expect(sideDifference({ right: side({ value: 25 }) })).toBeNull();
    expect(sideDifference({ left: side({ value: 18 }) })).toBeNull();
    expect(sideDifference({ left: side({ value: 18 }), right: side({}) })).toBeNull();
    expect(sideDifference({ ...pair, right: side({ value: 25, void: 'rolled' }) })).toBeNull();
  });
});
