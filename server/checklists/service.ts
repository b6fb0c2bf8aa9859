import { PROCEDURES } from '@kritikos/catalogue/procedures';
import type { ChecklistContent } from '@kritikos/catalogue/procedure';
import type { Account } from '@kritikos/contracts/accounts';
import type { ChecklistVersion } from '@kritikos/contracts/checklists';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { notFound } from '../http/problems.ts';
import * as checklists from './repository.ts';

/**
 * Offers the catalogue's checklist of every procedure. Where the catalogue was corrected since, a
 * new version is offered beside the old: what is frozen stays, and stations that nobody has marked
 * at are told of it (`Station.offered`).
 */
export async function offerCatalogue(db: Database): Promise<void> {
  await db.transaction(async (trx) => {
    await trx.raw('lock table checklist in share row exclusive mode');
    for (const procedure of PROCEDURES) {
      const known = await checklists.findByProcedure(trx, procedure.id);
      if (known) {
        await checklists.offerVersion(trx, known.id, newId(), procedure.checklist);
        continue;
      }
      const checklist = {
        id: newId(),
        procedure_id: procedure.id,
        title: procedure.names[0] ?? procedure.title,
        region: procedure.region,
      };
      await checklists.insertChecklist(trx, checklist);
      await checklists.insertVersion(trx, {
        id: newId(),
        checklistId: checklist.id,
        version: 1,
        content: procedure.checklist,
        origin: 'catalogue',
      });
    }
  });
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
  content: ChecklistContent,
  by: Account,
): Promise<ChecklistVersion> {
  return db.transaction(async (trx) => {
    await trx('checklist').where({ id: checklistId }).forUpdate().first('id');
    const newest = await checklists.findNewestOf(trx, checklistId);
    if (!newest) throw notFound('checklist');
    const id = newId();
    await checklists.insertVersion(trx, {
      id,
      checklistId,
      version: newest.version + 1,
      content,
      origin: 'school',
    });
    await recordAction(trx, { accountId: by.id, action: 'checklist version made', subject: id });
    return findChecklistVersion(trx, id);
  });
}
