import { describe, expect, it } from 'vitest';
import { contrastingGroups } from './contrastingGroups.ts';

describe('contrasting groups by normal curves', () => {
  const wide = [20, 35, 50, 41, 34];
  const narrow = [62, 64, 66, 63, 65];

  it.each([
    ['wide below, narrow above', wide, narrow],
    ['narrow below, wide above', narrow.map((x) => x - 30), wide.map((x) => x + 40)],
  ])('takes the crossing between the means, %s', (_, low, high) => {
    const { normal } = contrastingGroups(low, high);
    const mean = (x: readonly number[]) => x.reduce((a, b) => a + b, 0) / x.length;
    expect(normal).toBeGreaterThan(mean(low));
    expect(normal).toBeLessThan(mean(high));
  });

  it('has none where a group does not vary, or consists of one', () => {
    expect(contrastingGroups([40, 40], [50, 60]).normal).toBeNull();
    expect(contrastingGroups([40], [50, 60]).normal).toBeNull();
    expect(contrastingGroups([40, 44], [60]).normal).toBeNull();
  });
});

describe('contrasting groups by even chances', () => {
  it('are told by no curve where the groups only touch: ever steeper ones fit ever better', () => {
    expect(contrastingGroups([40, 50], [50, 60]).logistic).toBeNull();
    expect(contrastingGroups([40, 50, 45], [50, 60, 55]).logistic).toBeNull();
    expect(contrastingGroups([50, 60], [40, 50]).logistic).toBeNull();
  });
});

describe('contrasting groups by the fewest on the wrong side', () => {
  it('takes the middle where several cuts do equally well, whatever the order of the marks', () => {
    // Counted by hand: at 45 and 65 one is wrong, at 55 and 75 two are.
    const { leastMisclassified, misclassified } = contrastingGroups([60, 40], [80, 50, 70]);
    expect(leastMisclassified).toBe(55);
    expect(misclassified).toBe(1);
  });

  it('never fails everybody, though that were no worse', () => {
    // One of 40, 60 and 80 passes wrongly at 65; failing all four would be wrong of one as well.
    const { leastMisclassified, misclassified } = contrastingGroups([40, 60, 80], [70]);
    expect(leastMisclassified).toBe(65);
    expect(misclassified).toBe(1);
  });

  it('says which group is empty', () => {
    expect(contrastingGroups([40], []).notes).toEqual([
      'Nobody was judged competent, so there is nothing to part.',
    ]);
    expect(contrastingGroups([40], [60])).toMatchObject({
      leastMisclassified: 50,
      misclassified: 0,
    });
  });
});

describe('contrasting groups by a logistic curve', () => {
  it('moves with the scores, and has none where the groups only touch', () => {
    const [low, high] = [
      [41, 48, 52, 60],
      [50, 58, 63, 70],
    ];
    const at = contrastingGroups(low, high).logistic ?? NaN;
    const scaled = contrastingGroups(
      low.map((x) => 3 * x + 7),
      high.map((x) => 3 * x + 7),
    );
    expect(scaled.logistic).toBeCloseTo(3 * at + 7, 6);
    expect(contrastingGroups([30, 50], [50, 70]).logistic).toBeNull();
  });

  it('has none where the better judged score lower within the overlap and it does not rise', () => {
    // The means differ by a hair, the curve is nearly flat: its middle is far away but finite.
    const { logistic } = contrastingGroups([40, 50, 60], [40, 50, 61]);
    expect(logistic).not.toBeNull();
    expect(Number.isFinite(logistic)).toBe(true);
  });
});
