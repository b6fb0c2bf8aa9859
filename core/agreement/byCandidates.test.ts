import { describe, expect, it } from 'vitest';
import { seededChance } from '../numerics/random.ts';
import { everyCoefficientByCandidates } from './byCandidates.ts';
import { cohenKappa } from './cohenKappa.ts';
import { crossTable } from './crossTable.ts';
import { COEFFICIENTS, everyCoefficient, usualKappa } from './everyCoefficient.ts';
import { tally } from './tally.ts';

interface Marked {
  readonly candidate: number;
  readonly marks: readonly (number | null)[];
}
const of = (subjects: readonly Marked[], raters: number) =>
  everyCoefficientByCandidates(
    tally({ raters, marks: subjects.map(({ marks }) => marks) }, [0, 1]),
    subjects.map(({ candidate }) => candidate),
    { level: 'nominal' },
  );

const chance = seededChance(7);
const singles: Marked[] = Array.from({ length: 40 }, (_, candidate) => {
  const first = chance.uniform() < 0.6 ? 1 : 0;
  return { candidate, marks: [first, chance.uniform() < 0.8 ? first : 1 - first] };
});
const twelveEach = singles.flatMap((one) => Array.from({ length: 12 }, () => ({ ...one })));

describe('coefficients over all items of a station', () => {
  it('are Cohen’s kappa where two examiners gave every candidate one mark', () => {
    const own = of(singles, 2);
    const plain = cohenKappa(crossTable(singles.map((p) => [p.marks[0], p.marks[1]] as never)));
    expect(usualKappa(own).estimate).toBeCloseTo(plain.estimate ?? NaN, 12);
    expect(own.cohenKappa?.standardError).toBeCloseTo(
      (plain.standardError ?? NaN) * Math.sqrt(40 / 39),
      12,
    );
  });

  it('learn nothing from twelve marks of a candidate that are one and the same', () => {
    const one = of(singles, 2);
    const twelve = of(twelveEach, 2);
    for (const name of COEFFICIENTS) {
      // Krippendorff's alpha and what is found by differences know how many marks there are.
      const digits = name === 'krippendorffAlpha' ? 1 : 6;
      expect(twelve[name]?.estimate, name).toBeCloseTo(one[name]?.estimate ?? NaN, digits);
      expect(twelve[name]?.standardError, name).toBeCloseTo(
        one[name]?.standardError ?? NaN,
        digits === 1 ? 2 : 6,
      );
      expect(twelve[name]?.n, name).toBe(40);
    }
    // Taken as 480 independent pairs the error would be less than a third of it.
    const naive = everyCoefficient(
      tally({ raters: 2, marks: twelveEach.map(({ marks }) => marks) }, [0, 1]),
      { level: 'nominal', seed: 1, resamples: 0 },
    );
    expect(naive.congerKappa.standardError).toBeLessThan(
      0.3 * (twelve.congerKappa.standardError ?? 0),
    );
  });

  it('have the error of leaving one candidate’s marks out, with two examiners and with three', () => {
    // The jackknife over candidates (Efron & Tibshirani 1993, chapter 11), from the estimates alone.
    for (const raters of [2, 3]) {
      const subjects = Array.from({ length: 180 }, (_, i): Marked => {
        const candidate = i % 30;
        const truth = chance.uniform() < 0.4 + 0.01 * candidate ? 1 : 0;
        const seen = () => (chance.uniform() < 0.8 ? truth : 1 - truth);
        // Of three, the first two share the candidates between them, and the third sees them all.
        const marks =
          raters === 2
            ? [seen(), seen()]
            : candidate < 15
              ? [seen(), null, seen()]
              : [null, seen(), seen()];
        return { candidate, marks };
      });
      const whole = of(subjects, raters);
      const without = Array.from({ length: 30 }, (_, c) =>
        of(
          subjects.filter(({ candidate }) => candidate !== c),
          raters,
        ),
      );
      for (const name of COEFFICIENTS) {
        if (name === 'cohenKappa' && raters === 3) {
          expect(whole.cohenKappa).toBeNull();
          continue;
        }
        const values = without.map((own) => own[name]?.estimate ?? NaN);
        const mean = values.reduce((a, b) => a + b, 0) / 30;
        const jackknife = Math.sqrt((29 / 30) * values.reduce((s, x) => s + (x - mean) ** 2, 0));
        const { estimate, lower, upper, standardError, notes, n } = whole[name] ?? fail(name);
        expect((standardError ?? NaN) / jackknife, `${name}, ${raters}`).toBeCloseTo(1, 1);
        expect(lower, name).toBeLessThan(estimate ?? NaN);
        expect(upper, name).toBeGreaterThan(estimate ?? NaN);
        expect([notes, n]).toEqual([[], 30]);
      }
    }
  });

  it('have no interval where all agree, and no number without candidates, and say so', () => {
    const agreed = singles.map(({ candidate, marks }) => ({
      candidate,
      marks: [marks[0] ?? 0, marks[0] ?? 0],
    }));
    const { percentAgreement, congerKappa } = of(agreed, 2);
    expect([percentAgreement.estimate, percentAgreement.lower]).toEqual([1, null]);
    expect(percentAgreement.notes).toHaveLength(1);
    expect(congerKappa.notes[0]).toMatch(/agreed on all 40/);
    const none = of([], 2);
    expect(none.congerKappa.estimate).toBeNull();
    expect(none.congerKappa.notes[0]).toMatch(/No subject was marked by two/);
  });

  it('give the share of agreement the error of the mean of the candidates’ shares', () => {
    const shares = [1, 0.5, 0.5, 1, 0.75, 1];
    const subjects = shares.flatMap((share, candidate) =>
      Array.from({ length: 4 }, (_, i) => ({ candidate, marks: [1, i < 4 * share ? 1 : 0] })),
    );
    const { percentAgreement } = of(subjects, 2);
    // The mean of six shares and its error, by hand: SD .2458 of six values over root 6.
    expect(percentAgreement.estimate).toBeCloseTo(4.75 / 6, 12);
    expect(percentAgreement.standardError).toBeCloseTo(0.1003, 3);
  });
});

function fail(name: string): never {
  throw new Error(`No ${name}`);
}
