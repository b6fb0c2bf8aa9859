import { describe, expect, it } from 'vitest';
import { seededChance } from '../numerics/random.ts';
import { mean, standardDeviation } from '../numerics/summary.ts';
import { dStudy } from '../reliability/dStudy.ts';
import { intraclass } from '../reliability/intraclass.ts';
import type { ExaminedScore } from '../reliability/examinerEffects.ts';
import type { ChecklistContent, ChecklistItem } from '../scoring/checklist.ts';
import { setStandard } from '../standards/setStandard.ts';
import { USUAL_ASSUMPTIONS, wrongAssumptions } from './assumptions.ts';
import type { Assumptions } from './assumptions.ts';
import { itemSpread } from './earlierMarks.ts';
import { fromLastCohort } from './fromLastCohort.ts';
import { playSheets, prepare } from './performance.ts';
import { optionsOf } from './rehearsedItem.ts';
import { rehearsals } from './rehearse.ts';
import type { RehearsedPlan } from './plan.ts';
import { sayRehearsal } from './sayRehearsal.ts';
import { summarise } from './summary.ts';

const base = {
  text: 'Does it',
  domain: 'technique',
  weight: 1,
  observability: 'seen',
  criticality: 'none',
  safety: false,
  saidEarns: false,
} as const;
const items: ChecklistItem[] = Array.from({ length: 20 }, (_, i) =>
  i % 2
    ? { ...base, key: `i${i}`, kind: 'done' }
    : { ...base, key: `i${i}`, kind: 'graded', anchors: ['none', 'half', 'all'] },
);
const content: ChecklistContent = {
  format: 2,
  procedures: [
    {
      procedure: 'p',
      title: 'P',
      variants: [{ key: 'v', label: 'V', description: 'one way' }],
      usualVariant: 'v',
    },
  ],
  items,
  faults: [],
  order: [],
  branches: [],
  attempts: { allowed: 1, counts: 'last' },
  simulatedPatient: 'sound',
  task: 'test it',
  cautions: ['none'],
  stopRule: 'stop',
};

/** Stations by candidates, an examiner a station and circuit, every fourth sheet marked twice. */
function planOf(stations: number, candidates: number): RehearsedPlan {
  const sheets = Array.from({ length: stations * candidates }, (_, i) => {
    const [candidate, station] = [Math.floor(i / stations), i % stations];
    const circuit = candidate % 2;
    return { candidate, station, circuit, examiner: circuit * stations + station };
  });
  const seconds = sheets
    .filter((_, i) => i % 4 === 0)
    .map((sheet) => ({ ...sheet, examiner: (sheet.examiner + 1) % (2 * stations) }));
  return {
    stations: Array.from({ length: stations }, (_, s) => ({
      id: `s${s}`,
      content,
      mean: 65,
      carries: 1,
      facilities: {},
    })),
    candidates,
    examiners: 2 * stations,
    sheets: [...sheets, ...seconds],
    settings: {
      method: 'borderline-regression',
      methods: {},
      fixedPercent: 60,
      sds: 1,
      borderline: 2.5,
      rule: {
        semMultiplier: 0,
        fewestStationsPassed: 0,
        criticalBy: 'all',
        criticalFailureFails: true,
      },
      handCuts: {},
    },
  };
}
const SMOOTH: Assumptions = {
  ability: 7,
  performance: 8,
  severity: 3,
  seeing: 3,
  slips: 0,
  grading: 0.4,
  difficulty: 1,
  mean: 72,
};
const play = (plan: RehearsedPlan, assumptions: Assumptions, seed: number, count: number) => [
  ...rehearsals(plan, assumptions, seed, { from: 0, count }),
];

/**
 * An examination that is generated without checklists: scores straight from the model, a grade for
 * each, and the standard set on them.
 */
function generated(plan: RehearsedPlan, seed: number) {
  const chance = seededChance(seed);
  const draw = (count: number, sd: number) =>
    Array.from({ length: count }, () => sd * chance.normal());
  const ability = draw(plan.candidates, SMOOTH.ability);
  const severity = draw(plan.examiners, SMOOTH.severity);
  const performed = plan.stations.map(() => draw(plan.candidates, SMOOTH.performance));
  const seen = plan.sheets.map((sheet) => {
    const { candidate, station, examiner } = sheet;
    const own = 65 + (ability[candidate] ?? 0) + (performed[station]?.[candidate] ?? 0);
    const score = own - (severity[examiner] ?? 0) + SMOOTH.seeing * chance.normal();
    const percent = Math.min(100, Math.max(0, score));
    // From 40 % to 95 % lie the five grades, as a rehearsal has them.
    const felt = 1 + (4 * (score - 40)) / 55 + SMOOTH.grading * chance.normal();
    return { ...sheet, percent, grade: Math.min(5, Math.max(1, Math.round(felt))) };
  });
  const at = (station: number, candidate: number) =>
    seen.filter((own) => own.station === station && own.candidate === candidate);
  const candidates = Array.from({ length: plan.candidates }, (_, c) => c);
  const data = plan.stations.map(({ id }, s) => ({
    station: id,
    records: candidates.map((c) => ({
      candidate: String(c),
      percent: mean(at(s, c).map(({ percent }) => percent)) as number,
      grade: mean(at(s, c).map(({ grade }) => grade)) as number,
      critical: [],
    })),
  }));
  const { examCut } = setStandard(data, candidates.map(String), plan.settings);
  const pairs = plan.stations.flatMap((_, s) =>
    candidates.flatMap((c) => {
      const both = at(s, c).map(({ percent }) => percent);
      return both.length === 2 ? [both] : [];
    }),
  );
  return {
    cut: examCut && examCut.total / plan.stations.length,
    icc: intraclass(pairs).forms.ICC11.estimate,
  };
}

describe('rehearsals of a plan', () => {
  it('spread as examinations spread that are generated by the same assumptions, in other ways', () => {
    const plan = planOf(5, 40);
    const COUNT = 160;
    const rehearsed = play(plan, SMOOTH, 1, COUNT);
    const happened = Array.from({ length: COUNT }, (_, seed) => generated(plan, 1000 + seed));
    for (const [of, own] of [
      [(one: (typeof rehearsed)[number]) => one.cut, 'cut'],
      [(one: (typeof rehearsed)[number]) => one.icc?.estimate, 'icc'],
    ] as const) {
      const predictions = rehearsed.flatMap((one) => of(one) ?? []);
      const events = happened.flatMap((one) => one[own] ?? []);
      const [predicted, seen] = [predictions, events].map(standardDeviation) as [number, number];
      // The log of a ratio of two standard deviations has the Monte Carlo error 1 / sqrt(n - 1).
      expect(Math.abs(Math.log(predicted / seen)), own).toBeLessThan(3.3 / Math.sqrt(COUNT - 1));
      const apart = Math.abs((mean(predictions) as number) - (mean(events) as number));
      // Marks are whole, so that a score is known to a fortieth; that moves a mean by no more.
      const grain = own === 'cut' ? 0.6 : 0.01;
      expect(apart, own).toBeLessThan(3.3 * seen * Math.sqrt(2 / COUNT) + grain);
    }
  });

  // What was found wrong: neighbouring seeds gave candidates of nearly the same ability throughout,
  // so that a seed's figures lay several of their errors away from those over scattered seeds.
  it('come to the same at seeds 1 to 20 but for chance, as far as their stated errors say', () => {
    const plan = planOf(4, 24);
    const seeds = Array.from({ length: 20 }, (_, i) => i + 1);
    const played = seeds.map((seed) => play(plan, SMOOTH, seed, 40));
    for (const [of, what] of [
      [(one) => one.cut, 'cut'],
      [(one) => one.icc?.estimate ?? null, 'icc'],
      [(one) => one.passed, 'passed'],
      [(one) => one.kappa?.estimate ?? null, 'kappa'],
      [(one) => one.trust?.dependability ?? null, 'dependability'],
    ] as [(one: (typeof played)[number][number]) => number | null, string][]) {
      const all = played.map((own) => own.flatMap((one) => of(one) ?? []));
      const centre = mean(all.flat()) as number;
      const errors = all.map((own) => {
        const error = (standardDeviation(own) as number) / Math.sqrt(own.length);
        return ((mean(own) as number) - centre) / error;
      });
      // Chi-squared with 19 degrees of freedom: 43.8 is left above once in a thousand, 5.4 below.
      const chiSquared = errors.reduce((sum, error) => sum + error ** 2, 0);
      expect(chiSquared, what).toBeLessThan(43.8);
      expect(chiSquared, what).toBeGreaterThan(5.4);
      expect(Math.max(...errors.map(Math.abs)), what).toBeLessThan(4);
    }
  });

  it('are as dependable as the assumed components say by the formula (Brennan 2001, 4.10 to 4.17)', () => {
    const { ability, performance, severity, seeing } = SMOOTH;
    const components = {
      candidate: ability ** 2,
      station: 0,
      'candidate:station': performance ** 2,
      residual: severity ** 2 + seeing ** 2,
    };
    const theory = dStudy(components, { station: 6, examiner: 1 });
    const { dependability, sem } = summarise(play(planOf(6, 80), SMOOTH, 3, 200));
    // Every seventh works components out; scores are rounded to whole marks, which adds a little error.
    expect(dependability?.n).toBe(29);
    expect(Math.abs((dependability?.mean ?? 0) - (theory.dependability as number))).toBeLessThan(
      3.3 * ((dependability?.sd ?? 0) / Math.sqrt(29)) + 0.02,
    );
    expect(Math.abs((sem?.mean ?? 0) - theory.sem)).toBeLessThan(0.35);
  });

  it('have the intraclass correlation that the components say: (p + ps) / (p + ps + e)', () => {
    const { ability, performance, severity, seeing } = SMOOTH;
    const own = ability ** 2 + performance ** 2;
    const { icc } = summarise(play(planOf(6, 80), SMOOTH, 4, 60));
    expect(icc?.estimate.mean).toBeCloseTo(own / (own + severity ** 2 + seeing ** 2), 1);
  });

  it('agree wholly where examiners are alike and see alike, and hang on nobody', () => {
    const alike = { ...SMOOTH, severity: 0, seeing: 0 };
    const summary = summarise(play(planOf(4, 40), alike, 5, 10));
    expect(summary.kappa?.estimate.mean).toBe(1);
    expect([summary.byExaminer, summary.byCircuit]).toEqual([0, 0]);
    const harsh = summarise(play(planOf(4, 40), { ...SMOOTH, severity: 12 }, 5, 10));
    expect(harsh.byExaminer).toBeGreaterThan(0.1);
    expect(harsh.byCircuit).toBeGreaterThan(0.1);
  });

  it('score what was meant: marks item by item come to the mean of the station', () => {
    const flat = { ...SMOOTH, ability: 0, performance: 0, severity: 0, seeing: 0 };
    const plan = planOf(3, 60);
    const settings = { ...plan.settings, method: 'mean-minus-sd' as const, sds: 0 };
    const { cut } = summarise(play({ ...plan, settings }, flat, 6, 20));
    // Without any spread the mean of the scores is the mean that was asked for.
    expect(Math.abs((cut?.mean ?? 0) - 65)).toBeLessThan(0.5);
  });

  it('have items as far apart in difficulty as is supposed, at the same mean', () => {
    const plan = planOf(3, 200);
    const prepared = plan.stations.map(prepare);
    const people = { ability: new Float64Array(200), severity: new Float64Array(6) };
    const spreadAt = (difficulty: number) => {
      const sheets = playSheets(
        plan,
        prepared,
        people,
        { ...SMOOTH, difficulty },
        seededChance(12),
      );
      const facilities = plan.stations.map((_, s) => {
        const own = sheets.filter(({ station }) => station === s);
        const earned = (key: string) => mean(own.map(({ shares }) => shares[key] ?? 0)) ?? 0;
        return Object.fromEntries(items.map(({ key }) => [key, earned(key)]));
      });
      return { spread: itemSpread(facilities.map((own) => ({ facilities: own }))) ?? 0, sheets };
    };
    const [alike, usual, apart] = [0, 1, 2].map(spreadAt) as [
      ReturnType<typeof spreadAt>,
      ReturnType<typeof spreadAt>,
      ReturnType<typeof spreadAt>,
    ];
    expect(alike.spread).toBeLessThan(0.3);
    expect(usual.spread).toBeGreaterThan(2 * alike.spread);
    expect(apart.spread).toBeGreaterThan(1.3 * usual.spread);
    const [first, last] = [alike, apart].map(({ sheets }) =>
      mean(sheets.map((own) => own.percent)),
    );
    expect(Math.abs((first ?? 0) - (last ?? 0))).toBeLessThan(1);
  });

  it('are the same whichever thread plays which', () => {
    const plan = planOf(3, 20);
    const whole = play(plan, USUAL_ASSUMPTIONS, 7, 6);
    const parts = [
      ...rehearsals(plan, USUAL_ASSUMPTIONS, 7, { from: 0, count: 2 }),
      ...rehearsals(plan, USUAL_ASSUMPTIONS, 7, { from: 2, count: 4 }),
    ];
    expect(parts).toEqual(whole);
  });

  it('name the station that ability does not tell at', () => {
    const plan = planOf(5, 80);
    const stations = plan.stations.map((station, s) =>
      s === 2 ? { ...station, carries: 0 } : station,
    );
    const summary = summarise(play({ ...plan, stations }, SMOOTH, 8, 30));
    const said = sayRehearsal(summary, {
      titles: ['A', 'B', 'C', 'D', 'E'],
      candidates: 80,
      pairs: 100,
    });
    expect(said.join(' ')).toContain('C carries next to nothing');
  });

  it('say in sentences what is and what is not known', () => {
    const plan = planOf(4, 30);
    const once = { ...plan, sheets: plan.sheets.slice(0, 120) };
    const around = { titles: ['A', 'B', 'C', 'D'], candidates: 30, pairs: 0 };
    const said = sayRehearsal(summarise(play(once, SMOOTH, 9, 20)), around).join(' ');
    expect(said).toMatch(/Nobody is marked twice/);
    expect(said).toMatch(/The cut will lie near \d/);
    expect(said).not.toMatch(/NaN|undefined|null/);
    expect(() => summarise([])).toThrow('There is no rehearsal to sum up.');
  });
});

describe('what a rehearsal supposes', () => {
  it('is refused in words where it cannot be', () => {
    expect(wrongAssumptions(USUAL_ASSUMPTIONS)).toEqual([]);
    expect(wrongAssumptions({ ...USUAL_ASSUMPTIONS, ability: -1, slips: 0.7 })).toEqual([
      'The spread of ability lies between 0 and 40, not at -1.',
      'The share of slips lies between 0 and 0.5, not at 0.7.',
    ]);
  });

  it('is learnt from an earlier cohort as near as its size allows', () => {
    const chance = seededChance(11);
    const [candidates, stations, examiners] = [150, 8, 16];
    const [ability, severity] = [7, 4].map((sd, i) =>
      Array.from({ length: i === 0 ? candidates : examiners }, () => sd * chance.normal()),
    ) as [number[], number[]];
    const scores = Array.from({ length: candidates * stations }, (_, i): ExaminedScore[] => {
      const [candidate, station] = [Math.floor(i / stations), i % stations];
      const own = 65 + (ability[candidate] as number) + 8 * chance.normal();
      const by = (examiner: number): ExaminedScore => ({
        candidate,
        station,
        examiner: String(examiner),
        percent: own - (severity[examiner] as number) + 3 * chance.normal(),
      });
      const first = (candidate + station) % examiners;
      return i % 3 === 0 ? [by(first), by((first + 5) % examiners)] : [by(first)];
    }).flat();
    const { assumptions, notes } = fromLastCohort(scores, stations);
    // Everything else could be told.
    expect(notes).toEqual([expect.stringMatching(/^Slips, and the spread of the overall grade/)]);
    expect(assumptions.slips).toBe(USUAL_ASSUMPTIONS.slips);
    expect(assumptions.ability).toBeGreaterThan(6);
    expect(assumptions.ability).toBeLessThan(8.2);
    expect(assumptions.performance).toBeCloseTo(8, -0.5);
    expect(Math.abs(assumptions.severity - (standardDeviation(severity) as number))).toBeLessThan(
      0.8,
    );
    expect(Math.abs(assumptions.seeing - 3)).toBeLessThan(1);
  });

  it('is the usual where there is too little to learn from, and says so', () => {
    const { assumptions, notes } = fromLastCohort([], 8);
    expect(assumptions).toEqual(USUAL_ASSUMPTIONS);
    expect(notes.at(-1)).toBe('The usual spreads are taken.');
  });
});

describe('the marks that a rehearsal chooses from', () => {
  it('reach from nothing to all for every kind of item', () => {
    const scale = { kind: 'hold', lower: 20, upper: 30, halfTolerance: 10, maximum: 120 } as const;
    const kinds: ChecklistItem[] = [
      { ...base, key: 'a', kind: 'done' },
      { ...base, key: 'b', kind: 'graded', anchors: ['0', '1', '2', '3'] },
      {
        ...base,
        key: 'c',
        kind: 'measured',
        unit: '°',
        lower: 20,
        upper: 30,
        fullTolerance: 2,
        halfTolerance: 8,
        step: 1,
        minimum: 0,
        maximum: 180,
      },
      { ...base, key: 'd', ...scale },
      {
        ...base,
        key: 'e',
        kind: 'choice',
        options: [
          { key: 'x', label: 'X', call: 0 },
          { key: 'y', label: 'Y', call: 1 },
        ],
        answer: 'x',
      },
      { ...base, key: 'f', kind: 'sides', left: scale, right: scale },
      { ...base, key: 'g', kind: 'retest', before: scale, after: scale, settings: [] },
      {
        ...base,
        key: 'h',
        kind: 'cluster',
        options: [
          { key: 'x', label: 'X' },
          { key: 'y', label: 'Y' },
        ],
        needs: ['x', 'y'],
      },
    ];
    for (const item of kinds) {
      const shares = optionsOf(item).map(({ share }) => share);
      expect([item.kind, shares[0], shares.at(-1)]).toEqual([item.kind, 0, 1]);
    }
    expect(optionsOf(kinds[1] as ChecklistItem)).toHaveLength(4);
  });
});
