import { clusterShare } from './clusterAnswer.ts';
import type { ChecklistItem, Scale } from './checklist.ts';

export const MANNERS = ['done', 'said-only', 'mimed'] as const;
/** How the act was performed: with the hands, announced only, or pretended. */
export type Manner = (typeof MANNERS)[number];

export const OBSERVATIONS = ['observed', 'not-observed', 'not-applicable'] as const;
/** Not observed is not "not done"; not applicable by rule leaves numerator and denominator. */
export type Observation = (typeof OBSERVATIONS)[number];

/**
 * One value on a scale: 0 or 1 (done), 0..k (graded), a number in the unit (measured), how often
 * (count), seconds (hold), an option's key (choice); `null` where there is none.
 */
export type Value = number | string | null;

/** What was marked on both sides. */
export interface SidesValue {
  readonly left: Value;
  readonly right: Value;
}

/** What was marked before and after, and the settings that were changed between. */
export interface RetestValue {
  readonly before: Value;
  readonly after: Value;
  readonly changed: readonly string[];
}

/** What a mark can hold: one value, a pair of them, or the findings that were named. */
export type MarkValue = Value | SidesValue | RetestValue | readonly string[];

/** One examiner's record of one item. */
export interface Mark {
  readonly item: string;
  readonly value: MarkValue;
  readonly observation: Observation;
  readonly manner: Manner;
  readonly prompted: boolean;
  /** Milliseconds since the epoch at the examiner's device, for order rules. */
  readonly at: number;
  /** The attempt that it is of, from 1; the first unless said. */
  readonly attempt?: number;
}

/**
 * The share of an item's weight that a mark earns, in [0, 1]; `null` where nothing was observed.
 *
 * Mimed earns nothing; said only earns where the item says so; a graded item done right only
 * after a prompt earns at most one grade below the top (common practice, no source).
 * Worked value: grade 1 of 0..2 earns 0.5.
 */
export function earnedShare(item: ChecklistItem, mark: Mark): number | null {
  if (mark.observation !== 'observed' || mark.value === null) return null;
  if (mark.manner === 'mimed' || (mark.manner === 'said-only' && !item.saidEarns)) return 0;
  const { value, prompted } = mark;
  switch (item.kind) {
    case 'sides': {
      const { left, right } = value as SidesValue;
      return (onScale(item.left, left, prompted) + onScale(item.right, right, prompted)) / 2;
    }
    case 'retest': {
      const { before, after, changed } = value as RetestValue;
      const comparable = changed.length === 0;
      const again = comparable ? onScale(item.after, after, prompted) : 0;
      return (onScale(item.before, before, prompted) + again) / 2;
    }
    case 'cluster':
      return clusterShare(item, new Set(value as readonly string[]));
    default:
      return onScale(item, value as Value, prompted);
  }
}

/** What one value earns on its scale; a side or a repetition that was left out earns nothing. */
function onScale(scale: Scale, value: Value, prompted: boolean): number {
  if (value === null) return 0;
  switch (scale.kind) {
    case 'done':
      return value === 1 ? 1 : 0;
    case 'graded': {
      const top = scale.anchors.length - 1;
      const ceiling = prompted ? top - 1 : top;
      return Math.min(Number(value), ceiling) / top;
    }
    case 'measured':
      return bandShare(scale, scale.fullTolerance, Number(value));
    case 'count':
    case 'hold':
      return bandShare(scale, 0, Number(value));
    case 'choice':
      if (value === scale.answer) return 1;
      return scale.partly?.includes(String(value)) ? 0.5 : 0;
  }
}

/** Full marks inside the band and its tolerance, half marks inside the wider one, else none. */
function bandShare(
  band: { readonly lower: number; readonly upper: number; readonly halfTolerance: number },
  fullTolerance: number,
  value: number,
): number {
  const distance = distanceToBand(value, band.lower, band.upper);
  if (distance <= fullTolerance) return 1;
  return distance <= band.halfTolerance ? 0.5 : 0;
}

/** How far a value lies outside [lower, upper], in the unit of the value; 0 inside. */
export function distanceToBand(value: number, lower: number, upper: number): number {
  // Rounded, so that 0.3 - 0.1 is not held to be over a tolerance of 0.2.
  const distance = Math.max(lower - value, value - upper, 0);
  return Math.round(distance * 1e9) / 1e9;
}

/**
 * Whether a choice went beyond the key or stopped short of it. Where the choice or the key is that
 * the trial was void, there is no over or under between them: *void*. Another option that stands
 * at the same place of the order is neither: `null`, as where there is no call at all.
 */
export function callOf(
  item: ChecklistItem,
  mark: Mark,
): 'right' | 'over' | 'under' | 'void' | null {
  if (item.kind !== 'choice' || mark.observation !== 'observed' || mark.value === null) return null;
  const chosen = item.options.find((o) => o.key === mark.value);
  const key = item.options.find((o) => o.key === item.answer);
  if (!chosen || !key) return null;
  if (chosen.key === key.key) return 'right';
  if (chosen.call === null || key.call === null) return 'void';
  if (chosen.call === key.call) return null;
  return chosen.call > key.call ? 'over' : 'under';
}
