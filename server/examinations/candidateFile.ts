import type { CellError, ImportPreview } from '@kritikos/contracts/examinations';
import { isPrintable } from '@kritikos/contracts/primitives';
import { CsvError, parse } from 'csv-parse/sync';

const REQUIRED = ['number', 'name'] as const;
type Column = (typeof REQUIRED)[number] | 'circuit' | 'student';
const LARGEST_NUMBER = 999_999;
const MOST_ROWS = 10_000;
/** Rows end in one or two of them and a quoted cell may hold some; four times as many as rows is no candidate list any more. */
const MOST_LINES = 4 * MOST_ROWS;
const TOO_MANY = `At most ${MOST_ROWS} rows can be taken at once.`;

/**
 * Reads a candidate list: comma, semicolon or tab, with or without byte-order mark, the columns
 * in any order. Every cell that cannot be taken is named by row and column as the spreadsheet
 * counts them (the header is row 1); `taken` are the numbers that the examination has already.
 */
export function readCandidateFile(content: string, taken: ReadonlySet<number>): ImportPreview {
  const wholeFile = (detail: string): ImportPreview => ({
    rows: [],
    errors: [{ row: 1, column: '', detail }],
  });
  // Counted before anything is parsed: a megabyte of line ends would be parsed for most of a minute.
  if (lineEnds(content) > MOST_LINES) return wholeFile(TOO_MANY);
  let records: string[][];
  try {
    records = parse(content, {
      bom: true,
      delimiter: [',', ';', '\t'],
      relax_column_count: true,
      skip_empty_lines: false,
      trim: true,
    });
  } catch (error) {
    if (error instanceof CsvError) {
      const line = Number((error as { lines?: number }).lines ?? 1);
      return {
        rows: [],
        errors: [
          { row: line, column: '', detail: 'A quotation mark is out of place in this row.' },
        ],
      };
    }
    throw error;
  }
  const header = (records[0] ?? []).map((name) => name.toLowerCase());
  if (header.every((name) => name === '')) return wholeFile('The file is empty.');
  const missing = REQUIRED.filter((column) => !header.includes(column));
  if (missing.length > 0) {
    return {
      rows: [],
      errors: missing.map((column) => ({
        row: 1,
        column,
        detail: `The column "${column}" is missing. The first row must name the columns number, name and, where they are known, circuit and student (the student’s own number).`,
      })),
    };
  }
  const twice = header.filter((name, i) => name !== '' && header.indexOf(name) !== i);
  if (twice.length > 0) {
    return {
      rows: [],
      errors: [...new Set(twice)].map((column) => ({
        row: 1,
        column,
        detail: `The column "${column}" stands twice. Leave one, so that it is clear which counts.`,
      })),
    };
  }
  const body = records.slice(1);
  if (body.length > MOST_ROWS) return wholeFile(TOO_MANY);

  const rows: ImportPreview['rows'] = [];
  const errors: CellError[] = [];
  const firstRowOf = new Map<number, number>();
  for (const [i, record] of body.entries()) {
    if (record.every((cell) => cell === '')) continue;
    const row = i + 2;
    const cell = (column: Column) => record[header.indexOf(column)] ?? '';
    const before = errors.length;
    const complain = (column: string, detail: string) => errors.push({ row, column, detail });
    const number = Number(cell('number'));
    if (!/^\d+$/.test(cell('number')) || number < 1 || number > LARGEST_NUMBER) {
      complain(
        'number',
        `"${cell('number').slice(0, 40)}" is not a whole number from 1 to ${LARGEST_NUMBER}.`,
      );
    } else if (taken.has(number)) {
      complain('number', `Candidate ${number} is in this examination already.`);
    } else if (firstRowOf.has(number)) {
      complain('number', `Candidate ${number} stands in row ${firstRowOf.get(number)} too.`);
    } else firstRowOf.set(number, row);
    if (cell('name') === '') complain('name', 'The name is empty.');
    for (const [column, longest] of [
      ['name', 120],
      ['circuit', 40],
      ['student', 20],
    ] as const) {
      if (cell(column).length > longest) complain(column, `is longer than ${longest} characters.`);
      if (!isPrintable(cell(column)))
        complain(column, 'contains characters that cannot be stored.');
    }
    if (record.length > header.length)
      complain('', `has ${record.length} cells, the header ${header.length}.`);
    if (errors.length === before)
      rows.push({
        number,
        name: cell('name'),
        circuit: cell('circuit'),
        student: cell('student') || null,
      });
  }
  if (rows.length === 0 && errors.length === 0)
    return wholeFile('There is no candidate under the header.');
  return { rows, errors };
}

/** Counts up to one more than is allowed; every CR and LF is one. */
function lineEnds(content: string): number {
  let count = 0;
  for (let i = 0; i < content.length && count <= MOST_LINES; i++) {
    const code = content.charCodeAt(i);
    if (code === 10 || code === 13) count++;
  }
  return count;
}
