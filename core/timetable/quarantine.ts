import type { PlanningProblem, Slot } from './problem.ts';

/** When the candidates of a session come together and may go, so that none meets one who comes later. */
export interface Gathering {
  /** The session, by its place among the days of the problem. */
  readonly day: number;
  readonly candidates: number;
  /** By then they are all there. */
  readonly reportBy: number;
  /** Nobody leaves before; `null` where nobody meets the same stations after them that date. */
  readonly heldUntil: number | null;
  /** The longest that somebody of them waits: before their first station, and after their last. */
  readonly longestBefore: number;
  readonly longestAfter: number;
}

/**
 * Quarantine between the sessions of a date, whose stations are the same: everybody of a session has
 * reported so many minutes before it begins and before the session ahead of it ends, and nobody of
 * the session ahead leaves until then. `dateOf` says on which date a session is.
 *
 * Worked value: sessions from 9:00 to 12:00 and from 12:30 on, 15 minutes: the second reports by
 * 11:45, the first is held until 11:45; whoever was done at 10:00 waits 105 minutes.
 */
export function quarantineOf(
  { readingMinutes }: Pick<PlanningProblem, 'readingMinutes'>,
  slots: readonly Slot[],
  minutes: number,
  dateOf: (day: number) => string,
): Gathering[] {
  const sessions = [...new Set(slots.map(({ day }) => day))].map((day) => {
    const ways = waysOf(slots.filter((slot) => slot.day === day));
    const begins = ways.map(({ start }) => start - readingMinutes);
    const ends = ways.map(({ end }) => end);
    return { day, begins, ends, begin: Math.min(...begins), end: Math.max(...ends) };
  });
  sessions.sort((a, b) => a.begin - b.begin);
  const reports = sessions.map(({ day, begin }, i) => {
    const ahead = sessions[i - 1];
    const isSame = ahead !== undefined && dateOf(ahead.day) === dateOf(day);
    return (isSame ? Math.min(begin, ahead.end) : begin) - minutes;
  });
  return sessions.map(({ day, begins, ends, begin, end }, i) => {
    const next = sessions[i + 1];
    const isLast = next === undefined || dateOf(next.day) !== dateOf(day);
    const reportBy = reports[i] ?? begin;
    const heldUntil = isLast ? null : (reports[i + 1] ?? end);
    return {
      day,
      candidates: begins.length,
      reportBy,
      heldUntil,
      longestBefore: Math.max(...begins) - reportBy,
      longestAfter: heldUntil === null ? 0 : Math.max(0, heldUntil - Math.min(...ends)),
    };
  });
}

/** From when to when each candidate goes round. */
function waysOf(slots: readonly Slot[]): { start: number; end: number }[] {
  const ways = new Map<string, { start: number; end: number }>();
  for (const { candidate, start, end } of slots) {
    const own = ways.get(candidate) ?? { start, end };
    ways.set(candidate, { start: Math.min(own.start, start), end: Math.max(own.end, end) });
  }
  return [...ways.values()];
}
