import type { Account } from '@kritikos/contracts/accounts';
import type { Examination, NewExamination } from '@kritikos/contracts/examinations';
import { DETAILS } from '@kritikos/core/examinations/heldDetails';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import type { Hints } from '../hints/hints.ts';
import { conflict, invalid } from '../http/problems.ts';
import { chosenCohort } from '../people/service.ts';
import * as examinations from './repository.ts';
import { describeExamination, holdExamination } from './service.ts';

/** Changes what the examination says of itself; what something hangs on stays, and says so. */
export async function changeDetails(
  db: Database,
  id: string,
  wanted: NewExamination,
  lead: Account,
): Promise<Examination> {
  await db.transaction(async (trx) => {
    await holdExamination(trx, id, lead);
    const before = await describeExamination(trx, id, lead);
    const { cohort, ...rest } = wanted;
    const cohortId = await chosenCohort(trx, cohort, wanted.heldOn, lead);
    const changed = DETAILS.filter((detail) =>
      detail === 'cohort' ? cohortId !== before.cohortId : wanted[detail] !== before[detail],
    );
    const refused = changed.flatMap((detail) => {
      const why = before.held[detail];
      return why === undefined ? [] : [{ pointer: `/${detail}`, detail: why }];
    });
    if (refused.length > 0) throw invalid(refused, 'This stays as it is');
    await examinations.updateDetails(trx, id, rest, cohortId);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'examination changed',
      subject: id,
      detail: { changed },
    });
  });
  return describeExamination(db, id, lead);
}

/** Deletes an examination that nothing is in: its leads, wishes and drafts of rules go with it. */
export async function deleteExamination(db: Database, id: string, lead: Account): Promise<null> {
  await db.transaction(async (trx) => {
    const { title, heldOn } = await holdExamination(trx, id, lead);
    if (!(await examinations.isDeletable(trx, id))) {
      throw conflict(
        'The examination is not empty',
        'It has candidates, stations, a timetable or a panel, or another examination was made from it. Take them out, or put the examination away: nothing is lost by that.',
      );
    }
    await examinations.deleteExamination(trx, id);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'examination deleted',
      subject: id,
      detail: { title, heldOn },
    });
  });
  return null;
}

/** Puts an examination away that was made by mistake, or brings it back; nothing of it changes. */
export async function putAway(
  db: Database,
  id: string,
  away: boolean,
  lead: Account,
  hints: Hints,
): Promise<Examination> {
  await db.transaction(async (trx) => {
    const found = await holdExamination(trx, id, lead);
    if (away && found.markingOpen) {
      throw conflict(
        'Marking is open',
        'Examiners would lose their sheets out of sight. Close marking first.',
      );
    }
    await examinations.setPutAway(trx, id, away);
    await recordAction(trx, {
      accountId: lead.id,
      action: away ? 'examination put away' : 'examination brought back',
      subject: id,
    });
  });
  hints.examinationChanged(id);
  return describeExamination(db, id, lead);
}
