import { describe, expect, it } from 'vitest';
import type { YearsApart } from './acrossYears.ts';
import { sayYears } from './sayYears.ts';

const figure = (estimate: number | null, lower: number | null, upper: number | null) => ({
  estimate,
  lower,
  upper,
  standardError: 1,
  method: '',
  n: 88,
  notes: estimate === null ? ['Too few.'] : [],
});
const result = (cohort: YearsApart['cohort'], paper: YearsApart['paper']): YearsApart => ({
  cohort,
  paper,
  method: 'linear',
  drifts: [],
  used: [0, 1, 2, 3],
});
const names = { now: '2026', then: '2025' };

describe('two sittings in words', () => {
  it('say why nothing can be told', () => {
    expect(sayYears(result(figure(null, null, null), figure(1, 0, 2)), names)).toBe(
      'Whether cohort 2026 was better than 2025 or its paper easier cannot be told. Too few.',
    );
  });

  it('say better and easier only where the interval lies to one side', () => {
    expect(sayYears(result(figure(6.14, 2.3, 9.8), figure(0.5, -2, 3)), names)).toBe(
      'Cohort 2026 did 6.1 points better than 2025 on the 4 stations that stayed the same (95 % 2.3 to 9.8); its paper cannot be told from theirs in difficulty (0.5 points apart, 95 % −2.0 to 3.0).',
    );
    expect(sayYears(result(figure(-1, -3, 1), figure(-4, -6, -2)), names)).toBe(
      'Cohort 2026 cannot be told from 2025 on the 4 stations that stayed the same (1.0 points apart, 95 % −3.0 to 1.0); its paper was 4.0 points harder (95 % −6.0 to −2.0).',
    );
    expect(sayYears(result(figure(-5, -8, -2), figure(3, 1, 5)), names)).toMatch(
      /5.0 points worse.*3.0 points easier/,
    );
  });

  it('say why nothing can be told', () => {
    const nothing = figure(null, null, null);
    expect(sayYears(result(nothing, nothing), names)).toBe(
      'Whether cohort 2026 was better than 2025 or its paper easier cannot be told. Too few.',
    );
  });
});
