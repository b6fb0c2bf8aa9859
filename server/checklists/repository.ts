import type { ChecklistSummary, ChecklistVersion } from '@kritikos/contracts/checklists';
import type { ProcedureChecklist } from '@kritikos/catalogue/procedure';
import { liftChecklist } from '@kritikos/catalogue/stationChecklist';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import type { Database } from '../db/database.ts';

/**
 * The newest version of every checklist; one written by hand goes before a newer one that is
 * offered. Those of procedures that are retired from the shelf are not in the choice.
 */
export async function newestVersions(db: Database): Promise<ChecklistSummary[]> {
  const { rows } = await db.raw(`
    select distinct on (c.title, c.id) c.id as "checklistId", v.id as "versionId",
      c.procedure_id as "procedureId", c.title, c.region, v.version,
      jsonb_array_length(v.content -> 'items') as items,
      to_json(v.frozen_at at time zone 'utc') as "frozenAt"
    from checklist c join checklist_version v on v.checklist_id = c.id
    where c.bank_station_id is not null or c.procedure_id not in (
      select procedure_id from shelf_procedure where retired_at is not null)
    order by c.title, c.id, v.origin = 'school' desc, v.version desc`);
  return rows.map((row: ChecklistSummary) => ({ ...row, frozenAt: asUtc(row.frozenAt) }));
}

export async function findVersion(db: Database, id: string): Promise<ChecklistVersion | undefined> {
  const row = await db('checklist_version as v')
    .join('checklist as c', 'c.id', 'v.checklist_id')
    .where('v.id', id)
    .first(
      'v.id',
      'c.id as checklistId',
      'c.procedure_id as procedureId',
      'c.title',
      'c.region',
      'v.version',
      'v.frozen_at as frozenAt',
      'v.content',
    );
  return row && { ...row, frozenAt: row.frozenAt?.toISOString() ?? null, content: lifted(row) };
}

export async function findNewestOf(
  db: Database,
  checklistId: string,
): Promise<{ id: string; version: number } | undefined> {
  return db('checklist_version')
    .where({ checklist_id: checklistId })
    .orderBy('version', 'desc')
    .first('id', 'version');
}

export async function insertChecklist(
  db: Database,
  checklist: {
    id: string;
    procedure_id: string;
    title: string;
    region: string;
    bank_station_id?: string;
    copy_of?: string;
  },
): Promise<void> {
  await db('checklist').insert(checklist);
}

/** The checklist of each procedure with the newest version that was offered of it. */
export async function offeredVersions(
  db: Database,
): Promise<{ id: string; procedureId: string; newest: number; content: ChecklistContent }[]> {
  const { rows } = await db.raw(`
    select c.id, c.procedure_id as "procedureId", c.title, o.content,
      (select max(version) from checklist_version v where v.checklist_id = c.id) as newest
    from checklist c cross join lateral (
      select content from checklist_version v
      where v.checklist_id = c.id and v.origin <> 'school' order by version desc limit 1) o
    where c.bank_station_id is null`);
  return rows.map((row: Stored & { id: string; newest: number }) => ({
    ...row,
    content: lifted(row),
  }));
}

interface Stored {
  readonly procedureId: string;
  readonly title: string;
  readonly content: ChecklistContent | ProcedureChecklist;
}

/** What is stored stays as it was written; what is read is in the present format. */
function lifted({ procedureId: id, title, content }: Stored): ChecklistContent {
  return 'format' in content ? content : liftChecklist({ id, title, checklist: content });
}

export async function insertVersion(
  db: Database,
  version: {
    id: string;
    checklistId: string;
    version: number;
    content: object;
    origin: 'catalogue' | 'shelf' | 'school';
    madeBy?: string;
  },
): Promise<void> {
  await db('checklist_version').insert({
    id: version.id,
    checklist_id: version.checklistId,
    version: version.version,
    content: JSON.stringify(version.content),
    origin: version.origin,
    made_by: version.madeBy ?? null,
  });
}

/** Freezes the versions that the examination's stations use; from here on they are never edited. */
export async function freezeVersionsOf(db: Database, examinationId: string): Promise<void> {
  await db('checklist_version')
    .whereNull('frozen_at')
    .whereIn(
      'id',
      db('station').where({ examination_id: examinationId }).select('checklist_version_id'),
    )
    .update({ frozen_at: db.fn.now() });
}

function asUtc(local: string | null): string | null {
  return local === null ? null : `${local}Z`;
}
