import type { BootstrapInterval } from '@kritikos/core/agreement/bootstrapSubjects';
import { tableOfPair } from '@kritikos/core/agreement/crossTable';
import { everyCoefficient } from '@kritikos/core/agreement/everyCoefficient';
import type { Level } from '@kritikos/core/agreement/krippendorffAlpha';
import { prevalenceBias } from '@kritikos/core/agreement/prevalenceBias';
import { agreementWeights } from '@kritikos/core/agreement/weights';
import type { WeightScheme } from '@kritikos/core/agreement/weights';
import { readRatings, tallyFile } from './readRatings.ts';

export interface AgreementFlags {
  level: Level;
  weights: WeightScheme;
  resamples?: number;
  seed: number;
  interval: BootstrapInterval;
}

/** All agreement coefficients of a ratings file, under the keys that the command prints. */
export async function agreement(file: string, flags: AgreementFlags) {
  const { level, resamples, seed, interval } = flags;
  const needNumbers = level === 'nominal' ? null : level;
  const ratings = await readRatings(file, needNumbers);
  const tally = tallyFile(ratings);
  const weights =
    flags.weights === 'unweighted'
      ? undefined
      : agreementWeights(tally.categories.length, flags.weights);
  return {
    subjects: ratings.subjects,
    raters: ratings.raters.length,
    missing: ratings.missing,
    ...everyCoefficient(tally, { level, weights, resamples, seed, interval }),
    ...(ratings.raters.length === 2 ? prevalenceBias(tableOfPair(tally, 0, 1)) : {}),
  };
}
