import type { PlanningProblem } from './problem.ts';

/**
 * Minutes, summed over the days, that no plan undercuts. Every day that is used holds at least one
 * candidate's whole way; and every station sees all candidates, in as many circuits as there are,
 * one at a time, each with reading before and a change after, but for the last change of a day. A
 * day with k rounds holds a break for every full count of rounds before its last one.
 * Where nobody has extra time, no circuit sees a part of a candidate: their share is rounded up.
 *
 * Worked value: 24 candidates, 10 stations and 2 rests, 2 circuits, rounds of 2 + 8 + 1 minutes:
 * 12 rounds, 12 * 11 - 1 = 131 minutes.
 */
export function lowerBound(problem: PlanningProblem): number {
  const { days, stations, candidates, circuits, rests, breaks, readingMinutes, changeMinutes } =
    problem;
  if (candidates.length === 0) return 0;
  const shortest = Math.min(...stations.map(({ minutes }) => minutes));
  const working = stations.reduce((sum, { minutes }) => sum + minutes + readingMinutes, 0);
  const resting = rests * (shortest + readingMinutes);
  const changes = (stations.length + rests - 1) * changeMinutes;
  /** So much of breaks lies in so many rounds of a circuit, however they fall on the days. */
  const pausing = (rounds: number, over: number) =>
    breaks ? Math.max(0, Math.ceil(rounds / breaks.afterRounds) - over) * breaks.minutes : 0;
  const pauses = pausing(stations.length + rests, 1);
  const ways = candidates.map(
    ({ extraTime }) => working * (1 + extraTime) + resting + changes + pauses,
  );
  const slowest = Math.max(...ways);
  const quickest = Math.min(...ways);
  const work = Math.max(
    ...stations.map(({ minutes }) => {
      const each = minutes + readingMinutes + changeMinutes;
      const more = candidates.map(({ extraTime }) => extraTime * (minutes + readingMinutes));
      const shared = candidates.length * each + more.reduce((sum, one) => sum + one, 0);
      return Math.max(shared / circuits, Math.ceil(candidates.length / circuits) * each);
    }),
  );
  const share = Math.ceil(candidates.length / circuits);
  const used = days.map((_, i) => i + 1);
  return Math.min(
    ...used.map((count) =>
      Math.max(
        slowest + (count - 1) * quickest,
        work - count * changeMinutes + pausing(share, count),
      ),
    ),
  );
}
