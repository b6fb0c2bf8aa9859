import type { Slot } from './problem.ts';

/** What two plans differ in, person by person. */
export interface PlanDifference {
  /** Who is told something else than before. */
  readonly people: readonly {
    readonly who: string;
    readonly as: Part;
    readonly words: readonly string[];
  }[];
  readonly same: number;
}
type Part = 'candidate' | 'examiner' | 'second examiner' | 'simulated patient';

const PARTS = [
  ['candidate', 'candidate'],
  ['examiner', 'examiner'],
  ['second', 'second examiner'],
  ['patient', 'simulated patient'],
] as const;

/**
 * Who has other duties in a plan than in the one before it, and which; `at` says a time. A duty is a
 * candidate at a station at a time; a candidate's own is to be at a station at a time.
 */
export function differenceOf(
  before: readonly Slot[],
  after: readonly Slot[],
  at: (minute: number) => string,
): PlanDifference {
  const people: { who: string; as: Part; words: string[] }[] = [];
  const same = new Set<string>();
  for (const [field, as] of PARTS) {
    const [old, now] = [before, after].map((slots) => dutiesOf(slots, field));
    for (const who of new Set([...(old?.keys() ?? []), ...(now?.keys() ?? [])])) {
      const [had, has] = [
        old?.get(who) ?? new Map<string, Slot>(),
        now?.get(who) ?? new Map<string, Slot>(),
      ];
      const lost = [...had].filter(([key]) => !has.has(key)).map(([, slot]) => slot);
      const got = [...has].filter(([key]) => !had.has(key)).map(([, slot]) => slot);
      if (lost.length + got.length === 0) {
        same.add(who);
        continue;
      }
      const words = [...saying('no longer', lost, at), ...saying('now', got, at)];
      people.push({ who, as, words });
    }
  }
  for (const { who } of people) same.delete(who);
  return { people, same: same.size };
}

function dutiesOf(slots: readonly Slot[], field: 'candidate' | 'examiner' | 'second' | 'patient') {
  const duties = new Map<string, Map<string, Slot>>();
  for (const slot of slots) {
    const who = slot[field];
    if (who === null) continue;
    const own = duties.get(who) ?? new Map<string, Slot>();
    duties.set(who, own);
    const { station, start, day, circuit, candidate } = slot;
    own.set(
      `${start} ${day} ${circuit} ${station} ${field === 'candidate' ? '' : candidate}`,
      slot,
    );
  }
  return duties;
}

/** Duties one after the other at the same station are said as one. */
function saying(how: string, slots: readonly Slot[], at: (minute: number) => string): string[] {
  const runs: Slot[][] = [];
  for (const slot of [...slots].sort((a, b) => a.start - b.start)) {
    const run = runs.at(-1);
    const last = run?.at(-1);
    if (
      run &&
      last &&
      last.station === slot.station &&
      last.circuit === slot.circuit &&
      last.day === slot.day
    )
      run.push(slot);
    else runs.push([slot]);
  }
  return runs.map((run) => {
    const [first, last] = [run[0] as Slot, run.at(-1) as Slot];
    const where = first.station === null ? 'a rest' : first.station;
    const when =
      run.length > 1 ? `from ${at(first.start)} to ${at(last.end)}` : `at ${at(first.start)}`;
    return `${how} ${where} ${when}`;
  });
}
