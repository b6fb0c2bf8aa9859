import type { Account } from '@kritikos/contracts/accounts';
import type { Happened, Replanned } from '@kritikos/contracts/timetable';
import { differenceOf } from '@kritikos/core/timetable/difference';
import type { PlanningProblem, Slot } from '@kritikos/core/timetable/problem';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { holdExamination, requireExamination } from '../examinations/service.ts';
import { newId } from '../http/newId.ts';
import { invalid } from '../http/problems.ts';
import { replanRest } from '../jobs/pool.ts';
import * as plans from './planRepository.ts';
import { openPlan } from './service.ts';
import { insertSlots } from './slotRepository.ts';

const MINUTE = 60_000;

/**
 * The rest of a day planned again from now. Without `take` the difference is told and nothing is
 * kept; with it the new plan is a draft that follows the one it came from.
 */
export async function planRest(
  db: Database,
  examinationId: string,
  id: string,
  wanted: Happened,
  lead: Account,
): Promise<Replanned> {
  const { summary, problem, known, slots } = await openPlan(db, examinationId, id, lead);
  for (const [list, names] of [
    ['examiners', known.examiners],
    ['patients', known.patients],
    ['gone', known.candidates],
  ] as const) {
    const strange = wanted[list].find((name) => !names.has(name));
    if (strange !== undefined)
      throw invalid([{ pointer: `/${list}`, detail: `names ${strange}, who is not in the plan` }]);
  }
  const strange = wanted.late.find(({ candidate }) => !known.candidates.has(candidate));
  if (strange)
    throw invalid([
      { pointer: '/late', detail: `names ${strange.candidate}, who is not in the plan` },
    ]);
  const inMinute = (instant: string) => Date.parse(instant) / MINUTE;
  const { slots: after, unmet } = await replanRest({
    problem,
    slots,
    seed: summary.seed,
    happened: {
      now: inMinute(wanted.now),
      examiners: wanted.examiners,
      patients: wanted.patients,
      gone: wanted.gone,
      late: wanted.late.map(({ candidate, from }) => ({ candidate, from: inMinute(from) })),
    },
  });
  const { zone } = await requireExamination(db, examinationId, lead);
  const clock = new Intl.DateTimeFormat('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    timeZone: zone,
  });
  const difference = differenceOf(slots, after, (minute) => clock.format(minute * MINUTE));
  if (!wanted.take) return { ...difference, unmet: [...unmet], plan: null } as Replanned;
  const made = newId();
  await db.transaction(async (trx) => {
    await holdExamination(trx, examinationId, lead);
    await plans.insertPlan(trx, {
      id: made,
      examinationId,
      wish: summary.wish,
      follows: { id, at: new Date(wanted.now) },
      seed: summary.seed,
      bound: summary.bound,
      length: lengthOf(problem, after),
      unmet,
      precision: summary.precision,
      generator: summary.generator,
      madeBy: lead.id,
    });
    await insertSlots(trx, made, after, known);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'timetable planned again',
      subject: examinationId,
      detail: { timetable: made, from: id, now: wanted.now, told: difference.people.length },
    });
  });
  return { ...difference, unmet: [...unmet], plan: made } as Replanned;
}

function lengthOf({ readingMinutes }: PlanningProblem, slots: readonly Slot[]): number {
  const days = new Map<number, { start: number; end: number }>();
  for (const { day, start, end } of slots) {
    const own = days.get(day) ?? { start, end };
    days.set(day, { start: Math.min(own.start, start), end: Math.max(own.end, end) });
  }
  return [...days.values()].reduce((sum, { start, end }) => sum + end - start + readingMinutes, 0);
}
