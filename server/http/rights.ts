import type { Account } from '@kritikos/contracts/accounts';
import type { Owned, Right } from '@kritikos/contracts/contract';
import type { Database } from '../db/database.ts';

/** The examination that a thing is of, and whether the caller is an examiner of it. */
const OF: Readonly<Record<Owned, string>> = {
  examination: `select e.id, false from examination e where e.id = :thing`,
  station: `select s.examination_id, exists (select from station_examiner x
      where x.station_id = s.id and x.account_id = :caller)
    from station s where s.id = :thing`,
  candidate: `select k.examination_id, false from candidate k where k.id = :thing`,
  sheet: `select s.examination_id, h.examiner_id = :caller
    from sheet h join station s on s.id = h.station_id where h.id = :thing`,
  panel: `select p.examination_id, false from panel p where p.id = :thing`,
  seat: `select p.examination_id, false from panel_seat t join panel p on p.id = t.panel_id
    where t.id = :thing`,
  decision: `select d.examination_id, false from decision d where d.id = :thing`,
};

/**
 * What somebody may do with a thing, by who leads and who may read its examination and by who is
 * its examiner; `null` where there is no such thing. A right counts only with the role that goes
 * with it.
 */
export async function rightsOf(
  db: Database,
  { id, roles }: Account,
  whose: Owned,
  thing: string,
): Promise<ReadonlySet<Right> | null> {
  const { rows } = await db
    .raw(
      `select l.may, o.marks from (${OF[whose]}) o(examination_id, marks)
         left join examination_lead l on l.examination_id = o.examination_id
           and l.account_id = :caller`,
      { thing, caller: id },
    )
    .options({ name: `rights of ${whose}` }); // prepared once a connection
  const [row] = rows as { may: 'lead' | 'read' | null; marks: boolean }[];
  if (!row) return null;
  const rights = new Set<Right>();
  if (row.marks && roles.includes('examiner')) rights.add('mark');
  if (row.may !== null && roles.includes('lead')) rights.add(row.may).add('read');
  return rights;
}
