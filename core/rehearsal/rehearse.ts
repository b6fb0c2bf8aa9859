import { cohenKappa } from '../agreement/cohenKappa.ts';
import { fromCounts } from '../agreement/crossTable.ts';
import type { Chance } from '../numerics/random.ts';
import { seededChance } from '../numerics/random.ts';
import { dStudy } from '../reliability/dStudy.ts';
import { examinationTrust } from '../reliability/examinationTrust.ts';
import type { SheetScorePoint } from '../reliability/examinationTrust.ts';
import { internalConsistency } from '../reliability/internalConsistency.ts';
import { intraclass } from '../reliability/intraclass.ts';
import { usualVariants } from '../scoring/checklist.ts';
import type { ChecklistContent, ChecklistItem } from '../scoring/checklist.ts';
import { belongsToVariant } from '../scoring/checklist.ts';
import { FIVE_POINT_SCALE } from '../scoring/globalRating.ts';
import { rulesOf, scoreSheet } from '../scoring/scoreSheet.ts';
import type { Mark } from '../scoring/mark.ts';
import { setStandard } from '../standards/setStandard.ts';
import type { StandardSettings, StationRecord } from '../standards/setStandard.ts';
import type { Assumptions } from './assumptions.ts';
import { optionsOf } from './rehearsedItem.ts';
import type { Option } from './rehearsedItem.ts';

/** A station as it is rehearsed. */
export interface RehearsedStation {
  readonly id: string;
  readonly content: ChecklistContent;
  /** The mean score in percent that candidates are supposed to have. */
  readonly mean: number;
  /** How far ability tells here: 1 as at the usual station, 0 not at all. */
  readonly carries: number;
  /** The share that each item earns on average, by key; the rest are as the station is. */
  readonly facilities: Readonly<Record<string, number>>;
}

/** Who marks whom, where, in which circuit. */
export interface RehearsedSheet {
  readonly candidate: number;
  readonly station: number;
  readonly examiner: number;
  readonly circuit: number;
}

/** The examination that is rehearsed: stations, and the sheets as they are planned. */
export interface RehearsedPlan {
  readonly stations: readonly RehearsedStation[];
  readonly candidates: number;
  readonly examiners: number;
  readonly sheets: readonly RehearsedSheet[];
  readonly settings: StandardSettings;
}

/** An interval’s middle and half of its width. */
export interface Measured {
  readonly estimate: number;
  readonly halfWidth: number | null;
}

/** What one rehearsal came to. */
export interface Rehearsal {
  /** Of all marks that two examiners gave, by nothing, part or all of the item. */
  readonly kappa: Measured | null;
  /** Of one examiner’s score of a performance, ICC(1,1). */
  readonly icc: Measured | null;
  /** What the mean over the stations must reach, in percent. */
  readonly cut: number | null;
  /** The standard error that the method itself says of it. */
  readonly cutError: number | null;
  readonly passed: number;
  /** Candidates within a standard error of measurement of the cut. */
  readonly borderline: number;
  /** Those of them whom another examiner at every station would have put on the other side. */
  readonly byExaminer: number;
  /** Those whom another circuit would have; `null` with one circuit. */
  readonly byCircuit: number | null;
  /** Corrected correlation of each station with the rest. */
  readonly carries: readonly (number | null)[];
  /** Of the examination as planned, and with a station more; worked out for some rehearsals only. */
  readonly trust: {
    readonly dependability: number | null;
    readonly sem: number;
    readonly withOneMore: number | null;
  } | null;
}

interface PreparedStation {
  readonly items: readonly ChecklistItem[];
  readonly weights: Float64Array;
  readonly whole: number;
  /** In logits. */
  readonly difficulty: Float64Array;
  /** Room for the chance by which a performance changes their order. */
  readonly met: Int32Array;
  readonly options: readonly (readonly Option[])[];
  readonly variants: ReturnType<typeof usualVariants>;
  readonly rules: ReturnType<typeof rulesOf>;
}

/** How far items change their order of difficulty from performance to performance: a standard deviation in logits. */
const ORDER = 1;
/** Whoever is fit to be examined misses what fails a station about so seldom (common practice, no source). */
const CRITICAL = 0.99;
/** Variance components take as long as all the rest; they are worked out of so many rehearsals only. */
const EVERY_TRUST = 20;
/** The width of even chance with a standard deviation of 1. */
const EVEN = Math.sqrt(12);
const FINE = 2 ** 30;
/** A score of 40 % feels like grade 1, one of 95 % like grade 5 (common practice, no source). */
const GRADE = { from: 40, to: 95 };

/**
 * Plays the planned examination many times on simulated candidates and examiners, through the code
 * that scores sheets, measures agreement and sets the standard.
 *
 * Model: a candidate’s score at a station, as one examiner sees it, is
 *   station mean + carries x ability + performance - severity + seeing,
 * all normal with the standard deviations of the assumptions, cut off at 0 and 100. The examiner’s
 * marks give that score item by item: the easiest items are earned, in an order that each
 * performance has for itself and that both examiners of it see; a slip sets any other mark.
 * Severity and ability are drawn anew in every rehearsal.
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
  for (let i = from; i < from + count; i++) {
    // Each has a seed of its own, so that which thread plays it makes no difference.
    yield rehearse(
      plan,
      stations,
      assumptions,
      seededChance(seed * 7919 + i),
      i % EVERY_TRUST === 0,
    );
  }
}

function prepare({ content, mean, facilities }: RehearsedStation): PreparedStation {
  const variants = usualVariants(content);
  const items = content.items.filter((item) => belongsToVariant(item, variants));
  if (items.length === 0) throw new RangeError('A station has no items to rehearse.');
  return {
    items,
    weights: Float64Array.from(items, ({ weight }) => weight),
    whole: items.reduce((sum, { weight }) => sum + weight, 0),
    difficulty: Float64Array.from(items, ({ key, criticality }) =>
      hardness(facilities[key] ?? (criticality === 'fails-station' ? CRITICAL : mean / 100)),
    ),
    met: new Int32Array(items.length),
    options: items.map(optionsOf),
    variants,
    rules: rulesOf({ ...content, branches: [], order: [] }),
  };
}

/** The logit of a share missed; nothing is quite sure. */
function hardness(facility: number): number {
  const share = Math.min(0.999, Math.max(0.001, facility));
  return Math.log((1 - share) / share);
}

/** What somebody did at a station: the order in which its items come to them, and luck at the margin. */
interface Performed {
  readonly score: number;
  readonly order: Int32Array;
  readonly luck: number;
}

function rehearse(
  { stations: asked, candidates, examiners, sheets, settings }: RehearsedPlan,
  stations: readonly PreparedStation[],
  assumptions: Assumptions,
  chance: Chance,
  withTrust: boolean,
): Rehearsal {
  const drawn = (count: number, sd: number) =>
    Float64Array.from({ length: count }, () => sd * chance.normal());
  const ability = drawn(candidates, assumptions.ability);
  const severity = drawn(examiners, assumptions.severity);
  const performed = new Map<number, Performed>();
  const performanceOf = (candidate: number, station: number): Performed => {
    const key = candidate * stations.length + station;
    const known = performed.get(key);
    if (known) return known;
    const { mean, carries } = asked[station] as RehearsedStation;
    const { difficulty, met: lots } = stations[station] as PreparedStation;
    chance.fill(lots, FINE);
    const met = difficulty.map((d, i) => d + ORDER * EVEN * ((lots[i] as number) / FINE - 0.5));
    const order = inOrder(met);
    const score =
      mean + carries * (ability[candidate] as number) + assumptions.performance * chance.normal();
    const fresh = { score, order, luck: chance.uniform() };
    performed.set(key, fresh);
    return fresh;
  };

  const scored = sheets.map((sheet) => {
    const station = stations[sheet.station] as PreparedStation;
    const own = performanceOf(sheet.candidate, sheet.station);
    const seen =
      own.score - (severity[sheet.examiner] as number) + assumptions.seeing * chance.normal();
    const marks = marksFor(
      station,
      Math.min(1, Math.max(0, seen / 100)),
      own,
      assumptions.slips,
      chance,
    );
    const { percent, critical, shares } = scoreSheet(
      station.items,
      marks,
      station.variants,
      station.rules,
    );
    const felt = 1 + (4 * (seen - GRADE.from)) / (GRADE.to - GRADE.from);
    const grade = Math.round(felt + assumptions.grading * chance.normal());
    return {
      candidate: sheet.candidate,
      station: sheet.station,
      examiner: sheet.examiner,
      circuit: sheet.circuit,
      percent: percent ?? 0,
      missed: critical.missed,
      shares,
      grade: Math.min(FIVE_POINT_SCALE.length, Math.max(1, grade)),
    };
  });

  type Scored = (typeof scored)[number];
  const byPlace: (Scored[] | undefined)[][] = asked.map(() => []);
  for (const sheet of scored) {
    const row = byPlace[sheet.station] as (Scored[] | undefined)[];
    (row[sheet.candidate] ??= []).push(sheet);
  }
  const twice = byPlace.flatMap((row, station) =>
    row.flatMap((pair) => (pair && pair.length > 1 ? [{ station, pair }] : [])),
  );
  const ids = Array.from({ length: candidates }, (_, i) => String(i));
  const records = byPlace.map((row, s) =>
    row.flatMap((own, c) =>
      own ? [recordOf(String(c), own, stations[s] as PreparedStation)] : [],
    ),
  );
  const data = asked.map(({ id }, s) => ({ station: id, records: records[s] ?? [] }));
  const standard = setStandard(data, ids, settings);
  const n = asked.length;
  const cut = standard.examCut ? standard.examCut.total / n : null;
  const errors = standard.stations.map(({ byMethod }) => byMethod.standardError);
  const percents = records.map((own) => new Map(own.map((r) => [r.candidate, r.percent])));
  const rows = ids.map((id) => percents.map((own) => own.get(id) ?? null));
  return {
    kappa: kappaOf(
      twice.map(({ station, pair }) => ({ items: stations[station]?.items ?? [], pair })),
    ),
    icc: iccOf(twice.map(({ pair }) => pair)),
    cut,
    cutError: errors.every((error) => error != null)
      ? Math.sqrt(errors.reduce<number>((sum, error) => sum + (error as number) ** 2, 0)) / n
      : null,
    passed: standard.passed,
    ...dependence(scored, severity, {
      cut,
      sem: standard.sem === null ? null : standard.sem / n,
      candidates,
      n,
    }),
    carries: internalConsistency(rows).itemTotal.map((own) => own ?? null),
    trust: withTrust ? trustOf(scored, n) : null,
  };
}

/** The places of values from the least to the greatest; by insertion, since a checklist is short. */
function inOrder(values: Float64Array): Int32Array {
  const order = new Int32Array(values.length);
  for (let i = 0; i < values.length; i++) {
    const value = values[i] as number;
    let at = i;
    while (at > 0 && (values[order[at - 1] as number] as number) > value) {
      order[at] = order[at - 1] as number;
      at--;
    }
    order[at] = i;
  }
  return order;
}

/** The marks by which an examiner says a score: the easiest items are earned, in the order of the performance. */
function marksFor(
  { weights, whole, options, met: lots }: PreparedStation,
  score: number,
  { order, luck }: Performed,
  slips: number,
  chance: Chance,
): Mark[] {
  let left = score * whole;
  const slip = slips * FINE;
  chance.fill(lots, FINE);
  const marks: Mark[] = [];
  for (const i of order) {
    const own = options[i] as readonly Option[];
    const weight = weights[i] as number;
    let place = 0;
    if (left >= weight) place = own.length - 1;
    else if (left > 0) {
      // At the margin an item is earned so far that the mean score is the one that is meant.
      const wanted = left / weight;
      while (place + 1 < own.length && (own[place + 1] as Option).share <= wanted) place++;
      const below = (own[place] as Option).share;
      const above = own[place + 1]?.share ?? below;
      if (above > below && luck < (wanted - below) / (above - below)) place++;
    }
    left -= weight;
    if ((lots[i] as number) < slip) place = chance.below(own.length);
    marks.push((own[place] as Option).mark);
  }
  return marks;
}

interface ScoredSheet {
  readonly percent: number;
  readonly grade: number;
  readonly missed: readonly string[];
  readonly shares: Readonly<Record<string, number>>;
}

/** As the record of a candidate at a station is kept: means over the sheets, critical misses counted. */
function recordOf(
  candidate: string,
  sheets: readonly ScoredSheet[],
  { items }: PreparedStation,
): StationRecord {
  const mean = (of: (sheet: ScoredSheet) => number) =>
    sheets.reduce((sum, sheet) => sum + of(sheet), 0) / sheets.length;
  return {
    candidate,
    percent: mean(({ percent }) => percent),
    grade: mean(({ grade }) => grade),
    critical: items
      .filter(({ criticality }) => criticality === 'fails-station')
      .map(({ key }) => ({
        item: key,
        observed: sheets.length,
        missed: sheets.filter(({ missed }) => missed.includes(key)).length,
      })),
  };
}

const PARTS = ['none', 'part', 'all'] as const;

function kappaOf(
  twice: readonly {
    readonly items: readonly ChecklistItem[];
    readonly pair: readonly ScoredSheet[];
  }[],
): Measured | null {
  if (twice.length === 0) return null;
  const counts = PARTS.map(() => PARTS.map(() => 0));
  const part = (share: number) => (share === 0 ? 0 : share === 1 ? 2 : 1);
  for (const { items, pair } of twice) {
    for (const { key } of items) {
      const [first, second] = [pair[0]?.shares[key], pair[1]?.shares[key]];
      if (first === undefined || second === undefined) continue;
      const row = counts[part(first)] as number[];
      row[part(second)] = (row[part(second)] as number) + 1;
    }
  }
  return measured(cohenKappa(fromCounts([...PARTS], counts)));
}

function iccOf(pairs: readonly (readonly ScoredSheet[])[]): Measured | null {
  if (pairs.length < 2) return null;
  const { forms } = intraclass(pairs.map((pair) => pair.slice(0, 2).map(({ percent }) => percent)));
  return measured(forms.ICC11);
}

function measured({
  estimate,
  lower,
  upper,
}: {
  readonly estimate: number | null;
  readonly lower?: number | null;
  readonly upper?: number | null;
}): Measured | null {
  if (estimate === null) return null;
  return { estimate, halfWidth: lower == null || upper == null ? null : (upper - lower) / 2 };
}

/**
 * How many of the borderline candidates stand where they stand by whom they met: an examiner of no
 * severity at every station, or those of another circuit, would have put them on the other side.
 */
function dependence(
  scored: readonly (RehearsedSheet & { readonly percent: number })[],
  severity: Float64Array,
  {
    cut,
    sem,
    candidates,
    n,
  }: {
    readonly cut: number | null;
    readonly sem: number | null;
    readonly candidates: number;
    readonly n: number;
  },
): Pick<Rehearsal, 'borderline' | 'byExaminer' | 'byCircuit'> {
  const circuits = [...new Set(scored.map(({ circuit }) => circuit))];
  const nothing = { borderline: 0, byExaminer: 0, byCircuit: circuits.length > 1 ? 0 : null };
  if (cut === null || sem === null) return nothing;
  // Means over the sheets of a candidate at a station, and of a station in a circuit.
  const score = new Means(candidates * n);
  const own = new Means(candidates * n);
  const there = new Means(circuits.length * n);
  const circuitOf = new Int32Array(candidates).fill(-1);
  for (const { candidate, station, examiner, circuit, percent } of scored) {
    const harsh = severity[examiner] as number;
    score.add(candidate * n + station, percent);
    own.add(candidate * n + station, harsh);
    const stands = circuits.indexOf(circuit);
    there.add(stands * n + station, harsh);
    circuitOf[candidate] = stands;
  }
  const passes = (total: number) => total >= cut;
  let [borderline, byExaminer, byCircuit] = [0, 0, 0];
  for (const [candidate, circuit] of circuitOf.entries()) {
    const total = score.over(candidate * n, n);
    const met = own.over(candidate * n, n);
    if (total === null || met === null || Math.abs(total - cut) > sem) continue;
    borderline++;
    const elsewhere = (severe: number) => passes(total + met - severe) !== passes(total);
    if (elsewhere(0)) byExaminer++;
    const others = circuits.map((_, c) => (c === circuit ? null : there.over(c * n, n)));
    if (others.some((severe) => severe !== null && elsewhere(severe))) byCircuit++;
  }
  return { borderline, byExaminer, byCircuit: circuits.length > 1 ? byCircuit : null };
}

/** Means by place, and over a row of places that all have one. */
class Means {
  private readonly sums: Float64Array;
  private readonly counts: Int32Array;

  constructor(places: number) {
    this.sums = new Float64Array(places);
    this.counts = new Int32Array(places);
  }

  add(place: number, value: number): void {
    this.sums[place] = (this.sums[place] as number) + value;
    this.counts[place] = (this.counts[place] as number) + 1;
  }

  over(from: number, length: number): number | null {
    let sum = 0;
    for (let place = from; place < from + length; place++) {
      const count = this.counts[place] as number;
      if (count === 0) return null;
      sum += (this.sums[place] as number) / count;
    }
    return sum / length;
  }
}

function trustOf(
  scored: readonly (RehearsedSheet & { readonly percent: number })[],
  stations: number,
): Rehearsal['trust'] {
  const points: SheetScorePoint[] = scored.map(({ candidate, station, percent }) => ({
    candidate,
    station,
    percent,
  }));
  const { held, shares } = examinationTrust(points, { stations });
  if (!held) return null;
  const named: Record<string, string> = { examiner: 'residual', rest: 'residual' };
  const components = Object.fromEntries(
    shares.map(({ source, variance }) => [named[source] ?? source, variance]),
  );
  const more = dStudy(components, { ...held.sizes, station: stations + 1 });
  return {
    dependability: held.dependability,
    sem: held.sem,
    withOneMore: more.dependability,
  };
}
