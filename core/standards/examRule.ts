import type { CriticalRule } from '../scoring/criticalItems.ts';
import { reachesCut } from './reachesCut.ts';
import { countMissed, stationOutcome } from './stationOutcome.ts';
import type { StationOutcome, StationScore } from './stationOutcome.ts';

/** How station results become one decision: compensatory sum, and conjunctive conditions on top. */
export interface ExamRule {
  /** Standard errors of measurement added to the sum of the station cuts. */
  readonly semMultiplier: number;
  /** At least so many stations must be passed; 0 switches the condition off. */
  readonly fewestStationsPassed: number;
  /** By whose marks a critical item counts as missed, which fails its station. */
  readonly criticalBy: CriticalRule;
  /** Whether a critical item missed at any station fails the examination too. */
  readonly criticalFailureFails: boolean;
}

export type Outcome = 'pass' | 'fail' | 'incomplete';

export interface CandidateOutcome {
  readonly outcome: Outcome;
  readonly total: number | null;
  /** Station by station, in the order given. */
  readonly stations: readonly StationOutcome[];
  readonly stationsPassed: number;
  readonly criticalFailures: number;
  /** Every condition that was not met or cannot be judged, in plain words; empty for a pass. */
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
 * Decides one candidate. A score equal to a cut passes.
 *
 * *Fail* where a condition is missed for certain; else *incomplete* where a condition hangs on
 * what nobody marked (a station without a scorable sheet, a critical item that nobody observed):
 * the school's fault, not the candidate's; else *pass*. While a station has no scorable sheet the
 * candidate is incomplete whatever else is known, because that sheet may still be found.
 */
export function decideCandidate(
  scores: readonly StationScore[],
  cuts: readonly (number | null)[],
  cut: ExamCut,
  rule: ExamRule,
): CandidateOutcome {
  const stations = scores.map((s, i) => stationOutcome(s, cuts[i] ?? null, rule.criticalBy));
  const count = (outcome: StationOutcome) => stations.filter((s) => s === outcome).length;
  const missedAt = scores.map(({ critical }) => countMissed(critical, rule.criticalBy));
  const known = {
    stations,
    stationsPassed: count('passed'),
    criticalFailures: missedAt.reduce((sum, n) => sum + n, 0),
  };
  const missing = scores.filter((s) => s.percent === null).length;
  if (missing > 0) {
    const reason = `${missing} of ${scores.length} stations have no scorable sheet.`;
    return { ...known, outcome: 'incomplete', total: null, reasons: [reason] };
  }
  const total = scores.reduce((sum, s) => sum + (s.percent ?? 0), 0);
  const unmet = unmetConditions(known, missedAt, total, cut, rule);
  if (unmet.length > 0) return { ...known, outcome: 'fail', total, reasons: unmet };
  const open = openConditions(known, rule);
  return { ...known, outcome: open.length > 0 ? 'incomplete' : 'pass', total, reasons: open };
}

type Known = Pick<CandidateOutcome, 'stations' | 'stationsPassed' | 'criticalFailures'>;

/** The conditions that are missed, however an undecided station would turn out. */
function unmetConditions(
  { stations, stationsPassed, criticalFailures }: Known,
  missedAt: readonly number[],
  total: number,
  cut: ExamCut,
  rule: ExamRule,
): string[] {
  const reasons: string[] = [];
  if (!reachesCut(total, cut.total)) {
    const k = stations.length;
    reasons.push(
      `Mean score ${(total / k).toFixed(1)} % is below the required ${(cut.total / k).toFixed(1)} %.`,
    );
  }
  const atMost = stations.filter((s) => s !== 'not passed').length;
  if (atMost < rule.fewestStationsPassed) {
    reasons.push(
      `Stations passed: ${stationsPassed}; required: at least ${rule.fewestStationsPassed}.`,
    );
  }
  if (rule.criticalFailureFails && criticalFailures > 0) {
    const places = missedAt.flatMap((n, i) => (n > 0 ? [i + 1] : []));
    const where = `at station${places.length === 1 ? '' : 's'} ${places.join(', ')}`;
    reasons.push(
      criticalFailures === 1
        ? `One critical item was missed, ${where}.`
        : `${criticalFailures} critical items were missed, ${where}.`,
    );
  }
  return reasons;
}

/** The conditions that nobody can judge while a station is undecided. */
function openConditions({ stations, stationsPassed }: Known, rule: ExamRule): string[] {
  const open = stations.flatMap((s, i) => (s === 'undecided' ? [i + 1] : []));
  const matters = rule.criticalFailureFails || stationsPassed < rule.fewestStationsPassed;
  if (open.length === 0 || !matters) return [];
  return [
    `Nobody observed a critical item at station${open.length === 1 ? '' : 's'} ${open.join(', ')}, ` +
      'so it is undecided.',
  ];
}
