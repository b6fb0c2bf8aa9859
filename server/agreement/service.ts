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
  itemPairs,
  itemTable,
  meanScoreDifference,
  pooledAgreement,
  pooledPairs,
  pooledTable,
} from '@kritikos/core/agreement/sheetAgreement';
import type { SheetPair } from '@kritikos/core/agreement/sheetAgreement';
import { withReadings } from '@kritikos/core/scoring/patientReadings';
import { findChecklistVersion } from '../checklists/service.ts';
import { inSnapshot } from '../db/database.ts';
import type { Database } from '../db/database.ts';
import { cycleCounts, listStations } from '../examinations/repository.ts';
import { requireExamination, requireStation } from '../examinations/service.ts';
import { HttpProblem, notFound } from '../http/problems.ts';
import { describeSheet, requireSheet } from '../marking/service.ts';
import { marksOf, submittedPairs } from './repository.ts';
import type { PairRow } from './repository.ts';

/** How far the examiners of every station agree, item by item. */
export async function describeAgreement(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<AgreementOverview> {
  await requireExamination(db, examinationId, viewer);
  const stations = await listStations(db, examinationId, viewer.id);
  const rows = await submittedPairs(db, { examinationId }, viewer.id);
  const { pairs: planned } = await cycleCounts(db, examinationId, viewer.id);
  const described: StationAgreement[] = [];
  for (const station of stations) {
    const own = rows.filter((row) => row.stationId === station.id);
    described.push(await describeStation(db, station, own, viewer));
  }
  return { doubleMarked: rows.length, planned, stations: described };
}

async function describeStation(
  db: Database,
  station: Station,
  rows: readonly PairRow[],
  viewer: Account,
): Promise<StationAgreement> {
  const { content } = await findChecklistVersion(db, station.checklistVersionId);
  const items = withReadings(content.items, station.patientReadings);
  const pairs = await sheetPairs(db, rows, viewer);
  return {
    stationId: station.id,
    position: station.position,
    title: station.title,
    candidates: rows.length,
    variantsDiffer: rows.filter((row) => row.firstVariant !== row.secondVariant).length,
    examiners: [...new Set(rows.flatMap((row) => [row.firstExaminer, row.secondExaminer]))],
    meanDifference: meanScoreDifference(pairs),
    ...pooledAgreement(pooledPairs(items, pairs)),
    items: items.map((item) => ({
      item: item.key,
      text: item.text,
      kind: item.kind,
      domain: item.domain,
      observability: item.observability,
      ...itemAgreement(item, pairs),
    })),
  };
}

/** The table behind a coefficient: of one item, or of the whole station where no item is named. */
export async function tableBehind(
  db: Database,
  stationId: string,
  itemKey: string | undefined,
  viewer: Account,
): Promise<AgreementTable> {
  const station = await requireStation(db, stationId, viewer);
  const own = (await listStations(db, station.examinationId, viewer.id)).find(
    (s) => s.id === stationId,
  );
  if (!own) throw notFound('station');
  const { content } = await findChecklistVersion(db, own.checklistVersionId);
  const items = withReadings(content.items, own.patientReadings);
  const item = items.find((i) => i.key === itemKey);
  if (itemKey !== undefined && !item) throw notFound('item on this checklist');
  const rows = await submittedPairs(db, { stationId }, viewer.id);
  const pairs = await sheetPairs(db, rows, viewer);
  const marks = item ? itemPairs(item, pairs) : pooledPairs(items, pairs);
  const categories = item ? categoriesOf(item) : POOLED;
  const table = item ? itemTable(item, marks) : pooledTable(marks);
  const place = (key: string | number | null) => categories.findIndex((c) => c.key === key);
  const names = (side: 'firstExaminer' | 'secondExaminer') =>
    [...new Set(rows.map((row) => row[side]))].join(', ');
  return {
    station: station.title,
    item: item?.key ?? null,
    text: item?.text ?? 'All items together',
    first: names('firstExaminer') || 'First examiner',
    second: names('secondExaminer') || 'Second examiner',
    categories: categories.map((c) => ({ ...c })),
    counts: table.counts.map((row) => [...row]),
    pairs: marks.flatMap((mark) => {
      const row = rows[mark.pair];
      if (!row || mark.first === null || mark.second === null) return [];
      const { candidateNumber, firstSheet, secondSheet } = row;
      return [
        {
          candidateNumber,
          item: mark.item,
          row: place(mark.first),
          column: place(mark.second),
          firstSheet,
          secondSheet,
        },
      ];
    }),
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

async function sheetPairs(
  db: Database,
  rows: readonly PairRow[],
  viewer: Account,
): Promise<SheetPair[]> {
  const marks = await marksOf(
    db,
    rows.flatMap((row) => [row.firstSheet, row.secondSheet]),
    viewer.id,
  );
  return rows.map((row) => ({
    first: {
      variant: row.firstVariant,
      percent: row.firstPercent,
      marks: marks.get(row.firstSheet) ?? [],
    },
    second: {
      variant: row.secondVariant,
      percent: row.secondPercent,
      marks: marks.get(row.secondSheet) ?? [],
    },
  }));
}
