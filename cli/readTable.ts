import { CsvError, parse } from 'csv-parse';
import { closeSync, createReadStream, openSync, readSync } from 'node:fs';
import { pipeline } from 'node:stream';
import { Transform } from 'node:stream';
import type { TransformCallback } from 'node:stream';
import { TextDecoder } from 'node:util';
import { BadInput } from './badInput.ts';
import { reading } from './readingFlags.ts';

/** A table for people has some columns; a million of them is a file turned on its side. */
const MOST_COLUMNS = 10_000;
/** Characters in one row: ten thousand columns with room to spare. */
const LONGEST_ROW = 1_000_000;

/**
 * Streams a CSV file row by row: UTF-8 with or without byte-order mark (or as `--encoding` says),
 * comma, semicolon or tab. `onHeader` sees the column names; `onRow` sees the cells and the number
 * of the row, as a spreadsheet counts it. Empty rows are passed over. A file of which some part
 * cannot be read is refused whole, by row and column.
 */
export async function readTable(
  file: string,
  onHeader: (columns: string[]) => void,
  onRow: (cells: string[], row: number) => void,
): Promise<void> {
  const start = beginningOf(file);
  const parser = parse({
    bom: true,
    delimiter: delimiterOf(start),
    trim: true,
    relax_column_count: true,
    skip_empty_lines: false,
    max_record_size: LONGEST_ROW,
    // Looking for one kind of line end is a third faster; a file that mixes them is refused below.
    record_delimiter: reading.anyLineEnds ? ['\r\n', '\n', '\r'] : [],
  });
  pipeline(createReadStream(file), new Decoder(), parser, () => undefined);
  let columns: string[] | undefined;
  let row = 0;
  let rows = 0;
  const progress = new Progress(file);
  try {
    for await (const cells of parser as AsyncIterable<string[]>) {
      row++;
      progress.at(row);
      if (cells.every((cell) => cell === '')) continue;
      if (!columns) {
        refuseHeader(cells);
        columns = cells;
        onHeader(columns);
        continue;
      }
      if (cells.length !== columns.length) {
        throw new BadInput(
          `Row ${row} has ${cells.length} cells, the header has ${columns.length}. Nothing was computed.`,
        );
      }
      rows++;
      onRow(cells, row);
    }
  } catch (error) {
    throw asBadFile(error, row);
  }
  progress.end();
  if (!columns) throw new BadInput(`The file ${file} is empty.`);
  if (rows === 0) {
    throw new BadInput('There is no row under the header. Nothing was computed.');
  }
}

function refuseHeader(columns: readonly string[]): void {
  if (columns.length > MOST_COLUMNS) {
    throw new BadInput(
      `The header has ${columns.length} columns; more than ${MOST_COLUMNS} are not taken. Should rows and columns change places?`,
    );
  }
  const unnamed = columns.findIndex((name) => name === '');
  if (unnamed >= 0) {
    throw new BadInput(
      `Row 1: column ${unnamed + 1} has no name. Name it, or take away the separator that makes it. Nothing was computed.`,
    );
  }
  const seen = new Map<string, number>();
  for (const [i, name] of columns.entries()) {
    const before = seen.get(name.toLowerCase());
    if (before !== undefined) {
      throw new BadInput(
        `Row 1: columns ${before + 1} and ${i + 1} are both called "${name}". Nothing was computed.`,
      );
    }
    seen.set(name.toLowerCase(), i);
  }
}

/** What the parser or the decoder stumbled over, with the row where it did. */
function asBadFile(error: unknown, readRows: number): unknown {
  const { code, records } = error as { code?: string; records?: number };
  if (code === 'ENOENT' || code === 'EISDIR' || code === 'EACCES') {
    return new BadInput('The file cannot be read. Is the name right?');
  }
  if (!(error instanceof CsvError)) return error;
  const row = (records ?? readRows) + 1;
  if (code === 'CSV_MAX_RECORD_SIZE') {
    return new BadInput(
      `Row ${row} is longer than ${LONGEST_ROW} characters: a cell is too long, there are too many columns, or a quotation mark is never closed. Nothing was computed.`,
    );
  }
  return new BadInput(`Row ${row}: a quotation mark is out of place. Nothing was computed.`);
}

function beginningOf(file: string): Buffer {
  const start = Buffer.alloc(4096);
  try {
    const handle = openSync(file, 'r');
    const length = readSync(handle, start, 0, start.length, 0);
    closeSync(handle);
    return start.subarray(0, length);
  } catch {
    throw new BadInput(`The file ${file} cannot be read. Is the name right?`);
  }
}

/** The delimiter that the header uses most. A decimal comma then needs the semicolon or quotes. */
function delimiterOf(start: Buffer): string {
  const text = reading.encoding === 'utf-16le' ? start.toString('utf16le') : start.toString('utf8');
  const header = text.split(/\r|\n/)[0] ?? '';
  const count = (sign: string) => header.split(sign).length;
  return [';', '\t'].find((sign) => count(sign) > count(',')) ?? ',';
}

/**
 * Bytes to text, refusing what is not written as the flags say: a name saved in another encoding
 * would come out with a hole in it, and two names with the same hole are one.
 */
class Decoder extends Transform {
  private decoder: TextDecoder | undefined;
  private row = 1;
  private ends: string | undefined;
  private held = '';
  private quoted = false;

  constructor() {
    super({ readableObjectMode: false });
  }

  override _transform(chunk: Buffer, _: BufferEncoding, done: TransformCallback): void {
    try {
      this.decoder ??= decoderFor(chunk);
      const text = this.checked(this.decode(chunk));
      // The parser reads UTF-8 itself, so what was read to be checked need not be written again.
      done(null, reading.encoding === 'utf-8' ? chunk : text);
    } catch (error) {
      done(error as Error);
    }
  }

  override _flush(done: TransformCallback): void {
    try {
      const text = this.checked(this.decode(undefined), true);
      done(null, reading.encoding === 'utf-8' ? null : text);
    } catch (error) {
      done(error as Error);
    }
  }

  private decode(chunk: Buffer | undefined): string {
    try {
      return this.decoder?.decode(chunk, { stream: chunk !== undefined }) ?? '';
    } catch {
      throw new BadInput(
        `The file is not ${reading.encoding.toUpperCase()} throughout (near row ${this.row}). Save it as UTF-8, or say --encoding windows-1252 if an older program wrote it.`,
      );
    }
  }

  /** Counts rows and looks at their ends; a line end cut in two by a chunk waits for the next. */
  private checked(text: string, last = false): string {
    const whole = this.held + text;
    const cut = !last && whole.endsWith('\r') ? whole.length - 1 : whole.length;
    this.held = whole.slice(cut);
    const ready = whole.slice(0, cut);
    if (this.isPlain(ready)) {
      for (let at = ready.indexOf('\n'); at >= 0; at = ready.indexOf('\n', at + 1)) this.row++;
      return ready;
    }
    for (const [sign] of ready.matchAll(/"|\r\n|\n|\r/g)) {
      if (sign === '"') {
        this.quoted = !this.quoted;
        continue;
      }
      if (this.quoted) continue;
      this.row++;
      this.ends ??= sign;
      if (sign !== this.ends && !reading.anyLineEnds) {
        throw new BadInput(
          `Row ${this.row - 1} ends otherwise than the rows before it: the file was put together from two. Save it anew, or say --any-line-ends. Nothing was computed.`,
        );
      }
    }
    return ready;
  }

  /** No quotation mark and no line end but that of the rows before: nearly every file is so. */
  private isPlain(text: string): boolean {
    return this.ends === '\n' && !this.quoted && !text.includes('"') && !text.includes('\r');
  }
}

function decoderFor(start: Buffer): TextDecoder {
  const [a, b, c, d] = start;
  const little = a === 0xff && b === 0xfe;
  if ((little && c === 0 && d === 0) || (a === 0 && b === 0 && c === 0xfe && d === 0xff)) {
    throw new BadInput('The file is saved as UTF-32, which is not read. Save it as UTF-8.');
  }
  if (a === 0xfe && b === 0xff) {
    throw new BadInput(
      'The file is saved as UTF-16 (big-endian), which is not read. Save it as UTF-8.',
    );
  }
  if (little && reading.encoding !== 'utf-16le') {
    throw new BadInput(
      'The file is saved as UTF-16. Save it as UTF-8, or say --encoding utf-16le.',
    );
  }
  if (reading.encoding === 'utf-8' && start.subarray(0, 400).includes(0)) {
    throw new BadInput(
      'The file holds zero bytes, so it is not UTF-8 text. Save it as UTF-8, or say --encoding utf-16le.',
    );
  }
  return new TextDecoder(reading.encoding, { fatal: true, ignoreBOM: false });
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
