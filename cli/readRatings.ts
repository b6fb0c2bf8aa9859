import { BadInput, badCell } from './badInput.ts';
import { readNumber, readTable } from './readTable.ts';

export interface RatingsFile {
  readonly raters: readonly string[];
  /** `marks[subject][rater]`; numbers where every mark is one, else words. */
  readonly marks: (number | string | null)[][];
  readonly numeric: boolean;
}

/**
 * Reads ratings, wide (first column the subject, each further column a rater) or long (columns
 * candidate, examiner, mark and optionally station, item, which together make the subject).
 * `needNumbers` names the level that does not take words.
 */
export async function readRatings(file: string, needNumbers: string | null): Promise<RatingsFile> {
  let columns: string[] = [];
  let long: { candidate: number; examiner: number; mark: number; more: number[] } | undefined;
  const subjects = new Map<string, (string | null)[]>();
  const raters: string[] = [];
  const place = new Map<string, number>();
  let numeric = true;

  const check = (cell: string, row: number, column: string) => {
    const value = readNumber(cell);
    if (value !== undefined) return;
    if (needNumbers)
      throw badCell(row, column, `"${cell}" is not a number, which the ${needNumbers} level needs`);
    numeric = false;
  };

  await readTable(
    file,
    (header) => {
      columns = header;
      const at = (name: string) => header.findIndex((column) => column.toLowerCase() === name);
      const [candidate, examiner, mark] = [at('candidate'), at('examiner'), at('mark')];
      if (candidate >= 0 && examiner >= 0 && mark >= 0) {
        long = {
          candidate,
          examiner,
          mark,
          more: [at('station'), at('item')].filter((i) => i >= 0),
        };
        return;
      }
      if (header.length < 2)
        throw new BadInput(
          'The file needs a column for the subject and one for each rater, or the columns candidate, examiner, mark.',
        );
      raters.push(...header.slice(1));
    },
    (cells, row) => {
      if (!long) {
        const own = cells.slice(1).map((cell) => (cell === '' || cell === 'NA' ? null : cell));
        for (const [j, cell] of own.entries())
          if (cell !== null) check(cell, row, columns[j + 1] ?? '');
        subjects.set(`${row}`, own);
        return;
      }
      const cell = cells[long.mark] as string;
      const who = cells[long.examiner] as string;
      if (cells[long.candidate] === '')
        throw badCell(row, columns[long.candidate] ?? '', 'the candidate is empty');
      if (who === '') throw badCell(row, columns[long.examiner] ?? '', 'the examiner is empty');
      let rater = place.get(who);
      if (rater === undefined) {
        rater = raters.length;
        place.set(who, rater);
        raters.push(who);
      }
      const subject = [cells[long.candidate], ...long.more.map((i) => cells[i])].join('\u001f');
      const own = subjects.get(subject) ?? [];
      subjects.set(subject, own);
      if (cell === '' || cell === 'NA') return;
      check(cell, row, columns[long.mark] ?? '');
      if (own[rater] !== undefined && own[rater] !== null)
        throw badCell(row, columns[long.mark] ?? '', `${who} has marked this subject already`);
      own[rater] = cell;
    },
  );
  if (subjects.size === 0) throw new BadInput('There is no row under the header.');
  const marks = [...subjects.values()].map((own) =>
    raters.map((_, j) => {
      const cell = own[j] ?? null;
      return cell === null || !numeric ? cell : (readNumber(cell) ?? null);
    }),
  );
  return { raters, marks, numeric };
}

export interface NumberTable {
  readonly columns: readonly string[];
  readonly rows: (number | null)[][];
}

/** Reads a wide table of numbers: first column the candidate, then one column an item or station. */
export async function readNumbers(file: string): Promise<NumberTable> {
  let columns: string[] = [];
  const rows: (number | null)[][] = [];
  await readTable(
    file,
    (header) => {
      if (header.length < 2)
        throw new BadInput('The file needs a column for the candidate and at least one more.');
      columns = header.slice(1);
    },
    (cells, row) => {
      rows.push(
        cells.slice(1).map((cell, j) => {
          const value = readNumber(cell);
          if (value === undefined)
            throw badCell(row, columns[j] ?? '', `"${cell}" is not a number`);
          return value;
        }),
      );
    },
  );
  if (rows.length === 0) throw new BadInput('There is no row under the header.');
  return { columns, rows };
}
