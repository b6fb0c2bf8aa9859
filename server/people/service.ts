import type { Account } from '@kritikos/contracts/accounts';
import type { CohortChoice } from '@kritikos/contracts/examinations';
import type { Cohort, NewCohort, NewStudent, Student } from '@kritikos/contracts/people';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { invalid, notFound } from '../http/problems.ts';
import * as people from './repository.ts';

export async function requireCohort(db: Database, id: string): Promise<Cohort> {
  const found = await people.findCohort(db, id);
  if (!found) throw notFound('cohort');
  return found;
}

export async function createCohort(db: Database, wanted: NewCohort, by: Account): Promise<Cohort> {
  return db.transaction(async (trx) => {
    const id = newId();
    if (!(await people.insertCohort(trx, { id, ...wanted }))) {
      throw invalid([
        { pointer: '/name', detail: `is a cohort of ${wanted.year} already; open that one` },
      ]);
    }
    await recordAction(trx, { accountId: by.id, action: 'cohort created', subject: id });
    return requireCohort(trx, id);
  });
}

/** The cohort of this name and year, made where there is none yet. */
export async function cohortNamed(db: Database, wanted: NewCohort, by: Account): Promise<string> {
  const made = await people.insertCohort(db, { id: newId(), ...wanted });
  if (made) {
    await recordAction(db, { accountId: by.id, action: 'cohort created', subject: made });
    return made;
  }
  const found = await people.findCohortNamed(db, wanted);
  if (!found) throw notFound('cohort');
  return found.id;
}

/** The cohort that was chosen, or named for an examination of this day. */
export async function chosenCohort(
  db: Database,
  chosen: CohortChoice,
  day: string,
  by: Account,
): Promise<string> {
  if (typeof chosen === 'string') {
    return cohortNamed(db, { name: chosen, year: Number(day.slice(0, 4)) }, by);
  }
  if (await people.findCohort(db, chosen.id)) return chosen.id;
  throw invalid([{ pointer: '/cohort', detail: 'is no cohort that there is' }]);
}

export async function requireStudent(db: Database, id: string): Promise<Student> {
  const found = await people.findStudent(db, id);
  if (!found) throw notFound('student');
  return found;
}

export async function addStudent(
  db: Database,
  cohortId: string,
  wanted: NewStudent,
  by: Account,
): Promise<Student> {
  return db.transaction(async (trx) => {
    await requireCohort(trx, cohortId);
    await refuseTakenNumber(trx, wanted.number, null);
    const id = newId();
    await people.insertStudents(trx, cohortId, [{ id, ...wanted }]);
    await recordAction(trx, { accountId: by.id, action: 'student added', subject: id });
    return requireStudent(trx, id);
  });
}

export async function changeStudent(
  db: Database,
  id: string,
  wanted: NewStudent,
  by: Account,
): Promise<Student> {
  return db.transaction(async (trx) => {
    const { number, name, extraTime, seatedBreaks } = await requireStudent(trx, id);
    await refuseTakenNumber(trx, wanted.number, id);
    await people.updateStudent(trx, id, wanted);
    await recordAction(trx, {
      accountId: by.id,
      action: 'student changed',
      subject: id,
      detail: { before: { number, name, extraTime, seatedBreaks } },
    });
    return requireStudent(trx, id);
  });
}

/** A number is one person’s, in whichever cohort: results are kept under it for years. */
async function refuseTakenNumber(db: Database, number: string, own: string | null): Promise<void> {
  const holder = await people.studentNumbered(db, number);
  if (!holder || holder.id === own) return;
  throw invalid([
    { pointer: '/number', detail: `is the number of ${holder.name}, cohort ${holder.cohort}` },
  ]);
}

/** Somebody who is retired is offered to no examination any more; what was examined stays. */
export async function retireStudent(
  db: Database,
  id: string,
  retired: boolean,
  by: Account,
): Promise<Student> {
  return db.transaction(async (trx) => {
    await requireStudent(trx, id);
    await people.setRetired(trx, id, retired);
    await recordAction(trx, {
      accountId: by.id,
      action: retired ? 'student retired' : 'student taken back',
      subject: id,
    });
    return requireStudent(trx, id);
  });
}
