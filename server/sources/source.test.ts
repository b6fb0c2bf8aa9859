import { parse } from 'csv-parse/sync';
import { describe, expect, it } from 'vitest';
import { fileOf } from './source.ts';

describe('the file behind a figure', () => {
  // OWASP, CSV injection: what begins a formula in a spreadsheet.
  it.each(['=1+1', '+1', '-1+1', '@SUM(A1)', '\t=1', '\r=1'])(
    'gives no spreadsheet a formula to work out: %j',
    (name) => {
      const table = { name: 'x.csv', header: ['examiner', 'mark'], rows: [[name, -1.5]] };
      const [, row] = parse(fileOf(table).content) as string[][];
      expect(row).toEqual([`'${name}`, '-1.5']);
    },
  );

  it('leaves names and numbers as they are', () => {
    const rows = [['Ada Quist', -0.25, null] as const, ['12', 3e-9, 100] as const];
    const { content } = fileOf({ name: 'x.csv', header: ['a', 'b', 'c'], rows });
    expect(parse(content)).toEqual([
      ['a', 'b', 'c'],
      ['Ada Quist', '-0.25', ''],
      ['12', '3e-9', '100'],
    ]);
  });
});
