import { groupBy } from '../numerics/groupBy.ts';
import type { PlacedWave } from './frame.ts';
import { isAvailable, mayExamine } from './problem.ts';
import type { Interval, PlannedCandidate, PlannedExaminer, PlanningProblem } from './problem.ts';
import { solve } from './programme.ts';
import type { Budget, Row } from './programme.ts';

/** Who examines where, and who begins in which wave; by the places in the lists. */
export interface Staffing {
  /** For each wave, the examiner of each station; `null` where nobody is free for all of it. */
  readonly examiners: readonly (readonly (number | null)[])[];
  /** For each wave, the candidates in the order in which they begin. */
  readonly candidates: readonly (readonly number[])[];
  readonly byClock: boolean;
}

/** An examiner at a station for some waves of a circuit, one after the other. */
interface Shift {
  readonly name: string;
  readonly examiner: number;
  readonly station: number;
  readonly waves: readonly number[];
}

// A station without an examiner is worse than a conflict to be relieved, and both are worse than
// any number of changes of examiner.
const UNFILLED = 10_000;
const UNPLACED = 1_000;
const SHIFT = 10;

/**
 * Examiners for every station of every wave, and candidates with extra time or conflicts in waves
 * where nobody marks them who must not; a small integer programme. Everybody else fills what is
 * left, in their order. An examiner stays at a station for as many waves as can be: a change costs.
 */
export async function staffed(
  problem: PlanningProblem,
  waves: readonly PlacedWave[],
  budget: Budget,
): Promise<Staffing> {
  const began = Date.now();
  const whole = await staffedBy(problem, waves, longShifts(problem, waves), budget);
  const gaps = whole.examiners.some((own) => own.includes(null)) || whole.unplaced;
  if (!gaps || waves.length < 2) return whole;
  // Somebody who is there for a wave only, or changes the station, may fill what is open.
  const shifts = [...longShifts(problem, waves), ...singleShifts(problem, waves)];
  const seconds = Math.max(0.1, budget.seconds - (Date.now() - began) / 1000);
  const finer = await staffedBy(problem, waves, dedupe(shifts), { ...budget, seconds });
  // A search that the clock stopped may have found less.
  const better = open(finer) < open(whole) ? finer : whole;
  return { ...better, byClock: whole.byClock || finer.byClock };
}

/** Stations without an examiner, and whether somebody is placed where they should not be. */
function open({ examiners, unplaced }: Staffing & { readonly unplaced: boolean }): number {
  const empty = examiners.flat().filter((examiner) => examiner === null).length;
  return empty + (unplaced ? 0.5 : 0);
}

async function staffedBy(
  problem: PlanningProblem,
  waves: readonly PlacedWave[],
  shifts: readonly Shift[],
  budget: Budget,
): Promise<Staffing & { readonly unplaced: boolean }> {
  const { stations, candidates } = problem;
  const programme: Asked = { costs: new Map(shifts.map(({ name }) => [name, SHIFT])), rows: [] };
  everyStationHasOne(programme, problem, waves, shifts);
  nobodyInTwoPlaces(programme, problem, waves, shifts);
  const restricted = candidates.flatMap((one, c) =>
    one.extraTime > 0 || one.conflicts.length > 0 ? [c] : [],
  );
  for (const c of restricted) placedWithoutConflict(programme, problem, waves, shifts, c);
  noMoreThanPlaces(programme, problem, waves, restricted);

  const { chosen, byClock } = await solve(programme, budget);
  const held = waves.map(() => Array.from<number | null>({ length: stations.length }).fill(null));
  for (const { name, examiner, station, waves: own } of shifts) {
    if (!chosen.has(name)) continue;
    for (const w of own) {
      const posts = held[w];
      if (posts && posts[station] === null) posts[station] = examiner;
    }
  }
  const placed = waves.map((_, w) => restricted.filter((c) => chosen.has(inWave(c, w))));
  const { filled, unplaced } = fill(candidates, waves, placed);
  return { examiners: held, candidates: filled, byClock, unplaced };
}

/** The programme while it is being asked. */
interface Asked {
  readonly costs: Map<string, number>;
  readonly rows: Row[];
}

/** The choice that a candidate begins in a wave. */
const inWave = (c: number, w: number) => `in ${c} ${w}`;

function everyStationHasOne(
  { costs, rows }: Asked,
  { stations }: PlanningProblem,
  waves: readonly PlacedWave[],
  shifts: readonly Shift[],
): void {
  const held = shifts.flatMap((shift) => shift.waves.map((w) => ({ shift, w })));
  const there = groupBy(held, ({ shift, w }) => `${w} ${shift.station}`);
  for (const w of waves.keys()) {
    for (const s of stations.keys()) {
      const open = `open ${w} ${s}`;
      costs.set(open, UNFILLED);
      const own = (there.get(`${w} ${s}`) ?? []).map(({ shift }) => shift);
      rows.push({ terms: [...terms(own), [1, open]], is: '>=', value: 1 });
    }
  }
}

/** At the beginning of every wave at most one shift of an examiner runs. */
function nobodyInTwoPlaces(
  { rows }: Asked,
  { examiners }: PlanningProblem,
  waves: readonly PlacedWave[],
  shifts: readonly Shift[],
): void {
  const timed = shifts.map((shift) => ({ shift, ...hoursOf(shift, waves) }));
  const byExaminer = groupBy(timed, ({ shift }) => shift.examiner);
  for (const e of examiners.keys()) {
    const own = byExaminer.get(e) ?? [];
    for (const { start: at } of waves) {
      const then = own.filter(({ start, end }) => start <= at && at < end);
      if (then.length > 1) {
        rows.push({ terms: terms(then.map(({ shift }) => shift)), is: '<=', value: 1 });
      }
    }
  }
}

/** A candidate begins in one wave that has their time, and where nobody marks who must not. */
function placedWithoutConflict(
  { costs, rows }: Asked,
  { candidates, examiners }: PlanningProblem,
  waves: readonly PlacedWave[],
  shifts: readonly Shift[],
  c: number,
): void {
  const conflicts = candidates[c]?.conflicts ?? [];
  const nowhere = `nowhere ${c}`;
  costs.set(nowhere, UNPLACED);
  const possible = waves.flatMap((wave, w) =>
    longPlaces(wave, extraOf(candidates, c)) > 0 ? [w] : [],
  );
  for (const w of possible) costs.set(inWave(c, w), 0);
  const somewhere = possible.map((w) => [1, inWave(c, w)] as const);
  rows.push({ terms: [...somewhere, [1, nowhere]], is: '=', value: 1 });
  for (const [e, { id }] of examiners.entries()) {
    if (!conflicts.includes(id)) continue;
    for (const w of possible) {
      const marks = shifts.filter((one) => one.examiner === e && one.waves.includes(w));
      if (marks.length === 0) continue;
      rows.push({ terms: [...terms(marks), [1, inWave(c, w)]], is: '<=', value: 1 });
    }
  }
}

/** A wave has so many places, and so many of them with as much extra time. */
function noMoreThanPlaces(
  { costs, rows }: Asked,
  { candidates }: PlanningProblem,
  waves: readonly PlacedWave[],
  restricted: readonly number[],
): void {
  const shares = new Set([0, ...restricted.map((c) => extraOf(candidates, c))]);
  for (const [w, wave] of waves.entries()) {
    for (const share of shares) {
      const own = restricted.filter(
        (c) => extraOf(candidates, c) >= share && costs.has(inWave(c, w)),
      );
      const value = longPlaces(wave, share);
      rows.push({ terms: own.map((c) => [1, inWave(c, w)]), is: '<=', value });
    }
  }
}

/** Everybody who has no place yet takes the next that is free, in the order of the waves' times. */
function fill(
  candidates: readonly PlannedCandidate[],
  waves: readonly PlacedWave[],
  placed: readonly (readonly number[])[],
): { filled: number[][]; unplaced: boolean } {
  const filled = placed.map((own) => [...own]);
  const seated = new Set(placed.flat());
  const left = candidates.flatMap((_, c) => (seated.has(c) ? [] : [c]));
  const byTime = waves
    .map((_, w) => w)
    .sort((a, b) => startOf(waves, a) - startOf(waves, b) || a - b);
  // Those with extra time need a place that has it, so they choose first.
  const waiting = [...left].sort(
    (a, b) => extraOf(candidates, b) - extraOf(candidates, a) || a - b,
  );
  for (let c = waiting.shift(); c !== undefined; c = waiting.shift()) {
    const share = extraOf(candidates, c);
    const isFree = (w: number) => (filled[w]?.length ?? 0) < (waves[w]?.taken ?? 0);
    const hasLong = (w: number) => {
      const held = (filled[w] ?? []).filter((other) => extraOf(candidates, other) >= share);
      return held.length < longPlaces(waves[w], share);
    };
    const long = byTime.filter(hasLong);
    const free = long.find(isFree);
    const own = filled[free ?? long[0] ?? -1];
    if (!own) continue;
    own.push(c);
    if (free !== undefined) continue;
    // The place is held by somebody who needs less: they look for another.
    const least = own.reduce((one, other) =>
      extraOf(candidates, other) < extraOf(candidates, one) ? other : one,
    );
    own.splice(own.indexOf(least), 1);
    waiting.unshift(least);
  }
  // Who has most extra time begins at the first places: the bells wait for these.
  for (const own of filled) {
    own.sort((a, b) => extraOf(candidates, b) - extraOf(candidates, a) || a - b);
  }
  return { filled, unplaced: left.some((c) => (candidates[c]?.conflicts.length ?? 0) > 0) };
}

/** How many places of a wave have as much extra time. */
function longPlaces(wave: PlacedWave | undefined, share: number): number {
  if (!wave) return 0;
  return share === 0 ? wave.taken : wave.extra.filter((own) => own >= share).length;
}

const startOf = (waves: readonly PlacedWave[], w: number) => waves[w]?.start ?? 0;
const extraOf = (candidates: readonly PlannedCandidate[], c: number) =>
  candidates[c]?.extraTime ?? 0;

/** For each examiner and station of a circuit and day, the longest run of waves that they are there for. */
function longShifts(problem: PlanningProblem, waves: readonly PlacedWave[]): Shift[] {
  const runs = new Map<string, number[]>();
  for (const [w, { day, circuit }] of waves.entries()) {
    const key = `${day} ${circuit}`;
    runs.set(key, [...(runs.get(key) ?? []), w]);
  }
  return [...runs.values()].flatMap((own) =>
    eligible(problem).flatMap(({ examiner, station }) => {
      const held = longestRun(own, (w) => isThere(problem.examiners[examiner], waves[w]));
      return held.length > 0 ? [shift(examiner, station, held)] : [];
    }),
  );
}

function singleShifts(problem: PlanningProblem, waves: readonly PlacedWave[]): Shift[] {
  return waves.flatMap((wave, w) =>
    eligible(problem).flatMap(({ examiner, station }) =>
      isThere(problem.examiners[examiner], wave) ? [shift(examiner, station, [w])] : [],
    ),
  );
}

function eligible({ examiners, stations }: PlanningProblem) {
  return examiners.flatMap((one, examiner) =>
    stations.flatMap(({ id }, station) => (mayExamine(one, id) ? [{ examiner, station }] : [])),
  );
}

function isThere(examiner: PlannedExaminer | undefined, wave: PlacedWave | undefined): boolean {
  const [first, last] = [wave?.rounds[0], wave?.rounds.at(-1)];
  if (!examiner || !first || !last) return false;
  return isAvailable(examiner.available, { start: first.start, end: last.end });
}

function shift(examiner: number, station: number, waves: readonly number[]): Shift {
  return { name: `shift ${examiner} ${station} ${waves.join('-')}`, examiner, station, waves };
}

function dedupe(shifts: readonly Shift[]): Shift[] {
  return [...new Map(shifts.map((one) => [one.name, one])).values()];
}

function longestRun(waves: readonly number[], holds: (w: number) => boolean): number[] {
  let best: number[] = [];
  let run: number[] = [];
  for (const w of waves) {
    run = holds(w) ? [...run, w] : [];
    if (run.length > best.length) best = run;
  }
  return best;
}

function hoursOf({ waves: held }: Shift, waves: readonly PlacedWave[]): Interval {
  const [first, last] = [waves[held[0] ?? -1], waves[held.at(-1) ?? -1]];
  return { start: first?.start ?? 0, end: last?.end ?? 0 };
}

function terms(shifts: readonly Shift[]): (readonly [number, string])[] {
  return shifts.map(({ name }) => [1, name] as const);
}
