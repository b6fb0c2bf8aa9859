import type { CellError } from '@kritikos/contracts/examinations';
import type { ResourceFile } from '@kritikos/contracts/timetable';
import { CsvError, parse } from 'csv-parse/sync';

/** The columns that a file of each kind has; those with a question mark may be missing. */
export const COLUMNS: Readonly<Record<ResourceFile, readonly string[]>> = {
  examiners: ['email', 'regions?', 'from?', 'until?', 'conflicts?'],
  patients: ['name', 'must not undergo?', 'most in a row?', 'from?', 'until?'],
  rooms: ['room', 'couches'],
  equipment: ['thing', 'pieces'],
};
const MOST_ROWS = 2_000;
const TIME = /^\d{4}-\d{2}-\d{2} ([01]\d|2[0-3]):[0-5]\d$/;

/** A row of a file as it was read, with its place as the spreadsheet counts it. */
export interface FileRow {
  readonly row: number;
  readonly cell: (column: string) => string;
}

export interface FileRead {
  readonly rows: readonly FileRow[];
  readonly errors: CellError[];
}

/**
 * Reads a table with a header: comma, semicolon or tab between the cells, as the header has it, the
 * columns in any order.
 * What the columns mean is for whoever takes it; here it is only made sure that they are there.
 */
export function readResourceFile(content: string, of: ResourceFile): FileRead {
  const whole = (detail: string): FileRead => ({
    rows: [],
    errors: [{ row: 1, column: '', detail }],
  });
  let records: string[][];
  try {
    records = parse(content, {
      bom: true,
      delimiter: delimiterOf(content),
      relax_column_count: true,
      skip_empty_lines: true,
      trim: true,
      to: MOST_ROWS + 2,
    });
  } catch (error) {
    if (!(error instanceof CsvError)) throw error;
    const row = Number((error as { lines?: number }).lines ?? 1);
    return {
      rows: [],
      errors: [{ row, column: '', detail: 'A quotation mark is out of place in this row.' }],
    };
  }
  const [first = [], ...others] = records;
  if (others.length > MOST_ROWS) return whole(`At most ${MOST_ROWS} rows can be taken at once.`);
  const header = first.map((name) => name.toLowerCase());
  const wanted = COLUMNS[of];
  const missing = wanted.filter((column) => !column.endsWith('?') && !header.includes(column));
  if (missing.length > 0) {
    const all = wanted.map((column) => column.replace('?', '')).join(', ');
    return {
      rows: [],
      errors: missing.map((column) => ({
        row: 1,
        column,
        detail: `The column “${column}” is missing. The first row names the columns: ${all}.`,
      })),
    };
  }
  if (others.length === 0) return whole('The file has a header and no rows.');
  return {
    errors: [],
    rows: others.map((cells, i) => ({
      row: i + 2,
      cell: (column) => cells[header.indexOf(column)] ?? '',
    })),
  };
}

/** A cell may hold the others: a room called “Hall, ground floor”. */
function delimiterOf(content: string): string {
  const [header = ''] = content.split(/\r?\n/, 1);
  return ['\t', ';'].find((one) => header.includes(one)) ?? ',';
}

/** Words that stand in one cell, with | or / between them. */
export function wordsIn(cell: string): string[] {
  return cell
    .split(/[|/]/)
    .map((word) => word.trim())
    .filter((word) => word !== '');
}

export function wholeNumber(cell: string, least: number, most: number): number | null {
  return /^\d{1,4}$/.test(cell) && Number(cell) >= least && Number(cell) <= most
    ? Number(cell)
    : null;
}

/** From when until when, on the wall of the house; `null` where both cells are empty. */
export function stretchIn(
  { row, cell }: FileRow,
  errors: CellError[],
): { from: string; until: string } | null {
  const [from, until] = [cell('from'), cell('until')];
  if (from === '' && until === '') return null;
  for (const [column, value] of [
    ['from', from],
    ['until', until],
  ] as const) {
    if (!TIME.test(value))
      errors.push({ row, column, detail: `“${value}” is no time such as 2027-05-21 08:30.` });
  }
  if (TIME.test(from) && TIME.test(until) && from >= until)
    errors.push({ row, column: 'until', detail: `${until} is not after ${from}.` });
  return { from, until };
}
