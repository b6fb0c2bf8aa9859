import type { ColumnMapping } from '@kritikos/contracts/studentImport';
import { readTable, UnreadableTable } from '../people/readTable.ts';
import type { Table } from '../people/readTable.ts';
import { readStudentFile } from '../people/studentFile.ts';
import type { StudentFile } from '../people/studentFile.ts';
import type { Told } from './told.ts';

export interface StudentFileJob {
  readonly content: Uint8Array;
  /** Without a mapping only the columns and the first rows are wanted. */
  readonly mapping: ColumnMapping | null;
}

export type StudentFileRead =
  | { readonly unreadable: string }
  | {
      readonly table: Pick<Table, 'columns' | 'notes'> & { readonly sample: string[][] };
      readonly file: StudentFile | null;
    };

const SAMPLE = 5;

/** Runs in a worker thread: a list of students read and checked cell by cell. */
export default async function run({
  content,
  mapping,
  port,
}: StudentFileJob & Told): Promise<StudentFileRead> {
  try {
    const table = await readTable(Buffer.from(content));
    port.postMessage(0.5);
    const { columns, notes, rows } = table;
    const sample = rows
      .slice(0, SAMPLE)
      .map(({ cells }) => cells.map((cell) => ('text' in cell ? cell.text : '!')));
    const file = mapping === null ? null : readStudentFile(table, mapping);
    return { table: { columns, notes, sample }, file };
  } catch (error) {
    if (error instanceof UnreadableTable) return { unreadable: error.message };
    throw error;
  }
}
