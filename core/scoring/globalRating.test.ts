import { describe, expect, it } from 'vitest';
import { borderlinePoint, FIVE_POINT_SCALE } from './globalRating.ts';

describe('the scale of the overall grade', () => {
  it('runs from clear fail to excellent, the two in the middle borderline', () => {
    expect(FIVE_POINT_SCALE.map(({ grade }) => grade)).toEqual([1, 2, 3, 4, 5]);
    expect(FIVE_POINT_SCALE.map(({ borderline }) => borderline)).toEqual([
      false,
      true,
      true,
      false,
      false,
    ]);
  });

  // Borderline regression reads its cut where the borderline grades are: McKinley & Norcini (2014),
  // AMEE Guide 85, from memory, for one grade; the middle of two is common practice.
  it('is read in the middle of its borderline grades, and nowhere without one', () => {
    expect(borderlinePoint(FIVE_POINT_SCALE)).toBe(2.5);
    expect(borderlinePoint(FIVE_POINT_SCALE.filter(({ grade }) => grade !== 2))).toBe(3);
    expect(borderlinePoint(FIVE_POINT_SCALE.filter(({ borderline }) => !borderline))).toBeNull();
  });
});
