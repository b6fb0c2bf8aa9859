import { describe, expect, it } from 'vitest';
import { borderlineGroup } from './borderlineGroup.ts';
import { cutBy, everyMethod, STATION_METHODS } from './stationMethods.ts';

const settings = { borderline: 2.5, fixedPercent: 60, sds: 1 };
const marks = { scores: [30, 45, 60, 75, 90], grades: [1, 2, 3, 4, 5] };

describe('the cut of a station by every method', () => {
  it('is that of each method’s own worked value', () => {
    const cut = (method: (typeof STATION_METHODS)[number]) =>
      cutBy(method, marks, settings).estimate;
    expect(cut('borderline-regression')).toBeCloseTo(52.5, 9);
    // Grades 2 and 3 lie within half a grade of 2.5: (45 + 60) / 2, which is the median too.
    expect(cut('borderline-group')).toBeCloseTo(52.5, 9);
    expect(cut('borderline-median')).toBeCloseTo(52.5, 9);
    // 30, 45 against 60, 75, 90: nobody is misplaced by any cut above 45 and up to 60.
    expect(cut('contrasting-least')).toBeGreaterThan(45);
    expect(cut('contrasting-least')).toBeLessThanOrEqual(60);
    // The 95th percentile of five scores, type 7, is 90 - .2 x 15 = 87, the 90th 84.
    expect(cut('cohen')).toBeCloseTo(0.6 * 87, 9);
    expect(cut('cohen-modified')).toBeCloseTo(0.65 * 84, 9);
    expect(cut('mean-minus-sd')).toBeCloseTo(60 - Math.sqrt(562.5), 9);
    expect(cut('fixed-percent')).toBe(60);
  });

  it('parts the groups where normal curves of equal spread cross: half-way between their means', () => {
    const apart = {
      scores: [30, 45, 55, 45, 55, 70],
      grades: [1, 1, 2, 4, 4, 5],
    };
    expect(cutBy('contrasting-normal', apart, settings).estimate).toBeCloseTo(50, 9);
    expect(cutBy('contrasting-logistic', apart, settings).estimate).toBeCloseTo(50, 4);
  });

  it('is said for all of them, and why where there is none', () => {
    const all = everyMethod(marks, settings);
    expect(all.map((one) => one.method)).toEqual([...STATION_METHODS]);
    expect(all[1]?.cut).toEqual(borderlineGroup(marks.scores, marks.grades, 2.5).mean);
    const alike = everyMethod({ scores: [50, 60], grades: [4, 4] }, settings);
    for (const { method, cut } of alike) {
      if (cut.estimate === null) expect(cut.notes[0]).toMatch(/\w+ \w+/);
      else expect(['cohen', 'cohen-modified', 'mean-minus-sd', 'fixed-percent']).toContain(method);
    }
    expect(everyMethod({ scores: [], grades: [] }, settings).at(-1)?.cut.estimate).toBe(60);
  });

  it('leaves who is graded on the borderline point in neither group', () => {
    const on = { scores: [30, 40, 99, 60, 70], grades: [2, 2, 2.5, 3, 3] };
    expect(cutBy('contrasting-least', on, settings).n).toBe(4);
  });
});
