import { numberOf } from '@kritikos/core/catalogue/patientNumber';
import type { Sign } from '@kritikos/core/catalogue/lesion';
import { respond } from '@kritikos/core/catalogue/response';
import type { Response } from '@kritikos/core/catalogue/response';
import type { Condition } from './conditions.ts';
import type { Procedure } from './procedure.ts';
import { siteOf } from './structures.ts';

/** What the simulated patient tells and shows, on one page. */
export function scriptFor(
  procedure: Procedure,
  condition: Condition,
  side: 'left' | 'right',
): string {
  const response = respond(procedure, condition.lesions);
  const other = side === 'left' ? 'right' : 'left';
  const sided = (words: string) => words.replaceAll('{side}', side).replaceAll('{other}', other);
  const parts = [
    sided(condition.history),
    ...(response.refrain && response.refrain.stage === undefined
      ? [sided(leftAlone(response.refrain.why))]
      : [
          sided(shows(procedure, response)),
          ...readingsFor(procedure, condition, side, other),
          ...(condition.manners ?? []),
        ]),
    `The ${other} side is sound.`,
    ...response.misleading.map(
      ({ looksLike, avoidedBy }) => `Without the step "${avoidedBy}" it looks like ${looksLike}.`,
    ),
  ];
  return parts.join(' ');
}

/** What a patient does who must not be tested so: nothing is shown, and nothing is let happen. */
function leftAlone(why: string): string {
  return `This test must not be done on you: ${why} Answer what you are asked. Where hands begin it all the same, say “stop” at once and do not let it go on.`;
}

function shows(procedure: Procedure, response: Response): string {
  const { shown, voidStages, refrain } = response;
  if (response.void !== null) return `${response.void} Do not let it be forced.`;
  const signs = [...new Map(shown.map((s) => [`${s.sign} ${s.structure}`, s])).values()];
  const acted = signs.map(
    ({ sign, structure, degree }) =>
      actOf(procedure, sign, structure) ??
      `${DEGREES[degree]} ${SIGN_WORDS[sign]} (${siteOf(structure)})`,
  );
  const none = voidStages.length > 0 ? 'What can be done shows nothing.' : SHOWS_NOTHING;
  return [
    ...voidStages.map(({ why }) => `${why} Do not let it be forced.`),
    ...(refrain ? [`${refrain.why} Do not let that part be done.`] : []),
    acted.length === 0 ? none : `Show: ${[...new Set(acted)].join('; ')}.`,
  ].join(' ');
}

function actOf({ shownAs = [] }: Procedure, sign: Sign, structure: string): string | undefined {
  const act = shownAs.find(
    (own) => own.sign === sign && (own.structures?.includes(structure) ?? true),
  );
  return act?.words.replaceAll('{where}', siteOf(structure));
}

const SHOWS_NOTHING = 'Show nothing: no pain, no looseness, no fear.';

/** The numbers that the patient shows on either side, as far as the condition changes them. */
function readingsFor(
  { numbers, voids, loads, checklist }: Procedure,
  { lesions }: Condition,
  side: string,
  other: string,
): string[] {
  if (respond({ loads, voids }, lesions).void !== null) return [];
  const lines = numbers.flatMap((number) => {
    const item = checklist.items.find(({ key }) => key === number.item);
    const value = numberOf(number, lesions);
    if (item?.kind !== 'measured' || value === number.healthy) return [];
    const unit = item.unit === '°' ? '°' : ` ${item.unit}`;
    return [`${item.text}: ${value}${unit} ${side}, ${number.healthy}${unit} ${other}`];
  });
  return lines.length === 0 ? [] : [`Numbers: ${lines.join('; ')}.`];
}

const DEGREES = { 1: 'slight', 2: 'clear', 3: 'marked' } as const;
const SIGN_WORDS: Readonly<Record<Sign, string>> = {
  pain: 'familiar pain',
  laxity: 'looseness',
  click: 'click',
  weakness: 'weakness',
  stiffness: 'stiffness',
  tingling: 'tingling',
  apprehension: 'fear that it slips out',
  swelling: 'swelling',
  block: 'springy block',
  gap: 'gap to be felt',
  crepitus: 'grating',
  deviation: 'a line that stands off',
};
