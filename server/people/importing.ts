import type { Account } from '@kritikos/contracts/accounts';
import type { Job } from '@kritikos/contracts/jobs';
import type { CellError } from '@kritikos/contracts/examinations';
import { columnMapping } from '@kritikos/contracts/studentImport';
import type { ColumnMapping, StudentImport, Upload } from '@kritikos/contracts/studentImport';
import { id as anId } from '@kritikos/contracts/primitives';
import { z } from 'zod';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { HttpProblem, invalid, notFound } from '../http/problems.ts';
import type { Jobs, Worker } from '../jobs/jobs.ts';
import { readStudents } from '../jobs/pool.ts';
import * as repository from './importRepository.ts';
import type { KnownStudent } from './importRepository.ts';
import { requireCohort } from './service.ts';
import { guessMapping } from './studentFile.ts';
import type { StudentRow } from './studentFile.ts';

/** So many changes and errors are told one by one; the rest is counted. */
const MOST_TOLD = 200;

/** Takes a list in and says what its columns are; nothing of it is a student yet. */
export async function takeUpload(
  db: Database,
  cohortId: string,
  { fileName, content }: { fileName: string; content: Buffer },
  by: Account,
): Promise<Upload> {
  await requireCohort(db, cohortId);
  const read = await readStudents({ content, mapping: null });
  if ('unreadable' in read) {
    throw new HttpProblem(422, 'invalid', 'The list cannot be read', read.unreadable);
  }
  const { columns, sample, notes } = read.table;
  const id = newId();
  await repository.insertUpload(db, { id, ownerId: by.id, fileName, content });
  const remembered = await repository.rememberedMapping(db, by.id, columns);
  return {
    id,
    fileName,
    columns: [...columns],
    sample,
    notes: [...notes],
    mapping: remembered ?? guessMapping(columns),
    remembered: remembered !== undefined,
  };
}

const question = z.object({
  cohort: anId,
  upload: anId,
  mapping: columnMapping,
  take: z.boolean(),
});

/** Asks for the whole list to be read, and where `take` is said, to be taken: all of it or nothing. */
export async function askForImport(
  db: Database,
  jobs: Jobs,
  wanted: { cohort: string; upload: string; mapping: ColumnMapping; take: boolean },
  by: Account,
): Promise<Job> {
  await requireCohort(db, wanted.cohort);
  if (!(await repository.hasUpload(db, wanted.upload, by.id))) throw notFound('list');
  // What is here already changes from one look to the next, so that every look is a new question.
  const asked = { ...wanted, look: newId() };
  return jobs.ask({ kind: 'student-import', ownerId: by.id, question: asked });
}

/** Reads a list, says what it would change, and takes it where that was asked and nothing is wrong. */
export const importStudents: Worker = async (db, { question: asked, ownerId }, around) => {
  const { cohort, upload, mapping, take } = question.parse(asked);
  const found = await repository.findUpload(db, upload, ownerId);
  if (!found) throw notFound('list');
  const read = await readStudents({ content: found.content, mapping }, around);
  if ('unreadable' in read) {
    throw new HttpProblem(422, 'invalid', 'The list cannot be read', read.unreadable);
  }
  const { columns } = read.table;
  refuseStrangeColumns(mapping, columns.length);
  // Also of a list that is refused below: corrected, it comes again, and need not be mapped again.
  await repository.rememberMapping(db, ownerId, columns, mapping);
  const { students, errors } = read.file ?? { students: [], errors: [] };
  around.progress(0.6);
  return db.transaction(async (trx): Promise<StudentImport> => {
    await repository.holdStudents(trx);
    const known = await repository.knownByNumber(
      trx,
      students.map(({ number }) => number),
    );
    const plan = planOf(students, known, cohort, columns[mapping.number] ?? '');
    const all = [...errors, ...plan.errors].sort((a, b) => a.row - b.row);
    const taken = take && all.length === 0;
    if (taken) {
      await repository.writeStudents(trx, cohort, plan.added, plan.updated);
      await repository.dropUpload(trx, upload);
      await recordAction(trx, {
        accountId: ownerId,
        action: 'students imported',
        subject: cohort,
        detail: { file: found.fileName, added: plan.added.length, changed: plan.updated.length },
      });
    }
    return {
      rows: students.length,
      added: plan.added.length,
      changed: plan.changed,
      moved: plan.moved,
      same: plan.same,
      changes: plan.changes.slice(0, MOST_TOLD),
      errors: all.slice(0, MOST_TOLD),
      errorCount: all.length,
      taken,
    };
  });
};

function refuseStrangeColumns(
  { number, name, extraTime, seatedBreaks }: ColumnMapping,
  columns: number,
): void {
  const named = [number, ...name, extraTime, seatedBreaks].filter((column) => column !== null);
  if (named.every((column) => column < columns)) return;
  throw invalid([{ pointer: '/mapping', detail: 'names a column that the list does not have' }]);
}

interface Plan {
  readonly added: (StudentRow & { id: string })[];
  readonly updated: (StudentRow & { id: string })[];
  readonly changes: StudentImport['changes'];
  readonly errors: CellError[];
  changed: number;
  moved: number;
  same: number;
}

/** What becomes of every row: a new student, a change of one who is here, or an error. */
function planOf(
  students: readonly StudentRow[],
  known: ReadonlyMap<string, KnownStudent>,
  cohort: string,
  numberColumn: string,
): Plan {
  const plan: Plan = {
    added: [],
    updated: [],
    changes: [],
    errors: [],
    changed: 0,
    moved: 0,
    same: 0,
  };
  for (const student of students) {
    const before = known.get(student.number);
    if (!before) {
      plan.added.push({ ...student, id: newId() });
      continue;
    }
    const elsewhere = before.cohortId !== cohort;
    if (elsewhere && !sameName(before.name, student.name)) {
      plan.errors.push({
        row: student.row,
        column: numberColumn,
        detail: `${student.number} is the number of ${before.name}, cohort ${before.cohort}. Correct it, or retire that student under another number.`,
      });
      continue;
    }
    const what = differences(before, student, elsewhere);
    if (what.length === 0) {
      plan.same++;
      continue;
    }
    plan.updated.push({ ...student, id: before.id });
    plan.changes.push({ number: student.number, name: student.name, what });
    if (elsewhere) plan.moved++;
    else plan.changed++;
  }
  return plan;
}

function sameName(one: string, other: string): boolean {
  const plain = (name: string) => name.normalize('NFC').toLowerCase().replace(/\s+/g, ' ');
  return plain(one) === plain(other);
}

function differences(before: KnownStudent, now: StudentRow, elsewhere: boolean): string[] {
  const what: string[] = [];
  if (elsewhere) what.push(`moves here from cohort ${before.cohort}`);
  if (before.name !== now.name) what.push(`name was ${before.name}`);
  if (before.extraTime !== now.extraTime) what.push(`extra time was ${before.extraTime} %`);
  if (before.seatedBreaks !== now.seatedBreaks) {
    what.push(now.seatedBreaks ? 'seated breaks are new' : 'seated breaks fall away');
  }
  if (before.retired) what.push('was retired and comes back');
  return what;
}
