import type { PlanningProblem, Slot } from './problem.ts';

/** Somebody takes an examiner's place at a station, in the middle of a session or at its beginning. */
export interface HandOver {
  readonly day: number;
  readonly circuit: number;
  readonly station: string;
  readonly from: string;
  readonly to: string;
  /** When the newcomer's first candidate begins, and how many minutes lie between the two. */
  readonly at: number;
  readonly minutes: number;
  /** A relief for a single candidate, after whom the other comes back. */
  readonly isRelief: boolean;
}

/** Every change of examiner at a station of a circuit and session, in the order of time. */
export function handOversIn({ stations }: PlanningProblem, slots: readonly Slot[]): HandOver[] {
  const posts = new Map<string, Slot[]>();
  for (const slot of slots) {
    if (slot.station === null || slot.examiner === null) continue;
    const key = `${slot.day} ${slot.circuit} ${slot.station}`;
    const own = posts.get(key);
    if (own) own.push(slot);
    else posts.set(key, [slot]);
  }
  const order = new Map(stations.map(({ id }, i) => [id, i]));
  const found = [...posts.values()].flatMap((own) => {
    own.sort((a, b) => a.start - b.start);
    return own.slice(1).flatMap((next, i): HandOver[] => {
      const last = own[i] as Slot;
      if (last.examiner === next.examiner) return [];
      const { day, circuit, station, examiner, start } = next;
      return [
        {
          day,
          circuit,
          station: station ?? '',
          from: last.examiner ?? '',
          to: examiner ?? '',
          at: start,
          minutes: start - last.end,
          isRelief: own[i + 2]?.examiner === last.examiner,
        },
      ];
    });
  });
  return found.sort(
    (a, b) =>
      a.at - b.at ||
      a.circuit - b.circuit ||
      (order.get(a.station) ?? 0) - (order.get(b.station) ?? 0),
  );
}
