import { mayExamine } from './problem.ts';
import type { PlanningProblem } from './problem.ts';

/** Of so many possible shifts (an examiner at a station of a circuit on a day) a programme can be made in seconds. */
const MOST_SHIFTS = 60_000;

/** Throws `RangeError` for a problem that no plan can solve: what, for whom, and what would do. */
export function refuseImpossible(problem: PlanningProblem): void {
  const { stations, candidates, examiners, patients, days, circuits, rests } = problem;
  const refuse = (why: string): never => {
    throw new RangeError(why);
  };
  if (days.length === 0) refuse('There is no day to plan on. Name at least one.');
  for (const [i, { start, end }] of days.entries()) {
    if (!(end > start)) refuse(`Day ${i + 1} ends before it begins. Let it end later.`);
    const other = days.findIndex((day, k) => k < i && day.start < end && start < day.end);
    if (other >= 0)
      refuse(`Days ${other + 1} and ${i + 1} overlap. Let one begin when the other ends.`);
  }
  if (stations.length === 0) refuse('There is no station. Name at least one.');
  if (!(Number.isInteger(circuits) && circuits >= 1))
    refuse(`${circuits} circuits cannot run. At least 1 does.`);
  if (!(Number.isInteger(rests) && rests >= 0))
    refuse(`${rests} rests are not possible. 0 is the least.`);
  if (problem.breaks && !(problem.breaks.afterRounds >= 1 && problem.breaks.minutes > 0))
    refuse('A break takes more than 0 minutes, after at least 1 round. Or plan none.');
  for (const { id, minutes } of stations) {
    if (!(minutes > 0)) refuse(`Station ${id} has ${minutes} minutes. It needs more than 0.`);
  }
  if (!(problem.readingMinutes >= 0 && problem.changeMinutes >= 0))
    refuse('Reading and change take 0 minutes or more.');
  for (const [what, list] of [
    ['station', stations],
    ['candidate', candidates],
    ['examiner', examiners],
    ['simulated patient', patients],
  ] as const) {
    const twice = list.find(({ id }, i) => list.findIndex((other) => other.id === id) !== i);
    if (twice) refuse(`The ${what} ${twice.id} is named twice. Name everybody once.`);
  }
  const known = new Set(stations.map(({ id }) => id));
  for (const one of [...examiners, ...patients]) {
    const strange = one.stations?.find((id) => !known.has(id));
    if (strange !== undefined)
      refuse(
        `${one.id} is for station ${strange}, which there is not. There are: ${[...known].join(', ')}.`,
      );
  }
  for (const { id, stations: own } of patients) {
    if (own.length === 0)
      refuse(`${id} may play no station’s patient. Name one, or leave ${id} out.`);
  }
  for (const { id, extraTime } of candidates) {
    if (!(extraTime >= 0 && extraTime <= 2))
      refuse(
        `Candidate ${id} has extra time of ${extraTime}. It is a share from 0 to 2, such as 0.25.`,
      );
  }
  if (candidates.length === 0) return;
  const posts = stations.reduce(
    (sum, { id }) => sum + examiners.filter((one) => mayExamine(one, id)).length,
    0,
  );
  const shifts = posts * circuits * days.length;
  if (shifts > MOST_SHIFTS)
    refuse(
      `${shifts} shifts of an examiner at a station of a circuit on a day are possible, and up to ${MOST_SHIFTS} can be searched. Say which stations each examiner may examine, or plan fewer days at once.`,
    );
  for (const { id } of stations) {
    const able = examiners.filter((one) => mayExamine(one, id));
    if (able.length === 0) refuse(`Nobody may examine station ${id}. Name an examiner for it.`);
    const alone = candidates.find(({ conflicts }) =>
      able.every((one) => conflicts.includes(one.id)),
    );
    if (alone)
      refuse(
        `Everybody who may examine station ${id} is a conflict of interest for candidate ${alone.id}. Name one more examiner for it.`,
      );
  }
  if (problem.pairs > candidates.length * stations.length)
    refuse(
      `${problem.pairs} sheets cannot be marked twice: there are ${candidates.length * stations.length}.`,
    );
}
