import type { Estimate } from '../numerics/estimate.ts';
import { standardDeviation } from '../numerics/summary.ts';
import { correlation } from '../reliability/internalConsistency.ts';
import { overJudges } from './overJudges.ts';

/**
 * Angoff's cut (1971): every judge says for every item what share of it a borderline candidate
 * would earn; the judge's cut is the mean over the items, the panel's the mean over the judges.
 *
 * `judgements[judge][item]` in [0, 1]; with 0 and 1 only it is the yes/no form (Impara & Plake
 * 1997), with points divided by the item's maximum the extended form (Hambleton & Plake 1995);
 * `weights` are the items' weights. Blanks (`null`) are left out judge by judge and counted.
 * Error and interval are those of a mean over judges (`overJudges`). Result in percent.
 * Worked value: judges .5 .7 and .6 .8 give cuts 60 and 70, the panel's cut 65, SE 5.
 */
export function angoff(
  judgements: readonly (readonly (number | null)[])[],
  weights: readonly number[],
): Estimate & { readonly judges: readonly (number | null)[] } {
  let blanks = 0;
  const judges = judgements.map((row) => {
    let earned = 0;
    let possible = 0;
    for (const [i, judgement] of row.entries()) {
      if (judgement === null) {
        blanks++;
        continue;
      }
      if (!(judgement >= 0 && judgement <= 1))
        throw new RangeError(`Judgement ${judgement} is not between 0 and 1.`);
      const weight = weights[i] ?? 1;
      if (!(weight > 0)) throw new RangeError('A weight must be above 0.');
      earned += weight * judgement;
      possible += weight;
    }
    return possible > 0 ? (100 * earned) / possible : null;
  });
  const notes = blanks > 0 ? [`${blanks} judgements were left blank and are not in the cut.`] : [];
  const nobody = 'No judge has judged an item.';
  return { ...overJudges(judges, { method: 'Angoff 1971', nobody, notes }), judges };
}

export interface AngoffRound {
  readonly cut: number | null;
  readonly standardError: number | null;
  /** Standard deviation of the judges' cuts: it should fall from round to round. */
  readonly spread: number | null;
  /** Judges whose cut moved by more than a percent since the round before. */
  readonly moved: number;
}

/**
 * The rounds of one panel, in order: judges judge, see the others and the data, and judge again.
 * `rounds[round][judge][item]`, the judges in the same order throughout.
 */
export function angoffRounds(
  rounds: readonly (readonly (readonly (number | null)[])[])[],
  weights: readonly number[],
): AngoffRound[] {
  const results = rounds.map((judgements) => angoff(judgements, weights));
  return results.map(({ estimate, standardError, judges }, r) => {
    const before = results[r - 1]?.judges;
    const given = judges.filter((cut) => cut !== null);
    return {
      cut: estimate,
      standardError,
      spread: standardDeviation(given),
      moved: judges.filter((cut, j) => {
        const last = before?.[j];
        return cut !== null && last !== undefined && last !== null && Math.abs(cut - last) > 1;
      }).length,
    };
  });
}

/**
 * How well every judge's judgements follow what candidates earned of the items: the correlation
 * over items, best with the shares that borderline candidates earned. A judge near 0 or below
 * ranked the items otherwise than the candidates found them. `null` where either does not vary.
 */
export function judgesAgainstData(
  judgements: readonly (readonly (number | null)[])[],
  earned: readonly (number | null)[],
): (number | null)[] {
  return judgements.map((row) => {
    const pairs = row.flatMap((judgement, i) => {
      const share = earned[i] ?? null;
      return judgement === null || share === null ? [] : [[judgement, share] as const];
    });
    if (pairs.length < 3) return null;
    return correlation(
      pairs.map(([judgement]) => judgement),
      pairs.map(([, share]) => share),
    );
  });
}
