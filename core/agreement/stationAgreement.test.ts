import { describe, expect, it } from 'vitest';
import { seededChance } from '../numerics/random.ts';
import { intraclass } from '../reliability/intraclass.ts';
import type { ChecklistItem } from '../scoring/checklist.ts';
import { itemBase } from '../scoring/testing/items.ts';
import { blandAltman } from './blandAltman.ts';
import { cohenKappa } from './cohenKappa.ts';
import { crossTable } from './crossTable.ts';
import { usualKappa } from './everyCoefficient.ts';
import { stationAgreement, techniqueAgreement } from './stationAgreement.ts';
import { ratedSheet } from './testing/ratedSheets.ts';
import { weightsOfScale } from './weights.ts';

const items: ChecklistItem[] = [
  { ...itemBase, key: 'holds', kind: 'done', weight: 2 },
  {
    ...itemBase,
    key: 'smooth',
    kind: 'graded',
    anchors: ['a', 'b', 'c', 'd'],
    domain: 'positioning',
  },
  {
    ...itemBase,
    key: 'angle',
    kind: 'measured',
    observability: 'felt',
    unit: '°',
    lower: 20,
    upper: 30,
    fullTolerance: 0,
    halfTolerance: 5,
    step: 1,
    minimum: 0,
    maximum: 90,
  },
  {
    ...itemBase,
    key: 'result',
    kind: 'choice',
    answer: 'positive',
    options: [
      { key: 'negative', label: 'Negative', call: 0 },
      { key: 'positive', label: 'Positive', call: 1 },
    ],
  },
];

/** Marks of one candidate by one examiner, in the order of the items. */
interface Marks {
  readonly holds: number;
  readonly smooth: number;
  readonly angle: number;
  readonly result: 'negative' | 'positive';
}
const filled = (candidate: number, examiner: string, marks: Marks, variants = '{}') => {
  const inBand = marks.angle >= 20 && marks.angle <= 30 ? 1 : 0;
  const shares = [marks.holds, marks.smooth / 3, inBand, marks.result === 'positive' ? 1 : 0];
  return ratedSheet(
    candidate,
    examiner,
    [String(marks.holds), String(marks.smooth), String(inBand), marks.result],
    shares,
    {
      variants,
      values: { 2: marks.angle },
      percent: (100 * (2 * marks.holds + marks.smooth / 3 + inBand + (shares[3] ?? 0))) / 5,
    },
  );
};

const chance = seededChance(3);
const pick = (candidate: number): Marks => ({
  holds: chance.below(2),
  smooth: chance.below(4),
  angle: 15 + chance.below(20),
  result: candidate % 3 === 0 ? 'negative' : 'positive',
});
const slip = (marks: Marks): Marks => ({
  ...marks,
  smooth: Math.min(3, marks.smooth + chance.below(2)),
  angle: marks.angle + chance.below(5) - 2,
});
const seen = Array.from({ length: 24 }, (_, i) => {
  const first = pick(i);
  return { candidate: i + 1, first, second: slip(first) };
});
const fixed = seen.flatMap(({ candidate, first, second }) => [
  filled(candidate, 'A', first),
  filled(candidate, 'C', second),
]);
// The same with the first examiner changing half-way.
const changing = fixed.map((sheet) =>
  sheet.examiner === 'A' && sheet.candidate > 12 ? { ...sheet, examiner: 'B' } : sheet,
);

describe('a station that the same two have marked', () => {
  const found = stationAgreement(items, fixed);
  const item = (key: string) => found.items.find((one) => one.item === key) ?? never(key);

  it('compares a done item by Cohen’s kappa, of the table by hand', () => {
    const table = crossTable(
      seen.map((s) => [s.first.holds, s.second.holds] as const),
      [0, 1],
    );
    const plain = cohenKappa(table);
    expect(usualKappa(item('holds').coefficients).estimate).toBe(plain.estimate);
    expect(item('holds').examiners).toBe(2);
  });

  it('compares grades with linear weights over the declared scale, used or not', () => {
    const table = crossTable(
      seen.map((s) => [s.first.smooth, s.second.smooth] as const),
      [0, 1, 2, 3],
    );
    const plain = cohenKappa(table, weightsOfScale([0, 1, 2, 3], 'linear'));
    const { cohenKappa: own, congerKappa } = item('smooth').coefficients;
    expect(own?.estimate).toBeCloseTo(plain.estimate ?? NaN, 12);
    expect(own?.lower).toBeCloseTo(plain.lower ?? NaN, 12);
    expect(congerKappa.estimate).toBeCloseTo(plain.estimate ?? NaN, 12);
  });

  it('compares readings by their limits of agreement', () => {
    const plain = blandAltman(
      seen.map((s) => s.first.angle),
      seen.map((s) => s.second.angle),
    );
    expect(item('angle').measured?.pairs).toEqual([
      { first: 'A', second: 'C', n: 24, limits: plain },
    ]);
    expect(item('angle').measured?.unit).toBe('°');
    expect(item('holds').measured).toBeNull();
  });

  it('keeps what was declared apart from technique', () => {
    expect(found.technique.marks).toBe(3 * 24);
    expect(found.declared?.marks).toBe(24);
    expect(techniqueAgreement(items, fixed)).toEqual(found.technique);
    expect(found.declared?.coefficients.percentAgreement.estimate).toBe(1);
    expect(found.byDomain.map(({ name, marks }) => [name, marks])).toEqual([
      ['technique', 48],
      ['positioning', 24],
    ]);
    expect(found.byObservability.map(({ name }) => name)).toEqual(['seen', 'felt']);
  });

  it('compares scores by ICC(2,1) with the interval that holds', () => {
    const rows = seen.map(({ candidate }) =>
      fixed.filter((s) => s.candidate === candidate).map((s) => s.percent),
    );
    const { forms, semAgreement, mdc95 } = intraclass(rows);
    expect(found.scores).toMatchObject({
      candidates: 24,
      estimate: forms.ICC21.estimate,
      lower: forms.ICC21.lower,
      sem: semAgreement,
      smallestRealChange: mdc95,
    });
    expect(found.scores.notes.join()).not.toMatch(/McGraw/);
  });

  it('sorts out which item makes the disagreement: weight times distance, summing to 1', () => {
    const distance = (of: (m: Marks) => number) =>
      seen.reduce((sum, s) => sum + Math.abs(of(s.first) - of(s.second)), 0);
    const inBand = ({ angle }: Marks) => (angle >= 20 && angle <= 30 ? 1 : 0);
    const amounts = [0, distance((m) => m.smooth / 3), distance(inBand), 0];
    const all = amounts.reduce((a, b) => a + b, 0);
    for (const [i, amount] of amounts.entries()) {
      expect(found.items[i]?.share).toBeCloseTo(amount / all, 12);
    }
  });
});

describe('a station at which the first examiner changed', () => {
  const found = stationAgreement(items, changing);

  it('gives Conger’s kappa over the candidates, and the pairs by name behind it', () => {
    const smooth = found.items[1];
    expect(smooth?.examiners).toBe(3);
    expect(smooth?.coefficients.cohenKappa).toBeNull();
    expect(smooth && usualKappa(smooth.coefficients)).toBe(smooth?.coefficients.congerKappa);
    expect(found.pairs.map(({ first, second, candidates }) => [first, second, candidates])).toEqual(
      [
        ['A', 'C', 12],
        ['B', 'C', 12],
      ],
    );
    for (const pair of found.pairs) expect(pair.agreement.coefficients.cohenKappa).not.toBeNull();
    expect(found.items[2]?.measured?.pairs.map(({ n }) => n)).toEqual([12, 12]);
  });

  it('agrees as often as before: who is called first changes nothing', () => {
    const before = stationAgreement(items, fixed);
    for (const [i, { coefficients }] of found.items.entries()) {
      expect(coefficients.percentAgreement.estimate).toBeCloseTo(
        before.items[i]?.coefficients.percentAgreement.estimate ?? NaN,
        12,
      );
      expect(coefficients.gwetAC.estimate ?? null).toEqual(
        before.items[i]?.coefficients.gwetAC.estimate ?? null,
      );
    }
    expect(found.items[2]?.measured?.within).toEqual(before.items[2]?.measured?.within);
  });

  it('uses a third examiner of a candidate too', () => {
    const third = [...changing, filled(1, 'D', seen[0]?.first ?? never('first'))];
    const more = stationAgreement(items, third);
    expect(more.pairs.map(({ first, second }) => `${first}${second}`)).toContain('CD');
    expect(more.candidates).toBe(24);
  });
});

describe('variants', () => {
  it('are compared apart, and those recorded differently under no name', () => {
    const school = (sheet: (typeof fixed)[number]) => {
      const straight = sheet.candidate <= 8 || (sheet.candidate <= 16 && sheet.examiner === 'C');
      return { ...sheet, variants: straight ? '{"p":"straight"}' : '{"p":"bent"}' };
    };
    const found = stationAgreement(items, fixed.map(school));
    expect(found.variantsDiffer).toBe(8);
    expect(found.byVariant.map(({ name, candidates }) => [name, candidates])).toEqual([
      ['{"p":"straight"}', 8],
      ['', 8],
      ['{"p":"bent"}', 8],
    ]);
  });

  it('and anything else with fewer than five candidates have no coefficient', () => {
    const few = stationAgreement(items, fixed.slice(0, 8));
    expect(few.byDomain[0]).toMatchObject({ candidates: 4, agreement: null });
    expect(few.items[0]?.dispute.kind).toBe('too few');
  });
});

describe('a station without a second examiner', () => {
  it('has no number, and says why in words', () => {
    const found = stationAgreement(
      items,
      fixed.filter(({ examiner }) => examiner === 'A'),
    );
    expect(found.candidates).toBe(0);
    expect(found.pairs).toEqual([]);
    expect(found.technique.coefficients.congerKappa).toMatchObject({ estimate: null, lower: null });
    expect(found.technique.coefficients.congerKappa.notes[0]).toMatch(/two raters/);
    expect(found.scores.estimate).toBeNull();
    expect(found.scores.notes[0]).toMatch(/Fewer than two/);
    expect(JSON.stringify(found)).not.toMatch(/NaN/);
  });

  it('and one where all marks are equal have no kappa made up', () => {
    const equal = { holds: 1, smooth: 3, angle: 25, result: 'positive' } as const;
    const sheets = seen.flatMap(({ candidate }) => [
      filled(candidate, 'A', equal),
      filled(candidate, 'C', equal),
    ]);
    const { technique, scores, items: all } = stationAgreement(items, sheets);
    expect(usualKappa(technique.coefficients).estimate).toBeNull();
    expect(technique.coefficients.percentAgreement.estimate).toBe(1);
    expect(scores.notes[0]).toMatch(/All marks are equal/);
    expect(all.map(({ share }) => share)).toEqual([0, 0, 0, 0]);
  });
});

function never(what: string): never {
  throw new Error(`No ${what}`);
}
