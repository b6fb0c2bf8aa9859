import { describe, expect, it } from 'vitest';
import type { Lesion } from './lesion.ts';
import { numberOf } from './patientNumber.ts';

const lesion = (structure: string, state: Lesion['state'], degree: Lesion['degree']): Lesion => ({
  structure,
  state,
  degree,
});

describe('a number that is read off the patient', () => {
  const gap = {
    item: 'gap',
    healthy: 12,
    tolerance: 1,
    half: 2,
    by: [
      { structure: 'subscapularis', state: 'ruptured', values: [5, 2, 0] },
      { structure: 'shoulder capsule', state: 'stiff', values: [8, 6, 4] },
    ],
  } as const;

  it('is the healthy one without a lesion that changes it', () => {
    expect(numberOf(gap, [])).toBe(12);
    expect(numberOf(gap, [lesion('supraspinatus', 'ruptured', 3)])).toBe(12);
  });

  it('follows the degree, and the lesion that takes it farthest', () => {
    expect(numberOf(gap, [lesion('subscapularis', 'ruptured', 2)])).toBe(2);
    const both = [lesion('shoulder capsule', 'stiff', 1), lesion('subscapularis', 'ruptured', 1)];
    expect(numberOf(gap, both)).toBe(5);
  });
});
