import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';

/** The statements that fill a database as the first schema left it; see server/db/fixtures. */
export function firstSchemaDump(): string {
  const file = new URL('../db/fixtures/first-schema.sql.gz', import.meta.url);
  return gunzipSync(readFileSync(file)).toString('utf8');
}

/** The rows that the dump holds of a table: how many, and the text of each as it was written. */
export function rowsInDump(table: string): string[] {
  const dump = firstSchemaDump();
  return [...dump.matchAll(new RegExp(`^INSERT INTO public\\.${table} VALUES\\n`, 'gm'))].flatMap(
    ({ index, 0: head }) => {
      const from = index + head.length;
      return dump
        .slice(from, dump.indexOf(';\n', from))
        .split('\n')
        .map((line) => line.trim().replace(/,$/, ''));
    },
  );
}
