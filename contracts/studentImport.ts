import { z } from 'zod';
import { cellError } from './examinations.ts';
import { id, text } from './primitives.ts';

const column = z.int().min(0).max(200);

/** Which columns of a list hold what, counted from 0; a name may stand in two. */
export const columnMapping = z.object({
  number: column,
  name: z.array(column).min(1).max(3),
  extraTime: column.nullable(),
  seatedBreaks: column.nullable(),
});
export type ColumnMapping = z.infer<typeof columnMapping>;

export const uploadQuery = z.object({ name: text(200) });

/** A list as it came: its columns, its first rows, and how its columns were mapped the last time. */
export const upload = z.object({
  id,
  fileName: z.string(),
  columns: z.array(z.string()),
  sample: z.array(z.array(z.string())),
  /** What was left out of it: hidden sheets, a title above the heading. */
  notes: z.array(z.string()),
  /** Remembered from a list with the same columns, or guessed from their names. */
  mapping: columnMapping.nullable(),
  remembered: z.boolean(),
});
export type Upload = z.infer<typeof upload>;

export const importQuestion = z.object({ mapping: columnMapping });

/** What a list would change, and what is wrong with it; taken only whole. */
export const studentImport = z.object({
  rows: z.int(),
  added: z.int(),
  changed: z.int(),
  moved: z.int(),
  same: z.int(),
  /** The first changes of students who are here already, in words. */
  changes: z.array(z.object({ number: z.string(), name: z.string(), what: z.array(z.string()) })),
  errors: z.array(cellError),
  errorCount: z.int(),
  taken: z.boolean(),
});
export type StudentImport = z.infer<typeof studentImport>;
