import type { Account } from '@kritikos/contracts/accounts';
import { checklistContent } from '@kritikos/contracts/checklists';
import type { BankCopy, BankFromFile, BankMade } from '@kritikos/contracts/stations';
import { changesTo, withChanges } from '@kritikos/core/checklists/pieces';
import { recordAction } from '../audit/repository.ts';
import { knownProcedures } from '../catalogue/shelf.ts';
import { piecesSince } from '../checklists/draftRepository.ts';
import { changeDraft, startStationDraft } from '../checklists/drafts.ts';
import { findChecklistVersion } from '../checklists/service.ts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { invalid } from '../http/problems.ts';
import {
  insertDerived,
  insertWithChecklist,
  requireBankStation,
  requireBankVersion,
} from './service.ts';

/**
 * A station like another, of the bank or as an examination used it: its checklist, patient, minutes
 * and equipment. Items that say the same keep their statistics.
 */
export async function copyStation(
  db: Database,
  { bankVersionId, title }: BankCopy,
  by: Account,
): Promise<BankMade> {
  const like = await requireBankVersion(db, bankVersionId, by);
  const { content, checklistId } = await findChecklistVersion(db, like.checklistVersionId);
  const { patient, minutes, equipment } = like;
  const id = await db.transaction(async (trx) => {
    const made = await insertWithChecklist(
      trx,
      { title, patient, minutes, equipment, content, copyOf: checklistId },
      by,
    );
    await recordAction(trx, {
      accountId: by.id,
      action: 'bank station copied',
      subject: made,
      detail: { bankVersionId },
    });
    return made;
  });
  return { station: await requireBankStation(db, id, by), draftId: null };
}

/**
 * A station from a checklist file. Where the file is finished it is the station's checklist; where
 * it is not, the station begins as its procedures would have it, and the file waits as a draft to
 * be mended.
 */
export async function stationFromFile(
  db: Database,
  { title, minutes, checklist }: BankFromFile,
  by: Account,
): Promise<BankMade> {
  const procedures = checklist.procedures.map(({ procedure }) => procedure);
  await refuseUnknown(db, procedures);
  const finished = checklistContent.safeParse(checklist);
  const around = { title, patient: null, minutes, equipment: [] };
  const made = await db.transaction(async (trx) => {
    if (finished.success) {
      const own = { ...around, content: finished.data };
      return { id: await insertWithChecklist(trx, own, by), draftId: null };
    }
    const wanted = { ...around, procedures: procedures.map((procedure) => ({ procedure })) };
    const id = await insertDerived(trx, wanted, by);
    const draftId = await startStationDraft(trx, id, by);
    const derived = withChanges({}, await piecesSince(trx, draftId, -1));
    const changes = changesTo(derived, checklist).map((change) => ({ ...change, seen: 0 }));
    await changeDraft(trx, draftId, { id: newId(), changes }, by);
    return { id, draftId };
  });
  return { station: await requireBankStation(db, made.id, by), draftId: made.draftId };
}

async function refuseUnknown(db: Database, procedures: readonly string[]): Promise<void> {
  const known = await knownProcedures(db);
  const unknown = procedures.flatMap((id, i) => (known.find(id) ? [] : [i]));
  if (unknown.length === 0) return;
  throw invalid(
    unknown.map((i) => ({
      pointer: `/checklist/procedures/${i}/procedure`,
      detail: `names ${procedures[i]}, which is neither in the catalogue nor on the shelf`,
    })),
  );
}
