import type { ExaminedScore } from '@kritikos/core/reliability/examinerEffects';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';

/** The newest examination before this one that shares a station with it and was marked. */
export async function lastCohort(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<{ id: string; title: string; stations: number } | undefined> {
  const { rows } = await db.raw(
    `select e.id, e.title, (select count(*)::int from station s where s.examination_id = e.id) as stations
     from examination e join examination own on own.id = :examinationId
     where e.held_on < own.held_on and e.put_away_at is null and ${readBy('e.id')}
       and exists (select from station s join sheet h on h.station_id = s.id
         where s.examination_id = e.id and h.submitted_at is not null)
       and exists (select from station a join bank_station_version av on av.id = a.bank_version_id
         join bank_station_version bv on bv.bank_station_id = av.bank_station_id
         join station b on b.bank_version_id = bv.id
         where a.examination_id = own.id and b.examination_id = e.id)
     order by e.held_on desc, e.id limit 1`,
    { examinationId, viewer },
  );
  return rows[0];
}

export async function examinedScores(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<ExaminedScore[]> {
  const { rows } = await db.raw(
    `select c.number as candidate, s.position as station, h.examiner_id as examiner,
       h.percent::double precision as percent
     from sheet h join station s on s.id = h.station_id join candidate c on c.id = h.candidate_id
     where s.examination_id = :examinationId and h.submitted_at is not null
       and h.percent is not null and ${readBy('s.examination_id')}`,
    { examinationId, viewer },
  );
  return rows;
}

/** The mean percent of a station of this examination wherever its bank station was marked before. */
export async function stationMeans(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<Map<string, number>> {
  const { rows } = await db.raw(
    `select a.id, avg(h.percent)::double precision as mean
     from station a join bank_station_version av on av.id = a.bank_version_id
       join bank_station_version bv on bv.bank_station_id = av.bank_station_id
       join station b on b.bank_version_id = bv.id and b.examination_id <> a.examination_id
       join sheet h on h.station_id = b.id and h.submitted_at is not null
     where a.examination_id = :examinationId and ${readBy('a.examination_id')}
       and ${readBy('b.examination_id')}
     group by a.id`,
    { examinationId, viewer },
  );
  return new Map(rows.map(({ id, mean }: { id: string; mean: number }) => [id, mean]));
}

/** Which stations of this examination stood in an earlier one too, by their place there. */
export async function sharedStations(
  db: Database,
  examinationId: string,
  earlierId: string,
  viewer: string,
): Promise<{ id: string; place: number }[]> {
  const { rows } = await db.raw(
    `select distinct on (a.id) a.id, b.position as place
     from station a join bank_station_version av on av.id = a.bank_version_id
       join bank_station_version bv on bv.bank_station_id = av.bank_station_id
       join station b on b.bank_version_id = bv.id and b.examination_id = :earlierId
     where a.examination_id = :examinationId and ${readBy('a.examination_id')}
       and ${readBy('b.examination_id')} order by a.id, b.position`,
    { examinationId, earlierId, viewer },
  );
  return rows;
}

export async function newestRehearsal(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<{ result: unknown; at: Date } | undefined> {
  return db('job')
    .where({ examination_id: examinationId, kind: 'rehearsal', state: 'done' })
    .whereRaw(readBy('job.examination_id'), { viewer })
    .orderBy('ended_at', 'desc')
    .first('result', 'ended_at as at');
}

/**
 * Whose newest rehearsal was played by another source of chance than this, and is not being played
 * again already; with the question that it answered.
 */
export async function newestOfAll(
  db: Database,
  generator: number,
): Promise<{ ownerId: string; examinationId: string; question: object }[]> {
  const { rows } = await db.raw(
    `select owner_id as "ownerId", examination_id as "examinationId", question
     from (select distinct on (examination_id) * from job
       where kind = 'rehearsal' and state in ('waiting', 'running', 'done')
       order by examination_id, made_at desc) newest
     where state = 'done' and (result->>'generator')::int is distinct from :generator`,
    { generator },
  );
  return rows;
}
