import type { DraftItem, DraftItemOf } from './draftChecklist.ts';
import type { Finding } from './finding.ts';

/**
 * An item that the simulated patient cannot show: its key asks for another finding than follows
 * from the patient, or its band for another number.
 */
export function cannotShow(
  item: DraftItem,
  derived: DraftItem | undefined,
  patient: string,
): Finding[] {
  if (item.kind === 'choice' && derived?.kind === 'choice') {
    return otherAnswer(item, derived, patient);
  }
  if (item.kind === 'measured' && derived?.kind === 'measured') {
    return otherNumber(item, derived, patient);
  }
  return [];
}

function otherAnswer(
  item: DraftItemOf<'choice'>,
  derived: DraftItemOf<'choice'>,
  patient: string,
): Finding[] {
  const labelOf = (key: string) => item.options.find((option) => option.key === key)?.label;
  const [asked, shown] = [labelOf(item.answer), labelOf(derived.answer)];
  if (asked === undefined || shown === undefined || asked === shown) return [];
  return [
    {
      item: item.key,
      part: 'answer',
      rule: 'cannot-show',
      words: `The key is “${asked}”; the patient (${patient}) shows “${shown}”.`,
      reason: 'Who finds what is there would be marked wrong.',
      mend: { do: 'answer', item: item.key, answer: derived.answer },
    },
  ];
}

function otherNumber(
  item: DraftItemOf<'measured'>,
  derived: DraftItemOf<'measured'>,
  patient: string,
): Finding[] {
  const { lower, upper, unit } = item;
  if (lower === null || upper === null || derived.lower === null || derived.upper === null) {
    return [];
  }
  if (item.unit !== derived.unit || (derived.lower <= upper && derived.upper >= lower)) return [];
  const shown = between(derived.lower, derived.upper);
  return [
    {
      item: item.key,
      part: 'band',
      rule: 'cannot-show',
      words: `The band is ${between(lower, upper)} ${unit}; the patient (${patient}) shows ${shown} ${unit}.`,
      reason: 'Who reads what is there would be marked wrong.',
      mend: { do: 'band', item: item.key, lower: derived.lower, upper: derived.upper },
    },
  ];
}

function between(lower: number, upper: number): string {
  return lower === upper ? String(lower) : `${lower} to ${upper}`;
}
