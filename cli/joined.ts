import { BadInput } from './badInput.ts';
import type { NumberTable } from './readRatings.ts';

/**
 * The rows of a table in the order of another, joined by the names in the first column: files come
 * out of spreadsheets in any order, and a mark that goes to the wrong candidate is seen by nobody.
 * Refuses names that only one of the two has.
 */
export function rowsLike(table: NumberTable, like: NumberTable): (number | null)[][] {
  const place = placesOf(table.names, like.names, 'row', table, like);
  return place.map((p) => table.rows[p] as (number | null)[]);
}

/** The same with its columns in the order of the other's as well. */
export function cellsLike(table: NumberTable, like: NumberTable): (number | null)[][] {
  const place = placesOf(table.columns, like.columns, 'column', table, like);
  return rowsLike(table, like).map((row) => place.map((p) => row[p] ?? null));
}

function placesOf(
  own: readonly string[],
  wanted: readonly string[],
  what: 'row' | 'column',
  { file }: NumberTable,
  like: NumberTable,
): number[] {
  const place = new Map(own.map((name, i) => [name, i]));
  const known = new Set(wanted);
  const missing = wanted.find((name) => !place.has(name));
  const stranger = own.find((name) => !known.has(name));
  if (missing === undefined && stranger === undefined) return wanted.map((n) => place.get(n) ?? -1);
  const [has, lacks, name] =
    missing === undefined ? [file, like.file, stranger] : [like.file, file, missing];
  throw new BadInput(
    `${has} has a ${what} "${name}", ${lacks} has none. Tables are joined by these names: write them alike in both. Nothing was computed.`,
  );
}
