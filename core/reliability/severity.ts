import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { connectedSets } from './connectedness.ts';
import { predictEffects } from './varianceComponents.ts';
import type { Factor } from './factor.ts';
import type { VarianceComponents } from './varianceComponents.ts';

export interface Severity {
  /** The level of the factor: one examiner. */
  readonly level: number;
  /** How far below the average examiner this one marks, in the unit of the marks; mild is negative. */
  readonly severity: number;
  /** `null` where the examiners' variance is estimated as zero: nothing then says how sure that is. */
  readonly lower: number | null;
  readonly upper: number | null;
  readonly marks: number;
}

export interface SeverityStudy {
  readonly examiners: readonly Severity[];
  readonly components: VarianceComponents;
  readonly notes: readonly string[];
}

/** What an interval of a severity is about (room `severity` of `npm run coverage`). */
export const OF_THESE_EXAMINERS =
  'Severities are against the mean of these examiners. Against all who might have marked, the intervals hold in 91 to 95 of 100 cases.';

/**
 * How severe each examiner is, from the mixed model with candidates (and whatever else is named)
 * as random factors: the best linear unbiased prediction of the examiner's effect, its sign turned.
 *
 * It is shrunken towards the average by the reliability of what the examiner's marks say, so that
 * three marks convict nobody. Interval: 95 % of the prediction error; because the variance between
 * examiners is itself estimated from so few of them, by Student's t with examiners - 1 degrees of
 * freedom. None where that variance is estimated as zero.
 * Source: Robinson 1991, That BLUP is a good thing. A design that falls apart into unconnected
 * sets is refused with `RangeError`, because severity then cannot be told from ability.
 * Worked value: in a balanced table it is `k s_e^2 / (k s_e^2 + s^2)` times the examiner's mean
 * difference, k marks each.
 */
export function examinerSeverity(
  marks: Float64Array,
  factors: readonly Factor[],
  examiner: string,
): SeverityStudy {
  const factor = factors.find(({ name }) => name === examiner);
  if (!factor) throw new RangeError(`The model has no factor ${examiner}.`);
  const sets = connectedSets(factors);
  if (sets.length > 1) {
    throw new RangeError(
      `The design falls apart into ${sets.length} sets without a common candidate or examiner; severities cannot be compared across them.`,
    );
  }
  const { components, effects } = predictEffects(marks, factors);
  const own = effects.get(examiner);
  const counts = new Int32Array(factor.levels);
  for (const level of factor.level) counts[level] = (counts[level] as number) + 1;
  const multiple = tQuantile(0.975, factor.levels - 1);
  const seen = (components.components[examiner] as number) > 0;
  const examiners = Array.from(own?.effect ?? [], (effect, level) => {
    const reach = multiple * (own?.standardError[level] as number);
    return {
      level,
      severity: 0 - effect,
      lower: seen ? -effect - reach : null,
      upper: seen ? -effect + reach : null,
      marks: counts[level] as number,
    };
  });
  return {
    examiners,
    components,
    notes: [...components.notes, ...(seen ? [OF_THESE_EXAMINERS] : [])],
  };
}
