import type {
  Cohort,
  NewCohort,
  NewStudent,
  Student,
  StudentPage,
} from '@kritikos/contracts/people';
import type { Database } from '../db/database.ts';

const COHORT = `select c.id, c.name, c.year,
    (select count(*) from student s where s.cohort_id = c.id and s.retired_at is null) as students,
    (select count(*) from student s where s.cohort_id = c.id and s.retired_at is not null) as retired,
    (select count(*) from examination e where e.cohort_id = c.id) as examinations
  from cohort c`;

export async function listCohorts(db: Database): Promise<Cohort[]> {
  const { rows } = await db.raw(`${COHORT} order by c.year desc, c.name limit 200`);
  return rows;
}

export async function findCohort(db: Database, id: string): Promise<Cohort | undefined> {
  const { rows } = await db.raw(`${COHORT} where c.id = ?`, [id]);
  return rows[0];
}

/** Makes the cohort of this name and year where there is none; answers with its id, if it was made. */
export async function insertCohort(
  db: Database,
  { id, name, year }: NewCohort & { id: string },
): Promise<string | undefined> {
  const [made] = await db('cohort')
    .insert({ id, name, year })
    .onConflict(['name', 'year'])
    .ignore()
    .returning('id');
  return made?.id;
}

export async function findCohortNamed(
  db: Database,
  { name, year }: NewCohort,
): Promise<{ id: string } | undefined> {
  return db('cohort').where({ name, year }).first('id');
}

const STUDENT = `select s.id, s.cohort_id as "cohortId", s.number, s.name, s.extra_time as "extraTime",
    s.seated_breaks as "seatedBreaks", s.retired_at is not null as retired,
    (select count(*) from candidate k where k.student_id = s.id) as examinations
  from student s`;

export async function findStudent(db: Database, id: string): Promise<Student | undefined> {
  const { rows } = await db.raw(`${STUDENT} where s.id = ?`, [id]);
  return rows[0];
}

/** A page of a cohort in the order of the numbers, those who are retired last. */
export async function studentPage(
  db: Database,
  cohortId: string,
  { offset, limit, search }: { offset: number; limit: number; search?: string | undefined },
): Promise<StudentPage> {
  const found = `from student s where s.cohort_id = :cohortId
    and (:search::text is null or position(lower(:search) in lower(s.number || ' ' || s.name)) > 0)`;
  const bindings = { cohortId, search: search ?? null, offset, limit };
  const { rows: counted } = await db.raw(`select count(*) as total ${found}`, bindings);
  const { rows } = await db.raw(
    `${STUDENT} where s.id in (select s.id ${found})
     order by s.retired_at is not null, s.number collate as_read, s.id offset :offset limit :limit`,
    bindings,
  );
  return { total: counted[0].total, students: rows };
}

/** Who has the number, in whichever cohort. */
export async function studentNumbered(db: Database, number: string): Promise<Holder | undefined> {
  return db('student as s')
    .join('cohort as c', 'c.id', 's.cohort_id')
    .where('s.number', number)
    .first('s.id', 's.name', 'c.name as cohort');
}

export interface Holder {
  readonly id: string;
  readonly name: string;
  readonly cohort: string;
}

/** Who has these numbers, in whichever cohort. */
export async function holdersOf(
  db: Database,
  numbers: readonly string[],
): Promise<Map<string, Holder>> {
  const { rows } = await db.raw(
    `select s.number, s.id, s.name, c.name as cohort
     from student s join cohort c on c.id = s.cohort_id where s.number = any(?::text[])`,
    [[...numbers]],
  );
  return new Map(
    rows.map(({ number, ...holder }: Holder & { number: string }) => [number, holder]),
  );
}

export async function insertStudents(
  db: Database,
  cohortId: string,
  students: readonly (NewStudent & { id: string })[],
): Promise<void> {
  await db.batchInsert(
    'student',
    students.map(({ id, number, name, extraTime, seatedBreaks }) => ({
      id,
      cohort_id: cohortId,
      number,
      name,
      extra_time: extraTime,
      seated_breaks: seatedBreaks,
    })),
    1000,
  );
}

export async function updateStudent(
  db: Database,
  id: string,
  { number, name, extraTime, seatedBreaks }: NewStudent,
): Promise<void> {
  await db('student')
    .where({ id })
    .update({ number, name, extra_time: extraTime, seated_breaks: seatedBreaks });
}

export async function setRetired(db: Database, id: string, retired: boolean): Promise<void> {
  await db.raw(
    `update student set retired_at = case when ? then coalesce(retired_at, now()) end where id = ?`,
    [retired, id],
  );
}

/** The students of a cohort who may be examined. */
export async function activeStudents(
  db: Database,
  cohortId: string,
): Promise<{ id: string; number: string; name: string }[]> {
  return db('student')
    .where({ cohort_id: cohortId, retired_at: null })
    .orderByRaw('number collate as_read, id')
    .select('id', 'number', 'name');
}
