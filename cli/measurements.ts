import { blandAltman } from '@kritikos/core/agreement/blandAltman';
import { linConcordance } from '@kritikos/core/agreement/linConcordance';
import { withinSubjectSd } from '@kritikos/core/agreement/withinSubject';
import { BadInput } from './badInput.ts';
import { readRatings, spreadOut } from './readRatings.ts';

/** Limits of agreement of two measurements of the same subjects. */
export async function limitsOfAgreement(file: string) {
  const ratings = await readRatings(file, 'interval');
  if (ratings.raters.length !== 2) {
    throw new BadInput(
      `Two columns of measurements are compared; the file has ${ratings.raters.length}. Nothing was computed.`,
    );
  }
  const rows = spreadOut(ratings);
  const pairs = rows.filter((row): row is number[] => row.every((x) => x !== null));
  const first = pairs.map((row) => row[0] as number);
  const second = pairs.map((row) => row[1] as number);
  const result = blandAltman(first, second);
  if (!result) throw new BadInput('Fewer than three pairs are complete. Nothing was computed.');
  const { bias, lowerLimit, upperLimit, sd, proportionalBias, n, notes } = result;
  const left = rows.length - n;
  return {
    bias,
    sd,
    lowerLimit,
    upperLimit,
    proportionalBias:
      proportionalBias === null ? null : { ...proportionalBias.slope, p: proportionalBias.p },
    concordance: linConcordance(first, second),
    withinSubjectSd: withinSubjectSd(pairs),
    n,
    notes: [
      ...notes,
      ...(left > 0 ? [`${left} subjects with one measurement only were left out.`] : []),
    ],
  };
}
