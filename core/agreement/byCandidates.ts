import type { Estimate } from '../numerics/estimate.ts';
import { allAlike, brennanPrediger } from './brennanPrediger.ts';
import { lineariseChanceCorrected, noErrorNote, productChance } from './chanceCorrected.ts';
import type { Chance } from './chanceCorrected.ts';
import { cohenKappa } from './cohenKappa.ts';
import { congerKappa, lineariseConger } from './congerKappa.ts';
import { tableOfPair } from './crossTable.ts';
import type { EveryCoefficient } from './everyCoefficient.ts';
import { fleissKappa } from './fleissKappa.ts';
import { atRandom, gwetAC } from './gwetAC.ts';
import { krippendorffAlpha, prepareKrippendorffAlpha } from './krippendorffAlpha.ts';
import type { Level } from './krippendorffAlpha.ts';
import { lightKappa, prepareLightKappa } from './lightKappa.ts';
import { coefficientInterval, linearisedError } from './linearised.ts';
import type { Linearised } from './linearised.ts';
import { informants, lineariseNumerically } from './numericalPulls.ts';
import { lineariseAgreement, pairwiseAgreement } from './pairwiseAgreement.ts';
import { withPseudoSubjects } from './pseudoSubjects.ts';
import { scottPi } from './scottPi.ts';
import type { Tally } from './tally.ts';
import { weightsOf } from './weights.ts';
import type { Weights } from './weights.ts';

export interface ClusteredSettings {
  readonly level: Level;
  readonly weights?: Weights | undefined;
}

/**
 * Every agreement coefficient of subjects of which several are of one candidate: all items of a
 * station, or those of a domain. `candidateOf[subject]` says whose it is.
 *
 * The estimates are those of `everyCoefficient`. Their errors take the candidates, not the marks,
 * as what another day would draw anew: the pulls of a candidate's marks are added up before they
 * are squared (linearisation with clusters, for example Yang & Zhou 2014), with C / (C - 1) for C
 * candidates. Marks of one candidate that go together then count as little as they tell.
 * `n` is the number of candidates.
 * Worked value: where every candidate has one subject, Conger's kappa has its own error, times
 * sqrt(C / (C - 1)).
 */
export function everyCoefficientByCandidates(
  tally: Tally,
  candidateOf: ArrayLike<number>,
  { level, weights }: ClusteredSettings,
): EveryCoefficient {
  const clusters = clustersOf(tally, candidateOf);
  const used = weightsOf(tally, weights);
  const by = (whole: Estimate, linearise: Linearise) =>
    withErrorByCandidates(whole, linearise, tally, clusters);
  const corrected = (chance: Chance) => (own: Tally) => lineariseChanceCorrected(own, used, chance);
  const conger = (own: Tally) => lineariseConger(own, used);
  return {
    percentAgreement: by(pairwiseAgreement(tally), (own) =>
      lineariseAgreement(own, weightsOf(own)),
    ),
    // Of two raters Conger's kappa is Cohen's, and so are its pulls.
    cohenKappa:
      tally.raters === 2 ? by(cohenKappa(tableOfPair(tally, 0, 1), weights), conger) : null,
    fleissKappa: by(fleissKappa(tally, weights), corrected(productChance(used))),
    congerKappa: by(congerKappa(tally, weights), conger),
    lightKappa: by(lightKappa(tally, weights), (own) =>
      lineariseNumerically(own, prepareLightKappa(own, weights), -1),
    ),
    scottPi: by(scottPi(tally, weights), corrected(productChance(used))),
    brennanPrediger: by(brennanPrediger(tally, weights), corrected(allAlike(used))),
    gwetAC: by(gwetAC(tally, weights), corrected(atRandom(used))),
    krippendorffAlpha: by(krippendorffAlpha(tally, level), (own) =>
      lineariseNumerically(own, prepareKrippendorffAlpha(own, level), -1),
    ),
  };
}

/** A coefficient with the pull of every kind of row of a tally; `null` where it is undefined. */
export type Linearise = (tally: Tally) => Linearised | null;

/** For every candidate, how often it shows each kind of row. */
type Clusters = readonly ReadonlyMap<number, number>[];

function clustersOf({ rowOf }: Tally, candidateOf: ArrayLike<number>): Clusters {
  const clusters = new Map<number, Map<number, number>>();
  for (const [subject, row] of rowOf.entries()) {
    const candidate = candidateOf[subject] as number;
    const own = clusters.get(candidate) ?? new Map<number, number>();
    own.set(row, (own.get(row) ?? 0) + 1);
    clusters.set(candidate, own);
  }
  return [...clusters.values()];
}

/** The estimate as it stands, with the error and the interval that go by candidates. */
function withErrorByCandidates(
  whole: Estimate,
  linearise: Linearise,
  tally: Tally,
  clusters: Clusters,
): Estimate {
  const n = clusters.length;
  const method = `${whole.method.split(';')[0]}; error by candidates`;
  const own = whole.estimate === null ? null : linearise(tally);
  if (own === null) return { ...whole, lower: null, upper: null, standardError: null, method, n };
  const larger = withPseudoSubjects(tally);
  const pulls = byCandidate(own, clusters);
  const smoothed = linearise(larger) ?? own;
  const interval = coefficientInterval(
    pulls,
    withPseudoCandidates(byCandidate(smoothed, clusters), smoothed, tally.times.length, {
      times: larger.times,
      marksEach: tally.rowOf.length / n,
    }),
    informants(tally),
  );
  return {
    ...whole,
    ...interval,
    standardError: n > 1 ? linearisedError(pulls) : null,
    method,
    n,
    notes: interval.lower === null ? [noErrorNote(own.estimate, n)] : [],
  };
}

/** The pulls of the candidates: those of their marks added up, on the scale of one candidate. */
function byCandidate({ estimate, pulls, lowest }: Linearised, clusters: Clusters): Linearised {
  const n = clusters.length;
  const marks = clusters.reduce(
    (sum, own) => sum + [...own.values()].reduce((all, times) => all + times, 0),
    0,
  );
  const scale = (n / marks) * Math.sqrt(n / Math.max(1, n - 1));
  return {
    estimate,
    pulls: clusters.map((own) => {
      let sum = 0;
      for (const [row, times] of own) sum += times * (pulls[row] as number);
      return scale * sum;
    }),
    times: clusters.map(() => 1),
    lowest,
  };
}

/**
 * The same with two candidates more, each with the usual number of marks, which are pseudo-subjects
 * independent of each other: their pulls add up like the root of their number.
 */
function withPseudoCandidates(
  candidates: Linearised,
  smoothed: Linearised,
  rows: number,
  { times, marksEach }: { times: Float64Array; marksEach: number },
): Linearised {
  const pseudo = Array.from(times.subarray(rows));
  return {
    ...candidates,
    pulls: [
      ...Array.from(candidates.pulls),
      ...pseudo.map((_, i) => (smoothed.pulls[rows + i] as number) / Math.sqrt(marksEach)),
    ],
    times: [...Array.from(candidates.times), ...pseudo],
  };
}
