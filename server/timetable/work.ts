import type { Account } from '@kritikos/contracts/accounts';
import type { Job } from '@kritikos/contracts/jobs';
import type { TimetableWish } from '@kritikos/contracts/timetable';
import { GENERATOR } from '@kritikos/core/numerics/random';
import type { Plan as CorePlan } from '@kritikos/core/timetable/problem';
import { recordAction } from '../audit/repository.ts';
import { requirePerson } from '../accounts/people.ts';
import type { Database } from '../db/database.ts';
import { holdExamination, requireExamination } from '../examinations/service.ts';
import { newId } from '../http/newId.ts';
import { conflict, HttpProblem } from '../http/problems.ts';
import type { Jobs, Worker } from '../jobs/jobs.ts';
import { planTimetable } from '../jobs/pool.ts';
import type { TimetableFound } from '../jobs/timetableJob.ts';
import { insertPlan } from './planRepository.ts';
import { questionOf } from './question.ts';
import type { Question } from './question.ts';
import { wishOf } from './service.ts';
import { insertSlots } from './slotRepository.ts';

interface Asked {
  readonly examination: string;
  readonly wish: TimetableWish;
}

/** Asks for a plan; it is made in a job, and asked again it is made again. */
export async function askPlan(
  db: Database,
  jobs: Jobs,
  examinationId: string,
  lead: Account,
): Promise<Job> {
  const examination = await requireExamination(db, examinationId, lead);
  const wish = await wishOf(db, examination, lead);
  const { problem } = await questionOf(db, examination, wish, lead);
  const missing = [
    ...(problem.stations.length === 0 ? ['stations'] : []),
    ...(problem.candidates.length === 0 ? ['candidates'] : []),
    ...(problem.examiners.length === 0 ? ['examiners who take part'] : []),
  ];
  if (missing.length > 0) {
    throw conflict('There is nothing to plan yet', `Add ${missing.join(' and ')} first.`);
  }
  return jobs.ask({
    kind: 'timetable',
    ownerId: lead.id,
    examinationId,
    // What there is may have changed between two questions in the same words.
    question: { examination: examinationId, wish, asked: newId() },
  });
}

/** The job: the plan is made in a thread and kept as a draft. Stopped by hand it keeps the best so far. */
export const timetableWork: Worker = async (db, { question, ownerId }, { signal, progress }) => {
  const { examination: examinationId, wish } = question as Asked;
  const lead = await requirePerson(db, ownerId);
  const examination = await requireExamination(db, examinationId, lead);
  const { problem, known, limits } = await questionOf(db, examination, wish, lead);
  let best: CorePlan | undefined;
  let found: TimetableFound;
  try {
    found = await planTimetable(
      { problem, seed: wish.seed },
      { signal, progress, found: (plan) => (best = plan) },
    );
  } catch (error) {
    if (!signal.aborted || !best) throw asRefusal(error);
    const why = 'it was stopped by hand; this is the best plan that was found until then';
    const stopped = { rule: 'clock', who: 'the search', why } as const;
    found = { plan: { ...best, unmet: [...best.unmet, stopped] }, precision: null };
  }
  const timetable = await keepPlan(db, { examinationId, wish, known, limits, ...found }, lead);
  return { timetable };
};

/** Keeps a plan as the draft of an examination. Answers with its id. */
export async function keepPlan(
  db: Database,
  {
    examinationId,
    wish,
    known,
    limits,
    plan,
    precision,
  }: Pick<Question, 'known' | 'limits'> &
    TimetableFound & { readonly examinationId: string; readonly wish: TimetableWish },
  lead: Account,
): Promise<string> {
  const id = newId();
  await db.transaction(async (trx) => {
    await holdExamination(trx, examinationId, lead);
    await insertPlan(trx, {
      id,
      examinationId,
      wish,
      follows: null,
      seed: wish.seed,
      bound: plan.bound,
      length: plan.length,
      unmet: [...limits, ...plan.unmet],
      precision,
      generator: GENERATOR,
      madeBy: lead.id,
    });
    await insertSlots(trx, id, plan.slots, known);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'timetable planned',
      subject: examinationId,
      detail: { timetable: id, slots: plan.slots.length, unmet: plan.unmet.length },
    });
  });
  return id;
}

/** What cannot be planned is said in words; the core says what would do. */
function asRefusal(error: unknown): unknown {
  if (error instanceof RangeError || (error as Error | undefined)?.name === 'RangeError') {
    return new HttpProblem(422, 'invalid', 'This cannot be planned', (error as Error).message);
  }
  return error;
}
