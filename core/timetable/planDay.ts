import { lowerBound } from './bound.ts';
import { drawnSlots } from './drawnSlots.ts';
import { frameOf } from './frame.ts';
import { castPatients } from './patients.ts';
import type { Plan, PlanningProblem, Slot, Unmet } from './problem.ts';
import type { Budget } from './programme.ts';
import { refuseImpossible } from './refuseImpossible.ts';
import { relieved } from './relief.ts';
import { markedTwice, withRemedy } from './seconds.ts';
import { staffed } from './staffing.ts';

/**
 * Plans the days of an examination: when every candidate is where, who examines, who plays the
 * patient, and whose sheet is marked twice. The rotation is built (waves of candidates who move on
 * at the bell), the assignment of examiners is a small integer programme, the rest follows round by
 * round. The same problem with the same budget gives the same plan.
 *
 * Throws `RangeError` for what cannot be: more candidates than the days hold, a station that nobody
 * may examine, a candidate whom nobody may mark somewhere, minutes that are not above 0.
 *
 * The seconds of the budget are for all the searching together; building and writing down what was
 * found comes to a few more for thousands of candidates.
 *
 * `found` is told of every plan that is better than the ones before it, with the share of the
 * search that is done, so that whoever stops it has the best until then.
 */
export async function planDay(
  problem: PlanningProblem,
  budget: Budget,
  found: (plan: Plan, share: number) => void = () => undefined,
): Promise<Plan> {
  refuseImpossible(problem);
  const began = Date.now();
  const bound = lowerBound(problem);
  let best = await planned(problem, budget);
  const more = examinersMissing(best.slots);
  found({ ...best, bound }, 1 / problem.circuits);
  // Where there are too few examiners for all circuits side by side, fewer may run for longer.
  for (let circuits = problem.circuits - 1; circuits >= 1 && unmarked(best) > 0; circuits--) {
    const seconds = budget.seconds - (Date.now() - began) / 1000;
    if (seconds <= 0) {
      best = { ...best, unmet: stoppedByClock(best.unmet) };
      break;
    }
    const fewer = await planned({ ...problem, circuits }, { ...budget, seconds }).catch(refusal);
    if (fewer === null) break;
    if (unmarked(fewer) >= unmarked(best)) continue;
    const why = `there are too few examiners for ${problem.circuits} side by side; ${circuits} will do, for longer, or ${more} more ${more === 1 ? 'examiner' : 'examiners'} for every station`;
    best = { ...fewer, unmet: [...fewer.unmet, { rule: 'circuit', who: 'the circuits', why }] };
    found({ ...best, bound }, 1 - (circuits - 1) / problem.circuits);
  }
  return { ...best, unmet: withRemedies(best, problem), bound };
}

/** What could not be met, with how many more people would do. */
function withRemedies(
  { slots, unmet }: Omit<Plan, 'bound'>,
  problem: PlanningProblem,
): readonly Unmet[] {
  const more = examinersMissing(slots);
  const why = `${more} more ${more === 1 ? 'examiner' : 'examiners'}, free all day and for every station, would do`;
  const examiners = more > 0 ? [{ rule: 'examiner' as const, who: 'examiners', why }] : [];
  return [...withRemedy(unmet, problem, slots), ...examiners];
}

/** As many as are missing at the worst moment: whoever is free all day goes on to the next. */
function examinersMissing(slots: readonly Slot[]): number {
  const open = slots.filter(({ station, examiner }) => station !== null && examiner === null);
  return Math.max(
    0,
    ...open.map(({ start }) => open.filter((o) => o.start <= start && start < o.end).length),
  );
}

/** Slots that have no examiner. */
function unmarked({ slots }: Pick<Plan, 'slots'>): number {
  return slots.filter(({ station, examiner }) => station !== null && examiner === null).length;
}

/** `null` where the days do not hold it. */
function refusal(error: unknown): null {
  if (error instanceof RangeError) return null;
  throw error;
}

async function planned(problem: PlanningProblem, budget: Budget): Promise<Omit<Plan, 'bound'>> {
  const waves = frameOf(problem);
  const staffing = await staffed(problem, waves, budget);
  const slots = drawnSlots(problem, waves, staffing);
  const { diary, unmet } = relieved(problem, slots);
  const uncast = castPatients(problem, slots);
  const single = markedTwice(problem, slots, diary);
  const all = [...unmet, ...uncast, ...single];
  return {
    slots: slots.sort((a, b) => a.start - b.start || a.circuit - b.circuit),
    length: lengthOf(problem, slots),
    unmet: staffing.byClock ? stoppedByClock(all) : all,
  };
}

/** What is told of a search that had no time left, once. */
function stoppedByClock(unmet: readonly Unmet[]): readonly Unmet[] {
  const why =
    'it was stopped by the clock; with more seconds the plan may be better, and on another machine it may be another';
  const others = unmet.filter(({ rule }) => rule !== 'clock');
  return [...others, { rule: 'clock', who: 'the search', why }];
}

/** From the first reading of a day to its last end, summed over the days. */
function lengthOf({ days, readingMinutes, candidates }: PlanningProblem, slots: readonly Slot[]) {
  const extra = new Map(candidates.map(({ id, extraTime }) => [id, extraTime]));
  return days.reduce((sum, _, day) => {
    const own = slots.filter((slot) => slot.day === day);
    if (own.length === 0) return sum;
    const begins = own.map(
      ({ start, candidate }) => start - readingMinutes * (1 + (extra.get(candidate) ?? 0)),
    );
    const first = begins.reduce((least, one) => Math.min(least, one), Infinity);
    const last = own.reduce((most, { end }) => Math.max(most, end), -Infinity);
    return sum + last - first;
  }, 0);
}
