/**
 * What a rehearsal supposes of the people in it: standard deviations in percent points of a
 * sheet's score, as variance components have them, and the share of marks that are slips of the hand;
 * and of stations and items, where no earlier marks say.
 */
export interface Assumptions {
  /** Between candidates, over all stations. */
  readonly ability: number;
  /** Of one candidate from station to station. */
  readonly performance: number;
  /** Between examiners: the harsh and the mild. */
  readonly severity: number;
  /** Of one examiner from performance to performance. */
  readonly seeing: number;
  /** The share of marks that are not what the examiner meant, in [0, 1]. */
  readonly slips: number;
  /** Of the overall grade about what the score says, in grades. */
  readonly grading: number;
  /** Between the items of a station: the standard deviation of their difficulty in logits. */
  readonly difficulty: number;
  /** The mean score of a station in percent. */
  readonly mean: number;
}

/** What examinations of this kind usually spread by; common practice, no source. */
export const USUAL_ASSUMPTIONS: Assumptions = {
  ability: 7,
  performance: 8,
  severity: 3,
  seeing: 3,
  slips: 0.02,
  grading: 0.4,
  difficulty: 1,
  mean: 72,
};

/** The most that each can be: beyond it nobody examines. */
const MOST: Readonly<Record<keyof Assumptions, number>> = {
  ability: 40,
  performance: 40,
  severity: 30,
  seeing: 30,
  slips: 0.5,
  grading: 2,
  difficulty: 3,
  mean: 100,
};
const NAMES: Readonly<Record<keyof Assumptions, string>> = {
  ability: 'The spread of ability',
  performance: 'The spread from station to station',
  severity: 'The spread of severity',
  seeing: 'The spread of seeing',
  slips: 'The share of slips',
  grading: 'The spread of the overall grade',
  difficulty: 'The spread of the difficulty of items',
  mean: 'The mean of a station',
};

/** What is wrong with assumptions, in sentences; empty where they can be. */
export function wrongAssumptions(assumptions: Assumptions): string[] {
  return (Object.keys(MOST) as (keyof Assumptions)[]).flatMap((name) => {
    const value = assumptions[name];
    if (value >= 0 && value <= MOST[name]) return [];
    return [`${NAMES[name]} lies between 0 and ${MOST[name]}, not at ${value}.`];
  });
}
