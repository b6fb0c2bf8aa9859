import type { DraftItem, DraftScale } from './draftChecklist.ts';
import type { Finding } from './finding.ts';

/** Silent reading of English, words a minute (Brysbaert 2019, J Mem Lang 109; from memory). */
const WORDS_A_MINUTE = 238;
/**
 * Seconds to make up one's mind, to bring a finger to its place, and to press: the operators M, P
 * and K of the keystroke-level model (Card, Moran & Newell 1980, CACM 23; from memory).
 */
const DECIDE = 1.35;
const REACH = 1.1;
const PRESS = 0.2;
/** The share of a station in which the eyes may be on the sheet (common practice, no source). */
export const EYES_ON_SHEET = 0.25;
const LONGEST_MINUTES = 60;

/**
 * Seconds that an examiner's eyes and thumb are on the sheet for one item: its words are read, the
 * mind is made up, and every tap reaches its place. The overall grade and the comment come after
 * the station and are not counted.
 *
 * Worked value: an item of seven words that is done or not: 7 * 60 / 238 + 1.35 + 1.3 = 4.4 s.
 */
export function secondsToMark(item: DraftItem): number {
  const words = wordsIn(item.text) + wordsIn(answersOf(item).join(' '));
  return (words * 60) / WORDS_A_MINUTE + DECIDE + tapsOf(item) * (REACH + PRESS);
}

export interface TimeNeeded {
  /** Seconds with the eyes on the sheet. */
  readonly seconds: number;
  /** Seconds that a station of these minutes gives to the sheet. */
  readonly given: number;
  /** Whole minutes in which it would fit. */
  readonly minutes: number;
}

/** What the items of a checklist take, against what the minutes give. */
export function timeNeeded(items: readonly DraftItem[], minutes: number): TimeNeeded {
  const seconds = items.reduce((sum, item) => sum + secondsToMark(item), 0);
  return {
    seconds,
    given: minutes * 60 * EYES_ON_SHEET,
    minutes: Math.ceil(seconds / (60 * EYES_ON_SHEET)),
  };
}

/** More items than one pair of eyes can mark while it watches. */
export function tooMany(items: readonly DraftItem[], minutes: number): Finding[] {
  const needed = timeNeeded(items, minutes);
  if (needed.seconds <= needed.given) return [];
  const slowest = [...items].sort((a, b) => secondsToMark(b) - secondsToMark(a))[0];
  const fits = needed.minutes <= LONGEST_MINUTES;
  return [
    {
      item: null,
      part: 'minutes',
      rule: 'too-many',
      words:
        `${items.length} items take about ${Math.round(needed.seconds)} s of looking at the sheet; ` +
        `${minutes} minutes leave ${Math.round(needed.given)} s of it.`,
      reason:
        'Three quarters of the time the eyes belong on the candidate. An examiner who falls behind marks from memory.',
      mend:
        fits || !slowest
          ? { do: 'minutes', minutes: needed.minutes }
          : { do: 'remove', item: slowest.key },
    },
  ];
}

/** What is written on the buttons of an item. */
function answersOf(item: DraftItem): string[] {
  switch (item.kind) {
    case 'choice':
    case 'cluster':
      return item.options.map(({ label }) => label);
    case 'retest':
      return [...item.settings];
    default:
      return [];
  }
}

function tapsOf(item: DraftItem): number {
  switch (item.kind) {
    case 'sides':
      return tapsOn(item.left) + tapsOn(item.right);
    case 'retest':
      return tapsOn(item.before) + tapsOn(item.after) + 1;
    case 'cluster':
      return Math.max(1, item.needs.length + (item.from?.atLeast ?? 0));
    default:
      return tapsOn(item);
  }
}

/** One to three: a number is stepped to, a hold is started and stopped, what is counted is counted. */
function tapsOn(scale: DraftScale): number {
  switch (scale.kind) {
    case 'measured':
      return 3;
    case 'hold':
      return 2;
    case 'count':
      return Math.max(1, scale.lower ?? 1);
    default:
      return 1;
  }
}

function wordsIn(text: string): number {
  return text.split(/\s+/).filter(Boolean).length;
}
