import type { PlanningProblem, Slot } from '../problem.ts';

/*
 * The rules of a plan, read from what was asked alone: nothing here is the planner's.
 */

type Told = (what: string) => void;
const NEAR = 1e-6;
const before = (a: number, b: number) => a <= b + NEAR;
const meet = (a: Slot, b: Slot) => a.start < b.end - NEAR && b.start < a.end - NEAR;

/** Every rule that a plan breaks, in words; empty for a plan that keeps them all. */
export function checkPlan(problem: PlanningProblem, slots: readonly Slot[]): string[] {
  const broken: string[] = [];
  const tell: Told = (what) => broken.push(what);
  everybodyEverywhereOnce(problem, slots, tell);
  timesAreLongEnough(problem, slots, tell);
  insideTheDays(problem, slots, tell);
  breaksAreKept(problem, slots, tell);
  oneAtATime(problem, slots, tell);
  examinersMay(problem, slots, tell);
  patientsMay(problem, slots, tell);
  return broken;
}

function everybodyEverywhereOnce(problem: PlanningProblem, slots: readonly Slot[], tell: Told) {
  for (const { id } of problem.candidates) {
    const own = slots.filter(({ candidate }) => candidate === id);
    for (const station of problem.stations) {
      const times = own.filter((slot) => slot.station === station.id).length;
      if (times !== 1) tell(`${id} is at ${station.id} ${times} times`);
    }
    const rests = own.filter(({ station }) => station === null).length;
    if (rests !== problem.rests) tell(`${id} rests ${rests} times`);
    if (new Set(own.map(({ day, circuit }) => `${day} ${circuit}`)).size > 1)
      tell(`${id} is in two circuits`);
  }
}

function timesAreLongEnough(problem: PlanningProblem, slots: readonly Slot[], tell: Told) {
  const minutes = new Map(problem.stations.map((own) => [own.id, own.minutes]));
  const extra = new Map(problem.candidates.map((own) => [own.id, own.extraTime]));
  for (const slot of slots) {
    if (slot.station === null) continue;
    const due = (minutes.get(slot.station) ?? NaN) * (1 + (extra.get(slot.candidate) ?? NaN));
    if (Math.abs(slot.end - slot.start - due) > NEAR)
      tell(`${slot.candidate} has ${slot.end - slot.start} minutes at ${slot.station}, not ${due}`);
  }
  for (const { id, extraTime } of problem.candidates) {
    const own = slots.filter(({ candidate }) => candidate === id).sort((a, b) => a.start - b.start);
    for (const [i, next] of own.slice(1).entries()) {
      const reading = problem.readingMinutes * (1 + extraTime);
      const ready = (own[i]?.end ?? NaN) + problem.changeMinutes + reading;
      if (!before(ready, next.start))
        tell(`${id} has no time to change and read before ${next.station}`);
    }
  }
}

function insideTheDays(problem: PlanningProblem, slots: readonly Slot[], tell: Told) {
  for (const { day, circuit, start, end, candidate } of slots) {
    const whole = problem.days[day];
    if (!whole || !before(whole.start + problem.readingMinutes, start) || !before(end, whole.end))
      tell(`${candidate} is outside day ${day}`);
    if (circuit < 0 || circuit >= problem.circuits) tell(`there is no circuit ${circuit}`);
  }
}

/** No circuit rings more bells than were asked for without as long a pause as was. */
function breaksAreKept(
  { breaks, changeMinutes, readingMinutes }: PlanningProblem,
  slots: readonly Slot[],
  tell: Told,
) {
  if (!breaks) return;
  const runs = new Map<string, Slot[]>();
  for (const slot of slots) {
    const key = `${slot.day} ${slot.circuit}`;
    runs.set(key, [...(runs.get(key) ?? []), slot]);
  }
  for (const [run, own] of runs) {
    let rounds = 0;
    let ended = -Infinity;
    const starts = [...new Set(own.map(({ start }) => start))].sort((a, b) => a - b);
    for (const start of starts) {
      const pause = start - ended;
      rounds = before(breaks.minutes + changeMinutes + readingMinutes, pause) ? 1 : rounds + 1;
      if (rounds > breaks.afterRounds) tell(`circuit ${run} rings ${rounds} times without a break`);
      for (const slot of own) if (slot.start === start) ended = Math.max(ended, slot.end);
    }
  }
}

function oneAtATime(problem: PlanningProblem, slots: readonly Slot[], tell: Told) {
  const places = new Map<string, Slot[]>();
  const put = (who: string, slot: Slot) => places.set(who, [...(places.get(who) ?? []), slot]);
  for (const slot of slots) {
    put(`candidate ${slot.candidate}`, slot);
    if (slot.station !== null) put(`station ${slot.station} of ${slot.day} ${slot.circuit}`, slot);
    if (slot.examiner !== null) put(`examiner ${slot.examiner}`, slot);
    if (slot.second !== null) put(`examiner ${slot.second}`, slot);
    if (slot.patient !== null) put(`patient ${slot.patient}`, slot);
  }
  for (const [who, own] of places) {
    const inTime = own.sort((a, b) => a.start - b.start);
    for (const [i, next] of inTime.slice(1).entries()) {
      const last = inTime[i] as Slot;
      if (meet(last, next)) tell(`${who} is in two places`);
      else if (who.startsWith('station') && !before(last.end + problem.changeMinutes, next.start))
        tell(`${who} has no time to change`);
    }
  }
}

function examinersMay(problem: PlanningProblem, slots: readonly Slot[], tell: Told) {
  for (const slot of slots) {
    if (slot.station === null && slot.examiner !== null) tell('a rest is examined');
    if (slot.second !== null && slot.second === slot.examiner) tell('one examiner marks twice');
    for (const id of [slot.examiner, slot.second]) {
      if (id === null) continue;
      const who = problem.examiners.find((one) => one.id === id);
      if (!who) tell(`nobody is called ${id}`);
      if (who?.stations && !who.stations.includes(slot.station ?? ''))
        tell(`${id} may not examine ${slot.station}`);
      if (
        who?.available &&
        !who.available.some((t) => before(t.start, slot.start) && before(slot.end, t.end))
      )
        tell(`${id} is not there`);
      const candidate = problem.candidates.find((one) => one.id === slot.candidate);
      if (candidate?.conflicts.includes(id)) tell(`${id} marks ${slot.candidate} in conflict`);
    }
  }
}

function patientsMay(problem: PlanningProblem, slots: readonly Slot[], tell: Told) {
  const shortest = Math.min(...problem.stations.map(({ minutes }) => minutes));
  const round = shortest + problem.readingMinutes + problem.changeMinutes;
  const joints = new Map(problem.stations.map(({ id, joint }) => [id, joint ?? id]));
  for (const { id, stations, mostInARow, available } of problem.patients) {
    const own = slots.filter(({ patient }) => patient === id).sort((a, b) => a.start - b.start);
    let row = 0;
    // Where nothing was agreed, a joint that has a name is not stressed twice.
    for (const [i, slot] of own.entries()) {
      if (!stations.includes(slot.station ?? '')) tell(`${id} may not play ${slot.station}`);
      if (
        available &&
        !available.some((t) => before(t.start, slot.start) && before(slot.end, t.end))
      )
        tell(`${id} is not there`);
      const last = own[i - 1];
      const goesOn =
        last !== undefined &&
        joints.get(last.station ?? '') === joints.get(slot.station ?? '') &&
        slot.start - last.end < round - NEAR;
      row = goesOn ? row + 1 : 1;
      const named = problem.stations.some((one) => one.id === slot.station && one.joint !== null);
      const most = mostInARow ?? (named ? 1 : Infinity);
      if (row > most) tell(`${id} is stressed ${row} times in a row`);
    }
  }
}
