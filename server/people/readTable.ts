import { isPrintable } from '@kritikos/contracts/primitives';
import { CsvError, parse } from 'csv-parse/sync';
import Excel from 'exceljs';
import { isUtf8 } from 'node:buffer';
import { Readable } from 'node:stream';
import unzipper from 'unzipper';

/** One row as the spreadsheet counts it, its cells as text; what a cell cannot be taken for, instead. */
export interface TableRow {
  readonly row: number;
  readonly cells: readonly Cell[];
}
export type Cell = { readonly text: string } | { readonly refused: string };

export interface Table {
  readonly columns: readonly string[];
  readonly rows: readonly TableRow[];
  /** Said of the whole list: a sheet that was hidden, rows above the heading that were left out. */
  readonly notes: readonly string[];
}

/** A list that cannot be read at all; the message is for whoever brought it. */
export class UnreadableTable extends Error {}

const MOST_ROWS = 20_000;
const MOST_COLUMNS = 60;
const MOST_CELL_CHARACTERS = 400;
/** A workbook is a zip: a list of 20,000 rows unfolds to a tenth of this, a trap to thousands of times its size. */
const MOST_UNFOLDED = 200 * 1024 * 1024;

/** Reads a list of CSV or XLSX, told apart by its first bytes. Throws `UnreadableTable`. */
export async function readTable(content: Buffer): Promise<Table> {
  const zipped = content.subarray(0, 2).toString('latin1') === 'PK';
  return zipped ? readWorkbook(content) : readCsv(content);
}

function readCsv(content: Buffer): Table {
  if (!isUtf8(content)) {
    throw new UnreadableTable('The text is not UTF-8. Save the list as UTF-8, or as XLSX.');
  }
  let records: string[][];
  try {
    records = parse(content, {
      bom: true,
      delimiter: [',', ';', '\t'],
      relax_column_count: true,
      skip_empty_lines: false,
      trim: true,
      to: MOST_ROWS + 1,
    });
  } catch (error) {
    if (!(error instanceof CsvError)) throw error;
    const line = Number((error as { lines?: number }).lines ?? 1);
    throw new UnreadableTable(`A quotation mark is out of place in row ${line}.`);
  }
  return headed(
    records.map((cells, i) => ({ row: i + 1, cells: cells.map((text) => ({ text })) })),
    [],
  );
}

/** What of a workbook is read: its parts by their names, as far as it may be unfolded. */
async function unfold(content: Buffer): Promise<ReadonlyMap<string, Buffer>> {
  let unfolded = 0;
  const parts = new Map<string, Buffer>();
  const entries = Readable.from([content]).pipe(unzipper.Parse({ forceStream: true }));
  for await (const entry of entries) {
    const pieces: Buffer[] = [];
    for await (const piece of entry as Readable) {
      pieces.push(piece as Buffer);
      unfolded += (piece as Buffer).length;
      if (unfolded > MOST_UNFOLDED) {
        throw new UnreadableTable(
          `The workbook unfolds to more than ${MOST_UNFOLDED / 1024 / 1024} MB. Save the sheet with the list alone, or as CSV.`,
        );
      }
    }
    parts.set((entry as { path: string }).path, Buffer.concat(pieces));
  }
  return parts;
}

interface Relation {
  Id: string;
  Target: string;
}
type Sheets = AsyncGenerator<{ eventType: string; value: unknown }>;

/**
 * The package's reader with a loop of our own over the parts of a workbook. Its own loses parts of
 * some files now and then (of 400 readings of one that is not compressed, 174), takes the sheets as
 * they lie in the file and not as they stand in the workbook, and knows a sheet by its name only
 * where its place is not written from the root of the package (both are allowed: ECMA-376 part 2, 9.3).
 */
class SheetsInOrder extends Excel.stream.xlsx.WorkbookReader {
  declare workbookRels: Relation[];
  readonly #parts: ReadonlyMap<string, Buffer>;

  constructor(parts: ReadonlyMap<string, Buffer>) {
    super(Readable.from([]), {
      worksheets: 'emit',
      sharedStrings: 'cache',
      styles: 'cache',
      hyperlinks: 'ignore',
    });
    this.#parts = parts;
  }

  /** Another loop than that of the package, of the same steps. */
  override async *parse(): Sheets {
    const own = this as unknown as Record<string, (part: unknown, no?: string) => Sheets>;
    const part = (name: string) => Readable.from([this.#parts.get(name) ?? Buffer.alloc(0)]);
    await own._parseRels?.(part('xl/_rels/workbook.xml.rels'));
    await own._parseWorkbook?.(part('xl/workbook.xml'));
    for (const relation of this.workbookRels)
      relation.Target = relation.Target.replace(/^\/xl\//, '');
    if (this.#parts.has('xl/styles.xml')) await own._parseStyles?.(part('xl/styles.xml'));
    if (this.#parts.has('xl/sharedStrings.xml'))
      yield* own._parseSharedStrings?.(part('xl/sharedStrings.xml')) ?? [];
    const { sheets = [] } = this.model as unknown as { sheets?: { rId: string }[] };
    for (const { rId } of sheets) {
      const target = this.workbookRels.find(({ Id }) => Id === rId)?.Target ?? '';
      const content = this.#parts.get(`xl/${target}`);
      const no = /^worksheets\/sheet(.*)\.xml$/.exec(target)?.[1];
      if (content && no !== undefined) yield* own._parseWorksheet?.(inPieces(content), no) ?? [];
    }
  }
}

/** A part as it is read, in pieces that tear no letter. */
function* inPieces(content: Buffer): Generator<string> {
  const decoder = new TextDecoder();
  for (let at = 0; at < content.length; at += PIECE)
    yield decoder.decode(content.subarray(at, at + PIECE), { stream: true });
}
const PIECE = 65_536;

/** The first visible sheet, row by row: a million empty rows cost their length and nothing more. */
async function readWorkbook(content: Buffer): Promise<Table> {
  const rows: TableRow[] = [];
  const notes: string[] = [];
  try {
    const reader = new SheetsInOrder(await unfold(content));
    for await (const sheet of reader) {
      const { name, state } = sheet as unknown as { name: string; state?: string };
      if (state && state !== 'visible') {
        notes.push(`The sheet “${name}” is hidden and was left out.`);
        for await (const row of sheet) void row; // it must be read past
        continue;
      }
      if (rows.length > 0) {
        notes.push(`The sheet “${name}” was left out; the first one counts.`);
        for await (const row of sheet) void row;
        continue;
      }
      for await (const row of sheet) {
        const cells = cellsOf(row);
        if (cells.every((cell) => 'text' in cell && cell.text === '')) continue;
        if (rows.length > MOST_ROWS) throw tooMany();
        rows.push({ row: row.number, cells });
      }
    }
  } catch (error) {
    if (error instanceof UnreadableTable) throw error;
    throw new UnreadableTable(
      'The file is no XLSX workbook that can be read. Save it again, or as CSV.',
    );
  }
  return headed(rows, notes);
}

function tooMany(): UnreadableTable {
  return new UnreadableTable(`At most ${MOST_ROWS} rows can be taken at once.`);
}

function cellsOf(row: Excel.Row): Cell[] {
  return Array.from({ length: Math.min(row.cellCount, MOST_COLUMNS) }, (_, i) =>
    asShown(row.getCell(i + 1)),
  );
}

/** A cell as a person sees it: 0.5 in the format of per cent is 50 %. */
function asShown({ value, numFmt }: Excel.Cell): Cell {
  const cell = cellOf(value);
  if (!('text' in cell) || !isPercent(numFmt)) return cell;
  const share = Number(cell.text);
  if (cell.text === '' || !Number.isFinite(share)) return cell;
  // Twelve digits are all that a share of a spreadsheet holds for certain; .07 × 100 has more.
  return { text: `${Number((100 * share).toPrecision(12))} %` };
}

/** Whether a format shows per cent; a sign in quotes, or behind a backslash, is only written. */
function isPercent(format: string | undefined): boolean {
  return (format ?? '').replace(/"[^"]*"|\\./g, '').includes('%');
}

/** What a cell holds; a formula counts as its result. */
function cellOf(value: Excel.CellValue): Cell {
  if (value === null || value === undefined) return { text: '' };
  if (value instanceof Date) {
    return { refused: 'is a date; format the column as text and enter it again' };
  }
  if (typeof value !== 'object') return { text: String(value).trim() };
  if ('richText' in value)
    return {
      text: value.richText
        .map((part) => part.text)
        .join('')
        .trim(),
    };
  if ('text' in value) return { text: String(value.text).trim() };
  if ('error' in value) return { refused: `is an error (${value.error}) in the spreadsheet` };
  if ('result' in value || 'formula' in value || 'sharedFormula' in value) {
    const { result } = value as { result?: Excel.CellValue };
    return result === undefined
      ? {
          refused: 'is a formula without a result; open the file once in a spreadsheet and save it',
        }
      : cellOf(result);
  }
  return { refused: 'is of a kind that cannot be read' };
}

/**
 * Finds the heading: the first row with two names in it. A title over the table, in one merged
 * cell, has one. Columns under a merged heading, or without one, get the letter of the spreadsheet.
 */
function headed(all: readonly TableRow[], notes: readonly string[]): Table {
  const filled = all.filter(({ cells }) =>
    cells.some((cell) => 'refused' in cell || cell.text !== ''),
  );
  const at = filled.findIndex(
    ({ cells }) => cells.filter((cell) => 'text' in cell && cell.text !== '').length > 1,
  );
  const heading = filled[at];
  if (!heading) throw new UnreadableTable('The list is empty, or has no heading of two columns.');
  const rows = filled.slice(at + 1);
  if (rows.length === 0) throw new UnreadableTable('There is nobody under the heading.');
  if (rows.length > MOST_ROWS) throw tooMany();
  const width = Math.min(
    MOST_COLUMNS,
    Math.max(...[heading, ...rows].map(({ cells }) => cells.length)),
  );
  const columns = Array.from({ length: width }, (_, i) => {
    const cell = heading.cells[i];
    const name = cell && 'text' in cell ? cell.text : '';
    return name === '' ? `Column ${letter(i)}` : name.slice(0, 80);
  });
  const above = at > 0 ? [`${at === 1 ? 'A row' : `${at} rows`} above the heading left out.`] : [];
  return { columns, rows: rows.map(checked), notes: [...notes, ...above] };
}

function checked({ row, cells }: TableRow): TableRow {
  return {
    row,
    cells: cells.map((cell) => {
      if ('refused' in cell) return cell;
      if (!isPrintable(cell.text)) return { refused: 'contains characters that cannot be stored' };
      if (cell.text.length > MOST_CELL_CHARACTERS) return { refused: 'is too long' };
      return cell;
    }),
  };
}

/** How a spreadsheet names its columns: A to Z, then AA. */
function letter(column: number): string {
  const last = String.fromCharCode(65 + (column % 26));
  return column < 26 ? last : letter(Math.floor(column / 26) - 1) + last;
}
