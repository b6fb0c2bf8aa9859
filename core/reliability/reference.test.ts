import { describe, expect, it } from 'vitest';
import fixture from './fixtures/lme4.json' with { type: 'json' };
import { internalConsistency } from './internalConsistency.ts';
import { FORMS, intraclass } from './intraclass.ts';
import { varianceComponents } from './varianceComponents.ts';

// Made by fixtures/lme4.R with the versions named in the fixture; neither is needed here.
const marks = Float64Array.from(fixture.marks);
const factor = (name: 'candidate' | 'examiner' | 'station') => ({
  name,
  levels: Math.max(...fixture[name]) + 1,
  level: Int32Array.from(fixture[name]),
});

describe(`against ${fixture.made}`, () => {
  it.each([
    ['two crossed factors', ['candidate', 'examiner'] as const, fixture.two],
    ['three crossed factors', ['candidate', 'examiner', 'station'] as const, fixture.three],
  ])('REML of unbalanced marks with %s', (_, names, expected) => {
    const result = varianceComponents(marks, names.map(factor));
    // Four significant digits are promised; both searches stop at about 1e-5 of the ratio.
    for (const name of names) {
      const reference = (expected.components as Record<string, number>)[name] ?? NaN;
      expect((result.components[name] ?? NaN) / reference).toBeCloseTo(1, 4);
    }
    expect(result.residual / expected.components.residual).toBeCloseTo(1, 5);
    expect(result.intercept).toBeCloseTo(expected.intercept, 4);
    expect(result.logRestrictedLikelihood).toBeCloseTo(expected.logLik, 6);
  });

  it('intraclass correlations, their F tests and intervals', () => {
    const { forms } = intraclass(fixture.table);
    for (const [i, name] of FORMS.entries()) {
      expect(forms[name].estimate).toBeCloseTo(fixture.icc.estimate[i] ?? NaN, 8);
      expect(forms[name].F).toBeCloseTo(fixture.icc.F[i] ?? NaN, 8);
      // Quantiles of F at the fractional degrees of freedom of ICC(2,.) agree to about 1e-7.
      const { lower, upper } = forms[name].mcGrawWong ?? forms[name];
      expect(lower).toBeCloseTo(fixture.icc.lower[i] ?? NaN, 6);
      expect(upper).toBeCloseTo(fixture.icc.upper[i] ?? NaN, 6);
    }
  });

  it('alpha, alpha without a column, and corrected item-total correlations', () => {
    const { alpha, alphaIfDeleted, itemTotal } = internalConsistency(fixture.table);
    expect(alpha.estimate).toBeCloseTo(fixture.alpha, 8);
    for (const [j, r] of fixture.itemTotal.entries()) expect(itemTotal[j]).toBeCloseTo(r, 8);
    for (const [j, a] of fixture.alphaIfDeleted.entries())
      expect(alphaIfDeleted[j]).toBeCloseTo(a, 8);
  });
});
