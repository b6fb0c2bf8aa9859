import { changed } from '@kritikos/core/timetable/changes';
import { faultsIn, newFaults } from '@kritikos/core/timetable/faults';
import { planDay } from '@kritikos/core/timetable/planDay';
import type { PlanningProblem, Slot } from '@kritikos/core/timetable/problem';
import { quantile, report } from './report.ts';

const BUDGET = { seed: 7, nodes: 2_000, seconds: 60 };
const DAY = 24 * 60;

/** Plans of the sizes that are promised, with a tenth of the examiners in conflict with somebody. */
export async function benchTimetable(): Promise<void> {
  const day = problemOf(240, 1, 16);
  changeByHand(day, await plan(day, 5));
  await plan(problemOf(600, 4, 12), 30);
  // As many as the command takes, by whoever is in a hurry: the search ends after three seconds.
  await plan(problemOf(2_000, 14, 12), 15, { ...BUDGET, seconds: 3 });
}

async function plan(
  problem: PlanningProblem,
  promised: number,
  budget = BUDGET,
): Promise<readonly Slot[]> {
  const started = performance.now();
  const { slots, length, bound, unmet } = await planDay(problem, budget);
  const seconds = (performance.now() - started) / 1000;
  const { candidates, stations, circuits, days } = problem;
  report(
    `${candidates.length} candidates, ${stations.length} stations, ${circuits} circuits, ${days.length} days: planned`,
    seconds,
    promised,
    's',
  );
  report('the length of its days, of the bound', length / bound, 1.05, '');
  if (unmet.length > 0) console.log(`not met: ${unmet.length}, first: ${unmet[0]?.why}`);
  return slots;
}

/** What the board does while something is held over a place: the plan after it, and what it brings. */
function changeByHand(problem: PlanningProblem, slots: readonly Slot[]): void {
  const before = faultsIn(problem, slots);
  const names = problem.candidates.map(({ id }) => id);
  const times = Array.from({ length: 60 }, (_, i) => {
    const change = {
      kind: 'exchange',
      one: names[(7 * i) % names.length] ?? '',
      other: names[(11 * i + 3) % names.length] ?? '',
    } as const;
    const started = performance.now();
    newFaults(before, faultsIn(problem, changed(problem, slots, change)));
    return performance.now() - started;
  });
  report('a change by hand judged, median', quantile(times, 0.5), 50, 'ms');
  report('a change by hand judged, 95th of 100', quantile(times, 0.95), 50, 'ms');
}

function problemOf(candidates: number, days: number, hours: number): PlanningProblem {
  const [stations, circuits, examiners] = [16, 3, 60];
  const named = (count: number, letter: string) =>
    Array.from({ length: count }, (_, i) => `${letter}${i + 1}`);
  return {
    days: Array.from({ length: days }, (_, i) => ({
      start: i * DAY,
      end: i * DAY + hours * 60,
    })),
    readingMinutes: 2,
    changeMinutes: 1,
    rests: 0,
    breaks: null,
    circuits,
    stations: named(stations, 's').map((id) => ({ id, minutes: 8, joint: null })),
    candidates: named(candidates, 'c').map((id, i) => ({
      id,
      extraTime: 0,
      ability: null,
      // Six examiners know ten candidates each.
      conflicts: i < 60 ? [`e${1 + 10 * (i % 6)}`] : [],
    })),
    examiners: named(examiners, 'e').map((id) => ({ id, stations: null, available: null })),
    patients: [],
    pairs: Math.round(candidates / 2),
  };
}
