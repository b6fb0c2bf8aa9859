import { bootstrapSubjects } from '@kritikos/core/agreement/bootstrapSubjects';
import { everyCoefficientByCandidates } from '@kritikos/core/agreement/byCandidates';
import { cohenKappa, prepareCohenKappa } from '@kritikos/core/agreement/cohenKappa';
import { tableOfPair } from '@kritikos/core/agreement/crossTable';
import { everyCoefficient } from '@kritikos/core/agreement/everyCoefficient';
import { prevalenceBias } from '@kritikos/core/agreement/prevalenceBias';
import { tally } from '@kritikos/core/agreement/tally';
import type { Tally } from '@kritikos/core/agreement/tally';
import { agreementWeights } from '@kritikos/core/agreement/weights';
import type { WeightScheme } from '@kritikos/core/agreement/weights';
import type { Chance } from '@kritikos/core/numerics/random';
import { seededChance } from '@kritikos/core/numerics/random';
import type { Scenario, Shown } from './simulation.ts';

export interface Grid {
  readonly sizes: readonly number[];
  readonly categories: readonly number[];
  readonly prevalences: readonly number[];
  readonly kappas: readonly number[];
}

/**
 * Marks of raters who share the truth with probability kappa and otherwise mark by chance, all with
 * the same shares of the categories: then every kappa of two of them is kappa (Donner & Eliasziw
 * 1992). The first category has the prevalence, the others share what is left.
 */
function marks(
  q: number,
  prevalence: number,
  kappa: number,
  raters: number,
): (chance: Chance) => number[] {
  const draw = (chance: Chance) =>
    chance.uniform() < prevalence ? 0 : 1 + chance.below(Math.max(1, q - 1));
  return (chance) => {
    if (chance.uniform() < kappa) return new Array<number>(raters).fill(draw(chance));
    return Array.from({ length: raters }, () => draw(chance));
  };
}

function scale(q: number): number[] {
  return Array.from({ length: q }, (_, k) => k);
}

/** All that the command prints for one set of ratings, beside the true values. */
function coefficients(
  own: Tally,
  level: 'nominal' | 'interval',
  scheme: WeightScheme,
): Record<string, Shown> {
  const weights =
    scheme === 'unweighted' ? undefined : agreementWeights(own.categories.length, scheme);
  const every = everyCoefficient(own, { level, weights, seed: 1 });
  const suffix = scheme === 'unweighted' ? '' : `, ${scheme} weights`;
  const raters = own.raters === 2 ? '' : `, ${own.raters} raters`;
  const named: Record<string, Shown> = {};
  for (const [name, value] of Object.entries(every)) {
    if (value === null) continue;
    if (name === 'percentAgreement' && scheme !== 'unweighted') continue;
    named[`${name}${suffix}${raters}`] = value;
  }
  if (own.raters === 2 && scheme === 'unweighted') {
    named.pabak = prevalenceBias(tableOfPair(own, 0, 1)).pabak;
  }
  return named;
}

const LARGE = 200_000;

/** The values that the coefficients tend to, from one very large sample. */
function truths(
  draw: (chance: Chance) => number[],
  q: number,
  raters: number,
  level: 'nominal' | 'interval',
  scheme: WeightScheme,
): Record<string, number> {
  const chance = seededChance(99);
  const large = tally(
    { raters, marks: Array.from({ length: LARGE }, () => draw(chance)) },
    scale(q),
  );
  return Object.fromEntries(
    Object.entries(coefficients(large, level, scheme)).map(([name, { estimate }]) => [
      name,
      estimate ?? NaN,
    ]),
  );
}

/** Two or three raters, categories with and without order. */
export function* agreementScenarios(grid: Grid): Generator<Scenario> {
  const kinds = [
    { raters: 2, level: 'nominal', scheme: 'unweighted', from: 2 },
    { raters: 2, level: 'interval', scheme: 'linear', from: 4 },
    { raters: 2, level: 'interval', scheme: 'quadratic', from: 4 },
    { raters: 3, level: 'nominal', scheme: 'unweighted', from: 2 },
  ] as const;
  for (const { raters, level, scheme, from } of kinds) {
    for (const q of grid.categories) {
      if (q < from) continue;
      for (const prevalence of grid.prevalences) {
        for (const kappa of grid.kappas) {
          const draw = marks(q, prevalence, kappa, raters);
          const truth = truths(draw, q, raters, level, scheme);
          for (const size of grid.sizes) {
            yield {
              size,
              setting: `${q} categories, prevalence ${prevalence}, kappa ${kappa}`,
              truth,
              sample: (chance) =>
                coefficients(
                  tally(
                    { raters, marks: Array.from({ length: size }, () => draw(chance)) },
                    scale(q),
                  ),
                  level,
                  scheme,
                ),
            };
          }
        }
      }
    }
  }
}

const ITEMS = 12;

/** All items of a station: candidates differ in ability, so their marks go together. */
export function* pooledScenarios(grid: Grid): Generator<Scenario> {
  for (const ease of [0, 1.5, 3]) {
    for (const slips of [0.05, 0.2]) {
      const candidate = (chance: Chance, c: number) => {
        const ability = ease + 1.2 * chance.normal();
        // Some candidates are harder to read than others.
        const own = slips * (0.2 + 1.6 * chance.uniform());
        return Array.from({ length: ITEMS }, () => {
          const done = chance.uniform() < 1 / (1 + Math.exp(-ability)) ? 1 : 0;
          const seen = () => (chance.uniform() < own ? 1 - done : done);
          return { candidate: c, first: seen(), second: seen() };
        });
      };
      const pairs = (chance: Chance, size: number) =>
        Array.from({ length: size }, (_, c) => candidate(chance, c)).flat();
      const described = (chance: Chance, size: number) => {
        const own = pairs(chance, size);
        const marks = own.map(({ first, second }) => [first, second]);
        const candidates = own.map((pair) => pair.candidate);
        const found = everyCoefficientByCandidates(
          tally({ raters: 2, marks }, [0, 1]),
          candidates,
          {
            level: 'nominal',
          },
        );
        return {
          'kappa of a station': found.congerKappa,
          'agreement of a station': found.percentAgreement,
          'AC1 of a station': found.gwetAC,
          'Fleiss’ kappa of a station': found.fleissKappa,
          'Krippendorff’s alpha of a station': found.krippendorffAlpha,
        };
      };
      const large = described(seededChance(98), 30_000);
      const truth = Object.fromEntries(
        Object.entries(large).map(([name, { estimate }]) => [name, estimate ?? NaN]),
      );
      for (const size of grid.sizes) {
        yield {
          size,
          setting: `${ITEMS} items, ease ${ease}, slips ${slips}`,
          truth,
          sample: (chance) => described(chance, size),
        };
      }
    }
  }
}

const RESAMPLES = 400;

/** What `--resamples` gives instead, for comparison. */
export function* bootstrapScenarios(grid: Grid): Generator<Scenario> {
  for (const prevalence of [0.5, 0.8]) {
    for (const kappa of [0.4, 0.8]) {
      const draw = marks(2, prevalence, kappa, 2);
      for (const size of grid.sizes) {
        yield {
          size,
          setting: `2 categories, prevalence ${prevalence}, kappa ${kappa}`,
          truth: { 'cohenKappa, percentile bootstrap': kappa },
          sample: (chance) => {
            const own = tally(
              { raters: 2, marks: Array.from({ length: size }, () => draw(chance)) },
              [0, 1],
            );
            const whole = cohenKappa(tableOfPair(own, 0, 1));
            const prepared = prepareCohenKappa(own);
            const settings = { resamples: RESAMPLES, seed: chance.below(1e9) };
            return {
              'cohenKappa, percentile bootstrap': bootstrapSubjects(
                own,
                { kappa: { whole, prepared } },
                settings,
              ).kappa,
            };
          },
        };
      }
    }
  }
}
