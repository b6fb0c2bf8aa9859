import type { Interval, PlanningProblem } from './problem.ts';
import { laidOut, minutesOf, wavesOf } from './waves.ts';
import type { ExtraGroup, Wave } from './waves.ts';

/** A wave on its day, in its circuit, at its time. */
export interface PlacedWave extends Wave, Interval {
  readonly day: number;
  readonly circuit: number;
  /** Its place among the waves of that circuit and day, from 0. */
  readonly number: number;
}

/** A circuit on a day, with the candidates that it takes. */
interface Run {
  readonly day: number;
  readonly circuit: number;
  extra: readonly ExtraGroup[];
  candidates: number;
}

/**
 * When each circuit runs on each day, and for how many: as short as can be in all, on as few days
 * as hold everybody, the circuits of a day ending as near to one another as can be.
 *
 * Throws `RangeError` where the days do not hold everybody, saying how many they do, and what would.
 */
export function frameOf(problem: PlanningProblem): PlacedWave[] {
  const { days, candidates } = problem;
  if (candidates.length === 0) return [];
  const groups = extraGroups(problem);
  const mostIn = mostOf(problem);
  const inTime = [...days.keys()].sort((a, b) => (days[a]?.start ?? 0) - (days[b]?.start ?? 0));
  const longestFirst = [...inTime].sort((a, b) => lengthOf(days[b]) - lengthOf(days[a]));
  for (let used = 1; used <= days.length; used++) {
    // The first days of all where they hold everybody, or the longest.
    for (const order of [inTime, longestFirst]) {
      const chosen = order.slice(0, used).sort((a, b) => a - b);
      const runs = shared(problem, { used: chosen, groups, mostIn });
      if (runs) return runs.flatMap((run) => placed(problem, run));
    }
  }
  throw new RangeError(tooFew(problem, groups, mostIn));
}

/** Candidates with extra time in groups that a wave holds, those with the most together. */
function extraGroups({ candidates, stations, rests }: PlanningProblem): ExtraGroup[] {
  const size = stations.length + rests;
  const most = candidates
    .map(({ extraTime }) => extraTime)
    .filter((extraTime) => extraTime > 0)
    .sort((a, b) => b - a);
  const groups: ExtraGroup[] = [];
  for (let from = 0; from < most.length; from += size) {
    const own = most.slice(from, from + size);
    groups.push(own);
  }
  return groups;
}

/** Everybody shared out over these days; `null` where they do not hold them. */
function shared(
  problem: PlanningProblem,
  {
    used,
    groups,
    mostIn,
  }: {
    readonly used: readonly number[];
    readonly groups: readonly ExtraGroup[];
    readonly mostIn: MostIn;
  },
): Run[] | null {
  const { days, candidates, circuits } = problem;
  const runs: Run[] = used.flatMap((day) =>
    Array.from({ length: circuits }, (_, circuit) => ({ day, circuit, extra: [], candidates: 0 })),
  );
  // The most stretched wave first, each to the circuit that is stretched least so far.
  for (const group of groups) {
    const load = ({ extra }: Run) => extra.reduce((sum, own) => sum + 1 + (own[0] ?? 0), 0);
    const least = runs.reduce((best, run) => (load(run) < load(best) ? run : best));
    least.extra = [...least.extra, group];
  }
  const limit = new Map(used.map((day) => [day, lengthOf(days[day])]));
  const holds = ({ extra, day }: Run) => mostIn(extra, limit.get(day) ?? 0);
  const all = () => runs.reduce((sum, run) => sum + holds(run), 0);
  if (runs.some((run) => holds(run) < reserved(run)) || all() < candidates.length) return null;
  // All days as short as they can be together; then each, from the last, as short as it can be.
  const shorten = (some: readonly number[]) => {
    const caps = some.map((day) => limit.get(day) ?? 0);
    const enough = (minutes: number) => {
      for (const [i, day] of some.entries()) limit.set(day, Math.min(caps[i] ?? 0, minutes));
      return all() >= candidates.length && runs.every((run) => holds(run) >= reserved(run));
    };
    let [low, high] = [0, Math.max(...caps)];
    while (high - low > 1e-3) {
      const middle = (low + high) / 2;
      if (enough(middle)) high = middle;
      else low = middle;
    }
    enough(high);
  };
  shorten(used);
  for (const day of [...used].reverse()) shorten([day]);
  for (const run of runs) run.candidates = holds(run);
  relieve(problem, runs);
  return runs;
}

/** Takes out again what the circuits hold beyond the candidates, where a circuit runs longest. */
function relieve(problem: PlanningProblem, runs: readonly Run[]): void {
  const minutes = (run: Run) => minutesOf(problem, wavesOf(problem, run.candidates, run.extra));
  let over = runs.reduce((sum, run) => sum + run.candidates, 0) - problem.candidates.length;
  for (; over > 0; over--) {
    const spare = runs.filter((run) => run.candidates > reserved(run));
    const fullest = spare.reduce((best, run) => {
      const [own, other] = [minutes(run), minutes(best)];
      return own > other || (own === other && run.candidates >= best.candidates) ? run : best;
    });
    fullest.candidates--;
  }
}

function reserved({ extra }: Run): number {
  return extra.reduce((sum, group) => sum + group.length, 0);
}

/** How many a circuit with these groups takes within so many minutes. */
type MostIn = (extra: readonly ExtraGroup[], minutes: number) => number;

/** Days of one length with the same groups are asked about again and again. */
function mostOf(problem: PlanningProblem): MostIn {
  const known = new Map<string, number>();
  return (extra, minutes) => {
    const key = `${minutes} ${JSON.stringify(extra)}`;
    const most = known.get(key) ?? searched(problem, extra, minutes);
    known.set(key, most);
    return most;
  };
}

function searched(problem: PlanningProblem, extra: readonly ExtraGroup[], minutes: number): number {
  const fits = (candidates: number) =>
    minutesOf(problem, wavesOf(problem, candidates, extra)) <= minutes + 1e-6;
  let [low, high] = [0, problem.candidates.length];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (fits(middle)) low = middle;
    else high = middle - 1;
  }
  return low;
}

function placed(problem: PlanningProblem, { day, circuit, candidates, extra }: Run): PlacedWave[] {
  const begin = problem.days[day]?.start ?? 0;
  return laidOut(problem, wavesOf(problem, candidates, extra)).map((wave, number) => {
    const rounds = wave.rounds.map(({ start, end }) => ({
      start: begin + start,
      end: begin + end,
    }));
    const [start, end] = [rounds[0]?.start ?? begin, rounds.at(-1)?.end ?? begin];
    return { ...wave, day, circuit, number, rounds, start, end };
  });
}

function lengthOf(day: Interval | undefined): number {
  return day ? day.end - day.start : 0;
}

function tooFew(problem: PlanningProblem, groups: readonly ExtraGroup[], mostIn: MostIn): string {
  const { candidates, circuits, days } = problem;
  const held = days.reduce((sum, day) => sum + circuits * mostIn([], lengthOf(day)), 0);
  const share = Math.ceil(candidates.length / (circuits * days.length));
  const shortest = Math.min(...days.map(lengthOf));
  const needed = minutesOf(problem, wavesOf(problem, share, groups.slice(0, 1)));
  return (
    `${candidates.length} candidates do not fit: the days hold ${held}` +
    `${groups.length > 0 ? ', and extra time takes of that' : ''}. ` +
    `Days of ${Math.ceil(needed)} minutes each (the shortest has ${Math.floor(shortest)}), ` +
    'a circuit or a day more would hold them.'
  );
}
