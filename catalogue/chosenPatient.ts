import type { Lesion } from '@kritikos/core/catalogue/lesion';
import { conditionAt, CONDITIONS } from './conditions.ts';
import type { Condition } from './conditions.ts';
import { NotKnown } from './notKnown.ts';

/** What a simulated patient has: a condition of the catalogue, on a side, perhaps to another degree. */
export interface ChosenPatient {
  readonly condition: string;
  readonly side: 'left' | 'right';
  /** 1 to 3; `null` is as the condition says. */
  readonly degree: number | null;
  /** A second condition, on the same side and as it says. */
  readonly also?: string | undefined;
  /** The muscles tense as soon as force begins. */
  readonly guards?: boolean | undefined;
  /** Both sides are looser than usual, alike. */
  readonly loose?: boolean | undefined;
  /** The station is made for recognising what must not be done on this patient. */
  readonly refrain?: boolean | undefined;
}

type What = Omit<ChosenPatient, 'side'>;

/** Everything that this patient has, as one condition. Throws `NotKnown`. */
export function patientHas({ condition, degree, also, guards, loose }: What): Condition {
  const own = find(condition);
  const main = degree === null ? own : conditionAt(own, degree as Lesion['degree']);
  const second = also === undefined ? null : find(also);
  const manners = [...(guards ? [GUARDS] : []), ...(loose ? [LOOSE] : [])];
  return {
    ...main,
    ...(second
      ? {
          name: `${main.name} with ${withinSentence(second.name)}`,
          history: `${main.history} ${second.history}`,
          lesions: [...main.lesions, ...second.lesions],
        }
      : {}),
    ...(manners.length > 0 ? { manners } : {}),
  };
}

const GUARDS =
  'Tense the muscles as soon as force begins, and let go only when asked to and given time.';
const LOOSE = 'Both sides are looser than usual, alike: elbows and knees go beyond straight.';

/** What a patient has, in a line; one whose condition nobody knows is named as it is written. */
export function sayPatient(chosen: ChosenPatient | null): string {
  if (chosen === null) return 'as the catalogue describes';
  const nameOf = (id: string) => CONDITIONS.find((own) => own.id === id)?.name ?? id;
  return [
    chosen.also
      ? `${nameOf(chosen.condition)} with ${withinSentence(nameOf(chosen.also))}`
      : nameOf(chosen.condition),
    chosen.side,
    ...(chosen.degree === null ? [] : [`degree ${chosen.degree}`]),
    ...(chosen.guards ? ['guards'] : []),
    ...(chosen.loose ? ['loose all over'] : []),
    ...(chosen.refrain ? ['to be left untested'] : []),
  ].join(', ');
}

/** The first letter small, names of people as they are. */
function withinSentence(name: string): string {
  return `${name.charAt(0).toLowerCase()}${name.slice(1)}`;
}

function find(id: string): Condition {
  const found = CONDITIONS.find((condition) => condition.id === id);
  if (!found) throw new NotKnown('condition', id);
  return found;
}
