import type { Candidate } from '@kritikos/contracts/examinations';
import type { CandidateStateChange } from '@kritikos/contracts/people';
import type { Database } from '../db/database.ts';
import { readBy } from './leads.ts';

export async function candidateNumbers(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<Pick<Candidate, 'id' | 'number' | 'circuit' | 'state'>[]> {
  return db('candidate')
    .where({ examination_id: examinationId })
    .whereRaw(readBy('candidate.examination_id'), { viewer })
    .orderBy('number')
    .select('id', 'number', 'circuit', 'state');
}

const CANDIDATE = {
  id: 'candidate.id',
  number: 'candidate.number',
  name: 'p.name',
  circuit: 'candidate.circuit',
  studentNumber: 'p.number',
  state: 'candidate.state',
  stateSince: 'candidate.state_since',
  stateReason: 'candidate.state_reason',
};

function candidateOf(row: Omit<Candidate, 'stateSince'> & { stateSince: Date | null }): Candidate {
  return { ...row, stateSince: row.stateSince?.toISOString() ?? null };
}

export async function findCandidate(
  db: Database,
  id: string,
  viewer: string,
): Promise<(Candidate & { examinationId: string }) | undefined> {
  const row = await db('candidate')
    .join('student as p', 'p.id', 'candidate.student_id')
    .where('candidate.id', id)
    .whereRaw(readBy('candidate.examination_id'), { viewer })
    .first({ ...CANDIDATE, examinationId: 'candidate.examination_id' });
  return row && { ...candidateOf(row), examinationId: row.examinationId };
}

/** Says how it stands with a candidate; the time is now, and none for who is expected. */
export async function setCandidateState(
  db: Database,
  id: string,
  change: CandidateStateChange,
): Promise<void> {
  await db('candidate')
    .where({ id })
    .update({
      state: change.state,
      state_since: change.state === 'expected' ? null : db.fn.now(),
      state_reason: change.state === 'expected' ? null : change.reason,
    });
}

/** The students who are candidates here already. */
export async function examinedStudents(db: Database, examinationId: string): Promise<string[]> {
  return db('candidate').where({ examination_id: examinationId }).pluck('student_id');
}

export async function largestNumber(db: Database, examinationId: string): Promise<number> {
  const row = await db('candidate')
    .where({ examination_id: examinationId })
    .max('number as most')
    .first();
  return row?.most ?? 0;
}

export interface NewCandidate {
  readonly id: string;
  readonly number: number;
  readonly circuit: string;
  readonly studentId: string;
}

export async function candidatePage(
  db: Database,
  examinationId: string,
  viewer: string,
  { offset, limit }: { offset: number; limit: number },
): Promise<{ total: number; candidates: Candidate[] }> {
  const all = db('candidate')
    .where({ examination_id: examinationId })
    .whereRaw(readBy('candidate.examination_id'), { viewer });
  const total = Number((await all.clone().count('* as n').first())?.n ?? 0);
  const candidates = await all
    .clone()
    .join('student as p', 'p.id', 'candidate.student_id')
    .orderBy('candidate.number')
    .offset(offset)
    .limit(limit)
    .select(CANDIDATE);
  return { total, candidates: candidates.map(candidateOf) };
}

export async function insertCandidates(
  db: Database,
  examinationId: string,
  candidates: readonly NewCandidate[],
): Promise<void> {
  await db.batchInsert(
    'candidate',
    candidates.map(({ studentId, ...c }) => ({
      ...c,
      student_id: studentId,
      examination_id: examinationId,
    })),
    1000,
  );
}
