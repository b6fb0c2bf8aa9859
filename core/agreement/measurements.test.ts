import { describe, expect, it } from 'vitest';
import { blandAltman } from './blandAltman.ts';
import { kendallW } from './kendallW.ts';
import { linConcordance } from './linConcordance.ts';

// Bland & Altman 1986, Lancet: first readings of peak flow by two meters, 17 subjects (from memory).
const WRIGHT = [
  494, 395, 516, 434, 476, 557, 413, 442, 650, 433, 417, 656, 267, 478, 178, 423, 427,
];
const MINI = [512, 430, 520, 428, 500, 600, 364, 380, 658, 445, 432, 626, 260, 477, 259, 350, 451];

describe('Bland & Altman’s limits of agreement', () => {
  it('give their published bias, spread and limits', () => {
    const result = blandAltman(WRIGHT, MINI);
    expect(result?.bias.estimate).toBeCloseTo(-2.1, 1);
    expect(result?.sd).toBeCloseTo(38.8, 1);
    // Published with 2 SD: -79.7 and 75.5; with 1.96 SD they lie 1.6 further in.
    expect(result?.lowerLimit.estimate).toBeCloseTo(-78.1, 1);
    expect(result?.upperLimit.estimate).toBeCloseTo(73.9, 1);
    // Published interval of the bias: -22.0 to 17.8 l/min.
    expect(result?.bias.lower).toBeCloseTo(-22.0, 0);
    expect(result?.bias.upper).toBeCloseTo(17.8, 0);
  });

  it('need three pairs', () => {
    expect(blandAltman([1, 2], [1, 3])).toBeNull();
  });
});

describe('concordance', () => {
  it('of Lin is 4/7 for a shift of one over 1, 2, 3, and 1 for equal pairs', () => {
    expect(linConcordance([1, 2, 3], [2, 3, 4]).estimate).toBeCloseTo(4 / 7, 12);
    expect(linConcordance(WRIGHT, WRIGHT).estimate).toBeCloseTo(1, 12);
    expect(linConcordance([5, 5], [5, 5]).estimate).toBeNull();
  });

  it('of Kendall is 1 for the same order, 0 for opposite ones, and allows for ties', () => {
    expect(
      kendallW([
        [1, 10],
        [2, 20],
        [3, 30],
      ])?.w,
    ).toBeCloseTo(1, 12);
    expect(
      kendallW([
        [1, 3],
        [2, 2],
        [3, 1],
      ])?.w,
    ).toBeCloseTo(0, 12);
    expect(
      kendallW([
        [1, 1],
        [1, 1],
        [2, 2],
      ])?.w,
    ).toBeCloseTo(1, 12);
    expect(
      kendallW([
        [1, 1],
        [1, 1],
      ]),
    ).toBeNull();
  });
});
