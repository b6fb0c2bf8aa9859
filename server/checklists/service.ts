import { PROCEDURES } from '@kritikos/catalogue/procedures';
import type { Procedure, ProcedureChecklist } from '@kritikos/catalogue/procedure';
import { liftChecklist } from '@kritikos/catalogue/stationChecklist';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import { isDeepStrictEqual } from 'node:util';
import type { Account } from '@kritikos/contracts/accounts';
import type { ChecklistVersion } from '@kritikos/contracts/checklists';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { invalid, notFound } from '../http/problems.ts';
import * as checklists from './repository.ts';

/** Offers the catalogue's checklist of every procedure. */
export async function offerCatalogue(db: Database): Promise<void> {
  await db.transaction((trx) => offerChecklists(trx, PROCEDURES, 'catalogue'));
}

/**
 * Offers the checklists of these procedures. Where one was corrected since, a new version is
 * offered beside the old: what is frozen stays, and stations that nobody has marked at are told of
 * it (`Station.offered`).
 */
export async function offerChecklists(
  trx: Database,
  procedures: readonly Procedure[],
  origin: 'catalogue' | 'shelf',
): Promise<void> {
  await trx.raw('lock table checklist in share row exclusive mode');
  const offered = new Map(
    (await checklists.offeredVersions(trx)).map((own) => [own.procedureId, own]),
  );
  for (const procedure of procedures) {
    const title = procedure.names[0] ?? procedure.title;
    const content = plain(liftChecklist({ ...procedure, title }));
    const known = offered.get(procedure.id);
    if (known && isDeepStrictEqual(known.content, content)) continue;
    const checklistId = known?.id ?? newId();
    if (!known) {
      const { id: procedure_id, region } = procedure;
      await checklists.insertChecklist(trx, { id: checklistId, procedure_id, title, region });
    }
    await checklists.insertVersion(trx, {
      id: newId(),
      checklistId,
      version: (known?.newest ?? 0) + 1,
      content,
      origin,
    });
  }
}

/** As it comes back from the database: what is undefined is not there. */
function plain(content: ChecklistContent): ChecklistContent {
  return JSON.parse(JSON.stringify(content)) as ChecklistContent;
}

export async function findChecklistVersion(db: Database, id: string): Promise<ChecklistVersion> {
  const version = await checklists.findVersion(db, id);
  if (!version) throw notFound('checklist version');
  return version;
}

/** Editing never touches a version: it makes the next one. */
export async function makeNextVersion(
  db: Database,
  checklistId: string,
  written: ChecklistContent | ProcedureChecklist,
  by: Account,
): Promise<ChecklistVersion> {
  return db.transaction(async (trx) => {
    await trx('checklist').where({ id: checklistId }).forUpdate().first('id');
    const newest = await checklists.findNewestOf(trx, checklistId);
    if (!newest) throw notFound('checklist');
    const { content: before, procedureId, title } = await findChecklistVersion(trx, newest.id);
    const content =
      'format' in written ? written : liftChecklist({ id: procedureId, title, checklist: written });
    refuseOtherProcedures(before, content);
    const id = newId();
    await checklists.insertVersion(trx, {
      id,
      checklistId,
      version: newest.version + 1,
      content,
      origin: 'school',
      madeBy: by.id,
    });
    await recordAction(trx, { accountId: by.id, action: 'checklist version made', subject: id });
    return findChecklistVersion(trx, id);
  });
}

/** A checklist stays with its procedures: the sheets of its stations name a variant of each. */
export function refuseOtherProcedures(before: ChecklistContent, after: ChecklistContent): void {
  const named = ({ procedures }: ChecklistContent) => procedures.map((p) => p.procedure).sort();
  if (isDeepStrictEqual(named(before), named(after))) return;
  throw invalid([{ pointer: '/procedures', detail: `must be ${named(before).join(' and ')}` }]);
}
