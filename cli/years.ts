import { yearsApart } from '@kritikos/core/standards/acrossYears';
import { asBadInput, BadInput } from './badInput.ts';
import { readNumbers } from './readRatings.ts';

export interface YearsFlags {
  anchors: string;
  method: 'mean' | 'linear';
  resamples: number;
  seed: number;
}

/** A better cohort told from an easier paper, with errors, from the station scores of two sittings. */
export async function years(thisYear: string, lastYear: string, flags: YearsFlags) {
  const [now, then] = [await readNumbers(thisYear), await readNumbers(lastYear)];
  const pairs = anchorsOf(flags.anchors, now.columns.length, then.columns.length);
  const { method, resamples, seed } = flags;
  const found = asBadInput(() =>
    yearsApart(
      { rows: now.rows, anchors: pairs.map(([here]) => here) },
      { rows: then.rows, anchors: pairs.map(([, there]) => there) },
      { method, resamples, seed },
    ),
  );
  return {
    cohort: found.cohort,
    paper: found.paper,
    method: found.method,
    anchors: pairs.map(([here], i) => ({
      station: now.columns[here] ?? '',
      drift: found.drifts[i]?.drift ?? null,
      beyondError: found.drifts[i]?.beyondError ?? false,
      used: found.used.includes(i),
    })),
  };
}

/** "1=1,3=2": which column of the stations of this year is which of last year's, from 1. */
function anchorsOf(text: string, here: number, there: number): [number, number][] {
  if (text.trim() === '') return [];
  return text.split(',').map((pair) => {
    const [a, b] = pair.split('=').map((part) => Number(part.trim()));
    const fits = (n: number | undefined, most: number): n is number =>
      n !== undefined && Number.isInteger(n) && n >= 1 && n <= most;
    if (!fits(a, here) || !fits(b, there)) {
      throw new BadInput(
        `--anchors takes pairs of columns of stations, "1=1,3=2", from 1 to ${here} and 1 to ${there}, not "${pair}".`,
      );
    }
    return [a - 1, b - 1];
  });
}
