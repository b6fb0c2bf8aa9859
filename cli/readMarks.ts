import type { Factor } from '@kritikos/core/reliability/factor';
import { BadInput, badCell } from './badInput.ts';
import { Codes, Growing } from './growing.ts';
import { readNumber } from './readCell.ts';
import { readTable } from './readTable.ts';
import { ANY, onItsScale } from './scales.ts';
import type { Scale } from './scales.ts';

export interface NamedFactor extends Factor {
  /** The name of every level, as it stands in the file. */
  readonly names: readonly string[];
}

const BETWEEN = '\u001f';

export interface MarksFile {
  readonly marks: Float64Array;
  readonly factors: readonly NamedFactor[];
  /** Rows without a mark, left out. */
  readonly missing: number;
}

/**
 * Streams a long file of marks: a column "mark" and one column a factor. A term may join columns,
 * `candidate:station`. Every factor of a row must be named, also where the mark is missing.
 */
export async function readMarks(
  file: string,
  terms: readonly string[],
  scale: Scale = ANY,
): Promise<MarksFile> {
  let columns: string[] = [];
  let markAt = -1;
  const parts: number[][] = [];
  const codes = terms.map(() => new Codes());
  const levels = terms.map(() => Growing.integers());
  const marks = Growing.numbers();
  let missing = 0;
  await readTable(
    file,
    (header) => {
      columns = header;
      markAt = columnOf(header, 'mark');
      for (const term of terms) {
        parts.push(term.split(':').map((name) => columnOf(header, name.trim())));
      }
    },
    (cells, row) => {
      const value = readNumber(cells[markAt] as string);
      if (typeof value === 'string') throw badCell(row, columns[markAt] as string, value);
      for (const place of parts.flat()) {
        if (cells[place] === '') throw badCell(row, columns[place] as string, 'the cell is empty');
      }
      if (value === null) {
        missing++;
        return;
      }
      for (const [t, places] of parts.entries()) {
        // A colon stands in names too; what parts them here stands in none.
        const name = places.map((place) => cells[place]).join(BETWEEN);
        levels[t]?.push((codes[t] as Codes).of(name));
      }
      marks.push(onItsScale(value, scale, row, columns[markAt] as string));
    },
  );
  return {
    marks: marks.whole(),
    factors: terms.map((name, t) => ({
      name,
      levels: codes[t]?.size ?? 0,
      level: levels[t]?.whole() ?? new Int32Array(0),
      names: (codes[t]?.names ?? []).map((own) => own.replaceAll(BETWEEN, ':')),
    })),
    missing,
  };
}

/** The place of a column by its name, whatever the case. */
export function columnOf(header: readonly string[], name: string): number {
  const place = header.findIndex((column) => column.toLowerCase() === name.toLowerCase());
  if (place < 0) {
    throw new BadInput(`The file has no column "${name}". It has: ${header.join(', ')}.`);
  }
  return place;
}

/** The terms of a model such as "candidate + examiner + candidate:station". */
export function termsOf(model: string): string[] {
  const terms = model
    .split('+')
    .map((term) => term.trim())
    .filter(Boolean);
  if (terms.length === 0) {
    throw new BadInput('The model names no factor, for example --model "candidate + examiner".');
  }
  if (new Set(terms).size < terms.length) throw new BadInput('The model names a factor twice.');
  return terms;
}
