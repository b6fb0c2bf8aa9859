import { bootstrapSubjects } from '@kritikos/core/agreement/bootstrapSubjects';
import { brennanPrediger } from '@kritikos/core/agreement/brennanPrediger';
import { cohenKappa } from '@kritikos/core/agreement/cohenKappa';
import { congerKappa } from '@kritikos/core/agreement/congerKappa';
import { crossTable } from '@kritikos/core/agreement/crossTable';
import { fleissKappa } from '@kritikos/core/agreement/fleissKappa';
import { gwetAC } from '@kritikos/core/agreement/gwetAC';
import { krippendorffAlpha } from '@kritikos/core/agreement/krippendorffAlpha';
import type { Level } from '@kritikos/core/agreement/krippendorffAlpha';
import { lightKappa } from '@kritikos/core/agreement/lightKappa';
import { pairwiseAgreement } from '@kritikos/core/agreement/pairwiseAgreement';
import { percentAgreement } from '@kritikos/core/agreement/percentAgreement';
import { prevalenceBias } from '@kritikos/core/agreement/prevalenceBias';
import { categoriesOf, countMissing, pairsOf } from '@kritikos/core/agreement/ratings';
import type { Ratings } from '@kritikos/core/agreement/ratings';
import { scottPi } from '@kritikos/core/agreement/scottPi';
import { agreementWeights } from '@kritikos/core/agreement/weights';
import type { WeightScheme } from '@kritikos/core/agreement/weights';
import type { Estimate } from '@kritikos/core/numerics/estimate';
import { readRatings } from './readRatings.ts';

export interface AgreementFlags {
  level: Level;
  weights: WeightScheme;
  resamples?: number;
  seed: number;
}

const USUAL_RESAMPLES = 2000;

/** All agreement coefficients of a ratings file, under the keys that the command prints. */
export async function agreement(file: string, flags: AgreementFlags) {
  const needNumbers = flags.level === 'nominal' ? null : flags.level;
  const { raters, marks } = await readRatings(file, needNumbers);
  const ratings: Ratings = { raters: raters.length, marks };
  const categories = categoriesOf(ratings);
  const weights =
    flags.weights === 'unweighted' ? undefined : agreementWeights(categories.length, flags.weights);
  const two = raters.length === 2;
  const table = two ? crossTable(pairsOf(ratings, 0, 1), categories) : null;
  const own = table ? prevalenceBias(table) : null;

  /** Coefficients with an error of their own are resampled only where asked for. */
  const plain = (f: (r: Ratings) => Estimate) =>
    flags.resamples === undefined
      ? f(ratings)
      : bootstrapSubjects(ratings, f, flags.resamples, flags.seed);
  const always = (f: (r: Ratings) => Estimate) =>
    bootstrapSubjects(ratings, f, flags.resamples ?? USUAL_RESAMPLES, flags.seed);
  // A resample may lack a category; its weights must be those of the whole all the same.
  const weighted = (f: (r: Ratings, w?: typeof weights) => Estimate) => (r: Ratings) =>
    f(
      r,
      weights && categoriesOf(r).length === categories.length
        ? weights
        : weights && agreementWeights(categoriesOf(r).length, flags.weights),
    );

  return {
    subjects: marks.length,
    raters: raters.length,
    missing: countMissing(ratings),
    percentAgreement: table ? percentAgreement(table) : plain(pairwiseAgreement),
    cohenKappa: two
      ? plain((r) => cohenKappa(crossTable(pairsOf(r, 0, 1), categories), weights))
      : null,
    fleissKappa: plain(weighted(fleissKappa)),
    congerKappa: plain(weighted(congerKappa)),
    lightKappa: always((r) =>
      lightKappa(r, weights && agreementWeights(categoriesOf(r).length, flags.weights)),
    ),
    scottPi: plain(weighted(scottPi)),
    brennanPrediger: plain(weighted(brennanPrediger)),
    gwetAC: plain(weighted(gwetAC)),
    krippendorffAlpha: always((r) => krippendorffAlpha(r, flags.level)),
    ...(own
      ? {
          prevalenceIndex: own.prevalenceIndex,
          biasIndex: own.biasIndex,
          pabak: own.pabak,
        }
      : {}),
  };
}
