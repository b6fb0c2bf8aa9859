import { GENERATOR } from '@kritikos/core/numerics/random';
import type { MarkedSlot } from '@kritikos/core/timetable/precision';
import type { Database } from '../db/database.ts';
import { simulatePrecision } from '../jobs/pool.ts';

/**
 * Drafts whose precision was simulated from an earlier source of chance are simulated again, for
 * whoever reads them next. What was published or dropped keeps its figures and names its source.
 */
export async function simulateDraftsAgain(db: Database): Promise<void> {
  const drafts = await db('timetable')
    .where({ state: 'draft' })
    .whereNot({ generator: GENERATOR })
    .select('id', 'seed', 'revision', 'precision');
  for (const { id, seed, revision, precision } of drafts) {
    const again = precision && (await simulatePrecision({ slots: await slotsOf(db, id), seed }));
    // Whoever changed the draft or published it meanwhile comes first; the next start tries again.
    await db('timetable')
      .where({ id, revision, state: 'draft' })
      .update({ precision: again && JSON.stringify(again), generator: GENERATOR });
  }
}

/** Who marks whom where, by ids; one row a slot. */
async function slotsOf(db: Database, timetable: string): Promise<MarkedSlot[]> {
  const { rows } = await db.raw(
    `select s.station_id as station, s.candidate_id as candidate,
       max(p.account_id::text) filter (where p.part = 'examiner') as examiner,
       max(p.account_id::text) filter (where p.part = 'second') as second
     from slot s left join slot_person p using (timetable_id, candidate_id, starts)
     where s.timetable_id = ?
     group by s.timetable_id, s.candidate_id, s.starts, s.station_id
     order by s.starts, s.candidate_id`,
    [timetable],
  );
  return rows;
}
