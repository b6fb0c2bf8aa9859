import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { beuk } from './beuk.ts';

const scores = Array.from({ length: 100 }, (_, i) => i + 1);
const answers = [
  { cut: 50, passRate: 0.4 },
  { cut: 60, passRate: 0.6 },
];

describe('Beuk’s compromise', () => {
  it('is where the judges’ line meets the curve, by hand', () => {
    // Slope (.2 / root 2) / (10 / root 2) = .02 through (55, .5): .5 + .02 (x - 55). Of the scores
    // 1..100 a share of (101 - x) / 100 reaches x. Equal at x = 1.61 / .03 = 53.67, between two
    // steps of the curve: at 53 still 48 pass and the line asks for .46, past 53 it is 47 of .46,
    // past 53.5 the line asks for more than .47.
    expect(beuk(scores, answers).estimate).toBeCloseTo(53.5, 6);
    expect(beuk(scores, answers).notes).toEqual([]);
  });

  it('lets the answer give way on which the judges differ', () => {
    const surePass = [
      { cut: 40, passRate: 0.6 },
      { cut: 70, passRate: 0.61 },
    ];
    const sureCut = [
      { cut: 54, passRate: 0.3 },
      { cut: 56, passRate: 0.9 },
    ];
    const passed = (cut: number | null) => scores.filter((s) => s >= (cut ?? NaN)).length / 100;
    expect(passed(beuk(scores, surePass).estimate)).toBeCloseTo(0.6, 1);
    expect(Math.abs((beuk(scores, sureCut).estimate ?? 0) - 55)).toBeLessThan(1);
    const same = [
      { cut: 55, passRate: 0.3 },
      { cut: 55, passRate: 0.9 },
    ];
    expect(beuk(scores, same).estimate).toBe(55);
  });

  it('says why there is none', () => {
    const one = beuk(scores, [{ cut: 55, passRate: 0.5 }]);
    expect(one.notes[0]).toMatch(/needs two/);
    const twins = beuk(
      scores,
      [answers[0], answers[0]].flatMap((a) => (a ? [a] : [])),
    );
    expect(twins.notes[0]).toMatch(/which of the two should give way/);
    expect(beuk([], answers).notes[0]).toMatch(/no score/);
    expect(() => beuk(scores, [{ cut: 55, passRate: 60 }])).toThrow(/between 0 and 1, not at 60/);
    expect(() => beuk(scores, [{ cut: 155, passRate: 0.6 }])).toThrow(/scale from 0 to 100/);
  });

  it('says which way a line misses the curve, and takes a cut at either end of the scale', () => {
    // Everybody scores 90 or more, and both judges put the cut near 60 with few passes: at every
    // score up to 100 more reach it than their line allows.
    const all = Array.from({ length: 20 }, () => 100);
    const more = beuk(all, [
      { cut: 58, passRate: 0.2 },
      { cut: 62, passRate: 0.21 },
    ]);
    expect(more).toMatchObject({ estimate: null });
    expect(more.notes[0]).toMatch(/At every score more candidates pass/);
    const few = beuk(
      Array.from({ length: 20 }, () => 0),
      [
        { cut: 20, passRate: 0.9 },
        { cut: 99, passRate: 0.91 },
      ],
      [1, 100],
    );
    expect(few.notes[0]).toMatch(/At every score fewer candidates pass/);
    const ends = beuk(scores, [
      { cut: 0, passRate: 0.2 },
      { cut: 100, passRate: 0.8 },
    ]);
    // Slope .6 / 100 through (50, .5): .2 + .006 x meets (101 - x) / 100 near 50.
    expect(Math.abs((ends.estimate ?? 0) - 50.6)).toBeLessThan(1);
    expect(() => beuk(scores, [{ cut: -1, passRate: 0.5 }])).toThrow(/scale from 0 to 100/);
  });

  it('crosses between its two sides wherever it crosses', () => {
    const answer = fc.record({
      cut: fc.integer({ min: 1, max: 99 }),
      passRate: fc.double({ min: 0.05, max: 0.95, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 5, maxLength: 80 }),
        fc.array(answer, { minLength: 2, maxLength: 8 }),
        (own, judges) => {
          const { estimate, notes } = beuk(own, judges);
          if (estimate === null) expect(notes[0]).toMatch(/\w+ \w+/);
          else {
            expect(estimate).toBeGreaterThanOrEqual(0);
            expect(estimate).toBeLessThanOrEqual(100);
          }
        },
      ),
    );
  });
});
