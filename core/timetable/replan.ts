import { inOrder } from './changes.ts';
import { Diary } from './diary.ts';
import { recast } from './recast.ts';
import { isAvailable, mayExamine, overlap } from './problem.ts';
import type { PlannedExaminer, PlanningProblem, Slot, Unmet } from './problem.ts';
import { solve } from './programme.ts';
import type { Budget, Programme, Row } from './programme.ts';
import { endFor, freeWays, wavesIn } from './routes.ts';
import type { Stop, WaveOf } from './routes.ts';
import { wavesOf } from './waves.ts';

/** What has happened on the day, and when it is now; minutes as in the problem. */
export interface Happened {
  readonly now: number;
  /** Examiners who cannot go on. */
  readonly examiners: readonly string[];
  /** Simulated patients who cannot go on. */
  readonly patients: readonly string[];
  /** Candidates who do not come any more. */
  readonly gone: readonly string[];
  /** Candidates who are not there yet, and from when they will be. */
  readonly late: readonly { readonly candidate: string; readonly from: number }[];
}

export interface Replanned {
  readonly slots: readonly Slot[];
  readonly unmet: readonly Unmet[];
}

// Whoever moves is told, walks and settles in; a station without an examiner is worse than that, and
// a second examiner who is taken away costs an analysis, not the day.
const [MOVED, LONGER, SECOND_LOST, OPEN] = [1, 0.01, 0.2, 100];

/**
 * The rest of a day, planned again from now: what has begun stays as it was; whoever is gone leaves
 * their slots, latecomers take a way that is free or a wave of their own at the end, and the posts
 * of whoever fell ill are filled with as few people moved as can be (a small integer programme).
 * The same question gives the same plan.
 */
export async function replanned(
  problem: PlanningProblem,
  slots: readonly Slot[],
  happened: Happened,
  budget: Budget,
): Promise<Replanned> {
  const { now, gone, late } = happened;
  const done = slots.filter(({ start }) => start <= now);
  const away = new Set([...gone, ...late.map(({ candidate }) => candidate)]);
  const staying = slots.filter(({ start, candidate }) => start > now && !away.has(candidate));
  const arrived = withLatecomers(problem, done, staying, late, now);
  const staffedAgain = await withReliefs(problem, done, arrived.slots, happened, budget);
  const played = recast(problem, done, staffedAgain.slots, happened.patients);
  return {
    slots: inOrder([...done, ...played.slots]),
    unmet: [...arrived.unmet, ...staffedAgain.unmet, ...played.unmet],
  };
}

function withLatecomers(
  problem: PlanningProblem,
  done: readonly Slot[],
  staying: readonly Slot[],
  late: Happened['late'],
  now: number,
): Replanned {
  let slots = [...staying];
  const waiting: { candidate: string; from: number; missing: Set<string> }[] = [];
  for (const { candidate, from } of [...late].sort((a, b) => a.from - b.from)) {
    const seen = new Set(
      done.flatMap((slot) => (slot.candidate === candidate ? [slot.station] : [])),
    );
    const missing = new Set(problem.stations.map(({ id }) => id).filter((id) => !seen.has(id)));
    const earliest = Math.max(now, from) + problem.readingMinutes;
    const found = firstFree(problem, [...done, ...slots], candidate, missing, earliest);
    if (found) slots = inOrder([...slots, ...found]);
    else waiting.push({ candidate, from: earliest, missing });
  }
  const last = lastWave(problem, [...done, ...slots], waiting);
  return { slots: inOrder([...slots, ...last.slots]), unmet: last.unmet };
}

/** A free way that begins late enough, of the first wave that has one and whose bells are long enough. */
function firstFree(
  problem: PlanningProblem,
  slots: readonly Slot[],
  candidate: string,
  missing: ReadonlySet<string>,
  from: number,
): Slot[] | null {
  for (const wave of wavesIn(slots)) {
    for (const way of freeWays(slots, wave)) {
      const stops = way.filter(({ station }) => station === null || missing.has(station));
      if (Math.min(...stops.map(({ start }) => start)) < from) continue;
      const taken = asSlots(problem, wave, candidate, stops);
      if (taken.every((slot) => fits(problem, slots, slot))) return taken;
    }
  }
  return null;
}

function asSlots(
  problem: PlanningProblem,
  wave: WaveOf,
  candidate: string,
  stops: readonly Stop[],
): Slot[] {
  let rests = problem.rests;
  return stops.flatMap(({ station, start }): Slot[] => {
    if (station === null && rests-- <= 0) return [];
    const own = { ...wave, candidate, station, start };
    return [
      { ...own, end: endFor(problem, candidate, own), examiner: null, second: null, patient: null },
    ];
  });
}

/** Whether the station is empty for as long as a slot lasts, with the change after it. */
function fits({ changeMinutes }: PlanningProblem, slots: readonly Slot[], slot: Slot): boolean {
  const whole = { start: slot.start, end: slot.end + changeMinutes };
  return !slots.some(
    (other) =>
      other.station !== null &&
      other.station === slot.station &&
      other.day === slot.day &&
      other.circuit === slot.circuit &&
      overlap({ start: other.start, end: other.end + changeMinutes }, whole),
  );
}

/** Latecomers whom no free way holds go round together when their day's circuit is done. */
function lastWave(
  problem: PlanningProblem,
  slots: readonly Slot[],
  waiting: readonly { candidate: string; from: number; missing: Set<string> }[],
): Replanned {
  if (waiting.length === 0) return { slots: [], unmet: [] };
  const extraOf = (who: string) => problem.candidates.find(({ id }) => id === who)?.extraTime ?? 0;
  const inTurn = [...waiting].sort((a, b) => extraOf(b.candidate) - extraOf(a.candidate));
  const extra = inTurn.map(({ candidate }) => extraOf(candidate)).filter((share) => share > 0);
  const [shape] = wavesOf(
    { ...problem, breaks: null },
    inTurn.length,
    extra.length > 0 ? [extra] : [],
  );
  const from = Math.max(...inTurn.map((one) => one.from)) - problem.readingMinutes;
  const runs = problem.days.flatMap((whole, day) =>
    Array.from({ length: problem.circuits }, (_, circuit) => {
      const own = slots.filter((slot) => slot.day === day && slot.circuit === circuit);
      const ended = own.reduce(
        (most, { end }) => Math.max(most, end + problem.changeMinutes),
        whole.start,
      );
      const wave = own.reduce((most, slot) => Math.max(most, slot.wave + 1), 0);
      return { day, circuit, wave, begin: Math.max(ended, from), whole };
    }),
  );
  const room = runs
    .filter(({ begin, whole }) => shape !== undefined && begin + shape.minutes <= whole.end)
    .sort((a, b) => a.begin - b.begin)[0];
  if (!room || !shape || inTurn.length > shape.places.length) {
    const why =
      'no way round is free any more, and no circuit has the hours for one more wave; let a day end later';
    return {
      slots: [],
      unmet: waiting.map(({ candidate }) => ({ rule: 'circuit', who: candidate, why })),
    };
  }
  const { day, circuit, wave, begin } = room;
  return {
    unmet: [],
    slots: inTurn.flatMap(({ candidate, missing }, place) => {
      const way = shape.rounds.map(({ start }, round): Stop => {
        const at = shape.places[(place + round) % shape.places.length];
        return {
          start: begin + start,
          station: at == null ? null : (problem.stations[at]?.id ?? null),
        };
      });
      const stops = way.filter(({ station }) => station === null || missing.has(station));
      return asSlots(problem, { day, circuit, wave }, candidate, stops);
    }),
  };
}

/** Slots at a post that one examiner has, or that nobody has. */
interface Stint {
  readonly name: string;
  readonly examiner: string | null;
  readonly slots: readonly Slot[];
}

async function withReliefs(
  problem: PlanningProblem,
  done: readonly Slot[],
  slots: readonly Slot[],
  happened: Happened,
  budget: Budget,
): Promise<Replanned> {
  const ill = new Set(happened.examiners);
  const freed = slots.map((slot) => ({
    ...slot,
    examiner: slot.examiner !== null && ill.has(slot.examiner) ? null : slot.examiner,
    second: slot.second !== null && ill.has(slot.second) ? null : slot.second,
  }));
  const empty = freed.filter(({ station, examiner }) => station !== null && examiner === null);
  const lost = slots.filter(({ second }, i) => second !== null && freed[i]?.second === null);
  if (empty.length === 0) return { slots: freed, unmet: unpaired(lost) };
  // Only who is at work at the same time can stand in.
  const [from, until] = [
    Math.min(...empty.map(({ start }) => start)),
    Math.max(...empty.map(({ end }) => end)),
  ];
  const touched = freed.filter((slot) => overlap(slot, { start: from, end: until }));
  const able = problem.examiners.filter(({ id }) => !ill.has(id));
  const whole = await relievedBy(problem, done, freed, stintsOf(touched), able, budget);
  const gaps = whole.slots.filter(({ station, examiner }) => station !== null && examiner === null);
  // Where nobody is free for the whole of a stint, several may share it.
  const final =
    gaps.length === 0
      ? whole
      : await relievedBy(
          problem,
          done,
          whole.slots,
          stintsOf(
            whole.slots.filter((slot) => overlap(slot, { start: from, end: until })),
            true,
          ),
          able,
          budget,
        );
  const open = final.slots.filter(({ station, examiner }) => station !== null && examiner === null);
  return {
    slots: final.slots,
    unmet: [
      ...open.map(({ station, candidate }): Unmet => ({
        rule: 'examiner',
        who: station ?? '',
        why: `nobody who may examine ${station} is free for ${candidate}`,
      })),
      ...unpaired([...lost, ...whole.taken, ...(final === whole ? [] : final.taken)]),
    ],
  };
}

function unpaired(lost: readonly Slot[]): Unmet[] {
  return lost.map(({ candidate, station }) => ({
    rule: 'double-marking',
    who: candidate,
    why: `${candidate} has no second examiner at ${station} any more`,
  }));
}

/** Stints of whoever is there; what nobody has is parted into single slots where asked. */
function stintsOf(slots: readonly Slot[], single = false): Stint[] {
  const stints = new Map<string, Slot[]>();
  for (const slot of slots) {
    const { day, circuit, wave, station, examiner, start } = slot;
    if (station === null) continue;
    const part = single && examiner === null ? ` ${start}` : '';
    const key = `${day} ${circuit} ${wave} ${station} ${examiner}${part}`;
    const own = stints.get(key);
    if (own) own.push(slot);
    else stints.set(key, [slot]);
  }
  return [...stints].map(([, own], i) => ({
    name: `stint ${i}`,
    examiner: own[0]?.examiner ?? null,
    slots: own,
  }));
}

async function relievedBy(
  problem: PlanningProblem,
  done: readonly Slot[],
  slots: readonly Slot[],
  stints: readonly Stint[],
  able: readonly PlannedExaminer[],
  budget: Budget,
): Promise<{ slots: Slot[]; taken: Slot[] }> {
  const conflicts = new Map(problem.candidates.map((one) => [one.id, new Set(one.conflicts)]));
  const diary = new Diary();
  const inStints = new Set(stints.flatMap((stint) => stint.slots));
  // What goes on at other times or has begun is not asked again, and takes whoever has it.
  for (const slot of [...done, ...slots.filter((one) => !inStints.has(one))]) {
    for (const who of [slot.examiner, slot.second]) if (who !== null) diary.take(who, slot);
  }
  const suits = (one: PlannedExaminer, stint: Stint) =>
    stint.slots.every(
      (slot) =>
        mayExamine(one, slot.station ?? '') &&
        isAvailable(one.available, slot) &&
        conflicts.get(slot.candidate)?.has(one.id) !== true &&
        diary.isFree(one.id, slot),
    );
  const programme = { costs: new Map<string, number>(), rows: [] as Row[] };
  const choice = (stint: Stint, who: string) => `${stint.name} by ${who}`;
  const may = new Map<Stint, PlannedExaminer[]>();
  for (const stint of stints) {
    const own = able.filter((one) => one.id === stint.examiner || suits(one, stint));
    may.set(stint, own);
    const open = `${stint.name} open`;
    programme.costs.set(open, OPEN * stint.slots.length);
    for (const { id } of own) {
      programme.costs.set(
        choice(stint, id),
        id === stint.examiner ? 0 : MOVED + LONGER * stint.slots.length,
      );
    }
    const terms = own.map(({ id }) => [1, choice(stint, id)] as const);
    programme.rows.push({ terms: [...terms, [1, open]], is: '=', value: 1 });
  }
  const seconded = [...inStints].filter(({ second }) => second !== null);
  const drop = (slot: Slot) => `single ${slot.candidate} ${slot.station}`;
  for (const slot of seconded) programme.costs.set(drop(slot), SECOND_LOST);
  nowhereTwice(programme, stints, choice, seconded, drop, able);
  const { chosen } = await solve(programme, budget);

  const given = new Map<Slot, string | null>();
  for (const stint of stints) {
    const who = may.get(stint)?.find(({ id }) => chosen.has(choice(stint, id)))?.id ?? null;
    for (const slot of stint.slots) given.set(slot, who);
  }
  const taken = seconded.filter((slot) => chosen.has(drop(slot)));
  const alone = new Set(taken);
  return {
    taken,
    slots: slots.map((slot) => ({
      ...slot,
      examiner: given.has(slot) ? (given.get(slot) ?? null) : slot.examiner,
      second: alone.has(slot) ? null : slot.second,
    })),
  };
}

/** At the beginning of every slot nobody has more than one duty: two that overlap meet at one of them. */
function nowhereTwice(
  { costs, rows }: Programme & { rows: Row[] },
  stints: readonly Stint[],
  choice: (stint: Stint, who: string) => string,
  seconded: readonly Slot[],
  drop: (slot: Slot) => string,
  able: readonly PlannedExaminer[],
): void {
  const starts = [...new Set(stints.flatMap(({ slots }) => slots.map(({ start }) => start)))];
  const runs = (slot: Slot, at: number) => slot.start <= at && at < slot.end;
  for (const at of starts) {
    const now = stints.filter(({ slots }) => slots.some((slot) => runs(slot, at)));
    const pairs = seconded.filter((slot) => runs(slot, at));
    for (const { id } of able) {
      const own = now.filter((stint) => costs.has(choice(stint, id)));
      const second = pairs.filter((slot) => slot.second === id);
      if (own.length + second.length < 2) continue;
      // A second duty is given up where its choice is made: 1 - drop counts against the one allowed.
      const terms = [
        ...own.map((stint) => [1, choice(stint, id)] as const),
        ...second.map((slot) => [-1, drop(slot)] as const),
      ];
      rows.push({ terms, is: '<=', value: 1 - second.length });
    }
  }
}
