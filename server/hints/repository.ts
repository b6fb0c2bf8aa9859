import type { Database } from '../db/database.ts';

/** The examinations that somebody leads or may read. */
export async function examinationsReadBy(db: Database, account: string): Promise<string[]> {
  return db('examination_lead').where({ account_id: account }).pluck('examination_id');
}

/** The examinations that these sheets are of. */
export async function examinationsOf(db: Database, sheets: readonly string[]): Promise<string[]> {
  if (sheets.length === 0) return [];
  return db('sheet as h')
    .join('station as s', 's.id', 'h.station_id')
    .whereRaw('h.id = any(?::uuid[])', [[...sheets]])
    .distinct()
    .pluck('s.examination_id');
}
