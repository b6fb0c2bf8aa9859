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
import { firstTwo, itemCells, placedPairs, pooledCells } from '@kritikos/core/agreement/sheetPairs';
import type { SheetPair } from '@kritikos/core/agreement/sheetPairs';
import { ofEveryStation } from '../analyses/service.ts';
import { findChecklistVersion } from '../checklists/service.ts';
import { inSnapshot } from '../db/database.ts';
import type { Database } from '../db/database.ts';
import { cycleCounts } from '../examinations/repository.ts';
import { listStations } from '../examinations/stationRepository.ts';
import { requireExamination, requireStation } from '../examinations/service.ts';
import { HttpProblem, notFound } from '../http/problems.ts';
import { describeSheet, requireSheet } from '../marking/service.ts';
import * as agreement from './repository.ts';

/** The page lists so many pairs of a cell; the count beside them tells how many there are. */
const MOST_PAIRS = 60;

/** How far the examiners of every station agree, item by item, from the marks as they were kept. */
export async function describeAgreement(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<AgreementOverview> {
  return db.transaction(async (trx) => {
    await requireExamination(trx, examinationId, viewer);
    const stations = await listStations(trx, examinationId, viewer.id);
    const { pairs: planned } = await cycleCounts(trx, examinationId, viewer.id);
    const known = await stationAgreements(trx, examinationId, stations, viewer);
    const described = stations.flatMap((station) => {
      const { id, position, title } = station;
      const own = known.get(id);
      return own ? [{ stationId: id, position, title, ...own }] : [];
    });
    const doubleMarked = described.reduce((sum, station) => sum + station.candidates, 0);
    return { doubleMarked, planned, stations: described };
  });
}

/** How far the examiners of each station agree, as it is kept. */
export function stationAgreements(
  db: Database,
  examinationId: string,
  stations: readonly Station[],
  viewer: Account,
): Promise<ReadonlyMap<string, Described>> {
  return ofEveryStation(db, examinationId, viewer, {
    kind: 'agreement/1',
    workOut: (own, ids) => describeStations(own, stations, ids, viewer),
  });
}

/** What is worked out of a station; where it stands and what it is called is said anew each time. */
type Described = Omit<StationAgreement, 'stationId' | 'position' | 'title'>;

async function describeStations(
  db: Database,
  stations: readonly Station[],
  ids: readonly string[],
  viewer: Account,
): Promise<Map<string, Described>> {
  const rated = await agreement.ratedSheets(db, ids, viewer.id);
  const described = new Map<string, Described>();
  for (const station of stations.filter(({ id }) => ids.includes(id))) {
    const pairs = firstTwo(rated.get(station.id) ?? []);
    described.set(station.id, await describeStation(db, station, pairs));
  }
  return described;
}

async function describeStation(
  db: Database,
  { checklistVersionId }: Station,
  pairs: readonly SheetPair[],
): Promise<Described> {
  const { content } = await findChecklistVersion(db, checklistVersionId);
  return {
    candidates: pairs.length,
    variantsDiffer: pairs.filter(({ first, second }) => first.variants !== second.variants).length,
    examiners: [...new Set(pairs.flatMap((p) => [p.first.examiner, p.second.examiner]))],
    meanDifference: meanScoreDifference(
      pairs.map(({ first, second }) => ({ first: first.percent, second: second.percent })),
    ),
    ...pooledAgreement(pooledCells(pairs)),
    items: content.items.map((item, place) => ({
      item: item.key,
      text: item.text,
      kind: item.kind,
      domain: item.domain,
      observability: item.observability,
      ...itemAgreement(item, itemCells(pairs, place)),
    })),
  };
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
  const rated = await agreement.ratedSheets(db, [stationId], viewer.id);
  const pairs = firstTwo(rated.get(stationId) ?? []);
  const at = item ? content.items.indexOf(item) : null;
  const table =
    item && at !== null ? itemTable(item, itemCells(pairs, at)) : pooledTable(pooledCells(pairs));
  const place = (key: string | null) => categories.findIndex((c) => String(c.key) === key);
  const [wantedRow, wantedColumn] = [categories[row ?? -1], categories[column ?? -1]];
  const shown: AgreementTable['pairs'] = [];
  for (const { candidate, first, second, cell, place: asked } of placedPairs(pairs, at)) {
    const [r, c] = [place(cell[0]), place(cell[1])];
    if (r < 0 || c < 0) continue; // one of the two marks is missing
    if (wantedRow && wantedColumn ? r !== row || c !== column : r === c) continue;
    shown.push({
      candidateNumber: candidate,
      item: content.items[asked]?.key ?? '',
      row: r,
      column: c,
      firstSheet: first.id,
      secondSheet: second.id,
    });
    if (shown.length === MOST_PAIRS) break;
  }
  const names = (side: 'first' | 'second') =>
    [...new Set(pairs.map((pair) => pair[side].examiner))].join(', ');
  return {
    station: station.title,
    item: item?.key ?? null,
    text: item?.text ?? 'All items together',
    first: names('first') || 'First examiner',
    second: names('second') || 'Second examiner',
    categories: categories.map((c) => ({ ...c })),
    counts: table.counts.map((counts) => [...counts]),
    pairs: shown,
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
