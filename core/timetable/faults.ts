import { Strains } from './strains.ts';
import { isAvailable, mayExamine } from './problem.ts';
import type { PlannedExaminer, PlannedPatient, PlanningProblem, Slot } from './problem.ts';

/** What is wrong with a plan, at one of its slots. */
export interface Fault {
  /** `hard`: the day cannot be run so. The others are wishes that are not met. */
  readonly hard: boolean;
  readonly rule:
    | 'two-places'
    | 'candidate'
    | 'examiner'
    | 'conflict'
    | 'simulated-patient'
    | 'same-joint'
    | 'time';
  /** Where: the slot, by its place in the list. */
  readonly slot: number;
  readonly words: string;
}

type Told = (fault: Fault) => void;
const NEAR = 1e-6;

/**
 * Everything that is wrong with a plan, however it came about: by hand, or because somebody's
 * region, presence or conflict became known after it was made. Takes a few milliseconds for some
 * thousand slots, so that a change by hand can be judged while it is being made.
 */
export function faultsIn(problem: PlanningProblem, slots: readonly Slot[]): Fault[] {
  const faults: Fault[] = [];
  const tell: Told = (fault) => faults.push(fault);
  // What lies deepest first: who needs more time than there is comes too late everywhere after it.
  longEnough(problem, slots, tell);
  everywhereOnce(problem, slots, tell);
  examined(problem, slots, tell);
  oneAtATime(problem, slots, tell);
  played(problem, slots, tell);
  return faults;
}

/** The hard ones among faults, in words, each once. */
export function hardWords(faults: readonly Fault[]): string[] {
  return [...new Set(faults.flatMap(({ hard, words }) => (hard ? [words] : [])))];
}

/** What a change brings: faults that were not there before it, whatever place they had. */
export function newFaults(before: readonly Fault[], after: readonly Fault[]): Fault[] {
  const known = new Map<string, number>();
  for (const { words } of before) known.set(words, (known.get(words) ?? 0) + 1);
  return after.filter(({ words }) => {
    const left = known.get(words) ?? 0;
    known.set(words, left - 1);
    return left <= 0;
  });
}

/** A slot, by its place in the list, as far as somebody or something is taken by it. */
interface Taken {
  readonly slot: number;
  readonly start: number;
  readonly end: number;
}

function oneAtATime({ changeMinutes }: PlanningProblem, slots: readonly Slot[], tell: Told): void {
  const taken = new Map<string, Taken[]>();
  const take = (who: string | null, slot: number) => {
    const { start, end } = slots[slot] as Slot;
    if (who === null) return;
    const own = taken.get(who);
    if (own) own.push({ slot, start, end });
    else taken.set(who, [{ slot, start, end }]);
  };
  for (const [
    i,
    { candidate, examiner, second, patient, station, day, circuit },
  ] of slots.entries()) {
    take(`candidate ${candidate}`, i);
    take(examiner && `examiner ${examiner}`, i);
    take(second && `examiner ${second}`, i);
    take(patient && `patient ${patient}`, i);
    take(station && `station ${day} ${circuit} ${station}`, i);
  }
  for (const [who, own] of taken) {
    own.sort((a, b) => a.start - b.start);
    for (const [i, { slot, start }] of own.slice(1).entries()) {
      const last = own[i] as Taken;
      if (
        start >= last.end - NEAR &&
        !(who.startsWith('station') && start < last.end + changeMinutes - NEAR)
      )
        continue;
      const { station, candidate } = slots[slot] as Slot;
      const kind = who.slice(0, who.indexOf(' '));
      const name = kind === 'station' ? (station ?? '') : who.slice(kind.length + 1);
      const there = slots[last.slot] as Slot;
      const words =
        kind === 'station'
          ? `${candidate} comes to ${name} before ${there.candidate} has left`
          : `${name} is at ${sayPlace(there)} and at ${sayPlace(slots[slot] as Slot)} at the same time`;
      tell({ hard: true, rule: 'two-places', slot, words });
    }
  }
}

function sayPlace({ station, candidate }: Slot): string {
  return station === null ? `a rest (${candidate})` : `${station} (${candidate})`;
}

function everywhereOnce(
  { candidates, stations }: PlanningProblem,
  slots: readonly Slot[],
  tell: Told,
): void {
  const seen = new Map<string, Set<string>>();
  const known = new Set(candidates.map(({ id }) => id));
  for (const [i, { candidate, station }] of slots.entries()) {
    if (!known.has(candidate)) {
      tell({
        hard: false,
        rule: 'candidate',
        slot: i,
        words: `${candidate} is not expected any more`,
      });
    }
    if (station === null) continue;
    const own = seen.get(candidate) ?? new Set<string>();
    seen.set(candidate, own);
    if (own.has(station)) {
      tell({
        hard: true,
        rule: 'candidate',
        slot: i,
        words: `${candidate} is at ${station} twice`,
      });
    }
    own.add(station);
  }
  for (const { id } of candidates) {
    const own = seen.get(id);
    const missing = stations.filter((station) => !own?.has(station.id));
    if (missing.length === 0) continue;
    const where = own ? missing.map((station) => station.id).join(', ') : 'the plan';
    const slot = slots.findIndex(({ candidate }) => candidate === id);
    tell({ hard: false, rule: 'candidate', slot, words: `${id} is missing from ${where}` });
  }
}

function longEnough(problem: PlanningProblem, slots: readonly Slot[], tell: Told): void {
  const { readingMinutes, changeMinutes, days } = problem;
  const minutes = new Map(problem.stations.map((own) => [own.id, own.minutes]));
  const extra = new Map(problem.candidates.map((own) => [own.id, own.extraTime]));
  const ways = new Map<string, number[]>();
  for (const [i, { candidate, station, start, end, day }] of slots.entries()) {
    const share = extra.get(candidate) ?? 0;
    const due = (minutes.get(station ?? '') ?? 0) * (1 + share);
    if (station !== null && end - start < due - NEAR) {
      const words = `${candidate} has ${rounded(end - start)} of ${rounded(due)} minutes at ${station}`;
      tell({ hard: true, rule: 'time', slot: i, words });
    }
    const whole = days[day];
    if (
      whole &&
      (start - readingMinutes * (1 + share) < whole.start - NEAR || end > whole.end + NEAR)
    ) {
      const words = `${candidate} is at ${station ?? 'a rest'} outside the hours of the day`;
      tell({ hard: true, rule: 'time', slot: i, words });
    }
    const own = ways.get(candidate);
    if (own) own.push(i);
    else ways.set(candidate, [i]);
  }
  for (const [candidate, own] of ways) {
    const reading = readingMinutes * (1 + (extra.get(candidate) ?? 0));
    own.sort((a, b) => (slots[a] as Slot).start - (slots[b] as Slot).start);
    for (const [k, i] of own.slice(1).entries()) {
      const [last, next] = [slots[own[k] ?? 0] as Slot, slots[i] as Slot];
      const short = last.end + changeMinutes + reading - next.start;
      // Who is in two places has no time to read either; that is said already.
      if (short <= NEAR || next.start < last.end - NEAR) continue;
      const words = `${candidate} has ${rounded(short)} minutes too few to change and read before ${next.station ?? 'a rest'}`;
      tell({ hard: true, rule: 'time', slot: i, words });
    }
  }
}

function rounded(minutes: number): number {
  return Math.round(minutes * 10) / 10;
}

function examined(problem: PlanningProblem, slots: readonly Slot[], tell: Told): void {
  const examiners = new Map(problem.examiners.map((one) => [one.id, one]));
  const conflicts = new Map(
    problem.candidates.map(({ id, conflicts }) => [id, new Set(conflicts)]),
  );
  for (const [i, slot] of slots.entries()) {
    const { station, examiner, second, candidate } = slot;
    if (station === null) continue;
    const say = (rule: Fault['rule'], hard: boolean, words: string) =>
      tell({ hard, rule, slot: i, words });
    if (examiner === null) say('examiner', false, `${station} has no examiner for ${candidate}`);
    for (const id of [examiner, second]) {
      if (id === null) continue;
      if (conflicts.get(candidate)?.has(id))
        say('conflict', true, `${id} must not mark ${candidate}`);
      const who: PlannedExaminer | undefined = examiners.get(id);
      if (!who) say('examiner', true, `${id} does not take part`);
      else if (!mayExamine(who, station)) say('examiner', true, `${id} may not examine ${station}`);
      else if (!isAvailable(who.available, slot))
        say('examiner', true, `${id} is not there for ${candidate} at ${station}`);
    }
  }
}

function played(problem: PlanningProblem, slots: readonly Slot[], tell: Told): void {
  const patients = new Map(problem.patients.map((one) => [one.id, one]));
  const asked = new Set(problem.patients.flatMap(({ stations }) => stations));
  const strains = new Strains(problem);
  const inTime = [...slots.keys()].sort(
    (a, b) => (slots[a] as Slot).start - (slots[b] as Slot).start,
  );
  for (const i of inTime) {
    const slot = slots[i] as Slot;
    const { station, patient: id, candidate } = slot;
    const say = (rule: Fault['rule'], hard: boolean, words: string) =>
      tell({ hard, rule, slot: i, words });
    if (station === null) continue;
    if (id === null) {
      if (asked.has(station))
        say('simulated-patient', false, `nobody plays the patient at ${station} for ${candidate}`);
      continue;
    }
    const who: PlannedPatient | undefined = patients.get(id);
    if (!who) {
      say('simulated-patient', true, `${id} does not take part`);
      continue;
    }
    if (!who.stations.includes(station))
      say('simulated-patient', true, `${id} must not play the patient at ${station}`);
    else if (!isAvailable(who.available, slot))
      say('simulated-patient', true, `${id} is not there for ${candidate} at ${station}`);
    const demand = strains.demandOf(who, slot);
    if (demand === null)
      say(
        'same-joint',
        true,
        `${id} bears more without a pause at ${station} (${candidate}) than was agreed`,
      );
    else if (demand === 'same joint again')
      say(
        'same-joint',
        false,
        `the same joint of ${id} is stressed twice in a row at ${station} (${candidate})`,
      );
    strains.bear(who, slot);
  }
}
