import type {
  MarkEvent,
  MarkingProgress,
  OwnStation,
  SheetState,
} from '@kritikos/contracts/marking';
import type { PatientReadings } from '@kritikos/core/scoring/patientReadings';
import type { SheetScore } from '@kritikos/core/scoring/scoreSheet';
import type { Database } from '../db/database.ts';

export interface SheetRow {
  id: string;
  stationId: string;
  station: string;
  position: number;
  minutes: number;
  examinationTitle: string;
  examinationId: string;
  candidateNumber: number;
  examinerId: string;
  examiner: string;
  checklistVersionId: string;
  variant: string;
  comment: string;
  rating: number | null;
  clock: SheetState['clock'];
  safetyEvents: number;
  patientReadings: PatientReadings;
  startedAt: Date | null;
  submittedAt: Date | null;
  percent: number | null;
}

export async function findSheet(db: Database, id: string): Promise<SheetRow | undefined> {
  const { rows } = await db.raw(
    `select h.id, s.id as "stationId", s.title as station, s.position, s.minutes,
       e.title as "examinationTitle", e.id as "examinationId", c.number as "candidateNumber",
       a.id as "examinerId", a.name as examiner, h.checklist_version_id as "checklistVersionId",
       h.variant, h.comment, h.rating, h.clock, h.safety_events as "safetyEvents",
       s.patient_readings as "patientReadings",
       h.started_at as "startedAt", h.submitted_at as "submittedAt", h.percent
     from sheet h
       join station s on s.id = h.station_id
       join examination e on e.id = s.examination_id
       join candidate c on c.id = h.candidate_id
       join account a on a.id = h.examiner_id
     where h.id = ?`,
    [id],
  );
  return rows[0];
}

export interface LockedSheet {
  examinerId: string;
  checklistVersionId: string;
  variant: string;
  rating: number | null;
  safetyEvents: number;
  startedAt: Date | null;
  submittedAt: Date | null;
  markingOpen: boolean;
}

/** Takes the sheet for this transaction: events of one sheet are written one batch at a time. */
export async function lockSheet(db: Database, id: string): Promise<LockedSheet | undefined> {
  const { rows } = await db.raw(
    `select h.examiner_id as "examinerId", h.checklist_version_id as "checklistVersionId",
       h.variant, h.rating, h.safety_events as "safetyEvents", h.started_at as "startedAt",
       h.submitted_at as "submittedAt", e.marking_opened_at is not null as "markingOpen"
     from sheet h join station s on s.id = h.station_id join examination e on e.id = s.examination_id
     where h.id = ? for update of h`,
    [id],
  );
  return rows[0];
}

/** Which of these events are on disk already, and for which sheet. */
export async function knownEvents(
  db: Database,
  sheetId: string,
  events: readonly MarkEvent[],
): Promise<{ id: string; sheetId: string; device: string; sequence: number }[]> {
  const { rows } = await db.raw(
    `select id, sheet_id as "sheetId", device, sequence from mark_event
     where id = any(:ids::uuid[])
        or (sheet_id = :sheetId and (device, sequence) in (select * from unnest(:devices::text[], :sequences::int[])))`,
    {
      sheetId,
      ids: events.map((e) => e.id),
      devices: events.map((e) => e.device),
      sequences: events.map((e) => e.sequence),
    },
  );
  return rows;
}

/** Writes the events that are not there yet, and answers with those. */
export async function insertEvents(
  db: Database,
  sheetId: string,
  events: readonly MarkEvent[],
): Promise<MarkEvent[]> {
  const written = await db('mark_event')
    .insert(
      events.map((e) => ({
        id: e.id,
        sheet_id: sheetId,
        device: e.device,
        sequence: e.sequence,
        body: JSON.stringify(e.body),
        at: e.at,
      })),
    )
    .onConflict()
    .ignore()
    .returning('id');
  const ids = new Set(written.map((row) => row.id as string));
  return events.filter((event) => ids.delete(event.id));
}

/** Writes what one event changes into the projection. */
export async function project(db: Database, sheetId: string, event: MarkEvent): Promise<void> {
  const { body, at } = event;
  const sheet = () => db('sheet').where({ id: sheetId });
  switch (body.type) {
    case 'mark':
      await db('sheet_mark')
        .insert({
          sheet_id: sheetId,
          item: body.item,
          number_value: typeof body.value === 'number' ? body.value : null,
          choice_value: typeof body.value === 'string' ? body.value : null,
          observation: body.observation,
          manner: body.manner,
          prompted: body.prompted,
          at,
          event_id: event.id,
        })
        .onConflict(['sheet_id', 'item'])
        .merge();
      return;
    case 'clear':
      await db('sheet_mark').where({ sheet_id: sheetId, item: body.item }).delete();
      return;
    case 'fault':
      if (body.present) {
        await db('sheet_fault')
          .insert({ sheet_id: sheetId, fault: body.fault })
          .onConflict(['sheet_id', 'fault'])
          .ignore();
      } else await db('sheet_fault').where({ sheet_id: sheetId, fault: body.fault }).delete();
      return;
    case 'variant':
      await sheet().update({ variant: body.variant });
      return;
    case 'comment':
      await sheet().update({ comment: body.text });
      return;
    case 'rating':
      await sheet().update({ rating: body.grade });
      return;
    case 'clock':
      await sheet().update({
        clock: JSON.stringify({ running: body.running, remaining: body.remaining, since: at }),
      });
      return;
    case 'safety':
      await sheet()
        .update({ clock: JSON.stringify({ running: false, remaining: body.remaining, since: at }) })
        .increment('safety_events', 1);
      return;
    case 'submit':
      return; // written with the score, see markSubmitted
  }
}

export async function markStarted(db: Database, sheetId: string): Promise<void> {
  await db('sheet').where({ id: sheetId, started_at: null }).update({ started_at: db.fn.now() });
}

export async function markSubmitted(
  db: Database,
  sheetId: string,
  at: string,
  score: SheetScore,
): Promise<void> {
  await db('sheet')
    .where({ id: sheetId })
    .update({
      submitted_at: at,
      percent: score.percent,
      critical_missed: score.critical.missed,
      critical_met: score.critical.met,
      critical_unseen: score.critical.unseen,
      missing_marks: score.unmarked.length,
      score: JSON.stringify(score),
    });
}

/** The marks and faults on a sheet, in the order in which they were set. */
export async function marksAndFaults(
  db: Database,
  sheetId: string,
): Promise<Pick<SheetState, 'marks' | 'faults'>> {
  const rows = await db('sheet_mark')
    .where({ sheet_id: sheetId })
    .orderBy('at')
    .select('item', 'number_value', 'choice_value', 'observation', 'manner', 'prompted', 'at');
  const faults = await db('sheet_fault')
    .where({ sheet_id: sheetId })
    .orderBy('fault')
    .pluck('fault');
  return {
    marks: rows.map((row) => ({
      item: row.item,
      value: row.number_value ?? row.choice_value,
      observation: row.observation,
      manner: row.manner,
      prompted: row.prompted,
      at: (row.at as Date).getTime(),
    })),
    faults,
  };
}

export async function listEvents(db: Database, sheetId: string) {
  const rows = await db('mark_event')
    .where({ sheet_id: sheetId })
    .orderBy(['received_at', 'sequence'])
    .select('id', 'sequence', 'at', 'received_at', 'body');
  return rows.map((row) => ({
    id: row.id as string,
    sequence: row.sequence as number,
    at: (row.at as Date).toISOString(),
    receivedAt: (row.received_at as Date).toISOString(),
    body: row.body,
  }));
}

/** The stations of one examiner, with the sheets planned there in the order of the candidates. */
export async function ownStations(db: Database, examinerId: string): Promise<OwnStation[]> {
  const { rows } = await db.raw(
    `select s.id as "stationId", s.position, s.title, s.minutes, e.title as "examinationTitle",
       c.title as "procedureTitle", e.marking_opened_at is not null as "markingOpen",
       exists (select from briefing_confirmation b where b.station_id = s.id
         and b.account_id = :examinerId and b.checklist_version_id = s.checklist_version_id) as "briefingConfirmed",
       coalesce((select jsonb_agg(jsonb_build_object('id', h.id, 'candidateNumber', k.number,
           'startedAt', to_char(h.started_at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS"Z"'),
           'submittedAt', to_char(h.submitted_at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS"Z"'))
           order by k.number)
         from sheet h join candidate k on k.id = h.candidate_id
         where h.station_id = s.id and h.examiner_id = :examinerId), '[]') as sheets
     from station s
       join station_examiner x on x.station_id = s.id and x.account_id = :examinerId
       join examination e on e.id = s.examination_id
       join checklist_version v on v.id = s.checklist_version_id
       join checklist c on c.id = v.checklist_id
     order by e.held_on desc, s.position`,
    { examinerId },
  );
  return rows;
}

export async function progressRows(
  db: Database,
  examinationId: string,
): Promise<MarkingProgress['stations']> {
  const { rows } = await db.raw(
    `select s.id as "stationId", s.position, s.title,
       coalesce(jsonb_agg(jsonb_build_object('examinerId', p.id, 'name', p.name, 'planned', p.planned,
         'started', p.started, 'submitted', p.submitted) order by p.planned desc, p.name)
         filter (where p.id is not null), '[]') as examiners
     from station s left join lateral (
       select a.id, a.name, count(*) as planned, count(h.started_at) as started,
         count(h.submitted_at) as submitted
       from sheet h join account a on a.id = h.examiner_id
       where h.station_id = s.id group by a.id, a.name) p on true
     where s.examination_id = ?
     group by s.id order by s.position`,
    [examinationId],
  );
  return rows;
}

export async function attentionRows(
  db: Database,
  examinationId: string,
): Promise<MarkingProgress['attention']> {
  const { rows } = await db.raw(
    `select h.id as "sheetId", s.title as station, c.number as "candidateNumber", a.name as examiner,
       concat_ws('; ',
         case when h.safety_events > 0 then 'safety event' end,
         case when h.submitted_at is not null and h.missing_marks > 0
           then h.missing_marks || ' marks missing' end,
         case when h.submitted_at is not null and h.percent is null then 'not scorable' end,
         case when h.submitted_at is null and h.started_at < now() - interval '30 minutes'
           then 'started and not submitted' end) as reason
     from sheet h
       join station s on s.id = h.station_id
       join candidate c on c.id = h.candidate_id
       join account a on a.id = h.examiner_id
     where s.examination_id = ?
       and (h.safety_events > 0
         or (h.submitted_at is not null and (h.missing_marks > 0 or h.percent is null))
         or (h.submitted_at is null and h.started_at < now() - interval '30 minutes'))
     order by s.position, c.number limit 200`,
    [examinationId],
  );
  return rows;
}
