import type { CandidateOutcome, Condition } from './examRule.ts';

/** What one part of a rule did to everybody. */
export interface RuleEffect {
  readonly part: Condition['part'];
  readonly required: number;
  readonly met: number;
  /** Who misses it, and who misses nothing else; by their ids. */
  readonly missed: readonly string[];
  readonly alone: readonly string[];
  /** For whom nobody can judge it. */
  readonly open: readonly string[];
}

/**
 * What each part of the rule did, in the order in which it is asked: whom it fails, whom it alone
 * fails, and for whom it is open. Candidates without a total are not among them.
 */
export function ruleEffects(outcomes: ReadonlyMap<string, CandidateOutcome>): RuleEffect[] {
  const judged = [...outcomes].filter(([, { conditions }]) => conditions.length > 0);
  const asked = judged[0]?.[1].conditions ?? [];
  return asked.map(({ part, required }) => {
    const of = (met: boolean | null) =>
      judged.flatMap(([candidate, { conditions }]) =>
        conditions.some((one) => one.part === part && one.met === met) ? [candidate] : [],
      );
    const missed = of(false);
    return {
      part,
      required,
      met: of(true).length,
      missed,
      alone: missed.filter(
        (candidate) =>
          outcomes.get(candidate)?.conditions.filter(({ met }) => met === false).length === 1,
      ),
      open: of(null),
    };
  });
}
