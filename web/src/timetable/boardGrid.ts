import type { Fault } from '@kritikos/core/timetable/faults';
import type { Post } from '@kritikos/core/timetable/changes';
import type { Slot } from '@kritikos/core/timetable/problem';

/** One couch at one time: who is there, or nobody. */
export interface Cell extends Post {
  readonly kind: 'cell';
  /** Names it on the page. */
  readonly key: string;
  readonly row: number;
  readonly column: number;
  readonly start: number;
  readonly slot: Slot | null;
  readonly faults: readonly Fault[];
}

/** Who examines at a couch while a wave passes it. */
export interface Stint extends Post {
  readonly kind: 'stint';
  readonly key: string;
  readonly row: number;
  readonly column: number;
  readonly columns: number;
  /** Usually one; another where somebody stands in for a candidate. */
  readonly examiners: readonly string[];
  readonly patients: readonly string[];
  readonly open: boolean;
}
export type Place = Cell | Stint;

/** A circuit of a session as it lies on the board: couches by rounds. */
export interface CircuitGrid {
  readonly circuit: number;
  readonly stations: readonly string[];
  /** When each round begins, and the place of its first column; a wave stands apart from the next. */
  readonly rounds: readonly {
    readonly start: number;
    readonly wave: number;
    readonly first: boolean;
  }[];
  readonly cells: readonly Cell[];
  readonly stints: readonly Stint[];
}

/** Lays the slots of a session out, circuit by circuit. */
export function gridsOf(
  slots: readonly Slot[],
  faults: readonly Fault[],
  stations: readonly string[],
  day: number,
): CircuitGrid[] {
  const byPlace = new Map<Slot, Fault[]>();
  for (const fault of faults) {
    const slot = slots[fault.slot];
    if (slot) byPlace.set(slot, [...(byPlace.get(slot) ?? []), fault]);
  }
  const circuits = new Map<number, Slot[]>();
  for (const slot of slots) {
    if (slot.day !== day) continue;
    const own = circuits.get(slot.circuit);
    if (own) own.push(slot);
    else circuits.set(slot.circuit, [slot]);
  }
  return [...circuits]
    .sort(([a], [b]) => a - b)
    .map(([circuit, own]) => gridOf(own, byPlace, stations, day, circuit));
}

function gridOf(
  own: readonly Slot[],
  faults: ReadonlyMap<Slot, readonly Fault[]>,
  stations: readonly string[],
  day: number,
  circuit: number,
): CircuitGrid {
  const starts = new Map<string, { start: number; wave: number }>();
  for (const { start, wave } of own) starts.set(`${wave} ${start}`, { start, wave });
  const ordered = [...starts.values()].sort((a, b) => a.wave - b.wave || a.start - b.start);
  const rounds = ordered.map((round, i) => ({
    ...round,
    first: ordered[i - 1]?.wave !== round.wave,
  }));
  const there = new Map<string, Slot>();
  for (const slot of own) {
    if (slot.station !== null) there.set(`${slot.wave} ${slot.start} ${slot.station}`, slot);
  }
  const cells = stations.flatMap((station, row) =>
    rounds.map(({ start, wave }, column): Cell => {
      const slot = there.get(`${wave} ${start} ${station}`) ?? null;
      const key = `${circuit} ${wave} ${start} ${station}`;
      const at = { day, circuit, wave, station, start, row, column };
      return { kind: 'cell', key, ...at, slot, faults: slot ? (faults.get(slot) ?? []) : [] };
    }),
  );
  const waves = [...new Set(rounds.map(({ wave }) => wave))];
  const stints = stations.flatMap((station, row) =>
    waves.map((wave): Stint => {
      const slots = cells.flatMap((cell) =>
        cell.station === station && cell.wave === wave && cell.slot ? [cell.slot] : [],
      );
      const names = (part: 'examiner' | 'patient') => [
        ...new Set(slots.flatMap((slot) => (slot[part] === null ? [] : [slot[part]]))),
      ];
      const column = rounds.findIndex((round) => round.wave === wave);
      const columns = rounds.filter((round) => round.wave === wave).length;
      const open = slots.some(({ examiner }) => examiner === null);
      const key = `stint ${circuit} ${wave} ${station}`;
      const at = { day, circuit, wave, station, row, column, columns };
      return {
        kind: 'stint',
        key,
        ...at,
        examiners: names('examiner'),
        patients: names('patient'),
        open,
      };
    }),
  );
  return { circuit, stations, rounds, cells, stints };
}
