import type { ChecklistItem } from './checklist.ts';

/** Numbers as they were read on the very person who plays the patient, by the key of their item. */
export type PatientReadings = Readonly<Record<string, number>>;

/**
 * The items with the band of a measured one laid around what was read on this very person: people
 * who play patients differ from what a condition would make of anybody. Full marks within the
 * item's own tolerance of it, at least one step of the instrument; half marks as before.
 *
 * Worked value: a gap with band 2 to 2, tolerance 1 and a reading of 4 takes 3 to 5 in full.
 */
export function withReadings<Item extends ChecklistItem>(
  items: readonly Item[],
  readings: PatientReadings,
): Item[] {
  return items.map((item) => {
    const read = readings[item.key];
    if (read === undefined || item.kind !== 'measured') return item;
    const fullTolerance = Math.max(item.fullTolerance, item.step);
    const halfTolerance = Math.max(item.halfTolerance, fullTolerance);
    return {
      ...item,
      lower: read,
      upper: read,
      fullTolerance,
      halfTolerance,
      minimum: Math.min(item.minimum, read),
      maximum: Math.max(item.maximum, read),
    };
  });
}
