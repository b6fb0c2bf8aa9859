import type { PlanningProblem, Slot } from './problem.ts';

/** A circuit's wave on a day. */
export interface WaveOf {
  readonly day: number;
  readonly circuit: number;
  readonly wave: number;
}

export function isOf(slot: WaveOf, { day, circuit, wave }: WaveOf): boolean {
  return slot.day === day && slot.circuit === circuit && slot.wave === wave;
}

/** One stop of a way round a circuit; nobody's yet. */
export interface Stop {
  readonly station: string | null;
  readonly start: number;
}

/**
 * The ways round a wave that nobody goes: its stations in the order in which everybody passes them,
 * begun at a place where nobody begins. Read from the slots alone, so that a plan changed by hand
 * tells its free ways too.
 */
export function freeWays(slots: readonly Slot[], wave: WaveOf): Stop[][] {
  const own = slots.filter((slot) => isOf(slot, wave));
  const starts = [...new Set(own.map(({ start }) => start))].sort((a, b) => a - b);
  const round = new Map(starts.map((start, i) => [start, i]));
  const busy = new Set(own.map(({ station, start }) => `${start} ${station}`));
  // The way of whoever passes most rounds is everybody's, begun elsewhere.
  const counts = new Map<string, number>();
  for (const { candidate } of own) counts.set(candidate, (counts.get(candidate) ?? 0) + 1);
  const [longest] = [...counts].sort(([, a], [, b]) => b - a);
  if (!longest) return [];
  const order: (string | null | undefined)[] = starts.map(() => undefined);
  for (const { candidate, station, start } of own) {
    if (candidate === longest[0]) order[round.get(start) ?? 0] = station;
  }
  return starts.flatMap((_, from) => {
    const way = starts.flatMap((start, i): Stop[] => {
      const station = order[(from + i) % starts.length];
      return station === undefined ? [] : [{ station, start }];
    });
    const free = way.every(
      ({ station, start }) => station === null || !busy.has(`${start} ${station}`),
    );
    return free ? [way] : [];
  });
}

/** The waves of a plan, in the order of time. */
export function wavesIn(slots: readonly Slot[]): WaveOf[] {
  const waves = new Map<string, { of: WaveOf; start: number }>();
  for (const { day, circuit, wave, start } of slots) {
    const key = `${day} ${circuit} ${wave}`;
    const known = waves.get(key);
    if (!known || start < known.start) waves.set(key, { of: { day, circuit, wave }, start });
  }
  return [...waves.values()]
    .sort((a, b) => a.start - b.start || a.of.circuit - b.of.circuit)
    .map(({ of }) => of);
}

/** A slot's end for whoever is in it: a station takes longer with extra time, a rest ends with the bell. */
export function endFor(
  problem: PlanningProblem,
  candidate: string,
  slot: Stop & { end?: number },
): number {
  const share = problem.candidates.find(({ id }) => id === candidate)?.extraTime ?? 0;
  const minutes = problem.stations.find(({ id }) => id === slot.station)?.minutes;
  if (minutes !== undefined) return slot.start + minutes * (1 + share);
  const shortest = Math.min(...problem.stations.map((station) => station.minutes));
  return slot.end ?? slot.start + shortest;
}
