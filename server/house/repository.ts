import type { HouseChange, HouseProposal } from '@kritikos/contracts/house';
import { houseChange } from '@kritikos/contracts/house';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';
import { newId } from '../http/newId.ts';

/** Changes what is the house’s; answers with the id of what was changed or made. */
export async function write(trx: Database, change: HouseChange): Promise<string | undefined> {
  switch (change.of) {
    case 'regions':
      return writeRegions(trx, change);
    case 'patient':
      return writePatient(trx, change);
    case 'room':
      return writeRoom(trx, change);
    case 'no room':
      await trx('room').where({ id: change.id }).delete();
      return change.id;
    case 'equipment': {
      const { what, pieces } = change;
      if (pieces === null)
        await trx('equipment').whereRaw('lower(what) = lower(?)', [what]).delete();
      else
        await trx('equipment')
          .insert({ what, pieces })
          .onConflict(trx.raw('(lower(what))'))
          .merge(['pieces']);
      return undefined;
    }
  }
}

type Of<Kind extends HouseChange['of']> = Extract<HouseChange, { of: Kind }>;

async function writeRegions(trx: Database, { accountId, regions }: Of<'regions'>): Promise<string> {
  if (regions === null) await trx('examiner_scope').where({ account_id: accountId }).delete();
  else
    await trx('examiner_scope')
      .insert({ account_id: accountId, regions })
      .onConflict('account_id')
      .merge();
  return accountId;
}

async function writePatient(trx: Database, change: Of<'patient'>): Promise<string | undefined> {
  const { id, name, barred, mostInARow, retired } = change;
  const row = {
    name,
    barred,
    most_in_a_row: mostInARow,
    retired_at: retired ? trx.fn.now() : null,
  };
  const [kept] = id
    ? await trx('simulated_patient').where({ id }).update(row).returning('id')
    : await trx('simulated_patient')
        .insert({ id: newId(), ...row })
        .onConflict('name')
        .merge(['barred', 'most_in_a_row', 'retired_at'])
        .returning('id');
  return kept?.id;
}

async function writeRoom(trx: Database, { id, name, couches }: Of<'room'>): Promise<string> {
  if (id) {
    await trx('room').where({ id }).update({ name, couches });
    return id;
  }
  const [made] = await trx('room')
    .insert({ id: newId(), name, couches })
    .onConflict('name')
    .merge(['couches'])
    .returning('id');
  return made.id;
}

/** Names may go from one to another in one change: until that is done they are nobody’s. */
export async function freeNames(trx: Database, patients: readonly string[]): Promise<void> {
  await trx('simulated_patient')
    .whereIn('id', patients)
    .update({ name: trx.raw("'(' || id || ')'") });
}

const PROPOSAL = `select p.id, p.words, e.title as examination, a.name as "madeBy", p.made_at as "madeAt"
  from house_proposal p join examination e on e.id = p.examination_id join account a on a.id = p.made_by`;

function proposalOf(row: Omit<HouseProposal, 'madeAt'> & { madeAt: Date }): HouseProposal {
  return { ...row, madeAt: row.madeAt.toISOString() };
}

/** Proposals that wait, for the office; the oldest first. */
export async function waitingProposals(db: Database): Promise<HouseProposal[]> {
  const { rows } = await db.raw(
    `${PROPOSAL} where p.decided_at is null order by p.made_at, p.id limit 500`,
  );
  return rows.map(proposalOf);
}

/** Those that wait for an examination, for who may read it. */
export async function proposalsFor(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<HouseProposal[]> {
  const { rows } = await db.raw(
    `${PROPOSAL} where p.decided_at is null and p.examination_id = :examinationId
       and ${readBy('p.examination_id')} order by p.made_at, p.id limit 500`,
    { examinationId, viewer },
  );
  return rows.map(proposalOf);
}

export async function insertProposal(
  trx: Database,
  proposal: { examinationId: string; change: HouseChange; words: string; madeBy: string },
): Promise<void> {
  await trx.raw(
    `insert into house_proposal (id, examination_id, change, words, made_by)
     values (:id, :examinationId, :change, :words, :madeBy) on conflict do nothing`,
    { id: newId(), ...proposal, change: JSON.stringify(proposal.change) },
  );
}

/** A proposal that waits, held while it is decided. */
export async function holdProposal(
  trx: Database,
  id: string,
): Promise<{ examinationId: string; change: HouseChange; words: string } | undefined> {
  const row = await trx('house_proposal')
    .where({ id, decided_at: null })
    .forUpdate()
    .first('examination_id', 'change', 'words');
  if (!row) return undefined;
  const { examination_id: examinationId, words } = row;
  return { examinationId, words, change: houseChange.parse(row.change) };
}

export async function decideProposal(
  trx: Database,
  id: string,
  taken: boolean,
  by: string,
): Promise<void> {
  await trx('house_proposal')
    .where({ id })
    .update({ decided_at: trx.fn.now(), decided_by: by, taken });
}

/**
 * Rooms in which stations stand, each with its last couch that is taken; by what, where the viewer may
 * know that.
 */
export async function roomsInUse(
  db: Database,
  viewer: string,
): Promise<{ roomId: string; name: string; couch: number; where: string | null }[]> {
  const { rows } = await db.raw(
    `select distinct on (r.id) r.id as "roomId", r.name, p.couch,
       case when ${readBy('e.id')} then format('“%s” of “%s”', s.title, e.title) end as "where"
     from station_place p join room r on r.id = p.room_id join station s on s.id = p.station_id
       join examination e on e.id = p.examination_id
     order by r.id, p.couch desc`,
    { viewer },
  );
  return rows;
}
