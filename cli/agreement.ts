import type { BootstrapInterval } from '@kritikos/core/agreement/bootstrapSubjects';
import { everyCoefficientByCandidates } from '@kritikos/core/agreement/byCandidates';
import { tableOfPair } from '@kritikos/core/agreement/crossTable';
import { everyCoefficient } from '@kritikos/core/agreement/everyCoefficient';
import type { Level } from '@kritikos/core/agreement/krippendorffAlpha';
import { maximumKappa } from '@kritikos/core/agreement/maximumKappa';
import type { RandomGenerator } from '@kritikos/core/numerics/random';
import { prevalenceBias } from '@kritikos/core/agreement/prevalenceBias';
import { agreementWeights, weightsOfScale } from '@kritikos/core/agreement/weights';
import type { WeightScheme, Weights } from '@kritikos/core/agreement/weights';
import { asBadInput, BadInput } from './badInput.ts';
import { readRatings, tallyFile } from './readRatings.ts';
import type { RatingsFile } from './readRatings.ts';
import { readWeightTable } from './readWeightTable.ts';

export interface AgreementFlags {
  level: Level;
  weights: WeightScheme;
  weightTable?: string;
  scale?: string;
  resamples?: number;
  seed: number;
  generator: RandomGenerator;
  interval: BootstrapInterval;
  /** Errors go by candidates, of whom each has several subjects: items, stations. */
  byCandidate?: boolean;
}

/** All agreement coefficients of a ratings file, under the keys that the command prints. */
export async function agreement(file: string, flags: AgreementFlags) {
  const { level, resamples, seed, generator, interval } = flags;
  const scale = flags.scale === undefined ? null : scaleOf(flags.scale);
  const needNumbers = level === 'nominal' || (scale && level === 'ordinal') ? null : level;
  const ratings = onScale(await readRatings(file, needNumbers), scale);
  const tally = tallyFile(ratings);
  const weights = await weightsFor(ratings.words, scale, flags);
  if (flags.byCandidate && resamples !== undefined) {
    throw new BadInput(
      '--by-candidate gives errors by a formula, and --resamples by drawing subjects; say one of them.',
    );
  }
  return asBadInput(() => ({
    subjects: ratings.subjects,
    raters: ratings.raters.length,
    missing: ratings.missing,
    ...(flags.byCandidate
      ? everyCoefficientByCandidates(tally, ratings.candidateOf, { level, weights })
      : everyCoefficient(tally, { level, weights, resamples, seed, generator, interval })),
    ...(ratings.raters.length === 2
      ? {
          ...prevalenceBias(tableOfPair(tally, 0, 1)),
          maximumKappa: maximumKappa(tableOfPair(tally, 0, 1)),
        }
      : {}),
  }));
}

/** "0,1,2,3,5" or "poor,fair,good": the grades from the lowest to the highest. */
export function scaleOf(text: string): (number | string)[] {
  const words = text.split(',').map((word) => word.trim());
  const numbers = words.map(Number);
  const scale: (number | string)[] = words.every(
    (word, i) => word !== '' && Number.isFinite(numbers[i]),
  )
    ? numbers
    : words;
  if (scale.length < 2 || scale.includes('') || new Set(scale).size < scale.length) {
    throw new BadInput(`--scale takes two different grades or more, as in 0,1,2,3, not "${text}".`);
  }
  if (scale.some((x, i) => typeof x === 'number' && i > 0 && x <= (scale[i - 1] as number))) {
    throw new BadInput('--scale goes from the lowest grade to the highest.');
  }
  return scale;
}

/** The ratings over the declared scale, its unused grades included. */
export function onScale(ratings: RatingsFile, scale: readonly (number | string)[] | null) {
  if (!scale) return ratings;
  const places = ratings.words.map((word) => scale.indexOf(word));
  const stranger = places.indexOf(-1);
  if (stranger >= 0) {
    throw new BadInput(
      `${ratings.whereIs(stranger)}: "${ratings.words[stranger]}" is not on the scale ${scale.join(', ')}. Nothing was computed.`,
    );
  }
  return { ...ratings, words: scale, word: ratings.word.map((code) => places[code] as number) };
}

async function weightsFor(
  words: readonly (number | string)[],
  scale: readonly (number | string)[] | null,
  { weights: scheme, weightTable }: AgreementFlags,
): Promise<Weights | undefined> {
  if (weightTable !== undefined) return readWeightTable(weightTable, words);
  if (scheme === 'unweighted') return undefined;
  const numbers = words.filter((word) => typeof word === 'number');
  if (numbers.length === words.length) {
    return numbers.length < 2
      ? agreementWeights(words.length, scheme)
      : weightsOfScale(numbers, scheme);
  }
  if (!scale) {
    throw new BadInput(
      `Words have no order of their own, so --weights ${scheme} needs one: --scale "${words.join(',')}", from the lowest to the highest.`,
    );
  }
  return agreementWeights(words.length, scheme);
}
