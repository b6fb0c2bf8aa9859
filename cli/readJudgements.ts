import { extent } from '@kritikos/core/numerics/summary';
import { BadInput } from './badInput.ts';
import { readNumbers } from './readRatings.ts';
import type { NumberTable } from './readRatings.ts';
import { PERCENTAGES, SHARES } from './scales.ts';

/**
 * Shares that people wrote, as shares or, with `--percent`, as percentages: one row a judge. Those
 * that look like the other are refused, because the cut would be a hundred times too high or low.
 */
export async function readJudgements(
  file: string,
  { percent = false }: { percent?: boolean },
): Promise<NumberTable> {
  const table = await readNumbers(file, PERCENTAGES);
  const all = table.rows.flat().filter((x) => x !== null);
  const [, greatest] = extent(all);
  if (percent && all.some((x) => x > 0) && greatest <= 1) {
    throw new BadInput(
      `${file}: all numbers are 1 or less, so they look like shares: leave out --percent. Nothing was computed.`,
    );
  }
  if (percent) {
    return { ...table, rows: table.rows.map((row) => row.map((x) => (x === null ? x : x / 100))) };
  }
  // What goes a little beyond 1 is a slip in a cell; what goes far beyond is of percentages.
  if (greatest > SLIP) {
    throw new BadInput(
      `${file}: numbers go up to ${greatest}, so they look like percentages: say --percent. Nothing was computed.`,
    );
  }
  return greatest > 1 ? readNumbers(file, SHARES) : table;
}

const SLIP = 2;
