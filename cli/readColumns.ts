import { BadInput, badCell } from './badInput.ts';
import { columnOf } from './readMarks.ts';
import { readNumber } from './readCell.ts';
import { readTable } from './readTable.ts';
import { ANY, onItsScale } from './scales.ts';
import type { Scale } from './scales.ts';

export interface Columns {
  /** `values[column]`, in the order of the names asked for; rows with an empty cell are left out. */
  readonly values: readonly (readonly number[])[];
  readonly leftOut: number;
}

/** Reads named columns of numbers, each with its scale, from a table of one row a candidate. */
export async function readColumns(
  file: string,
  names: readonly string[],
  scales: readonly Scale[] = [],
): Promise<Columns> {
  const values: number[][] = names.map(() => []);
  let places: number[] = [];
  let leftOut = 0;
  await readTable(
    file,
    (header) => {
      places = names.map((name) => columnOf(header, name));
    },
    (cells, row) => {
      const read = places.map((place, c) => {
        const value = readNumber(cells[place] as string);
        if (typeof value === 'string') throw badCell(row, names[c] as string, value);
        return value === null ? null : onItsScale(value, scales[c] ?? ANY, row, names[c] as string);
      });
      if (read.includes(null)) leftOut++;
      else for (const [c, value] of read.entries()) values[c]?.push(value as number);
    },
  );
  if (values[0]?.length === 0) {
    throw new BadInput(`No row has a number in ${names.join(' and ')}. Nothing was computed.`);
  }
  return { values, leftOut };
}

/** What to say of rows that were left out. */
export function leftOutNotes(leftOut: number, what: string): string[] {
  return leftOut > 0 ? [`${leftOut} rows without ${what} were left out.`] : [];
}
