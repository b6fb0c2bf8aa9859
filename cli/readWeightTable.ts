import type { Weights } from '@kritikos/core/agreement/weights';
import { BadInput, badCell } from './badInput.ts';
import { readNumber } from './readCell.ts';
import { readTable } from './readTable.ts';

/**
 * Agreement weights of one's own: a table with the marks as header and as first column, 1 where
 * they are the same and less the further they are apart. The order of its lines does not matter.
 */
export async function readWeightTable(
  file: string,
  marks: readonly (number | string)[],
): Promise<Weights> {
  const named = new Map<string, Map<string, number>>();
  let columns: string[] = [];
  await readTable(
    file,
    (header) => {
      columns = header;
    },
    (cells, row) => {
      const line = new Map<string, number>();
      for (let j = 1; j < cells.length; j++) {
        const value = readNumber(cells[j] as string);
        if (typeof value !== 'number') {
          throw badCell(row, columns[j] as string, value ?? 'the weight is missing');
        }
        line.set(columns[j] as string, value);
      }
      named.set(cells[0] as string, line);
    },
  );
  return marks.map((a) =>
    marks.map((b) => {
      const weight = named.get(String(a))?.get(String(b));
      if (weight === undefined) {
        throw new BadInput(`The weight table says nothing of ${a} against ${b}.`);
      }
      return weight;
    }),
  );
}
