import type { Account } from '@kritikos/contracts/accounts';
import { STATION_PARTS } from '@kritikos/contracts/drafts';
import type {
  Draft,
  DraftAnswer,
  DraftChanges,
  DraftNews,
  StationParts,
} from '@kritikos/contracts/drafts';
import { piecesOf } from '@kritikos/core/checklists/pieces';
import { isDeepStrictEqual } from 'node:util';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import type { Hints } from '../hints/hints.ts';
import { newId } from '../http/newId.ts';
import { conflict, invalid, notFound } from '../http/problems.ts';
import { requireBankStation } from '../stations/service.ts';
import * as drafts from './draftRepository.ts';
import type { StoredDraft } from './draftRepository.ts';
import * as checklists from './repository.ts';
import { findChecklistVersion } from './service.ts';

/** Begins a draft of a checklist of the catalogue, from its newest version, or opens the one that there is. */
export async function beginDraft(db: Database, checklistId: string, by: Account): Promise<Draft> {
  const newest = await checklists.findNewestOf(db, checklistId);
  if (!newest) throw notFound('checklist');
  const begun = { checklistId, versionId: newest.id, bankStationId: null, parts: null };
  const id = await db.transaction((trx) => begin(trx, begun, by));
  return readDraft(db, id, by);
}

/** Begins a draft of a station of the bank: of its checklist, its patient, its minutes. */
export async function beginStationDraft(db: Database, bankId: string, by: Account): Promise<Draft> {
  const id = await db.transaction((trx) => startStationDraft(trx, bankId, by));
  return readDraft(db, id, by);
}

/** The same as a part of something larger; answers with the draft's id. */
export async function startStationDraft(
  trx: Database,
  bankId: string,
  by: Account,
): Promise<string> {
  const station = await requireBankStation(trx, bankId, by);
  const { checklistId } = await findChecklistVersion(trx, station.checklistVersionId);
  const { title, minutes, equipment, patient, checklistVersionId: versionId } = station;
  const parts: StationParts = { title, minutes, equipment, patient: { has: patient } };
  return begin(trx, { checklistId, versionId, bankStationId: bankId, parts }, by);
}

interface Begun {
  readonly checklistId: string;
  readonly versionId: string;
  readonly bankStationId: string | null;
  readonly parts: StationParts | null;
}

async function begin(
  trx: Database,
  { checklistId, versionId, bankStationId, parts }: Begun,
  by: Account,
): Promise<string> {
  await trx('checklist').where({ id: checklistId }).forUpdate().first('id');
  const open = await drafts.openDraftOf(trx, checklistId);
  if (open) {
    if (open.bankStationId === bankStationId) return open.id;
    throw conflict(
      'This checklist is being written already',
      'Another station that shares it has a draft of it. Publish that draft or put it away first; it is in the list of drafts.',
    );
  }
  const { content } = await findChecklistVersion(trx, versionId);
  const id = newId();
  await drafts.insertDraft(
    trx,
    {
      id,
      checklist_id: checklistId,
      bank_station_id: bankStationId,
      started_from: versionId,
      begun_by: by.id,
    },
    { ...piecesOf(content), ...parts },
  );
  await recordAction(trx, { accountId: by.id, action: 'draft begun', subject: id });
  return id;
}

export async function requireDraft(
  db: Database,
  id: string,
  viewer: Account,
): Promise<StoredDraft> {
  const found = await drafts.findDraft(db, id, viewer.id);
  if (!found) throw notFound('draft');
  return found;
}

export async function readDraft(db: Database, id: string, viewer: Account): Promise<Draft> {
  return db.transaction(
    async (trx) => ({
      ...(await requireDraft(trx, id, viewer)),
      pieces: await drafts.piecesSince(trx, id, -1),
    }),
    { isolationLevel: 'repeatable read' },
  );
}

/** Notes that somebody has a draft open: whoever else has sees that they are there. */
export async function notePresence(
  db: Database,
  id: string,
  viewer: Account,
  hints: Hints,
): Promise<void> {
  const { closedAt } = await requireDraft(db, id, viewer);
  if (closedAt === null && (await drafts.noteReader(db, id, viewer.id))) hints.draftChanged(id);
}

export async function newsOf(
  db: Database,
  id: string,
  since: number,
  viewer: Account,
): Promise<DraftNews> {
  return db.transaction(
    async (trx) => {
      const { sequence, others, closedAt } = await requireDraft(trx, id, viewer);
      return { sequence, others, closedAt, pieces: await drafts.piecesSince(trx, id, since) };
    },
    { isolationLevel: 'repeatable read' },
  );
}

/**
 * Writes what somebody changed. A piece is taken where it still stands as its writer saw it; where
 * another changed it meanwhile, what they wrote stands, and this is kept beside it in the history.
 * The same sending twice is written once.
 */
export async function changeDraft(
  db: Database,
  id: string,
  { id: sending, changes }: DraftChanges,
  by: Account,
): Promise<DraftAnswer> {
  return db.transaction(async (trx) => {
    await drafts.lockDraft(trx, id);
    const draft = await requireDraft(trx, id, by);
    const names = changes.map(({ piece }) => piece);
    let sent = await drafts.changesSent(trx, id, sending);
    if (sent.length === 0) {
      refuseClosed(draft);
      refuseStrangeParts(draft, names);
      const standing = new Map(
        (await drafts.piecesNamed(trx, id, names)).map((own) => [own.piece, own]),
      );
      const written = changes.map(({ piece, value, seen }, i) => {
        const there = standing.get(piece);
        const same = isDeepStrictEqual(there?.value ?? null, value ?? null);
        const taken = same || (there?.sequence ?? 0) === seen;
        return { piece, value: value ?? null, taken, sequence: draft.sequence + i + 1 };
      });
      await drafts.insertChanges(trx, id, sending, by.id, written);
      await drafts.noteReader(trx, id, by.id);
      sent = written;
    }
    const { sequence } = await requireDraft(trx, id, by);
    return {
      sequence,
      pieces: await drafts.piecesNamed(trx, id, names),
      beside: sent.filter(({ taken }) => !taken).map(({ piece }) => piece),
    };
  });
}

export function refuseClosed({ closedAt }: StoredDraft): void {
  if (closedAt === null) return;
  throw conflict(
    'This draft is closed',
    'It was published or put away meanwhile. What you wrote since is still on your page: copy it, and begin a new draft.',
  );
}

/** A checklist of the catalogue has no minutes and no patient of its own. */
function refuseStrangeParts({ bankStationId }: StoredDraft, names: readonly string[]): void {
  const strange = names.filter((name) => STATION_PARTS.some((part) => part === name));
  if (bankStationId !== null || strange.length === 0) return;
  throw invalid([
    { pointer: '/changes', detail: `${strange.join(', ')} is of a station; this draft has none` },
  ]);
}

/** Puts a draft away without publishing it; nothing of it is lost, and it can be taken out again. */
export async function putAway(
  db: Database,
  id: string,
  away: boolean,
  by: Account,
): Promise<Draft> {
  await db.transaction(async (trx) => {
    await drafts.lockDraft(trx, id);
    const draft = await requireDraft(trx, id, by);
    if (away) {
      refuseClosed(draft);
      await drafts.closeDraft(trx, id, by.id, null);
    } else if (draft.closedAt !== null) {
      const another = await drafts.openDraftOf(trx, draft.checklistId);
      if (another || (await drafts.wasPublished(trx, id))) {
        throw conflict(
          'This draft stays where it is',
          another
            ? 'The checklist has another draft meanwhile; what this one says is in its history.'
            : 'It was published; begin a new draft from that version.',
        );
      }
      await drafts.reopenDraft(trx, id);
    }
    const action = away ? 'draft put away' : 'draft taken out again';
    await recordAction(trx, { accountId: by.id, action, subject: id });
  });
  return readDraft(db, id, by);
}
