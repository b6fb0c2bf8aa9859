import type { Account } from '@kritikos/contracts/accounts';
import type { HouseChange, HouseProposal } from '@kritikos/contracts/house';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { conflict, notFound } from '../http/problems.ts';
import * as house from './repository.ts';

/** Whom the house names to change what is its own. */
export function keepsHouse({ roles }: Pick<Account, 'roles'>): boolean {
  return roles.includes('office') || roles.includes('administrator');
}

/**
 * Changes what is the house’s, by whom the house names; by anybody else it is proposed, each change
 * in a sentence. Answers with the ids of what was changed, in their order; none for what was proposed.
 */
export async function changeHouse(
  trx: Database,
  examinationId: string,
  changes: readonly { readonly change: HouseChange; readonly words: string }[],
  by: Account,
): Promise<(string | undefined)[]> {
  const may = keepsHouse(by);
  if (may) await refuseRoomsInUse(trx, changes, by);
  const ids: (string | undefined)[] = [];
  for (const { change, words } of changes) {
    if (may) ids.push(await house.write(trx, change));
    else {
      await house.insertProposal(trx, { examinationId, change, words, madeBy: by.id });
      ids.push(undefined);
    }
    await recordAction(trx, {
      accountId: by.id,
      action: may ? 'house changed' : 'house change proposed',
      subject: examinationId,
      detail: { words },
    });
  }
  return ids;
}

async function refuseRoomsInUse(
  trx: Database,
  changes: readonly { readonly change: HouseChange }[],
  by: Account,
): Promise<void> {
  const left = new Map<string, number>();
  for (const { change } of changes) {
    if (change.of === 'no room') left.set(change.id, 0);
    if (change.of === 'room' && change.id) left.set(change.id, change.couches);
  }
  if (left.size === 0) return;
  const lost = (await house.roomsInUse(trx, by.id)).find(
    ({ roomId, couch }) => (left.get(roomId) ?? Infinity) < couch,
  );
  if (!lost) return;
  throw conflict(
    `${lost.name} is in use`,
    `${lost.where ?? 'A station of another examination'} stands there at couch ${lost.couch}. Move it first; nothing was changed.`,
  );
}

/** Takes a proposal, which is then so for everybody, or leaves it. */
export async function decide(
  db: Database,
  id: string,
  take: boolean,
  by: Account,
): Promise<{ examinationId: string; proposals: HouseProposal[] }> {
  return db.transaction(async (trx) => {
    const found = await house.holdProposal(trx, id);
    if (!found) throw notFound('proposal that waits');
    const { examinationId, change, words } = found;
    if (take) await changeHouse(trx, examinationId, [{ change, words }], by);
    await house.decideProposal(trx, id, take, by.id);
    await recordAction(trx, {
      accountId: by.id,
      action: take ? 'house proposal taken' : 'house proposal left',
      subject: examinationId,
      detail: { words },
    });
    return { examinationId, proposals: await house.waitingProposals(trx) };
  });
}
