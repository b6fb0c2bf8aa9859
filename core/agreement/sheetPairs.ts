import { groupBy } from '../numerics/groupBy.ts';
import { partOf } from './category.ts';
import type { ClusteredPair } from './clusteredKappa.ts';
import type { Cell } from './crossTable.ts';

/** One of the sheets of a candidate whom several examiners marked at a station, as it is kept. */
export interface RatedSheet {
  readonly id: string;
  readonly candidate: number;
  readonly examiner: string;
  readonly percent: number | null;
  /** The variants that the examiner saw, as text that is the same where they are. */
  readonly variants: string;
  /**
   * By place on the checklist: the category of the mark, `null` where the item was asked for and
   * has none, `undefined` where the variants did not ask for it.
   */
  readonly categories: readonly (string | null | undefined)[];
  /** By place on the checklist: the share of its weight that the item earned. */
  readonly shares: readonly (number | null)[];
}

/** Two sheets of one candidate at one station. */
export interface SheetPair {
  readonly candidate: number;
  readonly first: RatedSheet;
  readonly second: RatedSheet;
}

/** The first two sheets of every candidate, in the order in which the sheets are given. */
export function firstTwo(sheets: readonly RatedSheet[]): SheetPair[] {
  return [...groupBy(sheets, (sheet) => sheet.candidate)].flatMap(([candidate, own]) => {
    const [first, second] = own;
    return first && second ? [{ candidate, first, second }] : [];
  });
}

/** The places on the checklist that both were asked for. */
function bothAsked({ first, second }: SheetPair, place: number): boolean {
  return first.categories[place] !== undefined && second.categories[place] !== undefined;
}

/** How often the two marks of the item at this place stand where. */
export function itemCells(pairs: readonly SheetPair[], place: number): Cell[] {
  return counted(
    pairs
      .filter((pair) => bothAsked(pair, place))
      .map(({ first, second }) => [
        first.categories[place] ?? null,
        second.categories[place] ?? null,
      ]),
  );
}

/** The same over all items, as no, part and full mark, for every candidate by itself. */
export function pooledCells(pairs: readonly SheetPair[]): (Cell & ClusteredPair)[] {
  return pairs.flatMap((pair) => {
    const { candidate, first, second } = pair;
    const places = first.categories.flatMap((_, place) => (bothAsked(pair, place) ? [place] : []));
    const cells = counted(places.map((p) => [pooled(first, p), pooled(second, p)]));
    return cells.map((cell) => ({ ...cell, candidate }));
  });
}

export interface PlacedPair extends SheetPair {
  /** The place of the item on the checklist. */
  readonly place: number;
  /** Where the two marks stand, as text; `null` where there is none. */
  readonly cell: readonly [string | null, string | null];
}

/**
 * Every pair of marks, one by one: of the item at this place by its own categories, or of all items
 * as no, part and full mark where none is named.
 */
export function* placedPairs(
  pairs: readonly SheetPair[],
  at: number | null,
): Generator<PlacedPair> {
  for (const pair of pairs) {
    const { first, second } = pair;
    for (const place of at === null ? first.categories.keys() : [at]) {
      if (!bothAsked(pair, place)) continue;
      const own = (sheet: RatedSheet) =>
        at === null ? pooled(sheet, place) : (sheet.categories[place] ?? null);
      yield { ...pair, place, cell: [own(first), own(second)] };
    }
  }
}

function pooled({ shares }: RatedSheet, place: number): string | null {
  const share = shares[place] ?? null;
  return share === null ? null : String(partOf(share));
}

function counted(pairs: readonly (readonly [string | null, string | null])[]): Cell[] {
  const cells = new Map<string, { first: string | null; second: string | null; times: number }>();
  for (const [first, second] of pairs) {
    const key = `${first ?? ''}\u001f${second ?? ''}`;
    const known = cells.get(key);
    if (known) known.times++;
    else cells.set(key, { first, second, times: 1 });
  }
  return [...cells.values()];
}
