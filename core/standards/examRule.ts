import type { CriticalRule } from '../scoring/criticalItems.ts';
import { reachesCut } from './reachesCut.ts';
import { countMissed, stationOutcome } from './stationOutcome.ts';
import type { StationOutcome, StationScore } from './stationOutcome.ts';
import { NO_FACTS } from './candidateFacts.ts';
import type { CandidateFacts } from './candidateFacts.ts';
import { RULE_PARTS } from './partPercents.ts';
import type { RulePart } from './partPercents.ts';

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
  /** Whether a safety event that is laid to the candidate fails the examination; older rules do not ask. */
  readonly safetyEventFails?: boolean;
  /** What must be reached in single parts over all stations, in percent; older rules have none. */
  readonly parts?: Readonly<Partial<Record<RulePart, number>>>;
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
  /** What each part of the rule did; empty while a station has no scorable sheet. */
  readonly conditions: readonly Condition[];
}

/** One part of the rule, held against one candidate. */
export interface Condition {
  readonly part: 'mean' | 'stations' | 'critical' | 'safety-event' | RulePart;
  /** `null` where nobody can judge it. */
  readonly met: boolean | null;
  /** What the candidate has, and what is asked for: percent, stations, items, or events. */
  readonly value: number | null;
  readonly required: number;
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
 * what nobody marked (a station without a scorable sheet, a critical item that nobody observed, a
 * part that no item asked for, a safety event that nobody has followed up): the school's fault, not
 * the candidate's; else *pass*. While a station has no scorable sheet the candidate is incomplete
 * whatever else is known, because that sheet may still be found. `facts` are needed by rules that ask
 * for parts or safety events.
 */
export function decideCandidate(
  scores: readonly StationScore[],
  cuts: readonly (number | null)[],
  cut: ExamCut,
  rule: ExamRule,
  facts: CandidateFacts = NO_FACTS,
): CandidateOutcome {
  const stations = scores.map((s, i) => stationOutcome(s, cuts[i] ?? null, rule.criticalBy));
  const missedAt = scores.map(({ critical }) => countMissed(critical, rule.criticalBy));
  const known = {
    stations,
    stationsPassed: stations.filter((s) => s === 'passed').length,
    criticalFailures: missedAt.reduce((sum, n) => sum + n, 0),
  };
  const missing = scores.filter((s) => s.percent === null).length;
  if (missing > 0) {
    const reason = `${missing} of ${scores.length} stations have no scorable sheet.`;
    return { ...known, outcome: 'incomplete', total: null, reasons: [reason], conditions: [] };
  }
  const total = scores.reduce((sum, s) => sum + (s.percent ?? 0), 0);
  const conditions = conditionsOf(known, total, cut, rule, facts);
  const unmet = conditions.filter(({ met }) => met === false);
  const open = conditions.filter(({ met }) => met === null);
  const outcome = unmet.length > 0 ? 'fail' : open.length > 0 ? 'incomplete' : 'pass';
  const reasons =
    outcome === 'fail'
      ? unmet.map((condition) => sayUnmet(condition, missedAt))
      : sayOpen(open, stations);
  return { ...known, outcome, total, reasons, conditions };
}

type Known = Pick<CandidateOutcome, 'stations' | 'stationsPassed' | 'criticalFailures'>;

/** Every condition that the rule asks for, in the order in which it is told. */
function conditionsOf(
  { stations, stationsPassed, criticalFailures }: Known,
  total: number,
  cut: ExamCut,
  rule: ExamRule,
  { parts, safety }: CandidateFacts,
): Condition[] {
  const k = Math.max(1, stations.length);
  const undecided = stations.filter((s) => s === 'undecided').length;
  const conditions: Condition[] = [
    { part: 'mean', met: reachesCut(total, cut.total), value: total / k, required: cut.total / k },
  ];
  const fewest = rule.fewestStationsPassed;
  if (fewest > 0) {
    const met =
      stationsPassed >= fewest ? true : stationsPassed + undecided < fewest ? false : null;
    conditions.push({ part: 'stations', met, value: stationsPassed, required: fewest });
  }
  if (rule.criticalFailureFails) {
    const met = criticalFailures > 0 ? false : undecided > 0 ? null : true;
    conditions.push({ part: 'critical', met, value: criticalFailures, required: 0 });
  }
  if (rule.safetyEventFails) {
    const met = safety.laid > 0 ? false : safety.open > 0 ? null : true;
    const value = safety.laid > 0 || safety.open === 0 ? safety.laid : null;
    conditions.push({ part: 'safety-event', met, value, required: 0 });
  }
  for (const part of RULE_PARTS) {
    const required = rule.parts?.[part];
    if (required === undefined) continue;
    const value = parts?.[part] ?? null;
    const met = value === null ? null : reachesCut(value, required);
    conditions.push({ part, met, value, required });
  }
  return conditions;
}

function sayUnmet({ part, value, required }: Condition, missedAt: readonly number[]): string {
  switch (part) {
    case 'mean':
      return `Mean score ${(value ?? 0).toFixed(1)} % is below the required ${required.toFixed(1)} %.`;
    case 'stations':
      return `Stations passed: ${value ?? 0}; required: at least ${required}.`;
    case 'critical': {
      const places = missedAt.flatMap((n, i) => (n > 0 ? [i + 1] : []));
      const where = `at station${places.length === 1 ? '' : 's'} ${places.join(', ')}`;
      return value === 1
        ? `One critical item was missed, ${where}.`
        : `${value ?? 0} critical items were missed, ${where}.`;
    }
    case 'safety-event':
      return value === 1
        ? 'One safety event is laid to the candidate.'
        : `${value ?? 0} safety events are laid to the candidate.`;
    default:
      return `${sayPart(part)}: ${(value ?? 0).toFixed(1)} % over all stations is below the required ${required.toFixed(1)} %.`;
  }
}

/** Why nobody can judge: stations that hang on a critical item, and parts that were never asked. */
function sayOpen(open: readonly Condition[], stations: readonly StationOutcome[]): string[] {
  const undecided = stations.flatMap((s, i) => (s === 'undecided' ? [i + 1] : []));
  const byStations = open.some(({ part }) => part === 'stations' || part === 'critical');
  return [
    ...(byStations
      ? [
          `Nobody observed a critical item at station${undecided.length === 1 ? '' : 's'} ${undecided.join(', ')}, so it is undecided.`,
        ]
      : []),
    ...open.flatMap(({ part }) => {
      if (part === 'mean' || part === 'stations' || part === 'critical') return [];
      return part === 'safety-event'
        ? ['A safety event has not been followed up, so it is undecided.']
        : [`${sayPart(part)}: no item of it was marked, so it is undecided.`];
    }),
  ];
}

function sayPart(part: RulePart): string {
  return part.charAt(0).toUpperCase() + part.slice(1);
}
