import { mean, standardDeviation } from '../numerics/summary.ts';

/** One cohort's scores: of the whole paper, and of the anchor stations that both cohorts had. */
export interface EquatedCohort {
  readonly totals: readonly number[];
  readonly anchors: readonly number[];
}

export interface Equating {
  /** How much better this year's cohort did on the common stations, in their unit. */
  readonly cohortDifference: number;
  /** How much easier this year's paper is for candidates of the same ability, in the unit of totals. */
  readonly paperDifference: number;
  /** Turns a score of this year's paper into last year's. */
  readonly toLast: (score: number) => number;
  readonly method: 'mean' | 'linear';
}

/**
 * Tells a better cohort from an easier paper through the stations that both had (common-station
 * design): scores of this year go to the anchors through this year's cohort, and from the anchors
 * to last year's paper through last year's.
 *
 * Linear: `anchor = mean_V1 + (sd_V1 / sd_X1)(x - mean_X1)` and back likewise (chained linear
 * equating); mean: the same with both slopes 1. Source: Kolen & Brennan 2014, chapter 4.
 * Returns `null` where a cohort has fewer than two candidates, or (linear) nothing varies.
 * Worked value: anchors 60 last year and 65 this, totals 58 and 68: the cohort is 5 better, so the
 * paper is 5 easier, and this year's 68 is last year's 63.
 */
export function equate(
  thisYear: EquatedCohort,
  lastYear: EquatedCohort,
  method: Equating['method'] = 'linear',
): Equating | null {
  const [now, then] = [momentsOf(thisYear), momentsOf(lastYear)];
  return now && then ? equateMoments(now, then, method) : null;
}

/** What equating needs to know of a cohort: mean and spread of the whole paper and of the anchors. */
export interface CohortMoments {
  readonly total: number;
  readonly anchor: number;
  readonly totalSd: number;
  readonly anchorSd: number;
}

/** The same from means and standard deviations; `null` (linear) where nothing varies. */
export function equateMoments(
  now: CohortMoments,
  then: CohortMoments,
  method: Equating['method'] = 'linear',
): Equating | null {
  const slopes =
    method === 'mean' ? [1, 1] : [now.anchorSd / now.totalSd, then.totalSd / then.anchorSd];
  const [down = NaN, up = NaN] = slopes;
  if (!Number.isFinite(down) || !Number.isFinite(up)) return null;
  const toLast = (score: number) => {
    const anchor = now.anchor + down * (score - now.total);
    return then.total + up * (anchor - then.anchor);
  };
  return {
    cohortDifference: now.anchor - then.anchor,
    paperDifference: now.total - toLast(now.total),
    toLast,
    method,
  };
}

function momentsOf({ totals, anchors }: EquatedCohort): CohortMoments | null {
  const [total, anchor] = [mean(totals), mean(anchors)];
  const [totalSd, anchorSd] = [standardDeviation(totals), standardDeviation(anchors)];
  if (total === null || anchor === null || totalSd === null || anchorSd === null) return null;
  return { total, anchor, totalSd, anchorSd };
}
