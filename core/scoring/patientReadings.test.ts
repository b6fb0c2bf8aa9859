import { describe, expect, it } from 'vitest';
import type { ChecklistItem } from './checklist.ts';
import { earnedShare } from './mark.ts';
import { withReadings } from './patientReadings.ts';
import { itemBase } from './testing/items.ts';

const gap: ChecklistItem = {
  ...itemBase,
  key: 'gap',
  text: 'Gap read',
  kind: 'measured',
  unit: 'cm',
  lower: 2,
  upper: 2,
  fullTolerance: 1,
  halfTolerance: 2,
  step: 0.5,
  minimum: 0,
  maximum: 20,
};
const done: ChecklistItem = { ...itemBase, key: 'done', text: 'Does it', kind: 'done' };
const share = (items: readonly ChecklistItem[], value: number) =>
  earnedShare(items[0] as ChecklistItem, {
    item: 'gap',
    value,
    observation: 'observed',
    manner: 'done',
    prompted: false,
    at: 0,
  });

describe('a reading taken on this very person', () => {
  it('takes the place of the derived number', () => {
    const read = withReadings([gap, done], { gap: 4 });
    expect([2, 3, 4, 5, 6, 7].map((value) => share(read, value))).toEqual([0.5, 1, 1, 1, 0.5, 0]);
    expect(share([gap], 4)).toBe(0.5);
  });

  it('changes no other item, and nothing where nothing was read', () => {
    expect(withReadings([gap, done], {})).toEqual([gap, done]);
    expect(withReadings([gap, done], { done: 1 })[1]).toBe(done);
  });

  it('lets a value be meant that was read outside the item’s own range, and narrows none', () => {
    const range = (read: number) => {
      const [item] = withReadings([gap], { gap: read });
      return item?.kind === 'measured' ? [item.minimum, item.maximum] : [];
    };
    expect(range(4)).toEqual([0, 20]);
    expect(range(-3)).toEqual([-3, 20]);
    expect(range(26)).toEqual([0, 26]);
  });

  it('allows a step of the instrument where the item allowed none', () => {
    const strict = { ...gap, fullTolerance: 0, halfTolerance: 0 };
    expect(share(withReadings([strict], { gap: 4 }), 4.5)).toBe(1);
  });
});
