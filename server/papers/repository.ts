import type { Pack } from '@kritikos/contracts/papers';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';

/** So many archives of an examination are kept; they can be made again at any time. */
const KEPT = 4;

export async function insertPack(
  trx: Database,
  pack: {
    readonly id: string;
    readonly examinationId: string;
    readonly paper: string;
    readonly timetableId: string | null;
    readonly fingerprint: Buffer;
    readonly content: Uint8Array;
    readonly pages: number;
    readonly files: number;
    readonly madeBy: string;
  },
): Promise<void> {
  await trx('paper_pack').insert({
    id: pack.id,
    examination_id: pack.examinationId,
    paper: pack.paper,
    timetable_id: pack.timetableId,
    fingerprint: pack.fingerprint,
    content: Buffer.from(pack.content),
    pages: pack.pages,
    files: pack.files,
    made_by: pack.madeBy,
  });
  await trx.raw(
    `delete from paper_pack where examination_id = :examinationId and id not in
       (select id from paper_pack where examination_id = :examinationId order by made_at desc, id desc limit ${KEPT})`,
    { examinationId: pack.examinationId },
  );
}

export async function listPacks(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<(Omit<Pack, 'stale'> & { readonly fingerprint: Buffer })[]> {
  const { rows } = await db.raw(
    `select p.id, p.paper, a.name as "madeBy", p.made_at as "madeAt", t.number as plan, p.bytes,
       p.pages, p.files, p.fingerprint
     from paper_pack p join account a on a.id = p.made_by left join timetable t on t.id = p.timetable_id
     where p.examination_id = :examinationId and ${readBy('p.examination_id')}
     order by p.made_at desc, p.id desc`,
    { examinationId, viewer },
  );
  return rows.map((row: Omit<Pack, 'madeAt'> & { madeAt: Date; fingerprint: Buffer }) => ({
    ...row,
    madeAt: row.madeAt.toISOString(),
  }));
}

export async function findPack(
  db: Database,
  examinationId: string,
  id: string,
  viewer: string,
): Promise<{ readonly content: Buffer; readonly paper: string } | undefined> {
  return db('paper_pack')
    .where({ id, examination_id: examinationId })
    .whereRaw(readBy('paper_pack.examination_id'), { viewer })
    .first('content', 'paper');
}
