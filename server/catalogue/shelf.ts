import { isDeepStrictEqual } from 'node:util';
import { withShelf } from '@kritikos/catalogue/known';
import type { KnownProcedures } from '@kritikos/catalogue/known';
import type { Procedure } from '@kritikos/catalogue/procedure';
import { unsoundOnShelf } from '@kritikos/catalogue/soundness';
import type { Account } from '@kritikos/contracts/accounts';
import type { ShelfProcedure, ShelfReport } from '@kritikos/contracts/shelf';
import { recordAction } from '../audit/repository.ts';
import { offerChecklists } from '../checklists/service.ts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { invalid, notFound } from '../http/problems.ts';
import * as shelf from './shelfRepository.ts';

/** The catalogue with the school's own procedures beside it. */
export async function knownProcedures(db: Database): Promise<KnownProcedures> {
  return withShelf(await shelf.proceduresOfShelf(db));
}

/** What bringing these in would do, and what is unsound in them. */
export async function reportOnShelf(
  db: Database,
  procedures: readonly Procedure[],
): Promise<ShelfReport> {
  const kept = await shelf.keptOf(
    db,
    procedures.map(({ id }) => id),
  );
  const { all } = await knownProcedures(db);
  const known = new Set([...all, ...procedures].map(({ id }) => id));
  return procedures.map((procedure) => {
    const before = kept.get(procedure.id);
    const same = before !== undefined && isDeepStrictEqual(before.content, procedure);
    return {
      procedure: procedure.id,
      title: procedure.names[0] ?? procedure.title,
      version: (before?.version ?? 0) + (same ? 0 : 1),
      state: same ? 'same' : before ? 'changed' : 'new',
      unsound: unsoundOnShelf(procedure, known),
    };
  });
}

/**
 * Takes procedures onto the shelf, all of them or none, and offers their checklists. What stood
 * there stays as an earlier version, and stations keep the checklists that they have.
 */
export async function bringOntoShelf(
  db: Database,
  procedures: readonly Procedure[],
  by: Account,
): Promise<ShelfProcedure[]> {
  return db.transaction(async (trx) => {
    await shelf.lockShelf(trx);
    const report = await reportOnShelf(trx, procedures);
    refuseUnsound(report);
    const changed = procedures.filter((_, i) => report[i]?.state !== 'same');
    const kept = await shelf.keptOf(
      trx,
      changed.map(({ id }) => id),
    );
    for (const procedure of changed) {
      const before = kept.get(procedure.id);
      const id = before?.id ?? newId();
      const version = (before?.version ?? 0) + 1;
      if (!before) await shelf.insertOnShelf(trx, id, procedure.id);
      await shelf.insertShelfVersion(trx, procedure, version, by.id);
      const [action, detail] = ['procedure brought onto the shelf', { version }];
      await recordAction(trx, { accountId: by.id, action, subject: id, detail });
    }
    await offerChecklists(trx, changed, 'shelf');
    return shelf.readShelf(trx);
  });
}

function refuseUnsound(report: ShelfReport): void {
  const errors = report.flatMap(({ unsound }, i) =>
    unsound.map(({ path, reason, nearest }) => ({
      pointer: `/procedures/${i}${path}`,
      detail: nearest === null ? reason : `${reason}; the nearest that would do: ${nearest}`,
    })),
  );
  if (errors.length > 0) throw invalid(errors);
}

/** Takes a procedure out of the choice for new stations, or brings it back. */
export async function retireFromShelf(
  db: Database,
  id: string,
  retired: boolean,
  by: Account,
): Promise<ShelfProcedure> {
  return db.transaction(async (trx) => {
    if (!(await shelf.findOnShelf(trx, id))) throw notFound('procedure on the shelf');
    await shelf.setShelfRetired(trx, id, retired);
    const action = retired ? 'procedure retired from the shelf' : 'procedure taken back';
    await recordAction(trx, { accountId: by.id, action, subject: id });
    const now = await shelf.findOnShelf(trx, id);
    if (!now) throw notFound('procedure on the shelf');
    return now;
  });
}
