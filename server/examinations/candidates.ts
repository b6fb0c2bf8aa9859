import type { Account } from '@kritikos/contracts/accounts';
import type {
  Candidate,
  CellError,
  Examination,
  ImportPreview,
} from '@kritikos/contracts/examinations';
import type {
  CandidateStateChange,
  CohortCandidates,
  NewStudent,
} from '@kritikos/contracts/people';
import { groupBy } from '@kritikos/core/numerics/groupBy';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { conflict, invalid, notFound } from '../http/problems.ts';
import type { HttpProblem } from '../http/problems.ts';
import { readCandidates } from '../jobs/pool.ts';
import * as people from '../people/repository.ts';
import * as candidates from './candidateRepository.ts';
import * as examinations from './repository.ts';
import type { NewCandidate } from './candidateRepository.ts';
import { describeExamination, holdExamination, requireExamination } from './service.ts';

/** Reads a candidate list and says what would happen; nothing is saved. */
export async function previewCandidates(
  db: Database,
  examinationId: string,
  content: string,
  lead: Account,
): Promise<ImportPreview> {
  await requireExamination(db, examinationId, lead);
  const numbers = await candidates.candidateNumbers(db, examinationId, lead.id);
  return readCandidates({ content, taken: numbers.map((c) => c.number) });
}

/** Takes a candidate list whole, or not at all. */
export async function importCandidates(
  db: Database,
  examinationId: string,
  content: string,
  lead: Account,
): Promise<Examination> {
  const { rows, errors } = await previewCandidates(db, examinationId, content, lead);
  refuseBadCells(errors);
  await db.transaction(async (trx) => {
    await holdExamination(trx, examinationId, lead);
    // The list was read before anything was held; another import may have come in between.
    const taken = await candidates.candidateNumbers(trx, examinationId, lead.id);
    const numbers = new Set(taken.map((c) => c.number));
    refuseBadCells(
      rows.flatMap(({ number }, i) =>
        numbers.has(number)
          ? [
              {
                row: i + 2,
                column: 'number',
                detail: `Candidate ${number} was imported meanwhile.`,
              },
            ]
          : [],
      ),
    );
    await candidates.insertCandidates(
      trx,
      examinationId,
      await withStudents(trx, examinationId, rows),
    );
    await recordAction(trx, {
      accountId: lead.id,
      action: 'candidates imported',
      subject: examinationId,
      detail: { candidates: rows.length },
    });
  });
  return describeExamination(db, examinationId, lead);
}

/**
 * The rows of a list with the students whom they are: by the student’s number where the list has
 * it, else by the name where it is one person’s in the cohort; anybody else is a new student.
 */
async function withStudents(
  trx: Database,
  examinationId: string,
  rows: ImportPreview['rows'],
): Promise<NewCandidate[]> {
  const cohortId = await examinations.cohortOf(trx, examinationId);
  const known = await people.activeStudents(trx, cohortId);
  const free = new Set(known.map(({ id }) => id));
  for (const id of await candidates.examinedStudents(trx, examinationId)) free.delete(id);
  const byNumber = new Map(known.map((student) => [student.number, student]));
  const byName = groupBy(
    known.filter(({ id }) => free.has(id)),
    (student) => student.name,
  );
  const holders = await people.holdersOf(
    trx,
    rows.map(({ number, student }) => student ?? String(number)),
  );
  const made: (NewStudent & { id: string })[] = [];
  const errors: CellError[] = [];
  const fresh: NewCandidate[] = [];
  for (const [i, { number, name, circuit, student }] of rows.entries()) {
    const namesakes = byName.get(name) ?? [];
    const named = namesakes.length === 1 ? namesakes[0] : undefined;
    const found = student === null ? named : byNumber.get(student);
    if (found && !free.delete(found.id)) {
      const detail = `${found.name} (${found.number}) is a candidate of this examination already.`;
      errors.push({ row: i + 2, column: student === null ? 'name' : 'student', detail });
      continue;
    }
    const studentId = found?.id ?? newId();
    if (!found) {
      const own = student ?? (await freeNumber(trx, String(number), holders));
      const holder = holders.get(own);
      if (holder) {
        const detail = `${own} is the number of ${holder.name}, cohort ${holder.cohort}.`;
        errors.push({ row: i + 2, column: 'student', detail });
      }
      holders.set(own, { id: studentId, name, cohort: 'of this list' });
      made.push({ id: studentId, number: own, name, extraTime: 0, seatedBreaks: false });
    }
    fresh.push({ id: newId(), number, circuit, studentId });
  }
  refuseBadCells(errors);
  await people.insertStudents(trx, cohortId, made);
  return fresh;
}

/** A number for a student whose list has none: that of the candidate, or the next like it. */
async function freeNumber(
  trx: Database,
  wanted: string,
  holders: ReadonlyMap<string, unknown>,
): Promise<string> {
  for (let n = 1; ; n++) {
    const number = n === 1 ? wanted : `${wanted}-${n}`;
    if (holders.has(number)) continue;
    if (n === 1 || !(await people.studentNumbered(trx, number))) return number;
  }
}

/**
 * Makes candidates of the students of the cohort who are none yet: numbered on in the order of
 * their own numbers, and dealt over the circuits in turn.
 */
export async function takeCohort(
  db: Database,
  examinationId: string,
  { circuits }: CohortCandidates,
  lead: Account,
): Promise<Examination> {
  await db.transaction(async (trx) => {
    const { cohort } = await holdExamination(trx, examinationId, lead);
    const examined = new Set(await candidates.examinedStudents(trx, examinationId));
    const students = await people.activeStudents(
      trx,
      await examinations.cohortOf(trx, examinationId),
    );
    const fresh = students.filter(({ id }) => !examined.has(id));
    if (fresh.length === 0) throw nobodyToTake(cohort, students.length);
    const last = await candidates.largestNumber(trx, examinationId);
    await candidates.insertCandidates(
      trx,
      examinationId,
      fresh.map((student, i) => ({
        id: newId(),
        number: last + i + 1,
        circuit: circuits[i % circuits.length] ?? '',
        studentId: student.id,
      })),
    );
    await recordAction(trx, {
      accountId: lead.id,
      action: 'cohort taken',
      subject: examinationId,
      detail: { candidates: fresh.length },
    });
  });
  return describeExamination(db, examinationId, lead);
}

function nobodyToTake(cohort: string, students: number): HttpProblem {
  return conflict(
    'There is nobody to take',
    students === 0
      ? `Cohort ${cohort} has no student who is not retired. Bring in its list under Cohorts, or choose another cohort.`
      : `All ${students} students of cohort ${cohort} are candidates already.`,
  );
}

/** Notes that a candidate does not come, and why; what was marked stays, and so does the place. */
export async function changeCandidateState(
  db: Database,
  id: string,
  change: CandidateStateChange,
  lead: Account,
): Promise<Candidate> {
  return db.transaction(async (trx) => {
    const found = await candidates.findCandidate(trx, id, lead.id);
    if (!found) throw notFound('candidate');
    await holdExamination(trx, found.examinationId, lead);
    await candidates.setCandidateState(trx, id, change);
    await recordAction(trx, {
      accountId: lead.id,
      action: `candidate ${change.state}`,
      subject: id,
      detail: 'reason' in change ? { reason: change.reason } : {},
    });
    const { examinationId, ...now } = (await candidates.findCandidate(trx, id, lead.id)) ?? found;
    void examinationId;
    return now;
  });
}

function refuseBadCells(errors: readonly CellError[]): void {
  if (errors.length === 0) return;
  throw invalid(
    errors.slice(0, 100).map((e) => ({
      pointer: `/row ${e.row}${e.column ? `/${e.column}` : ''}`,
      detail: e.detail,
    })),
    'The list was not imported',
  );
}
