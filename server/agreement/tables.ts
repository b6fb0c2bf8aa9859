import type { Account } from '@kritikos/contracts/accounts';
import type { AgreementLimits, AgreementTable, TABLE_FACETS } from '@kritikos/contracts/agreement';
import { blandAltman } from '@kritikos/core/agreement/blandAltman';
import { examinerPairs } from '@kritikos/core/agreement/examinerPairs';
import type { ExaminerPair } from '@kritikos/core/agreement/examinerPairs';
import { isTechnique, placesOf, POOLED_SCALE, scaleOf } from '@kritikos/core/agreement/itemScale';
import { sheetsByCandidate } from '@kritikos/core/agreement/ratedSheet';
import type { RatedSheet } from '@kritikos/core/agreement/ratedSheet';
import { unitOf } from '@kritikos/core/agreement/stationAgreement';
import { isDeclared } from '@kritikos/core/scoring/checklist';
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import type { Database } from '../db/database.ts';
import { requireStation } from '../examinations/service.ts';
import { notFound } from '../http/problems.ts';
import { sayVariants } from './describeStation.ts';
import { ratedSheetsOf } from './keptSheet.ts';
import { comparedSheets } from './working.ts';

/** The page lists so many pairs of a cell; the count beside them tells how many there are. */
const MOST_CELLS = 60;

interface Asked {
  readonly item?: string | undefined;
  readonly facet?: (typeof TABLE_FACETS)[number] | undefined;
  readonly name?: string | undefined;
  readonly pair?: number | undefined;
  readonly row?: number | undefined;
  readonly column?: number | undefined;
}

/**
 * The table behind a coefficient, for two examiners by name: of one item, of a part of the station,
 * or of the whole where neither is named.
 */
export async function tableBehind(
  db: Database,
  stationId: string,
  asked: Asked,
  viewer: Account,
): Promise<AgreementTable> {
  const { station, content, candidates } = await readStation(db, stationId, viewer);
  const part = partOf(content, asked);
  const pairs = examinerPairs(candidates.filter((sheets) => part.takes(sheets)));
  const pair = pairs[asked.pair ?? 0];
  const { scale, places } = part;
  const place = (mark: string | number | null) => scale.categories.findIndex((c) => c.key === mark);
  const counts = scale.categories.map(() => scale.categories.map(() => 0));
  const { row: wantedRow, column: wantedColumn } = asked;
  const cells: AgreementTable['cells'] = [];
  for (const { candidate, first, second } of pair?.sheets ?? []) {
    for (const at of places) {
      const [row, column] = [place(scale.read(first, at)), place(scale.read(second, at))];
      const line = counts[row];
      if (!line || column < 0) continue; // one of the two marks is missing
      line[column] = (line[column] ?? 0) + 1;
      const wanted =
        wantedRow === undefined ? row !== column : row === wantedRow && column === wantedColumn;
      if (!wanted || cells.length === MOST_CELLS) continue;
      cells.push({
        candidateNumber: candidate,
        item: content.items[at]?.key ?? '',
        asks: content.items[at]?.text ?? '',
        row,
        column,
        firstSheet: first.id,
        secondSheet: second.id,
      });
    }
  }
  return {
    station: station.title,
    text: part.text,
    pairs: pairs.map(countedPair),
    pair: asked.pair ?? 0,
    categories: scale.categories.map((category) => ({ ...category })),
    counts,
    cells,
  };
}

/** What two examiners read off for one number, candidate by candidate, with their limits of agreement. */
export async function limitsBehind(
  db: Database,
  stationId: string,
  { item: key, pair: asked = 0 }: { item: string; pair?: number | undefined },
  viewer: Account,
): Promise<AgreementLimits> {
  const { station, content, candidates } = await readStation(db, stationId, viewer);
  const place = content.items.findIndex((item) => item.key === key);
  const item = content.items[place];
  const unit = item && unitOf(item);
  if (!item || unit === null || unit === undefined) throw notFound('number on this checklist');
  const pairs = examinerPairs(candidates);
  const points = (pairs[asked]?.sheets ?? []).flatMap(({ candidate, first, second }) => {
    const [a, b] = [first.values[place], second.values[place]];
    if (a === undefined || b === undefined) return [];
    return [
      {
        candidateNumber: candidate,
        first: a,
        second: b,
        firstSheet: first.id,
        secondSheet: second.id,
      },
    ];
  });
  return {
    station: station.title,
    text: item.text,
    unit,
    pairs: pairs.map(countedPair),
    pair: asked,
    limits: blandAltman(
      points.map(({ first }) => first),
      points.map(({ second }) => second),
    ),
    points,
  };
}

async function readStation(db: Database, stationId: string, viewer: Account) {
  const station = await requireStation(db, stationId, viewer);
  const { content, sheets, numbers } = await comparedSheets(db, station, viewer);
  return { station, content, candidates: sheetsByCandidate(ratedSheetsOf(sheets, numbers)) };
}

function countedPair({ first, second, sheets }: ExaminerPair) {
  return { first, second, candidates: sheets.length };
}

/** The items and the candidates that a table is of, and what it is called. */
export function partOf(
  content: Pick<ChecklistContent, 'items' | 'procedures'>,
  { item: key, facet, name }: Pick<Asked, 'item' | 'facet' | 'name'>,
) {
  const { items } = content;
  const everybody = () => true;
  if (key !== undefined) {
    const item = items.find((one) => one.key === key);
    if (!item) throw notFound('item on this checklist');
    const places = [items.indexOf(item)];
    return { scale: scaleOf(item), places, text: item.text, takes: everybody };
  }
  const technique = placesOf(items, isTechnique);
  const pooled = { scale: POOLED_SCALE, takes: everybody };
  switch (facet) {
    case undefined:
      return { ...pooled, places: technique, text: 'Technique, all items together' };
    case 'declared':
      return { ...pooled, places: placesOf(items, isDeclared), text: 'Declared results together' };
    case 'variant': {
      const takes = (sheets: readonly RatedSheet[]) => {
        const seen = new Set(sheets.map(({ variants }) => variants));
        return sayVariants(content, seen.size === 1 ? ([...seen][0] ?? '') : '') === name;
      };
      return { ...pooled, places: technique, takes, text: `Variant ${name ?? ''}` };
    }
    default: {
      const places = technique.filter((place) => items[place]?.[facet] === name);
      if (places.length === 0) throw notFound('such items on this checklist');
      return { ...pooled, places, text: `Items of ${facet} ${name ?? ''}` };
    }
  }
}
