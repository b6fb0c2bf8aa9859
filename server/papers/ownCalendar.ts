import type { Account } from '@kritikos/contracts/accounts';
import type { Database } from '../db/database.ts';
import { together, written } from './calendars.ts';

const MINUTE = 60_000;

/** What an examiner has to do in every timetable that is published, as one calendar. */
export async function ownCalendar(db: Database, examiner: Account, made: Date): Promise<string> {
  const { rows } = await db.raw(
    `select e.id as examination, e.title, s.id as station, s.position, s.title as station_title,
       p.starts, p.ends, l.day, l.circuit, t.number, t.revision,
       coalesce(r.name || case when r.couches > 1 then ', couch ' || w.couch else '' end, '') as place
     from slot_person p
       join timetable t on t.id = p.timetable_id and t.state = 'published'
       join slot l on (l.timetable_id, l.candidate_id, l.starts) = (p.timetable_id, p.candidate_id, p.starts)
       join examination e on e.id = t.examination_id
       join station s on s.id = l.station_id
       left join station_place w on w.station_id = s.id and w.circuit = l.circuit
       left join room r on r.id = w.room_id
     where p.account_id = :who and e.put_away_at is null order by p.starts`,
    { who: examiner.id },
  );
  const slots = rows.map((row: Row) => ({
    ...row,
    start: row.starts.getTime() / MINUTE,
    end: row.ends.getTime() / MINUTE,
    circuit: String(row.circuit),
  }));
  const duties = together<Slot>(slots).map((own) => ({
    ...own,
    who: examiner.name,
    station: own.station ?? 'rest',
    summary: `Station ${own.position}, ${own.station_title}`,
    description: `${own.title}${own.candidates > 1 ? `, ${own.candidates} candidates` : ''}. Plan ${own.number}.`,
    sequence: own.number * 1000 + own.revision,
  }));
  return written(`${examiner.name}: stations`, duties, made);
}

interface Row {
  readonly examination: string;
  readonly title: string;
  readonly station: string;
  readonly position: number;
  readonly station_title: string;
  readonly starts: Date;
  readonly ends: Date;
  readonly day: number;
  readonly circuit: number;
  readonly number: number;
  readonly revision: number;
  readonly place: string;
}
type Slot = Omit<Row, 'circuit'> & { start: number; end: number; circuit: string };
