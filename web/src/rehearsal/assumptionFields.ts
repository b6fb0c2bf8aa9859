import type { RehearsalAsked } from '@kritikos/contracts/rehearsal';

type Spread = keyof RehearsalAsked['assumptions'];
type Whole = 'pairs' | 'rehearsals' | 'seed';

/** A field of what a rehearsal supposes, with what it means. */
export interface AssumptionField {
  readonly name: Spread | Whole;
  readonly label: string;
  readonly hint: string;
  readonly unit?: string;
  readonly step: number;
  /** What stands there while it is empty; only where it may be. */
  readonly empty?: string;
  readonly read: (asked: RehearsalAsked) => number | null;
  readonly write: (asked: RehearsalAsked, value: string) => RehearsalAsked;
}

/** A spread as it is shown: `scale` times as it is kept, to two places. */
const spread = (
  name: Spread,
  label: string,
  hint: string,
  { unit = '% points', step = 0.5, scale = 1 } = {},
): AssumptionField => ({
  name,
  label,
  hint,
  unit,
  step,
  read: ({ assumptions }) => Math.round(assumptions[name] * scale * 100) / 100,
  write: (asked, value) => ({
    ...asked,
    assumptions: { ...asked.assumptions, [name]: Number(value) / scale },
  }),
});
const whole = (
  name: Whole,
  label: string,
  hint: string,
  more: Pick<AssumptionField, 'unit' | 'empty'> = {},
): AssumptionField => ({
  name,
  label,
  hint,
  step: 1,
  ...more,
  read: (asked) => asked[name],
  write: (asked, value) => ({ ...asked, [name]: more.empty && !value ? null : Number(value) }),
});

export const ASSUMPTION_FIELDS: readonly AssumptionField[] = [
  spread('ability', 'Ability', 'between candidates, over all stations'),
  spread('performance', 'From station to station', 'of one candidate: a good knee, a bad shoulder'),
  spread('severity', 'Severity', 'between harsh and mild examiners'),
  spread('seeing', 'Seeing', 'of one examiner, from performance to performance'),
  spread('slips', 'Slips', 'marks that are not what was meant', { unit: '% of marks', scale: 100 }),
  spread('grading', 'Overall grade', 'about what the score says', { unit: 'grades', step: 0.1 }),
  spread('difficulty', 'Difficulty of items', 'within a station, where no earlier marks say', {
    unit: 'logits',
    step: 0.1,
  }),
  spread('mean', 'Mean of a station', 'where no earlier marks say', { unit: '%' }),
  whole('pairs', 'Marked twice', 'as the plan has it where nothing is said', {
    unit: 'sheets',
    empty: 'as planned',
  }),
  whole('rehearsals', 'Rehearsals', 'more of them say more surely'),
  whole('seed', 'Seed', 'the same seed plays the same rehearsals'),
];

/** What is wrong, each thing under the label of its field. */
export function namedFaults(errors: Readonly<Record<string, string>>): string[] {
  return Object.entries(errors).map(
    ([name, words]) =>
      `${ASSUMPTION_FIELDS.find((field) => field.name === name)?.label ?? name} ${words}`,
  );
}
