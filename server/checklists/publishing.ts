import type { Account } from '@kritikos/contracts/accounts';
import { checklistContent } from '@kritikos/contracts/checklists';
import type { ChecklistVersion } from '@kritikos/contracts/checklists';
import { STATION_PARTS } from '@kritikos/contracts/drafts';
import type { StationParts } from '@kritikos/contracts/drafts';
import { contentOf } from '@kritikos/core/checklists/pieces';
import type { Pieces } from '@kritikos/core/checklists/pieces';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import { isDeepStrictEqual } from 'node:util';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { conflict, invalid } from '../http/problems.ts';
import { insertNextVersion, refuseForbidden, requireBankStation } from '../stations/service.ts';
import * as drafts from './draftRepository.ts';
import type { StoredDraft } from './draftRepository.ts';
import { refuseClosed, requireDraft } from './drafts.ts';
import * as checklists from './repository.ts';
import { findChecklistVersion, refuseOtherProcedures } from './service.ts';

/**
 * Makes the next version of the checklist, and of its station in the bank, out of what stands in
 * the draft. Whoever publishes has seen everything: a change that they did not see stops it.
 */
export async function publishDraft(
  db: Database,
  id: string,
  seen: number,
  by: Account,
): Promise<ChecklistVersion> {
  return db.transaction(async (trx) => {
    await drafts.lockDraft(trx, id);
    const draft = await requireDraft(trx, id, by);
    refuseClosed(draft);
    if (draft.sequence !== seen) {
      throw conflict(
        'Somebody changed this draft meanwhile',
        'What they changed is on your page now. Read it, then publish.',
      );
    }
    const pieces = piecesByName(await drafts.piecesSince(trx, id, -1));
    const content = publishable(pieces);
    const { content: before } = await findChecklistVersion(trx, draft.startedFrom.versionId);
    refuseOtherProcedures(before, content);
    const parts = stationParts(draft, pieces);
    if (parts) await refuseForbidden(trx, content, parts.patient.has);
    await refuseUnchanged(trx, draft, { before, content, parts }, by);
    const versionId = newId();
    const newest = await checklists.findNewestOf(trx, draft.checklistId);
    await checklists.insertVersion(trx, {
      id: versionId,
      checklistId: draft.checklistId,
      version: (newest?.version ?? 0) + 1,
      content,
      origin: 'school',
      madeBy: by.id,
    });
    if (draft.bankStationId !== null && parts) {
      const { patient, ...rest } = parts;
      await insertNextVersion(
        trx,
        draft.bankStationId,
        { ...rest, patient: patient.has, content, checklistVersionId: versionId },
        by,
      );
    }
    await drafts.closeDraft(trx, id, by.id, versionId);
    await recordAction(trx, {
      accountId: by.id,
      action: 'draft published',
      subject: id,
      detail: { versionId },
    });
    return findChecklistVersion(trx, versionId);
  });
}

function piecesByName(standing: readonly { piece: string; value: unknown }[]): Pieces {
  return Object.fromEntries(
    standing.flatMap(({ piece, value }) => (value === null ? [] : [[piece, value]])),
  );
}

/** A draft may be incomplete, a published version may not. */
function publishable(pieces: Pieces): ChecklistContent {
  const draft = contentOf(pieces);
  const content = checklistContent.safeParse(draft);
  const errors = (content.error?.issues ?? []).map(({ path, message }) => ({
    pointer: `/${path.map(String).join('/')}`,
    detail: message,
  }));
  for (const [i, { criticality, criticalReason }] of draft.items.entries()) {
    if (criticality === 'none' || criticalReason?.trim()) continue;
    const detail = 'must say why missing it counts for so much';
    errors.push({ pointer: `/items/${i}/criticalReason`, detail });
  }
  if (content.success && errors.length === 0) return content.data;
  throw invalid(errors, 'This draft cannot be published yet');
}

function stationParts({ bankStationId }: StoredDraft, pieces: Pieces): StationParts | null {
  if (bankStationId === null) return null;
  const parts = Object.fromEntries(STATION_PARTS.map((part) => [part, pieces[part]]));
  const title = String(parts.title ?? '').trim();
  if (title === '' || title.length > 80) {
    throw invalid([{ pointer: '/title', detail: 'must have 1 to 80 characters' }]);
  }
  // Each part was checked when it was written.
  return { ...(parts as StationParts), title };
}

async function refuseUnchanged(
  trx: Database,
  { bankStationId }: StoredDraft,
  now: { before: ChecklistContent; content: ChecklistContent; parts: StationParts | null },
  by: Account,
): Promise<void> {
  if (!isDeepStrictEqual(plain(now.before), plain(now.content))) return;
  if (bankStationId !== null && now.parts) {
    const { title, minutes, equipment, patient } = await requireBankStation(trx, bankStationId, by);
    const parts: StationParts = { title, minutes, equipment, patient: { has: patient } };
    if (!isDeepStrictEqual(parts, now.parts)) return;
  }
  throw conflict(
    'Nothing has changed',
    'The draft says what the present version says. Change something, or put the draft away.',
  );
}

function plain(content: ChecklistContent): unknown {
  return JSON.parse(JSON.stringify(content));
}
