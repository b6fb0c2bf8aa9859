import type { BankStation } from '@kritikos/contracts/stations';
import type { Database } from '../db/database.ts';

const STATION = `select b.id, v.id as "versionId", v.version, v.title, v.task, v.procedures,
    c.region, v.condition, v.side, v.degree, v.minutes, v.equipment,
    v.checklist_version_id as "checklistVersionId",
    (select count(*) from checklist_item i where i.version_id = v.checklist_version_id) as items,
    b.retired_at is not null as retired, v.created_at as "madeAt",
    (select count(distinct s.examination_id) from station s
      join bank_station_version o on o.id = s.bank_version_id
      where o.bank_station_id = b.id) as uses,
    (select max(e.held_on)::text from station s
      join examination e on e.id = s.examination_id
      join bank_station_version o on o.id = s.bank_version_id
      where o.bank_station_id = b.id) as "lastUsed"
  from bank_station b
    join bank_station_version v on v.bank_station_id = b.id
    join checklist_version w on w.id = v.checklist_version_id
    join checklist c on c.id = w.checklist_id`;

const NEWEST = `v.version = (select max(n.version) from bank_station_version n
  where n.bank_station_id = b.id)`;

interface Row extends Omit<BankStation, 'patient' | 'madeAt'> {
  condition: string | null;
  side: 'left' | 'right' | null;
  degree: number | null;
  madeAt: Date;
}

function stationOf({ condition, side, degree, madeAt, ...row }: Row): BankStation {
  return {
    ...row,
    patient: condition === null || side === null ? null : { condition, side, degree },
    madeAt: madeAt.toISOString(),
  };
}

/** Every station of the bank in its newest version. */
export async function listBank(db: Database): Promise<BankStation[]> {
  const { rows } = await db.raw(`${STATION} where ${NEWEST}
    order by b.retired_at is not null, c.region, v.title, b.id limit 1000`);
  return rows.map(stationOf);
}

export async function findBankStation(db: Database, id: string): Promise<BankStation | undefined> {
  const { rows } = await db.raw(`${STATION} where b.id = ? and ${NEWEST}`, [id]);
  return rows[0] && stationOf(rows[0]);
}

export async function findBankVersion(db: Database, id: string): Promise<BankStation | undefined> {
  const { rows } = await db.raw(`${STATION} where v.id = ?`, [id]);
  return rows[0] && stationOf(rows[0]);
}

export async function insertBankStation(db: Database, id: string, by: string): Promise<void> {
  await db('bank_station').insert({ id, created_by: by });
}

/** Takes the station for this transaction, so that versions are made one after the other. */
export async function lockBankStation(db: Database, id: string): Promise<void> {
  await db('bank_station').where({ id }).forUpdate().first('id');
}

export interface NewVersion {
  readonly id: string;
  readonly bankStationId: string;
  readonly version: number;
  readonly title: string;
  readonly task: string;
  readonly procedures: readonly string[];
  readonly patient: BankStation['patient'];
  readonly checklistVersionId: string;
  readonly minutes: number;
  readonly equipment: readonly string[];
  readonly createdBy: string;
}

export async function insertBankVersion(db: Database, version: NewVersion): Promise<void> {
  const { patient, bankStationId, checklistVersionId, createdBy, ...rest } = version;
  await db('bank_station_version').insert({
    ...rest,
    bank_station_id: bankStationId,
    condition: patient?.condition ?? null,
    side: patient?.side ?? null,
    degree: patient?.degree ?? null,
    checklist_version_id: checklistVersionId,
    created_by: createdBy,
  });
}

/** The checklist that the versions of a bank station share, where it has one of its own. */
export async function checklistOfBank(
  db: Database,
  bankStationId: string,
): Promise<{ id: string } | undefined> {
  return db('checklist').where({ bank_station_id: bankStationId }).first('id');
}

export async function setRetired(db: Database, id: string, retired: boolean): Promise<void> {
  await db.raw(
    'update bank_station set retired_at = case when ? then coalesce(retired_at, now()) end where id = ?',
    [retired, id],
  );
}
