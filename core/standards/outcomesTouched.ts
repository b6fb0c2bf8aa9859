import { placeOf } from '../reliability/examinerEffects.ts';
import type { ExaminedScore, ExaminerEffect } from '../reliability/examinerEffects.ts';
import { decideCandidate } from './examRule.ts';
import type { ExamCut, ExamRule, Outcome } from './examRule.ts';
import type { CandidateFacts } from './candidateFacts.ts';
import type { StationScore } from './stationOutcome.ts';

export interface StandardApplied {
  readonly cuts: readonly (number | null)[];
  readonly cut: ExamCut;
  readonly rule: ExamRule;
  /** What the rule asks of each candidate beside the scores; severity does not move it. */
  readonly facts?: ReadonlyMap<number, CandidateFacts>;
}

export interface TouchedOutcome {
  readonly candidate: number;
  readonly before: Outcome;
  readonly after: Outcome;
  /** The mean over the stations, in percent, as marked and adjusted. */
  readonly mean: number;
  readonly adjusted: number;
}

/**
 * Whose outcome would be another if the severity of those who marked were taken out of the scores:
 * to the score of every station the mean severity of its examiners is added, the cuts and the rule
 * stay. Information for a board, never applied by itself: a severity is an estimate with an error.
 *
 * `records[station]` holds the scores of the candidates there; `scores` says who marked them.
 */
export function outcomesTouched(
  records: readonly ReadonlyMap<number, StationScore>[],
  scores: readonly ExaminedScore[],
  examiners: readonly ExaminerEffect[],
  { cuts, cut, rule, facts }: StandardApplied,
): TouchedOutcome[] {
  const severity = new Map(examiners.map((one) => [one.examiner, one.severity]));
  const sums = new Map<string, { sum: number; n: number }>();
  for (const score of scores) {
    const own = sums.get(placeOf(score)) ?? { sum: 0, n: 0 };
    own.sum += severity.get(score.examiner) ?? 0;
    own.n++;
    sums.set(placeOf(score), own);
  }
  const candidates = [...new Set(records.flatMap((station) => [...station.keys()]))];
  return candidates
    .sort((a, b) => a - b)
    .flatMap((candidate) => {
      const marked = records.map(
        (station): StationScore => station.get(candidate) ?? { percent: null, critical: [] },
      );
      const adjusted = marked.map((score, station): StationScore => {
        const own = sums.get(`${candidate}:${station}`);
        if (score.percent === null || !own) return score;
        const percent = Math.min(100, Math.max(0, score.percent + own.sum / own.n));
        return { ...score, percent };
      });
      const before = decideCandidate(marked, cuts, cut, rule, facts?.get(candidate));
      const after = decideCandidate(adjusted, cuts, cut, rule, facts?.get(candidate));
      if (before.outcome === after.outcome || before.total === null || after.total === null)
        return [];
      const k = Math.max(1, records.length);
      return [
        {
          candidate,
          before: before.outcome,
          after: after.outcome,
          mean: before.total / k,
          adjusted: after.total / k,
        },
      ];
    });
}
