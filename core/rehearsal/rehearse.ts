import type { Chance } from '../numerics/random.ts';
import { seededStreams } from '../numerics/random.ts';
import { internalConsistency } from '../reliability/internalConsistency.ts';
import { setStandard } from '../standards/setStandard.ts';
import type { StationRecord } from '../standards/setStandard.ts';
import type { Assumptions } from './assumptions.ts';
import { dependence } from './dependence.ts';
import type { Dependence } from './dependence.ts';
import { playSheets, prepare } from './performance.ts';
import type { PreparedStation, ScoredSheet } from './performance.ts';
import type { RehearsedPlan } from './plan.ts';
import { iccOf, kappaOf, trustOf } from './precision.ts';
import type { Measured, Trust } from './precision.ts';

/** What one rehearsal came to. */
export interface Rehearsal extends Dependence {
  /** Of all marks that two examiners gave, by nothing, part or all of the item. */
  readonly kappa: Measured | null;
  /** Of one examiner’s score of a performance, ICC(1,1). */
  readonly icc: Measured | null;
  /** What the mean over the stations must reach, in percent. */
  readonly cut: number | null;
  /** The standard error that the method itself says of it. */
  readonly cutError: number | null;
  readonly passed: number;
  /** Corrected correlation of each station with the rest. */
  readonly carries: readonly (number | null)[];
  /** Worked out for some rehearsals only. */
  readonly trust: Trust | null;
}

/**
 * Variance components of many sheets take as long as all the rest, and more, so they are worked out
 * of one in so many rehearsals: of every twentieth of a large plan, of every second or third of a small
 * one, whose dependability differs more from one to the next.
 */
function everyTrust({ candidates, stations }: RehearsedPlan): number {
  return Math.min(20, Math.max(2, Math.ceil((candidates * stations.length) / 72)));
}

/**
 * Plays the planned examination many times on simulated candidates and examiners, through the code
 * that scores sheets, measures agreement and sets the standard.
 *
 * Model: a candidate’s score at a station, as one examiner sees it, is
 *   station mean + carries x ability + performance - severity + seeing,
 * all normal with the standard deviations of the assumptions, cut off at 0 and 100. The examiner’s
 * marks give that score item by item: the easiest items are earned, in an order that each
 * performance has for itself and that both examiners of it see; a slip sets any other mark.
 * Severity, ability and the difficulty of items that nobody has marked yet are drawn anew in every
 * rehearsal.
 *
 * The same seed gives the same rehearsals. `from` and `count` take a part of them, so that several
 * threads can share the work. Throws `RangeError` where a station has no items.
 */
export function* rehearsals(
  plan: RehearsedPlan,
  assumptions: Assumptions,
  seed: number,
  { from, count }: { readonly from: number; readonly count: number },
): Generator<Rehearsal> {
  const stations = plan.stations.map(prepare);
  // Each has a stream of its own, so that which thread plays it makes no difference.
  const streams = seededStreams(seed, from);
  const every = everyTrust(plan);
  for (let i = from; i < from + count; i++) {
    yield rehearse(plan, stations, assumptions, streams.next().value, i % every === 0);
  }
}

function rehearse(
  plan: RehearsedPlan,
  stations: readonly PreparedStation[],
  assumptions: Assumptions,
  chance: Chance,
  withTrust: boolean,
): Rehearsal {
  const { candidates, examiners, settings } = plan;
  const drawn = (count: number, sd: number) =>
    Float64Array.from({ length: count }, () => sd * chance.normal());
  const ability = drawn(candidates, assumptions.ability);
  const severity = drawn(examiners, assumptions.severity);
  const scored = playSheets(plan, stations, { ability, severity }, assumptions, chance);

  const performances = byStation(scored, stations);
  const twice = performances.flatMap(({ station: { items }, rows }) =>
    rows.flatMap((sheets) => (sheets.length > 1 ? [{ items, pair: sheets }] : [])),
  );
  const records = performances.map(({ station, rows }) =>
    rows.map((sheets) => recordOf(station, sheets)),
  );

  const ids = Array.from({ length: candidates }, (_, i) => String(i));
  const n = stations.length;
  const data = plan.stations.map(({ id }, s) => ({ station: id, records: records[s] ?? [] }));
  const standard = setStandard(data, ids, settings);
  const cut = standard.examCut ? standard.examCut.total / n : null;
  const sem = standard.sem === null ? null : standard.sem / n;
  const errors = standard.stations.map(({ byMethod }) => byMethod.standardError);
  const percents = records.map((own) => new Map(own.map((r) => [r.candidate, r.percent])));
  const rows = ids.map((id) => percents.map((own) => own.get(id) ?? null));
  return {
    kappa: kappaOf(twice),
    icc: iccOf(twice),
    cut,
    cutError: errors.every((error) => error != null)
      ? Math.sqrt(errors.reduce<number>((sum, error) => sum + (error as number) ** 2, 0)) / n
      : null,
    passed: standard.passed,
    ...dependence(scored, severity, { cut, sem, candidates, stations: n }),
    carries: internalConsistency(rows).itemTotal.map((own) => own ?? null),
    trust: withTrust ? trustOf(scored, n) : null,
  };
}

/** The sheets of each station, gathered by candidate in their order. */
function byStation(
  scored: readonly ScoredSheet[],
  stations: readonly PreparedStation[],
): { readonly station: PreparedStation; readonly rows: readonly ScoredSheet[][] }[] {
  const all: ScoredSheet[][][] = stations.map(() => []);
  for (const sheet of scored) {
    const row = all[sheet.station] as ScoredSheet[][];
    (row[sheet.candidate] ??= []).push(sheet);
  }
  return stations.map((station, i) => ({ station, rows: (all[i] ?? []).filter(Boolean) }));
}

/** As the record of a candidate at a station is kept: means over the sheets, critical misses counted. */
function recordOf({ critical }: PreparedStation, sheets: readonly ScoredSheet[]): StationRecord {
  let [percent, grade] = [0, 0];
  for (const sheet of sheets) {
    percent += sheet.percent / sheets.length;
    grade += sheet.grade / sheets.length;
  }
  return {
    candidate: String(sheets[0]?.candidate),
    percent,
    grade,
    critical: critical.map((item) => ({
      item,
      observed: sheets.length,
      missed: sheets.filter(({ missed }) => missed.includes(item)).length,
    })),
  };
}
