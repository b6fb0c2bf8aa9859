import { parse } from 'csv-parse';
import { createReadStream, openSync, readSync, closeSync } from 'node:fs';
import { BadInput } from './badInput.ts';

/**
 * Streams a CSV file row by row: UTF-8 with or without byte-order mark, comma, semicolon or tab.
 * `onHeader` sees the column names; `onRow` sees the cells and the number of the row, as a
 * spreadsheet counts it. Empty rows are passed over.
 */
export async function readTable(
  file: string,
  onHeader: (columns: string[]) => void,
  onRow: (cells: string[], row: number) => void,
): Promise<void> {
  const delimiter = delimiterOf(file);
  const parser = createReadStream(file)
    .on('error', () => parser.destroy(new BadInput(`The file ${file} cannot be read.`)))
    .pipe(
      parse({
        bom: true,
        delimiter,
        trim: true,
        relax_column_count: true,
        skip_empty_lines: false,
      }),
    );
  let columns: string[] | undefined;
  let row = 0;
  const progress = new Progress(file);
  try {
    for await (const cells of parser as AsyncIterable<string[]>) {
      row++;
      progress.at(row);
      if (cells.every((cell) => cell === '')) continue;
      if (!columns) {
        columns = cells;
        onHeader(columns);
        continue;
      }
      if (cells.length !== columns.length) {
        throw new BadInput(
          `Row ${row} has ${cells.length} cells, the header has ${columns.length}. Nothing was computed.`,
        );
      }
      onRow(cells, row);
    }
  } catch (error) {
    if ((error as { code?: string }).code?.startsWith('CSV_')) {
      throw new BadInput(`Row ${row + 1}: a quotation mark is out of place. Nothing was computed.`);
    }
    throw error;
  }
  progress.end();
  if (!columns) throw new BadInput(`The file ${file} is empty.`);
}

/** The delimiter that the header uses most. A decimal comma then needs the semicolon or quotes. */
function delimiterOf(file: string): string {
  const start = Buffer.alloc(4096);
  try {
    const handle = openSync(file, 'r');
    readSync(handle, start, 0, start.length, 0);
    closeSync(handle);
  } catch {
    throw new BadInput(`The file ${file} cannot be read. Is the name right?`);
  }
  const header = start.toString('utf8').split('\n')[0] ?? '';
  const count = (sign: string) => header.split(sign).length;
  return [';', '\t'].find((sign) => count(sign) > count(',')) ?? ',';
}

/** A number with decimal point or comma; `null` for an empty cell, `undefined` for anything else. */
export function readNumber(cell: string): number | null | undefined {
  if (cell === '' || cell === 'NA') return null;
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)([eE][+-]?\d+)?$/.test(cell)) return undefined;
  return Number(cell.replace(',', '.'));
}

/** Says on standard error how far a long file has come, once it takes over a second. */
class Progress {
  private readonly started = Date.now();
  private said = 0;

  constructor(private readonly file: string) {}

  at(row: number): void {
    if (row % 50_000 !== 0 || Date.now() - this.started < 1000) return;
    this.said = row;
    process.stderr.write(`\r${this.file}: ${row} rows`);
  }

  end(): void {
    if (this.said > 0) process.stderr.write('\n');
  }
}
