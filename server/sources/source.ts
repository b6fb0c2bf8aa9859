import type { Source } from '@kritikos/contracts/sources';
import { stringify } from 'csv-stringify/sync';

/** A table as the command reads it. Numbers are written with all their digits. */
export interface Table {
  readonly name: string;
  readonly header: readonly string[];
  readonly rows: readonly (readonly (string | number | null)[])[];
  /** The flag that takes the file, where the command does not take it as its own. */
  readonly flag?: string;
}

/** The tables that a figure comes from, and the command that takes them. */
export interface Worked {
  readonly verb: string;
  readonly tables: readonly Table[];
  readonly flags: readonly string[];
  readonly keys: readonly string[];
}

/** How the command is typed that gives the figure again. */
export function sourceOf({ verb, tables, flags, keys }: Worked): Source {
  const files = tables.map(({ name }) => name);
  const own = tables.filter(({ flag }) => !flag).map(({ name }) => name);
  const flagged = tables.flatMap(({ flag, name }) => (flag ? [flag, name] : []));
  const words = [verb, ...own, ...flagged, ...flags, '--decimal', 'point', '--json'];
  return {
    files,
    words,
    command: ['npm run --silent kritikos --', ...words.map(quoted)].join(' '),
    keys: [...keys],
  };
}

/**
 * The table as a file. A word that a spreadsheet would take for a formula gets an apostrophe before it,
 * which the command reads as a part of the name; numbers stand as they are.
 */
export function fileOf({ name, header, rows }: Table): { fileName: string; content: string } {
  const records = [[...header], ...rows.map((row) => [...row])];
  return { fileName: name, content: stringify(records, { escape_formulas: true }) };
}

function quoted(word: string): string {
  return /^[\w.,:=+-]+$/.test(word) ? word : `"${word.replace(/["\\$`]/g, '\\$&')}"`;
}
