import type { Chance } from '../numerics/random.ts';
import { belongsToVariant, usualVariants } from '../scoring/checklist.ts';
import type { ChecklistItem } from '../scoring/checklist.ts';
import type { Mark } from '../scoring/mark.ts';
import { FIVE_POINT_SCALE } from '../scoring/globalRating.ts';
import { rulesOf, scoreSheet } from '../scoring/scoreSheet.ts';
import type { Assumptions } from './assumptions.ts';
import type { RehearsedPlan, RehearsedSheet, RehearsedStation } from './plan.ts';
import { optionsOf } from './rehearsedItem.ts';
import type { Option } from './rehearsedItem.ts';

/** A sheet as an examiner of the rehearsal filled it in, scored. */
export interface ScoredSheet extends RehearsedSheet {
  readonly percent: number;
  readonly grade: number;
  /** Critical items that were seen and missed, by key. */
  readonly missed: readonly string[];
  readonly shares: Readonly<Record<string, number>>;
}

/** A station with all that does not change from rehearsal to rehearsal. */
export interface PreparedStation {
  readonly items: readonly ChecklistItem[];
  readonly weights: Float64Array;
  /** The sum of the weights. */
  readonly whole: number;
  /** In logits, as far as it is known; of the others the middle. */
  readonly difficulty: Float64Array;
  /** The items whose difficulty is drawn anew in each rehearsal, by place. */
  readonly unknown: readonly number[];
  /** Room for the chance by which a performance changes their order, and for what comes of it. */
  readonly lots: Int32Array;
  readonly met: Float64Array;
  /** Keys of the items whose miss fails the station. */
  readonly critical: readonly string[];
  readonly options: readonly (readonly Option[])[];
  readonly variants: ReturnType<typeof usualVariants>;
  readonly rules: ReturnType<typeof rulesOf>;
}

/** How far items change their order of difficulty from performance to performance: a standard deviation in logits. */
const ORDER = 1;
/** Whoever is fit to be examined misses what fails a station about so seldom (common practice, no source). */
const CRITICAL = 0.99;
/** The width of even chance with a standard deviation of 1. */
const EVEN = Math.sqrt(12);
const FINE = 2 ** 30;
/** A score of 40 % feels like grade 1, one of 95 % like grade 5 (common practice, no source). */
const GRADE = { from: 40, to: 95 };

/** Makes a station ready to be performed. Throws `RangeError` where it has no items. */
export function prepare({ content, mean, facilities }: RehearsedStation): PreparedStation {
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
    unknown: items.flatMap(({ key, criticality }, i) =>
      facilities[key] === undefined && criticality !== 'fails-station' ? i : [],
    ),
    lots: new Int32Array(items.length),
    met: new Float64Array(items.length),
    critical: items.flatMap(({ key, criticality }) => (criticality === 'fails-station' ? key : [])),
    options: items.map(optionsOf),
    variants,
    rules: rulesOf({ ...content, branches: [], order: [] }),
  };
}

/** The difficulty of an item in logits: of the share missed; nothing is quite sure. */
export function hardness(facility: number): number {
  const share = Math.min(0.999, Math.max(0.001, facility));
  return Math.log((1 - share) / share);
}

/** What somebody did at a station: the order in which its items come to them, and luck at the margin. */
interface Performed {
  readonly score: number;
  readonly order: Int32Array;
  readonly luck: number;
}

/**
 * Fills in and scores every sheet of the plan once. A performance is one and the same for all
 * examiners who see it. `ability` by candidate and `severity` by examiner are in percent.
 */
export function playSheets(
  { stations: asked, sheets }: RehearsedPlan,
  prepared: readonly PreparedStation[],
  { ability, severity }: { readonly ability: Float64Array; readonly severity: Float64Array },
  assumptions: Assumptions,
  chance: Chance,
): ScoredSheet[] {
  const stations = prepared.map((own) => drawnStation(own, assumptions.difficulty, chance));
  const performed = new Map<number, Performed>();
  const performanceOf = (candidate: number, station: number): Performed => {
    const key = candidate * stations.length + station;
    const known = performed.get(key);
    if (known) return known;
    const { mean, carries } = asked[station] as RehearsedStation;
    const order = orderMet(stations[station] as PreparedStation, chance);
    const score =
      mean + carries * (ability[candidate] as number) + assumptions.performance * chance.normal();
    const fresh = { score, order, luck: chance.uniform() };
    performed.set(key, fresh);
    return fresh;
  };
  return sheets.map(({ candidate, station: place, examiner, circuit }) => {
    const station = stations[place] as PreparedStation;
    const own = performanceOf(candidate, place);
    const harsh = severity[examiner] as number;
    const seen = own.score - harsh + assumptions.seeing * chance.normal();
    const marks = marksFor(station, seen, own, assumptions.slips, chance);
    const scored = scoreSheet(station.items, marks, station.variants, station.rules);
    return {
      candidate,
      station: place,
      examiner,
      circuit,
      percent: scored.percent ?? 0,
      missed: scored.critical.missed,
      shares: scored.shares,
      grade: gradeFor(seen, assumptions.grading, chance),
    };
  });
}

/** A station with a difficulty for each item that nobody has marked yet. */
function drawnStation(station: PreparedStation, sd: number, chance: Chance): PreparedStation {
  const difficulty = Float64Array.from(station.difficulty);
  for (const i of station.unknown) difficulty[i] = (difficulty[i] as number) + sd * chance.normal();
  return { ...station, difficulty };
}

/** The order in which the items of a station come to somebody, the easiest first. */
function orderMet({ difficulty, lots, met }: PreparedStation, chance: Chance): Int32Array {
  chance.fill(lots, FINE);
  for (let i = 0; i < met.length; i++) {
    const even = (lots[i] as number) / FINE - 0.5;
    met[i] = (difficulty[i] as number) + ORDER * EVEN * even;
  }
  return inOrder(met);
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

/** The marks by which an examiner says a score in percent: the easiest items are earned, in the order of the performance. */
function marksFor(
  { weights, whole, options, lots }: PreparedStation,
  seen: number,
  { order, luck }: Performed,
  slips: number,
  chance: Chance,
): Mark[] {
  let left = Math.min(1, Math.max(0, seen / 100)) * whole;
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

/** The global rating that goes with a score in percent, spread by `grading` grades. */
function gradeFor(seen: number, grading: number, chance: Chance): number {
  const felt = 1 + (4 * (seen - GRADE.from)) / (GRADE.to - GRADE.from);
  const grade = Math.round(felt + grading * chance.normal());
  return Math.min(FIVE_POINT_SCALE.length, Math.max(1, grade));
}
