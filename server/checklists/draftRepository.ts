import type {
  Draft,
  DraftSummary,
  KeptChange,
  StandingPiece,
  VersionUse,
} from '@kritikos/contracts/drafts';
import type { PieceChange } from '@kritikos/core/checklists/pieces';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';

/** For so long after the last look somebody still has a draft open. */
const PRESENT_SECONDS = 90;

export type StoredDraft = Omit<Draft, 'pieces'>;

const HEAD = `select d.id, d.checklist_id as "checklistId",
    coalesce(p.value #>> '{}', c.title) as title, d.bank_station_id as "bankStationId",
    (select array_agg(o ->> 'procedure' order by n) from draft_piece x,
      jsonb_array_elements(x.value) with ordinality e(o, n)
      where x.draft_id = d.id and x.piece = 'procedures') as procedures,
    jsonb_build_object('versionId', v.id, 'version', v.version) as "startedFrom",
    d.sequence, a.name as "begunBy", d.begun_at as "begunAt", d.changed_at as "changedAt",
    d.closed_at as "closedAt",
    array(select r.name from draft_reader w join account r on r.id = w.account_id
      where w.draft_id = d.id and w.account_id <> :viewer
        and w.seen_at > now() - make_interval(secs => ${PRESENT_SECONDS}) order by r.name) as others,
    (select count(*) from draft_piece i
      where i.draft_id = d.id and i.piece like 'item/%' and i.value is not null) as items
  from draft d
    join checklist c on c.id = d.checklist_id
    join checklist_version v on v.id = d.started_from
    join account a on a.id = d.begun_by
    left join draft_piece p on p.draft_id = d.id and p.piece = 'title'`;

interface Row extends Omit<StoredDraft, 'begunAt' | 'changedAt' | 'closedAt'> {
  readonly begunAt: Date;
  readonly changedAt: Date;
  readonly closedAt: Date | null;
  readonly items: number;
}

function draftOf({ begunAt, changedAt, closedAt, ...row }: Row): StoredDraft & { items: number } {
  return {
    ...row,
    begunAt: begunAt.toISOString(),
    changedAt: changedAt.toISOString(),
    closedAt: closedAt?.toISOString() ?? null,
  };
}

export async function openDrafts(db: Database, viewer: string): Promise<DraftSummary[]> {
  const { rows } = await db.raw(
    `${HEAD} where d.closed_at is null order by d.changed_at desc limit 500`,
    { viewer },
  );
  return rows.map(draftOf);
}

export async function findDraft(
  db: Database,
  id: string,
  viewer: string,
): Promise<StoredDraft | undefined> {
  const { rows } = await db.raw(`${HEAD} where d.id = :id`, { id, viewer });
  return rows[0] && draftOf(rows[0]);
}

export async function openDraftOf(
  db: Database,
  checklistId: string,
): Promise<{ id: string; bankStationId: string | null } | undefined> {
  return db('draft')
    .where({ checklist_id: checklistId })
    .whereNull('closed_at')
    .first('id', 'bank_station_id as bankStationId');
}

export async function insertDraft(
  trx: Database,
  draft: {
    id: string;
    checklist_id: string;
    bank_station_id: string | null;
    started_from: string;
    begun_by: string;
  },
  pieces: Readonly<Record<string, unknown>>,
): Promise<void> {
  await trx('draft').insert(draft);
  await trx('draft_piece').insert(
    Object.entries(pieces).map(([piece, value]) => ({
      draft_id: draft.id,
      piece,
      value: JSON.stringify(value),
      sequence: 0,
    })),
  );
}

/** Takes the draft for this transaction, so that its changes follow one another. */
export async function lockDraft(trx: Database, id: string): Promise<void> {
  await trx('draft').where({ id }).forUpdate().first('id');
}

const PIECE = `select p.piece, p.value, p.sequence, a.name as by
  from draft_piece p join draft d on d.id = p.draft_id
    left join draft_change c on c.draft_id = p.draft_id and c.sequence = p.sequence
    join account a on a.id = coalesce(c.account_id, d.begun_by)`;

/** The pieces changed after a change; from -1 on, all of them. */
export async function piecesSince(
  db: Database,
  draftId: string,
  since: number,
): Promise<StandingPiece[]> {
  const { rows } = await db.raw(`${PIECE} where p.draft_id = ? and p.sequence > ? order by 1`, [
    draftId,
    since,
  ]);
  return rows;
}

export async function piecesNamed(
  db: Database,
  draftId: string,
  names: readonly string[],
): Promise<StandingPiece[]> {
  const { rows } = await db.raw(`${PIECE} where p.draft_id = ? and p.piece = any(?) order by 1`, [
    draftId,
    [...names],
  ]);
  return rows;
}

/** What was written of this sending before; none where it is new. */
export async function changesSent(
  trx: Database,
  draftId: string,
  sending: string,
): Promise<{ piece: string; taken: boolean }[]> {
  return trx('draft_change')
    .where({ draft_id: draftId, sending })
    .orderBy('sequence')
    .select('piece', 'taken');
}

export interface WrittenChange extends PieceChange {
  readonly sequence: number;
  readonly taken: boolean;
}

export async function insertChanges(
  trx: Database,
  draftId: string,
  sending: string,
  by: string,
  changes: readonly WrittenChange[],
): Promise<void> {
  const json = (value: unknown) => (value === null ? null : JSON.stringify(value));
  await trx('draft_change').insert(
    changes.map(({ value, ...change }) => ({
      ...change,
      draft_id: draftId,
      sending,
      account_id: by,
      value: json(value),
    })),
  );
  const taken = changes.filter((change) => change.taken);
  if (taken.length > 0) {
    await trx('draft_piece')
      .insert(
        taken.map(({ piece, value, sequence }) => ({
          draft_id: draftId,
          piece,
          value: json(value),
          sequence,
        })),
      )
      .onConflict(['draft_id', 'piece'])
      .merge();
  }
  await trx('draft')
    .where({ id: draftId })
    .update({ sequence: changes.at(-1)?.sequence, changed_at: trx.fn.now() });
}

/** The changes of a draft, the newest first, each with what stood there before. */
export async function historyOf(
  db: Database,
  draftId: string,
  { offset, limit }: { offset: number; limit: number },
): Promise<{ total: number; changes: KeptChange[] }> {
  const { rows } = await db.raw(
    `select c.sequence, c.piece, c.value, c.taken, a.name as by, c.at, count(*) over () as total,
       o.value as before, o.sequence is null as first
     from draft_change c join account a on a.id = c.account_id
       left join lateral (
         select o.value, o.sequence from draft_change o
         where o.draft_id = c.draft_id and o.piece = c.piece and o.taken and o.sequence < c.sequence
         order by o.sequence desc limit 1) o on true
     where c.draft_id = ? order by c.sequence desc limit ? offset ?`,
    [draftId, limit, offset],
  );
  return {
    total: Number(rows[0]?.total ?? 0),
    changes: rows.map(({ total, at, ...row }: { total: number; at: Date }) => {
      void total;
      return { ...row, at: at.toISOString() };
    }),
  };
}

/** Notes that somebody has the draft open; true where nobody knew. */
export async function noteReader(
  db: Database,
  draftId: string,
  accountId: string,
): Promise<boolean> {
  const { rows } = await db.raw(
    `with known as (
       select seen_at from draft_reader where draft_id = :draftId and account_id = :accountId),
     noted as (
       insert into draft_reader (draft_id, account_id) values (:draftId, :accountId)
       on conflict (draft_id, account_id) do update set seen_at = now())
     select not exists (select from known
       where seen_at > now() - make_interval(secs => ${PRESENT_SECONDS})) as fresh`,
    { draftId, accountId },
  );
  return rows[0].fresh;
}

export async function closeDraft(
  trx: Database,
  id: string,
  by: string,
  publishedAs: string | null,
): Promise<void> {
  await trx('draft')
    .where({ id })
    .update({ closed_at: trx.fn.now(), closed_by: by, published_as: publishedAs });
}

export async function reopenDraft(trx: Database, id: string): Promise<void> {
  await trx('draft').where({ id }).update({ closed_at: null, closed_by: null });
}

export async function wasPublished(db: Database, id: string): Promise<boolean> {
  const row = await db('draft').where({ id }).first('published_as as as');
  return row?.as != null;
}

/** The versions of a checklist, and the stations of those examinations that the viewer may read. */
export async function versionsOf(
  db: Database,
  checklistId: string,
  viewer: string,
): Promise<VersionUse[]> {
  const { rows } = await db.raw(
    `select v.id, v.version, v.origin, v.created_at as "madeAt", a.name as "madeBy",
       v.frozen_at as "frozenAt",
       coalesce((select jsonb_agg(jsonb_build_object('examinationId', e.id, 'title', e.title,
           'heldOn', e.held_on, 'station', s.title) order by e.held_on desc, s.position)
         from station s join examination e on e.id = s.examination_id
         where s.checklist_version_id = v.id and ${readBy('e.id')}), '[]') as uses
     from checklist_version v left join account a on a.id = v.made_by
     where v.checklist_id = :checklistId order by v.version desc`,
    { checklistId, viewer },
  );
  return rows.map((row: { madeAt: Date; frozenAt: Date | null }) => ({
    ...row,
    madeAt: row.madeAt.toISOString(),
    frozenAt: row.frozenAt?.toISOString() ?? null,
  }));
}
