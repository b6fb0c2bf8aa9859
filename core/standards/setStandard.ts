import { standardErrorOfMeasurement } from '../reliability/standardError.ts';
import { borderlineRegression } from './borderlineRegression.ts';
import type { BorderlineRegression } from './borderlineRegression.ts';
import type { Estimate } from '../numerics/estimate.ts';
import { cutBy } from './stationMethods.ts';
import type { MethodSettings, StationMethod } from './stationMethods.ts';
import { decideCandidate, examCut } from './examRule.ts';
import type { CandidateOutcome, ExamCut, ExamRule } from './examRule.ts';
import { stationOutcome } from './stationOutcome.ts';
import type { CandidateFacts } from './candidateFacts.ts';
import type { StationScore } from './stationOutcome.ts';

/** One candidate at one station: means over the submitted sheets where there are several. */
export interface StationRecord extends StationScore {
  readonly candidate: string;
  readonly grade: number | null;
}

export interface StationData {
  readonly station: string;
  readonly records: readonly StationRecord[];
}

export interface StandardSettings extends MethodSettings {
  /** The method of every station that none is chosen for. */
  readonly method: StationMethod;
  /** Methods chosen for single stations. */
  readonly methods: Readonly<Record<string, StationMethod>>;
  readonly rule: ExamRule;
  /** Cuts set by hand, by station; they take the place of the method's. */
  readonly handCuts: Readonly<Record<string, number>>;
}

export interface StationStandard {
  readonly station: string;
  /** Scores against grades with their line, whatever the method. */
  readonly regression: BorderlineRegression;
  readonly method: StationMethod;
  /** What the method says. */
  readonly byMethod: Estimate;
  /** What holds: by hand where it was set so, else what the method says. */
  readonly cut: number | null;
  readonly byHand: boolean;
  readonly passed: number;
  /** Would pass, were it known whether a critical item was missed. */
  readonly undecided: number;
  readonly scored: number;
}

export interface Standard {
  readonly stations: readonly StationStandard[];
  readonly sem: number | null;
  readonly examCut: ExamCut | null;
  /** By candidate, in the order given; empty while the examination has no cut. */
  readonly outcomes: ReadonlyMap<string, CandidateOutcome>;
  readonly passed: number;
  readonly failed: number;
  readonly incomplete: number;
}

const NO_SHEET: StationScore = { percent: null, critical: [] };

/**
 * Applies the settings to the marks: station cuts, examination cut, and what follows for each
 * candidate. `facts` holds what a rule may ask of each beside the scores.
 */
export function setStandard(
  data: readonly StationData[],
  candidates: readonly string[],
  settings: StandardSettings,
  facts?: ReadonlyMap<string, CandidateFacts>,
): Standard {
  const stations = data.map((station) => stationStandard(station, settings));
  const cuts = stations.map((s) => s.cut);
  const scores = data.map((s) => new Map(s.records.map((r) => [r.candidate, r])));
  const rows = candidates.map((c) =>
    scores.map((byCandidate) => byCandidate.get(c)?.percent ?? null),
  );
  const sem = standardErrorOfMeasurement(rows);
  const cut = examCut(cuts, settings.rule, sem);
  const outcomes = new Map<string, CandidateOutcome>();
  if (cut) {
    for (const candidate of candidates) {
      const record = scores.map((byCandidate): StationScore => {
        const r = byCandidate.get(candidate);
        return r ?? NO_SHEET;
      });
      outcomes.set(
        candidate,
        decideCandidate(record, cuts, cut, settings.rule, facts?.get(candidate)),
      );
    }
  }
  const count = (outcome: string) =>
    [...outcomes.values()].filter((o) => o.outcome === outcome).length;
  return {
    stations,
    sem,
    examCut: cut,
    outcomes,
    passed: count('pass'),
    failed: count('fail'),
    incomplete: count('incomplete'),
  };
}

/** The pairs of score and grade that borderline regression is drawn through. */
export function scoredPairs(records: readonly StationRecord[]): {
  candidates: string[];
  scores: number[];
  grades: number[];
} {
  const complete = records.filter((r) => r.percent !== null && r.grade !== null);
  return {
    candidates: complete.map((r) => r.candidate),
    scores: complete.map((r) => r.percent as number),
    grades: complete.map((r) => r.grade as number),
  };
}

function stationStandard(data: StationData, settings: StandardSettings): StationStandard {
  const { scores, grades } = scoredPairs(data.records);
  const regression = borderlineRegression(scores, grades, settings.borderline);
  const method = settings.methods[data.station] ?? settings.method;
  const byMethod = cutBy(method, { scores, grades }, settings);
  const byHand = settings.handCuts[data.station];
  const cut = byHand ?? byMethod.estimate;
  const scored = data.records.filter((r) => r.percent !== null);
  const count = (outcome: string) =>
    cut === null
      ? 0
      : scored.filter((r) => stationOutcome(r, cut, settings.rule.criticalBy) === outcome).length;
  return {
    station: data.station,
    regression,
    method,
    byMethod,
    cut,
    byHand: byHand !== undefined,
    passed: count('passed'),
    undecided: count('undecided'),
    scored: scored.length,
  };
}
