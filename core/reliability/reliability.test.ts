import { describe, expect, it } from 'vitest';
import { cronbachAlpha } from './cronbachAlpha.ts';
import { standardErrorOfMeasurement } from './standardError.ts';

describe('Cronbach’s alpha and the standard error of measurement', () => {
  // Shrout & Fleiss 1979, six targets by four judges: ICC(3,k) = .91, which is alpha of the judges.
  const shroutFleiss = [
    [9, 2, 5, 8],
    [6, 1, 3, 2],
    [8, 4, 6, 8],
    [7, 1, 2, 6],
    [10, 5, 6, 9],
    [6, 2, 4, 7],
  ];

  it('equals ICC(3,k) of Shrout & Fleiss 1979', () => {
    expect(cronbachAlpha(shroutFleiss)).toBeCloseTo(0.91, 2);
  });

  it('leaves out candidates with a missing part', () => {
    expect(cronbachAlpha([...shroutFleiss, [9, null, 9, 9]])).toBe(cronbachAlpha(shroutFleiss));
  });

  it('is undefined for one part or for totals that do not vary', () => {
    expect(cronbachAlpha([[1], [2]])).toBeNull();
    expect(
      cronbachAlpha([
        [1, 2],
        [2, 1],
      ]),
    ).toBeNull();
  });

  // Totals 24, 12, 26, 16, 30, 19: variance 44.97 by hand; SEM = sqrt(44.97 * (1 - alpha)).
  it('gives SD of the totals times the root of 1 - alpha', () => {
    const alpha = cronbachAlpha(shroutFleiss) ?? NaN;
    expect(standardErrorOfMeasurement(shroutFleiss)).toBeCloseTo(
      Math.sqrt(44.9667 * (1 - alpha)),
      3,
    );
  });
});

describe('the standard error of measurement', () => {
  it('does not exist without alpha, and leaves out who misses a part', () => {
    expect(standardErrorOfMeasurement([[1], [2], [4]])).toBeNull();
    expect(
      standardErrorOfMeasurement([
        [1, 2],
        [2, 1],
      ]),
    ).toBeNull();
    const rows = [
      [9, 2, 5],
      [6, 1, 3],
      [8, 4, 6],
    ];
    expect(standardErrorOfMeasurement([...rows, [90, null, 9]])).toBe(
      standardErrorOfMeasurement(rows),
    );
  });

  it('is never larger than the spread of the totals, however the parts run against each other', () => {
    const against = [
      [1, 9],
      [5, 6],
      [9, 2],
    ];
    // Totals 10, 11, 11: variance 1/3; alpha is far below 0.
    expect(standardErrorOfMeasurement(against)).toBeCloseTo(Math.sqrt(1 / 3), 12);
  });
});
