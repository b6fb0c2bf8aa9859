import { crossTable, tableOfPair } from '@kritikos/core/agreement/crossTable';
import { kendallW } from '@kritikos/core/agreement/kendallW';
import { discordance, mcNemar, stuartMaxwell } from '@kritikos/core/agreement/marginalTest';
import { candidatesForIntraclass, candidatesForKappa } from '@kritikos/core/agreement/sampleSize';
import { examinerSeverity } from '@kritikos/core/reliability/severity';
import { asBadInput, BadInput } from './badInput.ts';
import { onScale, scaleOf } from './agreement.ts';
import { readMarks, termsOf } from './readMarks.ts';
import { readRatings, spreadOut, tallyFile } from './readRatings.ts';

/** Kendall's concordance of raters who rank the same subjects. */
export async function kendall(file: string) {
  const rows = spreadOut(await readRatings(file, 'ordinal'));
  const complete = rows.filter((row): row is number[] => row.every((x) => x !== null));
  const result = kendallW(complete);
  const left = rows.length - complete.length;
  const notes = left > 0 ? [`${left} subjects that somebody did not mark were left out.`] : [];
  return {
    kendallW: result?.w ?? null,
    chiSquare: result?.chiSquare ?? null,
    df: result?.df ?? null,
    p: result?.p ?? null,
    subjects: complete.length,
    raters: rows[0]?.length ?? 0,
    notes: result
      ? [...result.notes, ...notes]
      : ['Concordance needs two raters and two subjects who are not all marked alike.', ...notes],
  };
}

/** Whether two raters use the marks equally often: Stuart-Maxwell, and McNemar for two marks. */
export async function marginal(file: string, { scale }: { scale?: string }) {
  const ratings = onScale(
    await readRatings(file, null),
    scale === undefined ? null : scaleOf(scale),
  );
  if (ratings.raters.length !== 2) {
    throw new BadInput(
      `The margins of two raters are compared; the file has ${ratings.raters.length}. Nothing was computed.`,
    );
  }
  const tally = tallyFile(ratings);
  const table = tally.categories.length === 0 ? crossTable([]) : tableOfPair(tally, 0, 1);
  const result = stuartMaxwell(table);
  const { firstLower, secondLower } = discordance(table);
  return {
    stuartMaxwell: result,
    mcNemar: table.categories.length === 2 ? mcNemar(firstLower, secondLower) : null,
    firstLower,
    secondLower,
    categories: table.categories,
    pairs: table.n,
    missing: table.missing,
    notes: result ? [] : ['The raters never differ, so there is nothing to test.'],
  };
}

export interface SampleSizeFlags {
  kappa?: number;
  prevalence: number;
  icc?: number;
  raters: number;
  halfWidth: number;
}

/** How many double-marked candidates give an interval of the wished half-width. */
export function sampleSize({ kappa, prevalence, icc, raters, halfWidth }: SampleSizeFlags) {
  if ((kappa === undefined) === (icc === undefined)) {
    throw new BadInput('Say what is expected: --kappa with --prevalence, or --icc with --raters.');
  }
  return asBadInput(() => ({
    candidates:
      kappa === undefined
        ? candidatesForIntraclass(icc as number, raters, halfWidth)
        : candidatesForKappa(kappa, prevalence, halfWidth),
    halfWidth,
    notes: [
      'By a large-sample formula: for fewer than about 50 candidates the interval that the product shows is wider than planned.',
    ],
  }));
}

/** How severe every examiner is, from the mixed model. */
export async function severity(
  file: string,
  { model, examiner }: { model: string; examiner: string },
) {
  const terms = termsOf(model);
  if (!terms.includes(examiner)) {
    throw new BadInput(`The model does not name ${examiner}; it names ${terms.join(', ')}.`);
  }
  const { marks, factors, missing } = await readMarks(file, terms);
  const { examiners, components, notes } = asBadInput(() =>
    examinerSeverity(marks, factors, examiner),
  );
  const names = factors.find((f) => f.name === examiner)?.names ?? [];
  return {
    examiners: examiners.map(({ level, ...rest }) => ({ name: names[level], ...rest })),
    components: { ...components.components, residual: components.residual },
    n: components.n,
    missing,
    notes,
  };
}
