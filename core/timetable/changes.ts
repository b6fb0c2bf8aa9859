import { overlap } from './problem.ts';
import type { PlanningProblem, Slot } from './problem.ts';
import { endFor, freeWays, isOf } from './routes.ts';
import type { WaveOf } from './routes.ts';

/** A station of a circuit for as long as a wave of candidates passes it. */
export interface Post extends WaveOf {
  readonly station: string;
}

/** One change of a plan by hand. */
export type PlanChange =
  /** Two candidates change places: each goes the other's way. */
  | { readonly kind: 'exchange'; readonly one: string; readonly other: string }
  /** A candidate goes a way that is free; it is known by one of its stops. */
  | {
      readonly kind: 'move';
      readonly candidate: string;
      readonly to: Post & { readonly start: number };
    }
  /** Somebody else examines at a post; whoever examines elsewhere meanwhile changes places. */
  | { readonly kind: 'examiner'; readonly post: Post; readonly examiner: string | null }
  /** A sheet is marked by a second examiner, or is no more. */
  | {
      readonly kind: 'second';
      readonly candidate: string;
      readonly station: string;
      readonly second: string | null;
    }
  /** Somebody else plays the patient at a post; whoever plays elsewhere meanwhile changes places. */
  | { readonly kind: 'patient'; readonly post: Post; readonly patient: string | null };

/**
 * The plan after a change. What the change breaks is not asked here: `faultsIn` tells.
 *
 * Throws `RangeError` for a change that names somebody or something the plan does not have.
 */
export function changed(
  problem: PlanningProblem,
  slots: readonly Slot[],
  change: PlanChange,
): Slot[] {
  switch (change.kind) {
    case 'exchange':
      return exchanged(problem, slots, change.one, change.other);
    case 'move':
      return moved(problem, slots, change.candidate, change.to);
    case 'examiner':
      return handedOver(slots, change.post, 'examiner', change.examiner);
    case 'patient':
      return handedOver(slots, change.post, 'patient', change.patient);
    case 'second':
      return seconded(slots, change.candidate, change.station, change.second);
  }
}

/** A change in words, as the list of changes has it. */
export function sayChange(change: PlanChange): string {
  switch (change.kind) {
    case 'exchange':
      return `${change.one} and ${change.other} change places`;
    case 'move':
      return `${change.candidate} goes another way round`;
    case 'examiner':
      return `${change.examiner ?? 'nobody'} examines at ${change.post.station}`;
    case 'patient':
      return `${change.patient ?? 'nobody'} plays the patient at ${change.post.station}`;
    case 'second':
      return change.second === null
        ? `${change.candidate} is marked once at ${change.station}`
        : `${change.second} marks ${change.candidate} too at ${change.station}`;
  }
}

function exchanged(
  problem: PlanningProblem,
  slots: readonly Slot[],
  one: string,
  other: string,
): Slot[] {
  for (const who of [one, other]) requireSlot(slots, ({ candidate }) => candidate === who, who);
  return slots.map((slot) => {
    const candidate = slot.candidate === one ? other : slot.candidate === other ? one : null;
    return candidate === null
      ? slot
      : { ...slot, candidate, end: endFor(problem, candidate, slot) };
  });
}

/** The way is taken with the examiners and patients who are at its posts for the others of the wave. */
function moved(
  problem: PlanningProblem,
  slots: readonly Slot[],
  candidate: string,
  to: Post & { readonly start: number },
): Slot[] {
  const others = slots.filter((slot) => slot.candidate !== candidate);
  const way = freeWays(others, to).find((stops) =>
    stops.some(({ station, start }) => station === to.station && start === to.start),
  );
  if (!way) throw new RangeError(`No way round that wave is free for ${candidate}.`);
  const rests = { left: problem.rests };
  const taken = way.flatMap(({ station, start }): Slot[] => {
    if (station === null && rests.left-- <= 0) return [];
    const there = others.filter((slot) => isOf(slot, to) && slot.station === station);
    const { day, circuit, wave } = to;
    const own = { candidate, day, circuit, wave, station, start };
    const end = endFor(problem, candidate, own);
    const near = (who: 'examiner' | 'patient') =>
      station === null ? null : usual(there.map((slot) => slot[who]));
    return [{ ...own, end, examiner: near('examiner'), second: null, patient: near('patient') }];
  });
  return inOrder([...others, ...taken]);
}

/** Whoever is named most often; `null` for nobody. */
function usual(names: readonly (string | null)[]): string | null {
  const counts = new Map<string, number>();
  for (const name of names) if (name !== null) counts.set(name, (counts.get(name) ?? 0) + 1);
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0] ?? null;
}

function handedOver(
  slots: readonly Slot[],
  post: Post,
  part: 'examiner' | 'patient',
  newcomer: string | null,
): Slot[] {
  const there = slots.filter((slot) => isOf(slot, post) && slot.station === post.station);
  requireSlot(there, () => true, `${post.station} in that wave`);
  const before = usual(there.map((slot) => slot[part]));
  // What the newcomer leaves meanwhile is the other's then, where there is another.
  const left = new Set(
    newcomer === null || before === null || newcomer === before
      ? []
      : slots.filter(
          (slot) =>
            slot[part] === newcomer &&
            !there.includes(slot) &&
            there.some((own) => overlap(own, slot)),
        ),
  );
  const given = new Set(there);
  return slots.map((slot) =>
    given.has(slot)
      ? { ...slot, [part]: newcomer }
      : left.has(slot)
        ? { ...slot, [part]: before }
        : slot,
  );
}

function seconded(
  slots: readonly Slot[],
  candidate: string,
  station: string,
  second: string | null,
): Slot[] {
  const isIt = (slot: Slot) => slot.candidate === candidate && slot.station === station;
  requireSlot(slots, isIt, `${candidate} at ${station}`);
  return slots.map((slot) => (isIt(slot) ? { ...slot, second } : slot));
}

function requireSlot(slots: readonly Slot[], is: (slot: Slot) => boolean, what: string): void {
  if (!slots.some(is)) throw new RangeError(`The plan does not have ${what}.`);
}

/** In the order of time, circuit by circuit. */
export function inOrder(slots: readonly Slot[]): Slot[] {
  return [...slots].sort((a, b) => a.start - b.start || a.circuit - b.circuit);
}
