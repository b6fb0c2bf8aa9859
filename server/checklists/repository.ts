import type { ChecklistSummary, ChecklistVersion } from '@kritikos/contracts/checklists';
import type { Database } from '../db/database.ts';

/** The newest version of every checklist; a school's own goes before a newer one of the catalogue. */
export async function newestVersions(db: Database): Promise<ChecklistSummary[]> {
  const { rows } = await db.raw(`
    select distinct on (c.title, c.id) c.id as "checklistId", v.id as "versionId",
      c.procedure_id as "procedureId", c.title, c.region, v.version,
      jsonb_array_length(v.content -> 'items') as items,
      to_json(v.frozen_at at time zone 'utc') as "frozenAt"
    from checklist c join checklist_version v on v.checklist_id = c.id
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
  return row && { ...row, frozenAt: row.frozenAt?.toISOString() ?? null };
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

export async function findByProcedure(
  db: Database,
  procedureId: string,
): Promise<{ id: string } | undefined> {
  return db('checklist').where({ procedure_id: procedureId }).first('id');
}

export async function insertChecklist(
  db: Database,
  checklist: { id: string; procedure_id: string; title: string; region: string },
): Promise<void> {
  await db('checklist').insert(checklist);
}

/** Inserts the catalogue's content as the next version, where it is not the catalogue's newest. */
export async function offerVersion(
  db: Database,
  checklistId: string,
  id: string,
  content: object,
): Promise<void> {
  await db.raw(
    `insert into checklist_version (id, checklist_id, version, content, origin)
     select :id, :checklistId, max(version) + 1, :content::jsonb, 'catalogue'
     from checklist_version where checklist_id = :checklistId
     having (select content from checklist_version
       where checklist_id = :checklistId and origin = 'catalogue'
       order by version desc limit 1) is distinct from :content::jsonb`,
    { id, checklistId, content: JSON.stringify(content) },
  );
}

export async function insertVersion(
  db: Database,
  version: {
    id: string;
    checklistId: string;
    version: number;
    content: object;
    origin: 'catalogue' | 'school';
  },
): Promise<void> {
  await db('checklist_version').insert({
    id: version.id,
    checklist_id: version.checklistId,
    version: version.version,
    content: JSON.stringify(version.content),
    origin: version.origin,
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
