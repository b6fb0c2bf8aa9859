import type { CellError } from '@kritikos/contracts/examinations';
import type { NewStudent } from '@kritikos/contracts/people';
import type { ColumnMapping } from '@kritikos/contracts/studentImport';
import type { Cell, Table, TableRow } from './readTable.ts';

export interface StudentRow extends NewStudent {
  readonly row: number;
}

export interface StudentFile {
  readonly students: readonly StudentRow[];
  readonly errors: readonly CellError[];
}

const YES = ['1', 'x', 'y', 'yes', 'true', 'ja', 'sim', 'sí', 'oui'];
const NO = ['', '0', 'n', 'no', 'false', 'nein', 'não', 'non'];

/** What the columns of a table say of students; every cell that cannot be taken is named. */
export function readStudentFile(table: Table, mapping: ColumnMapping): StudentFile {
  const students: StudentRow[] = [];
  const errors: CellError[] = [];
  const firstRowOf = new Map<string, number>();
  for (const line of table.rows) {
    const before = errors.length;
    const student = readStudent(line, mapping, (column, detail) =>
      errors.push({ row: line.row, column: table.columns[column] ?? '', detail }),
    );
    const first = firstRowOf.get(student.number);
    if (student.number !== '' && first !== undefined) {
      const detail = `${student.number} stands in row ${first} too.`;
      errors.push({ row: line.row, column: table.columns[mapping.number] ?? '', detail });
    } else firstRowOf.set(student.number, line.row);
    if (errors.length === before) students.push(student);
  }
  return { students, errors };
}

function readStudent(
  { row, cells }: TableRow,
  mapping: ColumnMapping,
  complain: (column: number, detail: string) => void,
): StudentRow {
  const textOf = (column: number): string => {
    const cell: Cell = cells[column] ?? { text: '' };
    if ('text' in cell) return cell.text;
    complain(column, `This cell ${cell.refused}.`);
    return '';
  };
  const number = textOf(mapping.number);
  if (number === '') complain(mapping.number, 'The student’s number is empty.');
  if (number.length > 20) complain(mapping.number, 'A number has at most 20 characters.');
  const name = mapping.name
    .map(textOf)
    .filter((part) => part !== '')
    .join(' ');
  const [nameColumn = 0] = mapping.name;
  if (name === '') complain(nameColumn, 'The name is empty.');
  if (name.length > 120) complain(nameColumn, 'A name has at most 120 characters.');
  return {
    row,
    number,
    name,
    extraTime: mapping.extraTime === null ? 0 : readPercent(mapping.extraTime),
    seatedBreaks: mapping.seatedBreaks === null ? false : readYes(mapping.seatedBreaks),
  };

  function readPercent(column: number): number {
    const text = textOf(column).replace(/\s*%$/, '');
    if (text === '') return 0;
    const value = Number(text);
    if (Number.isInteger(value) && value >= 0 && value <= 200) return value;
    complain(column, `“${text.slice(0, 40)}” is not a whole number of per cent from 0 to 200.`);
    return 0;
  }

  function readYes(column: number): boolean {
    const text = textOf(column).toLowerCase();
    if (YES.includes(text)) return true;
    if (!NO.includes(text)) complain(column, `“${text.slice(0, 40)}” is neither yes nor no.`);
    return false;
  }
}

const GUESSES = {
  number: /^(student\s*)?(no\.?|nr\.?|number|id|matric.*|registration.*)$|student.?(no|number|id)/i,
  first: /(first|given|fore).?name/i,
  last: /(last|sur|family).?name/i,
  name: /^(full\s*)?name$|^student$/i,
  extraTime: /extra.?time/i,
  seatedBreaks: /seated|rest.?break/i,
} as const;

/** What the names of the columns suggest; nothing where there is no number or no name among them. */
export function guessMapping(columns: readonly string[]): ColumnMapping | null {
  const find = (name: keyof typeof GUESSES) => {
    const at = columns.findIndex((column) => GUESSES[name].test(column.trim()));
    return at < 0 ? null : at;
  };
  const number = find('number');
  const parts = [find('first'), find('last')].filter((at) => at !== null);
  const whole = find('name');
  const name = whole === null ? parts : [whole];
  if (number === null || name.length === 0) return null;
  return { number, name, extraTime: find('extraTime'), seatedBreaks: find('seatedBreaks') };
}
