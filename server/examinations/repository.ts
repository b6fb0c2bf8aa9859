import type { ExaminationLead, Role } from '@kritikos/contracts/accounts';
import type {
  Examination,
  ExaminationSummary,
  NewExamination,
} from '@kritikos/contracts/examinations';
import type { Database } from '../db/database.ts';
import { ledBy, readBy } from './leads.ts';

const SUMMARY = `
  select e.id, e.title, e.school, g.name as cohort, e.cohort_id as "cohortId",
    e.put_away_at is not null as "putAway", e.held_on as "heldOn", e.zone,
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

export type StoredExamination = Omit<
  Examination,
  'progress' | 'stationList' | 'held' | 'deletable'
>;

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
  const { id, title, school, cohort, cohortId, heldOn, zone, putAway } = row;
  const { candidates, stations, sheets, submitted } = row;
  return {
    ...{ id, title, school, cohort, cohortId, heldOn, zone, putAway },
    ...{ candidates, stations, sheets, submitted },
  };
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

export async function updateDetails(
  db: Database,
  id: string,
  { title, school, heldOn, zone }: Omit<NewExamination, 'cohort'>,
  cohortId: string,
): Promise<void> {
  await db('examination')
    .where({ id })
    .update({ title, school, cohort_id: cohortId, held_on: heldOn, zone });
}

export async function setPutAway(db: Database, id: string, away: boolean): Promise<void> {
  await db('examination')
    .where({ id })
    .update({ put_away_at: away ? db.fn.now() : null });
}

/** Holds where nothing is in the examination that somebody made or that others stand on. */
const DELETABLE = `not exists (select from candidate c where c.examination_id = e.id)
  and not exists (select from station s where s.examination_id = e.id)
  and not exists (select from timetable t where t.examination_id = e.id)
  and not exists (select from panel p where p.examination_id = e.id)
  and not exists (select from house_proposal o where o.examination_id = e.id)
  and not exists (select from examination f where f.follows = e.id)`;

export async function isDeletable(db: Database, id: string): Promise<boolean> {
  const { rows } = await db.raw(
    `select ${DELETABLE} as deletable from examination e where id = ?`,
    [id],
  );
  return rows[0]?.deletable ?? false;
}

/** What goes with an examination that nothing is in. */
const OWNED = [
  'paper_pack',
  'job',
  'standard_draft',
  'blueprint',
  'timetable_wish',
  'examination_examiner',
  'examination_patient',
  'examination_lead',
];

export async function deleteExamination(db: Database, id: string): Promise<void> {
  for (const table of OWNED) await db(table).where({ examination_id: id }).delete();
  await db('examination').where({ id }).delete();
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

/** Takes the examination for this transaction, for who leads it; false where it is not theirs. */
export async function lockExamination(db: Database, id: string, lead: string): Promise<boolean> {
  const row = await db('examination')
    .where({ id })
    .whereRaw(ledBy('examination.id'), { viewer: lead })
    .forUpdate()
    .first('id');
  return row !== undefined;
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

export async function cohortOf(db: Database, examinationId: string): Promise<string> {
  const row = await db('examination').where({ id: examinationId }).first('cohort_id');
  return row.cohort_id;
}

export interface CycleCounts {
  assigned: number;
  confirmed: number;
  pairs: number;
  pairsDone: number;
  decisions: number;
  published: boolean;
  deletable: boolean;
  circuits: string[];
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
       (select count(*) from decision d join own on own.id = d.examination_id) as decisions,
       exists (select from timetable t join own on own.id = t.examination_id
         where t.state = 'published') as published,
       (select ${DELETABLE} from examination e join own on own.id = e.id) as deletable,
       (select coalesce(array_agg(distinct c.circuit order by c.circuit), '{}')
          from candidate c join own on own.id = c.examination_id where c.circuit <> '') as circuits`,
    { id: examinationId, viewer },
  );
  return rows[0];
}
