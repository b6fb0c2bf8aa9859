import type { Account } from '@kritikos/contracts/accounts';
import type {
  AgreementOverview,
  AgreementTable,
  Comparison,
  StationAgreement,
} from '@kritikos/contracts/agreement';
import type { Station } from '@kritikos/contracts/examinations';
import { categoriesOf, POOLED } from '@kritikos/core/agreement/category';
import {
  itemAgreement,
  itemTable,
  meanScoreDifference,
  pooledAgreement,
  pooledTable,
} from '@kritikos/core/agreement/sheetAgreement';
import { groupBy } from '@kritikos/core/numerics/groupBy';
import { findChecklistVersion } from '../checklists/service.ts';
import { inSnapshot } from '../db/database.ts';
import type { Database } from '../db/database.ts';
import { cycleCounts } from '../examinations/repository.ts';
import { listStations } from '../examinations/stationRepository.ts';
import { requireExamination, requireStation } from '../examinations/service.ts';
import { HttpProblem, notFound } from '../http/problems.ts';
import { describeSheet, requireSheet } from '../marking/service.ts';
import * as agreement from './repository.ts';
import type { ItemCell, PairRow, PooledCell } from './repository.ts';

/** The page lists so many pairs of a cell; the count beside them tells how many there are. */
const MOST_PAIRS = 60;

/** How far the examiners of every station agree, item by item, from the marks as they were kept. */
export async function describeAgreement(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<AgreementOverview> {
  return inSnapshot(db, async (trx) => {
    await requireExamination(trx, examinationId, viewer);
    const stations = await listStations(trx, examinationId, viewer.id);
    const where = { examinationId };
    const pairs = await agreement.submittedPairs(trx, where, viewer.id);
    const items = groupBy(await agreement.itemCells(trx, where, viewer.id), ofStation);
    const pooled = groupBy(await agreement.pooledCells(trx, where, viewer.id), ofStation);
    const { pairs: planned } = await cycleCounts(trx, examinationId, viewer.id);
    const described: StationAgreement[] = [];
    for (const station of stations) {
      const own = {
        pairs: pairs.filter((pair) => pair.stationId === station.id),
        items: items.get(station.id) ?? [],
        pooled: pooled.get(station.id) ?? [],
      };
      described.push(await describeStation(trx, station, own));
    }
    return { doubleMarked: pairs.length, planned, stations: described };
  });
}

function ofStation({ stationId }: { readonly stationId: string }): string {
  return stationId;
}

async function describeStation(
  db: Database,
  { id, position, title, checklistVersionId }: Station,
  own: { pairs: PairRow[]; items: ItemCell[]; pooled: PooledCell[] },
): Promise<StationAgreement> {
  const { content } = await findChecklistVersion(db, checklistVersionId);
  const cells = groupBy(own.items, (cell) => cell.item);
  return {
    stationId: id,
    position,
    title,
    candidates: own.pairs.length,
    variantsDiffer: own.pairs.filter((pair) => pair.variantsDiffer).length,
    examiners: [...new Set(own.pairs.flatMap((p) => [p.firstExaminer, p.secondExaminer]))],
    meanDifference: meanScoreDifference(
      own.pairs.map((pair) => ({ first: pair.firstPercent, second: pair.secondPercent })),
    ),
    ...pooledAgreement(own.pooled.flatMap(marksOfCandidate)),
    items: content.items.map((item) => ({
      item: item.key,
      text: item.text,
      kind: item.kind,
      domain: item.domain,
      observability: item.observability,
      ...itemAgreement(item, cells.get(item.key) ?? []),
    })),
  };
}

/** The marks of a candidate that stand in one cell, one by one. */
function marksOfCandidate({ candidateNumber: candidate, first, second, times }: PooledCell) {
  const place = (share: string | number | null) => (share === null ? null : Number(share));
  const mark = { candidate, first: place(first), second: place(second) };
  return Array.from({ length: times }, () => mark);
}

/** The table behind a coefficient: of one item, or of the whole station where no item is named. */
export async function tableBehind(
  db: Database,
  stationId: string,
  {
    item: itemKey,
    row,
    column,
  }: { item?: string | undefined; row?: number | undefined; column?: number | undefined },
  viewer: Account,
): Promise<AgreementTable> {
  const station = await requireStation(db, stationId, viewer);
  const { content } = await findChecklistVersion(db, station.checklistVersionId);
  const item = content.items.find((i) => i.key === itemKey);
  if (itemKey !== undefined && !item) throw notFound('item on this checklist');
  const categories = item ? categoriesOf(item) : POOLED;
  const where = { stationId };
  const table = item
    ? itemTable(
        item,
        (await agreement.itemCells(db, where, viewer.id)).filter((c) => c.item === item.key),
      )
    : pooledTable(await agreement.pooledCells(db, where, viewer.id));
  const [first, second] = [categories[row ?? -1], categories[column ?? -1]];
  const pairs = await agreement.pairsIn(db, stationId, viewer.id, {
    item: item?.key ?? null,
    cell: first && second ? { first: first.key, second: second.key } : null,
    most: MOST_PAIRS,
  });
  const place = (key: string) => categories.findIndex((c) => String(c.key) === key);
  const rows = await agreement.submittedPairs(db, where, viewer.id);
  const names = (side: 'firstExaminer' | 'secondExaminer') =>
    [...new Set(rows.map((pair) => pair[side]))].join(', ');
  return {
    station: station.title,
    item: item?.key ?? null,
    text: item?.text ?? 'All items together',
    first: names('firstExaminer') || 'First examiner',
    second: names('secondExaminer') || 'Second examiner',
    categories: categories.map((c) => ({ ...c })),
    counts: table.counts.map((counts) => [...counts]),
    pairs: pairs.map(({ first: one, second: other, ...pair }) => ({
      ...pair,
      row: place(one),
      column: place(other),
    })),
  };
}

/** Two sheets of one candidate side by side, and the items on which they differ. */
export async function compareSheets(
  db: Database,
  firstId: string,
  secondId: string,
  viewer: Account,
): Promise<Comparison> {
  const read = async (trx: Database, id: string) =>
    describeSheet(trx, await requireSheet(trx, id, viewer));
  const [first, second] = await inSnapshot(db, async (trx) => [
    await read(trx, firstId),
    await read(trx, secondId),
  ]);
  if (first.stationId !== second.stationId || first.candidateNumber !== second.candidateNumber) {
    throw new HttpProblem(422, 'invalid', 'These sheets are not of one candidate at one station');
  }
  const valueOn = (side: typeof first, item: string) => {
    const mark = side.state.marks.find((m) => m.item === item);
    return mark ? JSON.stringify([mark.value, mark.observation, mark.manner]) : 'unmarked';
  };
  const differing = first.checklist.content.items
    .map((item) => item.key)
    .filter((item) => valueOn(first, item) !== valueOn(second, item));
  return { first, second, differing };
}
