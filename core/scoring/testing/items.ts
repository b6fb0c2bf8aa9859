import type { Mark, MarkValue } from '../mark.ts';

/** What every item of a test has alike: one plain act that is seen. Its key and kind are its own. */
export const itemBase = {
  text: 'An act',
  domain: 'technique',
  weight: 1,
  observability: 'seen',
  criticality: 'none',
  safety: false,
  saidEarns: false,
} as const;

/** A mark that was observed, done with the hands and without a prompt, unless said otherwise. */
export function markOn(item: string, value: MarkValue, more: Partial<Mark> = {}): Mark {
  return {
    item,
    value,
    observation: 'observed',
    manner: 'done',
    prompted: false,
    at: 0,
    ...more,
  };
}
