import type { PlanningProblem } from '../problem.ts';

/**
 * The shortest day of one circuit there can be, by trying every order: whoever goes next, to
 * whichever place, as early as may be. For very small problems only.
 */
export function shortestDay(problem: PlanningProblem): number {
  const { stations, candidates, rests, readingMinutes, changeMinutes } = problem;
  const shortestStation = Math.min(...stations.map(({ minutes }) => minutes));
  // A rest is a place that holds everybody at once.
  const places = [
    ...stations.map(({ minutes }) => ({ minutes, alone: true })),
    ...Array.from({ length: rests }, () => ({ minutes: shortestStation, alone: false })),
  ];
  let best = Infinity;
  const seen = new Map<string, number>();
  const step = (done: number, freePerson: number[], freePlace: number[], end: number): void => {
    if (end >= best) return;
    if (done === (1 << (candidates.length * places.length)) - 1) {
      best = end;
      return;
    }
    const state = `${done} ${freePerson.join()} ${freePlace.join()}`;
    if ((seen.get(state) ?? Infinity) <= end) return;
    seen.set(state, end);
    for (const [c, { extraTime }] of candidates.entries()) {
      for (const [p, place] of places.entries()) {
        const bit = 1 << (c * places.length + p);
        if ((done & bit) !== 0) continue;
        const from = Math.max(freePerson[c] ?? 0, place.alone ? (freePlace[p] ?? 0) : 0);
        const longer = place.alone ? 1 + extraTime : 1;
        const over = from + (readingMinutes + place.minutes) * longer;
        const people = freePerson.map((free, i) => (i === c ? over + changeMinutes : free));
        const held = freePlace.map((free, i) => (i === p ? over + changeMinutes : free));
        step(done | bit, people, held, Math.max(end, over));
      }
    }
  };
  step(
    0,
    candidates.map(() => 0),
    places.map(() => 0),
    0,
  );
  return best;
}
