import type { Cell } from '@kritikos/core/agreement/crossTable';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';

export type Where = { readonly examinationId: string } | { readonly stationId: string };

export interface PairRow {
  stationId: string;
  candidateNumber: number;
  firstExaminer: string;
  secondExaminer: string;
  /** True where the two examiners saw other variants. */
  variantsDiffer: boolean;
  firstPercent: number | null;
  secondPercent: number | null;
}

/**
 * The first two submitted sheets of every candidate marked twice at a station, on one checklist
 * version. First is who marks more of the station's candidates.
 */
function pairs(where: Where): string {
  const column = 'stationId' in where ? 's.id' : 's.examination_id';
  return `ranked as (
      select h.id, h.station_id, h.candidate_id, h.checklist_version_id, h.variants, h.percent,
        c.number, a.name as examiner,
        row_number() over (partition by h.station_id, h.candidate_id
          order by coalesce(x.every, 1000), a.name, h.id) as place
      from sheet h
        join station s on s.id = h.station_id
        join candidate c on c.id = h.candidate_id
        join account a on a.id = h.examiner_id
        left join station_examiner x on x.station_id = h.station_id and x.account_id = h.examiner_id
      where h.submitted_at is not null and ${column} = :of and ${readBy('s.examination_id')}),
    pair as (
      select f.station_id, f.number, f.id as first, g.id as second,
        f.examiner as first_examiner, g.examiner as second_examiner,
        f.variants <> g.variants as variants_differ,
        f.percent as first_percent, g.percent as second_percent
      from ranked f join ranked g on g.station_id = f.station_id and g.candidate_id = f.candidate_id
        and g.checklist_version_id = f.checklist_version_id
      where f.place = 1 and g.place = 2)`;
}

function bound(where: Where, viewer: string) {
  return { of: 'stationId' in where ? where.stationId : where.examinationId, viewer };
}

/** What both examiners were asked for: an item that one of the two variants leaves out is no pair. */
const BOTH = `pair p
  join sheet_item a on a.sheet_id = p.first
  join sheet_item b on b.sheet_id = p.second and b.item = a.item`;

/** A kept share among nothing, some and all of the weight. */
const pooled = (side: string) =>
  `case when ${side}.share in (0, 1) then ${side}.share::text
    when ${side}.share is not null then '0.5' end`;

export async function submittedPairs(
  db: Database,
  where: Where,
  viewer: string,
): Promise<PairRow[]> {
  const { rows } = await db.raw(
    `with ${pairs(where)}
     select station_id as "stationId", number as "candidateNumber",
       first_examiner as "firstExaminer", second_examiner as "secondExaminer",
       variants_differ as "variantsDiffer", first_percent as "firstPercent",
       second_percent as "secondPercent"
     from pair order by station_id, number`,
    bound(where, viewer),
  );
  return rows;
}

export interface ItemCell extends Cell {
  readonly stationId: string;
  readonly item: string;
}

/** How often two marks of an item stand where: the cells of the table of every item. */
export async function itemCells(db: Database, where: Where, viewer: string): Promise<ItemCell[]> {
  const { rows } = await db.raw(
    `with ${pairs(where)}
     select p.station_id as "stationId", a.item, a.category as first, b.category as second,
       count(*)::integer as times
     from ${BOTH} group by p.station_id, a.item, a.category, b.category`,
    bound(where, viewer),
  );
  return rows;
}

export interface PooledCell extends Cell {
  readonly stationId: string;
  readonly candidateNumber: number;
}

/** The same over all items, as no, part and full mark, for every candidate by itself. */
export async function pooledCells(
  db: Database,
  where: Where,
  viewer: string,
): Promise<PooledCell[]> {
  const { rows } = await db.raw(
    `with ${pairs(where)}
     select p.station_id as "stationId", p.number as "candidateNumber",
       ${pooled('a')} as first, ${pooled('b')} as second, count(*)::integer as times
     from ${BOTH} group by p.station_id, p.number, 3, 4`,
    bound(where, viewer),
  );
  return rows;
}

export interface MarkedTwice {
  readonly candidateNumber: number;
  readonly item: string;
  readonly first: string;
  readonly second: string;
  readonly firstSheet: string;
  readonly secondSheet: string;
}

/** Which pairs of marks stand in one cell, or outside the diagonal where none is named. */
export async function pairsIn(
  db: Database,
  stationId: string,
  viewer: string,
  {
    item,
    cell,
    most,
  }: { item: string | null; cell: Pick<Cell, 'first' | 'second'> | null; most: number },
): Promise<MarkedTwice[]> {
  const [first, second] = item === null ? [pooled('a'), pooled('b')] : ['a.category', 'b.category'];
  const { rows } = await db.raw(
    `with ${pairs({ stationId })},
     marked as (
       select p.number as "candidateNumber", a.item, ${first} as first, ${second} as second,
         p.first as "firstSheet", p.second as "secondSheet"
       from ${BOTH} where :item::text is null or a.item = :item)
     select * from marked
     where case when :first::text is null then first <> second
       else first = :first and second = :second end
     order by "candidateNumber", item limit :most`,
    {
      ...bound({ stationId }, viewer),
      item,
      first: cell === null ? null : String(cell.first),
      second: cell === null ? null : String(cell.second),
      most,
    },
  );
  return rows;
}
