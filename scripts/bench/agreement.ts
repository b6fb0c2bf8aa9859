import { everyCoefficient } from '@kritikos/core/agreement/everyCoefficient';
import { tally } from '@kritikos/core/agreement/tally';
import { agreementWeights } from '@kritikos/core/agreement/weights';
import { seededChance } from '@kritikos/core/numerics/random';
import { besideR, report } from './report.ts';

const CANDIDATES = 300;
const ITEMS = 20;
const RESAMPLES = 2000;

/** All coefficients of 20 ordinal items with 2,000 resamples, beside psych's kappa in R. */
export async function benchAgreement(): Promise<void> {
  const chance = seededChance(7);
  const items = Array.from({ length: ITEMS }, () =>
    Array.from({ length: CANDIDATES }, () => {
      const first = chance.below(5);
      const slip = chance.uniform() < 0.3 ? (chance.uniform() < 0.5 ? -1 : 1) : 0;
      return [first, Math.min(4, Math.max(0, first + slip))];
    }),
  );
  const started = performance.now();
  for (const marks of items) {
    everyCoefficient(tally({ raters: 2, marks }), {
      level: 'ordinal',
      weights: agreementWeights(5, 'linear'),
      resamples: RESAMPLES,
      seed: 7,
    });
  }
  const own = performance.now() - started;
  report('9 coefficients x 20 items x 2,000 resamples, 300 candidates', own, 2000, 'ms');

  const some = 200;
  const rows = (items[0] ?? []).map((row) => row.join(',')).join('\n');
  const script = `suppressMessages(library(psych)); x <- as.matrix(read.csv(text = "a,b\n${rows}")); set.seed(7)
    k <- system.time(for (i in 1:${some}) suppressWarnings(cohen.kappa(x[sample(nrow(x), replace = TRUE), ], levels = 0:4)))[["elapsed"]]
    c <- system.time(for (i in 1:${some / 10}) ICC(x[sample(nrow(x), replace = TRUE), ], lmer = FALSE))[["elapsed"]]
    cat(k / ${some}, c / ${some / 10})`;
  const printed = besideR(script, 'r-cran-psych');
  if (!printed) return;
  // Ours computes nine coefficients for each resample, psych one.
  const [kappa = NaN, icc = NaN] = printed.map((seconds) => 1000 * seconds * ITEMS * RESAMPLES);
  console.log(
    `  psych on the same: kappa alone ${(kappa / 1000).toFixed(0)} s, ICC alone ${(icc / 1000).toFixed(0)} s (from ${some} and ${some / 10} resamples); ours, all nine, is ${(kappa / own).toFixed(0)} and ${(icc / own).toFixed(0)} times as fast`,
  );
}
