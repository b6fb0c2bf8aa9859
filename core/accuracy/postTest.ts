/**
 * The chance of the condition after a result: odds before times likelihood ratio
 * (`odds = p / (1 - p)`). `pretest` lies in [0, 1], the ratio is 0 or more.
 *
 * Worked value: .30 before and a ratio of 7 give .75.
 * Throws `RangeError` for a probability outside [0, 1] or a negative ratio.
 */
export function postTestProbability(pretest: number, likelihoodRatio: number): number {
  if (!(pretest >= 0 && pretest <= 1)) throw new RangeError('A probability lies between 0 and 1.');
  if (!(likelihoodRatio >= 0)) throw new RangeError('A likelihood ratio is 0 or more.');
  if (pretest === 1) return 1;
  const odds = (pretest / (1 - pretest)) * likelihoodRatio;
  return odds === Infinity ? 1 : odds / (1 + odds);
}

/**
 * The ratio of several results together. It is their product only where the tests err
 * independently of each other given the condition; tests of one structure hardly do, so the
 * result is the strongest that can be claimed.
 */
export function combinedRatio(ratios: readonly number[]): number {
  return ratios.reduce((product, ratio) => product * ratio, 1);
}

/** Both must be positive (series): sensitivity falls, specificity rises. Conditional independence assumed. */
export function inSeries(
  a: { sensitivity: number; specificity: number },
  b: { sensitivity: number; specificity: number },
): { sensitivity: number; specificity: number } {
  return {
    sensitivity: a.sensitivity * b.sensitivity,
    specificity: 1 - (1 - a.specificity) * (1 - b.specificity),
  };
}

/** One positive is enough (parallel): sensitivity rises, specificity falls. Conditional independence assumed. */
export function inParallel(
  a: { sensitivity: number; specificity: number },
  b: { sensitivity: number; specificity: number },
): { sensitivity: number; specificity: number } {
  return {
    sensitivity: 1 - (1 - a.sensitivity) * (1 - b.sensitivity),
    specificity: a.specificity * b.specificity,
  };
}

export interface Chance {
  readonly estimate: number;
  readonly lower: number;
  readonly upper: number;
}

/**
 * The chance after a result, with the interval that the ratio's own interval carries over; the
 * chance before is taken as known.
 */
export function postTestInterval(
  pretest: number,
  ratio: { estimate: number; lower: number; upper: number },
): Chance {
  return {
    estimate: postTestProbability(pretest, ratio.estimate),
    lower: postTestProbability(pretest, ratio.lower),
    upper: postTestProbability(pretest, ratio.upper),
  };
}

/** Likelihood ratios of a positive and a negative result, from sensitivity and specificity in (0, 1]. */
export function likelihoodRatios({
  sensitivity,
  specificity,
}: {
  sensitivity: number;
  specificity: number;
}): { positive: number; negative: number } {
  return {
    positive: specificity === 1 ? Infinity : sensitivity / (1 - specificity),
    negative: specificity === 0 ? Infinity : (1 - sensitivity) / specificity,
  };
}

/** Predictive values in a population with this share of the condition (Bayes' theorem). */
export function predictiveValues(
  { sensitivity, specificity }: { sensitivity: number; specificity: number },
  prevalence: number,
): { ppv: number | null; npv: number | null } {
  const positive = sensitivity * prevalence + (1 - specificity) * (1 - prevalence);
  const negative = (1 - sensitivity) * prevalence + specificity * (1 - prevalence);
  return {
    ppv: positive === 0 ? null : (sensitivity * prevalence) / positive,
    npv: negative === 0 ? null : (specificity * (1 - prevalence)) / negative,
  };
}

/**
 * A combination of two tests as if they erred independently, beside what a study found for the
 * combination. A published figure below the calculated one says that the tests err together.
 */
export function againstPublished(
  calculated: { sensitivity: number; specificity: number },
  published: { sensitivity: number; specificity: number },
): { sensitivity: number; specificity: number } {
  return {
    sensitivity: published.sensitivity - calculated.sensitivity,
    specificity: published.specificity - calculated.specificity,
  };
}
