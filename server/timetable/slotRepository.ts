import type { Slot } from '@kritikos/core/timetable/problem';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';
import type { Known } from './question.ts';

const AT_ONCE = 2000;
const MINUTE = 60_000;
const instant = (minute: number) => new Date(Math.round(minute * MINUTE));

interface PersonRow {
  readonly timetable_id: string;
  readonly candidate_id: string;
  readonly starts: Date;
  readonly ends: Date;
  readonly part: 'examiner' | 'second' | 'patient';
  readonly account_id: string | null;
  readonly patient_id: string | null;
}

/** Writes slots down, in the names of the database; who is in them takes rows of their own. */
export async function insertSlots(
  trx: Database,
  timetableId: string,
  slots: readonly Slot[],
  known: Known,
): Promise<void> {
  const rows = slots.map((slot) => ({
    timetable_id: timetableId,
    candidate_id: known.candidates.idOf(slot.candidate),
    starts: instant(slot.start),
    ends: instant(slot.end),
    day: slot.day,
    circuit: slot.circuit + 1,
    wave: slot.wave,
    station_id: slot.station === null ? null : known.stations.idOf(slot.station),
  }));
  const people = slots.flatMap((slot, i): PersonRow[] => {
    const { timetable_id, candidate_id, starts, ends } = rows[i] as (typeof rows)[number];
    const own = { timetable_id, candidate_id, starts, ends };
    const account = (part: 'examiner' | 'second', name: string | null): PersonRow[] =>
      name === null
        ? []
        : [{ ...own, part, account_id: known.examiners.idOf(name), patient_id: null }];
    return [
      ...account('examiner', slot.examiner),
      ...account('second', slot.second),
      ...(slot.patient === null
        ? []
        : [
            {
              ...own,
              part: 'patient' as const,
              account_id: null,
              patient_id: known.patients.idOf(slot.patient),
            },
          ]),
    ];
  });
  await trx.batchInsert('slot', rows, AT_ONCE);
  await trx.batchInsert('slot_person', people, AT_ONCE);
}

export async function deleteSlots(
  trx: Database,
  timetableId: string,
  slots: readonly Slot[],
  known: Known,
): Promise<void> {
  if (slots.length === 0) return;
  await trx.raw(
    `delete from slot s using unnest(:candidates::uuid[], :starts::timestamptz[]) as w(candidate_id, starts)
     where s.timetable_id = :timetableId and (s.candidate_id, s.starts) = (w.candidate_id, w.starts)`,
    {
      timetableId,
      candidates: slots.map(({ candidate }) => known.candidates.idOf(candidate)),
      starts: slots.map(({ start }) => instant(start)),
    },
  );
}

interface Row {
  readonly candidate_id: string;
  readonly starts: Date;
  readonly ends: Date;
  readonly day: number;
  readonly circuit: number;
  readonly wave: number;
  readonly station_id: string | null;
  readonly examiner: string | null;
  readonly second: string | null;
  readonly patient: string | null;
}

/** Each is looked up by the key of its row: a plan just written has no statistics to plan a join by. */
const PARTS = [
  ['e', 'examiner'],
  ['z', 'second'],
  ['p', 'patient'],
] as const;

/** The slots of a plan, in the names of the plan. */
export async function readSlots(
  db: Database,
  timetableId: string,
  viewer: string,
  known: Known,
): Promise<Slot[]> {
  const { rows } = await db.raw(
    `select s.candidate_id, s.starts, s.ends, s.day, s.circuit, s.wave, s.station_id,
       e.account_id as examiner, z.account_id as second, p.patient_id as patient
     from slot s join timetable t on t.id = s.timetable_id
       ${PARTS.map(
         ([alias, part]) => `left join slot_person ${alias}
           on (${alias}.timetable_id, ${alias}.candidate_id, ${alias}.starts, ${alias}.part)
             = (s.timetable_id, s.candidate_id, s.starts, '${part}')`,
       ).join(' ')}
     where s.timetable_id = :timetableId and ${readBy('t.examination_id')}
     order by s.starts, s.circuit, s.station_id`,
    { timetableId, viewer },
  );
  return rows.map((row: Row) => ({
    candidate: known.candidates.nameOf(row.candidate_id),
    day: row.day,
    circuit: row.circuit - 1,
    wave: row.wave,
    station: row.station_id === null ? null : known.stations.nameOf(row.station_id),
    start: row.starts.getTime() / MINUTE,
    end: row.ends.getTime() / MINUTE,
    examiner: row.examiner === null ? null : known.examiners.nameOf(row.examiner),
    second: row.second === null ? null : known.examiners.nameOf(row.second),
    patient: row.patient === null ? null : known.patients.nameOf(row.patient),
  }));
}

/** Sheets that somebody has begun, as "station candidate examiner"; a plan leaves them alone. */
export async function begunSheets(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<Set<string>> {
  const { rows } = await db.raw(
    `select h.station_id, h.candidate_id, h.examiner_id from sheet h
       join station s on s.id = h.station_id
     where s.examination_id = :examinationId and h.started_at is not null
       and ${readBy('s.examination_id')}`,
    { examinationId, viewer },
  );
  return new Set(
    rows.map(
      (row: { station_id: string; candidate_id: string; examiner_id: string }) =>
        `${row.station_id} ${row.candidate_id} ${row.examiner_id}`,
    ),
  );
}
