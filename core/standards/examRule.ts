/** How station results become one decision: compensatory sum, and conjunctive conditions on top. */
export interface ExamRule {
  /** Standard errors of measurement added to the sum of the station cuts. */
  readonly semMultiplier: number;
  /** At least so many stations must be passed; 0 switches the condition off. */
  readonly fewestStationsPassed: number;
  /** Whether a critical failure at any station fails the examination. */
  readonly criticalFailureFails: boolean;
}

export interface StationScore {
  /** Percent; `null` where there is no scorable sheet. */
  readonly percent: number | null;
  readonly criticalFailures: number;
}

export type Outcome = 'pass' | 'fail' | 'incomplete';

export interface CandidateOutcome {
  readonly outcome: Outcome;
  readonly total: number | null;
  readonly stationsPassed: number;
  readonly criticalFailures: number;
  /** Every condition that was not met, in plain words; empty for a pass. */
  readonly reasons: readonly string[];
}

export interface ExamCut {
  /** Sum of the station cuts, in percent points over all stations. */
  readonly sumOfCuts: number;
  /** What the total must reach. */
  readonly total: number;
}

/**
 * The total that a candidate must reach: `sum of station cuts + k * SEM`.
 * `null` while a station has no cut, or where k is not 0 and the SEM is undefined.
 */
export function examCut(
  cuts: readonly (number | null)[],
  rule: ExamRule,
  sem: number | null,
): ExamCut | null {
  if (cuts.length === 0 || cuts.some((cut) => cut === null)) return null;
  if (rule.semMultiplier !== 0 && sem === null) return null;
  const sumOfCuts = cuts.reduce<number>((sum, cut) => sum + (cut ?? 0), 0);
  return { sumOfCuts, total: sumOfCuts + rule.semMultiplier * (sem ?? 0) };
}

/**
 * Decides one candidate. A score equal to a cut passes. A candidate without a scorable sheet at
 * some station is *incomplete*, neither passed nor failed: a missing sheet is the school's fault.
 * Scores and cuts are compared after rounding to 6 decimals, so that 60 is not below 60.
 */
export function decideCandidate(
  stations: readonly StationScore[],
  cuts: readonly (number | null)[],
  cut: ExamCut,
  rule: ExamRule,
): CandidateOutcome {
  const missing = stations.filter((s) => s.percent === null).length;
  const criticalFailures = stations.reduce((sum, s) => sum + s.criticalFailures, 0);
  const stationsPassed = stations.filter(
    (s, i) => s.percent !== null && reaches(s.percent, cuts[i] ?? Infinity),
  ).length;
  if (missing > 0) {
    return {
      outcome: 'incomplete',
      total: null,
      stationsPassed,
      criticalFailures,
      reasons: [`${missing} of ${stations.length} stations have no scorable sheet.`],
    };
  }
  const total = stations.reduce((sum, s) => sum + (s.percent ?? 0), 0);
  const reasons: string[] = [];
  if (!reaches(total, cut.total)) {
    const k = stations.length;
    reasons.push(
      `Mean score ${(total / k).toFixed(1)} % is below the required ${(cut.total / k).toFixed(1)} %.`,
    );
  }
  if (stationsPassed < rule.fewestStationsPassed) {
    reasons.push(
      `Stations passed: ${stationsPassed}; required: at least ${rule.fewestStationsPassed}.`,
    );
  }
  if (rule.criticalFailureFails && criticalFailures > 0) {
    reasons.push(
      criticalFailures === 1
        ? 'One critical item was missed.'
        : `${criticalFailures} critical items were missed.`,
    );
  }
  return {
    outcome: reasons.length === 0 ? 'pass' : 'fail',
    total,
    stationsPassed,
    criticalFailures,
    reasons,
  };
}

function reaches(score: number, cut: number): boolean {
  return Math.round(score * 1e6) >= Math.round(cut * 1e6);
}
