import { keptItems } from '@kritikos/core/scoring/keptItems';
import type { KeptItem } from '@kritikos/core/scoring/keptItems';
import { withReadings } from '@kritikos/core/scoring/patientReadings';
import { rulesOf, scoreSheet } from '@kritikos/core/scoring/scoreSheet';
import { isDeepStrictEqual } from 'node:util';
import type { Database } from '../db/database.ts';
import { frozenChecklist } from './frozenChecklist.ts';
import * as marking from './repository.ts';

const BATCH = 500;

export interface Difference {
  readonly sheet: string;
  /** What is kept otherwise than it scores: items, or the score of the whole sheet. */
  readonly what: readonly string[];
}

/**
 * Scores every submitted sheet anew from its marks and compares what is kept of it, to the last
 * digit: what agreement, standards and results read is what the marks say. Of one examination where
 * it is named.
 */
export async function verifyKept(
  db: Database,
  {
    examination = null,
    progress,
  }: { examination?: string | null; progress?: (share: number) => void } = {},
): Promise<{ readonly sheets: number; readonly differing: readonly Difference[] }> {
  const differing: Difference[] = [];
  const all = progress ? await marking.countSubmitted(db, examination) : 0;
  let sheets = 0;
  for (let after: string | null = null; ;) {
    const batch: marking.SubmittedSheet[] = await marking.submittedAfter(
      db,
      examination,
      after,
      BATCH,
    );
    for (const sheet of batch) {
      const what = await differencesOf(db, sheet);
      if (what.length > 0) differing.push({ sheet: sheet.id, what });
    }
    sheets += batch.length;
    progress?.(sheets / Math.max(1, all));
    after = batch.at(-1)?.id ?? null;
    if (batch.length < BATCH) return { sheets, differing };
  }
}

async function differencesOf(db: Database, sheet: marking.SubmittedSheet): Promise<string[]> {
  const { content } = await frozenChecklist(db, sheet.checklistVersionId);
  const items = withReadings(content.items, sheet.patientReadings);
  const { marks } = await marking.marksAndFaults(db, sheet);
  const score = scoreSheet(items, marks, sheet.variants, rulesOf(content));
  const again = new Map(keptItems(items, marks, score).map((kept) => [kept.item, kept]));
  const kept = new Map(sheet.kept.map((item: KeptItem) => [item.item, item]));
  const names = [...new Set([...again.keys(), ...kept.keys()])];
  const what = names.filter((name) => !isDeepStrictEqual(again.get(name), kept.get(name)));
  // The column has six decimals.
  const percent = score.percent === null ? null : Number(score.percent.toFixed(6));
  const same =
    percent === null ? sheet.percent === null : Math.abs(percent - (sheet.percent ?? NaN)) <= 1e-6;
  if (!same) what.push('the score');
  // A changed item stands apart from the row already; here is a row that was changed by itself.
  if (what.length === 0 && !sheet.sameInOneRow) what.push('the row of all items');
  return what;
}
