import { inOrder } from '@kritikos/core/agreement/ratings';
import { tallyMarks } from '@kritikos/core/agreement/tally';
import type { Tally } from '@kritikos/core/agreement/tally';
import { BadInput, badCell } from './badInput.ts';
import { Codes, Growing } from './growing.ts';
import { isMissing, readNumber, whyNoMark } from './readCell.ts';
import { reading } from './readingFlags.ts';
import { ANY, onItsScale } from './scales.ts';
import type { Scale } from './scales.ts';
import { readTable } from './readTable.ts';

/** Every mark of a ratings file once: `subject[i]`, `rater[i]` and `word[i]` are its codes. */
export interface RatingsFile {
  readonly subjects: number;
  readonly raters: readonly string[];
  readonly subject: Int32Array;
  readonly rater: Int32Array;
  readonly word: Int32Array;
  /** What the codes of `word` mean: numbers where every mark is one, else words. */
  readonly words: readonly (number | string)[];
  readonly missing: number;
  /** The candidate of every subject, as a code; of a wide file each subject is one. */
  readonly candidateOf: Int32Array;
  /** Where the file first has the mark of this code, in words. */
  readonly whereIs: (code: number) => string;
}

/**
 * Reads ratings, wide (first column the subject, each further column a rater) or long (columns
 * candidate, examiner, mark and optionally station, item, which together make the subject).
 * Only codes are kept, so that millions of rows fit. `needNumbers` names the level that does not
 * take words.
 */
export async function readRatings(file: string, needNumbers: string | null): Promise<RatingsFile> {
  const subjects = new Codes();
  const candidates = new Codes();
  const candidateOf = Growing.integers();
  const raters = new Codes();
  const words = new Codes();
  const columns = {
    subject: Growing.integers(),
    rater: Growing.integers(),
    word: Growing.integers(),
    row: Growing.integers(),
  };
  let header: string[] = [];
  let long: LongColumns | null = null;

  const spellings = new Map<string, string>();
  const take = (subject: number, rater: number, cell: string, row: number, column: string) => {
    if (isMissing(cell)) return;
    const why = whyNotTaken(cell, needNumbers, spellings);
    if (why) throw badCell(row, column, why);
    columns.subject.push(subject);
    columns.rater.push(rater);
    columns.word.push(words.of(cell));
    columns.row.push(row);
  };

  await readTable(
    file,
    (names) => {
      header = names;
      long = longColumns(names);
      if (long) return;
      if (names.length < 2) {
        throw new BadInput(
          'The file needs a column for the subject and one for each rater, or the columns candidate, examiner, mark.',
        );
      }
      for (const name of names.slice(1)) raters.of(name);
    },
    (cells, row) => {
      if (!long) {
        const subject = subjects.size;
        refuseTwin(subjects, cells[0] as string, row, header[0] as string);
        for (let j = 1; j < cells.length; j++) {
          take(subject, j - 1, cells[j] as string, row, header[j] as string);
        }
        return;
      }
      for (const place of [long.candidate, long.examiner]) {
        if (cells[place] === '') throw badCell(row, header[place] as string, 'the cell is empty');
      }
      const before = subjects.size;
      const subject = subjects.of(long.subject.map((place) => cells[place]).join('\u001f'));
      if (subject === before) candidateOf.push(candidates.of(cells[long.candidate] as string));
      const rater = raters.of(cells[long.examiner] as string);
      take(subject, rater, cells[long.mark] as string, row, header[long.mark] as string);
    },
  );
  const result: RatingsFile = {
    subjects: subjects.size,
    raters: raters.names,
    subject: columns.subject.whole(),
    rater: columns.rater.whole(),
    ...meaning(columns.word.whole(), words.names),
    missing: subjects.size * raters.size - columns.word.length,
    candidateOf: long
      ? candidateOf.whole()
      : Int32Array.from({ length: subjects.size }, (_, i) => i),
    whereIs: (code: number): string => {
      const i = result.word.indexOf(code);
      const rater = raters.names[columns.rater.whole()[i] as number];
      const column = long ? header[(long as LongColumns).mark] : rater;
      return `Row ${columns.row.whole()[i]}, column "${column}"`;
    },
  };
  if (long) refuseTwice(result, columns.row.whole(), header[(long as LongColumns).mark] as string);
  return result;
}

/** What keeps a cell from being a mark; `null` where nothing does. */
function whyNotTaken(
  cell: string,
  needNumbers: string | null,
  spellings: Map<string, string>,
): string | null {
  const read = readNumber(cell);
  if (typeof read === 'number') return null;
  if (needNumbers) return `${read}, which the ${needNumbers} level needs`;
  if (/^[+-]?[\d.,]+([eE][+-]?\d+)?$/.test(cell)) return read;
  const missing = whyNoMark(cell);
  if (missing) return missing;
  const spelt = spellings.get(cell.toLowerCase());
  if (spelt === undefined) spellings.set(cell.toLowerCase(), cell);
  else if (spelt !== cell && !reading.asWritten) {
    return `"${cell}" stands beside "${spelt}"; write them alike, or say --as-written if they are two different marks`;
  }
  return null;
}

/** Every row of a wide table is a subject of its own, under a name of its own. */
function refuseTwin(subjects: Codes, name: string, row: number, column: string): void {
  if (name === '') throw badCell(row, column, 'the cell is empty, so nobody is named');
  const before = subjects.size;
  if (subjects.of(name) !== before) {
    throw badCell(row, column, `${name} stands in a row above already`);
  }
}

interface LongColumns {
  readonly candidate: number;
  readonly examiner: number;
  readonly mark: number;
  /** The columns that together name the subject. */
  readonly subject: readonly number[];
}

function longColumns(header: readonly string[]): LongColumns | null {
  const at = (name: string) => header.findIndex((column) => column.toLowerCase() === name);
  const [candidate, examiner, mark] = [at('candidate'), at('examiner'), at('mark')];
  if (candidate < 0 || examiner < 0 || mark < 0) return null;
  const more = [at('station'), at('item')].filter((place) => place >= 0);
  return { candidate, examiner, mark, subject: [candidate, ...more] };
}

/** Sorts the words, as numbers where all of them are, and turns the codes to the sorted places. */
function meaning(word: Int32Array, names: readonly string[]) {
  const numbers = names.map((name) => readNumber(name));
  const numeric = numbers.every((value) => typeof value === 'number');
  // 1 and 1.0 are two words and one number.
  const meant: (number | string)[] = numeric ? (numbers as number[]) : [...names];
  const words = [...new Set(meant)].sort(inOrder);
  const place = new Map(words.map((value, k) => [value, k]));
  return { word: word.map((code) => place.get(meant[code] as string | number) as number), words };
}

function refuseTwice(file: RatingsFile, row: Int32Array, column: string): void {
  const { order, start } = bySubject(file);
  const last = new Int32Array(file.raters.length).fill(-1);
  for (let s = 0; s < file.subjects; s++) {
    for (let m = start[s] as number; m < (start[s + 1] as number); m++) {
      const i = order[m] as number;
      const rater = file.rater[i] as number;
      if (last[rater] === s) {
        throw badCell(
          row[i] as number,
          column,
          `${file.raters[rater]} has marked this subject already`,
        );
      }
      last[rater] = s;
    }
  }
}

/** The marks subject by subject, by a counting sort that keeps the order of the file. */
function bySubject({ subjects, subject }: Pick<RatingsFile, 'subjects' | 'subject'>) {
  const start = new Int32Array(subjects + 1);
  for (const s of subject) start[s + 1] = (start[s + 1] as number) + 1;
  for (let s = 0; s < subjects; s++) {
    start[s + 1] = (start[s + 1] as number) + (start[s] as number);
  }
  const next = start.slice();
  const order = new Int32Array(subject.length);
  for (const [i, s] of subject.entries()) {
    order[next[s] as number] = i;
    next[s] = (next[s] as number) + 1;
  }
  return { order, start };
}

/** The distinct rows of marks, as all agreement coefficients take them. */
export function tallyFile(file: RatingsFile): Tally {
  const { order, start } = bySubject(file);
  return tallyMarks(file.raters.length, file.words, {
    start,
    rater: order.map((i) => file.rater[i] as number),
    category: order.map((i) => file.word[i] as number),
  });
}

/** The marks as a table, `rows[subject][rater]`, for files of a size that a screen could show. */
export function spreadOut(file: RatingsFile): (number | null)[][] {
  const MOST_CELLS = 50_000_000;
  const { subjects, raters, subject, rater, word, words } = file;
  if (subjects * raters.length > MOST_CELLS) {
    throw new BadInput(
      `${subjects} subjects by ${raters.length} raters are too many for a table; use the verb variance. Nothing was computed.`,
    );
  }
  const rows = Array.from({ length: subjects }, () =>
    Array.from<number | null>({ length: raters.length }).fill(null),
  );
  for (const [i, s] of subject.entries()) {
    (rows[s] as (number | null)[])[rater[i] as number] = words[word[i] as number] as number;
  }
  return rows;
}

export interface NumberTable {
  readonly file: string;
  /** Whom the rows are of, each once. */
  readonly names: readonly string[];
  readonly columns: readonly string[];
  readonly rows: (number | null)[][];
}

/**
 * Reads a wide table of numbers: first column the candidate, then one column an item or station,
 * whose names differ. Numbers that do not lie on the scale are refused.
 */
export async function readNumbers(file: string, scale: Scale = ANY): Promise<NumberTable> {
  let columns: string[] = [];
  let first = '';
  const subjects = new Codes();
  const rows: (number | null)[][] = [];
  await readTable(
    file,
    (header) => {
      if (header.length < 2) {
        throw new BadInput('The file needs a column for the candidate and at least one more.');
      }
      first = header[0] as string;
      columns = header.slice(1);
    },
    (cells, row) => {
      refuseTwin(subjects, cells[0] as string, row, first);
      rows.push(
        cells.slice(1).map((cell, j) => {
          const value = readNumber(cell);
          const column = columns[j] ?? '';
          if (typeof value === 'string') throw badCell(row, column, value);
          return value === null ? null : onItsScale(value, scale, row, column);
        }),
      );
    },
  );
  return { file, names: subjects.names, columns, rows };
}
