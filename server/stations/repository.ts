import type { BankPage, BankSearch, BankStation } from '@kritikos/contracts/stations';
import type { Knex } from 'knex';
import type { Database } from '../db/database.ts';
import { columnsOf, patientIn, withPatient } from './patientOf.ts';
import type { PatientColumns } from './patientOf.ts';

/** A domain that a station is looked for by makes up so much of its weight, in per cent. */
const OF_THE_DOMAIN = 25;

/**
 * How often each station was used, and how it behaved the last time that it was marked: in an
 * examination whose results were released, or that the viewer may read. Binds the viewer, first.
 */
const USED = `used as (
    select o.bank_station_id, count(distinct s.examination_id)::int as uses,
      max(e.held_on)::text as last
    from station s join bank_station_version o on o.id = s.bank_version_id
      join examination e on e.id = s.examination_id
    group by o.bank_station_id),
  behaved as (
    select distinct on (o.bank_station_id) o.bank_station_id, e.title as examination,
      e.held_on::text as "heldOn", y.candidates, y.facility, y.cut, y.pairs, y.agreement, y.disputed
    from station_behaviour y join station s on s.id = y.station_id
      join bank_station_version o on o.id = s.bank_version_id
      join examination e on e.id = s.examination_id
    where exists (select from examination_lead l
        where l.examination_id = e.id and l.account_id = ?)
      or exists (select from release r join decision d on d.id = r.decision_id
        where d.examination_id = e.id)
    order by o.bank_station_id, e.held_on desc, s.id)`;

const SHOWN = `b.id, v.id as "versionId", v.version, v.title, v.task, v.procedures,
    c.region, ${patientIn('v')}, v.minutes, v.equipment,
    v.checklist_version_id as "checklistVersionId",
    (select count(*) from checklist_item i where i.version_id = v.checklist_version_id)::int as items,
    b.retired_at is not null as retired, v.created_at as "madeAt",
    coalesce(u.uses, 0) as uses, u.last as "lastUsed",
    to_jsonb(y) - 'bank_station_id' as behaviour, d.id as "draftId"`;

const STATIONS = `bank_station b
    join bank_station_version v on v.bank_station_id = b.id
    join checklist_version w on w.id = v.checklist_version_id
    join checklist c on c.id = w.checklist_id
    left join used u on u.bank_station_id = b.id
    left join behaved y on y.bank_station_id = b.id`;

const STATION = `select ${SHOWN} from ${STATIONS}
    left join draft d on d.bank_station_id = b.id and d.closed_at is null`;

const NEWEST = `not exists (select from bank_station_version n
  where n.bank_station_id = v.bank_station_id and n.version > v.version)`;

interface Row extends Omit<BankStation, 'patient' | 'madeAt'>, PatientColumns {
  madeAt: Date;
}

function stationOf({ madeAt, ...row }: Row): BankStation {
  return {
    ...withPatient(row),
    madeAt: madeAt.toISOString(),
  };
}

/** What a word that somebody looks for can mean beside a word of the title. */
export interface WordMeaning {
  readonly word: string;
  readonly procedures: readonly string[];
  readonly conditions: readonly string[];
}

/** What a station is looked for by, its words and properties read in the catalogue. */
export interface SearchedFor extends Omit<BankSearch, 'words' | 'kind' | 'structure'> {
  readonly meanings: readonly WordMeaning[];
  /** Asks for one of these procedures; `null` where any will do. */
  readonly procedures: readonly string[] | null;
}

const ORDERS: Readonly<Record<BankSearch['order'], string>> = {
  title: 'c.region, v.title',
  used: 'coalesce(u.uses, 0) desc, v.title',
  facility: 'y.facility nulls last, v.title',
  agreement: 'y.agreement nulls last, v.title',
  disputed: 'y.disputed desc nulls last, v.title',
};

/** A page of the bank, each station in its newest version. */
export async function searchBank(
  db: Database,
  wanted: SearchedFor,
  viewer: string,
): Promise<BankPage> {
  const conditions = [NEWEST];
  const bindings: Knex.Value[] = [];
  const ask = (condition: string, ...values: (string | number | readonly string[])[]) => {
    conditions.push(condition);
    bindings.push(...values.map((value) => (typeof value === 'object' ? [...value] : value)));
  };
  for (const { word, procedures, conditions: patients } of wanted.meanings) {
    const pattern = `%${word.replace(/[\\%_]/g, '\\$&')}%`;
    ask(
      `(v.title ilike ? or c.region ilike ? or v.procedures && ?::text[] or v.condition = any(?)
        or array_to_string(v.equipment, ' ') ilike ?)`,
      pattern,
      pattern,
      procedures,
      patients,
      pattern,
    );
  }
  const { region, condition, domain, mostMinutes, leastUses, leastFacility, mostFacility } = wanted;
  const { leastCut, mostCut, mostAgreement, leastDisputed } = wanted;
  if (wanted.retired === 'without') ask('b.retired_at is null');
  if (region !== undefined) ask('c.region = ?', region);
  if (wanted.procedures !== null) ask('v.procedures && ?::text[]', wanted.procedures);
  if (condition !== undefined) ask('v.condition = ?', condition);
  if (domain !== undefined) {
    ask(
      `exists (select from checklist_weight k where k.version_id = v.checklist_version_id
        and k.domain = ? and k.percent >= ?)`,
      domain,
      OF_THE_DOMAIN,
    );
  }
  if (mostMinutes !== undefined) ask('v.minutes <= ?', mostMinutes);
  if (leastUses !== undefined) ask('coalesce(u.uses, 0) >= ?', leastUses);
  if (leastFacility !== undefined) ask('y.facility >= ?', leastFacility);
  if (mostFacility !== undefined) ask('y.facility <= ?', mostFacility);
  if (leastCut !== undefined) ask('y.cut >= ?', leastCut);
  if (mostCut !== undefined) ask('y.cut <= ?', mostCut);
  if (mostAgreement !== undefined) ask('100 * y.agreement <= ?', mostAgreement);
  if (leastDisputed !== undefined) ask('y.disputed >= ?', leastDisputed);
  const { rows } = await db.raw(
    // What is shown is put together for the page alone, not for all that was found.
    `with ${USED}, found as (
       select v.id, count(*) over ()::int as total, row_number() over (
         order by b.retired_at is not null, ${ORDERS[wanted.order]}, b.id) as place
       from ${STATIONS} where ${conditions.join(' and ')} order by place limit ? offset ?)
     select f.total, s.* from found f cross join lateral (${STATION} where v.id = f.id) s
     order by f.place`,
    [viewer, ...bindings, wanted.limit, wanted.offset],
  );
  return {
    total: rows[0]?.total ?? 0,
    stations: rows.map(({ total, ...row }: Row & { total: number }) => {
      void total;
      return stationOf(row);
    }),
  };
}

export async function findBankStation(
  db: Database,
  id: string,
  viewer: string,
): Promise<BankStation | undefined> {
  const { rows } = await db.raw(`with ${USED} ${STATION} where b.id = ? and ${NEWEST}`, [
    viewer,
    id,
  ]);
  return rows[0] && stationOf(rows[0]);
}

export async function findBankVersion(
  db: Database,
  id: string,
  viewer: string,
): Promise<BankStation | undefined> {
  const { rows } = await db.raw(`with ${USED} ${STATION} where v.id = ?`, [viewer, id]);
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
    ...columnsOf(patient),
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
