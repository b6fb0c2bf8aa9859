import type { RandomGenerator } from '../numerics/random.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { bootstrapSubjects } from './bootstrapSubjects.ts';
import type { BootstrapInterval, Resampled } from './bootstrapSubjects.ts';
import { brennanPrediger, prepareBrennanPrediger } from './brennanPrediger.ts';
import { cohenKappa, prepareCohenKappa } from './cohenKappa.ts';
import { congerKappa, prepareCongerKappa } from './congerKappa.ts';
import { fromCounts, tableOfPair } from './crossTable.ts';
import { fleissKappa, prepareFleissKappa } from './fleissKappa.ts';
import { gwetAC, prepareGwetAC } from './gwetAC.ts';
import { krippendorffAlpha, prepareKrippendorffAlpha } from './krippendorffAlpha.ts';
import type { Level } from './krippendorffAlpha.ts';
import { lightKappa, prepareLightKappa } from './lightKappa.ts';
import { pairwiseAgreement, preparePairwiseAgreement } from './pairwiseAgreement.ts';
import { percentAgreement } from './percentAgreement.ts';
import { prepareScottPi, scottPi } from './scottPi.ts';
import type { Tally } from './tally.ts';
import type { Weights } from './weights.ts';

/** The names of all coefficients, as the command prints them. */
export const COEFFICIENTS = [
  'percentAgreement',
  'cohenKappa',
  'congerKappa',
  'fleissKappa',
  'scottPi',
  'lightKappa',
  'brennanPrediger',
  'gwetAC',
  'krippendorffAlpha',
] as const;
export type CoefficientName = (typeof COEFFICIENTS)[number];

export interface EveryCoefficient {
  readonly percentAgreement: Estimate;
  /** `null` unless there are exactly two raters. */
  readonly cohenKappa: Estimate | null;
  readonly fleissKappa: Estimate;
  readonly congerKappa: Estimate;
  readonly lightKappa: Estimate;
  readonly scottPi: Estimate;
  readonly brennanPrediger: Estimate;
  readonly gwetAC: Estimate;
  readonly krippendorffAlpha: Estimate;
}

/** The kappa that fits: Cohen's where two examiners marked everybody, Conger's where they changed. */
export function usualKappa<Figure>(coefficients: {
  readonly cohenKappa: Figure | null;
  readonly congerKappa: Figure;
}): Figure {
  return coefficients.cohenKappa ?? coefficients.congerKappa;
}

export interface CoefficientSettings {
  readonly level: Level;
  readonly weights?: Weights | undefined;
  /** Resamples for every coefficient; without it, only for those whose interval none of the formulas gives. */
  readonly resamples?: number | undefined;
  readonly seed: number;
  readonly generator?: RandomGenerator | undefined;
  readonly interval?: BootstrapInterval | undefined;
}

/** Resamples where nobody says how many: the relative error of a standard error is then 1.6 %. */
const USUAL_RESAMPLES = 2000;
/** More draws than this would keep somebody waiting; the resamples are then fewer, and it is said. */
const MOST_DRAWS = 400_000_000;

/** Every agreement coefficient of one set of ratings, each with an interval. */
export function everyCoefficient(tally: Tally, settings: CoefficientSettings): EveryCoefficient {
  const { level, weights, seed, generator, interval = 'percentile' } = settings;
  const table = tally.raters === 2 ? tableOfPair(tally, 0, 1) : null;
  const cohen = cohenKappa(table ?? fromCounts(tally.categories, []), weights);
  const withError = {
    percentAgreement: {
      whole: table ? percentAgreement(table) : pairwiseAgreement(tally),
      prepared: preparePairwiseAgreement(tally),
    },
    cohenKappa: { whole: cohen, prepared: prepareCohenKappa(tally, weights) },
    fleissKappa: {
      whole: fleissKappa(tally, weights),
      prepared: prepareFleissKappa(tally, weights),
    },
    congerKappa: {
      whole: congerKappa(tally, weights),
      prepared: prepareCongerKappa(tally, weights),
    },
    scottPi: { whole: scottPi(tally, weights), prepared: prepareScottPi(tally, weights) },
    brennanPrediger: {
      whole: brennanPrediger(tally, weights),
      prepared: prepareBrennanPrediger(tally, weights),
    },
    gwetAC: { whole: gwetAC(tally, weights), prepared: prepareGwetAC(tally, weights) },
  };
  const withoutError = {
    lightKappa: { whole: lightKappa(tally, weights), prepared: prepareLightKappa(tally, weights) },
    krippendorffAlpha: {
      whole: krippendorffAlpha(tally, level),
      prepared: prepareKrippendorffAlpha(tally, level),
    },
  };
  // Too many kinds of subjects for differences: then the sample is large enough to resample.
  const withoutInterval = Object.fromEntries(
    Object.entries(withoutError).filter(([, { whole }]) => whole.standardError === null),
  );
  const draw = (resamples: number) => ({ resamples, seed, generator, interval });
  const most = Math.max(100, Math.floor(MOST_DRAWS / Math.max(1, tally.rowOf.length)));
  const results =
    settings.resamples === undefined
      ? {
          ...asTheyStand({ ...withError, ...withoutError }),
          ...bootstrapSubjects(tally, withoutInterval, draw(Math.min(USUAL_RESAMPLES, most))),
        }
      : bootstrapSubjects(tally, { ...withError, ...withoutError }, draw(settings.resamples));
  return { ...results, cohenKappa: table ? results.cohenKappa : null };
}

function asTheyStand<Name extends string>(
  coefficients: Readonly<Record<Name, Resampled>>,
): Record<Name, Estimate> {
  const entries = Object.entries<Resampled>(coefficients);
  return Object.fromEntries(entries.map(([name, { whole }]) => [name, whole])) as Record<
    Name,
    Estimate
  >;
}
