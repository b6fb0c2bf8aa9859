import { variance } from '../numerics/summary.ts';
import { livingstonLewis } from './livingstonLewis.ts';
import type { LivingstonLewis } from './livingstonLewis.ts';
import type { Standard } from './setStandard.ts';

/** How sure pass and fail are, for the whole cohort and for those near the mark. */
export interface DecisionSureness {
  /** Whose total lies within one standard error of measurement of the mark; by their ids. */
  readonly near: readonly string[];
  /** Consistency and accuracy of the mark by the score alone; `null` with the reason in `notes`. */
  readonly quality: LivingstonLewis | null;
  readonly notes: readonly string[];
}

/** `1 - SEM^2 / variance of the totals`; 0 where they do not vary. */
export function reliabilityOf(totals: readonly number[], sem: number): number {
  const spread = variance(totals);
  return spread ? 1 - sem ** 2 / spread : 0;
}

/**
 * The sureness of a standard by the score alone: other parts of the rule are not in it.
 *
 * The reliability is that of the standard’s own error, `1 - SEM^2 / variance of the totals`, which is
 * alpha over the stations. Worked value: with totals whose variance is 100 and a standard error of
 * 5 the reliability is .75.
 */
export function decisionSureness({ outcomes, examCut, sem, stations }: Standard): DecisionSureness {
  const scored = [...outcomes].flatMap(([candidate, { total }]) =>
    total === null ? [] : [{ candidate, total }],
  );
  const nothing = (why: string): DecisionSureness => ({ near: [], quality: null, notes: [why] });
  if (!examCut || sem === null) {
    return nothing('There is no mark, or no error of measurement, to be sure about.');
  }
  const { total: mark } = examCut;
  const near = scored
    .filter(({ total }) => Math.abs(total - mark) <= sem)
    .map(({ candidate }) => candidate);
  const reliability = reliabilityOf(
    scored.map(({ total }) => total),
    sem,
  );
  const k = Math.max(1, stations.length);
  if (!(reliability > 0 && reliability < 1) || !(mark / k >= 0 && mark / k <= 100)) {
    return {
      ...nothing('The stations do not go together enough to say how sure the mark is.'),
      near,
    };
  }
  const quality = livingstonLewis(
    scored.map(({ total }) => Math.min(100, Math.max(0, total / k))),
    reliability,
    mark / k,
  );
  return {
    near,
    quality,
    notes: quality ? quality.notes : ['Fewer than three candidates are scored.'],
  };
}
