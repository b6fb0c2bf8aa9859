import { describe, expect, it } from 'vitest';
import { bootstrapSubjects } from './bootstrapSubjects.ts';
import { cohenKappa, prepareCohenKappa } from './cohenKappa.ts';
import { crossTable } from './crossTable.ts';
import fixture from './fixtures/psych.json' with { type: 'json' };
import { tally } from './tally.ts';
import { agreementWeights } from './weights.ts';

// Made by fixtures/psych.R with the versions named in the fixture; neither is needed here.
describe(`Cohen’s kappa against ${fixture.made}`, () => {
  const pairs = fixture.first.map((mark, i) => [mark, fixture.second[i] ?? null] as const);
  const table = crossTable<number>(pairs, [0, 1, 2, 3]);

  it('unweighted, with its large-sample error', () => {
    const { estimate, standardError } = cohenKappa(table);
    expect(estimate).toBeCloseTo(fixture.kappa, 8);
    expect((standardError ?? NaN) ** 2).toBeCloseTo(fixture.variance, 8);
  });

  // psych 2.2.9 prints .00193 for the variance with linear weights and 0 with quadratic ones; a
  // bootstrap of 4,000 resamples gives .00211 and .00091, so the error is held to a bootstrap.
  it('with linear weights, with an error that the bootstrap confirms', () => {
    const weights = agreementWeights(4, 'linear');
    const { estimate, standardError } = cohenKappa(table, weights);
    expect(estimate).toBeCloseTo(fixture.linear, 8);
    const ratings = tally({ raters: 2, marks: pairs });
    const kappa = {
      whole: cohenKappa(table, weights),
      prepared: prepareCohenKappa(ratings, weights),
    };
    const { it } = bootstrapSubjects(ratings, { it: kappa }, { resamples: 2000, seed: 3 });
    const boot = it.standardError ?? NaN;
    expect(Math.abs((standardError ?? NaN) / boot - 1)).toBeLessThan(0.08);
  });

  it('with quadratic weights', () => {
    const { estimate } = cohenKappa(table, agreementWeights(4, 'quadratic'));
    expect(estimate).toBeCloseTo(fixture.quadratic, 8);
  });
});
