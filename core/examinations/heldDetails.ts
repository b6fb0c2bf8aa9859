/** What of an examination there is that something it says of itself may hang on. */
export interface HangsOn {
  readonly candidates: number;
  /** Whether a timetable is published. */
  readonly published: boolean;
  /** Whether marking was ever opened. */
  readonly opened: boolean;
  /** How many decisions are signed. */
  readonly decisions: number;
}

export const DETAILS = ['title', 'school', 'cohort', 'heldOn', 'zone'] as const;
export type Detail = (typeof DETAILS)[number];

/** Why a detail of an examination can be changed no more, in words; those that are open are not in it. */
export function heldDetails(on: HangsOn): Partial<Record<Detail, string>> {
  const named = on.decisions > 0 && 'A signed decision carries it.';
  const timed =
    (on.opened && 'Marking was opened: the times of marks stand on it.') ||
    (on.published && 'The published timetable stands on it.');
  return {
    ...(named && { title: named, school: named }),
    ...(on.candidates > 0 && { cohort: 'It has candidates of this cohort.' }),
    ...(timed && { heldOn: timed, zone: timed }),
  };
}
