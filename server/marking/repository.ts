import type {
  MarkEvent,
  OwnStation,
  Reopening,
  SheetRecord,
  SheetState,
} from '@kritikos/contracts/marking';
import type { PatientReadings } from '@kritikos/core/scoring/patientReadings';
import type { SeenVariants } from '@kritikos/core/scoring/checklist';
import type { KeptItem } from '@kritikos/core/scoring/keptItems';
import type { SheetScore } from '@kritikos/core/scoring/scoreSheet';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';
import { newId } from '../http/newId.ts';
import type { Credentials } from '../http/session.ts';

/** Marking was opened and is not closed for a break. */
export const MARKING_OPEN = 'e.marking_opened_at is not null and e.marking_closed_at is null';

export interface SheetRow {
  id: string;
  stationId: string;
  station: string;
  position: number;
  minutes: number;
  warningSeconds: number;
  examinationTitle: string;
  examinationId: string;
  candidateNumber: number;
  examinerId: string;
  examiner: string;
  checklistVersionId: string;
  variants: SeenVariants;
  comment: string;
  rating: number | null;
  clock: SheetState['clock'];
  safety: SheetState['safety'];
  patientReadings: PatientReadings;
  startedAt: Date | null;
  submittedAt: Date | null;
  percent: number | null;
}

/** A sheet, for its examiner and for whoever leads or may read the examination. */
export async function findSheet(
  db: Database,
  id: string,
  viewer: string,
): Promise<SheetRow | undefined> {
  const { rows } = await db.raw(
    `select h.id, s.id as "stationId", s.title as station, s.position, s.minutes,
       e.warning_seconds as "warningSeconds", e.title as "examinationTitle", e.id as "examinationId", c.number as "candidateNumber",
       a.id as "examinerId", a.name as examiner, h.checklist_version_id as "checklistVersionId",
       h.variants, h.comment, h.rating, h.clock, h.safety,
       s.patient_readings as "patientReadings",
       h.started_at as "startedAt", h.submitted_at as "submittedAt", h.percent
     from sheet h
       join station s on s.id = h.station_id
       join examination e on e.id = s.examination_id
       join candidate c on c.id = h.candidate_id
       join account a on a.id = h.examiner_id
     where h.id = :id and (h.examiner_id = :viewer or ${readBy('s.examination_id')})`,
    { id, viewer },
  );
  return rows[0];
}

export type SheetRefusal =
  'no-session' | 'no-sheet' | 'other-examiner' | 'not-assigned' | 'not-open';
export type TapOutcome = 'kept' | 'late' | 'place-taken' | 'other-body';

export interface RecordedTaps {
  /** What became of each tap, in the order of the batch. */
  readonly outcomes: readonly TapOutcome[];
  readonly before: number;
  readonly stamp: number;
  /** True where the sheet has what a submission needs. */
  readonly rated: boolean;
  readonly submittedAt: string | null;
}

/**
 * Writes taps and what they change on the sheet, in one statement; see `record_taps` in the
 * twenty-third migration. Batches of one sheet are written one after the other.
 */
export async function recordTaps(
  db: Database,
  sheetId: string,
  examinerId: string,
  taps: readonly MarkEvent[],
): Promise<RecordedTaps | { readonly refusal: SheetRefusal }> {
  const { rows } = await db
    .raw('select * from record_taps(?, ?, ?)', [sheetId, examinerId, JSON.stringify(taps)])
    .options({ name: 'record_taps' }); // prepared once a connection
  return recordedIn(rows[0]);
}

/** Taps on one sheet by one account, and what the request showed of its session. */
export interface TapRequest extends Credentials {
  readonly sheet: string;
  readonly account: string;
  readonly taps: readonly MarkEvent[];
}

/**
 * The same for several requests in one statement, which reads their sessions too; see
 * `record_taps_together` in the fifth migration. A request whose session is not this examiner's is
 * refused, and the others stand.
 */
export async function recordTapsTogether(
  db: Database,
  requests: readonly TapRequest[],
): Promise<(RecordedTaps | { readonly refusal: SheetRefusal })[]> {
  const sent = requests.map(({ sessionHash, ...request }) => ({
    ...request,
    session: sessionHash.toString('hex'),
  }));
  const { rows } = await db
    .raw('select * from record_taps_together(?) order by place', [JSON.stringify(sent)])
    .options({ name: 'record_taps_together' }); // prepared once a connection
  return rows.map(recordedIn);
}

function recordedIn(row: {
  refusal: SheetRefusal | null;
  submittedAt: Date | null;
}): RecordedTaps | { readonly refusal: SheetRefusal } {
  const { refusal, submittedAt, ...recorded } = row;
  if (refusal !== null) return { refusal };
  return {
    ...(recorded as Omit<RecordedTaps, 'submittedAt'>),
    submittedAt: submittedAt?.toISOString() ?? null,
  };
}

/** The score as it is kept with its sheet; the shares are kept item by item. */
export type StoredScore = Omit<SheetScore, 'shares'>;

/**
 * Writes down the score of a sheet and what each item earned, with the time of its submission: once,
 * and only where it was handed in; see `submit_sheet` in the twenty-fifth migration.
 */
export async function markSubmitted(
  db: Database,
  { id: sheetId }: SheetRow,
  { shares, ...score }: SheetScore,
  kept: readonly KeptItem[],
): Promise<void> {
  void shares; // kept item by item
  await db.raw('select submit_sheet(:sheetId, :score, :kept)', {
    sheetId,
    score: JSON.stringify(score),
    kept: JSON.stringify(kept),
  });
}

export interface SubmittedSheet {
  readonly id: string;
  readonly checklistVersionId: string;
  readonly variants: SeenVariants;
  readonly patientReadings: PatientReadings;
  readonly percent: number | null;
  readonly kept: KeptItem[];
  /** False where the one row that agreement reads says otherwise than the items do. */
  readonly sameInOneRow: boolean;
}

export async function countSubmitted(db: Database, examination: string | null): Promise<number> {
  const { rows } = await db.raw(
    `select count(*) as n from sheet h join station s on s.id = h.station_id
     where h.submitted_at is not null
       and (:examination::uuid is null or s.examination_id = :examination)`,
    { examination },
  );
  return rows[0].n;
}

/** Submitted sheets with what is kept of them, in the order of their ids, for going through all. */
export async function submittedAfter(
  db: Database,
  examination: string | null,
  after: string | null,
  most: number,
): Promise<SubmittedSheet[]> {
  const { rows } = await db.raw(
    `select h.id, h.checklist_version_id as "checklistVersionId", h.variants, h.percent,
       s.patient_readings as "patientReadings",
       coalesce((select jsonb_agg(jsonb_build_object('item', i.item, 'state', i.state,
           'share', i.share, 'category', i.category))
         from sheet_item i where i.sheet_id = h.id), '[]') as kept,
       exists (select from checklist_item c
           left join sheet_item i on i.sheet_id = h.id and i.item = c.key
         where c.version_id = h.checklist_version_id
         having h.kept_categories is not distinct from array_agg(
             case when i.sheet_id is not null then coalesce(i.category, '') end order by c.position)
           and h.kept_shares is not distinct from array_agg(i.share::float8 order by c.position)) as "sameInOneRow"
     from sheet h join station s on s.id = h.station_id
     where h.submitted_at is not null and (:after::uuid is null or h.id > :after)
       and (:examination::uuid is null or s.examination_id = :examination)
     order by h.id limit :most`,
    { examination, after, most },
  );
  return rows;
}

/** The taps that are on a sheet, and the place in its stream. */
export async function tapsOf(
  db: Database,
  { id: sheetId }: SheetRow,
): Promise<{ stamp: number; tapped: string[] }> {
  const { rows } = await db.raw(
    `select coalesce(max(arrival), 0) as stamp,
       coalesce(jsonb_agg(id order by arrival) filter (where late is null), '[]') as tapped
     from mark_event where sheet_id = ?`,
    [sheetId],
  );
  return rows[0];
}

/** The marks and faults on a sheet, in the order in which they were set. */
export async function marksAndFaults(
  db: Database,
  { id: sheetId }: Pick<SheetRow, 'id'>,
): Promise<Pick<SheetState, 'marks' | 'faults'>> {
  const rows = await db('sheet_mark')
    .where({ sheet_id: sheetId })
    .orderBy(['at', 'item', 'attempt'])
    .select('item', 'number_value', 'choice_value', 'other_value', 'observation', 'manner')
    .select('prompted', 'by_fault', 'attempt', 'at');
  const faults = await db('sheet_fault')
    .where({ sheet_id: sheetId })
    .orderBy('fault')
    .pluck('fault');
  return {
    marks: rows.map((row) => ({
      item: row.item,
      value: row.number_value ?? row.choice_value ?? row.other_value,
      observation: row.observation,
      manner: row.manner,
      prompted: row.prompted,
      attempt: row.attempt,
      byFault: row.by_fault,
      at: (row.at as Date).getTime(),
    })),
    faults,
  };
}

/** Puts a submitted sheet back; see `reopen_sheet` in the thirty-first migration. */
export async function reopen(
  db: Database,
  sheetId: string,
  reason: string,
  lead: string,
): Promise<'reopened' | 'not-submitted' | 'decided'> {
  const { rows } = await db.raw('select reopen_sheet(:sheetId, :id, :lead, :reason) as outcome', {
    sheetId,
    id: newId(),
    lead,
    reason,
  });
  return rows[0].outcome;
}

export async function listReopenings(
  db: Database,
  { id: sheetId }: Pick<SheetRow, 'id'>,
): Promise<Reopening[]> {
  const { rows } = await db.raw(
    `select to_char(r.at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as at,
       a.name as by, r.reason, (r.score ->> 'percent')::float8 as percent
     from sheet_reopening r join account a on a.id = r.account_id
     where r.sheet_id = ? order by r.at`,
    [sheetId],
  );
  return rows;
}

/** Whether a signed decision knows the sheet. */
export async function isDecided(db: Database, { id }: Pick<SheetRow, 'id'>): Promise<boolean> {
  return (await db('decision_sheet').where({ sheet_id: id }).first('sheet_id')) !== undefined;
}

/** Every tap on a sheet in the order that counts, the late ones among them. */
export async function listEvents(
  db: Database,
  { id: sheetId }: SheetRow,
): Promise<SheetRecord['events']> {
  const rows = await db('mark_event as e')
    .join('account as a', 'a.id', 'e.account_id')
    .join('checklist_version as v', 'v.id', 'e.checklist_version_id')
    .where({ sheet_id: sheetId })
    .orderBy(['e.stands_at', 'e.arrival'])
    .select('e.id', 'a.name as account', 'e.device', 'e.sequence', 'e.at', 'e.late', 'e.body')
    .select('e.clock_ahead as clockAhead', 'v.version as checklistVersion')
    .select('e.happened_at as happenedAt', 'e.received_at as receivedAt');
  return rows.map((row) => ({
    ...row,
    at: row.at.toISOString(),
    happenedAt: row.happenedAt.toISOString(),
    receivedAt: row.receivedAt.toISOString(),
  }));
}

/**
 * The stations of one examiner, with the sheets planned there in the order of the candidates; of a
 * station that the examiner was taken off, the sheets that were begun.
 */
export async function ownStations(db: Database, examinerId: string): Promise<OwnStation[]> {
  const { rows } = await db.raw(
    `select s.id as "stationId", s.position, s.title, s.minutes, e.title as "examinationTitle",
       e.zone, g.name as cohort, to_char(e.held_on, 'YYYY-MM-DD') as "heldOn",
       c.title as "procedureTitle", ${MARKING_OPEN} as "markingOpen", x.account_id is not null as assigned,
       exists (select from briefing_confirmation b where b.station_id = s.id
         and b.account_id = :examinerId and b.checklist_version_id = s.checklist_version_id) as "briefingConfirmed",
       coalesce((select jsonb_agg(jsonb_build_object('id', h.id, 'candidateNumber', k.number,
           'due', to_char(p.starts at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS"Z"'),
           'startedAt', to_char(h.started_at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS"Z"'),
           'submittedAt', to_char(h.submitted_at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS"Z"'),
           'reopened', case when h.submitted_at is null then (select r.reason from sheet_reopening r
             where r.sheet_id = h.id order by r.at desc limit 1) end)
           order by p.starts, k.number)
         from sheet h join candidate k on k.id = h.candidate_id
           left join slot p on p.timetable_id = t.id and p.candidate_id = h.candidate_id
             and p.station_id = s.id
         where h.station_id = s.id and h.examiner_id = :examinerId
           and (x.account_id is not null or h.started_at is not null)), '[]') as sheets
     from station s
       left join station_examiner x on x.station_id = s.id and x.account_id = :examinerId
       join examination e on e.id = s.examination_id
       join cohort g on g.id = e.cohort_id
       left join timetable t on t.examination_id = e.id and t.state = 'published'
       join checklist_version v on v.id = s.checklist_version_id
       join checklist c on c.id = v.checklist_id
     where e.put_away_at is null and (x.account_id is not null or exists (select from sheet h
       where h.station_id = s.id and h.examiner_id = :examinerId and h.started_at is not null))
     order by e.held_on desc, s.position`,
    { examinerId },
  );
  return rows;
}
