import type { RandomGenerator } from '@kritikos/core/numerics/random';
import { yearsApart } from '@kritikos/core/standards/acrossYears';
import { asBadInput, BadInput } from './badInput.ts';
import { readNumbers } from './readRatings.ts';
import { PERCENTAGES } from './scales.ts';

export interface YearsFlags {
  anchors: readonly (readonly [here: number, there: number])[];
  method: 'mean' | 'linear';
  resamples: number;
  seed: number;
  generator: RandomGenerator;
}

/** A better cohort told from an easier paper, with errors, from the station scores of two sittings. */
export async function years(thisYear: string, lastYear: string, flags: YearsFlags) {
  const now = await readNumbers(thisYear, PERCENTAGES);
  const then = await readNumbers(lastYear, PERCENTAGES);
  const { anchors, ...how } = flags;
  const pairs = anchors.map(([here, there]) => {
    if (here <= now.columns.length && there <= then.columns.length) return [here - 1, there - 1];
    throw new BadInput(
      `--anchors ${here}=${there}: there are columns 1 to ${now.columns.length} this year and 1 to ${then.columns.length} last year. Nothing was computed.`,
    );
  }) as [number, number][];
  const found = asBadInput(() =>
    yearsApart(
      { rows: now.rows, anchors: pairs.map(([here]) => here) },
      { rows: then.rows, anchors: pairs.map(([, there]) => there) },
      how,
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
