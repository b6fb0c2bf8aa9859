import { angoff } from '@kritikos/core/standards/angoff';
import { bootstrapCut } from '@kritikos/core/standards/bootstrapCut';
import { borderlineGroup } from '@kritikos/core/standards/borderlineGroup';
import { borderlineRegression } from '@kritikos/core/standards/borderlineRegression';
import { meanMinusSd } from '@kritikos/core/standards/fixedCuts';
import type { Chance } from '@kritikos/core/numerics/random';
import type { Scenario } from './simulation.ts';

/** Candidates whose overall grade follows their ability, and whose score follows the grade. */
export function* cutScenarios(sizes: readonly number[]): Generator<Scenario> {
  for (const size of sizes) {
    for (const slope of [6, 12]) {
      for (const noise of [4, 10]) {
        for (const shape of ['even', 'wider at the top'] as const) {
          const score = (grade: number, z: number) =>
            20 + slope * grade + noise * (shape === 'even' ? 1 : 0.6 + 0.2 * (grade - 1)) * z;
          yield {
            size,
            setting: `${slope} points a grade, spread ${noise} ${shape}`,
            truth: {
              'borderline regression': 20 + slope * 2.5,
              'borderline regression, bootstrap': 20 + slope * 2.5,
              ...(shape === 'even' ? { 'borderline group': 20 + slope * 2.5 } : {}),
            },
            sample: (chance) => {
              const grades = Array.from({ length: size }, () =>
                Math.min(5, Math.max(1, Math.round(3.1 + 0.95 * chance.normal()))),
              );
              const scores = grades.map((grade) => score(grade, chance.normal()));
              const resampled = bootstrapCut(scores, grades, 2.5, 300, chance.below(1e9));
              // The borderline group takes grades 2 and 3 alike; balanced, so that its truth is known.
              const balanced = grades.map((_, i) => (i % 2 === 0 ? 2 : 3));
              return {
                'borderline regression': borderlineRegression(scores, grades, 2.5).cut,
                'borderline regression, bootstrap': {
                  ...resampled,
                  estimate: resampled.standardError,
                },
                'borderline group': borderlineGroup(
                  balanced.map((grade) => score(grade, chance.normal())),
                  balanced,
                  2.5,
                ).mean,
              };
            },
          };
        }
      }
    }
    for (const k of [0.5, 1, 2]) {
      yield {
        size,
        setting: `k ${k}, normal scores`,
        truth: { 'mean - k SD': 60 - 10 * k },
        sample: (chance) => ({
          'mean - k SD': meanMinusSd(
            Array.from({ length: size }, () => 60 + 10 * chance.normal()),
            k,
          ),
        }),
      };
    }
  }
}

/** How judges of one population stand about its cut, in shares; the mean is 0. */
const JUDGES: Readonly<Record<string, (chance: Chance) => number>> = {
  'Angoff, judges': (chance) => 0.05 * chance.normal(),
  'Angoff, judges who lean to one side': (chance) => 0.05 * (-Math.log(1 - chance.uniform()) - 1),
  'Angoff, one judge in eight apart': (chance) =>
    0.05 * chance.normal() + (chance.uniform() < 1 / 8 ? 0.21 : -0.03),
};

/** The true cut is the mean of all judges who might have sat on the panel. */
export function* judgeScenarios(): Generator<Scenario> {
  for (const judges of [4, 6, 8, 12]) {
    for (const items of [10, 25]) {
      for (const [name, draw] of Object.entries(JUDGES)) {
        yield {
          size: judges,
          setting: `${items} items`,
          truth: { [name]: 50 },
          sample: (chance) => {
            const rows = Array.from({ length: judges }, () => {
              const own = draw(chance);
              return Array.from({ length: items }, () =>
                Math.min(1, Math.max(0, 0.5 + own + 0.1 * chance.normal())),
              );
            });
            return { [name]: angoff(rows, rows[0]?.map(() => 1) ?? []) };
          },
        };
      }
    }
  }
}
