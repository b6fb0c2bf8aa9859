import type {
  Candidate,
  Examination,
  ExaminationSummary,
  NewExamination,
  Station,
} from '@kritikos/contracts/examinations';
import type { ExaminationLead, Role } from '@kritikos/contracts/accounts';
import type { CandidateStateChange } from '@kritikos/contracts/people';
import type { SeenVariants } from '@kritikos/core/scoring/checklist';
import type { Database } from '../db/database.ts';
import { ledBy, readBy } from './leads.ts';

const SUMMARY = `
  select e.id, e.title, e.school, g.name as cohort, e.held_on as "heldOn", e.zone,
    e.marking_opened_at as "markingOpenedAt", e.marking_closed_at as "markingClosedAt",
    e.warning_seconds as "warningSeconds",
    (select count(*) from candidate c where c.examination_id = e.id) as candidates,
    (select count(*) from station s where s.examination_id = e.id) as stations,
    (select count(*) from sheet h join station s on s.id = h.station_id where s.examination_id = e.id) as sheets,
    (select count(*) from sheet h join station s on s.id = h.station_id
      where s.examination_id = e.id and h.submitted_at is not null) as submitted
  from examination e join cohort g on g.id = e.cohort_id`;

/** The examinations that somebody leads or may read, the newest first. */
export async function listExaminations(
  db: Database,
  viewer: string,
): Promise<ExaminationSummary[]> {
  const { rows } = await db.raw(
    `${SUMMARY} where ${readBy('e.id')} order by e.held_on desc, e.id desc limit 200`,
    { viewer },
  );
  return rows.map(summaryOf);
}

export type StoredExamination = Omit<Examination, 'progress' | 'stationList'>;

export async function findExamination(
  db: Database,
  id: string,
  viewer: string,
): Promise<StoredExamination | undefined> {
  const { rows } = await db.raw(`${SUMMARY} where e.id = :id and ${readBy('e.id')}`, {
    id,
    viewer,
  });
  const row = rows[0];
  return (
    row && {
      ...summaryOf(row),
      markingOpenedAt: row.markingOpenedAt?.toISOString() ?? null,
      warningSeconds: row.warningSeconds,
      markingOpen: row.markingOpenedAt !== null && row.markingClosedAt === null,
    }
  );
}

function summaryOf(row: ExaminationSummary): ExaminationSummary {
  const { id, title, school, cohort, heldOn, zone, candidates, stations, sheets, submitted } = row;
  return { id, title, school, cohort, heldOn, zone, candidates, stations, sheets, submitted };
}

/** Makes an examination that whoever makes it leads. */
export async function insertExamination(
  db: Database,
  id: string,
  examination: Omit<NewExamination, 'cohort'>,
  cohortId: string,
  createdBy: string,
): Promise<void> {
  const { title, school, heldOn, zone } = examination;
  await db('examination').insert({
    id,
    title,
    school,
    cohort_id: cohortId,
    held_on: heldOn,
    zone,
    created_by: createdBy,
  });
  await db('examination_lead').insert({ examination_id: id, account_id: createdBy, may: 'lead' });
}

export async function listLeads(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<ExaminationLead[]> {
  return db('examination_lead as l')
    .join('account as a', 'a.id', 'l.account_id')
    .where('l.examination_id', examinationId)
    .whereRaw(readBy('l.examination_id'), { viewer })
    .orderBy(['l.may', 'a.name'])
    .select('a.id as accountId', 'a.name', 'a.email', 'l.may');
}

export async function replaceLeads(
  db: Database,
  examinationId: string,
  leads: readonly { accountId: string; may: 'lead' | 'read' }[],
): Promise<void> {
  await db('examination_lead').where({ examination_id: examinationId }).delete();
  await db('examination_lead').insert(
    leads.map(({ accountId, may }) => ({
      examination_id: examinationId,
      account_id: accountId,
      may,
    })),
  );
}

/** Opens marking, or closes it for a break; when it was first opened stays known. */
export async function setMarkingOpened(db: Database, id: string, open: boolean): Promise<void> {
  await db.raw(
    open
      ? `update examination set marking_opened_at = coalesce(marking_opened_at, now()),
           marking_closed_at = null where id = ?`
      : `update examination set marking_closed_at = coalesce(marking_closed_at, now())
         where id = ? and marking_opened_at is not null`,
    [id],
  );
}

export async function setWarning(db: Database, id: string, seconds: number): Promise<void> {
  await db('examination').where({ id }).update({ warning_seconds: seconds });
}

export async function listStations(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<Station[]> {
  const { rows } = await db.raw(
    `select s.id, s.position, s.title, s.minutes, s.bank_version_id as "bankVersionId",
       v.id as "checklistVersionId", c.procedure_id as "procedureId", c.title as "procedureTitle", c.region, v.version,
       jsonb_array_length(v.content -> 'items') as items, v.frozen_at as "frozenAt",
       coalesce((select jsonb_agg(jsonb_build_object('accountId', a.id, 'name', a.name, 'every', x.every)
           order by x.every, a.name)
         from station_examiner x join account a on a.id = x.account_id
         where x.station_id = s.id), '[]') as examiners,
       s.patient_readings as "patientReadings",
       (select jsonb_build_object('versionId', o.id, 'version', o.version)
         from checklist_version o join examination e on e.id = s.examination_id
         where o.checklist_id = c.id and o.origin = 'catalogue' and o.version > v.version
           and e.marking_opened_at is null
         order by o.version desc limit 1) as offered,
       coalesce((select jsonb_agg(jsonb_build_object('item', i ->> 'key', 'text', i ->> 'text',
           'unit', i ->> 'unit', 'derived', case when i -> 'lower' = i -> 'upper' then i ->> 'lower'
             else (i ->> 'lower') || ' to ' || (i ->> 'upper') end))
         from jsonb_array_elements(v.content -> 'items') i
         where i ->> 'kind' = 'measured' and i ->> 'domain' <> 'positioning'), '[]') as readable
     from station s
       join checklist_version v on v.id = s.checklist_version_id
       join checklist c on c.id = v.checklist_id
     where s.examination_id = :examinationId and ${readBy('s.examination_id')}
     order by s.position`,
    { examinationId, viewer },
  );
  return rows.map((row: Station & { frozenAt: Date | null }) => ({
    ...row,
    frozenAt: row.frozenAt?.toISOString() ?? null,
  }));
}

export interface FoundStation {
  readonly id: string;
  readonly examinationId: string;
  readonly position: number;
  readonly title: string;
  readonly checklistVersionId: string;
}

export async function findStation(
  db: Database,
  id: string,
  viewer: string,
): Promise<FoundStation | undefined> {
  return db('station')
    .where({ id })
    .whereRaw(readBy('station.examination_id'), { viewer })
    .first('id', 'examination_id as examinationId', 'position', 'title')
    .select('checklist_version_id as checklistVersionId');
}

export async function insertStation(
  db: Database,
  station: {
    id: string;
    examinationId: string;
    title: string;
    minutes: number;
    checklistVersionId: string;
    bankVersionId: string;
  },
): Promise<void> {
  await db.raw(
    `insert into station (id, examination_id, position, title, minutes, checklist_version_id,
       bank_version_id)
     select ?, ?, coalesce(max(position), 0) + 1, ?, ?, ?, ? from station where examination_id = ?`,
    [
      station.id,
      station.examinationId,
      station.title,
      station.minutes,
      station.checklistVersionId,
      station.bankVersionId,
      station.examinationId,
    ],
  );
}

export async function keepReadings(
  db: Database,
  stationId: string,
  readings: Readonly<Record<string, number>>,
): Promise<void> {
  await db('station')
    .where({ id: stationId })
    .update({ patient_readings: JSON.stringify(readings) });
}

export async function countSubmittedSheets(db: Database, stationId: string): Promise<number> {
  const row = await db('sheet')
    .where({ station_id: stationId })
    .whereNotNull('submitted_at')
    .count('* as n')
    .first();
  return Number(row?.n ?? 0);
}

/** Takes the examination for this transaction, for who leads it; false where it is not theirs. */
export async function lockExamination(db: Database, id: string, lead: string): Promise<boolean> {
  const row = await db('examination')
    .where({ id })
    .whereRaw(ledBy('examination.id'), { viewer: lead })
    .forUpdate()
    .first('id');
  return row !== undefined;
}

/** The checklist that a station is marked on, whichever its version. */
export async function checklistOf(db: Database, stationId: string): Promise<string> {
  const row = await db('station as s')
    .join('checklist_version as v', 'v.id', 's.checklist_version_id')
    .where('s.id', stationId)
    .first('v.checklist_id');
  return row.checklist_id;
}

export async function useVersion(
  db: Database,
  stationId: string,
  versionId: string,
  variants: SeenVariants,
): Promise<void> {
  await db('station').where({ id: stationId }).update({ checklist_version_id: versionId });
  await db('sheet')
    .where({ station_id: stationId })
    .update({ checklist_version_id: versionId, variants: JSON.stringify(variants) });
}

export async function replaceStationExaminers(
  db: Database,
  stationId: string,
  examiners: readonly { accountId: string; every: number }[],
): Promise<void> {
  await db('station_examiner').where({ station_id: stationId }).delete();
  if (examiners.length === 0) return;
  await db('station_examiner').insert(
    examiners.map((e) => ({ station_id: stationId, account_id: e.accountId, every: e.every })),
  );
}

/** How many of these hold the role and may sign in. */
export async function countHolders(
  db: Database,
  role: Role,
  ids: readonly string[],
): Promise<number> {
  const row = await db('account')
    .whereIn('id', ids)
    .where({ disabled_at: null })
    .whereRaw('? = any(roles)', [role])
    .count('* as n')
    .first();
  return Number(row?.n ?? 0);
}

export async function candidateNumbers(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<{ id: string; number: number; state: Candidate['state'] }[]> {
  return db('candidate')
    .where({ examination_id: examinationId })
    .whereRaw(readBy('candidate.examination_id'), { viewer })
    .orderBy('number')
    .select('id', 'number', 'state');
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

export async function cohortOf(db: Database, examinationId: string): Promise<string> {
  const row = await db('examination').where({ id: examinationId }).first('cohort_id');
  return row.cohort_id;
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

export interface PlannedSheet {
  readonly id: string;
  readonly station_id: string;
  readonly candidate_id: string;
  readonly examiner_id: string;
  readonly checklist_version_id: string;
  /** The variant of each procedure that is expected, as JSON. */
  readonly variants: string;
}

/** Removes the sheets without a tap that the plan no longer wants, and says how many. */
export async function removeUnplannedSheets(
  db: Database,
  examinationId: string,
  wanted: readonly PlannedSheet[],
): Promise<number> {
  const { rowCount } = await db.raw(
    `delete from sheet h using station s
     where s.id = h.station_id and s.examination_id = :examinationId and h.started_at is null
       and not exists (select from mark_event e where e.sheet_id = h.id)
       and not exists (
         select from unnest(:stations::uuid[], :candidates::uuid[], :examiners::uuid[])
           as w(station_id, candidate_id, examiner_id)
         where (w.station_id, w.candidate_id, w.examiner_id)
           = (h.station_id, h.candidate_id, h.examiner_id))`,
    {
      examinationId,
      stations: wanted.map((w) => w.station_id),
      candidates: wanted.map((w) => w.candidate_id),
      examiners: wanted.map((w) => w.examiner_id),
    },
  );
  return rowCount;
}

/** Adds the planned sheets that are not there yet, and says how many. */
export async function insertPlannedSheets(
  db: Database,
  sheets: readonly PlannedSheet[],
): Promise<number> {
  let added = 0;
  for (let from = 0; from < sheets.length; from += 1000) {
    const made = await db('sheet')
      .insert(sheets.slice(from, from + 1000))
      .onConflict(['station_id', 'candidate_id', 'examiner_id'])
      .ignore()
      .returning('id');
    added += made.length;
  }
  return added;
}

/** How many sheets there are, and how many candidates are marked twice at a station. */
export async function countPlanned(
  db: Database,
  examinationId: string,
): Promise<{ sheets: number; doubleMarked: number }> {
  const { rows } = await db.raw(
    `select coalesce(sum(n), 0) as sheets, count(*) filter (where n > 1) as "doubleMarked"
     from (select count(*) as n from sheet h join station s on s.id = h.station_id
       where s.examination_id = ? group by h.station_id, h.candidate_id) pair`,
    [examinationId],
  );
  return rows[0];
}

export interface CycleCounts {
  assigned: number;
  confirmed: number;
  pairs: number;
  pairsDone: number;
  decisions: number;
}

/** What the progress along the cycle is counted from. */
export async function cycleCounts(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<CycleCounts> {
  const { rows } = await db.raw(
    `with own as (select e.id from examination e where e.id = :id and ${readBy('e.id')}),
     pair as (
       select count(*) filter (where h.submitted_at is not null) >= 2 as done
       from sheet h join station s on s.id = h.station_id join own on own.id = s.examination_id
       group by h.station_id, h.candidate_id having count(*) >= 2)
     select
       (select count(*) from station_examiner x join station s on s.id = x.station_id
          join own on own.id = s.examination_id) as assigned,
       (select count(*) from station_examiner x join station s on s.id = x.station_id
          join briefing_confirmation b on b.station_id = s.id and b.account_id = x.account_id
            and b.checklist_version_id = s.checklist_version_id
          join own on own.id = s.examination_id) as confirmed,
       (select count(*) from pair) as pairs,
       (select count(*) from pair where done) as "pairsDone",
       (select count(*) from decision d join own on own.id = d.examination_id) as decisions`,
    { id: examinationId, viewer },
  );
  return rows[0];
}
