import { reachesCut } from './reachesCut.ts';

/** One method's cut, to be set beside others. */
export interface NamedCut {
  readonly method: string;
  readonly cut: number | null;
}

export interface Consequence extends NamedCut {
  readonly passed: number;
  readonly failed: number;
  readonly passRate: number | null;
  /** Candidates (by their place) who pass by the reference and fail here, and the other way round. */
  readonly lost: readonly number[];
  readonly gained: readonly number[];
  /** Candidates whose score lies within one standard error of measurement of the cut. */
  readonly withinOneSem: number | null;
}

/**
 * What every method would do to the same candidates, side by side. `reference` is the place of the
 * method that the others are held against; `scores` may miss (`null`), such candidates are in no
 * count. A score equal to the cut passes.
 * Worked value: scores 40, 55, 60 with cuts 50 and 58: 2 pass, 1 passes, candidate 1 is lost.
 */
export function compareConsequences(
  scores: readonly (number | null)[],
  cuts: readonly NamedCut[],
  reference = 0,
  sem: number | null = null,
): Consequence[] {
  const other = cuts[reference]?.cut ?? null;
  return cuts.map(({ method, cut }) => {
    if (cut === null) {
      return {
        method,
        cut,
        passed: 0,
        failed: 0,
        passRate: null,
        lost: [],
        gained: [],
        withinOneSem: null,
      };
    }
    const scored = scores.flatMap((score, i) => (score === null ? [] : [{ score, i }]));
    const passed = scored.filter(({ score }) => reachesCut(score, cut)).length;
    const moved = (here: boolean) =>
      other === null
        ? []
        : scored
            .filter(
              ({ score }) => reachesCut(score, cut) === here && reachesCut(score, other) !== here,
            )
            .map(({ i }) => i);
    return {
      method,
      cut,
      passed,
      failed: scored.length - passed,
      passRate: scored.length === 0 ? null : passed / scored.length,
      lost: moved(false),
      gained: moved(true),
      withinOneSem:
        sem === null ? null : scored.filter(({ score }) => Math.abs(score - cut) <= sem).length,
    };
  });
}
